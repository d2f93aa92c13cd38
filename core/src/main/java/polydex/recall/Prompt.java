package polydex.recall;

import java.util.List;
import polydex.keys.Gesture;

/**
 * What can be asked: do this there.
 *
 * @param item the action and where
 * @param gestures what counts as right, the one to train first
 * @param spelled whether the gesture can't be pressed here, since this computer's desktop would
 *     take it, so that its keys are given one after another
 * @param member which one of a family is asked for; empty where it is not one
 */
public record Prompt(DrillItem item, List<Gesture> gestures, boolean spelled, String member) {
  /** Copies the list. */
  public Prompt {
    gestures = List.copyOf(gestures);
  }

  /** The gesture that is trained. */
  public Gesture preferred() {
    return gestures.getFirst();
  }

  /** The same asking for one member of the family. */
  Prompt askingFor(Gesture gesture, String name) {
    return new Prompt(item, List.of(gesture), spelled, name);
  }
}
