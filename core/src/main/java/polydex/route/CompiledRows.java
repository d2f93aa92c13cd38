package polydex.route;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.RandomAccess;
import org.jspecify.annotations.Nullable;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
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
  private final BitSet inHold = new BitSet();
  private final BitSet types = new BitSet();

  /** Of each place where its rows stand in the list, and -1 for those that do not. */
  private final int[][] index;

  CompiledRows(CompiledSetup setup, Tracer tracer) {
    this.setup = setup;
    this.tracer = tracer;
    this.index = new int[setup.places().size()][];
  }

  private void next(int code) {
    int place = Place.placeOf(code);
    if (index[place] == null) {
      index[place] = new int[setup.places().get(place).keymap().rows()];
      Arrays.fill(index[place], -1);
    }
    index[place][Place.rowOf(code)] = size;
    if (size == codes.length) {
      codes = Arrays.copyOf(codes, 2 * size);
      ends = Arrays.copyOf(ends, 2 * size);
      objects = Arrays.copyOf(objects, 2 * size);
    }
  }

  /**
   * One that walked.
   *
   * @param end how it ended
   * @param byItself whether nothing else came of it
   * @param does whether that is what it says
   * @param typed whether it takes a stroke that types a character where nobody takes it
   */
  void walked(int code, int end, boolean byItself, boolean does, boolean typed) {
    next(code);
    codes[size] = code;
    ends[size] = end;
    alone.set(size, byItself);
    works.set(size, does);
    types.set(size, typed);
    plain.set(size);
    size++;
  }

  /** One that can't be typed. */
  void untypable(int code) {
    next(code);
    codes[size] = code;
    ends[size] = UNTYPABLE;
    alone.set(size);
    plain.set(size);
    size++;
  }

  /** One that was followed by the plain engine. */
  void followed(int code, TracedBinding traced) {
    next(code);
    codes[size] = code;
    objects[size] = traced;
    alone.set(size, traced.alone());
    works.set(size, traced.works());
    inHold.set(size, traced.opening() > 0);
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

  /** Which binding it is, as {@link Place#code}. */
  public int code(int at) {
    return codes[at];
  }

  /** Where a binding stands in the list; -1 where it does not. */
  public int indexOf(Place place, int row) {
    int[] of = index[place.number()];
    return of == null ? -1 : of[row];
  }

  /** Whether its presses begin with those that open a hold for it. */
  public boolean inHold(int at) {
    return inHold.get(at);
  }

  /** Whether one that walked takes a stroke that types a character where nobody takes it. */
  public boolean typesText(int at) {
    return types.get(at);
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

  /** Those for an action, in their order. */
  List<TracedBinding> of(ActionId action) {
    List<TracedBinding> found = new ArrayList<>();
    for (Place place : setup.places()) {
      for (int row : place.keymap().rowsOf(action)) {
        if (indexOf(place, row) >= 0) {
          found.add(get(indexOf(place, row)));
        }
      }
    }
    return found;
  }

  /** The user's own, in their order. */
  List<TracedBinding> own() {
    List<TracedBinding> found = new ArrayList<>();
    for (Place place : setup.places()) {
      for (int row = 0; place.own() && row < place.keymap().rows(); row++) {
        found.add(get(indexOf(place, row)));
      }
    }
    return found;
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
