package polydex.desktop.drill;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Place;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.recall.DrillItem;
import polydex.recall.NextToLearn;
import polydex.recall.Question;
import polydex.recall.SessionPlan;

/** Where drills begin, run and end, and where one sees how learning goes. */
public final class DrillPlace implements Place {
  private static final int MOST_NEW = 20;
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
              public void progress() {
                showProgress();
              }
            });
    run = new DrillRun(desk, this::showAfter, this::left);
    after = new DrillAfter(desk, this::ask, this::begin, this::showStart, this::open, random);
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

  private void show(Node node) {
    VBox.setVgrow(node, node == run ? Priority.NEVER : Priority.ALWAYS);
    root.setAlignment(node == run ? Pos.CENTER : Pos.TOP_LEFT);
    root.getChildren().setAll(node);
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
      desk.session().say("Looking into the setup; the drill begins when that is done.");
      return;
    }
    List<DrillItem> next =
        desk.drills().next(MOST_NEW).stream().map(NextToLearn.Proposal::item).toList();
    Duration time = Duration.ofMinutes(desk.drills().settings().minutesADay());
    List<Question> questions =
        desk.drills()
            .plan(random)
            .map(
                p ->
                    first
                        .map(n -> p.only(next.stream().limit(n).toList(), SessionPlan.TIMES_NEW))
                        .orElseGet(() -> p.session(time, next)))
            .orElse(List.of());
    if (questions.isEmpty()) {
      desk.session()
          .say("Nothing is due, and nothing new may be given now. Sprint (F6) trains speed.");
    } else {
      ask(questions);
    }
  }

  private void sprint() {
    List<Question> questions =
        desk.drills().plan(random).map(p -> p.sprint(SPRINT)).orElse(List.of());
    if (questions.isEmpty()) {
      desk.session().say("Nothing is fluent yet, so there is nothing to sprint through.");
    } else {
      ask(questions);
    }
  }

  private void ask(List<Question> questions) {
    found()
        .ifPresent(
            analysis -> {
              show(run);
              run.begin(questions, analysis);
            });
  }

  private void goOn(Analysis analysis) {
    show(run);
    run.goOn(analysis);
  }

  // ---- afterwards

  private void showAfter() {
    after.show(run.report());
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
