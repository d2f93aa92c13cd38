package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import polydex.catalog.Version;
import polydex.intake.GestureCell.Alternative;
import polydex.intake.GestureCell.Nothing;
import polydex.intake.GestureCell.Read;
import polydex.intake.GestureCell.Result;
import polydex.intake.GestureCell.Unclear;
import polydex.intake.GestureCell.Unreadable;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;
import polydex.keys.Step;

/**
 * Reads a cell by trying what its commas, slashes, brackets and words can mean, and takes the
 * reading in which every part is a gesture. Where two are left, the list as a whole decides ({@link
 * Dialect}), and where that does not, it is asked. O(n) in the length of the cell for each of a
 * fixed number of readings.
 */
final class CellReader {
  /** The longest cell, in characters. */
  private static final int LONGEST = 2000;

  private static final Set<String> JOINING = Set.of("and", "or", "the", "and the", "or the");
  private static final int MOST_PARTS = 64;
  private static final Pattern AND = Pattern.compile("(?<=\\S)\\s+(?:and|&)\\s+");
  private static final Pattern LAST_WORD = Pattern.compile("(?s)^.*[\\n,;/+]\\s*(?=\\S)");

  private static final int MOST_JOINED = 16;

  private final Dialect dialect;
  private final OneGesture gesture;
  private final SideBySide systems;
  private final Slashes slashes;

  /** A cell that is being read. */
  private static final class Cell {
    final List<Alternative> alternatives = new ArrayList<>();
    final List<String> unread = new ArrayList<>();
    final Set<CellRule> rules = EnumSet.noneOf(CellRule.class);
    List<String> said = List.of();
    boolean either;
    Optional<Version> since = Optional.empty();
    Optional<Version> until = Optional.empty();
    Optional<GestureSyntaxException> refusal = Optional.empty();
  }

  /**
   * A reader of cells.
   *
   * @param plain the reader of their environment's gestures
   */
  CellReader(GestureReader plain, Dialect dialect) {
    this.dialect = dialect;
    gesture = new OneGesture(plain, dialect);
    systems = new SideBySide(gesture, dialect.systems());
    slashes = new Slashes(gesture, dialect);
  }

  Result read(String text) {
    if (text.length() > LONGEST) {
      return new Unreadable(worded("intake.a-cell-of-gestures-has-at"));
    }
    if (dialect.isNothing(text)) {
      return new Nothing();
    }
    if (text.indexOf(ListTable.BESIDE) >= 0) {
      return read(besides(text));
    }
    try {
      return text.indexOf(ListTable.IN_ARRAY) >= 0 ? array(text) : plain(text);
    } catch (Asked e) {
      return e.unclear();
    }
  }

  private Result plain(String text) {
    boolean one =
        CellScanner.commas(text).size() == 1
            && CellScanner.footnote(text) == text.length()
            && CellScanner.alternatives(text, orWords()).size() == 1;
    Optional<Gesture> whole = one ? gesture.of(text) : Optional.empty();
    if (whole.isPresent()) {
      return single(text, whole.get());
    }
    Cell cell = new Cell();
    parts(text, cell);
    return made(cell);
  }

  private static Result made(Cell cell) {
    if (cell.alternatives.isEmpty()) {
      return new Unreadable(
          cell.refusal
              .map(Throwable::getMessage)
              .orElse(worded("intake.no-gesture-is-written-here")));
    }
    if (!cell.unread.isEmpty()) {
      if (cell.alternatives.stream().noneMatch(a -> Dialect.isFull(a.gesture()))) {
        // A letter among words that are no gestures is one of those words.
        return new Unreadable(cell.refusal.map(Throwable::getMessage).orElseThrow());
      }
      cell.rules.add(CellRule.PARTLY);
    }
    return new Read(
        new GestureCell(
            distinct(cell.alternatives), cell.since, cell.until, cell.unread, cell.rules));
  }

