package polydex.desktop.fit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictSentence;
import polydex.conflict.KeymapFix;
import polydex.conflict.Trial;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.PressedStroke;
import polydex.desktop.keys.KeyCommand;
import polydex.fit.Bench;
import polydex.fit.OwnBinding;
import polydex.fit.OwnRules;
import polydex.fit.Target;
import polydex.free.Candidates;
import polydex.free.FreeGestures;
import polydex.free.Proposals;
import polydex.free.Score;
import polydex.free.Scorer;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.keys.Modifier;
import polydex.own.OwnKey;
import polydex.route.SetupId;
import polydex.route.Situation.Computer;
import polydex.workspace.Workspace;

/** A gesture for a binding of one's own: proposals with their reasons, or one that is typed. */
final class GestureChoice {
  private static final int OFFERED = 9;

  /** A row: a proposal, or a sentence about what was typed. */
  private record ChoiceRow(Optional<Proposals.Proposal> proposal, String words) {}

  /** What was found out about a typed gesture. */
  private record Judged(Gesture gesture, List<String> sentences) {}

  private final Desk desk;
  private final ActionId action;
  private final Computer computer;
  private final Optional<Target> target;
  private final Consumer<Gesture> chosen;
  private final TextField field = new TextField();
  private final TextField weights = new TextField();
  private final Label state = Texts.quiet("Looking for gestures that are free \u2026");
  private final ListView<ChoiceRow> list;
  private final Map<Modifier, String> words;
  private Optional<Gesture> typed = Optional.empty();

  GestureChoice(
      Desk desk,
      ActionId action,
      Computer computer,
      Optional<Target> target,
      Consumer<Gesture> chosen) {
    this.desk = desk;
    this.action = action;
    this.computer = computer;
    this.target = target;
    this.chosen = chosen;
    this.words = desk.titles().words(computer.platform());
    list =
        Lists.of(
            "Gestures that are free",
            this::row,
            ChoiceRow::words,
            Texts.quiet("No gesture is free in every setup of this computer."));
    list.getStyleClass().add("nine-rows");
  }

