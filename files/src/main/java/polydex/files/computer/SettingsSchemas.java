package polydex.files.computer;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;

/**
 * The GSettings schemas that are installed, with their vendors' overrides: what each key is called,
 * and what it is unless somebody sets it. What can't be read is passed over and named. O(bytes).
 */
final class SettingsSchemas {
  private static final int MOST_FILES = 3000;
  private static final long LARGEST_BYTES = 2 << 20;

  private final Map<String, Schema> schemas = new LinkedHashMap<>();
  private final List<String> unread = new ArrayList<>();

  private SettingsSchemas() {}

  /**
   * A schema.
   *
   * @param id {@code org.elm.keys}
   * @param relocatable whether there can be several of it, each with a path
   * @param keys by name
   */
  record Schema(String id, boolean relocatable, Map<String, Key> keys) {}

  /**
   * A key.
   *
   * @param title its summary, or its name as people say it
   * @param value unless it is set, in the text form of GVariant
   */
  record Key(String title, String value) {}

  /** Reads the schemas of some folders; of two with one id that of the first folder counts. */
  static SettingsSchemas read(List<Path> folders, Optional<String> desktop) {
    SettingsSchemas all = new SettingsSchemas();
    Map<Path, List<Path>> overrides = new LinkedHashMap<>();
    for (Path folder : folders) {
      for (Path file : all.files(folder)) {
        String name = file.getFileName().toString();
        if (name.endsWith(".gschema.override")) {
          overrides.computeIfAbsent(folder, _ -> new ArrayList<>()).add(file);
        } else if (name.endsWith(".xml")) {
          all.text(file).ifPresent(text -> all.schemas(file, text));
        }
      }
    }
    // Those that come later in the alphabet, and in folders of more importance, count.
    List<List<Path>> byImportance = new ArrayList<>(overrides.values());
    Collections.reverse(byImportance);
    byImportance.forEach(
        list -> list.forEach(f -> all.text(f).ifPresent(text -> all.override(text, desktop))));
    return all;
  }

  Map<String, Schema> all() {
    return schemas;
  }

  /** Files that could not be read, by name. */
  List<String> unread() {
    return unread;
  }

  private List<Path> files(Path folder) {
    List<Path> found = new ArrayList<>();
    if (!Files.isDirectory(folder)) {
      return found;
    }
    try (DirectoryStream<Path> files = Files.newDirectoryStream(folder)) {
      for (Path file : files) {
        if (found.size() < MOST_FILES) {
          found.add(file);
        }
      }
    } catch (IOException | java.nio.file.DirectoryIteratorException _) {
      unread.add(folder.toString());
    }
    Collections.sort(found);
    return found;
  }

  private Optional<String> text(Path file) {
    try {
      if (!Files.isRegularFile(file) || Files.size(file) > LARGEST_BYTES) {
        unread.add(file.toString());
        return Optional.empty();
      }
      return Optional.of(new String(Files.readAllBytes(file), StandardCharsets.UTF_8));
    } catch (IOException _) {
      unread.add(file.toString());
      return Optional.empty();
    }
  }

  /** The parser knows no entities but the five of XML and reads nothing from outside the text. */
  private void schemas(Path file, String text) {
    if (text.contains("<!ENTITY")) {
      unread.add(file.toString());
      return;
    }
    Document tree = Jsoup.parse(text, "", Parser.xmlParser());
    for (Element schema : tree.select("schema")) {
      String id = schema.attr("id");
      Map<String, Key> keys = new LinkedHashMap<>();
      for (Element key : schema.select("> key")) {
        Element value = key.selectFirst("> default");
        Element summary = key.selectFirst("> summary");
        String said = summary == null ? "" : summary.text().strip();
        keys.put(
            key.attr("name"),
            new Key(
                said.isEmpty() ? polydex.files.lists.Variants.title(key.attr("name")) : said,
                value == null ? "" : value.wholeText().strip()));
      }
      if (!id.isEmpty()) {
        schemas.putIfAbsent(id, new Schema(id, !schema.hasAttr("path"), keys));
      }
    }
  }

  private void override(String text, Optional<String> desktop) {
    String schema = "";
    for (String raw : text.lines().toList()) {
      String line = raw.strip();
      int equals = line.indexOf('=');
      if (line.startsWith("[") && line.endsWith("]")) {
        schema = section(line.substring(1, line.length() - 1).strip(), desktop);
      } else if (equals > 0 && !line.startsWith("#") && schemas.containsKey(schema)) {
        String value = line.substring(equals + 1).strip();
        schemas
            .get(schema)
            .keys()
            .computeIfPresent(
                line.substring(0, equals).strip(), (_, k) -> new Key(k.title(), value));
      }
    }
  }

  /** {@code org.elm.keys:ELM} holds only where that is the desktop. */
  private static String section(String name, Optional<String> desktop) {
    int colon = name.indexOf(':');
    return colon < 0
        ? name
        : desktop.filter(name.substring(colon + 1)::equals).isPresent()
            ? name.substring(0, colon)
            : "";
  }
}
