package polydex.route;

import polydex.catalog.Binding;
import polydex.keys.Gesture;

/**
 * A binding of a setup with what happens when its gesture is pressed there.
 *
 * @param layer the layer whose keymap has it
 * @param environment the id of the platform or application that has it
 * @param binding the binding
 * @param own whether it is one of the user's own
 * @param gesture what is pressed: the binding's, or one member of its family
 * @param trace what happens
 */
public record TracedBinding(
    Layer layer, String environment, Binding binding, boolean own, Gesture gesture, Trace trace) {

  /** Whether pressing it ends in its action. */
  public boolean works() {
    return trace.does(binding.action());
  }
}
