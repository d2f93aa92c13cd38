package polydex.recall;

import static polydex.language.CoreWords.worded;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Hooks;
import polydex.effort.KeystrokeLevel;
import polydex.effort.SpokenTime;
import polydex.effort.YearlyCost;
import polydex.keys.Gesture;

/**
 * Which new actions to learn next: those that pay back what learning them costs within half a year,
 * that the person marked, or that are pressed by mistake for others, so that knowing both tells
 * them apart; all of them where nothing is known of what the pointer does. What was marked comes
 * before what is mistaken, and that before the rest; then by hours a year that the pointer still
 * takes, by payback, and by how cheap they are to keep in mind. What is worth at least half as much
 * comes before another one of the same environment, so that they are spread. O(items · log items),
 * and O(hooks) for each that is asked for.
 */
public final class NextToLearn {
  /** What takes longer to pay back is not proposed; half a year, in working days. */
  public static final double LONGEST_PAYBACK_DAYS = YearlyCost.WORKING_DAYS / 2.0;

  private static final double HALF_AS_GOOD = 0.5;

  /** So many are looked at for each that is proposed, so that there is a choice to spread. */
  private static final int LOOKED_AT = 8;

  /**
   * A proposal.
   *
   * @param gesture what is to be learnt
   * @param usesADay how often it is done with the pointer on a working day
   * @param hoursAYear what that costs against doing it by keys
   * @param learningSeconds what learning it will take
   * @param paybackDays working days until that is saved; infinite where nothing is
   * @param marked whether the person chose it
   * @param mistakenFor what it is pressed for by mistake, where it is
   * @param reasons why it is proposed, sentences
   */
  public record Proposal(
      DrillItem item,
      Gesture gesture,
      double usesADay,
      double hoursAYear,
      double learningSeconds,
      double paybackDays,
      boolean marked,
      Optional<DrillItem> mistakenFor,
      List<String> reasons) {
    /** Copies the list. */
    public Proposal {
      reasons = List.copyOf(reasons);
    }
  }

  private final Catalog catalog;
  private final Hooks hooks;
  private final Optional<ToDoubleFunction<DrillItem>> usesADay;
  private final KeystrokeLevel times;
  private final double answersUntilFluent;
  private final Map<DrillItem, String> pointer = new HashMap<>();

  /**
   * Ready to propose.
   *
   * @param usesADay how often an item is done with the pointer on a working day; none where nothing
   *     was ever noted, so that nobody knows
   * @param answersUntilFluent how many answers a new item takes this person
   */
  public NextToLearn(
      Catalog catalog,
      Hooks hooks,
      Optional<ToDoubleFunction<DrillItem>> usesADay,
      KeystrokeLevel times,
      double answersUntilFluent) {
    this.catalog = catalog;
    this.hooks = hooks;
    this.usesADay = usesADay;
    this.times = times;
    this.answersUntilFluent = answersUntilFluent;
    for (Environment e : catalog.environments()) {
      for (Environment.PointerRoute r : e.pointerRoutes()) {
        if (!r.operators().isBlank()) {
          pointer.putIfAbsent(new DrillItem(e.id(), r.action()), r.operators());
        }
      }
    }
  }

  /**
   * The proposals for a day, the best first; none was ever answered. There are fewer than are asked
   * for, or none, where nothing else pays.
   *
   * @param most how many
   */
  public List<Proposal> of(
      Material material, Progress progress, Learning learning, LocalDate day, int most) {
    Map<DrillItem, DrillItem> mistaken = new HashMap<>();
    for (Confusions.Count count : progress.confusions().open()) {
      mistaken.putIfAbsent(count.pair().one(), count.pair().other());
      mistaken.putIfAbsent(count.pair().other(), count.pair().one());
    }
    List<Proposal> all = new ArrayList<>();
    for (Prompt prompt : material.prompts()) {
      DrillItem item = prompt.item();
      if (progress.state(item).isEmpty() && learning.mayPropose(item, day)) {
        Proposal p =
            proposal(
                prompt, learning.marked().contains(item), Optional.ofNullable(mistaken.get(item)));
        if (pays(p)) {
          all.add(p);
        }
      }
    }
    all.sort(
        Comparator.comparing((Proposal p) -> !p.marked())
            .thenComparing(p -> p.mistakenFor().isEmpty())
            .thenComparingDouble(p -> -p.hoursAYear())
            .thenComparingDouble(Proposal::paybackDays));
    return spread(cheapFirst(all, LOOKED_AT * most), most);
  }

  private boolean pays(Proposal p) {
    return usesADay.isEmpty()
        || p.marked()
        || p.mistakenFor().isPresent()
        || p.paybackDays() <= LONGEST_PAYBACK_DAYS;
  }

