package polydex.recall;

import java.time.Instant;

/**
 * What all answers to an item come to; a running total, so that no answer is read twice.
 *
 * @param memory after the last answer that counted
 * @param counted when that was; only the first answer of a day counts for memory
 * @param day the day of it
 * @param fluentInARow how many of the last first answers of a day, up to {@link #FLUENT_ANSWERS},
 *     were right and fast enough without a break; as each is of a day of its own, three are of more
 *     than the two days that fluency asks
 * @param answers how many in all
 * @param right how many of them were right
 * @param begun when the first answer ever was given
 */
public record ItemState(
    Memory memory,
    Instant counted,
    long day,
    int fluentInARow,
    int answers,
    int right,
    Instant begun) {
  /** The stability that a fluent item has at least, in days. */
  public static final double FLUENT_STABILITY = 21;

  /** How many first answers fluency looks at. */
  public static final int FLUENT_ANSWERS = 3;

  private static final double NANOS_A_DAY = 86_400e9;

  /** After the first answer ever. */
  static ItemState first(Answer answer, long day, MemoryParameters w) {
    return new ItemState(
        Memory.first(answer.grade(), w),
        answer.at(),
        day,
        inARow(0, answer),
        1,
        answer.verdict().isRight() ? 1 : 0,
        answer.at());
  }

  /** After one more answer, which is not older than those before, on this day. */
  ItemState next(Answer answer, long today, MemoryParameters w) {
    int rightNow = right + (answer.verdict().isRight() ? 1 : 0);
    if (today == day) {
      return new ItemState(memory, counted, day, fluentInARow, answers + 1, rightNow, begun);
    }
    return new ItemState(
        memory.next(answer.grade(), Days.between(counted, answer.at()), w),
        answer.at(),
        today,
        inARow(fluentInARow, answer),
        answers + 1,
        rightNow,
        begun);
  }

  /** An interruption voids the time, not the answer: it neither adds to the row nor ends it. */
  private static int inARow(int before, Answer answer) {
    if (answer.isFluent()) {
      return Math.min(FLUENT_ANSWERS, before + 1);
    }
    return answer.verdict().isRight() && !answer.timing().counts() ? before : 0;
  }

  /** The chance of recall at a moment, 0 to 1. */
  public double retrievability(Instant now) {
    return memory.retrievability(Days.between(counted, now));
  }

  /**
   * When the chance of recall falls to the wanted one.
   *
   * @param wantedRetention 0.80 to 0.97
   */
  public Instant due(double wantedRetention) {
    return counted.plusNanos((long) (memory.daysUntil(wantedRetention) * NANOS_A_DAY));
  }

  /** Whether the chance of recall has fallen to the wanted one. */
  public boolean isDue(Instant now, double wantedRetention) {
    return retrievability(now) <= wantedRetention;
  }

  /** Whether the hand knows it: the last three first answers right and fast, and stable. */
  public boolean isFluent() {
    return fluentInARow == FLUENT_ANSWERS && memory.stability() >= FLUENT_STABILITY;
  }
}
