package polydex.desktop.places;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import javafx.animation.AnimationTimer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.catalog.GestureIndex.Owner;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.recall.Answer;
import polydex.recall.AnswerCheck;
import polydex.recall.DrillPlan;
import polydex.recall.ExpectedTime;
import polydex.recall.Prompt;

/** Ten prompts, one at a time: press the real keys, and see at once whether they were right. */
public final class DrillPlace implements Place, KeyCapture.Listener {
  private static final int PROMPTS = 10;
  private static final double NANOS = 1e9;

  private enum Stage {
    START,
    ASKING,
    ANSWERED,
    DONE
  }

  private final Desk desk;
  private final Random random;
  private final VBox root = new VBox();
  private final Button begin = new Button("Begin: ten prompts");
  private final List<Answer> answers = new ArrayList<>();
  private final HBox caps = new HBox(8);
  private final AnimationTimer painted =
      new AnimationTimer() {
        private int frames;

        @Override
        public void start() {
          frames = 0;
          super.start();
        }

        @Override
        public void handle(long now) {
          // The second frame after the change is the first that shows it.
          if (++frames == 2) {
            shownAt = System.nanoTime();
            stop();
          }
        }
      };
  private Stage stage = Stage.START;
  private List<Prompt> prompts = List.of();
  private Optional<Analysis> analysis = Optional.empty();
  private Optional<AnswerCheck> check = Optional.empty();
  private long shownAt;
  private boolean beginWhenReady;

  /**
   * The place.
   *
   * @param random mixes the prompts
   */
  public DrillPlace(Desk desk, Random random) {
    this.desk = desk;
    this.random = random;
    root.getStyleClass().add("place");
    begin.setDefaultButton(true);
    begin.setOnAction(_ -> begin());
    desk.analyst().found().addListener((_, _, _) -> refreshStart());
    desk.session().logged().addListener((_, _, _) -> refreshStart());
    showStart();
  }

  private void refreshStart() {
    if (stage != Stage.START) {
      return;
    }
    showStart();
    if (beginWhenReady && desk.analyst().found().get().isPresent()) {
      begin();
    }
  }

  @Override
  public String title() {
    return "Drill";
  }

  @Override
  public char letter() {
    return 'D';
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    return switch (stage) {
      case START -> List.of(KeyCommand.of("Enter", "Begin", this::begin));
      case ASKING -> List.of();
      case ANSWERED ->
          List.of(
              KeyCommand.of("Enter", "Next", this::next),
              KeyCommand.of("Escape", "Stop here", this::finish));
      case DONE ->
          List.of(
              KeyCommand.of("Enter", "Ten more", this::begin),
              KeyCommand.of("Escape", "Back", this::toStart));
    };
  }

  @Override
  public Map<Character, Node> reachable() {
    return stage == Stage.START ? Map.of('B', begin) : Map.of();
  }

  @Override
  public void shown() {
    if (stage == Stage.START) {
      begin.requestFocus();
    }
  }

  @Override
  public void hidden() {
    beginWhenReady = false;
    if (stage == Stage.ASKING || stage == Stage.ANSWERED) {
      desk.keys().release();
      toStart();
    }
  }

  private void toStart() {
    stage = Stage.START;
    showStart();
    desk.keys().changed();
    begin.requestFocus();
  }

  private void showStart() {
    List<Prompt> candidates =
        desk.analyst().found().get().map(a -> DrillPrompts.of(a, desk.session())).orElse(List.of());
    long due =
        candidates.stream()
            .flatMap(p -> desk.session().progress().state(p.item()).stream())
            .filter(s -> s.isDue(desk.session().now()))
            .count();
    long fresh =
        candidates.stream()
            .filter(p -> desk.session().progress().state(p.item()).isEmpty())
            .count();
    begin.setDisable(candidates.isEmpty());
    VBox card =
        new VBox(
            Texts.part(due == 1 ? "1 item is due." : "%,d items are due.".formatted(due)),
            Texts.words(
                candidates.isEmpty()
                    ? "No gesture of this setup can be drilled. Bring in bindings under Sheets, or"
                        + " choose another setup with Ctrl+U."
                    : "%,d can be drilled in this setup, %,d of them still new. What is due comes"
                            .formatted(candidates.size(), fresh)
                        + " first, then at most three new ones."),
            begin);
    card.getStyleClass().add("card");
    card.setMaxWidth(620);
    root.setAlignment(Pos.TOP_LEFT);
    root.getChildren()
        .setAll(
            Texts.heading("Drill"),
            card,
            Texts.quiet(
                "Press the keys as you would at work. While a prompt is on the screen every key"
                    + " counts, Tab and Enter too; hold Esc for a second to leave."));
  }

