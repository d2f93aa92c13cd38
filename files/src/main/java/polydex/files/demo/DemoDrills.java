package polydex.files.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import polydex.catalog.Catalog;
import polydex.catalog.Hooks;
import polydex.effort.KeystrokeLevel;
import polydex.keys.Gesture;
import polydex.mouse.RecentUses;
import polydex.mouse.Use;
import polydex.recall.Answer;
import polydex.recall.DrillHistory;
import polydex.recall.DrillItem;
import polydex.recall.DrillSettings;
import polydex.recall.ItemState;
import polydex.recall.Learning;
import polydex.recall.Material;
import polydex.recall.NextToLearn;
import polydex.recall.Pace;
import polydex.recall.Progress;
import polydex.recall.Question;
import polydex.recall.SessionPlan;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

/**
 * The drills of the show producer: three minutes in the morning at the laptop and three at noon in
 * the studio, each with a short sprint at the end, planned as the program plans them, and answered
 * by somebody who forgets, gets faster, and takes the habits of one desktop along to the other.
 */
final class DemoDrills {
  private static final List<String> SETUPS = List.of("laptop-cues", "studio-timeline");
  private static final Duration SESSION = Duration.ofMinutes(3);
  private static final Duration SPRINT = Duration.ofSeconds(60);
  private static final int PAUSE_DAYS = 3;
  private static final DrillSettings SETTINGS = new DrillSettings(0.90, 4, 10);
  private static final double FIRST_TRY = 0.45;

  /** One of the places where the drills are done. */
  private record Spot(Material material, NextToLearn next) {}

  private final Catalog catalog;
  private final Random random;
  private final Progress progress = new Progress(DemoHistory.ZONE);
  private final Map<DrillItem, Integer> practised = new HashMap<>();
  private final List<Answer> answers = new ArrayList<>();

  private DemoDrills(Catalog catalog, Random random) {
    this.catalog = catalog;
    this.random = random;
  }

  /** Every answer, the oldest first; none on the last days, so that the demo opens with work. */
  static List<Answer> of(Workspace workspace, List<LocalDate> days, List<Use> uses, Random random) {
    DemoDrills drills = new DemoDrills(workspace.catalog(), random);
    List<Spot> spots =
        SETUPS.stream()
            .map(
                id ->
                    drills.spot(
                        workspace, RecentUses.of(uses, DemoHistory.NOW, DemoHistory.ZONE), id))
            .toList();
    for (LocalDate day : days.subList(0, days.size() - PAUSE_DAYS)) {
      for (int i = 0; i < spots.size(); i++) {
        drills.session(spots.get(i), day, DemoHistory.at(day, 600 + i * 10_000));
      }
    }
    return List.copyOf(drills.answers);
  }

  private Spot spot(Workspace workspace, RecentUses recent, String id) {
    Setup setup = workspace.setups().get(id);
    SetupTraces traces = SetupTraces.of(setup, workspace.world());
    Hooks hooks = new Hooks(catalog, workspace.environmentsInUse());
    return new Spot(
        Material.of(workspace.world(), traces, workspace.setups().values()),
        new NextToLearn(
            catalog,
            hooks,
            item -> usesADay(workspace, recent, item),
            KeystrokeLevel.USUAL,
            DrillHistory.ANSWERS_UNTIL_FLUENT));
  }

  private static double usesADay(Workspace workspace, RecentUses recent, DrillItem item) {
    return workspace.setupsWith(item.environment()).stream()
        .mapToDouble(s -> recent.byPointerADay(s.id(), item.action()))
        .sum();
  }

  private void session(Spot spot, LocalDate day, Instant start) {
    List<DrillItem> next =
        spot.next().of(spot.material(), progress, Learning.NOTHING, day, 2).stream()
            .map(NextToLearn.Proposal::item)
            .toList();
    Pace pace = progress.history().pace();
    Instant at = start;
    SessionPlan plan = new SessionPlan(spot.material(), progress, SETTINGS, at, random);
    List<Question> questions = new ArrayList<>(plan.session(SESSION, next));
    questions.addAll(plan.sprint(SPRINT));
    for (Question question : questions) {
      Answer answer = answer(question, pace, at);
      progress.add(answer);
      answers.add(answer);
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
            Math.round(seconds * 1000) / 1000.0, random.nextInt(50) > 0, pace.expected(asked)),
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
