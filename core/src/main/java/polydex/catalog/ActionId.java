package polydex.catalog;

/**
 * Which action is meant; short and stable, such as {@code edit.copy}.
 *
 * @param value as it is written in files
 */
public record ActionId(String value) implements Comparable<ActionId> {
  @Override
  public int compareTo(ActionId other) {
    return value.compareTo(other.value);
  }

  @Override
  public String toString() {
    return value;
  }
}
