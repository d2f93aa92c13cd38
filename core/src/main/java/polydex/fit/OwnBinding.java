package polydex.fit;

import static polydex.language.CoreWords.worded;

import java.time.LocalDate;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.keys.Gesture;
import polydex.route.Situation.Computer;

/**
 * A binding of the user's own, from the plan to its end.
 *
 * @param id unique, and that of its binding on the computer once it is there
 * @param computer whose desktop has it
 * @param action the id of what it does
 * @param gesture what is pressed
 * @param target what it is for; none where nobody said
 * @param state how far it has come
 * @param since the day on which it came so far
 * @param seen what its gesture met on its way when it was verified; empty before
 */
public record OwnBinding(
    String id,
    Computer computer,
    ActionId action,
    Gesture gesture,
    Optional<Target> target,
    State state,
    LocalDate since,
    String seen) {

  /** How far a binding of one's own has come. */
  public enum State {
    /** Thought out, and not on the computer yet. */
    PLANNED(worded("fit.planned")),
    /** On the computer, as the user says. */
    APPLIED(worded("fit.applied")),
    /** Pressed, and it did it. */
    VERIFIED(worded("fit.verified")),
    /** Still there, to be taken away. */
    TO_BE_REMOVED(worded("fit.to-be-removed"));

    private final String word;

    State(String word) {
      this.word = word;
    }

    /** As people say it. */
    public String word() {
      return word;
    }
  }

  /** One that is planned. */
  public static OwnBinding planned(
      String id,
      Computer computer,
      ActionId action,
      Gesture gesture,
      Optional<Target> target,
      LocalDate day) {
    return new OwnBinding(id, computer, action, gesture, target, State.PLANNED, day, "");
  }

  /** The same so far on. */
  public OwnBinding in(State other, LocalDate day) {
    return new OwnBinding(id, computer, action, gesture, target, other, day, "");
  }

  /** The same verified, by what its gesture meets now. */
  public OwnBinding verified(LocalDate day, String meets) {
    return new OwnBinding(id, computer, action, gesture, target, State.VERIFIED, day, meets);
  }

  /** The same for something said about it. */
  public OwnBinding meaning(Optional<Target> other) {
    return new OwnBinding(id, computer, action, gesture, other, state, since, seen);
  }

  /** The same on another gesture, planned anew. */
  public OwnBinding on(Gesture other, LocalDate day) {
    return new OwnBinding(id, computer, action, other, target, State.PLANNED, day, "");
  }

  /** The same for another action. */
  public OwnBinding doing(ActionId other) {
    return new OwnBinding(id, computer, other, gesture, target, state, since, seen);
  }

  /** Whether it is on the computer. */
  public boolean onComputer() {
    return state != State.PLANNED;
  }

  /** As the computer has it. */
  public Binding binding() {
    return Binding.of(id, action, gesture);
  }
}
