package polydex.route;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Arrays;
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

  private static final int WALKED = 1;
  private static final int ALONE = 2;
  private static final int WORKS = 4;
  private static final int IN_HOLD = 8;
  private static final int TYPES = 16;

  private final CompiledSetup setup;
  private final Tracer tracer;
  private int size;
  private int[] codes;
  private int[] ends;
  private @Nullable TracedBinding[] objects;
  private byte[] signs;

  /** Of each place where its rows stand in the list, and -1 for those that do not. */
  private final int[][] index;

  CompiledRows(CompiledSetup setup, Tracer tracer, int expected) {
    this.setup = setup;
    this.tracer = tracer;
    this.index = new int[setup.places().size()][];
    int most = Math.max(8, expected);
    codes = new int[most];
    ends = new int[most];
    objects = new TracedBinding[most];
    signs = new byte[most];
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
      signs = Arrays.copyOf(signs, 2 * size);
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
    signs[size++] =
        (byte) (WALKED | (byItself ? ALONE : 0) | (does ? WORKS : 0) | (typed ? TYPES : 0));
  }

  /** One that can't be typed. */
  void untypable(int code) {
    next(code);
    codes[size] = code;
    ends[size] = UNTYPABLE;
    signs[size++] = WALKED | ALONE;
  }

  /** One that was followed by the plain engine. */
  void followed(int code, TracedBinding traced) {
    next(code);
    codes[size] = code;
    objects[size] = traced;
    signs[size++] =
        (byte)
            ((traced.alone() ? ALONE : 0)
                | (traced.works() ? WORKS : 0)
                | (traced.opening() > 0 ? IN_HOLD : 0));
  }

  @Override
  public int size() {
    return size;
  }

  private boolean has(int at, int sign) {
    return (signs[at] & sign) != 0;
  }

  /** Whether a row walked, so that its end is a number; else it is an object. */
  public boolean walked(int at) {
    return has(at, WALKED);
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
    return has(at, IN_HOLD);
  }

  /** Whether one that walked takes a stroke that types a character where nobody takes it. */
  public boolean typesText(int at) {
    return has(at, TYPES);
  }

  /** Whether the layout under the fingers can't type it. */
  public boolean cannotBeTyped(int at) {
    return has(at, WALKED) && ends[at] == UNTYPABLE;
  }

  /** Whether it does what it says. */
  public boolean works(int at) {
    return has(at, WORKS);
  }

  /** Whether nothing else came of it before. */
  public boolean alone(int at) {
    return has(at, ALONE);
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

  @Override
  public Object[] toArray() {
    for (int i = 0; i < size; i++) {
      get(i);
    }
    return Arrays.copyOf(objects, size, Object[].class);
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
        has(at, ALONE),
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
