package polydex.intake;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
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
import polydex.keys.Held;
import polydex.keys.KeyRef;
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
  private static final int MOST_SPREAD = 16;
  private static final Pattern COMMA = Pattern.compile("(?<=\\S),\\s+(?=\\S)");
  private static final Pattern LABEL =
      Pattern.compile(
          "(?:^|(?<=[\\s,;/|]))(\\p{L}[\\p{L}\\p{N}./&-]{0,24}(?: \\p{L}[\\p{L}\\p{N}./&-]{0,16})?):\\s+(?=\\S)");
  private static final Pattern SEPARATOR_END = Pattern.compile("[\\s,;/|]+$");
  private static final Pattern AND = Pattern.compile("(?<=\\S)\\s+(?:and|&)\\s+");
  private static final Pattern LAST_WORD = Pattern.compile("(?s)^.*[\\n,;/+]\\s*(?=\\S)");
  private static final Pattern PLUS = Pattern.compile("(?<=[^+\\s])\\s*\\+\\s*(?=\\S)");

  private final GestureReader reader;
  private final Dialect dialect;

  /** What cannot be told. */
  private static final class Asked extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final transient Unclear unclear;

    Asked(ReadingChoice choice, String why) {
      super(why, null, false, false);
      unclear = new Unclear(choice, why);
    }
  }

  /** A cell that is being read. */
  private static final class Cell {
    final List<Alternative> alternatives = new ArrayList<>();
    final List<String> unread = new ArrayList<>();
    final Set<CellRule> rules = EnumSet.noneOf(CellRule.class);
    final List<String> said = new ArrayList<>();
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
    this.reader = dialect.reader(plain);
    this.dialect = dialect;
  }

  Result read(String text) {
    if (text.length() > LONGEST) {
      return new Unreadable("A cell of gestures has at most 2000 characters.");
    }
    if (dialect.isNothing(text)) {
      return new Nothing();
    }
    if (text.indexOf(ListTable.IN_ARRAY) >= 0) {
      return array(text);
    }
    if (text.indexOf(ListTable.BESIDE) >= 0) {
      return read(besides(text));
    }
    boolean one =
        !COMMA.matcher(text).find()
            && CellScanner.footnote(text) == text.length()
            && CellScanner.alternatives(text, orWords()).size() == 1;
    Optional<Gesture> whole = one ? whole(text) : Optional.empty();
    if (whole.isPresent()) {
      return single(text, whole.get());
    }
    Cell cell = new Cell();
    try {
      parts(text, cell);
    } catch (Asked e) {
      return e.unclear;
    }
    return made(cell);
  }

  private static Result made(Cell cell) {
    if (cell.alternatives.isEmpty()) {
      return new Unreadable(
          cell.refusal.map(Throwable::getMessage).orElse("No gesture is written here."));
    }
    if (!cell.unread.isEmpty()) {
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
      all.append(isModifier(before) ? "+" : ", ").append(parts[i]);
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
    boolean pieces = parts.subList(0, parts.size() - 1).stream().allMatch(this::isModifier);
    if (pieces && !isModifier(parts.getLast())) {
      return withRule(read(String.join("+", parts)), CellRule.ARRAY);
    }
    Cell cell = new Cell();
    List<Gesture> read = new ArrayList<>();
    for (String part : parts) {
      Optional<Gesture> gesture = whole(part);
      if (gesture.isPresent()) {
        read.add(gesture.get());
        add(gesture.get(), "", "", part, cell);
      } else {
        refuse(part, cell);
      }
    }
    cell.rules.add(CellRule.ARRAY);
    if (dialect.is(ReadingChoice.ARRAYS, "sequence") && cell.unread.isEmpty()) {
      List<Step> steps = read.stream().flatMap(g -> g.steps().stream()).toList();
      if (steps.size() <= Gesture.MOST_STEPS) {
        cell.alternatives.clear();
        add(new Gesture(steps), "", "", text, cell);
      }
    }
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
          ReadingChoice.SINGLES,
          "“%s” by itself is a key in some lists only.".formatted(text.strip()));
    }
    if (whole.isFamily() && !text.contains("{")) {
      GestureCell plain = GestureCell.of(whole);
      return new Read(
          new GestureCell(
              plain.alternatives(),
              Optional.empty(),
              Optional.empty(),
              List.of(),
              Set.of(CellRule.RANGE)));
    }
    return new Read(GestureCell.of(whole));
  }

  private Optional<Gesture> whole(String text) {
    Steps.take(text.length());
    boolean spaced = dialect.spaced() && text.indexOf('+') < 0 && text.strip().indexOf(' ') > 0;
    Optional<Gesture> stroke = spaced ? spaced(text) : Optional.empty();
    if (stroke.isPresent()) {
      return stroke;
    }
    try {
      return Optional.of(reader.read(text).gesture());
    } catch (GestureSyntaxException _) {
      return Optional.empty();
    }
  }

  /** "Alt 1" in a list that writes "Ctrl 1", too. */
  private Optional<Gesture> spaced(String text) {
    try {
      return Optional.of(reader.read(text.strip().replaceAll("\\s+", "+")).gesture());
    } catch (GestureSyntaxException _) {
      return Optional.empty();
    }
  }

  private static List<Alternative> distinct(List<Alternative> all) {
    return List.copyOf(new LinkedHashSet<>(all));
  }

  // ---- parts

  private void parts(String text, Cell cell) {
    CellScanner.Bracketed bracketed = CellScanner.brackets(text);
    cell.said.addAll(bracketed.said());
    List<String> parts = rejoined(CellScanner.alternatives(bracketed.rest(), orWords()));
    List<List<String>> labelled = labelled(parts);
    if (!labelled.isEmpty()) {
      cell.rules.add(CellRule.SYSTEMS);
      labelled.forEach(l -> one(l.get(1), l.getFirst(), cell));
      return;
    }
    boolean bySystem = areSystems(parts, cell);
    cell.either = parts.size() > 1; // "F5, Ctrl+R, or F9"
    for (String part : parts) {
      if (!part.isBlank() && cell.alternatives.size() < MOST_PARTS) {
        one(part, bySystem ? ctrlOrMeta(part) : "", cell);
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
      boolean bare = !all.isEmpty() && isModifier(all.getLast());
      if (bare && part.strip().length() > 1 && startsWithModifier(part)) {
        all.set(all.size() - 1, all.getLast().strip() + "/" + part.strip());
      } else {
        all.add(part);
      }
    }
    return all;
  }

  private boolean isModifier(String text) {
    return text.length() < 24
        && whole(text)
            .filter(
                g ->
                    g.steps().size() == 1
                        && g.steps().getFirst() instanceof Step.Tap(var _, int times)
                        && times == 1)
            .isPresent();
  }

  private boolean startsWithModifier(String text) {
    return isModifier(PLUS.split(text.strip(), 2)[0]);
  }

  /** "Label: gesture" for every part, with two labels at least; empty where it is not so. */
  private List<List<String>> labelled(List<String> parts) {
    List<List<String>> all = new ArrayList<>();
    for (String part : parts) {
      Matcher label = LABEL.matcher(part);
      int from = -1;
      String name = "";
      while (label.find()) {
        if (from < 0 && !part.substring(0, label.start()).isBlank()) {
          return List.of();
        }
        if (from >= 0) {
          all.add(List.of(name, before(part.substring(from, label.start()))));
        }
        name = label.group(1);
        from = label.end();
      }
      if (from < 0) {
        return List.of();
      }
      all.add(List.of(name, before(part.substring(from))));
    }
    long names = all.stream().map(List::getFirst).distinct().count();
    boolean read = all.stream().allMatch(l -> whole(CellScanner.unmarked(l.get(1))).isPresent());
    return names > 1 && names == all.size() && read ? all : List.of();
  }

  private static String before(String text) {
    return SEPARATOR_END.matcher(text).replaceAll("");
  }

  /**
   * Whether the parts are one stroke with Ctrl here and Meta there, or have brackets for systems.
   */
  private boolean areSystems(List<String> parts, Cell cell) {
    List<String> said = parts.stream().filter(p -> !p.isBlank()).toList();
    if (said.size() < 2) {
      return false;
    }
    boolean pairs = isPair(said.stream().map(CellScanner::unmarked).toList());
    boolean marked =
        said.stream().allMatch(p -> CellScanner.mark(p) >= 0)
            && said.stream()
                .map(p -> cell.said.get(CellScanner.mark(p)).toLowerCase(Locale.ROOT).strip())
                .allMatch(dialect.systems()::contains);
    return pairs || marked;
  }

  /** One gesture with Ctrl in its first part and Meta in its second, or the other way round. */
  private boolean isPair(List<String> parts) {
    if (parts.size() != 2) {
      return false;
    }
    Optional<Gesture> one = whole(parts.getFirst());
    Optional<Gesture> other = whole(parts.getLast());
    return one.isPresent()
        && other.isPresent()
        && !one.equals(other)
        && neutral(one.get()).equals(neutral(other.get()));
  }

  /** With Meta for Ctrl, so that only what differs otherwise is left. */
  private static String neutral(Gesture gesture) {
    return gesture
        .toString()
        .replaceAll("\\b(Ctrl|Meta)\\b", "Primary")
        .replace("Primary+Primary", "Ctrl+Meta");
  }

  private String ctrlOrMeta(String part) {
    return whole(CellScanner.unmarked(part))
        .map(g -> g.toString().contains("Meta") ? "Meta" : "Ctrl")
        .orElse("");
  }

  // ---- one part

  private void one(String marked, String system, Cell cell) {
    Steps.take(marked.length());
    String[] commas = COMMA.split(marked, MOST_PARTS);
    if (commas.length > 1
        && commas.length < MOST_PARTS
        && readCommas(marked, commas, system, cell)) {
      return;
    }
    String text = CellScanner.unmarked(marked).strip();
    List<String> said = remarks(marked, cell);
    String where = system;
    if (!said.isEmpty()
        && !system.isEmpty()
        && dialect.systems().contains(said.getFirst().toLowerCase(Locale.ROOT).strip())) {
      where = said.removeFirst();
      cell.rules.add(CellRule.SYSTEMS);
    } else if (!system.isEmpty()) {
      cell.rules.add(CellRule.SYSTEMS);
    }
    String note = String.join("; ", said);
    if (!note.isEmpty()) {
      cell.rules.add(CellRule.NOTE);
    }
    Optional<Gesture> read = footnoted(text, cell);
    if (read.isPresent()) {
      add(read.get(), where, note, text, cell);
    } else {
      slashed(text, where, note, cell);
    }
  }

  private void add(Gesture gesture, String system, String note, String text, Cell cell) {
    if (gesture.isFamily() && !text.contains("{")) {
      cell.rules.add(CellRule.RANGE);
    }
    cell.alternatives.add(new Alternative(gesture, system, note));
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
      Optional<Gesture> without = whole(text.substring(0, mark));
      if (without.isPresent()) {
        cell.rules.add(CellRule.FOOTNOTE);
        return without;
      }
    }
    return whole(text);
  }

  /** Commas that part: alternatives, or one stroke after the other, as the list has it. */
  private boolean readCommas(String marked, String[] parts, String system, Cell cell) {
    if (isRange(parts)) {
      String range =
          CellScanner.unmarked(parts[0]) + " to " + CellScanner.unmarked(parts[parts.length - 1]);
      Optional<Gesture> family = whole(range);
      if (family.isPresent()) {
        add(family.get(), system, "", range, cell);
        return true;
      }
    }
    List<String> plain = List.of(parts).stream().map(CellScanner::unmarked).toList();
    boolean own = List.of(parts).stream().filter(p -> CellScanner.mark(p) >= 0).count() > 1;
    boolean pair = isPair(plain);
    List<Optional<Gesture>> read = plain.stream().map(this::whole).toList();
    boolean all = read.stream().allMatch(Optional::isPresent);
    Optional<Gesture> whole = own || pair ? Optional.empty() : whole(CellScanner.unmarked(marked));
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
    boolean bySystem = pair || areSystems(List.of(parts), cell);
    for (String part : parts) {
      one(part, bySystem ? ctrlOrMeta(part) : system, cell);
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
        "“%s” may be %s and then %s, or either of them."
            .formatted(text.strip(), parts.getFirst().strip(), parts.getLast().strip()));
  }

  private static boolean isRange(String[] parts) {
    return parts.length > 2 && parts[parts.length - 2].strip().matches("\\.\\.\\.?|…|etc\\.?");
  }

  // ---- slashes

  private void slashed(String text, String system, String note, Cell cell) {
    List<String> parts = CellScanner.slashed(text);
    if (parts.size() < 2 || parts.size() > MOST_SPREAD) {
      joinedByAnd(text, system, note, cell);
      return;
    }
    Optional<List<String>> spread = spread(text);
    List<Optional<Gesture>> apart = parts.stream().map(this::whole).toList();
    boolean allApart = apart.stream().allMatch(Optional::isPresent);
    boolean spreads =
        spread.isPresent() && spread.get().stream().allMatch(t -> whole(t).isPresent());
    boolean bareBehind =
        allApart
            && apart.getFirst().get().modifierPresses() > 0
            && apart.stream().skip(1).anyMatch(g -> g.get().modifierPresses() == 0);
    boolean tapFirst = allApart && apart.getFirst().get().steps().getFirst() instanceof Step.Tap;
    List<String> chosen;
    if (spreads && (!allApart || tapFirst || isShared(text, parts, apart))) {
      chosen = spread.get();
      if (bareBehind && !tapFirst) {
        cell.rules.add(CellRule.SHARED);
      }
    } else if (allApart && !tapFirst) {
      chosen = parts;
    } else {
      refuse(text, cell);
      return;
    }
    boolean pair = isPair(chosen);
    for (String one : chosen) {
      Gesture gesture = whole(one).orElseThrow();
      String where = system.isEmpty() && pair ? ctrlOrMeta(one) : system;
      if (!where.isEmpty()) {
        cell.rules.add(CellRule.SYSTEMS);
      }
      add(gesture, where, note, one, cell);
    }
  }

  /** "Left and Right", where both are gestures; or a gesture with the full stop of a sentence. */
  private void joinedByAnd(String text, String system, String note, Cell cell) {
    List<String> parts = List.of(AND.split(text, MOST_SPREAD));
    if (parts.size() > 1 && parts.stream().allMatch(p -> whole(p).isPresent())) {
      cell.rules.add(CellRule.EITHER);
      parts.forEach(p -> add(whole(p).orElseThrow(), system, note, p, cell));
      return;
    }
    Optional<Gesture> stopped =
        text.length() > 2 && text.endsWith(".")
            ? whole(text.substring(0, text.length() - 1))
            : Optional.empty();
    if (stopped.isPresent()) {
      add(stopped.get(), system, note, text, cell);
    } else {
      refuse(text, cell);
    }
  }

  /** Whether the modifiers of the first part hold for the others, which have none of their own. */
  private boolean isShared(String text, List<String> parts, List<Optional<Gesture>> apart) {
    boolean bare =
        apart.stream().skip(1).allMatch(g -> g.orElseThrow().modifierPresses() == 0)
            && apart.getFirst().orElseThrow().modifierPresses() > 0;
    if (!bare) {
      return false;
    }
    if (apart.stream().skip(1).noneMatch(g -> Dialect.isFull(g.orElseThrow()))) {
      return true; // a letter alone is no other way to do what Ctrl and a letter do
    }
    String first = lastKey(apart.getFirst().orElseThrow());
    if (apart.stream().skip(1).allMatch(g -> areCounterparts(first, lastKey(g.orElseThrow())))) {
      return true;
    }
    if (dialect.is(ReadingChoice.SLASHES, "shared")) {
      return true;
    }
    if (dialect.is(ReadingChoice.SLASHES, "apart")) {
      return false;
    }
    throw new Asked(
        ReadingChoice.SLASHES,
        "The modifiers of “%s” may or may not hold for “%s”, too."
            .formatted(text, parts.getLast()));
  }

  private static String lastKey(Gesture gesture) {
    return gesture.steps().getLast() instanceof Step.Stroke(Held _, KeyRef key)
        ? key.toString()
        : "";
  }

  /** Keys that people name in pairs, of which nobody means only one with its modifiers. */
  private static boolean areCounterparts(String one, String other) {
    for (Set<String> pair :
        List.of(
            Set.of("Left", "Right", "Up", "Down"),
            Set.of("Home", "End"),
            Set.of("PageUp", "PageDown"),
            Set.of("Delete", "Backspace", "Insert"),
            Set.of("NumpadAdd", "NumpadSubtract"))) {
      if (pair.contains(one) && pair.contains(other)) {
        return true;
      }
    }
    return one.matches("F\\d+") && other.matches("F\\d+");
  }

  /** {@code Ctrl/Cmd+Home/End} with each piece between the same plus signs in turn. */
  private Optional<List<String>> spread(String text) {
    String[] tokens = PLUS.split(text);
    List<String> all = new ArrayList<>(List.of(""));
    int slashes = 0;
    int width = 1;
    for (String token : tokens) {
      String[] pieces = token.length() > 1 ? token.split("\\s*/\\s*") : new String[] {token};
      if (pieces.length > 1) {
        boolean modifiers = isModifier(pieces[0]);
        for (String piece : pieces) {
          if (piece.isEmpty() || isModifier(piece) != modifiers) {
            return Optional.empty();
          }
        }
        slashes++;
        if (slashes > 1 && pieces.length == width) {
          // Ctrl/Cmd+Alt/Option+S: the pieces go with each other
          for (int i = 0; i < all.size(); i++) {
            all.set(i, joined(all.get(i), pieces[i % width]));
          }
          continue;
        }
        List<String> more = new ArrayList<>();
        for (String before : all) {
          for (String piece : pieces) {
            more.add(joined(before, piece));
          }
        }
        all = more;
        width = pieces.length;
        if (all.size() > MOST_SPREAD) {
          return Optional.empty();
        }
      } else {
        all.replaceAll(before -> joined(before, token));
      }
    }
    return slashes == 0 ? Optional.empty() : Optional.of(all);
  }

  private static String joined(String before, String token) {
    return before.isEmpty() ? token.strip() : before + "+" + token.strip();
  }

  private void refuse(String text, Cell cell) {
    try {
      reader.read(text);
    } catch (GestureSyntaxException e) {
      cell.unread.add(text);
      cell.refusal = cell.refusal.or(() -> Optional.of(e));
    }
  }

  // ---- systems

  /**
   * What stands in brackets behind alternatives that are one gesture with Ctrl here and Meta there:
   * those are names of systems, wherever else they stand in the list.
   */
  static Set<String> systems(Set<String> cells, Dialect dialect, GestureReader plain) {
    CellReader reader = new CellReader(plain, dialect);
    Set<String> found = new HashSet<>();
    for (String text : cells) {
      if (text.indexOf('(') < 0 && text.indexOf('[') < 0) {
        continue;
      }
      CellScanner.Bracketed bracketed = CellScanner.brackets(text);
      List<String> parts = new ArrayList<>();
      for (String part : CellScanner.alternatives(bracketed.rest(), reader.orWords())) {
        parts.addAll(List.of(COMMA.split(part, MOST_PARTS)));
      }
      boolean marked = parts.size() == 2 && parts.stream().allMatch(p -> CellScanner.mark(p) >= 0);
      boolean apart =
          marked
              && !bracketed
                  .said()
                  .get(CellScanner.mark(parts.getFirst()))
                  .strip()
                  .equalsIgnoreCase(
                      bracketed.said().get(CellScanner.mark(parts.getLast())).strip());
      if (apart && reader.isPair(parts.stream().map(CellScanner::unmarked).toList())) {
        parts.forEach(
            p ->
                found.add(
                    bracketed.said().get(CellScanner.mark(p)).toLowerCase(Locale.ROOT).strip()));
      }
    }
    return found;
  }
}
