package polydex.route;

import java.util.List;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;

/**
 * The path of a gesture through a setup.
 *
 * @param gesture what was pressed
 * @param passages what happened, in order
 * @param results what came of it, in order; several where parts of the gesture did something of
 *     their own
 */
public record Trace(Gesture gesture, List<Passage> passages, List<Outcome> results) {

  /** What came of a press. */
  public sealed interface Outcome {}

  /**
   * An action.
   *
   * @param layer where it was taken
   * @param environment the id of the platform or application that took it
   * @param action the id of what it does
   * @param binding the id of the binding; none for a reserved stroke
   * @param own whether it is one of the user's own bindings
   */
  public record Acted(
      Layer layer,
      EnvironmentId environment,
      ActionId action,
      Optional<String> binding,
      boolean own)
      implements Outcome {}

  /**
   * A character appeared.
   *
   * @param text what
   */
  public record Typed(String text) implements Outcome {}

  /**
   * Nothing happened.
   *
   * @param why a sentence
   */
  public record Nothing(String why) implements Outcome {}

  /** Copies the lists. */
  public Trace {
    passages = List.copyOf(passages);
    results = List.copyOf(results);
  }

  /** How it ended: the last thing that came of it. */
  public Outcome outcome() {
    return results.getLast();
  }

  /** The action in which it ended, if it did. */
  public Optional<Acted> acted() {
    return outcome() instanceof Acted a ? Optional.of(a) : Optional.empty();
  }

  /** Whether it ends in that action. */
  public boolean does(ActionId action) {
    return acted().filter(a -> a.action().equals(action)).isPresent();
  }
}
