package polydex.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.keys.Gesture;
import polydex.keys.Modifier;

/**
 * Tells apart gestures of several systems that stand side by side in a cell: by labels before them,
 * by names of systems in brackets behind them, or since they are one stroke with Ctrl here and Meta
 * there.
 */
final class SideBySide {
  private static final Pattern LABEL =
      Pattern.compile(
          "(?:^|(?<=[\\s,;/|]))(\\p{L}[\\p{L}\\p{N}./&-]{0,24}(?: \\p{L}[\\p{L}\\p{N}./&-]{0,16})?):\\s+(?=\\S)");
  private static final Pattern SEPARATOR_END = Pattern.compile("[\\s,;/|]+$");

  private final OneGesture gesture;
  private final Set<String> systems;

  /**
   * Over cells of a list.
   *
   * @param systems names of systems that stand in brackets, in small letters
   */
  SideBySide(OneGesture gesture, Set<String> systems) {
    this.gesture = gesture;
    this.systems = systems;
  }

  /** "Label: gesture" for every part, with two labels at least; empty where it is not so. */
  List<List<String>> labelled(List<String> parts) {
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
    boolean read =
        all.stream().allMatch(l -> gesture.of(CellScanner.unmarked(l.get(1))).isPresent());
    return names > 1 && names == all.size() && read ? all : List.of();
  }

  private static String before(String text) {
    return SEPARATOR_END.matcher(text).replaceAll("");
  }

  /** Whether what stands in brackets is the name of a system. */
  boolean isSystem(String said) {
    return systems.contains(fold(said));
  }

  private static String fold(String said) {
    return said.strip().toLowerCase(Locale.ROOT);
  }

  /**
   * Whether the parts are one stroke with Ctrl here and Meta there, or have brackets for systems.
   *
   * @param said what stood in the brackets of the cell
   */
  boolean are(List<String> parts, List<String> said) {
    List<String> full = parts.stream().filter(p -> !p.isBlank()).toList();
    if (full.size() < 2) {
      return false;
    }
    boolean pairs = isPair(full.stream().map(CellScanner::unmarked).toList());
    boolean marked =
        full.stream()
            .allMatch(p -> CellScanner.mark(p) >= 0 && isSystem(said.get(CellScanner.mark(p))));
    return pairs || marked;
  }

  /** One gesture with Ctrl in its first part and Meta in its second, or the other way round. */
  boolean isPair(List<String> parts) {
    if (parts.size() != 2) {
      return false;
    }
    Optional<Gesture> one = gesture.of(parts.getFirst());
    Optional<Gesture> other = gesture.of(parts.getLast());
    return one.isPresent() && other.isPresent() && isPair(one.get(), other.get());
  }

  /** One gesture with Ctrl and the same with Meta. */
  static boolean isPair(Gesture one, Gesture other) {
    return !one.equals(other) && neutral(one).equals(neutral(other));
  }

  /** With Meta for Ctrl, so that only what differs otherwise is left. */
  private static String neutral(Gesture gesture) {
    return gesture
        .toString()
        .replaceAll("\\b(Ctrl|Meta)\\b", "Primary")
        .replace("Primary+Primary", "Ctrl+Meta");
  }

  String ctrlOrMeta(String part) {
    return gesture.of(CellScanner.unmarked(part)).map(SideBySide::ctrlOrMeta).orElse("");
  }

  /** The modifier by which a gesture of a pair is told. */
  static String ctrlOrMeta(Gesture read) {
    boolean meta = read.toString().contains(Modifier.META.written());
    return (meta ? Modifier.META : Modifier.CTRL).written();
  }

  /**
   * What stands in brackets behind alternatives that are one gesture with Ctrl here and Meta there:
   * those are names of systems, wherever else they stand in the list.
   */
  static Set<String> namedIn(Set<String> cells, OneGesture gesture, Set<String> orWords) {
    SideBySide tell = new SideBySide(gesture, Set.of());
    Set<String> found = new HashSet<>();
    for (String text : cells) {
      if (text.indexOf('(') < 0 && text.indexOf('[') < 0) {
        continue;
      }
      CellScanner.Bracketed bracketed = CellScanner.brackets(text);
      List<String> parts = new ArrayList<>();
      for (String part : CellScanner.alternatives(bracketed.rest(), orWords)) {
        parts.addAll(CellScanner.commas(part));
      }
      if (parts.size() != 2 || !parts.stream().allMatch(p -> CellScanner.mark(p) >= 0)) {
        continue;
      }
      Set<String> names = new HashSet<>();
      parts.forEach(p -> names.add(fold(bracketed.said().get(CellScanner.mark(p)))));
      if (names.size() == 2 && tell.isPair(parts.stream().map(CellScanner::unmarked).toList())) {
        found.addAll(names);
      }
    }
    return found;
  }
}
