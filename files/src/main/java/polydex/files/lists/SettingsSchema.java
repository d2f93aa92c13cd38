package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;
import polydex.files.FileProblem;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * A GSettings schema: each key whose default is a gesture, with its summary as the title. The
 * parser knows no entities but the five of XML and reads nothing from outside the text.
 */
final class SettingsSchema {
  private SettingsSchema() {}

  static ForeignList read(String name, String text) throws FileProblem {
    if (text.contains("<!ENTITY")) {
      throw new FileProblem(worded("lists.defines-entities-of-its-own-which", name));
    }
    Document tree = Jsoup.parse(text, "", Parser.xmlParser().setTrackPosition(true));
    Steps.take(text.length());
    Map<String, List<ListTable.Line>> lines = new LinkedHashMap<>();
    int left = 0;
    int rows = 0;
    for (Element key : tree.select("schema > key")) {
      Element schema = key.parent();
      Element value = key.selectFirst("default");
      Optional<List<String>> gestures =
          value == null ? Optional.empty() : Variants.gestures(value.text());
      if (gestures.isEmpty()) {
        left++;
        continue;
      }
      Element summary = key.selectFirst("summary");
      String title =
          summary == null || summary.text().isBlank()
              ? Variants.title(key.attr("name"))
              : summary.text().strip();
      lines
          .computeIfAbsent(schema == null ? "" : schema.attr("id"), _ -> new ArrayList<>())
          .add(
              new ListTable.Line(
                  Math.max(1, key.sourceRange().start().lineNumber()),
                  "",
                  List.of(title, String.join("\n", gestures.get()))));
      ListReader.checkRows(name, ++rows);
    }
    return SettingsDump.of(
        name, worded("lists.a-settings-schema"), "settings", lines, List.of(), List.of(), left);
  }
}
