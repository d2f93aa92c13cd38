package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.effort.SpokenTime;
import polydex.language.Language;
import polydex.mouse.Remaining.RemainingRow;
import polydex.mouse.Saved.OfPlace;
import polydex.own.OwnKey;
import polydex.person.Findings;

/** What keys have saved so far, and the sum that it comes from. */
public final class SavedView {
  private SavedView() {}

  /** Opens it over the place. */
  public static void open(Desk desk, Findings found) {
    ListView<OfPlace> list =
        Lists.of(
            worded("mouse.what-was-saved-by-action"),
            (box, line) -> row(desk, box, line),
            l -> desk.titles().action(l.row().place()),
            Texts.quiet(worded("mouse.nothing-that-was-done-with-the")));
    list.getItems().setAll(found.saved().places().stream().filter(p -> p.hours() > 0).toList());
    list.getSelectionModel().selectFirst();
    list.getStyleClass().add("nine-rows");
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("mouse.saved-so-far", SpokenTime.hours(found.saved().hours()))),
            Texts.words(
                worded(
                    "mouse.uses-by-keys-of-actions-that",
                    found.saved().usesByKeys(),
                    SpokenTime.hours(found.saved().drillHours()))),
            list,
            Texts.quiet(worded("mouse.a-time-is-the-median-of")));
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(
                    OwnKey.SAVED_NEXT,
                    worded("any.its-next-step"),
                    () ->
                        Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                            .ifPresent(
                                line -> {
                                  desk.keys().close();
                                  NextStep.take(desk, line.row());
                                }))));
  }

  private static void row(Desk desk, HBox box, OfPlace line) {
    RemainingRow r = line.row();
    box.getChildren()
        .addAll(
            Lists.growing(Texts.styled(desk.titles().action(r.place()), "row-title")),
            Lists.column(Texts.styled(desk.titles().place(r.place().environment()), "quiet"), 14),
            Lists.number(worded("mouse.uses-2", line.usesByKeys()), 6),
            Lists.number(
                String.format(
                    Language.locale(),
                    "%.1f \u2212 %.1f s",
                    r.pointerSeconds(),
                    r.keysSeconds().orElse(0.0)),
                7),
            Lists.number(SpokenTime.inColumn(line.hours()), 5));
  }
}
