package polydex.person;

import static java.util.stream.Collectors.groupingBy;
import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.conflict.Conflict;
import polydex.effort.Finger;
import polydex.effort.StrokeEffort;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.route.KeyUses.Use;
import polydex.route.SetupId;
import polydex.totals.Habit;
import polydex.totals.Standing;

/**
 * How a person stands with what the keys of a board do: for everything that can be held, what of it
 * is known, how often it is used, and what goes wrong.
 *
 * @param layers for each set of modifiers with which something happens or should happen, its keys
 */
public record KeyStates(Map<Modifiers, Map<Key, KeyState>> layers) {

  /** How well something is known by keys. */
  public enum Known {
    /** Fluent in drills, or replaced by the log: of the last twenty uses nearly all by keys. */
    FLUENT(worded("person.fluent")),
    /** Answered in a drill, or used by keys. */
    LEARNING(worded("person.learning")),
    /** Neither. */
    NEVER(worded("person.never-used-by-keys"));

    private final String said;

    Known(String said) {
      this.said = said;
    }

    /** As people say it. */
    public String said() {
      return said;
    }
  }

  /**
   * A key with something held.
   *
   * @param uses what it does; in a keymap several things in several contexts
   * @param known how well the first of them is known; none where it does nothing
   * @param usesADay uses of all of them, a working day, by whatever device
   * @param conflicts those whose loser begins with this press, the worst first
   */
  public record KeyState(
      List<Use> uses, Optional<Known> known, double usesADay, List<Conflict> conflicts) {}

  /**
   * What some layers come to; an action that several presses do counts once.
   *
   * @param actions how many different ones
   * @param used how many of them were ever used
   * @param usesADay of all of them, a working day
   * @param conflicts how many presses do not do what a keymap says
   */
  public record Share(
      int actions, Map<Known, Integer> known, int used, double usesADay, int conflicts) {
    /** The share of the actions that is known so, 0 to 1; 0 of none. */
    public double of(Known state) {
      return actions == 0 ? 0 : (double) known.getOrDefault(state, 0) / actions;
    }
  }

  /**
   * What is known of a person.
   *
   * @param drills the state of every item that was drilled
   * @param standing what the mouse log comes to
   */
  public record Seen(Map<DrillItem, ItemState> drills, Standing standing) {}

  /**
   * Of keys and what they do, on the layout under the fingers. O(keys + log's places + conflicts).
   *
   * @param setup the setup whose uses count; none for those of all
   */
  public static KeyStates of(
      Map<Modifiers, Map<Key, List<Use>>> uses,
      List<Conflict> conflicts,
      Layout layout,
      Seen seen,
      Optional<SetupId> setup) {
    Map<DrillItem, List<Standing.Entry>> entries =
        seen.standing().entries().stream()
            .filter(e -> setup.isEmpty() || e.place().setup().equals(setup.get()))
            .filter(e -> e.place().action().isPresent())
            .collect(
                groupingBy(
                    e -> new DrillItem(e.place().environment(), e.place().action().orElseThrow())));
    double days = Math.max(1, seen.standing().days().size());
    Function<DrillItem, Known> known =
        item ->
            known(
                Optional.ofNullable(seen.drills().get(item)),
                entries.getOrDefault(item, List.of()));
    ToDoubleFunction<DrillItem> usesADay =
        item ->
            entries.getOrDefault(item, List.of()).stream()
                    .mapToInt(e -> e.byKeys() + e.byPointer())
                    .sum()
                / days;
    Map<Modifiers, Map<Key, List<Conflict>>> lost = lost(conflicts, layout);
    Map<Modifiers, Map<Key, KeyState>> layers = new HashMap<>();
    Set<Modifiers> held = new HashSet<>(uses.keySet());
    held.addAll(lost.keySet());
    for (Modifiers h : held) {
      layers.put(
          h,
          layer(uses.getOrDefault(h, Map.of()), lost.getOrDefault(h, Map.of()), known, usesADay));
    }
    return new KeyStates(layers);
  }

