package polydex.files.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import polydex.catalog.Catalog;
import polydex.catalog.Hooks;
import polydex.keys.Gesture;
import polydex.person.Knowledge;
import polydex.recall.Answer;
import polydex.recall.AskingPlan;
import polydex.recall.DrillItem;
import polydex.recall.DrillQueue;
import polydex.recall.DrillSettings;
import polydex.recall.Gains;
import polydex.recall.ItemState;
import polydex.recall.Learning;
import polydex.recall.Material;
import polydex.recall.MemoryParameters;
import polydex.recall.NextToLearn;
import polydex.recall.Pace;
import polydex.recall.Progress;
import polydex.recall.Question;
import polydex.recall.SessionPlan;
import polydex.recognition.Place;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.totals.Standing;
import polydex.workspace.Workspace;

/**
 * The drills of the show producer: three minutes in the morning at the laptop and three at noon in
 * the studio, each with a short sprint at the end, planned as the program plans them, and answered
 * by somebody who forgets, gets faster, and takes the habits of one desktop along to the other.
 */
final class DemoDrills {
  static final List<SetupId> SETUPS =
      List.of(new SetupId("laptop-cues"), new SetupId("studio-timeline"));
  private static final Duration SESSION = Duration.ofMinutes(3);
  private static final Duration SPRINT = Duration.ofSeconds(60);
  private static final DrillSettings SETTINGS = new DrillSettings(0.90, 4, 10);
  private static final double FIRST_TRY = 0.45;
  private static final Gains GAINS = Gains.of(new AskingPlan(MemoryParameters.USUAL));

  private final Workspace workspace;
  private final Catalog catalog;
  private final Random random;
  private final Progress progress = new Progress(DemoHistory.ZONE);
  private final Map<DrillItem, Integer> practised = new HashMap<>();
  private final List<Answer> answers = new ArrayList<>();
  private final List<Material> materials;
  private final Hooks hooks;

  DemoDrills(Workspace workspace, Random random) {
    this.workspace = workspace;
    this.catalog = workspace.catalog();
    this.random = random;
    materials =
        SETUPS.stream()
            .map(workspace.setups()::get)
            .map(
                setup ->
                    Material.of(
                        workspace.world(),
                        SetupTraces.of(setup, workspace.world()),
                        workspace.setups().values()))
            .toList();
    hooks = new Hooks(catalog, workspace.environmentsInUse());
  }

  /** Every answer so far, the oldest first. */
  List<Answer> answers() {
    return List.copyOf(answers);
  }

  /** The drills of a day, what is new chosen by what the mouse did lately. */
  void day(LocalDate day, Standing standing) {
    // Chosen as for somebody who is new to it, so that the story does not hang on their pace.
    NextToLearn next =
        new Knowledge(
                workspace, standing, Knowledge.Practice.NONE, this::since, DemoHistory.ZONE, day)
            .nextToLearn(hooks);
    for (int i = 0; i < materials.size(); i++) {
      session(materials.get(i), next, day, DemoHistory.at(day, 600 + i * 12_000), i == 0 ? 2 : 1);
    }
  }

  /** When the gesture of an item was first drilled. */
  Optional<Instant> since(DrillItem item) {
    return progress.state(item).map(ItemState::begun);
  }

  /** The day of it. */
  Optional<LocalDate> sinceDay(Place place) {
    return place
        .action()
        .flatMap(a -> since(new DrillItem(place.environment(), a)))
        .map(at -> at.atZone(DemoHistory.ZONE).toLocalDate());
  }

  private void session(
      Material material, NextToLearn proposals, LocalDate day, Instant start, int most) {
    List<DrillItem> next =
        proposals.of(material, progress, Learning.NOTHING, day, most).stream()
            .map(NextToLearn.Proposal::item)
            .toList();
    Pace pace = progress.history().pace();
    Instant at = start;
    SessionPlan plan = new SessionPlan(material, progress, SETTINGS, GAINS, at, random);
    List<Question> questions = new ArrayList<>(plan.session(SESSION, next));
    questions.addAll(plan.slow(SESSION.minus(DrillSettings.timeOf(questions.size()))));
    questions.addAll(plan.sprint(SPRINT));
    for (DrillQueue queue = new DrillQueue(questions); !queue.isAtItsEnd(); queue.next()) {
      Answer answer = answer(queue.current(), pace, at);
      progress.add(answer);
      answers.add(answer);
      queue.answered(answer.verdict().isRight());
      at = answer.at().plusMillis(1500);
    }
  }

  private Answer answer(Question question, Pace pace, Instant at) {
    DrillItem item = question.prompt().item();
    Gesture asked = question.prompt().preferred();
    Optional<ItemState> state = progress.state(item);
    int n = practised.merge(item, 1, Integer::sum);
    double recall = state.map(s -> 0.15 + 0.85 * s.retrievability(at)).orElse(FIRST_TRY);
    Answer.Verdict verdict = verdict(recall);
    double slowness = 0.75 + 1.4 * Math.pow(n, -0.5) + 0.15 * random.nextGaussian();
    double seconds = Math.max(0.5, Pace.UNKNOWN.expected(asked) * slowness);
    // What is slow at first is mostly the knowing; the hand follows.
    double hands = Pace.UNKNOWN.expected(asked) - Pace.UNKNOWN.start();
    double firstKey = Math.max(0.3 * seconds, seconds - hands * Math.max(1, 0.4 + 0.6 * slowness));
    Optional<Mistaken> mistaken =
        verdict == Answer.Verdict.WRONG ? mistaken(item, asked) : Optional.empty();
    String pressed =
        verdict == Answer.Verdict.WRONG
            ? mistaken.map(m -> m.gesture().toString()).orElse("Esc")
            : asked.toString();
    return new Answer(
        item,
        at.plusMillis((long) (seconds * 1000)),
        question.kind(),
        verdict,
        new Answer.Timing(
            Math.round(seconds * 1000) / 1000.0,
            random.nextInt(50) > 0,
            pace.expected(asked),
            OptionalDouble.of(Math.round(firstKey * 1000) / 1000.0)),
        asked,
        question.kind() == Answer.Kind.SAY ? "" : pressed,
        mistaken.map(Mistaken::item));
  }

  private Answer.Verdict verdict(double recall) {
    if (random.nextDouble() >= recall) {
      return random.nextInt(4) == 0 ? Answer.Verdict.HINTED : Answer.Verdict.WRONG;
    }
    return random.nextInt(30) == 0 ? Answer.Verdict.CORRECTED : Answer.Verdict.RIGHT;
  }

  private record Mistaken(DrillItem item, Gesture gesture) {}

  /** The same action's gesture elsewhere, if there is one: the other desktop's habit. */
  private Optional<Mistaken> mistaken(DrillItem item, Gesture asked) {
    List<Mistaken> elsewhere =
        catalog.environments().stream()
            .filter(e -> !e.id().equals(item.environment()))
            .flatMap(
                e ->
                    catalog.bindings(e.id(), item.action()).stream()
                        .map(b -> new Mistaken(new DrillItem(e.id(), item.action()), b.gesture())))
            .filter(m -> !m.gesture().equals(asked))
            .toList();
    return elsewhere.isEmpty()
        ? Optional.empty()
        : Optional.of(elsewhere.get(random.nextInt(elsewhere.size())));
  }
}
