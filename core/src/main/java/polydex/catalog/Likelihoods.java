package polydex.catalog;

import java.util.function.DoubleBinaryOperator;

/** A number for each of those actions that were touched; kept dense, since a word may find many. */
final class Likelihoods {
  private final double[] values;
  private final int[] touched;
  private int count;

  Likelihoods(int actions) {
    values = new double[actions];
    touched = new int[actions];
  }

  /** Takes in a number over 0, as with what is there. */
  void merge(int action, double value, DoubleBinaryOperator with) {
    if (values[action] == 0) {
      touched[count++] = action;
      values[action] = value;
    } else {
      values[action] = with.applyAsDouble(values[action], value);
    }
  }

  double of(int action) {
    return values[action];
  }

  /** How many were touched. */
  int size() {
    return count;
  }

  /** The action that was touched as the n-th. */
  int touched(int n) {
    return touched[n];
  }

  /** As if nothing had been touched. */
  void clear() {
    for (int i = 0; i < count; i++) {
      values[touched[i]] = 0;
    }
    count = 0;
  }
}
