package polydex.desktop.lookup;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Map;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Catalog;
import polydex.catalog.Comparison;
import polydex.catalog.Comparison.Likeness;
import polydex.catalog.Comparison.Line;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.keys.Gesture;

/** A whole environment beside another: what is different where one is going. */
final class CompareView extends VBox {
  private static final String ALL = worded("lookup.all");
  private static final Map<Likeness, String> WORDS =
      Map.of(
          Likeness.SAME, worded("lookup.same"),
          Likeness.ONE_MODIFIER_AWAY, worded("lookup.one-modifier-away"),
          Likeness.DIFFERENT, worded("lookup.different"),
          Likeness.MISSING, worded("lookup.missing-there"),
          Likeness.NEW, worded("lookup.only-there"));

  private final Desk desk;
  private final ComboBox<Environment> from =
      Lists.choices(worded("lookup.coming-from"), Environment::title);
  private final ComboBox<Environment> to =
      Lists.choices(worded("lookup.going-to"), Environment::title);
  private final ComboBox<String> which = new ComboBox<>();
  private final Label counts = Texts.words("");
  private final ListView<Line> lines;

  CompareView(Desk desk) {
    this.desk = desk;
    which.setAccessibleText(worded("lookup.which-lines"));
    which.getItems().setAll(ALL);
    for (Likeness likeness : Likeness.values()) {
      which.getItems().add(WORDS.get(likeness));
    }
    which.setValue(ALL);
    lines =
        Lists.of(
            worded("lookup.actions-of-both"),
            this::row,
            l -> catalog().title(l.action()),
            Texts.quiet(worded("lookup.neither-has-a-binding-of-this")));
    VBox.setVgrow(lines, Priority.ALWAYS);
    FlowPane top =
        new FlowPane(
            10,
            6,
            Texts.part(worded("lookup.coming-from")),
            from,
            Texts.part(worded("lookup.going-to-2")),
            to,
            Texts.part(worded("lookup.show")),
            which);
    top.setAlignment(Pos.CENTER_LEFT);
    setSpacing(12);
    getChildren().addAll(top, counts, lines);
    from.valueProperty().addListener((_, _, _) -> refresh());
    to.valueProperty().addListener((_, _, _) -> refresh());
    which.valueProperty().addListener((_, _, _) -> refresh());
    desk.session().workspace().addListener((_, _, _) -> fill());
    fill();
  }

  void focusFirst() {
    from.requestFocus();
  }

  private Catalog catalog() {
    return desk.session().workspace().get().catalog();
  }

  private void fill() {
    List<Environment> all = catalog().environments();
    for (ComboBox<Environment> box : List.of(from, to)) {
      EnvironmentId was = box.getValue() == null ? EnvironmentId.NONE : box.getValue().id();
      box.setItems(FXCollections.observableArrayList(all));
      box.setValue(all.stream().filter(e -> e.id().equals(was)).findFirst().orElse(null));
    }
    if (from.getValue() == null && all.size() > 1) {
      from.setValue(all.get(0));
      to.setValue(all.get(1));
    }
    refresh();
  }

  private void refresh() {
    if (from.getValue() == null || to.getValue() == null) {
      return;
    }
    Comparison comparison = Comparison.of(catalog(), from.getValue().id(), to.getValue().id());
    StringBuilder words = new StringBuilder();
    comparison
        .counts()
        .forEach(
            (likeness, n) ->
                words
                    .append(words.isEmpty() ? "" : ", ")
                    .append(n)
                    .append(' ')
                    .append(WORDS.get(likeness)));
    counts.setText(words + ".");
    // All of them stand before the kinds.
    int kind = which.getSelectionModel().getSelectedIndex() - 1;
    lines
        .getItems()
        .setAll(
            comparison.lines().stream()
                .filter(l -> kind < 0 || l.likeness() == Likeness.values()[kind])
                .toList());
  }

  private void row(HBox box, Line line) {
    if (desk.narrow().get()) {
      box.getChildren()
          .add(
              new VBox(
                  4,
                  new HBox(
                      12,
                      Texts.styled(catalog().title(line.action()), "part"),
                      mark(line.likeness())),
                  new FlowPane(
                      12,
                      4,
                      gestures(line.from(), from.getValue()),
                      Texts.styled(worded("lookup.there"), "quiet"),
                      gestures(line.to(), to.getValue()))));
      return;
    }
    box.getChildren()
        .addAll(
            Lists.growing(Texts.styled(catalog().title(line.action()), "row-title")),
            Lists.column(mark(line.likeness()), 10.5),
            Lists.growing(gestures(line.from(), from.getValue())),
            Lists.growing(gestures(line.to(), to.getValue())));
  }

  static HBox mark(Likeness likeness) {
    Region sign = new Region();
    switch (likeness) {
      case SAME -> sign.getStyleClass().addAll("dot", "dot-replaced");
      case ONE_MODIFIER_AWAY -> sign.getStyleClass().addAll("dot", "dot-learning");
      case DIFFERENT -> sign.getStyleClass().add("notch");
      case MISSING, NEW -> sign.getStyleClass().addAll("dot", worded("lookup.dot-hole"));
    }
    HBox box = new HBox(6, sign, Texts.styled(WORDS.get(likeness), "row-title"));
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private Region gestures(List<Gesture> list, Environment environment) {
    VBox box = new VBox(4);
    box.setAlignment(Pos.CENTER_LEFT);
    for (Gesture gesture : list) {
      Node view = new GestureView(gesture, desk.titles().words(environment.id()));
      box.getChildren().add(view);
    }
    if (list.isEmpty()) {
      box.getChildren().add(Texts.styled(worded("lookup.no-gesture"), "hole"));
    }
    return box;
  }
}
