package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.files.lists.ForeignList.Overlooked;
import polydex.intake.ColumnRoles;
import polydex.intake.ColumnRoles.Role;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * Configuration by lines that begin with a verb: window managers' {@code bindsym}, multiplexers'
 * {@code bind-key}, editors' {@code map} and {@code nnoremap}, mail readers' {@code bind MENU KEY},
 * line editors' {@code "\C-x": function} and Lisp's {@code define-key}. Variables that stand for
 * modifiers are filled in; nothing is run.
 */
final class BindLines {
  private static final List<String> HEADER = List.of("context", "action", "gesture");
  private static final ColumnRoles ROLES =
      ColumnRoles.of(Map.of(Role.CONTEXT, 0, Role.ACTION, 1), 2);
  private static final Pattern VERB =
      Pattern.compile(
          "^(?:bind|bindsym|bindcode|bindkey|bind-key|bind_key|key|keymap|macro|def_key|[nvxsoilct]?map!?|[nvxsoilctp]?noremap!?|[cpt]map)(?=[\\s=:(]|$)");
  private static final Pattern AWAY =
      Pattern.compile("^(?:unbind|unbind-key|unbindkey|[nvxsoilct]?unmap!?)\\s.*");
  private static final Pattern LISP =
      Pattern.compile(
          "\\((?:global-set-key|local-set-key|define-key|keymap-set|keymap-global-set|bind-key\\*?)\\s+(?:([^\\s()\"']+)\\s+)?(?:\\(kbd\\s+\"([^\"]{1,80})\"\\)|\"([^\"]{1,80})\"|\\[([^\\]]{1,80})\\])\\s+#?'?([^\\s()]+)");
  private static final Pattern READLINE =
      Pattern.compile(
          "^(?:\"((?:\\\\.|[^\"\\\\]){1,80})\"|([A-Za-z][\\w-]{0,30}-?\\S?))\\s*:\\s*(\\S.*)$");
  private static final Pattern TOKEN =
      Pattern.compile("\"((?:\\\\.|[^\"\\\\])*)\"|'((?:[^'])*)'|(\\S+)");
  private static final Pattern SET = Pattern.compile("^(?:set\\s+)?(\\$\\w+|\\w+_mod)\\s+(\\S+)$");
  private static final Pattern PREFIX =
      Pattern.compile("^set(?:-option)?(?:\\s+-\\S+)*\\s+prefix\\s+(\\S+)$");
  private static final Pattern MODE =
      Pattern.compile("^mode\\s+(?:--\\S+\\s+)?\"?([^\"{]+?)\"?\\s*\\{.*");
  private static final Set<String> WITH_ARGUMENT = Set.of("-T", "-t", "-M", "-m", "-N");
  private static final Set<String> ABOUT =
      Set.of("<silent>", "<buffer>", "<expr>", "<nowait>", "<unique>", "<script>", "<special>");
  private static final Set<String> WORDS =
      Set.of("help", "home", "menu", "find", "insert", "end", "copy-mode");
  private static final int LONGEST = 2000;

  private final Map<String, String> variables = new HashMap<>();
  private final List<ListTable.Line> lines = new ArrayList<>();
  private final List<Refused> refused = new ArrayList<>();
  private String mode = "";
  private String prefix = "";
  private int away;
  private int others;

  private BindLines() {}

  /** Whether a text is such a file: several of its lines begin so. */
  static boolean looksSo(String text) {
    int verbs = 0;
    int meant = 0;
    List<String> all = text.lines().limit(3000).toList();
    for (int i = 0; i < all.size(); i++) {
      String raw = all.get(i);
      String line = cut(raw);
      if (i + 1 < all.size() && IndentedCommand.isOne(raw, all.get(i + 1))) {
        verbs++;
        meant++;
        i++;
        continue;
      }
      if (line.isEmpty() || ("#;!\"/".indexOf(line.charAt(0)) >= 0 && !isReadline(line))) {
        continue;
      }
      meant++;
      boolean verb = VERB.matcher(line).find() || isReadline(line) || LISP.matcher(line).find();
      verbs += verb ? 1 : 0;
    }
    return verbs > 0 && (verbs >= 4 || verbs * 3 >= meant) && verbs * 12 >= meant;
  }

