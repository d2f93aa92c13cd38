package polydex.files.xkb;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import polydex.files.FileProblem;

/**
 * What options of a keyboard add to its symbols, as a rules file says it ({@code ! option =
 * symbols}). Of rules for several layouts those of the first count. O(lines).
 */
final class XkbRules {
  private static final long LARGEST_BYTES = 1 << 20;

  private final Map<String, Set<String>> groups = new HashMap<>();
  private final List<Rule> rules = new ArrayList<>();

  /** For which layouts an option adds what. */
  private record Rule(String layout, String option, String symbols) {}

  private XkbRules() {}

  /**
   * Reads a rules file.
   *
   * @throws FileProblem if it can't be read
   */
  static XkbRules read(Path file) throws FileProblem {
    String text;
    try {
      if (Files.size(file) > LARGEST_BYTES) {
        throw new FileProblem(worded("any.is-larger-than-1-mib-it", file));
      }
      text = Files.readString(file, StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", file, e.getMessage()), e);
    }
    XkbRules all = new XkbRules();
    List<String> columns = List.of();
    for (String line : text.replace("\\\n", " ").lines().toList()) {
      String plain = line.replaceFirst("//.*", "").strip();
      if (plain.startsWith("!")) {
        columns = all.head(plain.substring(1).strip());
      } else if (!plain.isEmpty() && !columns.isEmpty()) {
        all.rule(columns, plain);
      }
    }
    return all;
  }

  /** The columns of what follows, where that is about options; otherwise none. */
  private List<String> head(String line) {
    String[] sides = line.split("=", 2);
    if (sides.length < 2) {
      return List.of();
    }
    if (line.startsWith("$")) {
      groups.put(sides[0].strip(), new HashSet<>(List.of(sides[1].strip().split("\\s+"))));
      return List.of();
    }
    List<String> columns = List.of(sides[0].strip().split("\\s+"));
    boolean wanted =
        sides[1].strip().equals("symbols")
            && (columns.equals(List.of("option")) || columns.equals(List.of("layout", "option")));
    return wanted ? columns : List.of();
  }

  private void rule(List<String> columns, String line) {
    String[] sides = line.split("=", 2);
    String[] words = sides[0].strip().split("\\s+");
    if (sides.length == 2 && words.length == columns.size()) {
      rules.add(
          new Rule(words.length == 2 ? words[0] : "*", words[words.length - 1], sides[1].strip()));
    }
  }

  /**
   * What options add, in the order of the rules file.
   *
   * @param layout its first part, {@code de}
   */
  List<String> symbols(String layout, List<String> options) {
    return rules.stream()
        .filter(r -> options.contains(r.option()))
        .filter(
            r ->
                r.layout().equals("*")
                    || r.layout().equals(layout)
                    || groups.getOrDefault(r.layout(), Set.of()).contains(layout))
        .map(Rule::symbols)
        .toList();
  }

  /** Whether an option is known to the rules at all. */
  boolean knows(String option) {
    return rules.stream().anyMatch(r -> r.option().equals(option));
  }
}
