package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Hooks;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Analysis;
import polydex.keys.Modifier;
import polydex.recall.Answer;
import polydex.recall.Answer.Kind;
import polydex.recall.Answer.Verdict;
import polydex.recall.DrillQueue;
import polydex.recall.DrillSettings;
import polydex.recall.Prompt;
import polydex.recall.Question;

/**
 * What a drill says about its questions and answers.
 *
 * @param found what was found out about the setup
 */
record DrillWords(Desk desk, Analysis found) {

  /** Where in the drill one is, in which environment, and what is asked. */
  List<Node> top(DrillQueue queue) {
    Question question = queue.current();
    Prompt prompt = question.prompt();
    List<Node> nodes = new ArrayList<>();
    nodes.add(counted(queue));
    nodes.add(where(prompt));
    nodes.add(
        title(
            question.kind() == Kind.SAY
                ? worded("drill.what-does-this-do")
                : desk.titles().action(prompt.item().action())
                    + (prompt.member().isEmpty() ? "" : ": " + prompt.member())));
    if (question.kind() == Kind.CHAIN) {
      nodes.add(Texts.quiet(restOfChain(queue)));
    }
    return nodes;
  }

  private static Label title(String words) {
    Label title = Texts.styled(words, "prompt");
    title.setWrapText(true);
    title.setMinHeight(Region.USE_PREF_SIZE);
    return title;
  }

  private String restOfChain(DrillQueue queue) {
    List<String> rest =
        queue.restOfTask().stream()
            .map(q -> desk.titles().action(q.prompt().item().action()))
            .toList();
    return rest.isEmpty()
        ? worded("drill.the-last-of-the-task")
        : worded("drill.then", String.join(worded("drill.then-2"), rest));
  }

  private static Node counted(DrillQueue queue) {
    Question q = queue.current();
    String kind =
        switch (q.kind()) {
          case DO -> q.isNew() ? worded("drill.new") : "";
          case SAY -> worded("drill.the-other-way-round");
          case CHAIN -> worded("drill.a-task-of", q.parts(), q.part());
          case CONTRAST -> worded("drill.side-by-side");
          case SPRINT -> worded("drill.sprint-2");
        };
    HBox counted =
        new HBox(
            10,
            Texts.styled(worded("drill.of", queue.number(), queue.size(), kind), "quiet"),
            Texts.styled(worded("drill.to-go", time(DrillSettings.timeOf(queue.left()))), "quiet"));
    counted.setAlignment(Pos.CENTER);
    return counted;
  }

  private static String time(Duration left) {
    return left.toSeconds() < 60
        ? "%d s".formatted(left.toSeconds())
        : worded("any.min", Math.round(left.toSeconds() / 60.0));
  }

  private Node where(Prompt prompt) {
    return Texts.styled(
        worded("any.in", desk.titles().place(prompt.item().environment())), "prompt-place");
  }

  Map<Modifier, String> modifiers(Prompt prompt) {
    return desk.titles().words(prompt.item().environment());
  }

  /** What a gesture can be remembered by. */
  Node hook(Prompt prompt) {
    EnvironmentId environment = prompt.item().environment();
    List<String> hooks =
        found.workspace().catalog().bindings(environment, prompt.item().action()).stream()
            .flatMap(b -> found.hooks().of(environment, b).stream())
            .map(Hooks.Hook::text)
            .distinct()
            .toList();
    return Texts.words(
        worded(
            "drill.hold-space-again-to-see-the",
            (hooks.isEmpty()
                ? worded("drill.there-is-no-hook-for-this")
                : String.join(" ", hooks))));
  }

  /** The keys that are wanted, with a word before them. */
  Node keys(String word, Prompt prompt) {
    HBox wanted =
        new HBox(
            12, Texts.styled(word, "part"), new GestureView(prompt.preferred(), modifiers(prompt)));
    wanted.setAlignment(Pos.CENTER);
    wanted.getStyleClass().add(desk.titles().caps(prompt.item().environment()));
    return wanted;
  }

  static Node verdict(Verdict verdict) {
    return switch (verdict) {
      case RIGHT -> Texts.styled(worded("drill.right"), "right");
      case CORRECTED -> Texts.styled(worded("drill.right-after-a-correction"), "right");
      case WRONG -> Texts.styled(worded("drill.not-this-one"), "wrong");
      case HINTED -> Texts.styled(worded("drill.with-a-hint"), "wrong");
      case TIMED_OUT -> Texts.styled(worded("drill.time-is-up"), "wrong");
    };
  }

  static String time(Answer answer) {
    if (!answer.timing().counts()) {
      return worded("drill.there-was-an-interruption-so-the");
    }
    double goal = answer.timing().goal();
    double seconds = answer.timing().seconds();
    return worded(
        "drill.s-the-goal-is-s-2",
        decimals(2, seconds),
        decimals(2, goal),
        seconds <= goal || !answer.verdict().isRight()
            ? "."
            : worded("drill.so-this-is-not-fluent-yet"));
  }

  /** How a task went as a whole. */
  static String task(List<Answer> parts) {
    return worded(
        "drill.the-whole-task-s-its-goals",
        decimals(1, parts.stream().mapToDouble(a -> a.timing().seconds()).sum()),
        decimals(1, parts.stream().mapToDouble(a -> a.timing().goal()).sum()),
        parts.stream().filter(a -> a.verdict().isRight()).count(),
        parts.size());
  }
}
