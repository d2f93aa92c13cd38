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

  /** w0 to w16 of the formulas. */
  private static final double[] W = {
    0.4872, 1.4003, 3.7145, 13.8206, 5.1618, 1.2298, 0.8975, 0.031, 1.6474, 0.1367, 1.0461, 2.1072,
    0.0793, 0.3246, 1.587, 0.2272, 2.8755
  };

  private static final double EASE = Math.exp(W[8]);

  /** Keeps both in their ranges. */
  public Memory {
    difficulty = Math.clamp(difficulty, 1, 10);
    stability = Math.clamp(stability, LEAST_STABILITY, GREATEST_STABILITY);
  }

  /** After the first answer ever. */
  public static Memory first(Grade grade) {
    return new Memory(firstDifficulty(grade.number()), W[grade.number() - 1]);
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
   * After another answer.
   *
   * @param days since the last answer that counted, 0 or more
   */
  public Memory next(Grade grade, double days) {
    double r = retrievability(days);
    double d = W[7] * firstDifficulty(3) + (1 - W[7]) * (difficulty - W[6] * (grade.number() - 3));
    double s = grade == Grade.MISSED ? afterMiss(r) : afterSuccess(r, grade);
    return new Memory(d, s);
  }

  private static double firstDifficulty(int grade) {
    return Math.clamp(W[4] - W[5] * (grade - 3), 1, 10);
  }

  private double afterSuccess(double r, Grade grade) {
    double growth =
        EASE * (11 - difficulty) * Math.pow(stability, -W[9]) * (Math.exp(W[10] * (1 - r)) - 1);
    double effort =
        switch (grade) {
          case LABOURED -> W[15];
          case PROMPT -> W[16];
          case RIGHT, MISSED -> 1;
        };
    return stability * (1 + growth * effort);
  }

  private double afterMiss(double r) {
    double fallen =
        W[11]
            * Math.pow(difficulty, -W[12])
            * (Math.pow(stability + 1, W[13]) - 1)
            * Math.exp(W[14] * (1 - r));
    return Math.min(stability, fallen);
  }
}
