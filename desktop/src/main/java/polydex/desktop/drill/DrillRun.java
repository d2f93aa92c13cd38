package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.animation.PauseTransition;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import polydex.boards.Presses.Made;
import polydex.catalog.ActionId;
import polydex.desktop.controls.Aloud;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.NumberedChoices;
import polydex.desktop.controls.OnceShown;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.PointerAct;
import polydex.own.OwnKey;
import polydex.recall.Answer;
import polydex.recall.Answer.Kind;
import polydex.recall.Answer.Verdict;
import polydex.recall.AnswerCheck;
import polydex.recall.DrillItem;
import polydex.recall.DrillQueue;
import polydex.recall.ItemState;
import polydex.recall.Pace;
import polydex.recall.Prompt;
import polydex.recall.Question;
import polydex.recall.SessionReport;

/**
 * A drill that runs: one prompt at a time, real keys, and at once how it went. What was missed
 * comes again a little later. It can be left at any prompt and gone on with.
 */
final class DrillRun extends VBox implements KeyCapture.Listener {
  /** After a right answer the next prompt comes by itself. */
  private static final Duration SEE_RIGHT = Duration.millis(900);

  /** In a chain or a sprint there is no time to look. */
  private static final Duration GO_ON = Duration.millis(250);

  /** Nobody can have read a prompt so soon: such a press was meant for what was there before. */
  private static final double TOO_SOON = 0.12;

  /** In a sprint an answer may take so many times what is expected, and at least so long. */
  private static final double SPRINT_LIMIT = 4;

  private static final double SPRINT_SECONDS = 4;
  private static final double NANOS = 1e9;

  private enum Stage {
    IDLE,
    ASKING,
    /** The hand does it right after it did it wrong; that counts nowhere. */
    REPEATING,
    ANSWERED
  }

  private final Desk desk;
  private final Runnable finished;
  private final Runnable left;
  private final HBox caps = new HBox(8);
  private final VBox help = new VBox(6);
  private final List<Answer> answers = new ArrayList<>();
  private final Map<DrillItem, ItemState> before = new HashMap<>();
  private final PauseTransition goOn = new PauseTransition();
  private final PauseTransition limit = new PauseTransition();
  private final ForRealKeys real;
  private final OnceShown painted = new OnceShown(() -> shownAt = System.nanoTime());
  private RepeatView repeat = RepeatView.NOTHING;
  private Stage stage = Stage.IDLE;
  private DrillQueue queue = new DrillQueue(List.of());
  private int hints;
  private boolean interrupted;
  private boolean opening;

  /** Whether the keys that are asked are to be pressed for real, though the desktop takes them. */
  private boolean forReal;

  private long shownAt;
  private long end;
  private java.time.Duration most = java.time.Duration.ZERO;
  private Pace pace = Pace.UNKNOWN;
  private Optional<DrillWords> words = Optional.empty();
  private Optional<AnswerCheck> check = Optional.empty();

  /**
   * No drill yet.
   *
   * @param finished after the last prompt
   * @param left the person has left it
   */
  DrillRun(Desk desk, Runnable finished, Runnable left) {
    this.desk = desk;
    this.finished = finished;
    this.left = left;
    getStyleClass().add("drill");
    caps.setAlignment(Pos.CENTER);
    caps.setMinHeight(60);
    help.setAlignment(Pos.CENTER);
    goOn.setOnFinished(_ -> next());
    limit.setOnFinished(_ -> timeIsUp());
    sceneProperty()
        .flatMap(s -> s.windowProperty())
        .flatMap(w -> w.focusedProperty())
        .subscribe(focused -> interrupted |= Boolean.FALSE.equals(focused) && !forReal);
    real = new ForRealKeys(desk, () -> getScene().getWindow());
  }

  /**
   * Begins with these questions; those of a drill before are forgotten, its answers are kept.
   *
   * @param atMost ends with the question during which so much time is over
   */
  void begin(List<Question> questions, Analysis found, java.time.Duration atMost) {
    queue = new DrillQueue(questions);
    most = atMost;
    end = System.nanoTime() + most.toNanos();
    answers.clear();
    before.clear();
    questions.forEach(
        q ->
            desk.session()
                .progress()
                .state(q.prompt().item())
                .ifPresent(s -> before.put(q.prompt().item(), s)));
    pace = desk.session().progress().history().pace();
    use(found);
    whenReady(this::ask);
  }

  /** Whoever wants keys to be heard everywhere gets no question before they are. */
  private void whenReady(Runnable then) {
    opening = true;
    real.open(
        () -> {
          if (opening) {
            opening = false;
            then.run();
          }
        });
  }

  private void use(Analysis found) {
    words = Optional.of(new DrillWords(desk, found));
  }

  private DrillWords say() {
    return words.orElseThrow();
  }

