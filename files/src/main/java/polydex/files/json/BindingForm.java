package polydex.files.json;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import polydex.catalog.ActionId;
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
 * @param caveat what can go wrong
 * @param hook how its user remembers it
 * @param fixed whether it can't be switched off
 * @param device what must be there besides a keyboard
 * @param id stable; made from the rest if left out
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
@JsonPropertyOrder({
  "action", "gesture", "context", "since", "until", "option", "opens", "note", "caveat", "hook",
  "fixed", "device"
})
record BindingForm(
    String action,
    Gesture gesture,
    Optional<String> context,
    Optional<Version> since,
    Optional<Version> until,
    Optional<String> option,
    Optional<String> opens,
    Optional<String> note,
    Optional<String> caveat,
    Optional<String> hook,
    Optional<Boolean> fixed,
    Optional<String> device,
    Optional<String> id) {

  static BindingForm of(Binding b) {
    return new BindingForm(
        b.action().value(),
        b.gesture(),
        Optional.of(b.context()).filter(c -> !c.equals(Context.ANYWHERE.id())),
        b.when().since(),
        b.when().until(),
        b.when().option(),
        b.heldContext(),
        said(b.remarks().note()),
        said(b.remarks().caveat()),
        said(b.remarks().hook()),
        Optional.of(b.remarks().fixed()).filter(f -> f),
        b.when().device(),
        Optional.of(b.id())
            .filter(i -> !i.equals(derivedId(b.context(), b.action().value(), b.gesture()))));
  }

  Binding binding() {
    String where = context.orElse(Context.ANYWHERE.id());
    return new Binding(
        id.orElseGet(() -> derivedId(where, action, gesture)),
        new ActionId(action),
        gesture,
        where,
        new Condition(since, until, option, device),
        opens,
        remarks());
  }

  private Binding.Remarks remarks() {
    return note.isEmpty() && caveat.isEmpty() && hook.isEmpty() && fixed.isEmpty()
        ? Binding.Remarks.NONE
        : new Binding.Remarks(
            note.orElse(""), caveat.orElse(""), hook.orElse(""), fixed.orElse(false));
  }

  private static Optional<String> said(String text) {
    return Optional.of(text).filter(t -> !t.isEmpty());
  }

  private static String derivedId(String context, String action, Gesture gesture) {
    return context + ":" + action + ":" + gesture;
  }
}