  /** Keys side by side: a modifier goes with what follows, other strokes are put apart. */
  private String besides(String text) {
    String[] parts = text.split(String.valueOf(ListTable.BESIDE), MOST_PARTS);
    StringBuilder all = new StringBuilder(parts[0]);
    for (int i = 1; i < parts.length; i++) {
      String before = LAST_WORD.matcher(parts[i - 1]).replaceAll("");
      all.append(gesture.isModifier(before) ? "+" : ", ").append(parts[i]);
    }
    return all.toString();
  }

  /** The texts of an array: a stroke in pieces, one after the other, or ways to do the same. */
  private Result array(String text) {
    List<String> parts =
        List.of(text.split(String.valueOf(ListTable.IN_ARRAY))).stream()
            .map(String::strip)
            .filter(p -> !dialect.isNothing(p))
            .toList();
    if (parts.isEmpty()) {
      return new Nothing();
    }
    if (parts.size() == 1) {
      return read(parts.getFirst());
    }
    boolean pieces =
        parts.subList(0, parts.size() - 1).stream().allMatch(gesture::isModifier)
            && !gesture.isModifier(parts.getLast());
    if (pieces) {
      return withRule(plain(String.join("+", parts)), CellRule.ARRAY);
    }
    List<Optional<Gesture>> each = gesture.each(parts);
    boolean sequence =
        dialect.is(ReadingChoice.ARRAYS, "sequence") && each.stream().allMatch(Optional::isPresent);
    if (sequence) {
      List<Step> steps = each.stream().flatMap(g -> g.orElseThrow().steps().stream()).toList();
      return steps.size() > Gesture.MOST_STEPS
          ? new Unreadable(worded("intake.a-gesture-has-at-most-steps", Gesture.MOST_STEPS))
          : withRule(new Read(GestureCell.of(new Gesture(steps))), CellRule.ARRAY);
    }
    Cell cell = new Cell();
    parts.forEach(part -> parts(part, cell));
    cell.rules.add(CellRule.ARRAY);
    return made(cell);
  }

  private static Result withRule(Result result, CellRule rule) {
    if (!(result instanceof Read(GestureCell cell))) {
      return result;
    }
    Set<CellRule> rules = EnumSet.of(rule);
    rules.addAll(cell.rules());
    return new Read(
        new GestureCell(cell.alternatives(), cell.since(), cell.until(), cell.unread(), rules));
  }

  private Result single(String text, Gesture whole) {
    boolean bare = !Dialect.isFull(whole) && whole.steps().size() == 1;
    boolean tap = bare && whole.steps().getFirst() instanceof Step.Tap;
    boolean digit = bare && Character.isDigit(text.strip().codePointAt(0));
    boolean known =
        dialect.is(ReadingChoice.SINGLES, "key")
            || (!digit && dialect.is(ReadingChoice.SINGLES, "letters"));
    if (bare && !tap && !known) {
      return new Unclear(
          ReadingChoice.SINGLES, worded("intake.by-itself-is-a-key-in", text.strip()));
    }
    Read read = new Read(GestureCell.of(whole));
    return whole.isFamily() && !text.contains("{") ? withRule(read, CellRule.RANGE) : read;
  }

  private static List<Alternative> distinct(List<Alternative> all) {
    return List.copyOf(new LinkedHashSet<>(all));
  }

  // ---- parts

  private void parts(String text, Cell cell) {
    CellScanner.Bracketed bracketed = CellScanner.brackets(text);
    cell.said = bracketed.said();
    List<String> parts = rejoined(CellScanner.alternatives(bracketed.rest(), orWords()));
    List<List<String>> labelled = systems.labelled(parts);
    if (!labelled.isEmpty()) {
      cell.rules.add(CellRule.SYSTEMS);
      labelled.forEach(l -> one(l.get(1), l.getFirst(), cell));
      return;
    }
    boolean bySystem = systems.are(parts, cell.said);
    cell.either = parts.size() > 1; // "F5, Ctrl+R, or F9"
    for (String part : parts) {
      if (!part.isBlank() && cell.alternatives.size() < MOST_PARTS) {
        one(part, bySystem ? systems.ctrlOrMeta(part) : "", cell);
      }
    }
  }

