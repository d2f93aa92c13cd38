package polydex.conflict;

import java.util.function.ToDoubleFunction;
import polydex.catalog.ActionId;

/**
 * What has to be known of a person to say how bad a conflict is.
 *
 * @param usesPerDay uses of an action by its id, a working day; 0 or more
 * @param pauseMillis how long they leave between a tap and the next step, in milliseconds
 */
public record Person(ToDoubleFunction<ActionId> usesPerDay, int pauseMillis) {
  /** A key press of the Keystroke-Level Model, for whom no answers are known of. */
  public static final int USUAL_PAUSE_MILLIS = 280;

  /** Someone of whom only the uses are known. */
  public static Person of(ToDoubleFunction<ActionId> usesPerDay) {
    return new Person(usesPerDay, USUAL_PAUSE_MILLIS);
  }
}
