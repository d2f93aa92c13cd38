package polydex.route;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import polydex.catalog.Environment.WhenBroken;

/**
 * A layer that takes strokes: its scopes in the order in which they are asked, and the contexts
 * that its holds open.
 *
 * @param layer where it stands
 * @param scopes innermost first
 * @param heldContexts the scopes that only further steps of a hold reach, by the id of the context
 * @param whenBroken what happens to held steps of a sequence that does not go on
 */
record Taker(
    Layer layer, List<Scope> scopes, Map<String, Scope> heldContexts, WhenBroken whenBroken) {
  /** The same with another scope for a context, wherever the one that it had is asked. */
  Taker with(String context, Scope changed) {
    Scope was = heldContexts.get(context);
    Map<String, Scope> contexts = new LinkedHashMap<>(heldContexts);
    contexts.put(context, changed);
    return new Taker(
        layer,
        scopes.stream().map(s -> s.equals(was) ? changed : s).toList(),
        contexts,
        whenBroken);
  }
}
