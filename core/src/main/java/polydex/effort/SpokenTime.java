package polydex.effort;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.decimals;

/** Times as people say them: "6 min", "3.5 h", "120 h". */
public final class SpokenTime {
  private static final int MINUTES_AN_HOUR = 60;
  private static final int WITH_TENTHS_BELOW = 10;

  private static final String HARDLY_ANY = worded("effort.under-1-min");

  private SpokenTime() {}

  /** The same in so few letters that it stands in a column of numbers. */
  public static String inColumn(double hours) {
    String said = hours(hours);
    return said.equals(HARDLY_ANY) ? "< 1 min" : said;
  }

  /**
   * Some hours, in words that never round up to a whole of the next unit.
   *
   * @param hours at least 0
   */
  public static String hours(double hours) {
    double minutes = hours * MINUTES_AN_HOUR;
    if (minutes > 0 && minutes < 0.5) {
      return HARDLY_ANY;
    }
    if (Math.round(minutes) < MINUTES_AN_HOUR) {
      return "%d min".formatted(Math.round(minutes));
    }
    double tenths = Math.round(hours * 10) / 10.0;
    return tenths < WITH_TENTHS_BELOW ? decimals(1, tenths) + " h" : decimals(0, hours) + " h";
  }
}
