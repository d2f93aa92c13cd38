package polydex.recall;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What all answers to an item come to; a running total, so that no answer is read twice.
 *
 * @param memory after the last answer that counted
 * @param lastCounted when that was; only the first answer of a day counts for memory
 * @param recent the last three first answers of a day
 * @param answers how many in all
 */
public record ItemState(Memory memory, Instant lastCounted, List<First> recent, int answers) {
  /** The stability that a fluent item has at least, in days. */
  public static final double FLUENT_STABILITY = 21;

  private static final int FLUENT_ANSWERS = 3;
  private static final double SECONDS_PER_DAY = Duration.ofDays(1).toSeconds();

  /**
   * The first answer of a day.
   *
   * @param day when
   * @param fluent whether it was right and fast enough
   */
  public record First(LocalDate day, boolean fluent) {}

  /** Copies the list. */
  public ItemState {
    recent = List.copyOf(recent);
  }

  /** After one more answer, which is not older than those before. */
  public static ItemState after(Optional<ItemState> before, Answer answer, ZoneId zone) {
    First first = new First(answer.at().atZone(zone).toLocalDate(), answer.isFluent());
    if (before.isEmpty()) {
      return new ItemState(Memory.first(answer.grade()), answer.at(), List.of(first), 1);
    }
    ItemState state = before.get();
    if (state.lastCounted.atZone(zone).toLocalDate().equals(first.day())) {
      return new ItemState(state.memory, state.lastCounted, state.recent, state.answers + 1);
    }
    List<First> recent = new ArrayList<>(state.recent);
    recent.add(first);
    if (recent.size() > FLUENT_ANSWERS) {
      recent.removeFirst();
    }
    return new ItemState(
        state.memory.next(answer.grade(), state.days(answer.at())),
        answer.at(),
        recent,
        state.answers + 1);
  }

  /** The chance of recall at a moment. */
  public double retrievability(Instant now) {
    return memory.retrievability(days(now));
  }

  /** Whether the chance of recall has fallen to the wanted one. */
  public boolean isDue(Instant now) {
    return retrievability(now) <= Memory.WANTED_RETENTION;
  }

  /** Whether the hand knows it: the last three right and fast, over two days, and stable. */
  public boolean isFluent() {
    return recent.size() == FLUENT_ANSWERS
        && recent.stream().allMatch(First::fluent)
        && recent.stream().map(First::day).distinct().count() >= 2
        && memory.stability() >= FLUENT_STABILITY;
  }

  private double days(Instant now) {
    return Math.max(0, Duration.between(lastCounted, now).toSeconds() / SECONDS_PER_DAY);
  }
}
