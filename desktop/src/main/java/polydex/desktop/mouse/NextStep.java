package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

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
          worded(
              "mouse.enter-marks-it-for-the-next",
              row.paybackDays()
                  .map(
                      d ->
                          d < 1
                              ? worded("mouse.which-pays-back-within-a-day")
                              : worded("mouse.which-pays-back-in-working-days", decimals(0, d)))
                  .orElse(""));
      case FREE_THE_WAY -> stopped(row);
      case BIND -> worded("mouse.it-can-be-given-a-gesture");
      case WALK ->
          worded("mouse.enter-shows-it-key-by-key", row.walk().map(Spoken::walk).orElse(""));
      case POINTER_BY_NATURE -> worded("mouse.it-is-about-a-place-on");
      case UNKNOWN -> worded("mouse.no-keymap-of-this-setup-knows");
    };
  }

  private static String stopped(RemainingRow row) {
    String vain =
        row.inVain() == 0 ? "" : worded("mouse.its-keys-were-pressed-times-and", row.inVain());
    return switch (row.hindrance().orElse(Hindrance.CONFLICT)) {
          case CONFLICT -> worded("mouse.a-conflict-stops-its-gesture-enter");
          case SWITCHED_OFF -> worded("mouse.its-gesture-is-switched-off-in");
          case OPTION -> worded("mouse.its-gesture-needs-an-option-that");
          case VERSION -> worded("mouse.the-version-that-runs-here-does");
        }
        + vain;
  }

  /** The same in few words. */
  public static String brief(Kind kind) {
    return switch (kind) {
      case LEARN -> worded("mouse.marks-it-for-the-next-drill");
      case FREE_THE_WAY -> worded("mouse.shows-what-stops-its-gesture");
      case BIND -> worded("mouse.finds-a-gesture-that-is-free");
      case WALK -> worded("mouse.shows-the-way-by-keys");
      case POINTER_BY_NATURE -> worded("mouse.keeps-it-with-a-reason");
      case UNKNOWN -> worded("mouse.explains-it");
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
