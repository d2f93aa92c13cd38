package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.mouse.Wish;
import polydex.own.OwnKey;

/** Bindings that a person would like to have. */
public final class WishList {
  private final Desk desk;
  private final ListView<Wish> list;

  /** Of the session. */
  public WishList(Desk desk) {
    this.desk = desk;
    list =
        Lists.of(
            worded("mouse.bindings-wished-for"),
            this::row,
            w -> desk.titles().action(w.place()),
            desk.keyed(Texts.quiet(worded("mouse.nothing-is-wished-for-wish-on"))));
    list.getStyleClass().add("nine-rows");
  }

  /** Opens it over the place. */
  public void open() {
    fill();
    VBox box = OverlayBox.wide(Texts.heading(worded("mouse.bindings-wished-for")), list);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(
                    OwnKey.WISHES_DROP,
                    () ->
                        Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                            .ifPresent(
                                w -> {
                                  new Choices(desk).unwish(w.place());
                                  fill();
                                }))));
  }

  private void fill() {
    list.getItems()
        .setAll(
            desk.session().workspace().get().mouse().wishes().values().stream()
                .sorted(Comparator.comparing(w -> desk.titles().action(w.place())))
                .toList());
    list.getSelectionModel().selectFirst();
  }

  private void row(HBox box, Wish wish) {
    box.getChildren()
        .addAll(
            Lists.growing(Texts.styled(desk.titles().action(wish.place()), "row-title")),
            Lists.column(Texts.styled(desk.titles().setup(wish.place().setup()), "quiet"), 14),
            Lists.column(
                new GestureView(wish.gesture(), desk.titles().words(wish.place().environment())),
                10),
            Lists.column(Texts.styled(worded("mouse.since", wish.day()), "quiet"), 9));
  }
}
