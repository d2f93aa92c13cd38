package polydex.catalog;

import java.util.Optional;
import java.util.Set;
import polydex.keys.Gesture;
import polydex.keys.Visible;

/**
 * A gesture that does an action, in a context of a keymap.
 *
 * @param id unique in its keymap and stable
 * @param action the id of what it does
 * @param gesture what is pressed; may be a family, whose members all do the action
 * @param context the id of where it holds
 * @param when the conditions under which it exists
 * @param heldContext the context whose bindings the further steps of a hold go to
 * @param remarks what else to know
 */
public record Binding(
    String id,
    ActionId action,
    Gesture gesture,
    String context,
    Condition when,
    Optional<String> heldContext,
    Remarks remarks) {

  /**
   * What is said of a binding besides what it does.
   *
   * @param note what else to know; may be empty
   * @param caveat what can go wrong with it; may be empty
   * @param hook how its user remembers it; may be empty
   * @param fixed whether it can't be switched off, although it is built in
   */
  public record Remarks(String note, String caveat, String hook, boolean fixed) {
    /** Nothing in them acts on who shows them. */
    public Remarks {
      note = Visible.of(note);
      caveat = Visible.of(caveat);
      hook = Visible.of(hook);
    }

    /** Nothing. */
    public static final Remarks NONE = new Remarks("", "", "", false);
  }

  /**
   * When a binding exists.
   *
   * @param since the first version that has it
   * @param until the first version that no longer has it
   * @param option a setting that must be on
   * @param device what must be there besides a keyboard, in words
   */
  public record Condition(
      Optional<Version> since,
      Optional<Version> until,
      Optional<String> option,
      Optional<String> device) {
    /** It always does. */
    public static final Condition ALWAYS =
        new Condition(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    /** Whether it does in a version with these options on. */
    public boolean holds(Version version, Set<String> options) {
      return since.stream().allMatch(s -> version.compareTo(s) >= 0)
          && until.stream().allMatch(u -> version.compareTo(u) < 0)
          && option.stream().allMatch(options::contains);
    }
  }

  /** A binding that always exists, anywhere. */
  public static Binding of(String id, ActionId action, Gesture gesture) {
    return of(id, action, gesture, Context.ANYWHERE.id());
  }

  /** A binding that always exists, in a context. */
  public static Binding of(String id, ActionId action, Gesture gesture, String context) {
    return new Binding(
        id, action, gesture, context, Condition.ALWAYS, Optional.empty(), Remarks.NONE);
  }

  /** The same for another action. */
  public Binding doing(ActionId other) {
    return new Binding(id, other, gesture, context, when, heldContext, remarks);
  }

  /** The same in another context. */
  public Binding in(String other) {
    return new Binding(id, action, gesture, other, when, heldContext, remarks);
  }

  /** The same under other conditions. */
  public Binding when(Condition other) {
    return new Binding(id, action, gesture, context, other, heldContext, remarks);
  }

  /** The same whose held modifiers open another context, or none. */
  public Binding opening(Optional<String> other) {
    return new Binding(id, action, gesture, context, when, other, remarks);
  }

  /** The same with something else said of it. */
  public Binding remarked(Remarks other) {
    return new Binding(id, action, gesture, context, when, heldContext, other);
  }

  /** The same with another gesture and another id. */
  public Binding with(String newId, Gesture other) {
    return new Binding(newId, action, other, context, when, heldContext, remarks);
  }
}
