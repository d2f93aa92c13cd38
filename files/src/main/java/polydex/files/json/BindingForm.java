package polydex.files.json;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import polydex.catalog.Binding;
import polydex.catalog.Binding.Condition;
import polydex.catalog.Context;
import polydex.catalog.Version;
import polydex.keys.Gesture;

/**
 * A binding as a file writes it: short, with everything left out that goes without saying.
 *
 * @param action the id of what it does
 * @param gesture in notation
 * @param context where it holds; anywhere if left out
 * @param since the first version that has it
 * @param until the first version without it
 * @param option a setting that must be on
 * @param opens the context that its hold opens
 * @param note what else to know
 * @param id stable; made from the rest if left out
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
@JsonPropertyOrder({"action", "gesture", "context", "since", "until", "option", "opens", "note"})
record BindingForm(
    String action,
    Gesture gesture,
    Optional<String> context,
    Optional<Version> since,
    Optional<Version> until,
    Optional<String> option,
    Optional<String> opens,
    Optional<String> note,
    Optional<String> id) {

  static BindingForm of(Binding b) {
    return new BindingForm(
        b.action(),
        b.gesture(),
        Optional.of(b.context()).filter(c -> !c.equals(Context.ANYWHERE.id())),
        b.when().since(),
        b.when().until(),
        b.when().option(),
        b.heldContext(),
        Optional.of(b.note()).filter(n -> !n.isEmpty()),
        Optional.of(b.id())
            .filter(i -> !i.equals(derivedId(b.context(), b.action(), b.gesture()))));
  }

  Binding binding() {
    String where = context.orElse(Context.ANYWHERE.id());
    return new Binding(
        id.orElseGet(() -> derivedId(where, action, gesture)),
        action,
        gesture,
        where,
        new Condition(since, until, option),
        opens,
        note.orElse(""));
  }

  private static String derivedId(String context, String action, Gesture gesture) {
    return context + ":" + action + ":" + gesture;
  }
}