  private Proposal proposal(Prompt prompt, boolean marked, Optional<DrillItem> mistakenFor) {
    DrillItem item = prompt.item();
    double uses = usesADay.map(u -> u.applyAsDouble(item)).orElse(0.0);
    double saved =
        Math.max(
            0,
            times.seconds(pointer.getOrDefault(item, KeystrokeLevel.ONE_CLICK))
                - times.seconds(prompt.preferred()));
    double cost = YearlyCost.learningSeconds(answersUntilFluent);
    double savedADay = uses * saved;
    return new Proposal(
        item,
        prompt.preferred(),
        uses,
        YearlyCost.hours(uses, saved),
        cost,
        savedADay > 0 ? cost / savedADay : Double.POSITIVE_INFINITY,
        marked,
        mistakenFor,
        List.of());
  }

  /**
   * Of those that save the same, those with more to hold on to come first; no more are looked at
   * than could come into question.
   */
  private List<Proposal> cheapFirst(List<Proposal> sorted, int most) {
    List<Proposal> all = new ArrayList<>();
    int begin = 0;
    while (begin < sorted.size() && all.size() < most) {
      int end = begin + 1;
      while (end < sorted.size() && equal(sorted.get(begin), sorted.get(end))) {
        end++;
      }
      List<Proposal> same =
          sorted.subList(begin, end).stream()
              .sorted(
                  Comparator.comparingDouble((Proposal p) -> times.seconds(p.gesture()))
                      .thenComparing(Proposal::item))
              .limit(most)
              .toList();
      Map<Proposal, Integer> held = new HashMap<>();
      same.forEach(p -> held.put(p, hooks(p).size()));
      same.stream()
          .sorted(Comparator.comparingInt((Proposal p) -> -held.getOrDefault(p, 0)))
          .forEach(all::add);
      begin = end;
    }
    return all;
  }

  private static boolean equal(Proposal a, Proposal b) {
    return a.marked() == b.marked()
        && a.mistakenFor().isPresent() == b.mistakenFor().isPresent()
        && a.hoursAYear() == b.hoursAYear()
        && a.paybackDays() == b.paybackDays();
  }

  private List<Proposal> spread(List<Proposal> ranked, int most) {
    List<Proposal> left = new ArrayList<>(ranked);
    List<Proposal> chosen = new ArrayList<>();
    while (!left.isEmpty() && chosen.size() < most) {
      Proposal best = left.getFirst();
      EnvironmentId last =
          chosen.isEmpty() ? EnvironmentId.NONE : chosen.getLast().item().environment();
      Proposal next =
          left.stream()
              .takeWhile(p -> p.marked() == best.marked())
              .takeWhile(p -> p.mistakenFor().isPresent() == best.mistakenFor().isPresent())
              .takeWhile(p -> p.hoursAYear() >= HALF_AS_GOOD * best.hoursAYear())
              .filter(p -> !p.item().environment().equals(last))
              .findFirst()
              .orElse(best);
      left.remove(next);
      chosen.add(withReasons(next));
    }
    return List.copyOf(chosen);
  }

  private List<String> hooks(Proposal p) {
    return catalog.bindings(p.item().environment(), p.item().action()).stream()
        .filter(b -> isOrHas(b, p.gesture()))
        .flatMap(b -> hooks.of(p.item().environment(), b).stream())
        .map(Hooks.Hook::text)
        .distinct()
        .toList();
  }

  private static boolean isOrHas(Binding binding, Gesture gesture) {
    return binding.gesture().equals(gesture)
        || (binding.gesture().isFamily() && binding.gesture().expand().contains(gesture));
  }

  private Proposal withReasons(Proposal p) {
    List<String> reasons = new ArrayList<>();
    if (p.marked()) {
      reasons.add(worded("recall.you-marked-it"));
    }
    p.mistakenFor()
        .ifPresent(
            other ->
                reasons.add(
                    worded(
                        "recall.you-press-it-by-mistake-for",
                        catalog.title(other.action()),
                        catalog
                            .environment(other.environment())
                            .map(Environment::title)
                            .orElse(""))));
    if (p.usesADay() > 0) {
      reasons.add(
          worded(
              "recall.times-a-day-with-the-mouse",
              p.usesADay() < 10 ? "%.1f".formatted(p.usesADay()) : "%.0f".formatted(p.usesADay()),
              SpokenTime.hours(p.hoursAYear())));
    }
    reasons.addAll(hooks(p));
    if (reasons.isEmpty()) {
      reasons.add(worded("recall.it-works-in-this-setup-and"));
    }
    return new Proposal(
        p.item(),
        p.gesture(),
        p.usesADay(),
        p.hoursAYear(),
        p.learningSeconds(),
        p.paybackDays(),
        p.marked(),
        p.mistakenFor(),
        reasons);
  }
}
