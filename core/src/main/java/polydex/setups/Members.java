package polydex.setups;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Lists that do not change, changed. */
public final class Members {
  private Members() {}

  /** Without the member at a place. */
  public static <T> List<T> without(List<T> list, int at) {
    List<T> less = new ArrayList<>(list);
    less.remove(at);
    return List.copyOf(less);
  }

  /** With one more at the end. */
  public static <T> List<T> with(List<T> list, T last) {
    List<T> more = new ArrayList<>(list);
    more.add(last);
    return List.copyOf(more);
  }

  /** With another in the place of one. */
  public static <T> List<T> replaced(List<T> list, int at, T by) {
    List<T> other = new ArrayList<>(list);
    other.set(at, by);
    return List.copyOf(other);
  }

  /** With a member moved by so many places, which must exist. */
  public static <T> List<T> moved(List<T> list, int at, int by) {
    List<T> other = new ArrayList<>(list);
    Collections.swap(other, at, at + by);
    return List.copyOf(other);
  }
}
