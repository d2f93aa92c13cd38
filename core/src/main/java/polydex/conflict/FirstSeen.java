package polydex.conflict;

import java.util.Arrays;
import java.util.function.IntPredicate;

/** Finds of many things the first that is the same, by their numbers; a hash table of ints. */
final class FirstSeen {
  /** Whether two things are the same. */
  interface Same {
    boolean are(int one, int other);
  }

  private static final int SPREAD = 0x9E3779B9; // the golden ratio, as in Knuth's hashing

  private final int[] table;
  private final int[] hashes;
  private final Same same;

  /** For at most so many things. */
  FirstSeen(int most, Same same) {
    table = new int[Integer.highestOneBit(Math.max(8, 2 * most)) * 2];
    hashes = new int[table.length];
    Arrays.fill(table, -1);
    this.same = same;
  }

  /** The first thing that is the same as one, which may be itself. */
  int firstOf(int thing, int hash) {
    int at = find(hash, other -> same.are(other, thing));
    if (table[at] < 0) {
      table[at] = thing;
      hashes[at] = hash;
    }
    return table[at];
  }

  /** The first that is as wanted of those with a hash; -1 where none is. */
  int first(int hash, IntPredicate wanted) {
    return table[find(hash, wanted)];
  }

  private int find(int hash, IntPredicate wanted) {
    int mask = table.length - 1;
    int at = (hash * SPREAD) >>> Integer.numberOfLeadingZeros(mask);
    while (table[at] >= 0 && (hashes[at] != hash || !wanted.test(table[at]))) {
      at = (at + 1) & mask;
    }
    return at;
  }
}
