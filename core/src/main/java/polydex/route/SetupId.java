package polydex.route;

/**
 * Which setup is meant; short and stable, such as {@code studio-timeline}.
 *
 * @param value as it is written in files
 */
public record SetupId(String value) implements Comparable<SetupId> {
  /** Of what was done where no setup is known to be. */
  public static final SetupId NONE = new SetupId("");

  @Override
  public int compareTo(SetupId other) {
    return value.compareTo(other.value);
  }

  @Override
  public String toString() {
    return value;
  }
}
