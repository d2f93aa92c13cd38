package polydex.recognition;

import java.util.List;
import polydex.catalog.EnvironmentId;

/**
 * Something that the log names and no keymap does; a person says once what it is.
 *
 * @param environment the application in which it was seen, as in {@link Place}
 * @param name its plain name, after those of the way there
 */
public record LearntName(EnvironmentId environment, List<String> name) {
  /** What stands between names where they are written as one; no plain name has it in it. */
  public static final String STEP = " > ";

  /** Copies the list. */
  public LearntName {
    name = List.copyOf(name);
  }

  /** The name that {@link #joined} wrote. */
  public static LearntName read(EnvironmentId environment, String joined) {
    return new LearntName(environment, List.of(joined.split(STEP, -1)));
  }

  /** As it is written in files. */
  public String joined() {
    return String.join(STEP, name);
  }
}
