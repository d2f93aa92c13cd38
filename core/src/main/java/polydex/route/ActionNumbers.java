package polydex.route;

import java.util.Arrays;
import polydex.catalog.ActionId;

/**
 * Numbers for actions, from 0 in the order in which they come; a hash table without an object for
 * each, since keymaps of 100,000 are made ready while somebody waits.
 */
final class ActionNumbers {
  private static final int SPREAD = 0x9E3779B9; // the golden ratio, as in Knuth's hashing

  private final int[] table;
  private final int[] hashes;
  private final ActionId[] ids;
  private int size;

  /** For at most so many. */
  ActionNumbers(int most) {
    table = new int[Integer.highestOneBit(Math.max(8, 2 * most)) * 2];
    hashes = new int[table.length];
    Arrays.fill(table, -1);
    ids = new ActionId[Math.max(8, most)];
  }

  /** The number of an action, a new one if it has none. */
  int number(ActionId id) {
    int at = find(id);
    if (table[at] < 0) {
      table[at] = size;
      hashes[at] = id.hashCode();
      ids[size++] = id;
    }
    return table[at];
  }

  /** The number of an action; -1 where it has none. */
  int of(ActionId id) {
    return table[find(id)];
  }

  ActionId id(int number) {
    return ids[number];
  }

  int size() {
    return size;
  }

  private int find(ActionId id) {
    int hash = id.hashCode();
    int mask = table.length - 1;
    int at = (hash * SPREAD) >>> Integer.numberOfLeadingZeros(mask);
    while (table[at] >= 0 && (hashes[at] != hash || !ids[table[at]].equals(id))) {
      at = (at + 1) & mask;
    }
    return at;
  }
}
