package polydex.recall;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import polydex.catalog.EnvironmentId;
import polydex.effort.TheilSen;
import polydex.effort.YearlyCost;

/**
 * Answers by day, what was fluent when, and the person's pace; running totals that {@link Progress}
 * keeps up in O(1) an answer. Not thread-safe.
 */
public final class DrillHistory {
  /** How many answers an item takes until it is fluent, before there is data. */
  public static final int ANSWERS_UNTIL_FLUENT = 12;

  /** So many fluent items are data. */
  public static final int ITEMS_FOR_A_MEDIAN = 5;

  /** A pause between answers longer than this is not practice, in seconds. */
  private static final double LONGEST_PAUSE = 60;

  /**
   * A day on which something was answered.
   *
   * @param answers how many
   * @param right how many of them right
   * @param seconds spent on them, with the moments between
   * @param begun how many items were answered for the first time
   * @param left how many items were due when it ended
   */
  public record Day(int answers, int right, double seconds, int begun, int left) {
    static final Day NOTHING = new Day(0, 0, 0, 0, 0);

    private Day and(boolean isRight, double took) {
      return new Day(answers + 1, right + (isRight ? 1 : 0), seconds + took, begun, left);
    }

    private Day andBegun() {
      return new Day(answers, right, seconds, begun + 1, left);
    }

    private Day leaving(int due) {
      return new Day(answers, right, seconds, begun, due);
    }

    /** Whether hardly anything was left to ask, so that it does not say what time there was. */
    boolean isDone() {
      return LEFT_AT_MOST * left <= answers;
    }
  }

  /** With one left in so many answers a day's drills are as good as done. */
  private static final int LEFT_AT_MOST = 10;

  /** From the median of so many days with a drill it is seen how much time there is. */
  private static final int DAYS_FOR_MINUTES = 10;

  private final TreeMap<Long, Day> byDay = new TreeMap<>();
  private final Set<DrillItem> onceFluent = new HashSet<>();
  private final Map<EnvironmentId, TreeMap<Long, Integer>> fluentByEnvironment = new HashMap<>();
  private final List<Integer> answersWhenFluent = new ArrayList<>();
  private final Deque<Answer> latestRight = new ArrayDeque<>();
  private long today = Long.MIN_VALUE;
  private Day running = Day.NOTHING;
  private Instant last = Instant.MIN;

  /** Takes in an answer that says something about memory, with its item's state around it. */
  void add(Answer answer, long day, @Nullable ItemState before, ItemState after) {
    add(answer, day);
    running = before == null ? running.andBegun() : running;
    boolean was = before != null && before.isFluent();
    boolean is = after.isFluent();
    if (was != is) {
      noteFluency(answer.item(), after, is);
    }
    if (answer.verdict().isRight() && answer.timing().counts()) {
      latestRight.addLast(answer);
      if (latestRight.size() > Pace.LATEST) {
        latestRight.removeFirst();
      }
    }
  }

  /** Takes in an answer that is not older than those before. */
  void add(Answer answer, long day) {
    if (day != today) {
      close(0);
      today = day;
      last = Instant.MIN;
    }
    double pause =
        last.equals(Instant.MIN) ? Double.MAX_VALUE : Days.between(last, answer.at()) * 86_400;
    double took = pause <= LONGEST_PAUSE ? pause : YearlyCost.SECONDS_AN_ANSWER;
    running = running.and(answer.verdict().isRight(), took);
    last = answer.at();
  }

  /** Whether an answer of this day is the first of it, and closes the day before. */
  boolean closes(long day) {
    return day != today && running.answers() > 0;
  }

  /** When the last answer was given that was taken in. */
  Instant last() {
    return last;
  }

  /**
   * Ends the day that runs, leaving so many items that were due. It is kept beside the others until
   * then, so that an answer touches no tree.
   */
  void close(int left) {
    if (running.answers() > 0) {
      byDay.put(today, running.leaving(left));
    }
    running = Day.NOTHING;
  }

  /**
   * The seconds that a person really spends on drills: the median of the last ten days with one, of
   * which those on which nothing was left to ask count as the minutes that are wanted.
   *
   * @param before the day before which they are looked at
   */
  double secondsADay(long before, DrillSettings wanted) {
    double wish = wanted.minutesADay() * 60.0;
    double[] spent =
        byDay().headMap(before, false).sequencedValues().reversed().stream()
            .limit(DAYS_FOR_MINUTES)
            .mapToDouble(d -> d.isDone() ? wish : Math.min(wish, d.seconds()))
            .toArray();
    return spent.length == 0 ? wish : TheilSen.median(spent);
  }

  private void noteFluency(DrillItem item, ItemState state, boolean is) {
    if (onceFluent.add(item)) {
      answersWhenFluent.add(state.answers());
    }
    TreeMap<Long, Integer> counts =
        fluentByEnvironment.computeIfAbsent(item.environment(), _ -> new TreeMap<>());
    int sofar = counts.isEmpty() ? 0 : counts.lastEntry().getValue();
    counts.put(today, sofar + (is ? 1 : -1));
  }

  /** The day counted from 1970; nothing if nothing was answered then. */
  public Day day(long day) {
    return byDay().getOrDefault(day, Day.NOTHING);
  }

  /** Every day with answers, by its number counted from 1970, in order. */
  public NavigableMap<Long, Day> byDay() {
    TreeMap<Long, Day> all = new TreeMap<>(byDay);
    if (running.answers() > 0) {
      all.put(today, running);
    }
    return all;
  }

  /** The ids of environments in which anything ever was fluent. */
  public Set<EnvironmentId> environments() {
    return new HashSet<>(fluentByEnvironment.keySet());
  }

  /** How many items of an environment were fluent at the end of a day. */
  public int fluent(EnvironmentId environment, long day) {
    return Optional.ofNullable(fluentByEnvironment.get(environment))
        .map(counts -> counts.floorEntry(day))
        .map(Map.Entry::getValue)
        .orElse(0);
  }

  /**
   * The median number of answers after which items became fluent for the first time; {@value
   * #ANSWERS_UNTIL_FLUENT} before {@value #ITEMS_FOR_A_MEDIAN} have.
   */
  public double answersUntilFluent() {
    return answersWhenFluent.size() < ITEMS_FOR_A_MEDIAN
        ? ANSWERS_UNTIL_FLUENT
        : TheilSen.median(answersWhenFluent.stream().mapToDouble(n -> n).toArray());
  }

  /** The pace that fits the latest right answers. */
  public Pace pace() {
    return Pace.fitted(latestRight.stream().map(Pace.Sample::of).toList());
  }
}
