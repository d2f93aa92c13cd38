package polydex.files.json;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.databind.JsonNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.PathType;
import com.networknt.schema.SchemaValidatorsConfig;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import polydex.files.FileProblem;

/**
 * The JSON Schemas of our files, which ship as resources, and what a file has against them: each
 * problem with the path in the file and the line where it stands.
 */
public final class Schemas {
  private static final int SHOWN = 5;
  private static final Map<String, JsonSchema> LOADED = new ConcurrentHashMap<>();

  private Schemas() {}

  /**
   * Checks a file against a schema.
   *
   * @param schema its name: keymap, board or layout
   * @param name of the file, for messages
   * @throws FileProblem that names file, line and path of the first problems
   */
  static void check(String schema, String name, String text, JsonNode tree) throws FileProblem {
    List<ValidationMessage> found =
        LOADED.computeIfAbsent(schema, Schemas::load).validate(tree).stream()
            .sorted(Comparator.comparing(m -> m.getInstanceLocation().toString()))
            .toList();
    if (found.isEmpty()) {
      return;
    }
    StringBuilder all = new StringBuilder();
    for (ValidationMessage message : found.subList(0, Math.min(SHOWN, found.size()))) {
      String pointer = message.getInstanceLocation().toString();
      all.append(all.isEmpty() ? "" : "\n")
          .append(
              worded(
                  "json.line-at",
                  name,
                  line(text, pointer),
                  pointer.isEmpty() ? "/" : pointer,
                  words(message)));
    }
    if (found.size() > SHOWN) {
      all.append(worded("json.and-more", found.size() - SHOWN));
    }
    throw new FileProblem(all.toString());
  }

  private static String words(ValidationMessage message) {
    String text = message.getMessage();
    String at = message.getInstanceLocation() + ": ";
    return text.startsWith(at) ? text.substring(at.length()) : text;
  }

  /** The line of what a JSON pointer points at, counted from 1; 1 where it is not there. */
  static int line(String text, String pointer) {
    try (JsonParser parser = new JsonFactory().createParser(text)) {
      for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
        boolean isValue = token != JsonToken.FIELD_NAME && !token.isStructEnd();
        if (isValue && pointer(parser, token).equals(pointer)) {
          return parser.currentTokenLocation().getLineNr();
        }
      }
      return 1;
    } catch (IOException _) {
      return 1;
    }
  }

  private static String pointer(JsonParser parser, JsonToken token) {
    // The context of an opening bracket is already the one inside it.
    return (token.isStructStart()
            ? parser.getParsingContext().getParent()
            : parser.getParsingContext())
        .pathAsPointer()
        .toString();
  }

  private static JsonSchema load(String schema) {
    String name = "/polydex/schema/" + schema + ".schema.json";
    try (InputStream in = Schemas.class.getResourceAsStream(name)) {
      if (in == null) {
        throw new IllegalStateException("What ships is not whole: no " + name);
      }
      SchemaValidatorsConfig config =
          SchemaValidatorsConfig.builder()
              .pathType(PathType.JSON_POINTER)
              .locale(Locale.ENGLISH)
              .build();
      return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(in, config);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
