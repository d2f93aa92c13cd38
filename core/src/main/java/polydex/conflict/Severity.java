package polydex.conflict;

import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;
import polydex.route.Trace.Typed;

/** How bad a conflict is, from 0 to 100: harm, way out and use, each a factor from 0 to 1. */
public final class Severity {
  /** What happens instead loses work. */
  public static final double HARM_LOSES_WORK = 1.0;

  /** Something visible happens instead. */
  public static final double HARM_VISIBLE = 0.5;

  /** Nothing happens instead. */
  public static final double HARM_NONE = 0.2;

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
   * @param harm of what happens instead, one of the three
   * @param otherWay whether another gesture reaches the losing action
   * @param usesPerDay of the losing action, a working day; 0 or more
   */
  public static int of(double harm, boolean otherWay, double usesPerDay) {
    double wayOut = otherWay ? OTHER_WAY : 1;
    double use = 1 - 1 / (1 + usesPerDay / HALF_USE_PER_DAY);
    return (int) Math.round(100 * harm * wayOut * use);
  }

  /** The harm of what happens instead. */
  public static double harm(Outcome instead, Catalog catalog) {
    return switch (instead) {
      case Acted a -> harm(a.action(), catalog);
      case Typed _ -> HARM_VISIBLE;
      case Nothing _ -> HARM_NONE;
    };
  }

  /** The harm of an action that happens unasked. */
  public static double harm(ActionId action, Catalog catalog) {
    return catalog.losesWork(action) ? HARM_LOSES_WORK : HARM_VISIBLE;
  }
}
