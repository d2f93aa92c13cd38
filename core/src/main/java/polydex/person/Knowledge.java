package polydex.person;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToDoubleBiFunction;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Hooks;
import polydex.effort.KeystrokeLevel;
import polydex.mouse.DrillEffect;
import polydex.mouse.Remaining;
import polydex.mouse.Saved;
import polydex.mouse.Slips;
import polydex.mouse.WeeklyReview;
import polydex.mouse.Weeks;
import polydex.recall.DrillHistory;
import polydex.recall.DrillItem;
import polydex.recall.NextToLearn;
import polydex.recognition.Place;
import polydex.recognition.Recogniser;
import polydex.reminder.ReminderEffect;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.totals.Audit;
import polydex.totals.Lately;
import polydex.totals.Standing;
import polydex.workspace.Workspace;

/**
 * Everything that is known of a person at a moment, put together in the one way that there is: what
 * they have made and chosen, what their mouse log comes to, and what they answered in drills. The
 * window, the commands, the demo and the benches all ask this.
 *
 * @param workspace what was made and chosen
 * @param standing what the mouse log comes to, by that workspace
 * @param practice what the drills come to
 * @param drilledSince when the gesture of an item was first answered; may be asked on any thread
 * @param zone where the person's days begin and end
 * @param today the day from which "lately" counts back
 */
public record Knowledge(
    Workspace workspace,
    Standing standing,
    Practice practice,
    Function<DrillItem, Optional<Instant>> drilledSince,
    ZoneId zone,
    LocalDate today) {

  /**
   * What drills come to.
   *
   * @param times how long steps take this person
   * @param answersUntilFluent how many answers a new gesture takes this person
   * @param seconds spent in drills
   */
  public record Practice(KeystrokeLevel times, double answersUntilFluent, double seconds) {
    /** Of somebody who never drilled. */
    public static final Practice NONE = of(new DrillHistory());

    /** Of a history as it is now. */
    public static Practice of(DrillHistory history) {
      return new Practice(
          new KeystrokeLevel(history.pace().press()),
          history.answersUntilFluent(),
          history.byDay().values().stream().mapToDouble(DrillHistory.Day::seconds).sum());
    }
  }

  /**
   * Recognises what is in the log. Where a deed names no machine, the setups count in the order in
   * which they are shown, whichever is in use: a log means the same on every day that it is read.
   */
  public static Recogniser recogniser(Workspace by) {
    return new Recogniser(by.world(), by.setups().values(), by.mouse().names());
  }

  /**
   * A log of which nothing was read yet, to be read by what a workspace knows.
   *
   * @param fluentSince when the gesture of an item was learned: from then on the pointer slips
   */
  public static Audit audit(
      Workspace by, ZoneId zone, Function<DrillItem, Optional<Instant>> fluentSince) {
    return new Audit(recogniser(by), zone, since(fluentSince));
  }

  private static Function<Place, Optional<Instant>> since(
      Function<DrillItem, Optional<Instant>> drilledSince) {
    return p -> p.action().flatMap(a -> drilledSince.apply(new DrillItem(p.environment(), a)));
  }

  /** When the gesture of a place was first answered in a drill. */
  public Optional<Instant> drilledSince(Place place) {
    return since(drilledSince).apply(place);
  }

  /** Finds what remains to be replaced, in every setup that it is asked about. */
  public Remaining remaining() {
    return new Remaining(
        workspace.world(),
        practice.times(),
        practice.answersUntilFluent(),
        p -> drilledSince(p).isPresent(),
        workspace.mouse().kept());
  }

  /** Whether {@link #remaining} of another finds the ways by keys, and what they cost, alike. */
  public boolean remainsAlike(Knowledge other) {
    return workspace.world().equals(other.workspace.world())
        && workspace.setups().equals(other.workspace.setups())
        && workspace.mouse().kept().equals(other.workspace.mouse().kept())
        && practice.times().equals(other.practice.times())
        && practice.answersUntilFluent() == other.practice.answersUntilFluent();
  }

  /** Everything that was ever done with the pointer in some setups, the dearest first. */
  public List<Remaining.RemainingRow> rows(Collection<Setup> setups) {
    return remaining().of(setups, standing, today);
  }

  /** All that the mouse log says about all setups. */
  public Findings findings() {
    return findings(remaining());
  }

  /**
   * The same, with what was made ready before.
   *
   * @param remaining of this or one that {@link #remainsAlike}
   */
  public Findings findings(Remaining remaining) {
    return findings(remaining.of(workspace.setups().values(), standing, today));
  }

  /** All that the mouse log says, of these rows. */
  public Findings findings(List<Remaining.RemainingRow> rows) {
    return new Findings(
        standing,
        rows,
        Weeks.of(standing, rows, _ -> true, today),
        Slips.of(standing, today),
        WeeklyReview.of(standing, rows, today),
        Saved.of(standing, rows, practice.seconds()),
        DrillEffect.of(standing, this::drilledSince, zone),
        ReminderEffect.of(standing.followUps()));
  }

  /** Uses a working day of each action, by its id, over the whole log. */
  public Map<ActionId, Double> usesADay() {
    return standing.usesADay();
  }

  /** Uses a working day of an action in a setup, over the whole log. */
  public ToDoubleBiFunction<SetupId, ActionId> usesInSetup() {
    Map<SetupId, Map<ActionId, Double>> uses = new HashMap<>();
    double days = Math.max(1, standing.days().size());
    for (Standing.Entry e : standing.entries()) {
      e.place()
          .action()
          .ifPresent(
              a ->
                  uses.computeIfAbsent(e.place().setup(), _ -> new HashMap<>())
                      .merge(a, (e.byKeys() + e.byPointer()) / days, Double::sum));
    }
    return (setup, action) -> uses.getOrDefault(setup, Map.of()).getOrDefault(action, 0.0);
  }

  /** The items whose gesture was answered in a drill, or is used by keys. O(bindings). */
  public Set<DrillItem> learnt() {
    Set<DrillItem> found = new HashSet<>();
    for (EnvironmentId e : workspace.environmentsInUse()) {
      for (Binding b : workspace.catalog().bindings(e)) {
        DrillItem item = new DrillItem(e, b.action());
        if (drilledSince.apply(item).isPresent()) {
          found.add(item);
        }
      }
    }
    for (Standing.Entry e : standing.entries()) {
      if (e.byKeys() > 0) {
        e.place().action().ifPresent(a -> found.add(new DrillItem(e.place().environment(), a)));
      }
    }
    return found;
  }

  /** The actions that are used most, by their ids, the most used first. */
  public List<ActionId> mostUsed(int most) {
    return usesADay().entrySet().stream()
        .sorted(
            Map.Entry.<ActionId, Double>comparingByValue()
                .reversed()
                .thenComparing(e -> e.getKey().value()))
        .limit(most)
        .map(Map.Entry::getKey)
        .toList();
  }

  /** Proposes what to learn next, by what the pointer did lately. */
  public NextToLearn nextToLearn(Hooks hooks) {
    Lately lately = standing.lately(today);
    return new NextToLearn(
        workspace.catalog(),
        hooks,
        standing.days().isEmpty()
            ? Optional.empty()
            : Optional.of(item -> pointerADay(lately, item)),
        practice.times(),
        practice.answersUntilFluent());
  }

  /** In every setup in which the item's environment stands. */
  private double pointerADay(Lately lately, DrillItem item) {
    return workspace.setupsWith(item.environment()).stream()
        .mapToDouble(setup -> lately.pointerADay(setup.id(), item.action()))
        .sum();
  }
}
