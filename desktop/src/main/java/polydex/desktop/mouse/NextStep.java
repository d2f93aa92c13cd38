package polydex.desktop.mouse;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import polydex.desktop.desk.Desk;
import polydex.mouse.Remaining.Hindrance;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Remaining.RemainingRow;
import polydex.recall.DrillItem;

/**
 * What is to be done next about an action that is still done with the mouse: one for each class.
 */
public final class NextStep {
  private NextStep() {}

  /** What Enter does about an action, and what it gains. */
  static String sentence(RemainingRow row) {
    return switch (row.kind()) {
      case LEARN ->
          "Enter marks it for the next drill%s."
              .formatted(
                  row.paybackDays()
                      .map(
                          d ->
                              d < 1
                                  ? ", which pays back within a day"
                                  : String.format(
                                      Locale.ROOT, ", which pays back in %.0f working days", d))
                      .orElse(""));
      case FREE_THE_WAY -> stopped(row);
      case BIND -> "It can be given a gesture; Enter wishes for one that is free.";
      case WALK -> row.walk().map(Spoken::walk).orElse("") + " Enter shows it key by key.";
      case POINTER_BY_NATURE -> "It is about a place on the screen; Enter keeps it, with a reason.";
      case UNKNOWN -> "No keymap of this setup knows it; Enter explains it.";
    };
  }

  private static String stopped(RemainingRow row) {
    String vain =
        row.inVain() == 0
            ? ""
            : row.inVain() == 1
                ? " Its keys were pressed once and went elsewhere."
                : " Its keys were pressed %,d times and went elsewhere.".formatted(row.inVain());
    return switch (row.hindrance().orElse(Hindrance.CONFLICT)) {
          case CONFLICT -> "A conflict stops its gesture; Enter shows where.";
          case SWITCHED_OFF ->
              "Its gesture is switched off; in Look up, {GESTURE_SWITCH} switches it on again.";
          case OPTION -> "Its gesture needs an option that is off; the setup says which.";
          case VERSION -> "The version that runs here does not have its gesture yet, or no longer.";
        }
        + vain;
  }

  /** The same in few words. */
  public static String brief(Kind kind) {
    return switch (kind) {
      case LEARN -> "Marks it for the next drill.";
      case FREE_THE_WAY -> "Shows what stops its gesture.";
      case BIND -> "Finds a gesture that is free.";
      case WALK -> "Shows the way by keys.";
      case POINTER_BY_NATURE -> "Keeps it, with a reason.";
      case UNKNOWN -> "Explains it.";
    };
  }

  /** Does it. */
  public static void take(Desk desk, RemainingRow row) {
    switch (row.kind()) {
      case LEARN ->
          desk.drills()
              .mark(
                  Set.of(
                      new DrillItem(
                          row.environment().orElseThrow(), row.place().action().orElseThrow())));
      case FREE_THE_WAY -> {
        if (!desk.session().workspace().get().current().equals(Optional.of(row.place().setup()))) {
          desk.session().choose(row.place().setup());
        }
        desk.keys().follow(row.gesture().orElseThrow());
      }
      case BIND -> new Choices(desk).wish(row.place());
      case WALK -> row.walk().ifPresent(w -> WalkView.open(desk, row, w));
      case POINTER_BY_NATURE -> new Choices(desk).keepOrNot(row.place());
      case UNKNOWN -> new NamesView(desk).open();
    }
  }
}
