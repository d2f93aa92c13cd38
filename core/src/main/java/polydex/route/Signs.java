package polydex.route;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.IntConsumer;
import java.util.function.IntPredicate;
import polydex.catalog.ActionId;

/**
 * What is asked of all traced bindings one after the other, in arrays beside them: looking at
 * 100,000 words in a row takes a hundredth of the time of fetching as many objects.
 */
final class Signs {
  /** Of each binding, as {@link TracedBinding#touches} says. */
  private final long[] touches;

  /** Of each binding the hash of its action, negative for the user's own. */
  private final int[] actions;

  private Signs(long[] touches, int[] actions) {
    this.touches = touches;
    this.actions = actions;
  }

  static Signs of(List<TracedBinding> all) {
    Signs signs = new Signs(new long[all.size()], new int[all.size()]);
    for (int i = 0; i < all.size(); i++) {
      signs.put(i, all.get(i));
    }
    return signs;
  }

  /** The same, with no object made of a binding. */
  static Signs of(CompiledRows rows) {
    Signs signs = new Signs(new long[rows.size()], new int[rows.size()]);
    for (int i = 0; i < rows.size(); i++) {
      signs.put(i, rows.touches(i), rows.binding(i).action(), rows.own(i));
    }
    return signs;
  }

  private void put(int at, TracedBinding t) {
    put(at, t.touches(), t.binding().action(), t.own());
  }

  private void put(int at, long touch, ActionId action, boolean own) {
    touches[at] = touch;
    actions[at] = hash(action) | (own ? Integer.MIN_VALUE : 0);
  }

  private static int hash(ActionId action) {
    return action.hashCode() & Integer.MAX_VALUE;
  }

  /**
   * The signs after some bindings were replaced by none, one or several.
   *
   * @param instead by their place before, in order
   */
  Signs replacing(Map<Integer, List<TracedBinding>> instead) {
    int size = touches.length;
    for (List<TracedBinding> now : instead.values()) {
      size += now.size() - 1;
    }
    Signs changed = new Signs(Arrays.copyOf(touches, size), Arrays.copyOf(actions, size));
    int from = 0;
    int to = 0;
    for (Map.Entry<Integer, List<TracedBinding>> e : instead.entrySet()) {
      int length = e.getKey() - from;
      System.arraycopy(touches, from, changed.touches, to, length);
      System.arraycopy(actions, from, changed.actions, to, length);
      to += length;
      for (TracedBinding t : e.getValue()) {
        changed.put(to++, t);
      }
      from = e.getKey() + 1;
    }
    System.arraycopy(touches, from, changed.touches, to, touches.length - from);
    System.arraycopy(actions, from, changed.actions, to, actions.length - from);
    return changed;
  }

  /** Each place whose binding touches one of these bits, or nothing at all. */
  void touching(long bits, IntConsumer each) {
    for (int i = 0; i < touches.length; i++) {
      if ((touches[i] & bits) != 0 || touches[i] == 0) {
        each.accept(i);
      }
    }
  }

  /** A test of places that lets all through whose binding is for one of these actions. */
  IntPredicate mayBeFor(Iterable<ActionId> wanted) {
    boolean[] table = new boolean[1 << 14];
    wanted.forEach(a -> table[hash(a) & (table.length - 1)] = true);
    return i -> table[actions[i] & (table.length - 1)];
  }

  boolean own(int at) {
    return actions[at] < 0;
  }
}
