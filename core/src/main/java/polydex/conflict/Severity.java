package polydex.conflict;

import polydex.catalog.Action.Harm;

/** How bad a conflict is, from 0 to 100: harm, way out and use, each a factor from 0 to 1. */
public final class Severity {
  /** What happens instead loses work. */
  public static final double HARM_LOSES_WORK = 1.0;

  /** Something visible happens instead. */
  public static final double HARM_VISIBLE = 0.5;

  /** Another gesture reaches the action in the same setup. */
  public static final double OTHER_WAY = 0.3;

  /** Uses a working day at which the factor of use is one half. */
  public static final double HALF_USE_PER_DAY = 5;

  /** What is taken for the uses a working day of an action of which nothing is known. */
  public static final double UNKNOWN_USES_PER_DAY = 1;

  private Severity() {}

  /**
   * The severity.
   *
   * @param instead what the action that happens instead does
   * @param otherWay whether another gesture reaches the losing action
   * @param usesPerDay of the losing action, a working day; 0 or more
   */
  public static int of(Harm instead, boolean otherWay, double usesPerDay) {
    double harm = instead == Harm.LOSES_WORK ? HARM_LOSES_WORK : HARM_VISIBLE;
    double wayOut = otherWay ? OTHER_WAY : 1;
    double use = 1 - 1 / (1 + usesPerDay / HALF_USE_PER_DAY);
    return (int) Math.round(100 * harm * wayOut * use);
  }
}