  private void begin() {
    analysis = desk.analyst().found().get();
    beginWhenReady = analysis.isEmpty();
    if (beginWhenReady) {
      desk.session().say("Looking into the setup; the drill begins when that is done.");
      return;
    }
    prompts =
        DrillPlan.choose(
            DrillPrompts.of(analysis.get(), desk.session()),
            desk.session().progress(),
            desk.session().now(),
            PROMPTS,
            random);
    answers.clear();
    if (!prompts.isEmpty()) {
      ask();
    }
  }

  private Prompt prompt() {
    return prompts.get(answers.size());
  }

  private void ask() {
    stage = Stage.ASKING;
    Prompt prompt = prompt();
    check =
        Optional.of(
            new AnswerCheck(prompt.gestures(), analysis.orElseThrow().traces().tracer().layout()));
    caps.getStyleClass().setAll("big");
    caps.setAlignment(Pos.CENTER);
    caps.setMinHeight(60);
    caps.getChildren().setAll(GestureView.emptyCap());
    show(
        Texts.styled("%d of %d".formatted(answers.size() + 1, prompts.size()), "quiet"),
        Texts.styled(place(prompt), "prompt-place"),
        promptTitle(prompt),
        caps,
        Texts.quiet(
            prompt.spelled()
                ? "This computer would take these keys itself, so give them one after another:"
                    + " modifiers stay down until the next key."
                : ""));
    desk.keys().capture(this, prompt.spelled(), "leave the drill");
    shownAt = System.nanoTime();
    painted.start();
  }

  private Label promptTitle(Prompt prompt) {
    Label title =
        Texts.styled(
            desk.session().workspace().get().catalog().title(prompt.item().action()), "prompt");
    title.setWrapText(true);
    title.setMinHeight(Region.USE_PREF_SIZE);
    return title;
  }

  private String place(Prompt prompt) {
    return "in " + desk.title(prompt.item().environment());
  }

  private void show(Node... nodes) {
    VBox prompt = new VBox(nodes);
    prompt.getStyleClass().add("drill");
    root.setAlignment(Pos.CENTER);
    root.getChildren().setAll(prompt);
  }

  private Map<Modifier, String> words() {
    return desk.words(prompt().item().environment());
  }

  @Override
  public void holding(Modifiers held) {
    if (stage == Stage.ASKING && check.orElseThrow().made().isEmpty()) {
      caps.getChildren()
          .setAll(
              held.isEmpty() ? GestureView.emptyCap() : GestureView.held(Held.of(held), words()));
    }
  }

  @Override
  public void pressed(Made press, long nanos) {
    if (stage != Stage.ASKING) {
      return;
    }
    AnswerCheck now = check.orElseThrow();
    AnswerCheck.State state = now.add(press);
    caps.getChildren().setAll(new GestureView(now.gesture(), words()));
    if (state != AnswerCheck.State.GOES_ON) {
      answered(state == AnswerCheck.State.RIGHT, Math.max(0, nanos - shownAt) / NANOS);
    }
  }

  @Override
  public void leave() {
    desk.keys().release();
    finish();
  }

