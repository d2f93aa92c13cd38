package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;
import polydex.keys.KeyLanguage;

/**
 * What a cell of gestures says: one gesture or several that do the same, perhaps each on a system
 * of its own, with what stands in brackets as a condition or a note.
 *
 * @param alternatives at least one
 * @param since the first version that has them, where brackets say so
 * @param until the first version that no longer has them
 * @param unread parts that are no gestures, beside others that are
 * @param rules by which it was read, where it is more than a plain gesture
 */
public record GestureCell(
    List<Alternative> alternatives,
    Optional<Version> since,
    Optional<Version> until,
    List<String> unread,
    Set<CellRule> rules) {

  /**
   * One of the gestures of a cell.
   *
   * @param system where it holds, as the list calls it; empty for everywhere
   * @param note what else was said of it; may be empty
   */
  public record Alternative(Gesture gesture, String system, String note) {}

  /** What came of reading a cell. */
  public sealed interface Result {}

  /** It holds gestures. */
  public record Read(GestureCell cell) implements Result {}

  /** It says that there is no gesture. */
  public record Nothing() implements Result {}

  /**
   * It can mean two things, and the list does not tell which.
   *
   * @param choice what has to be said
   * @param why a sentence
   */
  public record Unclear(ReadingChoice choice, String why) implements Result {}

  /**
   * It is no gesture.
   *
   * @param why a sentence
   */
  public record Unreadable(String why) implements Result {}

  private static final CellReader LIKELY =
      new CellReader(GestureReader.PLAIN, Dialect.lenient(KeyLanguage.ENGLISH));

  /** Copies the collections. */
  public GestureCell {
    alternatives = List.copyOf(alternatives);
    unread = List.copyOf(unread);
    rules = rules.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(rules));
  }

  /** A plain gesture and nothing else. */
  static GestureCell of(Gesture gesture) {
    return new GestureCell(
        List.of(new Alternative(gesture, "", "")),
        Optional.empty(),
        Optional.empty(),
        List.of(),
        Set.of());
  }

  /** The gestures, whatever system they are for. */
  public List<Gesture> gestures() {
    return alternatives.stream().map(Alternative::gesture).distinct().toList();
  }

  /** All that was said besides. */
  public String note() {
    return String.join(
        "; ",
        alternatives.stream().map(Alternative::note).filter(n -> !n.isEmpty()).distinct().toList());
  }

  /** What a cell may say, where the list as a whole is not known yet; empty where nothing. */
  public static List<Gesture> likely(String cell) {
    return LIKELY.read(cell) instanceof Read(GestureCell read) ? read.gestures() : List.of();
  }

  /**
   * Reads a cell that stands alone. O(n) in its length.
   *
   * @throws GestureSyntaxException where it is no gesture, or can mean two things
   */
  public static GestureCell read(String cell, GestureReader reader) {
    return switch (new CellReader(reader, Dialect.PLAIN).read(cell)) {
      case Read(GestureCell read) -> read;
      case Nothing _ -> throw new GestureSyntaxException(cell, 1, worded("any.a-gesture"));
      case Unclear(ReadingChoice _, String why) ->
          throw new GestureSyntaxException(cell, 1, worded("intake.one-meaning", why));
      case Unreadable _ -> {
        reader.read(cell); // says what is wrong with it, and where
        throw new GestureSyntaxException(cell, 1, worded("any.a-gesture"));
      }
    };
  }
}
