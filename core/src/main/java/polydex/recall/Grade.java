package polydex.recall;

/** What an answer says about memory, judged from behaviour alone. */
public enum Grade {
  /** Wrong, hinted or timed out. */
  MISSED(1),
  /** Right after a correction, or slower than twice the expected time. */
  LABOURED(2),
  /** Right. */
  RIGHT(3),
  /** Right within the expected time. */
  PROMPT(4);

  private final int number;

  Grade(int number) {
    this.number = number;
  }

  /** The G of the formulas, 1 to 4. */
  public int number() {
    return number;
  }
}
