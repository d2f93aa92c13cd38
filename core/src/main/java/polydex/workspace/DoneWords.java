package polydex.workspace;

import java.util.List;
import java.util.Map;
import polydex.language.Language;

/** The title of a change, which is a command in English, as a report that it was done. */
final class DoneWords {
  /** Verbs of titles that are not regular; two words before one. */
  private static final List<Map.Entry<String, String>> IRREGULAR =
      List.of(
          Map.entry("Bring in", "Brought in"),
          Map.entry("Take away", "Took away"),
          Map.entry("Take", "Took"),
          Map.entry("Make", "Made"),
          Map.entry("Give", "Gave"),
          Map.entry("Keep", "Kept"),
          Map.entry("Put", "Put"),
          Map.entry("Copy", "Copied"),
          Map.entry("Bind", "Bound"));

  private static final List<String> REGULAR =
      List.of("Add", "Change", "Explain", "Join", "Move", "Press", "Remove", "Switch", "Wish");

  private DoneWords() {}

  /**
   * "Brought in 12 bindings" for "Bring in 12 bindings"; other titles, and other languages, as they
   * are.
   */
  static String of(String title) {
    if (Language.now() != Language.ENGLISH) {
      // In other languages a change is called by what was done.
      return title;
    }
    for (Map.Entry<String, String> verb : IRREGULAR) {
      if (title.startsWith(verb.getKey() + " ")) {
        return verb.getValue() + title.substring(verb.getKey().length());
      }
    }
    for (String verb : REGULAR) {
      if (title.startsWith(verb + " ")) {
        return verb + (verb.endsWith("e") ? "d" : "ed") + title.substring(verb.length());
      }
    }
    return title;
  }
}
