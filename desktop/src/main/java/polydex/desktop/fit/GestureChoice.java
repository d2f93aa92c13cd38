package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
import polydex.language.Language;
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
  private final Label state = Texts.quiet(worded("any.looking-for-gestures-that-are-free"));
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
            worded("fit.gestures-that-are-free"),
            this::row,
            ChoiceRow::words,
            Texts.quiet(worded("any.no-gesture-is-free-in-every")));
    list.getStyleClass().add("nine-rows");
  }

  void open() {
    field.setPromptText(worded("fit.a-gesture-of-your-own-such"));
    field.setAccessibleText(worded("fit.a-gesture-of-your-own"));
    field.setOnAction(_ -> judge());
    weights.setPromptText(worded("fit.points-initial-same-row-near"));
    weights.setAccessibleText(worded("fit.points-for-an-initial-the-same"));
    Score.Weights usual = Score.Weights.USUAL;
    weights.setText(
        Stream.of(usual.initial(), usual.same(), usual.partner(), usual.near())
            .map(n -> Language.decimals(1, n))
            .collect(Collectors.joining(" ")));
    weights.setOnAction(_ -> propose());
    HBox fields = new HBox(10, field, weights);
    HBox.setHgrow(field, javafx.scene.layout.Priority.ALWAYS);
    VBox box =
        OverlayBox.wide(
            Texts.heading(
                worded("fit.a-gesture-for-on", desk.titles().action(action), computer.title())),
            state,
            list,
            fields,
            Texts.quiet(worded("fit.best-first-in-points-effort-less")));
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.GESTURE_TAKE, worded("any.take-it"), this::take),
                KeyCommand.of(OwnKey.GESTURE_TYPE, worded("any.type-one"), field::requestFocus),
                KeyCommand.of(OwnKey.GESTURE_PRESS, worded("any.press-one"), this::press)));
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
    state.setText(worded("fit.looking-for-gestures-that-are-free"));
    Lists.waiting(list, worded("fit.they-come-when-all-setups-of"));
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
    try {
      List<Double> said = Language.numbers(weights.getText());
      return Optional.of(new Score.Weights(said.get(0), said.get(1), said.get(2), said.get(3)));
    } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
      state.setText(worded("fit.the-points-are-four-numbers-from"));
      return Optional.empty();
    }
  }

  private void show(List<Proposals.Proposal> found) {
    typed = Optional.empty();
    state.setText(
        found.isEmpty() ? "" : worded("fit.the-best-that-are-free-wherever", computer.title()));
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
    state.setText(worded("any.press-the-keys-what-your-desktop"));
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
      state.setText(worded("fit.that-is-a-family-type-one"));
      return;
    }
    state.setText(worded("fit.trying-on-a-copy-esc-stops", gesture));
    Lists.waiting(list, worded("fit.what-it-would-bring-about-comes"));
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
          worded(
              "fit.severity",
              c.loser().gesture(),
              ConflictSentence.withoutWayOut(c, workspace.catalog()),
              c.severity()));
    }
    return new Judged(rules.gesture(), said);
  }

  private void show(Judged judged) {
    typed = Optional.of(judged.gesture());
    state.setText(desk.named(worded("fit.what-would-bring-about-gesture-take", judged.gesture())));
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
