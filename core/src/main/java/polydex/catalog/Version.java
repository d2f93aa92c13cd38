package polydex.catalog;

import static polydex.language.CoreWords.worded;

import java.util.Arrays;

/**
 * A version of a platform or application, compared number by number.
 *
 * @param written numbers with dots between: {@code 3.1}
 */
public record Version(String written) implements Comparable<Version> {
  /**
   * Checks the form.
   *
   * @throws IllegalArgumentException unless it is numbers with dots between
   */
  public Version {
    if (!written.matches("\\d{1,9}(\\.\\d{1,9}){0,3}")) {
      throw new IllegalArgumentException(worded("catalog.not-a-version-such-as-3", written));
    }
  }

  @Override
  public int compareTo(Version other) {
    return Arrays.compare(numbers(), other.numbers());
  }

  /** Trailing zeros say nothing, so that 3 and 3.0 are the same version. */
  private int[] numbers() {
    return Arrays.stream(written.replaceAll("(\\.0+)+$", "").split("\\."))
        .mapToInt(Integer::parseInt)
        .toArray();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Version v && compareTo(v) == 0;
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(numbers());
  }

  @Override
  public String toString() {
    return written;
  }
}
