package polydex.fit;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import polydex.boards.Board;
import polydex.boards.Board.KeyPlace;
import polydex.catalog.ActionId;
import polydex.catalog.Environment;
import polydex.effort.StrokeEffort;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers.Side;
import polydex.recall.DrillItem;
import polydex.route.Remap;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.ModifierPart;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.Situation;
import polydex.route.Situation.Computer;

/**
 * The best remap among the permutations of five modifiers on one or two computers, for an aim.
 *
 * <p>Problem: which modifier should each modifier key be? Method: every one of the 120 permutations
 * is judged on each computer by itself, whole; with two computers the pairs are ranked by what the
 * single ones came to, and the best pairs are judged together, since a setup may hold both. O(120 ·
 * computers) judgements, and 14,400 sums for a pair.
 */
public final class RemapSearch {
  /** The modifiers that are moved about. */
  public static final List<Modifier> MODIFIERS =
      List.of(Modifier.CTRL, Modifier.SHIFT, Modifier.ALT, Modifier.ALTGR, Modifier.META);

  /** So many of the best are given. */
  static final int BEST = 9;

  /** A key belongs to the thumb that is no further from the space bar, in key widths. */
  private static final double BESIDE_SPACE = 0.3;

  /** What the user wants of it. */
  public enum Aim {
    /** The primary modifier lies beside the space bar. */
    THUMB(worded("fit.the-primary-modifier-under-the-thumb")),
    /** The most used actions take the same keys on both computers. */
    SAME_KEYS(worded("fit.the-same-keys-for-what-i")),
    /** What is used takes the least effort. */
    LEAST_EFFORT(worded("fit.least-effort-for-what-i-do"));

    private final String title;

    Aim(String title) {
      this.title = title;
    }

    /** As people say it. */
    public String title() {
      return title;
    }
  }

  /**
   * A candidate.
   *
   * @param drafts for each computer that changes
   * @param aim how far it reaches the aim: computers with the primary modifier under the thumb,
   *     actions with the same keys, or points a working day
   * @param changes what it costs
   */
  public record Found(List<RemapDraft> drafts, double aim, RemapChanges changes) {
    /** Copies the list. */
    public Found {
      drafts = List.copyOf(drafts);
    }
  }

  /** A permutation on one computer, judged by itself. */
  private record Single(
      Optional<RemapDraft> draft,
      boolean thumb,
      RemapChanges changes,
      Map<ActionId, Set<Gesture>> keys) {}

  private final RemapJudge judge;
  private final List<Computer> computers;
  private final List<ActionId> mostUsed;

  /**
   * Ready to search.
   *
   * @param computers one or two
   * @param mostUsed the ids of what is used most, for {@link Aim#SAME_KEYS}
   * @throws IllegalArgumentException for no computer, or more than two
   */
  public RemapSearch(RemapJudge judge, List<Computer> computers, Collection<ActionId> mostUsed) {
    if (computers.isEmpty() || computers.size() > 2) {
      throw new IllegalArgumentException(worded("fit.one-or-two-computers"));
    }
    this.judge = judge;
    this.computers = List.copyOf(computers);
    this.mostUsed = List.copyOf(mostUsed);
  }

  /** How many are judged in all. */
  public int size() {
    return computers.size() * permutations().size();
  }

  /**
   * The best, best first: by the aim, then by what is lost, then by what moves, then by effort.
   *
   * @param judged hears how many were judged so far
   * @param stopped whether nobody waits for them any more; what was found so far is given then
   */
  public List<Found> best(Aim aim, IntConsumer judged, BooleanSupplier stopped) {
    List<List<Single>> singles = new ArrayList<>();
    int done = 0;
    for (Computer computer : computers) {
      List<Single> here = new ArrayList<>();
      for (List<Modifier> to : permutations()) {
        if (stopped.getAsBoolean() && !here.isEmpty()) {
          break;
        }
        here.add(single(computer, to));
        judged.accept(++done);
      }
      singles.add(here);
    }
    return computers.size() == 1 ? ofOne(aim, singles.getFirst()) : ofTwo(aim, singles);
  }