  void open() {
    field.setPromptText("A gesture of your own, such as Ctrl+Alt+K");
    field.setAccessibleText("A gesture of your own");
    field.setOnAction(_ -> judge());
    weights.setPromptText("Points: initial, same, row, near");
    weights.setAccessibleText("Points for an initial, the same elsewhere, a row, a gesture near");
    Score.Weights usual = Score.Weights.USUAL;
    weights.setText(
        "%s %s %s %s".formatted(usual.initial(), usual.same(), usual.partner(), usual.near()));
    weights.setOnAction(_ -> propose());
    HBox fields = new HBox(10, field, weights);
    HBox.setHgrow(field, javafx.scene.layout.Priority.ALWAYS);
    VBox box =
        OverlayBox.wide(
            Texts.heading(
                "A gesture for \u201c%s\u201d on %s"
                    .formatted(desk.titles().action(action), computer.title())),
            state,
            list,
            fields,
            Texts.quiet(
                "Best first, in points: effort, less what helps to remember, more what a slip would"
                    + " do. Enter in a field judges the gesture, or proposes anew with these points."));
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.GESTURE_TAKE, "Take it", this::take),
                KeyCommand.of(OwnKey.GESTURE_TYPE, "Type one", field::requestFocus),
                KeyCommand.of(OwnKey.GESTURE_PRESS, "Press one", this::press)));
    desk.analyst().stopLookingWithout(box, "free gestures");
    list.setOnKeyPressed(
        e -> {
          if (e.getCode() == javafx.scene.input.KeyCode.ENTER) {
            e.consume();
            take();
          }
        });
    propose();
  }

  private void propose() {
    Optional<Score.Weights> points = points();
    if (points.isEmpty()) {
      return;
    }
    state.setText("Looking for gestures that are free \u2026 Esc stops.");
    Lists.waiting(list, "They come when all setups of this computer were looked at.");
    Workspace workspace = desk.session().workspace().get();
    desk.analyst()
        .look(
            "free gestures",
            course -> {
              FreeGestures free = FreeGestures.on(workspace.situation(), computer);
              return new Proposals(
                      free,
                      new Scorer(workspace.situation(), free.setups(), points.get()),
                      free.setups().isEmpty()
                          ? List.of()
                          : Candidates.of(free.setups()).own(workspace.catalog(), free.computers()))
                  .of(action, OFFERED, () -> !course.isWanted());
            },
            this::show,
            why -> {
              state.setText("");
              Lists.failed(list, why);
            });
  }

  private Optional<Score.Weights> points() {
    String[] said = weights.getText().strip().split("[\\s,;]+");
    try {
      return Optional.of(
          new Score.Weights(
              Double.parseDouble(said[0]),
              Double.parseDouble(said[1]),
              Double.parseDouble(said[2]),
              Double.parseDouble(said[3])));
    } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
      state.setText("The points are four numbers from 0 to 100, as in 1.5 1.0 0.8 1.2.");
      return Optional.empty();
    }
  }

  private void show(List<Proposals.Proposal> found) {
    typed = Optional.empty();
    state.setText(
        found.isEmpty()
            ? ""
            : "The best that are free wherever %s stands.".formatted(computer.title()));
    Lists.found(
        list,
        found.stream()
            .map(
                p ->
                    new ChoiceRow(
                        Optional.of(p),
                        FitWords.why(p.score(), desk.session().workspace().get().catalog())))
            .toList());
    list.getSelectionModel().selectFirst();
    list.requestFocus();
  }

  /**
   * The next stroke that is pressed is judged; what this computer's desktop takes is typed instead.
   */
  private void press() {
    state.setText("Press the keys. What your desktop takes for itself has to be typed.");
    PressedStroke.hear(
        desk,
        gesture -> {
          list.requestFocus();
          field.setText(gesture.toString());
          judge();
        },
        () -> {
          list.requestFocus();
          state.setText("");
        });
  }

  /** What the gesture that was typed would bring about, in every setup of the computer. */
  private void judge() {
    Gesture gesture;
    try {
      gesture = desk.titles().reader(computer.platform()).read(field.getText().strip()).gesture();
    } catch (GestureSyntaxException e) {
      state.setText(e.getMessage());
      return;
    }
    if (gesture.isFamily()) {
      state.setText("That is a family; type one of it.");
      return;
    }
    state.setText("Trying %s on a copy \u2026 Esc stops.".formatted(gesture));
    Lists.waiting(list, "What it would bring about comes when all was tried.");
    Workspace workspace = desk.session().workspace().get();
    var person = desk.analyst().person();
    desk.analyst()
        .look(
            "free gestures",
            _ -> judged(workspace, gesture, person),
            this::show,
            why -> {
              state.setText("");
              Lists.failed(list, why);
            });
  }

  private Judged judged(Workspace workspace, Gesture gesture, polydex.conflict.Person person) {
    List<String> said = new java.util.ArrayList<>();
    Bench bench = workspace.bench();
    OwnBinding wanted =
        OwnBinding.planned("judged", computer, action, gesture, target, desk.session().today());
    OwnRules rules = OwnRules.of(bench, wanted, bench.own(desk.session().today()));
    said.addAll(rules.broken());
    said.addAll(rules.remarks());
    FreeGestures free = FreeGestures.on(workspace.situation(), computer);
    free.of(rules.gesture())
        .forEach(
            (SetupId setup, polydex.free.Verdict v) ->
                said.add(
                    "%s: %s"
                        .formatted(
                            workspace.setups().get(setup).title(),
                            FitWords.sentence(FitWords.of(v, workspace.catalog())))));
    Trial.Outcome outcome =
        new Trial(workspace.situation(), person)
            .of(new KeymapFix.AddOwn(computer, Binding.of("judged", action, rules.gesture())));
    for (Conflict c : outcome.makes()) {
      said.add(
          "%s %s (severity %d)"
              .formatted(
                  c.loser().gesture(),
                  ConflictSentence.withoutWayOut(c, workspace.catalog()),
                  c.severity()));
    }
    return new Judged(rules.gesture(), said);
  }

  private void show(Judged judged) {
    typed = Optional.of(judged.gesture());
    state.setText(
        desk.named(
            "What %s would bring about. {GESTURE_TAKE} takes it all the same."
                .formatted(judged.gesture())));
    Lists.found(
        list, judged.sentences().stream().map(s -> new ChoiceRow(Optional.empty(), s)).toList());
    list.getSelectionModel().selectFirst();
    list.requestFocus();
  }

  private void take() {
    Optional<Gesture> gesture =
        typed.or(
            () ->
                Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                    .flatMap(ChoiceRow::proposal)
                    .map(Proposals.Proposal::gesture));
    gesture.ifPresent(
        g -> {
          desk.keys().close();
          chosen.accept(g);
        });
  }

  private void row(HBox box, ChoiceRow row) {
    row.proposal()
        .ifPresent(
            p ->
                box.getChildren()
                    .addAll(
                        Lists.column(new GestureView(p.gesture(), words), 16),
                        Lists.number(FitWords.points(p.score().total()), 3)));
    box.getChildren().add(Lists.growing(Texts.styled(row.words(), "quiet")));
  }
}