  /** How many prompts wait to be asked. */
  int left() {
    return stage == Stage.IDLE ? queue.left() : 0;
  }

  /**
   * Goes on where it was left, for as long again at most; what can no longer be asked in the setup
   * is passed over.
   */
  void goOn(Analysis found) {
    use(found);
    end = System.nanoTime() + most.toNanos();
    queue.keepOnly(item -> found.material().prompt(item).isPresent());
    whenReady(this::askOrFinish);
  }

  /** Leaves it as it stands. */
  void pause() {
    if (stage == Stage.ANSWERED || stage == Stage.REPEATING) {
      queue.next();
    }
    stop();
  }

  private void stop() {
    stage = Stage.IDLE;
    opening = false;
    painted.stop();
    goOn.stop();
    limit.stop();
    release();
    real.end();
  }

  private void release() {
    desk.keys().release();
    real.release();
  }

  /** All keys belong to the answer from now on. */
  private void capture(String leave) {
    desk.keys().capture(forReal ? new OnlyLong() : this, prompt().spelled() && !forReal, leave);
    if (forReal) {
      real.hear(this);
    }
  }

  /** Whoever hears all keys hears those of the window, too: only what is held long counts there. */
  private final class OnlyLong implements KeyCapture.Listener {
    @Override
    public void pressed(Made press, long nanos) {
      // It was heard already.
    }

    @Override
    public void holding(Modifiers held) {
      // The same.
    }

    @Override
    public void leave() {
      DrillRun.this.leave();
    }

    @Override
    public boolean hint(boolean ask) {
      return DrillRun.this.hint(ask);
    }
  }

  /** What it came to so far. */
  SessionReport report() {
    return SessionReport.of(before, answers, desk.session().progress());
  }

  boolean hasAnswers() {
    return !answers.isEmpty();
  }

  List<KeyCommand> commands() {
    return switch (stage) {
      case IDLE, REPEATING -> List.of();
      case ASKING ->
          question().kind() == Kind.SAY
              ? List.of(KeyCommand.of(OwnKey.DRILL_LEAVE, this::leave))
              : List.of();
      case ANSWERED ->
          List.of(
              KeyCommand.of(OwnKey.DRILL_NEXT, worded("drill.next"), this::next),
              KeyCommand.of(OwnKey.DRILL_LEAVE, this::leave));
    };
  }

  private Question question() {
    return queue.current();
  }

  private Prompt prompt() {
    return question().prompt();
  }

  // ---- asking

  private void ask() {
    stage = Stage.ASKING;
    hints = 0;
    interrupted = false;
    forReal = question().kind() != Kind.SAY && real.asks(prompt(), say().found().material());
    help.getChildren().clear();
    check = Optional.of(newCheck());
    if (question().kind() == Kind.SAY) {
      askWhatItDoes();
    } else {
      askToDoIt();
    }
    shownAt = System.nanoTime();
    painted.start();
    if (question().kind() == Kind.SPRINT) {
      double seconds = Math.max(SPRINT_SECONDS, SPRINT_LIMIT * pace.expected(prompt().preferred()));
      limit.setDuration(Duration.seconds(seconds));
      limit.playFromStart();
    }
  }

  private boolean isGesture(Modifiers tapped) {
    return !say().found().owners().owners(List.of(new Physical.ModifierTap(tapped))).isEmpty();
  }

  private void askToDoIt() {
    caps.getStyleClass().setAll("big", desk.titles().caps(prompt().item().environment()));
    caps.getChildren().setAll(GestureView.emptyCap());
    List<Node> nodes = new ArrayList<>(say().top(queue));
    nodes.add(caps);
    Prompt prompt = prompt();
    if (prompt.gestures().stream().anyMatch(Gesture::usesPointer)) {
      nodes.add(new PointerField(desk.keys()::pointed, wantsDoubleClick(prompt)));
    }
    nodes.add(help);
    speak(say().top(queue));
    if (forReal) {
      help.getChildren().add(Texts.quiet(worded("drill.this-computer-takes-these-keys-itself")));
    } else if (prompt.spelled()) {
      help.getChildren().add(Texts.quiet(worded("drill.this-computer-would-take-these-keys")));
    }
    getChildren().setAll(nodes);
    capture(
        question().kind() == Kind.SPRINT
            ? worded("drill.leave-the-drill")
            : worded("drill.see-a-hint-hold-space-to"));
  }

  private static boolean wantsDoubleClick(Prompt prompt) {
    return prompt.gestures().stream().anyMatch(g -> g.uses(PointerAct.DOUBLE_CLICK));
  }

