package polydex.workspace;

import java.util.List;
import java.util.Map;

/** The title of a change, which is a command, as a report that it was done. */
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
          Map.entry("Write", "Wrote"),
          Map.entry("Set", "Set"),
          Map.entry("Put", "Put"),
          Map.entry("Forget", "Forgot"),
          Map.entry("Copy", "Copied"),
          Map.entry("Plan", "Planned"),
          Map.entry("Drop", "Dropped"),
          Map.entry("Swap", "Swapped"));

  private static final List<String> REGULAR =
      List.of(
          "Accept",
          "Add",
          "Ask",
          "Bind",
          "Call",
          "Change",
          "Divide",
          "Explain",
          "Join",
          "Mark",
          "Move",
          "Name",
          "Part",
          "Press",
          "Remove",
          "Rename",
          "Replace",
          "Switch",
          "Turn",
          "Use",
          "Verify",
          "Wish",
          "Withdraw");

  private DoneWords() {}

  /** "Brought in 12 bindings" for "Bring in 12 bindings"; other titles as they are. */
  static String of(String title) {
    for (Map.Entry<String, String> verb : IRREGULAR) {
      if (title.startsWith(verb.getKey() + " ")) {
        return verb.getValue() + title.substring(verb.getKey().length());
      }
    }
    for (String verb : REGULAR) {
      if (title.startsWith(verb + " ")) {
        return past(verb) + title.substring(verb.length());
      }
    }
    return title;
  }

  private static String past(String verb) {
    return switch (verb) {
      case "Bind" -> "Bound";
      case "Withdraw" -> "Withdrew";
      case "Verify" -> "Verified";
      default -> verb.endsWith("e") ? verb + "d" : verb + "ed";
    };
  }
}
