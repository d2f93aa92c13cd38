package polydex.recall;

import java.util.List;
import polydex.keys.Gesture;

/**
 * One question: do this there.
 *
 * @param item the action and where
 * @param gestures what counts as right, the one to train first
 * @param spelled whether the gesture can't be pressed here, since this computer's desktop would
 *     take it, so that its keys are given one after another
 */
public record Prompt(DrillItem item, List<Gesture> gestures, boolean spelled) {
  /** Copies the list. */
  public Prompt {
    gestures = List.copyOf(gestures);
  }
}