  private Set<String> orWords() {
    return dialect.language().orWords();
  }

  /**
   * {@code Ctrl / Cmd + S} was no pair of alternatives: a modifier alone goes on behind the slash.
   */
  private List<String> rejoined(List<String> parts) {
    List<String> all = new ArrayList<>();
    for (String part : parts) {
      if (JOINING.contains(part.strip().toLowerCase(Locale.ROOT))) {
        continue; // a line with nothing but "and" in it
      }
      boolean bare = !all.isEmpty() && gesture.isModifier(all.getLast());
      if (bare && part.strip().length() > 1 && startsWithModifier(part)) {
        all.set(all.size() - 1, all.getLast().strip() + "/" + part.strip());
      } else {
        all.add(part);
      }
    }
    return all;
  }

  private boolean startsWithModifier(String text) {
    return gesture.isModifier(Slashes.PLUS.split(text.strip(), 2)[0]);
  }

  // ---- one part

  private void one(String marked, String system, Cell cell) {
    Steps.take(marked.length());
    List<String> commas = CellScanner.commas(marked);
    if (commas.size() > 1
        && commas.size() < MOST_PARTS
        && readCommas(marked, commas, system, cell)) {
      return;
    }
    String text = CellScanner.unmarked(marked).strip();
    List<String> said = remarks(marked, cell);
    String where = system;
    if (!system.isEmpty()) {
      cell.rules.add(CellRule.SYSTEMS);
      where = !said.isEmpty() && systems.isSystem(said.getFirst()) ? said.removeFirst() : system;
    }
    String note = String.join("; ", said);
    if (!note.isEmpty()) {
      cell.rules.add(CellRule.NOTE);
    }
    Optional<Gesture> read = footnoted(text, cell);
    if (read.isPresent()) {
      add(read.get(), where, note, text, cell);
    } else if (Slashes.has(text)) {
      slashed(text, where, note, cell);
    } else {
      joinedByAnd(text, where, note, cell);
    }
  }

  private void slashed(String text, String system, String note, Cell cell) {
    Optional<Slashes.Meant> meant = slashes.of(text);
    if (meant.isEmpty()) {
      refuse(text, cell);
      return;
    }
    if (meant.get().shared()) {
      cell.rules.add(CellRule.SHARED);
    }
    List<Gesture> read = meant.get().gestures();
    boolean pair =
        system.isEmpty() && read.size() == 2 && SideBySide.isPair(read.getFirst(), read.getLast());
    if (pair) {
      cell.rules.add(CellRule.SYSTEMS);
    }
    for (Gesture one : read) {
      add(one, pair ? SideBySide.ctrlOrMeta(one) : system, note, text, cell);
    }
  }

  private static void add(Gesture read, String system, String note, String text, Cell cell) {
    if (read.isFamily() && !text.contains("{")) {
      cell.rules.add(CellRule.RANGE);
    }
    cell.alternatives.add(new Alternative(read, system, note));
  }

  private List<String> remarks(String marked, Cell cell) {
    List<String> notes = new ArrayList<>();
    for (int mark : CellScanner.marks(marked)) {
      String said = cell.said.get(mark);
      Optional<VersionRemark> version = VersionRemark.of(said);
      if (version.isEmpty()) {
        if (!said.isBlank()) {
          notes.add(said.strip());
        }
      } else if (version.get().isLast()) {
        cell.until = version.get().version();
      } else {
        cell.since = version.get().version();
      }
    }
    return notes;
  }

  /**
   * A star after a letter may be the key of that name: only a mark that leaves a gesture is one.
   */
  private Optional<Gesture> footnoted(String text, Cell cell) {
    int mark = CellScanner.footnote(text);
    if (mark < text.length()) {
      Optional<Gesture> without = gesture.of(text.substring(0, mark));
      if (without.isPresent()) {
        cell.rules.add(CellRule.FOOTNOTE);
        return without;
      }
    }
    return gesture.of(text);
  }

