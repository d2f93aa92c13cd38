package polydex.desktop.mouse;

import java.util.Locale;
import polydex.effort.TheilSen;
import polydex.log.Deed;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Walk;

/** Shares, classes and trends as people say them. */
public final class Spoken {
  private Spoken() {}

  /** A share from 0 to 1. */
  public static String percent(double share) {
    return "%d %%".formatted(Math.round(100 * share));
  }

  /** A class, in a word or three. */
  static String kind(Kind kind) {
    return switch (kind) {
      case LEARN -> "learn";
      case FREE_THE_WAY -> "free the way";
      case BIND -> "bind";
      case WALK -> "walk";
      case POINTER_BY_NATURE -> "pointer";
      case UNKNOWN -> "unknown";
    };
  }

  /** Where the pointer went: the way through menus or bars, and what it pressed there. */
  static String way(Deed deed) {
    return String.join(" \u203a ", deed.way());
  }

  /** Where a walk leads. */
  static String walk(Walk walk) {
    String way = String.join(" \u203a ", walk.path());
    return switch (walk.means()) {
      case MENUS ->
          "By menus and arrows: %s, then Enter; %d presses.".formatted(way, walk.presses());
      case TAB ->
          "By Tab to \u201c%s\u201d, then Space; %d presses.".formatted(way, walk.presses());
    };
  }

  /**
   * A trend with its interval.
   *
   * @param what goes up or down: "open actions"
   * @param unit after the number, with its space: " h"
   */
  public static String trend(TheilSen trend, String what, String unit) {
    if (Double.isInfinite(trend.low())) {
      return "Too few weeks yet to say how %s go on.".formatted(what);
    }
    String range = number(trend.low()) + " and " + number(trend.high()) + unit;
    if (trend.mayBeNone()) {
      return "%s show no clear trend: %s%s a week, with 95 %% between %s."
          .formatted(capital(what), number(trend.slope()), unit, range);
    }
    return "%s go %s by %s%s a week, with 95 %% between %s."
        .formatted(
            capital(what),
            trend.slope() < 0 ? "down" : "up",
            String.format(Locale.ROOT, "%.1f", Math.abs(trend.slope())),
            unit,
            range);
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%+.1f", value).replace('-', '\u2212');
  }

  private static String capital(String words) {
    return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }
}
