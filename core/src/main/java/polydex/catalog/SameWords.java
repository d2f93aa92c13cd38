package polydex.catalog;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.Set;

/**
 * Words and phrases that mean the same in the names of actions, in groups. A word may stand in
 * several groups, which are not joined: "hide" is near "close" and near "minimize", which are not
 * near each other. The groups that ship are the resource {@code same-words.properties}.
 */
public final class SameWords {
  /** The longest phrase, in words. */
  static final int LONGEST = 3;

  private static final List<String> SHIPPED_GROUPS =
      List.of(
          ResourceBundle.getBundle("polydex.catalog.same-words", Locale.ROOT)
              .getString("groups")
              .split(";"));

  /** What ships. */
  public static final SameWords SHIPPED = new SameWords(SHIPPED_GROUPS);

  private final Map<String, Set<List<String>>> near = new HashMap<>();
  private final int groups;

  private SameWords(Collection<String> lines) {
    int made = 0;
    for (String line : lines) {
      List<List<String>> group = new ArrayList<>();
      for (String phrase : line.split(",")) {
        List<String> stems = stems(phrase);
        if (!stems.isEmpty() && stems.size() <= LONGEST) {
          group.add(stems);
        }
      }
      for (List<String> one : group) {
        Set<List<String>> others =
            near.computeIfAbsent(String.join(" ", one), _ -> new LinkedHashSet<>());
        group.stream().filter(o -> !o.equals(one)).forEach(others::add);
      }
      made += group.size() > 1 ? 1 : 0;
    }
    groups = made;
  }

  /**
   * What ships with groups of one's own.
   *
   * @param lines each a group, with commas between
   */
  public static SameWords with(Collection<String> lines) {
    if (lines.isEmpty()) {
      return SHIPPED;
    }
    List<String> all = new ArrayList<>(SHIPPED_GROUPS);
    all.addAll(lines);
    return new SameWords(all);
  }

  /**
   * A group of one's own.
   *
   * @param first its first word or phrase, by which it is known
   * @param group all of them, with commas between
   */
  public record Group(String first, String group) {
    private static final int LONGEST = 200;

    /** Reads words or phrases with commas between; none where there are not two at least. */
    public static Optional<Group> parse(String text) {
      List<String> all =
          Arrays.stream(text.split("[,;]"))
              .map(w -> String.join(" ", Words.of(w)))
              .filter(w -> !w.isEmpty())
              .distinct()
              .toList();
      String group = String.join(", ", all);
      return all.size() < 2 || group.length() > LONGEST
          ? Optional.empty()
          : Optional.of(new Group(all.getFirst(), group));
    }
  }

  /** How many groups there are. */
  public int groups() {
    return groups;
  }

  /** The stems of a phrase. */
  static List<String> stems(String phrase) {
    return Words.of(phrase).stream().map(Words::stem).toList();
  }

  /** Whether a phrase, by its stems with spaces between, stands in a group. */
  boolean knows(String stems) {
    return near.containsKey(stems);
  }

  /** What means the same as a phrase, each by its stems. */
  Set<List<String>> near(String stems) {
    return near.getOrDefault(stems, Set.of());
  }
}