  private void askWhatItDoes() {
    caps.getStyleClass().setAll("big", desk.titles().caps(prompt().item().environment()));
    caps.getChildren().setAll(new GestureView(prompt().preferred(), say().modifiers(prompt())));
    List<ActionId> all = say().found().material().actions(prompt().item().environment());
    NumberedChoices<ActionId> choices =
        new NumberedChoices<>(
            worded("any.what-it-does"),
            desk.titles()::action,
            typed ->
                typed.isBlank()
                    ? question().choices()
                    : all.stream()
                        .filter(
                            a ->
                                desk.titles()
                                    .action(a)
                                    .toLowerCase(Locale.ROOT)
                                    .contains(typed.strip().toLowerCase(Locale.ROOT)))
                        .toList(),
            (action, _) -> said(action));
    choices.list().getStyleClass().add("five-rows");
    choices.setMaxWidth(560);
    List<Node> nodes = new ArrayList<>(say().top(queue));
    nodes.add(caps);
    speak(nodes);
    nodes.add(choices);
    getChildren().setAll(nodes);
    desk.keys().changed();
    choices.focus().requestFocus();
  }

  private void said(ActionId action) {
    if (stage != Stage.ASKING) {
      return;
    }
    double seconds = Math.max(0, System.nanoTime() - shownAt) / NANOS;
    boolean right = action.equals(prompt().item().action());
    List<Node> more = new ArrayList<>();
    if (!right) {
      more.add(Texts.words(worded("drill.you-said", desk.titles().action(action))));
    }
    answered(right ? Verdict.RIGHT : Verdict.WRONG, seconds, more, Optional.empty());
  }

  // ---- answering

  @Override
  public void holding(Modifiers held) {
    if (!isPressing()) {
      return;
    }
    double seconds = (System.nanoTime() - shownAt) / NANOS;
    if (!held.isEmpty() && seconds >= TOO_SOON) {
      check.orElseThrow().touched(seconds);
    }
    if (check.orElseThrow().made().isEmpty()) {
      caps.getChildren()
          .setAll(
              held.isEmpty()
                  ? GestureView.emptyCap()
                  : GestureView.held(Held.of(held), say().modifiers(prompt())));
    }
  }

  @Override
  public void pressed(Made press, long nanos) {
    double seconds = (nanos - shownAt) / NANOS;
    if (!isPressing() || seconds < TOO_SOON) {
      return;
    }
    AnswerCheck now = check.orElseThrow();
    AnswerCheck.State state = now.add(press, seconds);
    if (!now.made().isEmpty()) {
      caps.getChildren().setAll(new GestureView(now.gesture(), say().modifiers(prompt())));
    }
    if (stage == Stage.REPEATING) {
      repeated(state);
      return;
    }
    switch (state) {
      case GOES_ON -> {}
      case RIGHT -> right(now, seconds);
      case WRONG -> wrong(now, seconds);
    }
  }

  private boolean isPressing() {
    return stage == Stage.ASKING || stage == Stage.REPEATING;
  }

  /** Right goes on, wrong begins anew; of a sequence the next step is shown. */
  private void repeated(AnswerCheck.State state) {
    switch (state) {
      case GOES_ON -> wantedKeys();
      case WRONG -> {
        check = Optional.of(newCheck());
        repeat.say(worded("drill.not-yet-once-more"));
        wantedKeys();
      }
      case RIGHT -> {
        stage = Stage.ANSWERED;
        release();
        goOn.setDuration(GO_ON);
        goOn.playFromStart();
      }
    }
  }

  private void wantedKeys() {
    repeat.show(check.map(c -> c.made().size()).orElse(0));
  }

  private AnswerCheck newCheck() {
    return new AnswerCheck(prompt().gestures(), say().found().material().layout(), this::isGesture);
  }

  private void right(AnswerCheck now, double seconds) {
    List<Node> more = new ArrayList<>();
    now.slowStep()
        .ifPresent(
            s ->
                more.add(
                    Texts.words(
                        worded("drill.s-between-two-steps-many-programs", decimals(1, s)))));
    Verdict verdict =
        hints > 0 ? Verdict.HINTED : now.corrected() ? Verdict.CORRECTED : Verdict.RIGHT;
    answered(verdict, seconds, more, Optional.empty());
  }

  private void wrong(AnswerCheck now, double seconds) {
    Gesture pressed = now.gesture();
    Optional<Whose> owner = Whose.of(pressed, prompt().item(), say().found());
    List<Node> more = new ArrayList<>();
    now.mistake().ifPresent(m -> more.add(Texts.words(m.say(say().modifiers(prompt())))));
    more.add(
        Texts.words(
            owner
                .map(o -> o.say(desk, pressed))
                .orElse(worded("drill.is-bound-nowhere", pressed))));
    answered(
        Verdict.WRONG,
        seconds,
        more,
        owner.map(Whose::item).filter(i -> !i.equals(prompt().item())));
  }

  private void timeIsUp() {
    if (stage == Stage.ASKING) {
      double seconds = (System.nanoTime() - shownAt) / NANOS;
      answered(Verdict.TIMED_OUT, seconds, List.of(), Optional.empty());
    }
  }

