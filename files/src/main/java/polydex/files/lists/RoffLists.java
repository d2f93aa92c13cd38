package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.files.lists.ForeignList.Overlooked;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * The tagged lists of a page of a manual in roff: {@code .TP}, {@code .IP} and mdoc's {@code .It}
 * with the paragraph behind them, and the rows of {@code .TS} tables. Requests are not run.
 */
final class RoffLists {
  private static final Pattern FONT =
      Pattern.compile("\\\\f(?:\\[[^\\]]{0,12}\\]|\\(..|.)|\\\\s[+-]?\\d|\\\\m\\[[^\\]]{0,12}\\]");
  private static final Pattern MACRO = Pattern.compile("^[.']\\s*([A-Za-z]{1,3})\\b\\s?(.*)$");
  private static final Pattern QUOTED = Pattern.compile("\"([^\"]*)\"");

  private final List<ListTable> found = new ArrayList<>();
  private final List<ListTable.Line> lines = new ArrayList<>();
  private final List<String> tags = new ArrayList<>();
  private final StringBuilder said = new StringBuilder();
  private String section = "";
  private int tagLine;

  private RoffLists() {}

  /** Whether a text is the source of such a page. */
  static boolean looksSo(String head) {
    return head.startsWith(".TH")
        || head.startsWith(".Dd")
        || head.startsWith(".\\\"")
        || head.startsWith("'\\\"")
        || (head.startsWith(".") && (head.contains("\n.TH ") || head.contains("\n.SH ")));
  }

  static ForeignList read(String name, String text) throws FileProblem {
    Steps.take(text.length());
    RoffLists roff = new RoffLists();
    List<String> all = text.lines().toList();
    ListReader.checkRows(name, all.size());
    roff.read(all);
    List<ListTable> keys = new ArrayList<>();
    int plain = 0;
    for (ListTable table : roff.found) {
      long gestures =
          table.rows().stream()
              .filter(l -> l.cells().stream().anyMatch(PairLine::isGesture))
              .count();
      if (gestures > 0) {
        keys.add(table);
      } else {
        plain++;
      }
    }
    if (keys.isEmpty()) {
      throw new FileProblem(worded("lists.has-lists-with-tags-and-a", name, roff.found.size()));
    }
    return new ForeignList(
        name,
        worded("lists.a-page-of-a-manual"),
        keys,
        List.of(),
        0,
        plain == 0
            ? List.of()
            : List.of(
                new Overlooked("", 0, worded("lists.lists", plain), worded("lists.no-keys-in-it"))),
        "");
  }