  /** Commas that part: alternatives, or one stroke after the other, as the list has it. */
  private boolean readCommas(String marked, List<String> parts, String system, Cell cell) {
    if (isRange(parts)) {
      String range =
          CellScanner.unmarked(parts.getFirst()) + " to " + CellScanner.unmarked(parts.getLast());
      Optional<Gesture> family = gesture.of(range);
      if (family.isPresent()) {
        add(family.get(), system, "", range, cell);
        return true;
      }
    }
    List<String> plain = parts.stream().map(CellScanner::unmarked).toList();
    boolean own = parts.stream().filter(p -> CellScanner.mark(p) >= 0).count() > 1;
    boolean pair = systems.isPair(plain);
    List<Optional<Gesture>> read = gesture.each(plain);
    boolean all = read.stream().allMatch(Optional::isPresent);
    Optional<Gesture> whole =
        own || pair ? Optional.empty() : gesture.of(CellScanner.unmarked(marked));
    boolean either = own || pair || whole.isEmpty();
    if (!either && all) {
      either = isEither(CellScanner.unmarked(marked), plain, read, cell.either);
    }
    if (!either) {
      cell.rules.add(CellRule.SEQUENCE);
      return false;
    }
    if (read.stream().noneMatch(Optional::isPresent)) {
      return false;
    }
    if (!pair) {
      cell.rules.add(CellRule.EITHER);
    }
    boolean bySystem = pair || systems.are(parts, cell.said);
    for (String part : parts) {
      one(part, bySystem ? systems.ctrlOrMeta(part) : system, cell);
    }
    return true;
  }

  /**
   * Whether commas part alternatives. A tap, or a stroke with modifiers and bare keys behind it, is
   * the beginning of a sequence wherever the list does not say otherwise.
   */
  private boolean isEither(
      String text, List<String> parts, List<Optional<Gesture>> read, boolean listed) {
    Gesture first = read.getFirst().orElseThrow();
    boolean opens =
        first.steps().getFirst() instanceof Step.Tap
            || (first.modifierPresses() > 0
                && read.stream().skip(1).noneMatch(g -> Dialect.isFull(g.orElseThrow())));
    boolean either = listed || dialect.is(ReadingChoice.COMMAS, "either");
    if (either && !opens) {
      return true;
    }
    if (dialect.is(ReadingChoice.COMMAS, "sequence") || (opens && !either)) {
      return false;
    }
    throw new Asked(
        ReadingChoice.COMMAS,
        worded(
            "intake.may-be-and-then-or-either",
            text.strip(),
            parts.getFirst().strip(),
            parts.getLast().strip()));
  }

  private static boolean isRange(List<String> parts) {
    return parts.size() > 2 && parts.get(parts.size() - 2).strip().matches("\\.\\.\\.?|…|etc\\.?");
  }

  /** "Left and Right", where both are gestures; or a gesture with the full stop of a sentence. */
  private void joinedByAnd(String text, String system, String note, Cell cell) {
    List<String> parts = List.of(AND.split(text, MOST_JOINED));
    if (parts.size() > 1 && parts.stream().allMatch(p -> gesture.of(p).isPresent())) {
      cell.rules.add(CellRule.EITHER);
      parts.forEach(p -> add(gesture.of(p).orElseThrow(), system, note, p, cell));
      return;
    }
    Optional<Gesture> stopped =
        text.length() > 2 && text.endsWith(".")
            ? gesture.of(text.substring(0, text.length() - 1))
            : Optional.empty();
    if (stopped.isPresent()) {
      add(stopped.get(), system, note, text, cell);
    } else {
      refuse(text, cell);
    }
  }

  private void refuse(String text, Cell cell) {
    cell.unread.add(text);
    cell.refusal = cell.refusal.or(() -> gesture.refusal(text));
  }
}
