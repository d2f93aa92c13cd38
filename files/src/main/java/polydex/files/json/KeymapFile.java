package polydex.files.json;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.databind.annotation.JsonDeserialize;
import com.fasterxml.jackson.databind.annotation.JsonSerialize;
import com.fasterxml.jackson.databind.util.StdConverter;
import java.util.List;
import java.util.Optional;
import polydex.catalog.Action;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.files.FileProblem;
import polydex.own.OwnTitles;
import polydex.route.Refused;

/**
 * A keymap as a file.
 *
 * @param format {@code polydex-keymap/1}
 * @param environment the platform or application
 * @param actions what its bindings name and nobody else may know; may be empty
 * @param bindings its bindings, in the order in which they are shown
 */
public record KeymapFile(
    String format,
    @JsonSerialize(converter = KeptEnvironment.class)
        @JsonDeserialize(converter = SaidEnvironment.class)
        Environment environment,
    List<Action> actions,
    List<Binding> bindings) {
  /**
   * Refuses what could only be understood by guessing.
   *
   * @param name of the file, for messages
   */
  void check(String name) throws FileProblem {
    Optional<String> refused = Refused.in(environment, bindings);
    if (refused.isPresent()) {
      throw new FileProblem(worded("json.nothing-was-taken", name, refused.get()));
    }
  }

  private static final class KeptEnvironment extends StdConverter<Environment, Environment> {
    @Override
    public Environment convert(Environment value) {
      return OwnTitles.kept(value);
    }
  }

  private static final class SaidEnvironment extends StdConverter<Environment, Environment> {
    @Override
    public Environment convert(Environment value) {
      return OwnTitles.said(value);
    }
  }
}