  /** What one candidate on one computer comes to; one of those that {@link #best} looks at. */
  public RemapChanges judged(Computer computer, List<Modifier> to) {
    return single(computer, to).changes();
  }

  private List<Found> ofOne(Aim aim, List<Single> singles) {
    return singles.stream()
        .map(
            s ->
                new Found(
                    s.draft().stream().toList(),
                    aim(aim, List.of(s), s.changes().effortAfter()),
                    s.changes()))
        .sorted(order(aim))
        .limit(BEST)
        .toList();
  }

  private List<Found> ofTwo(Aim aim, List<List<Single>> singles) {
    record Pair(Single one, Single other, double aim, double costs) {}
    List<Pair> pairs = new ArrayList<>();
    for (Single one : singles.get(0)) {
      for (Single other : singles.get(1)) {
        double effort = one.changes().effortAfter() + other.changes().effortAfter();
        double costs =
            1000.0 * (one.changes().loses().size() + other.changes().loses().size())
                + one.changes().usesMoved()
                + other.changes().usesMoved();
        pairs.add(new Pair(one, other, aim(aim, List.of(one, other), effort), costs));
      }
    }
    Comparator<Pair> first = Comparator.comparingDouble(Pair::aim);
    return pairs.stream()
        .sorted(
            (aim == Aim.LEAST_EFFORT ? first : first.reversed()).thenComparingDouble(Pair::costs))
        .limit(BEST)
        .map(
            p -> {
              List<RemapDraft> drafts = new ArrayList<>(p.one().draft().stream().toList());
              p.other().draft().ifPresent(drafts::add);
              RemapChanges together = judge.of(drafts);
              return new Found(
                  drafts, aim == Aim.LEAST_EFFORT ? together.effortAfter() : p.aim(), together);
            })
        .sorted(order(aim))
        .toList();
  }

  private static Comparator<Found> order(Aim aim) {
    Comparator<Found> first = Comparator.comparingDouble(Found::aim);
    return (aim == Aim.LEAST_EFFORT ? first : first.reversed())
        .thenComparingInt(f -> f.changes().loses().size())
        .thenComparingDouble(f -> f.changes().usesMoved())
        .thenComparingDouble(f -> f.changes().effortAfter())
        .thenComparingInt(f -> f.changes().moves().size());
  }

  private double aim(Aim aim, List<Single> singles, double effort) {
    return switch (aim) {
      case THUMB -> singles.stream().filter(Single::thumb).count();
      case LEAST_EFFORT -> effort;
      case SAME_KEYS -> {
        if (singles.size() == 1) {
          yield sameElsewhere(singles.getFirst());
        }
        Map<ActionId, Set<Gesture>> other = singles.get(1).keys();
        yield singles.getFirst().keys().entrySet().stream()
            .filter(
                e ->
                    e.getValue().stream()
                        .anyMatch(other.getOrDefault(e.getKey(), Set.of())::contains))
            .count();
      }
    };
  }

  /** Of one computer: how many have the same keys as in a setup in which it does not stand. */
  private double sameElsewhere(Single single) {
    Map<ActionId, Set<Gesture>> others = new HashMap<>();
    for (Setup setup : judge.situation().setups().values()) {
      if (setup.machines().stream().noneMatch(computers.getFirst()::is)) {
        collect(judge.ways(setup.id()), others);
      }
    }
    return single.keys().entrySet().stream()
        .filter(
            e ->
                e.getValue().stream().anyMatch(others.getOrDefault(e.getKey(), Set.of())::contains))
        .count();
  }

  private Single single(Computer computer, List<Modifier> to) {
    Optional<RemapDraft> draft = draft(computer, to);
    Situation after = judge.situation();
    if (draft.isPresent()) {
      after = draft.get().applyTo(after);
    }
    Map<SetupId, Map<DrillItem, RemapJudge.Best>> ways = new HashMap<>();
    RemapChanges changes = judge.of(after, ways);
    Map<ActionId, Set<Gesture>> keys = new HashMap<>();
    for (Setup setup : after.setups().values()) {
      if (setup.machines().stream().anyMatch(computer::is)) {
        collect(ways.getOrDefault(setup.id(), Map.of()), keys);
      }
    }
    return new Single(draft, thumb(computer, to), changes, keys);
  }

