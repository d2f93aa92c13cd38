package polydex.conflict;

import java.util.List;
import java.util.Locale;
import polydex.keys.Gesture;
import polydex.route.Layer;
import polydex.route.TracedBinding;

/**
 * A binding that does not do in a setup what it says.
 *
 * @param kind what is wrong
 * @param setup the id of the setup
 * @param loser the binding that loses
 * @param winner who takes the gesture
 * @param winnerEnvironment the id of the platform or application that takes it
 * @param instead the id of the action that happens
 * @param stillWorks gestures that do reach the losing action here, the easiest first
 * @param severity 0 to 100
 */
public record Conflict(
    Kind kind,
    String setup,
    TracedBinding loser,
    Layer winner,
    String winnerEnvironment,
    String instead,
    List<Gesture> stillWorks,
    int severity) {

  /** What can be wrong. */
  public enum Kind {
    /** Two actions on one gesture in the same context of one keymap. */
    DUPLICATE,
    /** An outer layer takes the gesture and does something else. */
    INTERCEPTED
  }

  /** Copies the list. */
  public Conflict {
    stillWorks = List.copyOf(stillWorks);
  }

  /** Stable from run to run: it says which two sides clash, not what else is known of them. */
  public String id() {
    return String.join(
        "|",
        kind.name().toLowerCase(Locale.ROOT),
        setup,
        loser.environment(),
        loser.binding().context(),
        loser.binding().action(),
        loser.gesture().toString(),
        winnerEnvironment,
        instead);
  }
}
