package polydex.cli;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;

/** A command line that was run, and what came of it. */
record Ran(int code, String out, String err) {
  static Ran run(String... args) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    int code = Main.run(new PrintWriter(out), new PrintWriter(err), args);
    return new Ran(code, out.toString(), err.toString());
  }

  JsonNode json() throws Exception {
    return new ObjectMapper().readTree(out);
  }

  /** One of the schemas that the documentation gives. */
  static JsonSchema schema(String name) throws Exception {
    return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
        .getSchema(Files.readString(Path.of("../docs/schemas/" + name + ".schema.json")));
  }
}
