package polydex.route;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment.Platform;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Step;

/**
 * A keymap on a layout as numbers: made once, and kept beside the catalogue for all setups that
 * have both. Every distinct press has a number here, and every member of a binding's family is a
 * row of its own, in the order of the keymap. O(bindings).
 */
public final class CompiledKeymap {
  private static final int KEYS = Key.values().length;

  /** Modifiers without sides, as {@link Modifiers} has them, behind the key of a stroke. */
  private static final int MODIFIERS = 7;

  private static final int STROKES = KEYS << MODIFIERS;

  private static final int BEGINNING = 9;
  private static final int CHARACTER = 7;
  private static final int MOST = (1 << CHARACTER) - 1;

  private final List<Binding> bindings;
  private Physical[] presses = new Physical[64];
  private int distinct;
  private final Map<Physical, Integer> numbers = new HashMap<>();

  /** Of each row its binding, and where its presses begin; a row more says where they end. */
  private int[] binding;

  private int[] from;
  private int rows;

  /** The presses of all rows, one behind the other. */
  private int[] list;

  private int listed;

  /** Members of families, by their rows; any other row has its binding's gesture. */
  private final Map<Integer, Gesture> members = new HashMap<>();

  /** Rows in which something stays down between presses. */
  private final BitSet keeping = new BitSet();

  private final String[] contexts;
  private final Map<String, Integer> contextNumbers = new HashMap<>();

  /** Of each binding. */
  private final int[] context;

  private final int[] action;
  private final ActionNumbers actionNumbers;

  /** Of each action how its id begins, one more so that 0 is one of which nobody has asked. */
  private final long[] beginnings;

  private final int[] conditional;

  /** The actions that have one row only. */
  private final BitSet isOnly = new BitSet();

  /** Rows by action, made when first asked for. */
  private volatile int @Nullable [][] rowsByAction;

  private final boolean opens;
  private final Map<CompiledScopes.Key, CompiledScopes> scopes = new ConcurrentHashMap<>();

  private CompiledKeymap(List<Binding> bindings, Layout layout, boolean together) {
    this.bindings = bindings;
    int size = bindings.size();
    binding = new int[size];
    from = new int[size + 1];
    list = new int[2 * size];
    context = new int[size];
    action = new int[size];
    actionNumbers = new ActionNumbers(size);
    boolean held = false;
    BitSet seen = new BitSet(size);
    int[] strokes = new int[STROKES];
    int[] under = new int[size];
    int conditions = 0;
    for (int i = 0; i < size; i++) {
      Binding b = bindings.get(i);
      String in = together ? "" : b.context();
      context[i] = contextNumbers.computeIfAbsent(in, _ -> contextNumbers.size());
      action[i] = actionNumbers.number(b.action());
      held |= b.heldContext().isPresent();
      if (!Binding.Condition.ALWAYS.equals(b.when())) {
        under[conditions++] = i;
      }
      if (b.gesture().isFamily()) {
        for (Gesture member : b.gesture().expand()) {
          members.put(rows, member);
          add(i, member, layout, strokes);
        }
      } else {
        add(i, b.gesture(), layout, strokes);
      }
    }
    opens = held;
    for (int row = 0; row < rows; row++) {
      int a = action(row);
      isOnly.set(a, !seen.get(a));
      seen.set(a);
    }
    beginnings = new long[actionNumbers.size()];
    conditional = Arrays.copyOf(under, conditions);
    contexts = new String[contextNumbers.size()];
    contextNumbers.forEach((id, n) -> contexts[n] = id);
  }

  /** That of an environment on a layout. */
  static CompiledKeymap of(Catalog catalog, EnvironmentId environment, Layout layout) {
    return catalog.made(environment, CompiledKeymap.class, layout, list -> apart(list, layout));
  }

  /** That of bindings that are asked in their contexts. */
  static CompiledKeymap apart(List<Binding> bindings, Layout layout) {
    return new CompiledKeymap(bindings, layout, false);
  }

