package polydex.setups;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import polydex.keys.Gesture;
import polydex.route.Setup;

/**
 * One line of a setup written out: a part of it, what is wrong there, and what can be done with it.
 * Whatever is done gives a whole setup.
 *
 * @param depth how far inside, 0 for the setup itself
 * @param label what the part is
 * @param value how it stands; may be empty
 * @param gesture the gesture that it is about, for drawing it
 * @param mistakes what is wrong there, as sentences
 * @param change another value
 * @param more one more of what the line is the heading of
 * @param without the setup without it
 * @param earlier the setup with it one place earlier among its like
 * @param later the setup with it one place later
 */
public record SetupLine(
    int depth,
    String label,
    String value,
    Optional<Gesture> gesture,
    List<String> mistakes,
    Optional<Edit> change,
    Optional<Edit> more,
    Optional<Setup> without,
    Optional<Setup> earlier,
    Optional<Setup> later) {

  /** How a value is given. */
  public sealed interface Edit {
    /** Nothing is asked: this is the setup. */
    record Done(Setup after) implements Edit {}

    /**
     * Words are asked for.
     *
     * @param now what the field begins with
     * @param hint what is expected, with an example
     * @param to gives the setup, or throws an IllegalArgumentException that says what is wrong
     */
    record Words(String now, String hint, Function<String, Setup> to) implements Edit {}

    /**
     * One of several is chosen.
     *
     * @param made makes them when they are asked for, since of most lines nobody asks
     */
    record Choice(Supplier<List<Option>> made) implements Edit {
      /** The choices. */
      public List<Option> options() {
        return made.get();
      }
    }
  }

  /**
   * A choice.
   *
   * @param next what it leads to
   */
  public record Option(String title, Edit next) {}

  /** A line that only says something. */
  static SetupLine of(int depth, String label, String value) {
    return new SetupLine(
        depth,
        label,
        value,
        Optional.empty(),
        List.of(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  SetupLine about(Gesture of) {
    return new SetupLine(
        depth, label, value, Optional.of(of), mistakes, change, more, without, earlier, later);
  }

  SetupLine wrong(List<String> sentences) {
    return new SetupLine(
        depth, label, value, gesture, sentences, change, more, without, earlier, later);
  }

  SetupLine changedBy(Edit edit) {
    return new SetupLine(
        depth, label, value, gesture, mistakes, Optional.of(edit), more, without, earlier, later);
  }

  SetupLine addingBy(Edit edit) {
    return new SetupLine(
        depth, label, value, gesture, mistakes, change, Optional.of(edit), without, earlier, later);
  }

  SetupLine removedBy(Setup setup) {
    return new SetupLine(
        depth, label, value, gesture, mistakes, change, more, Optional.of(setup), earlier, later);
  }

  /** The line of a member of a list, that can be taken out and moved in it. */
  <T> SetupLine memberOf(List<T> list, int at, Function<List<T>, Setup> put) {
    return new SetupLine(
        depth,
        label,
        value,
        gesture,
        mistakes,
        change,
        more,
        Optional.of(put.apply(Members.without(list, at))),
        at > 0 ? Optional.of(put.apply(Members.moved(list, at, -1))) : Optional.empty(),
        at < list.size() - 1
            ? Optional.of(put.apply(Members.moved(list, at, 1)))
            : Optional.empty());
  }
}