  private void collect(Map<DrillItem, RemapJudge.Best> ways, Map<ActionId, Set<Gesture>> into) {
    ways.forEach(
        (item, best) -> {
          if (mostUsed.contains(item.action())) {
            into.computeIfAbsent(item.action(), _ -> new HashSet<>()).add(best.gesture());
          }
        });
  }

  /** Whether the primary modifier of the computer lies beside the space bar. */
  private boolean thumb(Computer computer, List<Modifier> to) {
    Situation situation = judge.situation();
    Optional<Modifier> primary =
        situation
            .world()
            .catalog()
            .environment(computer.platform())
            .flatMap(Environment::platform)
            .map(Environment.Platform::primary);
    List<Board> boards =
        situation.setups().values().stream()
            .filter(s -> s.machines().stream().anyMatch(computer::is))
            .map(s -> situation.world().boards().get(s.board()))
            .distinct()
            .toList();
    return primary.isPresent()
        && boards.stream()
            .allMatch(
                b ->
                    besideSpace(b).stream()
                        .anyMatch(m -> to.get(MODIFIERS.indexOf(m)) == primary.get()));
  }

  private static List<Modifier> besideSpace(Board board) {
    Map<Key, KeyPlace> places = board.byKey();
    KeyPlace space = places.get(Key.Space);
    Map<Key, Modifier> keys = new LinkedHashMap<>();
    keys.put(Key.AltLeft, Modifier.ALT);
    keys.put(Key.MetaLeft, Modifier.META);
    keys.put(Key.ControlLeft, Modifier.CTRL);
    keys.put(Key.AltRight, Modifier.ALTGR);
    keys.put(Key.MetaRight, Modifier.META);
    keys.put(Key.ControlRight, Modifier.CTRL);
    double room = BESIDE_SPACE * StrokeEffort.KEY_WIDTH;
    return space == null
        ? List.of()
        : keys.entrySet().stream()
            .filter(
                e -> {
                  KeyPlace at = places.get(e.getKey());
                  return at != null
                      && Math.abs(at.y() - space.y()) < room
                      && (Math.abs(at.x() + at.width() - space.x()) < room
                          || Math.abs(space.x() + space.width() - at.x()) < room);
                })
            .map(Map.Entry::getValue)
            .toList();
  }

  /** The remap of a permutation; none for the one that changes nothing. */
  static Optional<RemapDraft> draft(Computer computer, List<Modifier> to) {
    List<KeyRule> rules = new ArrayList<>();
    for (int i = 0; i < to.size(); i++) {
      if (to.get(i) != MODIFIERS.get(i)) {
        rules.add(
            new KeyRule(
                new ModifierPart(MODIFIERS.get(i), Side.EITHER),
                Optional.of(new ModifierPart(to.get(i), Side.EITHER))));
      }
    }
    String title = rules.stream().map(RemapWords::of).collect(Collectors.joining(", "));
    return rules.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new RemapDraft(
                computer.title() + ": " + title,
                computer,
                false,
                new Remap(title, Optional.empty(), List.of(), rules),
                RemapDraft.Effect.SIGN_IN,
                false));
  }

  /** Every order of the modifiers; what each of them becomes. */
  public static List<List<Modifier>> permutations() {
    List<List<Modifier>> all = new ArrayList<>();
    all.add(List.of());
    for (int i = 0; i < MODIFIERS.size(); i++) {
      List<List<Modifier>> longer = new ArrayList<>();
      for (List<Modifier> some : all) {
        for (Modifier m : MODIFIERS) {
          if (!some.contains(m)) {
            List<Modifier> more = new ArrayList<>(some);
            more.add(m);
            longer.add(more);
          }
        }
      }
      all = longer;
    }
    return all;
  }
}
