package polydex.effort;

/**
 * What a habit costs in a year, and when a better one has paid for itself. Source: our own
 * convention; five days a week less holidays, and what answers took in the demo's drills.
 */
public final class YearlyCost {
  /** Working days a year. */
  public static final int WORKING_DAYS = 220;

  /** What one answer of a drill takes with its prompt and seeing how it went, in seconds. */
  public static final double SECONDS_AN_ANSWER = 4;

  private static final double SECONDS_AN_HOUR = 3600;

  private YearlyCost() {}

  /**
   * Hours a year.
   *
   * @param usesADay on a working day, at least 0
   * @param seconds that each use costs more than it had to, at least 0
   */
  public static double hours(double usesADay, double seconds) {
    return usesADay * seconds * WORKING_DAYS / SECONDS_AN_HOUR;
  }

  /**
   * What learning takes, in seconds.
   *
   * @param answers of a drill until a gesture is fluent
   */
  public static double learningSeconds(double answers) {
    return answers * SECONDS_AN_ANSWER;
  }
}
