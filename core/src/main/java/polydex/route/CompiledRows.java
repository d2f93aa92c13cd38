package polydex.route;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.RandomAccess;
import org.jspecify.annotations.Nullable;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;

/**
 * Bindings of a compiled setup and how they end, as numbers. As a list they are objects, each made
 * when somebody looks at it, and the same one from then on.
 */
public final class CompiledRows extends AbstractList<TracedBinding> implements RandomAccess {
  private static final int UNTYPABLE = Integer.MIN_VALUE;

  private final CompiledSetup setup;
  private final Tracer tracer;
  private int size;
  private int[] codes = new int[64];
  private int[] ends = new int[64];
  private @Nullable TracedBinding[] objects = new TracedBinding[64];
  private final BitSet alone = new BitSet();
  private final BitSet works = new BitSet();
  private final BitSet plain = new BitSet();
  private boolean odd;

  CompiledRows(CompiledSetup setup, Tracer tracer) {
    this.setup = setup;
    this.tracer = tracer;
  }

  private void grow() {
    if (size == codes.length) {
      codes = Arrays.copyOf(codes, 2 * size);
      ends = Arrays.copyOf(ends, 2 * size);
      objects = Arrays.copyOf(objects, 2 * size);
    }
  }

  /** One that walked: it ended so. */
  void walked(int code, int end, boolean byItself, boolean does) {
    grow();
    codes[size] = code;
    ends[size] = end;
    alone.set(size, byItself);
    works.set(size, does);
    plain.set(size);
    size++;
  }

  /** One that can't be typed. */
  void untypable(int code) {
    grow();
    codes[size] = code;
    ends[size] = UNTYPABLE;
    alone.set(size);
    plain.set(size);
    size++;
  }

  /** One that was followed by the plain engine, and its row where it is one. */
  void followed(int code, TracedBinding traced) {
    grow();
    codes[size] = code;
    objects[size] = traced;
    alone.set(size, traced.alone());
    works.set(size, traced.works());
    odd = true;
    size++;
  }

  @Override
  public int size() {
    return size;
  }

  /** Whether a row walked, so that its end is a number; else it is an object. */
  public boolean walked(int at) {
    return plain.get(at);
  }

  /** Whether all did. */
  public boolean allWalked() {
    return !odd;
  }

  /** Which binding it is, as {@link Place#code}; -1 for one inside a hold. */
  public int code(int at) {
    return codes[at];
  }

  /** Whether the layout under the fingers can't type it. */
  public boolean cannotBeTyped(int at) {
    return plain.get(at) && ends[at] == UNTYPABLE;
  }

  /** Whether it does what it says. */
  public boolean works(int at) {
    return works.get(at);
  }

  /** Whether nothing else came of it before. */
  public boolean alone(int at) {
    return alone.get(at);
  }

  /** How one that can be typed ended, as {@link CompiledSetup#outcome(int)} has it. */
  public int end(int at) {
    return ends[at];
  }

  @Override
  public TracedBinding get(int at) {
    if (at >= size) {
      throw new IndexOutOfBoundsException(at);
    }
    TracedBinding made = objects[at];
    if (made == null) {
      made = make(at);
      objects[at] = made;
    }
    return made;
  }

  private TracedBinding make(int at) {
    Place place = setup.place(codes[at]);
    int row = CompiledSetup.row(codes[at]);
    Binding binding = place.binding(row);
    return new TracedBinding(
        place.layer(),
        place.environment(),
        binding,
        place.own(),
        place.gesture(row),
        0,
        place.active(row),
        outcome(at),
        alone.get(at),
        touches(at));
  }

  private Outcome outcome(int at) {
    if (ends[at] != UNTYPABLE) {
      return setup.outcome(ends[at]);
    }
    Place place = setup.place(codes[at]);
    Presses why = Presses.of(place.gesture(CompiledSetup.row(codes[at])), tracer.layout());
    return new Nothing(((Presses.Untypable) why).reason());
  }

  /** The bits of its presses, as {@link Touched} counts them. */
  long touches(int at) {
    return objects[at] != null ? objects[at].touches() : setup.touches(codes[at]);
  }

  /** The hash of its action, and whether it is one of the user's own. */
  Binding binding(int at) {
    return objects[at] != null
        ? objects[at].binding()
        : setup.place(codes[at]).binding(CompiledSetup.row(codes[at]));
  }

  boolean own(int at) {
    return objects[at] != null ? objects[at].own() : setup.place(codes[at]).own();
  }
}
