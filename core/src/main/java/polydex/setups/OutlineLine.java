package polydex.setups;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import polydex.keys.Gesture;

/**
 * One line of something written out: a part of it, what is wrong there, and what can be done with
 * it. Whatever is done gives the whole, with that part changed.
 *
 * @param sort what the line is, whatever it is called
 * @param depth how far inside, 0 for the whole itself
 * @param label what the part is
 * @param value how it stands; may be empty
 * @param gesture the gesture that it is about, for drawing it
 * @param mistakes what is wrong there, as sentences
 * @param change another value
 * @param more one more of what the line is the heading of
 * @param without the whole without it
 * @param earlier the whole with it one place earlier among its like
 * @param later the whole with it one place later
 * @param <R> what is written out
 */
public record OutlineLine<R>(
    Sort sort,
    int depth,
    String label,
    String value,
    Optional<Gesture> gesture,
    List<String> mistakes,
    Optional<Edit<R>> change,
    Optional<Edit<R>> more,
    Optional<R> without,
    Optional<R> earlier,
    Optional<R> later) {

  /** What a line is. */
  public enum Sort {
    /** What the whole is called. */
    NAME,

    /** The first of a machine's lines. */
    MACHINE,

    /** Anything else. */
    PART
  }

  /** How a value is given. */
  public sealed interface Edit<R> {
    /**
     * Nothing is asked.
     *
     * @param made makes the whole when it is asked for, since of many choices one is made
     */
    record Done<R>(Supplier<R> made) implements Edit<R> {
      /**
       * The whole.
       *
       * @throws IllegalArgumentException where it can't be so, with a sentence
       */
      public R after() {
        return made.get();
      }
    }

    /**
     * Words are asked for.
     *
     * @param now what the field begins with
     * @param hint what is expected, with an example
     * @param to gives the whole, or throws an IllegalArgumentException that says what is wrong
     */
    record Words<R>(String now, String hint, Function<String, R> to) implements Edit<R> {}

    /**
     * One of several is chosen.
     *
     * @param made makes them when they are asked for, since of most lines nobody asks
     */
    record Choice<R>(Supplier<List<Option<R>>> made) implements Edit<R> {
      /** The choices. */
      public List<Option<R>> options() {
        return made.get();
      }
    }
  }

  /**
   * A choice.
   *
   * @param next what it leads to
   */
  public record Option<R>(String title, Edit<R> next) {}

  /** A line that only says something. */
  public static <R> OutlineLine<R> of(int depth, String label, String value) {
    return new OutlineLine<>(
        Sort.PART,
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

  /** The same as a line of another sort. */
  public OutlineLine<R> as(Sort other) {
    return new OutlineLine<>(
        other, depth, label, value, gesture, mistakes, change, more, without, earlier, later);
  }

  public OutlineLine<R> about(Gesture of) {
    return new OutlineLine<>(
        sort,
        depth,
        label,
        value,
        Optional.of(of),
        mistakes,
        change,
        more,
        without,
        earlier,
        later);
  }

  public OutlineLine<R> wrong(List<String> sentences) {
    return new OutlineLine<>(
        sort, depth, label, value, gesture, sentences, change, more, without, earlier, later);
  }

  public OutlineLine<R> changedBy(Edit<R> edit) {
    return new OutlineLine<>(
        sort,
        depth,
        label,
        value,
        gesture,
        mistakes,
        Optional.of(edit),
        more,
        without,
        earlier,
        later);
  }

  public OutlineLine<R> addingBy(Edit<R> edit) {
    return new OutlineLine<>(
        sort,
        depth,
        label,
        value,
        gesture,
        mistakes,
        change,
        Optional.of(edit),
        without,
        earlier,
        later);
  }

  public OutlineLine<R> removedBy(R whole) {
    return new OutlineLine<>(
        sort,
        depth,
        label,
        value,
        gesture,
        mistakes,
        change,
        more,
        Optional.of(whole),
        earlier,
        later);
  }

  /** The line of a member of a list, that can be taken out and moved in it. */
  public <T> OutlineLine<R> memberOf(List<T> list, int at, Function<List<T>, R> put) {
    return new OutlineLine<>(
        sort,
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
