package polydex.fit;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Catalog;
import polydex.keys.Gesture;
import polydex.route.Situation.Computer;

/**
 * What a computer was found to have, beside what was planned for it. They are matched by what they
 * are called, whatever the case of letters. O(found · planned).
 *
 * @param standing how it stands with it
 * @param found what the computer has; none where it has nothing of it
 * @param planned what was planned or said to be there; none where nobody did
 */
public record Compared(Standing standing, Optional<Found> found, Optional<OwnBinding> planned) {

  /** How it stands with a binding. */
  public enum Standing {
    APPLIED(worded("fit.as-planned")),
    DIFFERENT(worded("fit.on-other-keys")),
    MISSING(worded("fit.missing")),
    UNKNOWN(worded("fit.not-in-the-plan"));

    private final String word;

    Standing(String word) {
      this.word = word;
    }

    /** As people say it. */
    public String word() {
      return word;
    }
  }

  /**
   * A binding that was found.
   *
   * @param title what it is called
   * @param names what else it may be known by: the name of its file, of what it starts
   * @param gesture what is pressed
   * @param where it was found
   */
  public record Found(String title, List<String> names, Gesture gesture, String where) {
    /** Copies the list. */
    public Found {
      names = List.copyOf(names);
    }
  }

  /**
   * Everything that was found or planned, each once: as planned, on other keys, missing, unknown.
   *
   * @param own what was planned or said to be there
   */
  public static List<Compared> of(
      Catalog catalog, Computer computer, List<OwnBinding> own, List<Found> found) {
    List<Compared> all = new ArrayList<>();
    Set<Found> left = new HashSet<>(found);
    for (OwnBinding o : own) {
      if (!o.computer().equals(computer)) {
        continue;
      }
      List<Found> same =
          found.stream().filter(left::contains).filter(f -> is(f, o, catalog)).toList();
      Optional<Found> exact =
          same.stream().filter(f -> f.gesture().equals(o.gesture())).findFirst();
      Optional<Found> any = exact.or(() -> same.stream().findFirst());
      any.ifPresent(left::remove);
      all.add(
          new Compared(
              exact.isPresent()
                  ? Standing.APPLIED
                  : any.isPresent() ? Standing.DIFFERENT : Standing.MISSING,
              any,
              Optional.of(o)));
    }
    for (Found f : found) {
      if (left.remove(f)) {
        all.add(new Compared(Standing.UNKNOWN, Optional.of(f), Optional.empty()));
      }
    }
    return all;
  }

  private static boolean is(Found found, OwnBinding own, Catalog catalog) {
    Set<String> mine = new HashSet<>();
    mine.add(folded(catalog.title(own.action())));
    own.target()
        .map(Target::what)
        .filter(w -> !w.isEmpty())
        .ifPresent(
            w -> {
              mine.add(folded(w));
              mine.add(folded(last(w)));
            });
    return mine.contains(folded(found.title()))
        || found.names().stream()
            .anyMatch(
                n -> !n.isEmpty() && (mine.contains(folded(n)) || mine.contains(folded(last(n)))));
  }

  private static String folded(String name) {
    return name.strip().toLowerCase(Locale.ROOT);
  }

  /** The last part of a path of either kind. */
  private static String last(String path) {
    String end = path.strip();
    while (end.endsWith("/") || end.endsWith("\\")) {
      end = end.substring(0, end.length() - 1);
    }
    return end.substring(Math.max(end.lastIndexOf('/'), end.lastIndexOf('\\')) + 1);
  }
}