  /** That of bindings that are all asked together, whatever their contexts. */
  static CompiledKeymap together(List<Binding> bindings, Layout layout) {
    return new CompiledKeymap(bindings, layout, true);
  }

  private void add(int of, Gesture gesture, Layout layout, int[] strokes) {
    if (rows + 1 == from.length) {
      from = Arrays.copyOf(from, 2 * from.length + 1);
      binding = Arrays.copyOf(binding, from.length);
    }
    binding[rows] = of;
    if (!addStrokes(gesture, layout, strokes)) {
      listed = from[rows];
      if (Presses.of(gesture, layout) instanceof Presses.Typable(List<Presses.Made> made)) {
        for (Presses.Made m : made) {
          list(numbers.computeIfAbsent(m.what(), this::number));
          if (m.stillHeld()) {
            keeping.set(rows);
          }
        }
      }
    }
    from[++rows] = listed;
  }

  /** What nearly all gestures are, with no object made of it; whether it was all of the gesture. */
  private boolean addStrokes(Gesture gesture, Layout layout, int[] strokes) {
    for (Step step : gesture.steps()) {
      if (!(step instanceof Step.Stroke s) || !s.held().keys().isEmpty()) {
        return false;
      }
      Modifiers held = s.held().modifiers();
      Key key;
      switch (s.key()) {
        case KeyRef.Placed p -> key = p.key();
        case KeyRef.Typed t -> {
          Optional<Layout.Typing> typing = layout.typing(t.codePoint());
          if (typing.isEmpty()) {
            return false;
          }
          key = typing.get().key();
          held = held.and(typing.get().level());
        }
        case KeyRef.AnyOf _ -> {
          return false;
        }
      }
      if (!held.equals(held.eitherSide())) {
        return false;
      }
      int stroke = key.ordinal() << MODIFIERS | held.bits();
      if (strokes[stroke] == 0) { // numbers are kept one higher, since an array begins with zeros
        Physical press = new Physical.Press(Held.of(held), key);
        strokes[stroke] = 1 + numbers.computeIfAbsent(press, this::number);
      }
      list(strokes[stroke] - 1);
    }
    return true;
  }

  private void list(int number) {
    if (listed == list.length) {
      list = Arrays.copyOf(list, 2 * list.length + 2);
    }
    list[listed++] = number;
  }

  private int number(Physical press) {
    if (distinct == presses.length) {
      presses = Arrays.copyOf(presses, 2 * distinct);
    }
    presses[distinct] = press;
    return distinct++;
  }

  /** How many rows it has. */
  public int rows() {
    return rows;
  }

  /** The binding of a row. */
  public Binding binding(int row) {
    return bindings.get(binding[row]);
  }

  int bindingNumber(int row) {
    return binding[row];
  }

  /** What is pressed: the binding's gesture, or a member of its family. */
  public Gesture gesture(int row) {
    Gesture member = members.isEmpty() ? null : members.get(row);
    return member == null ? binding(row).gesture() : member;
  }

  /** How many presses a row has; 0 where the layout can't type it. */
  public int length(int row) {
    return from[row + 1] - from[row];
  }

  /** The number of a press of a row. */
  public int press(int row, int at) {
    return list[from[row] + at];
  }

  /** The number of the context in which a row holds. */
  public int context(int row) {
    return context[binding[row]];
  }

  /** The number of an action's own, by which a row's is known here. */
  public int action(int row) {
    return action[binding[row]];
  }

  /**
   * How the id of an action begins, so that most of them can be put in order by numbers: nine
   * characters of seven bits. Of two ids that differ in this, the one of the lesser comes first.
   */
  public static long beginning(ActionId id) {
    String value = id.value();
    long found = 0;
    for (int i = 0; i < BEGINNING; i++) {
      int c = i < value.length() ? value.charAt(i) : 0;
      if (c > MOST) {
        // What is beyond is only known to come last here.
        int bits = CHARACTER * (BEGINNING - i);
        return (found << bits) | ((1L << bits) - 1);
      }
      found = (found << CHARACTER) | c;
    }
    return found;
  }

