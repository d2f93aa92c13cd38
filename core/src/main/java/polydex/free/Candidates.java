package polydex.free;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.effort.StrokeEffort;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.SetupTraces;
import polydex.route.Situation.Computer;

/**
 * The gestures that are looked at when one is wanted, on the boards of some setups: strokes, and
 * behind one that is given, sequences and holds. Ordered by effort, so that the easiest come first.
 * O(keys · sets of modifiers · boards).
 */
public final class Candidates {
  /** What people hold for a stroke: one to three modifiers, of which Shift alone only types. */
  public static final List<Modifiers> HELD = held();

  private static final Set<Key> LETTERS = EnumSet.range(Key.KeyA, Key.KeyZ);
  private static final Set<Key> DIGITS = EnumSet.range(Key.Digit1, Key.Digit0);

  private static final Comparator<Candidate> EASIEST =
      Comparator.comparingDouble(Candidate::effort).thenComparing(c -> c.gesture().toString());

  private final List<Board> boards;
  private final List<StrokeEffort> efforts;
  private final Layout layout;

  /**
   * For boards.
   *
   * @param layout by which gestures are written
   */
  public Candidates(List<Board> boards, Layout layout) {
    this.boards = List.copyOf(boards);
    this.layout = layout;
    this.efforts = boards.stream().map(StrokeEffort::new).toList();
  }

  /**
   * For the boards of some setups, written by the layout of the first.
   *
   * @param setups at least one
   */
  public static Candidates of(List<SetupTraces> setups) {
    return new Candidates(
        setups.stream().map(t -> t.world().boards().get(t.setup().board())).distinct().toList(),
        setups.getFirst().tracer().layout());
  }

  private static List<Modifiers> held() {
    List<Modifier> some = List.of(Modifier.CTRL, Modifier.ALT, Modifier.META, Modifier.SHIFT);
    List<Modifiers> all = new ArrayList<>();
    for (int bits = 1; bits < 1 << some.size(); bits++) {
      Modifiers held = Modifiers.NONE;
      for (int i = 0; i < some.size(); i++) {
        held = (bits & 1 << i) == 0 ? held : held.and(some.get(i));
      }
      if (held.count() < some.size() && !held.equals(Modifiers.of(Modifier.SHIFT))) {
        all.add(held);
      }
    }
    return List.copyOf(all);
  }

  /** Each key that can be the key of a stroke, with these held; as the keyboard is drawn. */
  public List<Candidate> with(Modifiers held) {
    List<Candidate> all = new ArrayList<>();
    for (Key key : Key.values()) {
      if (!key.isModifier() && boards.stream().anyMatch(b -> b.has(key))) {
        all.add(candidate(List.of(Made.afresh(new Physical.Press(Held.of(held), key)))));
      }
    }
    return all;
  }

  /**
   * One stroke, with {@link #HELD}.
   *
   * @param leastModifiers how many of them at least
   */
  public List<Candidate> strokes(int leastModifiers) {
    return sorted(
        HELD.stream().filter(h -> h.count() >= leastModifiers).flatMap(h -> with(h).stream()));
  }

  /**
   * One stroke as the platforms of some computers take it for a binding of one's own: with enough
   * modifiers, at least {@link Proposals#MODIFIERS}, and with those that a platform adds by itself.
   */
  public List<Candidate> own(Catalog catalog, Set<Computer> computers) {
    Modifiers added = Modifiers.NONE;
    int least = Proposals.MODIFIERS;
    for (Computer computer : computers) {
      Optional<OwnBindingRules> rules =
          catalog
              .environment(computer.platform())
              .flatMap(Environment::platform)
              .flatMap(Environment.Platform::ownBindings);
      if (rules.isPresent()) {
        added = added.and(Modifiers.of(rules.get().added().toArray(new Modifier[0])));
        least = Math.max(least, rules.get().leastModifiers());
      }
    }
    Modifiers needed = added;
    int fewest = least;
    return sorted(
        HELD.stream()
            .filter(h -> h.count() >= fewest && h.hasAll(needed))
            .flatMap(h -> with(h).stream()));
  }

  /** A stroke and a letter or digit after it. */
  public List<Candidate> after(Candidate first) {
    return sorted(
        keys()
            .map(
                key -> {
                  List<Made> presses = new ArrayList<>(first.presses());
                  presses.add(Made.afresh(new Physical.Press(Held.NOTHING, key)));
                  return candidate(presses);
                }));
  }

  /** A stroke and another letter or digit while its modifiers stay down. */
  public List<Candidate> within(Candidate first) {
    Made last = first.presses().getLast();
    return sorted(
        keys()
            .map(
                key -> {
                  List<Made> presses = new ArrayList<>(first.presses());
                  presses.add(
                      new Made(new Physical.Press(last.what().held(), key), last.what().held()));
                  return candidate(presses);
                }));
  }

  private Stream<Key> keys() {
    return Stream.of(Key.values())
        .filter(k -> LETTERS.contains(k) || DIGITS.contains(k))
        .filter(k -> boards.stream().anyMatch(b -> b.has(k)));
  }

  /** The candidate that a gesture is; none where it can't be pressed on the layout. */
  public Optional<Candidate> of(Gesture gesture) {
    return Presses.of(gesture, layout) instanceof Presses.Typable(var made)
        ? Optional.of(
            new Candidate(
                gesture, made, efforts.stream().mapToDouble(e -> e.of(made)).max().orElse(0)))
        : Optional.empty();
  }

  /** The effort of a gesture, in points; none where it can't be pressed. */
  public Optional<Double> effort(Gesture gesture) {
    return of(gesture).map(Candidate::effort);
  }

  /** The candidate that presses make. */
  Candidate candidate(List<Made> presses) {
    Gesture gesture = Presses.gesture(presses, layout);
    double effort = efforts.stream().mapToDouble(e -> e.of(presses)).max().orElse(0);
    return new Candidate(gesture, presses, effort);
  }

  private static List<Candidate> sorted(Stream<Candidate> all) {
    return all.sorted(EASIEST).toList();
  }
}