  private static boolean isReadline(String line) {
    Matcher found = READLINE.matcher(line);
    return found.matches()
        && (found.group(1) != null
            ? found.group(1).startsWith("\\")
            : found.group(2).matches("(?i)(control|meta|c|m)-.*"));
  }

  private static String cut(String line) {
    Steps.take(Math.min(line.length(), LONGEST) + 1L);
    return line.length() <= LONGEST ? line.strip() : "";
  }

  static ForeignList read(String name, String text) throws FileProblem {
    BindLines reader = new BindLines();
    List<String> all = text.lines().toList();
    ListReader.checkRows(name, all.size());
    for (int i = 0; i < all.size(); i++) {
      String next = i + 1 < all.size() ? all.get(i + 1) : "";
      if (IndentedCommand.isOne(all.get(i), next)) {
        IndentedCommand.of(i + 1, all.get(i), next, reader.lines, reader.refused);
        i++;
        continue;
      }
      reader.line(i + 1, cut(all.get(i)), next);
    }
    if (reader.lines.isEmpty()) {
      throw new FileProblem(worded("lists.has-no-line-that-binds-a", name));
    }
    List<Overlooked> overlooked = new ArrayList<>();
    if (reader.away > 0) {
      overlooked.add(
          new Overlooked(
              "",
              0,
              worded("lists.lines", reader.away),
              worded("lists.it-takes-a-gesture-away-without")));
    }
    if (reader.others > 0) {
      overlooked.add(
          new Overlooked(
              "",
              0,
              worded("lists.other-settings", reader.others),
              worded("lists.they-bind-nothing")));
    }
    return new ForeignList(
        name,
        worded("lists.lines-that-bind"),
        List.of(
            new ListTable(
                "",
                HEADER,
                reader.lines,
                new ListTable.Origin("", "lines", 0, true),
                Optional.of(ROLES))),
        reader.refused,
        0,
        overlooked,
        "");
  }

  private void line(int number, String line, String next) {
    if (line.isEmpty() || "#;!".indexOf(line.charAt(0)) >= 0) {
      return;
    }
    Matcher lisp = LISP.matcher(line);
    Matcher readline = READLINE.matcher(line);
    Matcher verb = VERB.matcher(line);
    Matcher set = SET.matcher(line);
    Matcher modeLine = MODE.matcher(line);
    if (lisp.find()) {
      String keys =
          lisp.group(2) != null
              ? lisp.group(2)
              : lisp.group(3) != null ? lisp.group(3) : "<" + lisp.group(4) + ">";
      add(number, lisp.group(1) == null ? "" : lisp.group(1), lisp.group(5), keys);
    } else if (isReadline(line) && readline.matches()) {
      String keys =
          readline.group(1) != null
              ? readline.group(1)
              : readline
                  .group(2)
                  .replaceAll("(?i)\\b(meta|m)-", "Alt-")
                  .replaceAll("(?i)\\bc-", "Control-");
      add(number, "", unquoted(readline.group(3)), keys);
    } else if (PREFIX.matcher(line).matches()) {
      prefix = PREFIX.matcher(line).replaceFirst("$1");
    } else if (set.matches() && !verb.find()) {
      variables.put(set.group(1), set.group(2));
    } else if (modeLine.matches()) {
      mode = modeLine.group(1).strip();
    } else if (line.equals("}")) {
      mode = "";
    } else if (AWAY.matcher(line).matches()) {
      away++;
    } else if (verb.reset().find()) {
      bound(number, line, line.substring(verb.end()), next);
    } else {
      others++;
    }
  }

