package polydex.conflict;

import java.util.Locale;
import polydex.conflict.Conflict.Kind;

/**
 * What a conflict comes to for a person, the worst first. It comes before the severity, which is
 * about how often: work that is lost once a month is worse than a character less ten times a day.
 */
public enum Rank {
  /** What happens instead loses work. */
  LOSES_WORK,
  /** Something else happens, and no other gesture does what was wanted. */
  WRONG_THING,
  /** Nothing happens, or another gesture does it. */
  MISSED,
  /** It works, and something is to be minded. */
  WORKS,
  /** It works with Fn. */
  FN,
  /** It works, and is done otherwise elsewhere. */
  HABIT;

  /**
   * The rank of a conflict.
   *
   * @param works whether the losing binding does what it says all the same
   * @param harm of what happens instead, as {@link Severity#harm} has it
   * @param wayOut whether another gesture does it
   */
  static Rank of(Kind kind, boolean works, double harm, boolean wayOut) {
    return switch (kind) {
      case CROSSED_HABIT, SPLIT_HABIT -> HABIT;
      case NEEDS_FN -> FN;
      case THIN, DELAYED_TAP -> WORKS;
      case TYPES_TEXT -> works ? WORKS : of(harm, wayOut);
      default -> of(harm, wayOut);
    };
  }

  private static Rank of(double harm, boolean wayOut) {
    if (harm >= Severity.HARM_LOSES_WORK) {
      return LOSES_WORK;
    }
    return harm >= Severity.HARM_VISIBLE && !wayOut ? WRONG_THING : MISSED;
  }

  /** As it is written in files. */
  public String written() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
