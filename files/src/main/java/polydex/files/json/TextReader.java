package polydex.files.json;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.deser.std.StdScalarDeserializer;
import java.io.IOException;
import java.util.function.Function;

/** Reads a value from its written form, with the model's own words where it is refused. */
final class TextReader<T> extends StdScalarDeserializer<T> {
  private static final long serialVersionUID = 1L;

  private final transient Function<String, T> parse;

  TextReader(Class<T> type, Function<String, T> parse) {
    super(type);
    this.parse = parse;
  }

  @Override
  public T deserialize(JsonParser parser, DeserializationContext context) throws IOException {
    String text = parser.getValueAsString("");
    try {
      return parse.apply(text);
    } catch (IllegalArgumentException e) {
      throw JsonMappingException.from(parser, e.getMessage(), e);
    }
  }
}
