package polydex.route;

import java.util.Optional;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Outcome;

/**
 * A binding of a setup with what happens when its gesture is pressed there.
 *
 * @param layer the layer whose keymap has it
 * @param environment the id of the platform or application that has it
 * @param binding the binding
 * @param own whether it is one of the user's own
 * @param gesture what is pressed: the binding's, or one member of its family; inner steps of a hold
 *     behind the stroke that opens it
 * @param opening how many presses of it only open the hold in which the binding's own are made
 * @param active the context of the focused application that is active while it is pressed; none
 *     where those of the setup are
 * @param outcome what came of it at the end
 * @param alone whether nothing else came of it before, but what the opening presses do
 * @param touches a bit for each press of it, as {@link Touched} counts them
 */
public record TracedBinding(
    Layer layer,
    EnvironmentId environment,
    Binding binding,
    boolean own,
    Gesture gesture,
    int opening,
    Optional<String> active,
    Outcome outcome,
    boolean alone,
    long touches) {

  /** Whether pressing it ends in its action, on the machine of its layer. */
  public boolean works() {
    return outcome instanceof Acted a
        && a.action().equals(binding.action())
        && a.layer().depth() == layer.depth();
  }
}
