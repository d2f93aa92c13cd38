package polydex.intake;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.Held;
import polydex.keys.KeyLanguage;
import polydex.keys.KeyRef;
import polydex.keys.Step;

/**
 * How a list as a whole writes its gestures, where a cell alone does not tell.
 *
 * @param language whose names keys have
 * @param options what was found out or said for each choice; none where it has to be asked
 * @param systems what stands in brackets or before colons to name a system, in small letters
 * @param spaced whether spaces stand between the modifiers and the key of a stroke
 */
public record Dialect(
    KeyLanguage language, Map<ReadingChoice, String> options, Set<String> systems, boolean spaced) {
  /** What is looked at; more of a list says nothing new. */
  private static final int MOST_CELLS = 3000;

  private static final int LONGEST_CELL = 400;
  private static final Set<String> NOTHING =
      Set.of(
          "none",
          "(none)",
          "<none>",
          "[none]",
          "n/a",
          "na",
          "unset",
          "(unset)",
          "not set",
          "disabled",
          "(disabled)",
          "unassigned",
          "not assigned",
          "unbound",
          "not bound",
          "undefined",
          "no shortcut",
          "no default",
          "no default shortcut",
          "nothing",
          "empty",
          "null",
          "nil",
          "void",
          "nosymbol",
          "\"\"",
          "''",
          "[]",
          "{}",
          "...",
          "…",
          "tbd",
          "no",
          "false",
          "--",
          "---",
          "––",
          "@as []",
          "['']",
          "\u2715",
          "\u2717");
  private static final Pattern SPACED =
      Pattern.compile("(?i)^(ctrl|control|shift|cmd|command) [\\p{L}\\p{N}]");
  private static final Set<String> DASHES = Set.of("-", "\u2013", "\u2014", "\u2212", "\u2012");

  /** A cell by itself: English, and whatever can mean two things is asked. */
  public static final Dialect PLAIN =
      new Dialect(
          KeyLanguage.ENGLISH,
          Map.of(ReadingChoice.DASHES, "key", ReadingChoice.SINGLES, "key"),
          Set.of(),
          false);

  /** Reads whatever can be read in some way, before the list as a whole is known. */
  static Dialect lenient(KeyLanguage language) {
    return new Dialect(
        language,
        Map.of(
            ReadingChoice.SINGLES, "key",
            ReadingChoice.COMMAS, "either",
            ReadingChoice.SLASHES, "shared"),
        Set.of(),
        true);
  }

  /** Copies both. */
  public Dialect {
    options = Map.copyOf(options);
    systems = Set.copyOf(systems);
  }

  /** Whether a choice came out or was said so. */
  public boolean is(ReadingChoice choice, String option) {
    return option.equals(options.get(choice));
  }

  /** The reader of a list's gestures. */
  public GestureReader reader(GestureReader plain) {
    GestureReader in = language == plain.language() ? plain : plain.in(language);
    return is(ReadingChoice.LETTERS, "shift") ? in.byCase() : in;
  }

  /** Whether a cell says in words that there is no gesture. */
  public boolean isNothing(String cell) {
    String folded = cell.strip().toLowerCase(Locale.ROOT);
    return folded.isEmpty()
        || NOTHING.contains(folded)
        || (DASHES.contains(folded) && !is(ReadingChoice.DASHES, "key"));
  }

  /**
   * What the cells of a list tell. O(length of the first {@value #MOST_CELLS} different ones).
   *
   * @param named whether the list itself says that these are gestures, so that a character alone is
   *     one
   * @param said options that the user chose
   */
  public static Dialect of(
      Iterable<String> cells, GestureReader plain, boolean named, Map<ReadingChoice, String> said) {
    Set<String> sample = new LinkedHashSet<>();
    for (String cell : cells) {
      if (cell.length() <= LONGEST_CELL) {
        sample.add(cell.strip());
      }
      if (sample.size() >= MOST_CELLS) {
        break;
      }
    }
    KeyLanguage language = KeyLanguage.of(sample);
    Map<ReadingChoice, String> found = new EnumMap<>(ReadingChoice.class);
    letters(sample).ifPresent(o -> found.put(ReadingChoice.LETTERS, o));
    singles(sample, named, found);
    boolean spaced = isSpaced(sample);
    OneGesture strokes = new OneGesture(plain, new Dialect(language, Map.of(), Set.of(), spaced));
    steps(sample, strokes).ifPresent(o -> found.put(ReadingChoice.COMMAS, o));
    found.put(
        ReadingChoice.ARRAYS,
        Optional.ofNullable(found.get(ReadingChoice.COMMAS)).orElse("either"));
    found.putAll(said);
    Dialect plainly = new Dialect(language, found, Set.of(), spaced);
    Set<String> systems =
        SideBySide.namedIn(sample, new OneGesture(plain, plainly), language.orWords());
    return new Dialect(language, found, systems, spaced);
  }

  /** Strokes with Ctrl or Shift and a space, which can mean nothing else, and few plus signs. */
  private static boolean isSpaced(Set<String> cells) {
    int spaced = 0;
    int plus = 0;
    for (String cell : cells) {
      spaced += SPACED.matcher(cell).find() ? 1 : 0;
      plus += cell.indexOf('+') > 0 ? 1 : 0;
    }
    return spaced > plus;
  }

  /** A letter that stands alone both small and large says that its case matters. */
  private static Optional<String> letters(Set<String> cells) {
    int both = 0;
    for (String cell : cells) {
      boolean small = cell.length() == 1 && cell.charAt(0) >= 'a' && cell.charAt(0) <= 'z';
      both += small && cells.contains(cell.toUpperCase(Locale.ROOT)) ? 1 : 0;
    }
    return both > 0 ? Optional.of("shift") : Optional.empty();
  }

  /**
   * Characters by themselves are keys where a fair part of the cells are such, and so is a dash;
   * elsewhere they are numbers, marks and what not.
   */
  private static void singles(Set<String> cells, boolean named, Map<ReadingChoice, String> found) {
    int digits = 0;
    int letters = 0;
    int signs = 0;
    int dashes = 0;
    for (String cell : cells) {
      if (DASHES.contains(cell)) {
        dashes++;
      } else if (cell.codePointCount(0, cell.length()) == 1) {
        int c = cell.codePointAt(0);
        digits += Character.isDigit(c) ? 1 : 0;
        letters += Character.isDigit(c) ? 0 : 1;
        signs += Character.isLetterOrDigit(c) ? 0 : 1;
      }
    }
    int all = digits + letters;
    boolean many = all >= 3 && all * 8 >= cells.size();
    if (all > 0) {
      found.put(
          ReadingChoice.SINGLES,
          (many && digits != 1) || named ? "key" : letters > 1 ? "letters" : "nothing");
    }
    if (dashes > 0) {
      found.put(ReadingChoice.DASHES, signs >= 2 && (many || named) ? "key" : "nothing");
    }
  }

  /**
   * Whether commas and arrays put strokes one after the other. A first stroke that goes on in
   * several ways and never stands alone begins sequences; one that stands alone as well would fire
   * before its sequence, so that both must do the same.
   */
  private static Optional<String> steps(Set<String> cells, OneGesture gesture) {
    Map<String, Set<String>> goesOn = new HashMap<>();
    Set<String> alone = new HashSet<>();
    int listed = 0;
    for (String cell : cells) {
      String[] parts = cell.split(",\\s+|" + ListTable.IN_ARRAY, -1);
      if (parts.length == 1) {
        alone.add(fold(cell));
      } else if (parts.length > 3) {
        // Nobody binds four strokes one after the other.
        listed += List.of(parts).stream().allMatch(p -> gesture.of(p).isPresent()) ? 1 : 0;
      } else if (parts.length == 2 && isStroke(parts[0], gesture) && isStroke(parts[1], gesture)) {
        goesOn.computeIfAbsent(fold(parts[0]), _ -> new HashSet<>()).add(fold(parts[1]));
      }
    }
    int sequences = 0;
    int either = listed;
    for (Map.Entry<String, Set<String>> first : goesOn.entrySet()) {
      if (alone.contains(first.getKey()) || first.getValue().stream().anyMatch(alone::contains)) {
        either++;
      } else if (first.getValue().size() > 1) {
        sequences += first.getValue().size();
      }
    }
    // As many firsts as cells: nobody has so many ways to begin a sequence.
    int cellsWithTwo = goesOn.values().stream().mapToInt(Set::size).sum();
    if (sequences == 0 && either == 0 && cellsWithTwo >= 4 && goesOn.size() == cellsWithTwo) {
      return Optional.of("either");
    }
    return sequences == either
        ? Optional.empty()
        : Optional.of(sequences > either ? "sequence" : "either");
  }

  private static boolean isStroke(String text, OneGesture gesture) {
    return gesture.of(text).filter(Dialect::isFull).isPresent();
  }

  private static String fold(String text) {
    return text.strip().toLowerCase(Locale.ROOT);
  }

  /** Whether a gesture could stand alone: more than a character by itself or a bare modifier. */
  static boolean isFull(Gesture gesture) {
    return gesture.steps().stream()
        .anyMatch(
            s ->
                switch (s) {
                  case Step.Stroke(Held held, KeyRef.Typed _) -> !held.isNothing();
                  case Step.Tap _ -> false;
                  default -> true;
                });
  }

  /** What is known of the choices, for who shows them. */
  public List<ReadingChoice> chosen() {
    return options.keySet().stream().sorted().toList();
  }
}
