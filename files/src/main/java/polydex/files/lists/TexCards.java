package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * Reference cards in TeX: lines that begin with a macro and two or more groups in braces, such as
 * {@code \key{save}{C-x C-s}}. Macros are not run; what is about the text is taken off.
 */
final class TexCards {
  private static final Pattern LINE = Pattern.compile("^\\\\[A-Za-z]+\\{.*\\}\\s*\\{.*");
  private static final Pattern FONT =
      Pattern.compile(
          "\\\\(?:kbd|tt|it|bf|rm|sl|em|metax?|ctl|textbf|textit|texttt|emph|key)\\b\\s?");

  /** Where a card makes a comma of what is a thin space elsewhere. */
  private static final Pattern COMMA = Pattern.compile("^\\\\def\\\\,\\{[^}]*,.*");

  private static final int LONGEST = 2000;

  private TexCards() {}

  static boolean looksSo(String text) {
    return text.lines().limit(4000).filter(l -> LINE.matcher(cut(l)).matches()).limit(3).count()
        > 2;
  }

  private static String cut(String line) {
    Steps.take(Math.min(line.length(), LONGEST) + 1L);
    return line.length() <= LONGEST ? line.strip() : "";
  }

  static ForeignList read(String name, String text) throws FileProblem {
    Map<String, List<ListTable.Line>> byMacro = new LinkedHashMap<>();
    boolean comma = text.lines().map(TexCards::cut).anyMatch(l -> COMMA.matcher(l).matches());
    int number = 0;
    for (String raw : text.lines().toList()) {
      number++;
      ListReader.checkRows(name, number);
      String line = cut(raw);
      if (!LINE.matcher(line).matches()
          || line.startsWith("\\def")
          || line.startsWith("\\newcommand")) {
        continue;
      }
      List<String> groups = groups(comma ? line.replace("\\,", ", ") : line);
      if (groups.size() > 1) {
        String macro = line.substring(0, line.indexOf('{')) + "/" + groups.size();
        byMacro
            .computeIfAbsent(macro, _ -> new ArrayList<>())
            .add(new ListTable.Line(number, "", groups));
      }
    }
    List<ListTable> tables = new ArrayList<>();
    byMacro.forEach(
        (macro, lines) ->
            tables.add(
                new ListTable(
                    macro.substring(0, macro.indexOf('/')),
                    header(macro, lines),
                    lines,
                    new ListTable.Origin("", "lines", 0))));
    if (tables.isEmpty()) {
      throw new FileProblem(worded("lists.has-no-lines-such-as-key", name));
    }
    return new ForeignList(
        name, worded("lists.a-reference-card-in-tex"), tables, List.of(), 0, List.of(), "");
  }

  /** A macro that is called "key" says what its second group is, unless the first looks more so. */
  private static List<String> header(String macro, List<ListTable.Line> lines) {
    return macro.equals("\\key/2") && gestures(lines, 1) >= gestures(lines, 0)
        ? List.of("", "key")
        : Collections.nCopies(lines.getFirst().cells().size(), "");
  }

  private static long gestures(List<ListTable.Line> lines, int group) {
    return lines.stream().filter(l -> PairLine.isGesture(l.cells().get(group))).count();
  }

  private static List<String> groups(String line) {
    List<String> all = new ArrayList<>();
    int depth = 0;
    int start = 0;
    for (int i = line.indexOf('{'); i < line.length(); i++) {
      char c = line.charAt(i);
      if (c == '\\') {
        i++;
      } else if (c == '{') {
        if (depth++ == 0) {
          start = i + 1;
        }
      } else if (c == '}') {
        if (--depth == 0) {
          all.add(clean(line.substring(start, i)));
        } else if (depth < 0) {
          break;
        }
      } else if (depth == 0 && !Character.isWhitespace(c)) {
        break;
      }
    }
    return all;
  }

  private static String clean(String text) {
    return FONT.matcher(text)
        .replaceAll("")
        .replaceAll("\\\\([{}%#&$_])", "$1")
        .replace("\\,", " ")
        .replace("\\^", "^")
        .replace("\\~", "~")
        .replaceAll("\\\\(?:backslash|bs)\\b", "\\\\\\\\")
        .replace("\\\\", "\\")
        .replaceAll("[{}]", "")
        .replaceAll("\\$([^$]*)\\$", "$1")
        .replace("~", " ")
        .replace("``", "“")
        .replace("''", "”")
        .replaceAll("\\s+", " ")
        .strip();
  }
}
