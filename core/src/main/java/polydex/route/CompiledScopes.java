package polydex.route;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import polydex.catalog.Environment.Platform;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/**
 * What {@link Scope} is for one context, for all contexts of a keymap in one array: a number for
 * each row, sorted by context, first press, second press and row. A place in a sequence is where
 * the rows begin that share what was pressed. A step costs O(log rows of the context).
 *
 * <p>A number has, from the top: 21 bits for the first press, 20 for the second, both one higher
 * than they are so that none is 0; one that is set where more presses follow; 21 for the row.
 */
public final class CompiledScopes {
  /** Keymaps are switched in few ways; a search that tries many forgets them now and then. */
  static final int MOST_KEPT = 16;

  private static final int ROW_BITS = 21;
  private static final int SECOND = ROW_BITS + 1;
  private static final int FIRST = SECOND + 20;
  private static final int ROW = (1 << ROW_BITS) - 1;
  private static final long MORE = 1L << ROW_BITS;

  /** Rows and distinct presses that fit. */
  static final int MOST_ROWS = ROW;

  static final int MOST_PRESSES = (1 << 20) - 2;

  /** So many rows that share two presses are gone through; the plain engine hashes them. */
  private static final int MOST_ALIKE = 64;

  static final int NOWHERE = -1;

  /** What is found at a place, where no row is. */
  static final int GOES_ON = -1;

  static final int NOTHING = -2;

  /** Rows that tell sides, or too many that are alike: to be followed by the plain engine. */
  static final int RARE = -3;

  /**
   * How a keymap is switched.
   *
   * @param off the bindings that are not on
   */
  record Key(boolean tellsAllApart, BitSet off) {}

  private final CompiledKeymap keymap;
  private final long[] sorted;
  private final int[] start;

  /** Of each row where those begin that share its first press, and its first two. */
  private final int[] firstAt;

  private final int[] secondAt;

  /** Of each press of the keymap the number of what it is matched as. */
  private final int[] matched;

  private final BitSet sided = new BitSet();
  private final Map<Physical, Integer> numbers = new HashMap<>();

  CompiledScopes(CompiledKeymap keymap, Platform platform, BitSet off) {
    this.keymap = keymap;
    matched = new int[keymap.presses()];
    BitSet bySide = new BitSet();
    for (int i = 0; i < matched.length; i++) {
      Physical press = keymap.press(i);
      Modifiers held = press.held().modifiers();
      if (!held.equals(held.eitherSide())) {
        bySide.set(i);
      }
      Physical plain = press.with(platform.asMatched(held).eitherSide());
      matched[i] = numbers.computeIfAbsent(plain, _ -> numbers.size());
    }
    int contexts = keymap.contexts().length;
    start = new int[contexts + 1];
    for (int row = 0; row < keymap.rows(); row++) {
      if (isIn(row, off)) {
        start[keymap.context(row) + 1]++;
      }
    }
    for (int c = 0; c < contexts; c++) {
      start[c + 1] += start[c];
    }
    sorted = new long[start[contexts]];
    int[] next = start.clone();
    for (int row = 0; row < keymap.rows(); row++) {
      if (isIn(row, off)) {
        sorted[next[keymap.context(row)]++] = number(row);
        for (int i = 0; !bySide.isEmpty() && i < keymap.length(row); i++) {
          if (bySide.get(keymap.press(row, i))) {
            sided.set(row);
          }
        }
      }
    }
    firstAt = new int[keymap.rows()];
    secondAt = new int[keymap.rows()];
    for (int c = 0; c < contexts; c++) {
      Arrays.sort(sorted, start[c], start[c + 1]);
      int first = start[c];
      int second = first;
      for (int i = first; i < start[c + 1]; i++) {
        first = sorted[i] >>> FIRST == sorted[first] >>> FIRST ? first : i;
        second = sorted[i] >>> SECOND == sorted[second] >>> SECOND ? second : i;
        firstAt[row(i)] = first;
        secondAt[row(i)] = second;
      }
    }
  }

  /** As {@link #first(int, int)}, which is likely to be where a row is. */
  int first(int context, int press, int likely) {
    int at = keymap.context(likely) == context ? firstAt[likely] : 0;
    return at >= start[context] && at < start[context + 1] && sorted[at] >>> FIRST == press + 1
        ? at
        : first(context, press);
  }

  /** As {@link #second(int, int, int)}, which is likely to be where a row is. */
  int second(int at, int press, int context, int likely) {
    int found = secondAt[likely];
    long key = (sorted[at] >>> FIRST) << FIRST | (press + 1L) << SECOND;
    return press >= 0
            && found >= at
            && found < start[context + 1]
            && sorted[found] >>> SECOND == key >>> SECOND
        ? found
        : second(at, press, context);
  }