  private void bound(int number, String line, String rest, String next) {
    String text = rest.strip();
    if (rest.startsWith(":")) {
      text = text.substring(1).replaceFirst(":", " ");
    } else if (text.startsWith("=") && text.split(",", 3).length == 3) {
      byCommas(number, line, text.substring(1));
      return;
    }
    List<String> tokens = tokens(text);
    String context = mode;
    String title = "";
    // Where a prefix is set, what is bound without more comes behind it.
    String before = line.startsWith("bind") ? prefix : "";
    while (!tokens.isEmpty()
        && ((tokens.getFirst().startsWith("-") && tokens.getFirst().length() > 1)
            || ABOUT.contains(tokens.getFirst()))) {
      String flag = tokens.removeFirst();
      before = flag.equals("-n") ? "" : before;
      if (WITH_ARGUMENT.contains(flag) && tokens.size() > 1) {
        String argument = tokens.removeFirst();
        if (flag.equals("-N")) {
          title = argument;
        } else {
          boolean behind = !prefix.isEmpty() && argument.equals("prefix");
          context = behind ? mode : argument;
          before = behind ? prefix : "";
        }
      }
    }
    if (tokens.size() > 2 && tokens.subList(1, tokens.size()).contains("=")) {
      tokens.subList(1, tokens.size()).removeIf(t -> t.equals("="));
    }
    int at = gestureAt(tokens);
    if (at < 0) {
      refused.add(new Refused(number, line, worded("lists.no-gesture-is-in-the-first")));
      return;
    }
    if (at > 0) {
      context = String.join(" ", tokens.subList(0, at)).replaceAll("[\\[\\]]", "");
    }
    String what = String.join(" ", tokens.subList(at + 1, tokens.size())).strip();
    if (what.isEmpty() && next.startsWith(" ")) {
      what = next.strip(); // what it does stands below, further in
    }
    if (what.isEmpty()) {
      refused.add(new Refused(number, line, worded("lists.it-does-not-say-what-the")));
      return;
    }
    String keys = filled(tokens.get(at));
    add(
        number,
        context,
        title.isEmpty() ? what : title,
        before.isEmpty() ? keys : before + " " + keys);
  }

  /** {@code bind = SUPER SHIFT, Q, exec, terminal}. */
  private void byCommas(int number, String line, String text) {
    String[] parts = text.split(",", 3);
    if (parts.length < 3) {
      refused.add(new Refused(number, line, worded("lists.expected-modifiers-a-key-and-what")));
      return;
    }
    String held = filled(parts[0].strip()).replaceAll("[\\s_&]+", "+");
    add(
        number,
        mode,
        parts[2].strip(),
        held.isEmpty() ? parts[1].strip() : held + "+" + parts[1].strip());
  }

  /**
   * The first of the first three words that is a gesture; a word such as "help" only if no other.
   */
  private int gestureAt(List<String> tokens) {
    int fallback = -1;
    for (int i = 0; i < Math.min(3, tokens.size()); i++) {
      String token = filled(tokens.get(i));
      if (!PairLine.isGesture(token) && !isLetters(token, i)) {
        continue;
      }
      if (WORDS.contains(token) && i + 2 < tokens.size()) {
        fallback = fallback < 0 ? i : fallback;
        continue;
      }
      return i;
    }
    return fallback >= 0 ? fallback : tokens.isEmpty() ? -1 : firstThatMayBe(tokens);
  }

  /** {@code gg}: letters one after the other, where modal editors bind them. */
  private static boolean isLetters(String token, int at) {
    return at == 0 && token.length() <= 3 && token.codePoints().allMatch(c -> c < 128);
  }

  /** What cannot be read is refused where the list is planned, with the reason. */
  private static int firstThatMayBe(List<String> tokens) {
    return tokens.size() > 1 ? 0 : -1;
  }

  private static List<String> tokens(String text) {
    List<String> all = new ArrayList<>();
    Matcher token = TOKEN.matcher(text);
    while (token.find()) {
      all.add(
          token.group(1) != null
              ? token.group(1)
              : token.group(2) != null ? token.group(2) : token.group(3));
    }
    return all;
  }

  private String filled(String text) {
    String filled = text;
    if (text.indexOf('$') >= 0 || text.contains("_mod")) {
      for (Map.Entry<String, String> variable : variables.entrySet()) {
        filled = filled.replace(variable.getKey(), variable.getValue());
      }
    }
    return filled;
  }

  private static String unquoted(String text) {
    return text.length() > 1 && text.startsWith("\"") && text.endsWith("\"")
        ? text.substring(1, text.length() - 1)
        : text;
  }

  private void add(int number, String context, String what, String keys) {
    lines.add(new ListTable.Line(number, "", List.of(context, what, keys)));
  }
}
