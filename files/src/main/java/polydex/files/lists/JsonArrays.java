package polydex.files.lists;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.json.JsonReadFeature;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.files.json.JsonReason;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * Arrays of objects such as {@code [{"key": ..., "command": ..., "when": ...}]}, with comments
 * where an editor has left them in: each field is a column, each object a line. An array may stand
 * in a field of an object.
 */
final class JsonArrays {
  private static final int WIDEST = 60;
  private static final int DEEPEST = 50;
  private static final JsonFactory JSON =
      JsonFactory.builder()
          .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build())
          .enable(JsonReadFeature.ALLOW_JAVA_COMMENTS)
          .enable(JsonReadFeature.ALLOW_TRAILING_COMMA)
          .build();

  private final String name;
  private final Map<String, Integer> columns = new LinkedHashMap<>();
  private final List<Map<Integer, String>> rows = new ArrayList<>();
  private final List<Integer> numbers = new ArrayList<>();
  private final List<Refused> refused = new ArrayList<>();

  private JsonArrays(String name) {
    this.name = name;
  }

  static ForeignList read(String name, String text) throws FileProblem {
    Steps.take(text.length());
    JsonArrays arrays = new JsonArrays(name);
    try (JsonParser parser = JSON.createParser(text)) {
      arrays.value(parser, parser.nextToken());
    } catch (IOException e) {
      throw new FileProblem(
          "%s can't be read: %s Nothing was taken.".formatted(name, JsonReason.of(e)), e);
    }
    if (arrays.rows.isEmpty()) {
      throw new FileProblem(
          name + " has no array of objects such as [{\"key\": ...}]. Nothing was taken.");
    }
    return new ForeignList(
        name, "an array in JSON", List.of(arrays.table()), arrays.refused, 0, Optional.empty());
  }

  private ListTable table() {
    List<ListTable.Line> lines = new ArrayList<>();
    for (int i = 0; i < rows.size(); i++) {
      List<String> cells = new ArrayList<>();
      for (int c = 0; c < columns.size(); c++) {
        cells.add(rows.get(i).getOrDefault(c, ""));
      }
      lines.add(new ListTable.Line(numbers.get(i), "", cells));
    }
    return new ListTable("", List.copyOf(columns.keySet()), lines);
  }

  /** Looks for arrays of objects, at the top or inside objects. */
  private void value(JsonParser parser, JsonToken token) throws IOException, FileProblem {
    if (token == JsonToken.START_ARRAY) {
      for (JsonToken t = parser.nextToken();
          t != JsonToken.END_ARRAY && t != null;
          t = parser.nextToken()) {
        if (t == JsonToken.START_OBJECT) {
          object(parser);
        } else {
          int line = parser.currentTokenLocation().getLineNr();
          String shown = parser.getText();
          parser.skipChildren();
          refused.add(new Refused(line, shown, "This is not an object in curly brackets."));
        }
      }
    } else if (token == JsonToken.START_OBJECT) {
      for (JsonToken t = parser.nextToken();
          t != JsonToken.END_OBJECT && t != null;
          t = parser.nextToken()) {
        if (t != JsonToken.FIELD_NAME) {
          value(parser, t);
        }
      }
    }
  }

  private void object(JsonParser parser) throws IOException, FileProblem {
    int line = parser.currentTokenLocation().getLineNr();
    Map<Integer, String> row = new LinkedHashMap<>();
    String field = "";
    for (JsonToken t = parser.nextToken();
        t != JsonToken.END_OBJECT && t != null;
        t = parser.nextToken()) {
      if (t == JsonToken.FIELD_NAME) {
        field = parser.currentName();
        continue;
      }
      String text =
          t == JsonToken.START_ARRAY
              ? alternatives(parser)
              : t.isScalarValue() ? parser.getText() : "";
      if (t == JsonToken.START_OBJECT) {
        parser.skipChildren();
      }
      if (columns.size() < WIDEST || columns.containsKey(field)) {
        row.put(columns.computeIfAbsent(field, _ -> columns.size()), text);
      }
    }
    rows.add(row);
    numbers.add(line);
    ListReader.checkRows(name, rows.size());
  }

  private static String alternatives(JsonParser parser) throws IOException {
    List<String> all = new ArrayList<>();
    for (JsonToken t = parser.nextToken();
        t != JsonToken.END_ARRAY && t != null;
        t = parser.nextToken()) {
      if (t.isScalarValue()) {
        all.add(parser.getText());
      } else {
        parser.skipChildren();
      }
    }
    return String.join("\n", all);
  }
}