  private boolean isIn(int row, BitSet off) {
    return keymap.length(row) > 0 && !off.get(keymap.bindingNumber(row));
  }

  private long number(int row) {
    int length = keymap.length(row);
    long first = 1L + matched[keymap.press(row, 0)];
    long second = length > 1 ? 1L + matched[keymap.press(row, 1)] : 0;
    return first << FIRST | second << SECOND | (length > 2 ? MORE : 0) | row;
  }

  /** Whether a row of it asks for a modifier on a side. */
  boolean tellsSides() {
    return !sided.isEmpty();
  }

  boolean isEmpty(int context) {
    return context < 0 || start[context] == start[context + 1];
  }

  /** The number here of a press that comes to the layer; -1 where no row has it. */
  int numberOf(Physical plain) {
    return numbers.getOrDefault(plain, NOWHERE);
  }

  /** Where the rows of a context begin that begin with a press. */
  int first(int context, int press) {
    if (context < 0 || press < 0) {
      return NOWHERE;
    }
    int at = lowest((press + 1L) << FIRST, start[context], start[context + 1]);
    return at < start[context + 1] && sorted[at] >>> FIRST == press + 1 ? at : NOWHERE;
  }

  /** What a first press comes to that leads here: a row, {@link #GOES_ON} or {@link #RARE}. */
  int afterFirst(int at, int context) {
    if (tellsSides()) {
      long first = sorted[at] >>> FIRST;
      for (int i = at; i < start[context + 1] && sorted[i] >>> FIRST == first; i++) {
        if (sided.get(row(i))) {
          return RARE;
        }
      }
    }
    return (sorted[at] >>> SECOND & MOST_PRESSES + 1) == 0 ? row(at) : GOES_ON;
  }

  /** Where the rows begin that have a press as their second, behind those that lead here. */
  int second(int at, int press, int context) {
    if (press < 0) {
      return NOWHERE;
    }
    long key = (sorted[at] >>> FIRST) << FIRST | (press + 1L) << SECOND;
    int found = lowest(key, at, start[context + 1]);
    return found < start[context + 1] && sorted[found] >>> SECOND == key >>> SECOND
        ? found
        : NOWHERE;
  }

  /** What a second press comes to that leads here. */
  int afterSecond(int at) {
    return (sorted[at] & MORE) == 0 ? row(at) : GOES_ON;
  }

  /**
   * What comes of more presses.
   *
   * @param at where the rows begin that share the first two
   * @param pressed the numbers of all presses so far, the first two among them
   */
  int further(int at, int[] pressed, int length, int context) {
    long shared = sorted[at] >>> SECOND;
    boolean goesOn = false;
    for (int i = at; i < start[context + 1] && sorted[i] >>> SECOND == shared; i++) {
      if (i - at > MOST_ALIKE) {
        return RARE;
      }
      int row = row(i);
      if (beginsWith(row, pressed, length)) {
        if (keymap.length(row) == length) {
          return row;
        }
        goesOn = true;
      }
    }
    return goesOn ? GOES_ON : NOTHING;
  }

  private boolean beginsWith(int row, int[] pressed, int length) {
    if (keymap.length(row) < length) {
      return false;
    }
    for (int i = 2; i < length; i++) {
      if (matched[keymap.press(row, i)] != pressed[i]) {
        return false;
      }
    }
    return true;
  }

  /** Rows that are likely to be on the same presses. */
  public interface Alike {
    /**
     * Some rows of one context.
     *
     * @param rows of it, in order; the array is used again
     * @param count how many, two at least
     */
    void are(int[] rows, int count);
  }

  /** The rows of each context that share their first two presses, where several do. O(rows). */
  void forEachAlike(Alike each) {
    int[] rows = new int[16];
    for (int c = 0; c + 1 < start.length; c++) {
      int begin = start[c];
      for (int i = start[c]; i < start[c + 1]; i++) {
        if (i + 1 < start[c + 1] && sorted[i + 1] >>> ROW_BITS == sorted[i] >>> ROW_BITS) {
          continue;
        }
        int count = i + 1 - begin;
        if (count > 1) {
          rows = count > rows.length ? new int[2 * count] : rows;
          for (int k = 0; k < count; k++) {
            rows[k] = row(begin + k);
          }
          each.are(rows, count);
        }
        begin = i + 1;
      }
    }
  }

  private int row(int at) {
    return (int) sorted[at] & ROW;
  }

  private int lowest(long key, int from, int to) {
    int low = from;
    int high = to;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (sorted[middle] < key) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }
}
