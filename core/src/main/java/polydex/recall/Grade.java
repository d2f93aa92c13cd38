package polydex.recall;

/**
 * What an answer says about memory, judged from behaviour alone. How quick it was says little about
 * memory, and is left to fluency: graded by it, half of all right answers were easy by definition,
 * and the model promised 0.87 where 0.56 to 0.81 was recalled.
 */
public enum Grade {
  /** Wrong, hinted or timed out. */
  MISSED(1),
  /** Right after a correction. */
  LABOURED(2),
  /** Right. */
  RIGHT(3);

  private final int number;

  Grade(int number) {
    this.number = number;
  }

  /** The G of the formulas, 1 to 3. */
  public int number() {
    return number;
  }
}