  private void read(List<String> all) {
    boolean wantsTag = false;
    boolean rows = false;
    boolean format = false;
    List<ListTable.Line> cells = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).startsWith(".\\\"") || all.get(i).startsWith("'\\\"")) {
        continue;
      }
      Matcher macro = MACRO.matcher(all.get(i));
      String name = macro.matches() ? macro.group(1) : "";
      String rest = name.isEmpty() ? all.get(i) : macro.group(2);
      switch (name) {
        case "TS" -> {
          rows = true;
          format = true;
          cells = new ArrayList<>();
        }
        case "TE" -> {
          rows = false;
          table(cells);
        }
        case "TP", "TQ" -> {
          if (name.equals("TP")) {
            endItem();
          }
          wantsTag = true;
        }
        case "IP", "It" -> {
          endItem();
          String tag = name.equals("It") ? mdoc(rest) : first(rest);
          if (!tag.isBlank()) {
            tags.add(tag);
            tagLine = i + 1;
          }
        }
        case "SH", "SS", "Sh", "Ss" -> {
          endItem();
          endList();
          section = clean(rest.replace("\"", ""));
        }
        case "PP", "LP", "P", "Pp", "El", "RE", "RS", "Bl" -> {
          if (!name.startsWith("R")) {
            endItem();
          }
        }
        default -> {
          String text = name.isEmpty() ? clean(rest) : inMacro(name, rest);
          if (rows) {
            format = row(all.get(i), i + 1, format, cells);
          } else if (wantsTag && !text.isBlank()) {
            if (tags.isEmpty()) {
              tagLine = i + 1;
            }
            tags.add(text);
            wantsTag = false;
          } else if (!tags.isEmpty() && said.length() < 600) {
            said.append(text).append(' ');
          }
        }
      }
    }
    endItem();
    endList();
  }

  private static boolean row(String line, int number, boolean format, List<ListTable.Line> cells) {
    if (format) {
      return !line.strip().endsWith(".");
    }
    String[] parts = line.split("\t");
    if (parts.length >= 2) {
      cells.add(
          new ListTable.Line(number, "", List.of(clean(parts[0]), clean(parts[parts.length - 1]))));
    }
    return false;
  }

  private void table(List<ListTable.Line> cells) {
    if (!cells.isEmpty()) {
      found.add(
          new ListTable(section, List.of("", ""), cells, new ListTable.Origin("", "table", 0)));
    }
  }

  private void endItem() {
    if (!tags.isEmpty() && !said.toString().isBlank()) {
      lines.add(
          new ListTable.Line(
              tagLine, "", List.of(String.join("\n", tags), said.toString().strip())));
    }
    tags.clear();
    said.setLength(0);
  }

  private void endList() {
    if (!lines.isEmpty()) {
      found.add(
          new ListTable(
              section, List.of("", ""), List.copyOf(lines), new ListTable.Origin("", "list", 0)));
      lines.clear();
    }
  }

  /** The words of a macro for fonts: {@code .BR Ctrl+S ,}. */
  private static String inMacro(String name, String rest) {
    return switch (name) {
      case "B",
          "I",
          "BR",
          "RB",
          "BI",
          "IB",
          "IR",
          "RI",
          "SM",
          "Ic",
          "Nm",
          "Cm",
          "Ar",
          "Li",
          "Sy",
          "Ql",
          "Dq",
          "Sq",
          "Em",
          "Pq",
          "Fl" -> {
        boolean glued = name.length() == 2 && name.equals(name.toUpperCase(java.util.Locale.ROOT));
        String plain = QUOTED.matcher(rest).replaceAll(r -> Matcher.quoteReplacement(r.group(1)));
        yield clean(glued && !rest.contains("\"") ? plain.replace(" ", "") : plain);
      }
      default -> "";
    };
  }

  private static String mdoc(String rest) {
    return clean(rest.replaceAll("\\b(Xo|Xc|Ic|Sy|Li|Ql|Cm|Ar|Nm|Em|Fl|Dq|No|Ns|Pq|Sq)\\b ?", ""));
  }

  private static String first(String rest) {
    Matcher quoted = QUOTED.matcher(rest);
    if (quoted.lookingAt()) {
      return clean(quoted.group(1));
    }
    int space = rest.indexOf(' ');
    return clean(space < 0 ? rest : rest.substring(0, space));
  }

  /** Without fonts, and with the characters that escapes stand for. */
  static String clean(String text) {
    Steps.take(text.length());
    return FONT.matcher(text)
        .replaceAll("")
        .replace("\\(aq", "'")
        .replace("\\(dq", "\"")
        .replace("\\(lq", "“")
        .replace("\\(rq", "”")
        .replace("\\(ha", "^")
        .replace("\\(ti", "~")
        .replace("\\(bs", "\\")
        .replace("\\(en", "–")
        .replace("\\(em", "—")
        .replace("\\(ga", "`")
        .replace("\\[aq]", "'")
        .replace("\\[ha]", "^")
        .replace("\\[ti]", "~")
        .replace("\\[rs]", "\\")
        .replace("\\^", "")
        .replace("\\|", "")
        .replace("\\&", "")
        .replace("\\/", "")
        .replace("\\ ", " ")
        .replace("\\~", " ")
        .replace("\\-", "-")
        .replace("\\'", "'")
        .replace("\\`", "`")
        .replace("\\e", "\\")
        .replaceAll("\\\\{2,}", "\\\\")
        .strip();
  }
}
