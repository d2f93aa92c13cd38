package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.Locale;
import polydex.effort.TheilSen;
import polydex.language.Language;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Walk;
import polydex.totals.Habit;

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
      case LEARN -> worded("mouse.learn");
      case FREE_THE_WAY -> worded("mouse.free-the-way");
      case BIND -> worded("mouse.bind");
      case WALK -> worded("mouse.walk");
      case POINTER_BY_NATURE -> worded("mouse.pointer");
      case UNKNOWN -> worded("mouse.unknown");
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
      case MENUS -> worded("mouse.by-menus-and-arrows-then-enter", way, walk.presses());
      case TAB -> worded("mouse.by-tab-to-then-space-presses", way, walk.presses());
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
      return worded("mouse.too-few-weeks-yet-to-say", what);
    }
    String range = worded("mouse.and", number(trend.low()), number(trend.high()), unit);
    if (trend.mayBeNone()) {
      return worded(
          "mouse.show-no-clear-trend-a-week", capital(what), number(trend.slope()), unit, range);
    }
    return worded(
        "mouse.go-by-a-week-with-95",
        capital(what),
        trend.slope() < 0 ? worded("mouse.down") : worded("mouse.up"),
        String.format(Language.locale(), "%.1f", Math.abs(trend.slope())),
        unit,
        range);
  }

  private static String number(double value) {
    return String.format(Language.locale(), "%+.1f", value).replace('-', '\u2212');
  }

  private static String capital(String words) {
    return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }

  /** How far an action has come from the pointer. */
  static String state(Habit.State state) {
    return switch (state) {
      case OPEN -> worded("mouse.state-open");
      case LEARNING -> worded("mouse.state-learning");
      case SWITCHING -> worded("mouse.state-switching");
      case REPLACED -> worded("mouse.state-replaced");
      case KEPT -> worded("mouse.state-kept");
    };
  }

  static String device(Device device) {
    return switch (device) {
      case KEYBOARD -> worded("mouse.device-keyboard");
      case MOUSE -> worded("mouse.device-mouse");
      case TRACKPAD -> worded("mouse.device-trackpad");
      case TOUCH -> worded("mouse.device-touch");
      case PEN -> worded("mouse.device-pen");
    };
  }
}