  private static Map<Key, KeyState> layer(
      Map<Key, List<Use>> uses,
      Map<Key, List<Conflict>> lost,
      Function<DrillItem, Known> known,
      ToDoubleFunction<DrillItem> usesADay) {
    Map<Key, KeyState> keys = new EnumMap<>(Key.class);
    Set<Key> all = new HashSet<>(uses.keySet());
    all.addAll(lost.keySet());
    for (Key key : all) {
      List<Use> does = uses.getOrDefault(key, List.of());
      keys.put(
          key,
          new KeyState(
              does,
              does.stream().findFirst().map(KeyStates::item).map(known),
              does.stream().map(KeyStates::item).distinct().mapToDouble(usesADay).sum(),
              lost.getOrDefault(key, List.of())));
    }
    return keys;
  }

  private static Known known(Optional<ItemState> drilled, List<Standing.Entry> log) {
    boolean fluent =
        drilled.filter(ItemState::isFluent).isPresent()
            || log.stream().anyMatch(e -> e.byUses() == Habit.State.REPLACED);
    boolean begun = drilled.isPresent() || log.stream().anyMatch(e -> e.byKeys() > 0);
    return fluent ? Known.FLUENT : begun ? Known.LEARNING : Known.NEVER;
  }

  /** Conflicts by the press with which their loser begins, in their order. */
  private static Map<Modifiers, Map<Key, List<Conflict>>> lost(
      List<Conflict> conflicts, Layout layout) {
    Map<Modifiers, Map<Key, List<Conflict>>> all = new HashMap<>();
    for (Conflict conflict : conflicts) {
      Presses.physical(conflict.loser().gesture(), layout)
          .filter(presses -> !presses.isEmpty())
          .map(List::getFirst)
          .filter(Physical.Press.class::isInstance)
          .map(Physical.Press.class::cast)
          .ifPresent(
              press ->
                  all.computeIfAbsent(
                          press.held().modifiers().eitherSide(), _ -> new EnumMap<>(Key.class))
                      .computeIfAbsent(press.key(), _ -> new ArrayList<>())
                      .add(conflict));
    }
    return all;
  }

  private static DrillItem item(Use use) {
    return new DrillItem(use.environment(), use.action());
  }

  /** The keys with something held; none where nothing happens. */
  public Map<Key, KeyState> layer(Modifiers held) {
    return layers.getOrDefault(held, Map.of());
  }

  /** What all layers come to. */
  public Share share() {
    return share(layers.values());
  }

  /** What one layer comes to. */
  public Share share(Modifiers held) {
    return share(List.of(layer(held)));
  }

  private static Share share(Collection<Map<Key, KeyState>> of) {
    Map<Known, Integer> known = new EnumMap<>(Known.class);
    Set<DrillItem> counted = new LinkedHashSet<>();
    Set<Conflict> lost = new HashSet<>();
    double usesADay = 0;
    int used = 0;
    for (Map<Key, KeyState> layer : of) {
      for (KeyState state : layer.values()) {
        lost.addAll(state.conflicts());
        if (!state.uses().isEmpty() && counted.add(item(state.uses().getFirst()))) {
          known.merge(state.known().orElseThrow(), 1, Integer::sum);
          usesADay += state.usesADay();
          used += state.usesADay() > 0 ? 1 : 0;
        }
      }
    }
    return new Share(counted.size(), known, used, usesADay, lost.size());
  }

  /**
   * Uses a working day that fall to each finger, over all layers: an action counts at the easiest
   * of the presses that do it.
   */
  public Map<Finger, Double> loads(StrokeEffort effort) {
    record Way(Key key, double effort, double usesADay) {}
    Map<DrillItem, Way> easiest = new HashMap<>();
    layers.forEach(
        (held, keys) ->
            keys.forEach(
                (key, state) -> {
                  if (!state.uses().isEmpty()) {
                    Physical press = new Physical.Press(Held.of(held), key);
                    Way way =
                        new Way(
                            key, effort.of(List.of(Presses.Made.afresh(press))), state.usesADay());
                    easiest.merge(
                        item(state.uses().getFirst()),
                        way,
                        (a, b) -> a.effort() <= b.effort() ? a : b);
                  }
                }));
    Map<Finger, Double> loads = new EnumMap<>(Finger.class);
    for (Way way : easiest.values()) {
      effort.finger(way.key()).ifPresent(f -> loads.merge(f, way.usesADay(), Double::sum));
    }
    return loads;
  }
}