  private void answered(boolean right, double seconds) {
    stage = Stage.ANSWERED;
    Prompt prompt = prompt();
    Gesture asked = prompt.gestures().getFirst();
    Gesture pressed = check.orElseThrow().gesture();
    double goal = ExpectedTime.FLUENT_WITHIN * ExpectedTime.of(asked);
    List<Node> nodes = new ArrayList<>();
    nodes.add(Texts.styled("%d of %d".formatted(answers.size() + 1, prompts.size()), "quiet"));
    nodes.add(Texts.styled(place(prompt), "prompt-place"));
    nodes.add(promptTitle(prompt));
    nodes.add(caps);
    if (right) {
      nodes.add(Texts.styled("Right", "right"));
      nodes.add(
          Texts.words(
              "%.2f s; the goal is %.2f s%s"
                  .formatted(
                      seconds, goal, seconds <= goal ? "." : ", so this is not fluent yet.")));
    } else {
      nodes.add(Texts.styled("Not these keys", "wrong"));
      nodes.add(Texts.words(whose(pressed)));
      HBox wanted = new HBox(12, Texts.styled("Wanted:", "part"), new GestureView(asked, words()));
      wanted.setAlignment(Pos.CENTER);
      nodes.add(wanted);
    }
    show(nodes.toArray(new Node[0]));
    desk.keys().release();
    Answer answer =
        new Answer(
            prompt.item(),
            desk.session().now(),
            right ? Answer.Verdict.RIGHT : Answer.Verdict.WRONG,
            seconds,
            asked,
            pressed.toString());
    answers.add(answer);
    desk.session().answer(answer);
  }

  /** Whose the pressed gesture is: where it was asked first, then elsewhere. */
  private String whose(Gesture pressed) {
    Analysis found = analysis.orElseThrow();
    String asked = prompt().item().environment();
    List<Owner> owners =
        Presses.physical(pressed, found.traces().tracer().layout())
            .map(found.owners()::owners)
            .orElse(List.of());
    Optional<Owner> owner =
        owners.stream()
            .filter(o -> o.environment().equals(asked))
            .findFirst()
            .or(
                () ->
                    owners.stream()
                        .filter(o -> o.binding().action().equals(prompt().item().action()))
                        .findFirst())
            .or(() -> owners.stream().findFirst());
    return owner
        .map(
            o ->
                "%s is \u201c%s\u201d in %s."
                    .formatted(
                        pressed,
                        found.workspace().catalog().title(o.binding().action()),
                        desk.title(o.environment())))
        .orElse(pressed + " is bound nowhere.");
  }

  private void next() {
    if (answers.size() < prompts.size()) {
      ask();
    } else {
      finish();
    }
  }

  private void finish() {
    painted.stop();
    if (answers.isEmpty()) {
      toStart();
      return;
    }
    stage = Stage.DONE;
    long right = answers.stream().filter(a -> a.verdict() == Answer.Verdict.RIGHT).count();
    ListView<Answer> list =
        Lists.of(
            "Answers of this drill",
            this::row,
            a -> desk.session().workspace().get().catalog().title(a.item().action()),
            Texts.quiet("No answers."));
    list.getItems().setAll(answers);
    VBox.setVgrow(list, Priority.ALWAYS);
    root.setAlignment(Pos.TOP_LEFT);
    root.getChildren()
        .setAll(
            Texts.heading("%d of %d right".formatted(right, answers.size())),
            Texts.quiet("Every answer is stored. Times are from the prompt to the last key."),
            list);
    desk.keys().changed();
    list.requestFocus();
  }

  private void row(HBox box, Answer answer) {
    boolean right = answer.verdict() == Answer.Verdict.RIGHT;
    double goal = ExpectedTime.FLUENT_WITHIN * ExpectedTime.of(answer.asked());
    box.getChildren()
        .addAll(
            Lists.column(Texts.styled(right ? "right" : "not right", right ? "part" : "quiet"), 5),
            Lists.column(
                Texts.styled(
                    desk.session().workspace().get().catalog().title(answer.item().action()),
                    "row-title"),
                17),
            Lists.column(Texts.styled(desk.title(answer.item().environment()), "quiet"), 11),
            Lists.rightColumn(Texts.styled("%.2f s".formatted(answer.seconds()), "number"), 5),
            Lists.rightColumn(Texts.styled("goal %.2f s".formatted(goal), "quiet"), 6),
            new GestureView(answer.asked(), desk.words(answer.item().environment())));
  }
}
