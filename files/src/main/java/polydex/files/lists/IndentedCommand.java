package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * A gesture on a line, and what it runs on the next, further in. A set in braces stands for as many
 * lines as it has members, and one in the command goes along with it: {@code super + {h,l}} runs
 * {@code focus {west,east}}.
 */
final class IndentedCommand {
  private static final int LONGEST = 300;
  private static final int MOST_MEMBERS = 100;

  private IndentedCommand() {}

  /** Whether two lines are one of these. */
  static boolean isOne(String line, String next) {
    Steps.take(Math.min(line.length(), LONGEST) + 1L);
    boolean keys =
        !line.isBlank()
            && line.length() < LONGEST
            && !Character.isWhitespace(line.charAt(0))
            && "#;!\"/[".indexOf(line.charAt(0)) < 0;
    boolean command = !next.isBlank() && Character.isWhitespace(next.charAt(0));
    return keys && command && PairLine.isGesture(first(line.strip()));
  }

  /** The line with the first member of each set in it. */
  private static String first(String line) {
    List<String> all = expanded(line);
    String one = all.isEmpty() ? line.replaceAll("\\{([^{},]*)[^{}]*}", "$1") : all.getFirst();
    return one.replaceAll("\\s*\\+\\s*", "+");
  }

  static void of(
      int number, String line, String next, List<ListTable.Line> to, List<Refused> refused) {
    List<String> keys = expanded(line.strip());
    List<String> commands = expanded(next.strip());
    if (keys.isEmpty() || (commands.size() != 1 && commands.size() != keys.size())) {
      refused.add(new Refused(number, line, worded("lists.its-sets-in-braces-do-not")));
      return;
    }
    for (int i = 0; i < keys.size(); i++) {
      String command = commands.size() == 1 ? commands.getFirst() : commands.get(i);
      to.add(
          new ListTable.Line(
              number, "", List.of("", command, keys.get(i).replaceAll("\\s*\\+\\s*", "+"))));
    }
  }

  /** One for each member of the set, or itself; none where there are several sets. */
  private static List<String> expanded(String text) {
    int open = text.indexOf('{');
    int close = text.indexOf('}', open + 1);
    if (open < 0 || close < 0) {
      return List.of(text);
    }
    if (text.indexOf('{', close) >= 0) {
      return List.of();
    }
    List<String> all = new ArrayList<>();
    for (String member : members(text.substring(open + 1, close))) {
      // An underscore stands for nothing at all.
      String plain = member.strip().equals("_") ? "" : member;
      all.add((text.substring(0, open) + plain + text.substring(close + 1)).strip());
    }
    return all.size() > MOST_MEMBERS ? List.of() : all;
  }

  private static List<String> members(String set) {
    if (set.matches("\\d-\\d")) {
      List<String> digits = new ArrayList<>();
      for (char d = set.charAt(0); d <= set.charAt(2); d++) {
        digits.add(String.valueOf(d));
      }
      return digits;
    }
    return Arrays.stream(set.split(",")).toList();
  }
}
