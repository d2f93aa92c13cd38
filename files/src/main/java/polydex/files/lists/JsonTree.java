package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.json.JsonReadFeature;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import polydex.files.FileProblem;
import polydex.files.json.JsonReason;
import polydex.files.lists.Tree.Field;
import polydex.files.lists.Tree.Fields;
import polydex.files.lists.Tree.Items;
import polydex.files.lists.Tree.Scalar;
import polydex.intake.Steps;

/** JSON as a tree, with comments and trailing commas where an editor has left them in. */
final class JsonTree {
  private static final int DEEPEST = 50;
  private static final JsonFactory JSON =
      JsonFactory.builder()
          .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build())
          .enable(JsonReadFeature.ALLOW_JAVA_COMMENTS)
          .enable(JsonReadFeature.ALLOW_TRAILING_COMMA)
          .build();

  private JsonTree() {}

  static ForeignList read(String name, String text) throws FileProblem {
    Steps.take(text.length());
    try (JsonParser parser = JSON.createParser(text)) {
      JsonToken first = parser.nextToken();
      Tree root = first == null ? new Items(1, List.of()) : tree(parser, first);
      if (parser.nextToken() != null) {
        throw new FileProblem(
            worded(
                "lists.has-more-behind-its-end-on",
                name,
                parser.currentTokenLocation().getLineNr()));
      }
      return TreeTables.of(name, "JSON", root);
    } catch (IOException e) {
      throw new FileProblem(
          worded("lists.cant-be-read-nothing-was-taken", name, JsonReason.of(e)), e);
    }
  }

  private static Tree tree(JsonParser parser, JsonToken token) throws IOException {
    int line = parser.currentTokenLocation().getLineNr();
    if (token == JsonToken.START_ARRAY) {
      List<Tree> all = new ArrayList<>();
      for (JsonToken t = parser.nextToken();
          t != JsonToken.END_ARRAY && t != null;
          t = parser.nextToken()) {
        all.add(tree(parser, t));
      }
      return new Items(line, all);
    }
    if (token == JsonToken.START_OBJECT) {
      List<Field> all = new ArrayList<>();
      for (JsonToken t = parser.nextToken();
          t != JsonToken.END_OBJECT && t != null;
          t = parser.nextToken()) {
        String field = parser.currentName();
        all.add(new Field(field, tree(parser, parser.nextToken())));
      }
      return new Fields(line, all);
    }
    return new Scalar(line, token == JsonToken.VALUE_NULL ? "" : parser.getText());
  }
}
