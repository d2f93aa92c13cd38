package polydex.recall;

/**
 * What is kept of an item: a power forgetting curve with a stability that grows with each success.
 *
 * <p>The three-component model of memory (difficulty, stability, retrievability) with a power
 * curve; see J. Ye, J. Su, Y. Cao, "A Stochastic Shortest Path Algorithm for Optimizing Spaced
 * Repetition Scheduling", KDD 2022, and, for the power law, J. T. Wixted and E. B. Ebbesen, "On the
 * Form of Forgetting", Psychological Science 2 (1991). The formulas and worked examples are in
 * {@code docs/recall.md}. Every method is O(1).
 *
 * @param difficulty 1 (easy) to 10
 * @param stability days until the chance of recall has fallen to 0.9; 0.01 to 36500
 */
public record Memory(double difficulty, double stability) {
  /** The least stability, in days. */
  public static final double LEAST_STABILITY = 0.01;

  /** The greatest stability, in days: a hundred years. */
  public static final double GREATEST_STABILITY = 36500;

  /** So that R(S) = 0.9; the decay of the curve is a square root. */
  private static final double FACTOR = 19.0 / 81;

  /** Keeps both in their ranges. */
  public Memory {
    difficulty = Math.clamp(difficulty, 1, 10);
    stability = Math.clamp(stability, LEAST_STABILITY, GREATEST_STABILITY);
  }

  /** After the first answer ever. */
  public static Memory first(Grade grade, MemoryParameters w) {
    return new Memory(firstDifficulty(grade.number(), w), w.w(grade.number() - 1));
  }

  /**
   * The chance of recall.
   *
   * @param days since the last answer that counted, 0 or more
   * @return 0 to 1
   */
  public double retrievability(double days) {
    return 1 / Math.sqrt(1 + FACTOR * Math.max(0, days) / stability);
  }

  /** Days after an answer until the chance of recall has fallen to the wanted one. */
  public double daysUntil(double wantedRetention) {
    return stability / FACTOR * (1 / (wantedRetention * wantedRetention) - 1);
  }

  /**
   * After another answer. The new stability follows from the difficulty before it.
   *
   * @param days since the last answer that counted, 0 or more
   */
  public Memory next(Grade grade, double days, MemoryParameters w) {
    double r = retrievability(days);
    double kept = w.w(7);
    double d =
        kept * firstDifficulty(3, w) + (1 - kept) * (difficulty - w.w(6) * (grade.number() - 3));
    return new Memory(d, grade == Grade.MISSED ? afterMiss(r, w) : afterSuccess(r, grade, w));
  }

  private static double firstDifficulty(int grade, MemoryParameters w) {
    return Math.clamp(w.w(4) - w.w(5) * (grade - 3), 1, 10);
  }

  private double afterSuccess(double r, Grade grade, MemoryParameters w) {
    double growth =
        w.ease()
            * (11 - difficulty)
            * Math.pow(stability, -w.w(9))
            * (Math.exp(w.w(10) * (1 - r)) - 1);
    return stability * (1 + growth * (grade == Grade.LABOURED ? w.w(15) : 1));
  }

  private double afterMiss(double r, MemoryParameters w) {
    double fallen =
        w.w(11)
            * Math.pow(difficulty, -w.w(12))
            * (Math.pow(stability + 1, w.w(13)) - 1)
            * Math.exp(w.w(14) * (1 - r));
    return Math.min(stability, fallen);
  }
}
