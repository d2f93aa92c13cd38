package polydex.recall;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a session moved. O(answers).
 *
 * @param answers how many
 * @param right how many right
 * @param newlyFluent items that became fluent in it
 * @param slipped items that were fluent before and are not now, or were known and were missed first
 * @param slowest items answered right but over their goal, the farthest over first
 * @param mistaken pairs that were mistaken for each other
 */
public record SessionReport(
    int answers,
    int right,
    List<DrillItem> newlyFluent,
    List<DrillItem> slipped,
    List<Slow> slowest,
    List<Confusions.Pair> mistaken) {
  private static final int SLOWEST = 5;

  /** The stability from which an item counts as known, in days. */
  private static final double KNOWN = 7;

  /**
   * An item that was answered right, but not fast enough.
   *
   * @param seconds the best time of the session
   * @param goal the time up to which it is fluent, in seconds
   * @param why what took so long
   */
  public record Slow(DrillItem item, double seconds, double goal, Why why) {}

  /** What takes too long of an answer. */
  public enum Why {
    /** It was long until the first key: it was known late. */
    LATE,
    /** It was long from the first key to the last: the hand is not sure yet. */
    HANDS,
    /** It was not looked at when the first key went down. */
    UNKNOWN;

    /** By what a person's pace gives for the two parts. */
    static Why of(Answer answer, Pace pace) {
      OptionalDouble first = answer.timing().firstKey();
      if (first.isEmpty()) {
        return UNKNOWN;
      }
      double wait = first.getAsDouble() - pace.start();
      double hands =
          answer.timing().hands().orElse(0) - (pace.expected(answer.asked()) - pace.start());
      return wait >= hands ? LATE : HANDS;
    }
  }

  /** Copies the lists. */
  public SessionReport {
    newlyFluent = List.copyOf(newlyFluent);
    slipped = List.copyOf(slipped);
    slowest = List.copyOf(slowest);
    mistaken = List.copyOf(mistaken);
  }

  /**
   * The report of a session.
   *
   * @param before the states of the items asked, as they were at its beginning
   * @param answers in the order in which they were given
   */
  public static SessionReport of(
      Map<DrillItem, ItemState> before, List<Answer> answers, Progress after) {
    List<DrillItem> fluent = new ArrayList<>();
    List<DrillItem> slipped = new ArrayList<>();
    Map<DrillItem, Answer> first = new LinkedHashMap<>();
    answers.stream().filter(Answer::countsForMemory).forEach(a -> first.putIfAbsent(a.item(), a));
    first.forEach(
        (item, answer) -> {
          boolean was =
              Optional.ofNullable(before.get(item)).map(ItemState::isFluent).orElse(false);
          boolean is = after.state(item).map(ItemState::isFluent).orElse(false);
          boolean known =
              Optional.ofNullable(before.get(item))
                  .map(s -> s.memory().stability() >= KNOWN)
                  .orElse(false);
          if (is && !was) {
            fluent.add(item);
          } else if ((was && !is) || (known && !answer.verdict().isRight())) {
            slipped.add(item);
          }
        });
    return new SessionReport(
        answers.size(),
        (int) answers.stream().filter(a -> a.verdict().isRight()).count(),
        fluent,
        slipped,
        slowest(answers, after.history().pace()),
        mistaken(answers));
  }

  private static List<Slow> slowest(List<Answer> answers, Pace pace) {
    Map<DrillItem, Slow> best = new HashMap<>();
    for (Answer a : answers) {
      if (a.verdict().isRight() && a.timing().counts() && a.countsForMemory()) {
        best.merge(
            a.item(),
            new Slow(a.item(), a.timing().seconds(), a.timing().goal(), Why.of(a, pace)),
            (x, y) -> x.seconds() / x.goal() <= y.seconds() / y.goal() ? x : y);
      }
    }
    return best.values().stream()
        .filter(s -> s.seconds() > s.goal())
        .sorted(
            Comparator.comparingDouble((Slow s) -> -s.seconds() / s.goal())
                .thenComparing(Slow::item))
        .limit(SLOWEST)
        .toList();
  }

  private static List<Confusions.Pair> mistaken(List<Answer> answers) {
    return answers.stream()
        .filter(a -> a.verdict() == Answer.Verdict.WRONG)
        .flatMap(
            a ->
                a.mistakenFor().stream()
                    .filter(m -> !m.equals(a.item()))
                    .map(m -> new Confusions.Pair(a.item(), m)))
        .distinct()
        .toList();
  }
}