  /** The same of a row's action. */
  public long beginning(int row) {
    int a = action(row);
    if (beginnings[a] == 0) {
      beginnings[a] = 1 + beginning(actionNumbers.id(a)); // whoever makes it makes the same
    }
    return beginnings[a] - 1;
  }

  /** The rows that are for an action, in order. */
  public int[] rowsOf(ActionId id) {
    int number = actionNumbers.of(id);
    return number < 0 ? new int[0] : rowsOf(number);
  }

  /** The rows that are for an action by its number, in order. */
  public int[] rowsOf(int number) {
    int[][] all = rowsByAction;
    if (all == null) {
      all = byAction();
      rowsByAction = all;
    }
    return all[number];
  }

  /** The rows of a context, in order. */
  public int[] rowsIn(int number) {
    return IntStream.range(0, rows).filter(row -> context(row) == number).toArray();
  }

  /** Whether a row is the only one for its action. */
  public boolean isOnly(int row) {
    return isOnly.get(action(row));
  }

  /** The numbers of the actions that another keymap has as well. */
  public BitSet shared(CompiledKeymap other) {
    BitSet found = new BitSet();
    CompiledKeymap few = actionNumbers.size() < other.actionNumbers.size() ? this : other;
    CompiledKeymap many = few == this ? other : this;
    for (int n = 0; n < few.actionNumbers.size(); n++) {
      int there = many.actionNumbers.of(few.actionNumbers.id(n));
      if (there >= 0) {
        found.set(few == this ? n : there);
      }
    }
    return found;
  }

  private int[][] byAction() {
    int[] count = new int[actionNumbers.size()];
    for (int row = 0; row < rows; row++) {
      count[action(row)]++;
    }
    int[][] all = new int[count.length][];
    Arrays.setAll(all, a -> new int[count[a]]);
    for (int row = rows - 1; row >= 0; row--) {
      int a = action(row);
      all[a][--count[a]] = row;
    }
    return all;
  }

  boolean keeps(int row) {
    return !keeping.isEmpty() && keeping.get(row);
  }

  /** Whether a binding of it opens a context by being held. */
  boolean opens() {
    return opens;
  }

  String[] contexts() {
    return contexts;
  }

  /** The number of a context; -1 where nothing is bound in it. */
  public int contextNumber(String id) {
    return contextNumbers.getOrDefault(id, -1);
  }

  /** How many distinct presses there are. */
  int presses() {
    return distinct;
  }

  Physical press(int number) {
    return presses[number];
  }

  /** The bindings that are not as a test wants them; those under no condition are not asked. */
  BitSet without(Predicate<Binding> wanted) {
    BitSet off = new BitSet();
    IntStream.of(conditional).filter(i -> !wanted.test(bindings.get(i))).forEach(off::set);
    return off;
  }

  /** The bindings that are as a test wants them, all asked. */
  BitSet all(Predicate<Binding> wanted) {
    BitSet found = new BitSet();
    for (int i = 0; i < bindings.size(); i++) {
      found.set(i, wanted.test(bindings.get(i)));
    }
    return found;
  }

  /** Whether it is small enough for its scopes to be numbers. */
  boolean fits() {
    return rows <= CompiledScopes.MOST_ROWS && distinct <= CompiledScopes.MOST_PRESSES;
  }

  /** What its contexts take on a platform. */
  CompiledScopes scopes(Platform platform, BitSet off) {
    if (scopes.size() > CompiledScopes.MOST_KEPT) {
      scopes.clear();
    }
    return scopes.computeIfAbsent(
        new CompiledScopes.Key(platform.tellsAllApart(), off),
        k -> new CompiledScopes(this, platform, k.off()));
  }
}
