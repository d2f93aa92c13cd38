package polydex.files.lists;

import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import polydex.intake.Steps;

/**
 * The form of a list, found out from how its text begins. Each line is looked at once, and of what
 * tells nothing by itself (HTML, JSON, the rule of a Markdown table) only the head.
 */
enum ListForm {
  SCHEMA,
  PAGE,
  XML,
  JSON,
  YAML,
  MARKDOWN,
  WIKI,
  ROFF,
  TEX,
  KEY_VALUES,
  ACCELERATOR_MAP,
  BIND_LINES,
  SETTINGS_DUMP,
  SEPARATED,
  PLAIN;

  private static final int HEAD = 4000;
  private static final List<String> PAGE_MARKS =
      List.of("<html", "<!doctype html", "<table", "<dl", "<ul", "<body", "<div", "<p>", "<meta");
  private static final Pattern XML_MARKS = Pattern.compile("^<[a-z_]+(?: [a-z:_]+=\"|>)");
  private static final Pattern OTHER_TYPE = Pattern.compile("^<!doctype (?!html)");
  private static final Pattern YAML_LINE =
      Pattern.compile(
          "\\s*(?:- )*(?:\"[^\"]{1,120}\"|'[^']{1,120}'|[^\\s:#\"'\\[{][^:]{0,120}):(?:\\s.*)?|\\s*- .*");

  /** The form of a text that is not blank. */
  static ListForm of(String text) {
    String start = text.stripLeading();
    String head = start.substring(0, Math.min(start.length(), HEAD));
    if (head.startsWith("<") && !head.startsWith("<<")) {
      Optional<ListForm> marked = marked(head, text);
      if (marked.isPresent()) {
        return marked.get();
      }
    }
    if (isJson(head)) {
      return JSON;
    }
    if (RoffLists.looksSo(head)) {
      return ROFF;
    }
    if (AcceleratorMap.looksSo(head)) {
      return ACCELERATOR_MAP;
    }
    if (WikiTables.looksSo(head)) {
      return WIKI;
    }
    if (head.lines().anyMatch(ListForm::isRule)) {
      return MARKDOWN;
    }
    if (head.indexOf('\\') >= 0 && TexCards.looksSo(text)) {
      return TEX;
    }
    if (BindLines.looksSo(text)) {
      return BIND_LINES;
    }
    String meant = firstMeant(start);
    if (isSection(meant)) {
      return KEY_VALUES;
    }
    if (isDumped(start.lines().findFirst().orElse(""))) {
      return SETTINGS_DUMP;
    }
    if (isKeyValue(meant) && mostHaveValues(start)) {
      return KEY_VALUES;
    }
    if (isYaml(start)) {
      return YAML;
    }
    return SeparatedValues.looksSo(start) ? SEPARATED : laterForm(text);
  }

  /** What a text with angles at its beginning is; none where that is no markup. */
  private static Optional<ListForm> marked(String head, String text) {
    if (head.contains("<schemalist") || head.contains("<schema ")) {
      return Optional.of(SCHEMA);
    }
    String lower = head.toLowerCase(Locale.ROOT);
    if (!lower.matches("(?s)<[!?/a-z].*")) {
      return Optional.empty();
    }
    boolean page = PAGE_MARKS.stream().anyMatch(lower::contains) || Pages.isDocumentMarkup(text);
    return Optional.of(
        page
                || !(lower.startsWith("<?xml")
                    || OTHER_TYPE.matcher(lower).find()
                    || XML_MARKS.matcher(lower).find())
            ? PAGE
            : XML);
  }

  /** Tables of Markdown and of wikis may stand far down, behind a long beginning. */
  private static ListForm laterForm(String text) {
    if (text.lines().anyMatch(ListForm::isRule)) {
      return MARKDOWN;
    }
    return WikiTables.looksSo(text) ? WIKI : PLAIN;
  }