  @Override
  public boolean hint(boolean ask) {
    if (stage == Stage.REPEATING) {
      if (ask) {
        stage = Stage.ANSWERED;
        release();
        next();
      }
      return true;
    }
    if (ask && stage == Stage.ASKING) {
      hints++;
      help.getChildren()
          .setAll(
              hints == 1 ? say().hook(prompt()) : say().keys(worded("drill.the-keys"), prompt()));
      setAccessibleText(Aloud.of(help.getChildren()));
    }
    return stage == Stage.ASKING && question().kind() != Kind.SPRINT;
  }

  @Override
  public void leave() {
    pause();
    left.run();
  }

  // ---- what came of it

  private void answered(
      Verdict verdict, double seconds, List<Node> more, Optional<DrillItem> mistakenFor) {
    stage = Stage.ANSWERED;
    limit.stop();
    painted.stop();
    Question question = question();
    Prompt prompt = question.prompt();
    boolean says = question.kind() == Kind.SAY;
    boolean counts = !interrupted && !check.orElseThrow().interrupted();
    Answer answer =
        new Answer(
            prompt.item(),
            desk.session().now(),
            question.kind(),
            verdict,
            new Answer.Timing(
                seconds,
                counts,
                pace.expected(prompt.preferred()),
                says ? OptionalDouble.empty() : check.orElseThrow().firstKey()),
            prompt.preferred(),
            says || check.orElseThrow().made().isEmpty()
                ? ""
                : check.orElseThrow().gesture().toString(),
            mistakenFor);
    answers.add(answer);
    showAnswer(answer, more);
    boolean quick = question.kind() == Kind.SPRINT || question.part() < question.parts();
    boolean goesOnAlone = verdict.isRight() && more.isEmpty();
    if (goesOnAlone) {
      goOn.setDuration(quick && question.kind() != Kind.CONTRAST ? GO_ON : SEE_RIGHT);
      goOn.playFromStart();
    }
    queue.answered(verdict.isRight());
    release();
    desk.session().answer(answer);
    if (isPressedAgain(verdict, question)) {
      stage = Stage.REPEATING;
      check = Optional.of(newCheck());
      shownAt = System.nanoTime();
      capture(worded("drill.go-on-without-hold-space-to"));
    }
  }

  /** Who saw a hint has pressed it right already; a pointer's part is not repeated. */
  private static boolean isPressedAgain(Verdict verdict, Question question) {
    return (verdict == Verdict.WRONG || verdict == Verdict.TIMED_OUT)
        && question.kind() != Kind.SAY
        && question.prompt().gestures().stream().noneMatch(Gesture::usesPointer);
  }

  /**
   * What was asked stays as it is, so that the answer costs as little as can be before it shows.
   */
  private void showAnswer(Answer answer, List<Node> more) {
    List<Node> nodes = new ArrayList<>(getChildren());
    nodes.subList(nodes.indexOf(caps) + 1, nodes.size()).clear();
    nodes.add(DrillWords.verdict(answer.verdict()));
    if (answer.kind() != Kind.SAY && answer.verdict().isRight()) {
      nodes.add(Texts.words(DrillWords.time(answer)));
    }
    nodes.addAll(more);
    if (!answer.verdict().isRight() && answer.kind() != Kind.SAY) {
      nodes.add(say().keys(worded("drill.wanted"), prompt()));
      repeat =
          new RepeatView(
              prompt().preferred(),
              say().modifiers(prompt()),
              say().found(),
              isPressedAgain(answer.verdict(), question()));
      nodes.add(repeat);
    }
    if (question().kind() == Kind.CHAIN && question().part() == question().parts()) {
      int parts = Math.min(question().parts(), answers.size());
      nodes.add(
          Texts.words(DrillWords.task(answers.subList(answers.size() - parts, answers.size()))));
    }
    getChildren().setAll(nodes);
    setAccessibleText(Aloud.of(nodes.subList(nodes.indexOf(caps) + 1, nodes.size())));
  }

  /** What is asked, without how far one is: {@link DrillPlace}, which has the focus, says it. */
  private void speak(List<Node> asked) {
    setAccessibleText(Aloud.of(asked.subList(1, asked.size())));
  }

  private void next() {
    goOn.stop();
    if (stage != Stage.ANSWERED) {
      return;
    }
    queue.next();
    askOrFinish();
  }

  private void askOrFinish() {
    // What belongs together is not torn apart by the end of the minutes.
    boolean isOver = System.nanoTime() - end > 0 && (queue.isAtItsEnd() || question().part() == 1);
    if (queue.isAtItsEnd() || isOver) {
      finish();
    } else {
      ask();
    }
  }

  private void finish() {
    stop();
    finished.run();
  }
}
