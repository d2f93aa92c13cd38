package polydex.desktop.setups;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.setups.OutlineLine;
import polydex.setups.SetupComparison;
import polydex.workspace.Workspace;

/** Two setups beside each other: the parts that differ, and what works in one of them only. */
final class SetupBeside {
  /** A row: a part with both values, or a binding that works on one side. */
  private record BesideRow(String what, Optional<Gesture> gesture, Side first, Side second) {}

  /** How it is on a side, and the style in which that is said. */
  private record Side(String text, String style) {}

  private final Desk desk;
  private final Setup first;
  private final Setup second;
  private final Label state = Texts.quiet(worded("setups.following-every-binding-in-both"));
  private final ListView<BesideRow> list;

  SetupBeside(Desk desk, Setup first, Setup second) {
    this.desk = desk;
    this.first = first;
    this.second = second;
    list =
        Lists.of(
            worded("setups.differences"),
            this::row,
            r -> r.what() + " " + r.first() + " " + r.second(),
            Texts.quiet(worded("setups.they-do-not-differ-in-anything")));
    list.getStyleClass().add("setup-lines");
  }

  void open() {
    HBox sides = new HBox(10, Lists.column(new Label(), 21));
    for (Setup side : List.of(first, second)) {
      sides.getChildren().add(Lists.column(Texts.styled(side.title(), "part"), 17));
    }
    sides.getStyleClass().add("row");
    VBox box =
        OverlayBox.wide(Texts.heading(worded("setups.two-setups-compared")), state, sides, list);
    desk.keys().open(box, list);
    Workspace workspace = desk.session().workspace().get();
    Optional<String> problem =
        workspace.world().problem(first).or(() -> workspace.world().problem(second));
    if (problem.isPresent()) {
      state.setText("");
      Lists.failed(list, problem.get());
      return;
    }
    Lists.waiting(list, worded("setups.comparing"));
    desk.analyst()
        .look(
            "comparison of setups",
            _ ->
                SetupComparison.of(
                    workspace,
                    SetupTraces.of(first, workspace.world()),
                    SetupTraces.of(second, workspace.world())),
            this::show,
            why -> {
              state.setText("");
              Lists.failed(list, why);
            });
  }

  private void show(SetupComparison comparison) {
    List<BesideRow> rows = new ArrayList<>();
    for (SetupComparison.Part part : comparison.parts()) {
      if (part.sort() != OutlineLine.Sort.NAME) {
        rows.add(
            new BesideRow(part.label(), Optional.empty(), side(part.first()), side(part.second())));
      }
    }
    for (SetupComparison.Working w : comparison.bindings()) {
      Side there = new Side(worded("setups.works"), "words");
      Side not = new Side(worded("setups.does-not-work"), "stops");
      rows.add(
          new BesideRow(
              desk.titles().action(w.action()),
              Optional.of(w.gesture()),
              w.inFirst() ? there : not,
              w.inFirst() ? not : there));
    }
    int parts = rows.size() - comparison.bindings().size();
    state.setText(
        worded("setups.parts-differ-and-bindings-that-both", parts, comparison.bindings().size()));
    Lists.found(list, rows);
    list.getSelectionModel().selectFirst();
  }

  private void row(HBox box, BesideRow row) {
    Label what = Texts.styled(row.what(), "row-title");
    HBox name = new HBox(8);
    row.gesture()
        .ifPresent(
            g -> {
              GestureView caps =
                  new GestureView(g, desk.titles().words(first.innermost().platform()));
              caps.setMinWidth(Region.USE_PREF_SIZE);
              name.getChildren().add(caps);
            });
    name.getChildren().add(what);
    HBox.setHgrow(what, Priority.ALWAYS);
    what.setMinWidth(0);
    box.setSpacing(10);
    box.getChildren()
        .addAll(
            Lists.column(name, 21),
            Lists.column(label(row.first()), 17),
            Lists.column(label(row.second()), 17));
  }

  private static Side side(String value) {
    return value.isEmpty()
        ? new Side(worded("setups.has-none"), "quiet")
        : new Side(value, "words");
  }

  private static Label label(Side side) {
    Label label = Texts.styled(side.text(), "words");
    label.getStyleClass().add(side.style());
    return label;
  }
}