  /** Names with colons behind them, or dashes before them, and little else. */
  private static boolean isYaml(String text) {
    if (text.startsWith("---\n") || text.startsWith("%YAML")) {
      return true;
    }
    int mapped = 0;
    int meant = 0;
    for (Iterator<String> lines = text.lines().iterator(); lines.hasNext() && meant < 60; ) {
      String line = lines.next();
      Steps.take(Math.min(line.length(), 400) + 1L);
      if (line.isBlank() || line.strip().startsWith("#")) {
        continue;
      }
      meant++;
      if (line.length() < 400 && YAML_LINE.matcher(line).matches()) {
        mapped++;
      }
    }
    return meant > 1 && mapped * 10 >= meant * 9;
  }

  private static boolean isJson(String head) {
    if (head.startsWith("//")) {
      return true;
    }
    if (!head.startsWith("[") && !head.startsWith("{")) {
      return false;
    }
    String inside = head.substring(1).stripLeading();
    return inside.startsWith("//")
        || inside.startsWith("/*")
        || (!inside.isEmpty() && "[{]}\"".indexOf(inside.charAt(0)) >= 0);
  }

  /**
   * The rule below the names of the columns: bars between groups of dashes, each with a colon at
   * either end or none; at least two groups.
   */
  static boolean isRule(String line) {
    Steps.take(line.length() + 1);
    String text = line.strip();
    if (text.indexOf('|') < 0 || text.indexOf('-') < 0) {
      return false;
    }
    int from = text.startsWith("|") ? 1 : 0;
    int to = text.endsWith("|") && text.length() > from ? text.length() - 1 : text.length();
    int groups = 0;
    for (int start = from; start <= to; groups++) {
      int bar = text.indexOf('|', start);
      int end = bar < 0 || bar > to ? to : bar;
      if (!isGroup(text.substring(start, end).strip())) {
        return false;
      }
      start = end + 1;
    }
    return groups > 1;
  }

  private static boolean isGroup(String group) {
    int from = group.startsWith(":") ? 1 : 0;
    int to = group.endsWith(":") ? group.length() - 1 : group.length();
    for (int i = from; i < to; i++) {
      if (group.charAt(i) != '-') {
        return false;
      }
    }
    return to > from;
  }

  private static String firstMeant(String text) {
    for (Iterator<String> lines = text.lines().iterator(); lines.hasNext(); ) {
      String line = lines.next().strip();
      Steps.take(line.length() + 1);
      if (!line.isEmpty() && "#;!".indexOf(line.charAt(0)) < 0) {
        return line;
      }
    }
    return "";
  }

  private static boolean isSection(String line) {
    if (!line.startsWith("[") || line.indexOf(']') != line.length() - 1 || line.length() < 3) {
      return false;
    }
    return line.chars().skip(1).noneMatch(c -> "[{}\"".indexOf(c) >= 0);
  }

  /** A schema, perhaps with a path, a key and a value. */
  private static boolean isDumped(String line) {
    return SettingsDump.Entry.of(line).filter(e -> e.schema().indexOf('.') > 0).isPresent();
  }

  /** Whether at least half of the first lines that say something have an equals sign. */
  private static boolean mostHaveValues(String text) {
    int meant = 0;
    int values = 0;
    for (Iterator<String> lines = text.lines().iterator(); lines.hasNext() && meant < 60; ) {
      String line = lines.next().strip();
      Steps.take(line.length() + 1);
      if (!line.isEmpty() && "#;![".indexOf(line.charAt(0)) < 0) {
        meant++;
        values += isKeyValue(line) ? 1 : 0;
      }
    }
    return values * 2 >= meant;
  }

  private static boolean isKeyValue(String line) {
    int equals = line.indexOf('=');
    return equals > 0
        && equals < line.length() - 1
        && line.chars().limit(equals).noneMatch(c -> ",;\t".indexOf(c) >= 0);
  }
}
