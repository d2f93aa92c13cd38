package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import polydex.files.FileProblem;
import polydex.files.json.ModelFiles;
import polydex.intake.Steps;

/**
 * Reads a list whatever its form, which is found out from the text itself. Nothing outside the text
 * is ever fetched, and a file is refused whole or read whole.
 */
public final class ListReader {
  /** The most lines that a list may have. */
  static final int MOST_ROWS = 1_000_000;

  /** Forms in which programs keep settings, and people don't write lists for each other. */
  private static final Set<ListForm> CONFIGURATION =
      EnumSet.of(
          ListForm.XML,
          ListForm.JSON,
          ListForm.KEY_VALUES,
          ListForm.ACCELERATOR_MAP,
          ListForm.BIND_LINES);

  private ListReader() {}

  /**
   * Reads a file.
   *
   * @throws FileProblem where the file is refused as a whole
   */
  public static ForeignList read(Path file) throws FileProblem {
    if (!Files.exists(file)) {
      throw FileProblem.missing(file);
    }
    if (Folders.isOne(file)) {
      return Folders.read(file);
    }
    Text text = Text.read(file);
    return read(file.getFileName().toString(), text.content(), text.encoding());
  }

  /** Reads one of several files. */
  static ForeignList read(String name, Text text) throws FileProblem {
    return read(name, text.content(), text.encoding());
  }

  /**
   * Reads a text such as the clipboard's.
   *
   * @param name what the list is to be called
   * @throws FileProblem where it is refused as a whole
   */
  public static ForeignList read(String name, String text) throws FileProblem {
    if (text.length() > Text.LARGEST_BYTES) {
      throw new FileProblem(worded("lists.is-larger-than-64-mib-nothing", name));
    }
    return read(name, Text.of(text).content(), "");
  }

  /**
   * The text of a file that is in one of our own formats rather than a list; none for any other.
   *
   * @throws FileProblem where the file can't be read
   */
  public static Optional<String> ownFormat(Path file) throws FileProblem {
    if (!Files.exists(file)) {
      throw FileProblem.missing(file);
    }
    if (Folders.isOne(file)) {
      return Optional.empty();
    }
    String text = Text.read(file).content();
    return Optional.of(text).filter(ModelFiles::isOurs);
  }

  /**
   * Reads a text if it is in one of the forms in which programs keep their keys; none for any
   * other, and for one that has no gestures.
   *
   * @param name what the list is to be called
   */
  public static Optional<ForeignList> configured(String name, String text) {
    if (text.isBlank() || !CONFIGURATION.contains(ListForm.of(text))) {
      return Optional.empty();
    }
    try {
      return Optional.of(read(name, text, ""));
    } catch (FileProblem _) {
      return Optional.empty();
    }
  }

  private static ForeignList read(String name, String text, String encoding) throws FileProblem {
    Steps.take(text.length());
    if (text.isBlank()) {
      throw new FileProblem(worded("lists.is-empty-nothing-was-taken", name));
    }
    ForeignList list =
        switch (ListForm.of(text)) {
          case SCHEMA -> SettingsSchema.read(name, text);
          case PAGE -> Pages.read(name, text);
          case XML -> XmlAttributes.read(name, text);
          case JSON -> JsonTree.read(name, text);
          case YAML -> yamlOrBullets(name, text);
          case MARKDOWN -> MarkdownTables.read(name, text);
          case WIKI -> WikiTables.read(name, text);
          case ROFF -> RoffLists.read(name, text);
          case TEX -> TexCards.read(name, text);
          case KEY_VALUES -> KeyValues.read(name, text);
          case ACCELERATOR_MAP -> AcceleratorMap.read(name, text);
          case BIND_LINES -> BindLines.read(name, text);
          case SETTINGS_DUMP -> SettingsDump.read(name, text);
          case SEPARATED -> SeparatedValues.read(name, text);
          case PLAIN -> PlainLines.read(name, text);
        };
    return new ForeignList(
        list.name(),
        encoding.isEmpty() ? list.form() : encoding + ", " + list.form(),
        list.tables(),
        list.refused(),
        list.left(),
        list.overlooked(),
        list.title());
  }

  /** Bullets look like YAML until a mark in them is none of its marks. */
  private static ForeignList yamlOrBullets(String name, String text) throws FileProblem {
    try {
      return YamlTree.read(name, text);
    } catch (FileProblem notYaml) {
      try {
        return PlainLines.read(name, text);
      } catch (FileProblem _) {
        throw notYaml;
      }
    }
  }

  /** Refuses a list that is longer than any may be. */
  static void checkRows(String name, int rows) throws FileProblem {
    if (rows > MOST_ROWS) {
      throw new FileProblem(worded("lists.has-more-than-lines-split-it", name, MOST_ROWS));
    }
  }
}
