package polydex.files.lists;

import java.util.Iterator;
import polydex.intake.Steps;

/**
 * The form of a list, found out from how its text begins. Each line is looked at once, and of what
 * tells nothing by itself (HTML, JSON, the rule of a Markdown table) only the head.
 */
enum ListForm {
  SCHEMA,
  HTML,
  JSON,
  MARKDOWN,
  KEY_VALUES,
  SETTINGS_DUMP,
  SEPARATED;

  private static final int HEAD = 4000;

  /** The form of a text that is not blank. */
  static ListForm of(String text) {
    String start = text.stripLeading();
    String head = start.substring(0, Math.min(start.length(), HEAD));
    if (head.startsWith("<")) {
      return head.contains("<schemalist") || head.contains("<schema ") ? SCHEMA : HTML;
    }
    if (isJson(head)) {
      return JSON;
    }
    if (head.lines().anyMatch(ListForm::isRule)) {
      return MARKDOWN;
    }
    String meant = firstMeant(start);
    if (isSection(meant)) {
      return KEY_VALUES;
    }
    if (isDumped(start.lines().findFirst().orElse(""))) {
      return SETTINGS_DUMP;
    }
    return isKeyValue(meant) ? KEY_VALUES : SEPARATED;
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

  private static boolean isKeyValue(String line) {
    int equals = line.indexOf('=');
    return equals > 0
        && equals < line.length() - 1
        && line.chars().limit(equals).noneMatch(c -> ",;\t".indexOf(c) >= 0);
  }
}
