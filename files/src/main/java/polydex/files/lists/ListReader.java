package polydex.files.lists;

import java.nio.file.Path;
import java.util.Optional;
import java.util.regex.Pattern;
import polydex.files.FileProblem;
import polydex.files.json.ModelFiles;

/**
 * Reads a list whatever its form, which is found out from the text itself. Nothing outside the text
 * is ever fetched, and a file is refused whole or read whole.
 */
public final class ListReader {
  /** The most lines that a list may have. */
  static final int MOST_ROWS = 1_000_000;

  private static final Pattern MARKDOWN_RULE =
      Pattern.compile("(?m)^\\s*\\|?\\s*:?-+:?\\s*(\\|\\s*:?-+:?\\s*)+\\|?\\s*$");
  private static final Pattern DUMP_LINE =
      Pattern.compile("[\\w.-]+\\.[\\w.-]+(:\\S+)? [\\w-]+ \\S.*");
  private static final Pattern SECTION = Pattern.compile("(?m)^\\[[^\\]\\[{}\"]+]\\s*$");
  private static final Pattern KEY_VALUE = Pattern.compile("[^=,;\\t]+=.+");

  private ListReader() {}

  /**
   * Reads a file.
   *
   * @throws FileProblem where the file is refused as a whole
   */
  public static ForeignList read(Path file) throws FileProblem {
    Text text = Text.read(file);
    return read(file.getFileName().toString(), text.content(), text.encoding());
  }

  /**
   * Reads a text such as the clipboard's.
   *
   * @param name what the list is to be called
   * @throws FileProblem where it is refused as a whole
   */
  public static ForeignList read(String name, String text) throws FileProblem {
    if (text.length() > Text.LARGEST_BYTES) {
      throw new FileProblem(name + " is larger than 64 MiB. Nothing was taken.");
    }
    return read(name, Text.of(text).content(), "");
  }

  /**
   * The text of a file that is in one of our own formats rather than a list; none for any other.
   *
   * @throws FileProblem where the file can't be read
   */
  public static Optional<String> ownFormat(Path file) throws FileProblem {
    String text = Text.read(file).content();
    return Optional.of(text).filter(ModelFiles::isOurs);
  }

  private static ForeignList read(String name, String text, String encoding) throws FileProblem {
    if (text.isBlank()) {
      throw new FileProblem(name + " is empty. Nothing was taken.");
    }
    String start = text.stripLeading();
    String head = start.substring(0, Math.min(start.length(), 4000));
    ForeignList list;
    if (head.startsWith("<")) {
      list =
          head.contains("<schemalist") || head.contains("<schema ")
              ? SettingsSchema.read(name, text)
              : HtmlTables.read(name, text);
    } else if (isJson(head)) {
      list = JsonArrays.read(name, text);
    } else if (MARKDOWN_RULE.matcher(head).find()) {
      list = MarkdownTables.read(name, text);
    } else if (SECTION.matcher(firstMeant(start)).find()) {
      list = KeyValues.read(name, text);
    } else if (DUMP_LINE.matcher(firstLine(start)).matches()) {
      list = SettingsDump.read(name, text);
    } else if (KEY_VALUE.matcher(firstMeant(start)).matches()) {
      list = KeyValues.read(name, text);
    } else {
      list = SeparatedValues.read(name, text);
    }
    return new ForeignList(
        list.name(),
        encoding.isEmpty() ? list.form() : encoding + ", " + list.form(),
        list.tables(),
        list.refused(),
        list.left(),
        list.roles());
  }

  private static boolean isJson(String head) {
    return head.matches("(?s)[\\[{]\\s*([\\[{\\]}\"]|//|/\\*).*") || head.startsWith("//");
  }

  private static String firstLine(String text) {
    return text.lines().findFirst().orElse("");
  }

  private static String firstMeant(String text) {
    return text.lines()
        .map(String::strip)
        .filter(l -> !l.isEmpty() && !l.startsWith("#") && !l.startsWith(";") && !l.startsWith("!"))
        .findFirst()
        .orElse("");
  }

  /** Refuses a list that is longer than any may be. */
  static void checkRows(String name, int rows) throws FileProblem {
    if (rows > MOST_ROWS) {
      throw new FileProblem(
          "%s has more than %,d lines. Split it into smaller files. Nothing was taken."
              .formatted(name, MOST_ROWS));
    }
  }
}
