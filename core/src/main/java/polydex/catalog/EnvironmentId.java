package polydex.catalog;

/**
 * Which platform or application is meant; short and stable, such as {@code cue-editor}. Where a log
 * names one that no keymap describes, it is that name.
 *
 * @param value as it is written in files
 */
public record EnvironmentId(String value) implements Comparable<EnvironmentId> {
  /** Of what was done where nothing is known to be. */
  public static final EnvironmentId NONE = new EnvironmentId("");

  @Override
  public int compareTo(EnvironmentId other) {
    return value.compareTo(other.value);
  }

  @Override
  public String toString() {
    return value;
  }
}
