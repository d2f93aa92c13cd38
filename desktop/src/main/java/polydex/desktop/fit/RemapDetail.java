package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.util.ArrayList;
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
import polydex.fit.RemapChanges;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.route.SetupId;

/** What a remap changes, line by line. */
final class RemapDetail {
  private record DetailRow(
      String kind, SetupId setup, String what, Optional<Gesture> before, Optional<Gesture> after) {}

  private final Desk desk;
  private final String title;
  private final RemapChanges changes;

  RemapDetail(Desk desk, String title, RemapChanges changes) {
    this.desk = desk;
    this.title = title;
    this.changes = changes;
  }

  void open() {
    ListView<DetailRow> list =
        Lists.of(
            worded("fit.what-changes"),
            this::row,
            r -> r.kind() + " " + r.what(),
            Texts.quiet(worded("fit.nothing-changes-in-any-setup")));
    list.getStyleClass().add("nine-rows");
    List<DetailRow> rows = new ArrayList<>();
    for (RemapChanges.Habit h : changes.habits()) {
      rows.add(
          new DetailRow(
              h.losesWork() ? worded("fit.loses-work") : worded("fit.habit"),
              h.setup(),
              worded("fit.instead-of", h.instead(), desk.titles().action(h.item().action())),
              Optional.of(h.gesture()),
              Optional.empty()));
    }
    add("lost", changes.loses(), rows);
    add("gained", changes.gains(), rows);
    add("moved", changes.moves(), rows);
    Lists.found(list, rows);
    list.getSelectionModel().selectFirst();
    VBox box =
        OverlayBox.wide(
            Texts.heading(title),
            Texts.quiet(
                worded(
                    "fit.gained-lost-moved-uses-a-day",
                    changes.gains().size(),
                    changes.loses().size(),
                    changes.moves().size(),
                    decimals(1, changes.usesMoved()),
                    changes.habits().size(),
                    decimals(0, changes.effortAfter()),
                    decimals(0, changes.effortBefore()))),
            list,
            Texts.quiet(worded("fit.esc-closes")));
    desk.keys().open(box, list);
  }

  private void add(String kind, List<RemapChanges.Reached> list, List<DetailRow> rows) {
    for (RemapChanges.Reached r : list) {
      rows.add(
          new DetailRow(kind, r.setup(), desk.titles().action(r.action()), r.before(), r.after()));
    }
  }

  private void row(HBox box, DetailRow row) {
    var words =
        Optional.ofNullable(desk.session().workspace().get().setups().get(row.setup()))
            .map(s -> desk.titles().words(s.machine().platform()))
            .orElse(java.util.Map.<Modifier, String>of());
    box.getChildren()
        .addAll(
            Lists.column(Texts.styled(row.kind(), "quiet"), 6),
            Lists.growing(Texts.styled(row.what(), "row-title")),
            Lists.column(Texts.styled(desk.titles().setup(row.setup()), "quiet"), 13),
            keys(row.before(), words),
            keys(row.after(), words));
  }

  private static javafx.scene.Node keys(
      Optional<Gesture> gesture, java.util.Map<Modifier, String> words) {
    return Lists.column(
        gesture
            .<javafx.scene.layout.Region>map(g -> new GestureView(g, words))
            .orElseGet(() -> Texts.styled("", "quiet")),
        10);
  }
}
