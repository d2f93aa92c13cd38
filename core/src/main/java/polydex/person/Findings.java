package polydex.person;

import java.util.List;
import polydex.mouse.DrillEffect;
import polydex.mouse.Remaining;
import polydex.mouse.Saved;
import polydex.mouse.Slips;
import polydex.mouse.WeeklyReview;
import polydex.mouse.Weeks;
import polydex.reminder.ReminderEffect;
import polydex.totals.Standing;

/**
 * What the mouse log says.
 *
 * @param standing what it comes to
 * @param rows everything that was ever done with the pointer, the dearest first
 * @param weeks how it went
 * @param slips uses of the pointer although the gesture is known
 * @param review the last seven days
 * @param saved what keys have saved
 * @param effect what drills have changed
 * @param reminders what lines at a pause have changed
 */
public record Findings(
    Standing standing,
    List<Remaining.RemainingRow> rows,
    Weeks weeks,
    Slips slips,
    WeeklyReview review,
    Saved saved,
    DrillEffect effect,
    ReminderEffect reminders) {

  /** What is still done with the pointer, the dearest first. */
  public List<Remaining.RemainingRow> remaining() {
    return rows.stream().filter(r -> r.usesADay() > 0).toList();
  }
}
