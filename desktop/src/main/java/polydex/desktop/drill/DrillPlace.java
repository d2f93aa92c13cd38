package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Place;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.desktop.state.Drills;
import polydex.recall.DrillItem;
import polydex.recall.NextToLearn.Proposal;
import polydex.recall.Question;

/** Where drills begin, run and end, and where one sees how learning goes. */
public final class DrillPlace implements Place {
  private static final Duration SLOW = Duration.ofMinutes(2);
  private static final int FIRST_TIMES = 3;
  private static final Duration SPRINT = Duration.ofMinutes(1);

  private final Desk desk;
  private final Random random;
  private final VBox root = new VBox();
  private final DrillStart start;
  private final DrillRun run;
  private final DrillAfter after;
  private final DrillProgress progress;
  private boolean beginWhenReady;

  /** How many new items the next drill is about, and nothing else; none for what is due. */
  private Optional<Integer> first = Optional.empty();

  /**
   * The place.
   *
   * @param random mixes the prompts
   */
  public DrillPlace(Desk desk, Random random) {
    this.desk = desk;
    this.random = random;
    root.getStyleClass().add("place");
    start =
        new DrillStart(
            desk,
            new DrillStart.Choices() {
              @Override
              public void begin() {
                DrillPlace.this.begin();
              }

              @Override
              public void goOn() {
                found().ifPresent(DrillPlace.this::goOn);
              }

              @Override
              public void sprint() {
                DrillPlace.this.sprint();
              }

              @Override
              public void slow() {
                DrillPlace.this.slow();
              }

              @Override
              public void progress() {
                showProgress();
              }
            });
    run = new DrillRun(desk, this::showAfter, this::left);
    run.accessibleTextProperty().addListener((_, _, _) -> speak());
    after = new DrillAfter(desk, this::ask, this::more, this::showStart, this::open, random);
    progress = new DrillProgress(desk, this::showStart, this::open);
    desk.analyst().found().addListener((_, _, _) -> analysed());
    desk.session().logged().addListener((_, _, _) -> refreshStart());
    desk.session().workspace().addListener((_, _, _) -> refreshStart());
    VBox.setVgrow(start, Priority.ALWAYS);
    root.getChildren().setAll(start);
    start.refresh(0);
  }

  private Optional<Analysis> found() {
    return desk.analyst().found().get();
  }

  private Node view() {
    return root.getChildren().getFirst();
  }

  /** While every key goes to a drill this place has the focus, and so says what the drill does. */
  private void speak() {
    boolean drilling = root.getChildren().contains(run);
    root.setAccessibleRole(drilling ? AccessibleRole.TEXT : AccessibleRole.PARENT);
    root.setAccessibleText(drilling ? run.getAccessibleText() : null);
  }

  private void show(Node node) {
    VBox.setVgrow(node, node == run ? Priority.NEVER : Priority.ALWAYS);
    root.setAlignment(node == run ? Pos.CENTER : Pos.TOP_LEFT);
    root.getChildren().setAll(node);
    speak();
    desk.keys().changed();
  }

  private void analysed() {
    refreshStart();
    if (beginWhenReady && found().isPresent()) {
      begin(first);
    }
  }

  private void refreshStart() {
    // Nobody sees it elsewhere, and a recorder may note two hundred things a second.
    if (view() == start && root.getScene() != null) {
      start.refresh(run.left());
      desk.keys().changed();
    }
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    if (view() == run) {
      return run.commands();
    }
    if (view() == after) {
      return after.commands();
    }
    return view() == progress ? progress.commands() : start.commands();
  }

  @Override
  public Map<Character, Node> reachable() {
    return view() == start ? start.reachable() : Map.of();
  }

  @Override
  public void shown() {
    if (view() == start) {
      start.refresh(run.left());
      start.focus();
    }
  }

  @Override
  public void hidden() {
    beginWhenReady = false;
    if (view() == run) {
      run.pause();
      show(start);
    }
  }

  // ---- beginning

  /** Begins a drill, as soon as it is known what can be asked. */
  public void begin() {
    begin(Optional.empty());
  }

  /** Begins a drill of so many of what is most worth learning. */
  public void beginFirst(int items) {
    begin(Optional.of(items));
  }

  private void begin(Optional<Integer> wanted) {
    first = wanted;
    Optional<String> hindrance = desk.analyst().hindrance();
    if (hindrance.isPresent()) {
      desk.session().problem(hindrance.get());
      return;
    }
    beginWhenReady = found().isEmpty();
    if (beginWhenReady) {
      desk.session().say(worded("drill.looking-into-the-setup-the-drill"));
      return;
    }
    List<Question> questions =
        first
            .map(this::firstOnes)
            .orElseGet(
                () -> desk.drills().drill(random).map(Drills.Drill::questions).orElse(List.of()));
    if (questions.isEmpty()) {
      desk.session().say(worded("drill.nothing-is-worth-asking-now-and"));
    } else {
      desk.session().setting(DrillStart.TOLD_OF_GRADES, "yes");
      ask(questions);
    }
  }

  private List<Question> firstOnes(int count) {
    List<DrillItem> next = desk.drills().next(count).stream().map(Proposal::item).toList();
    return desk.drills().plan(random).map(p -> p.only(next, FIRST_TIMES)).orElse(List.of());
  }

  /** Trains what is known but not fast, for two minutes. */
  private void slow() {
    List<Question> questions = desk.drills().plan(random).map(p -> p.slow(SLOW)).orElse(List.of());
    if (questions.isEmpty()) {
      desk.session().say(worded("drill.nothing-that-you-know-is-slow"));
    } else {
      ask(questions);
    }
  }

  /** What is worth asking still, or else what is slow. */
  private void more() {
    desk.drills()
        .drill(random)
        .map(Drills.Drill::questions)
        .filter(q -> !q.isEmpty())
        .ifPresentOrElse(this::ask, this::slow);
  }

  private void sprint() {
    List<Question> questions =
        desk.drills().plan(random).map(p -> p.sprint(SPRINT)).orElse(List.of());
    if (questions.isEmpty()) {
      desk.session().say(worded("drill.nothing-is-fluent-yet-so-there"));
    } else {
      ask(questions);
    }
  }

  private void ask(List<Question> questions) {
    found()
        .ifPresent(
            analysis -> {
              show(run);
              run.begin(
                  questions, analysis, Duration.ofMinutes(desk.drills().settings().minutesADay()));
            });
  }

  private void goOn(Analysis analysis) {
    show(run);
    run.goOn(analysis);
  }

  // ---- afterwards

  private void showAfter() {
    after.show(run.report(), run.left());
    desk.session().fitIfDue();
    show(after);
    after.focus();
  }

  /** A drill that was left says what it moved, if anything was answered; it can be gone on with. */
  private void left() {
    if (run.hasAnswers()) {
      showAfter();
    } else {
      showStart();
    }
  }

  private void showStart() {
    show(start);
    start.refresh(run.left());
    desk.keys().changed();
    start.focus();
  }

  private void showProgress() {
    progress.refresh();
    show(progress);
    progress.focus();
  }

  private void open(DrillItem item) {
    ItemView view = new ItemView(desk, item);
    desk.keys().open(view, view.focus());
  }
}
