package polydex.recall;

import static polydex.language.CoreWords.worded;

import java.util.Arrays;
import java.util.List;

/**
 * The numbers w0 to w16 by which {@link Memory} moves. Those of most people are {@link #USUAL};
 * {@link MemoryFitter} fits them to one. w3 and w16 belong to a grade for quick answers that is not
 * given, since speed says little about memory; they are kept in their places so that the others
 * have the numbers under which they were published.
 */
public final class MemoryParameters {
  /** How many there are. */
  public static final int COUNT = 17;

  private static final double LEAST = 1e-6;
  private static final double GREATEST = 1e3;

  /** As they are published, for people at large; see {@code docs/recall.md}. */
  public static final MemoryParameters USUAL =
      of(
          0.4872, 1.4003, 3.7145, 13.8206, 5.1618, 1.2298, 0.8975, 0.031, 1.6474, 0.1367, 1.0461,
          2.1072, 0.0793, 0.3246, 1.587, 0.2272, 2.8755);

  private final double[] values;
  private final double ease;

  private MemoryParameters(double[] values) {
    this.values = values;
    ease = Math.exp(values[8]);
  }

  /**
   * Parameters.
   *
   * @param values {@value #COUNT} of them, each above 0 and at most 1000
   * @throws IllegalArgumentException for another number of them, or one out of range
   */
  public static MemoryParameters of(double... values) {
    if (values.length != COUNT) {
      throw new IllegalArgumentException(
          worded("recall.there-are-parameters-not", COUNT, values.length));
    }
    for (int i = 0; i < COUNT; i++) {
      if (!(values[i] >= LEAST && values[i] <= GREATEST)) {
        throw new IllegalArgumentException(
            worded("recall.w-is-not-from-to", i, values[i], LEAST, GREATEST));
      }
    }
    return new MemoryParameters(values.clone());
  }

  /**
   * Reads what {@link #toString} writes.
   *
   * @param text the numbers in order with spaces or commas between, as {@code 0.4872 1.4003 ...}
   * @throws IllegalArgumentException for anything else
   */
  public static MemoryParameters parse(String text) {
    try {
      return of(
          Arrays.stream(text.strip().split("[\\s,]+")).mapToDouble(Double::parseDouble).toArray());
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(worded("recall.is-not-numbers", text, COUNT), e);
    }
  }

  /**
   * One of them.
   *
   * @param i from 0 to 16
   */
  public double w(int i) {
    return values[i];
  }

  /** e^w8, which every success needs. */
  double ease() {
    return ease;
  }

  /** All of them, in order. */
  public List<Double> list() {
    return Arrays.stream(values).boxed().toList();
  }

  /** The same with one of them changed; it is brought into its range. */
  MemoryParameters with(int i, double value) {
    double[] changed = values.clone();
    changed[i] = Math.clamp(value, LEAST, GREATEST);
    return new MemoryParameters(changed);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof MemoryParameters p && Arrays.equals(values, p.values);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(values);
  }

  @Override
  public String toString() {
    return String.join(" ", list().stream().map(String::valueOf).toList());
  }
}
