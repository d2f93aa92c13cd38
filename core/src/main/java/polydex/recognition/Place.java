package polydex.recognition;

import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.route.SetupId;

/**
 * An action where it is done: what is counted, judged and replaced as one.
 *
 * @param setup the id of the setup; empty where none fits
 * @param environment the id of the application or platform whose action it is; an application that
 *     no keymap knows by the name that the log gives it
 * @param doing what is done there
 */
public record Place(SetupId setup, EnvironmentId environment, Doing doing) {
  /** What something unknown begins with where it is written. */
  private static final String UNKNOWN = "?";

  /** What is done in a place. */
  public sealed interface Doing extends Comparable<Doing> {
    /** As it is written in files and answers: an id, or {@code ?} and a name. */
    String written();

    @Override
    default int compareTo(Doing other) {
      return written().compareTo(other.written());
    }
  }

  /** An action that a keymap knows. */
  public record Known(ActionId id) implements Doing {
    @Override
    public String written() {
      return id.value();
    }
  }

  /** Something of which only a name was seen. */
  public record Unnamed(String name) implements Doing {
    @Override
    public String written() {
      return UNKNOWN + name;
    }
  }

  /** A known action in its place. */
  public static Place of(SetupId setup, EnvironmentId environment, ActionId action) {
    return new Place(setup, environment, new Known(action));
  }

  /** What {@link Doing#written} wrote, in its place. */
  public static Place read(SetupId setup, EnvironmentId environment, String written) {
    return written.startsWith(UNKNOWN)
        ? new Place(setup, environment, new Unnamed(written.substring(UNKNOWN.length())))
        : of(setup, environment, new ActionId(written));
  }

  /** The action, where it is known. */
  public Optional<ActionId> action() {
    return doing instanceof Known(ActionId id) ? Optional.of(id) : Optional.empty();
  }

  /** Whether nobody knows what it is. */
  public boolean isUnknown() {
    return doing instanceof Unnamed;
  }
}
