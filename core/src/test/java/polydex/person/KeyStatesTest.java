package polydex.person;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import polydex.boards.Board;
import polydex.boards.Presses;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.Person;
import polydex.effort.StrokeEffort;
import polydex.keys.Key;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.person.KeyStates.Known;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.recall.Memory;
import polydex.recognition.Place;
import polydex.route.KeyUses;
import polydex.route.RandomSetups;
import polydex.route.SetupTraces;
import polydex.totals.Habit;
import polydex.totals.Standing;

/** How a person stands with the keys of random setups, counted again action by action. */
class KeyStatesTest {
  private static final Instant BEGUN = Instant.parse("2031-03-01T09:00:00Z");

  /** What was made up of one action, as plain as it can be counted. */
  private record Told(Known known, int uses) {}

  @Property(seed = "20310314", tries = 150, shrinking = ShrinkingMode.OFF)
  void sharesAreWhatCountingActionByActionGives(@ForAll long seed) {
    RandomSetups.Case c = RandomSetups.make(seed);
    if (c.world().problem(c.setup()).isPresent()) {
      return;
    }
    SetupTraces traces = SetupTraces.of(c.setup(), c.world());
    Board board = c.world().boards().get(c.setup().board());
    Map<Modifiers, Map<Key, List<KeyUses.Use>>> uses = KeyUses.inSetup(traces.tracer(), board);
    Random random = new Random(seed);
    Map<DrillItem, Told> told = new HashMap<>();
    Map<DrillItem, ItemState> drills = new HashMap<>();
    uses.values().stream()
        .flatMap(keys -> keys.values().stream())
        .flatMap(List::stream)
        .map(u -> new DrillItem(u.environment(), u.action()))
        .distinct()
        .forEach(item -> told.put(item, tell(item, random, drills)));
    Standing standing = standing(c, told);
    List<Conflict> conflicts = ConflictFinder.find(traces, Person.of(_ -> 1));
    KeyStates states =
        KeyStates.of(
            uses,
            conflicts,
            traces.tracer().layout(),
            new KeyStates.Seen(drills, standing),
            Optional.of(c.setup().id()));

    KeyStates.Share share = states.share();
    assertThat(share.actions()).isEqualTo(told.size());
    for (Known known : Known.values()) {
      assertThat(share.known().getOrDefault(known, 0))
          .isEqualTo((int) told.values().stream().filter(t -> t.known() == known).count());
    }
    double usesADay = told.values().stream().mapToInt(Told::uses).sum() / 2.0;
    assertThat(share.usesADay()).isCloseTo(usesADay, within(1e-9));
    double loads =
        states.loads(new StrokeEffort(board)).values().stream().mapToDouble(n -> n).sum();
    assertThat(loads).isCloseTo(usesADay, within(1e-9));
    Set<Conflict> shown = new HashSet<>();
    for (Map<Key, KeyStates.KeyState> layer : states.layers().values()) {
      layer.values().forEach(s -> shown.addAll(s.conflicts()));
    }
    assertThat(shown).hasSize(share.conflicts()).isSubsetOf(conflicts);
    for (Conflict lost : conflicts) {
      // Each stands on the key that it begins with, and what can't be pressed on none.
      Optional<Physical.Press> first =
          Presses.physical(lost.loser().gesture(), traces.tracer().layout()).stream()
              .flatMap(List::stream)
              .limit(1)
              .filter(Physical.Press.class::isInstance)
              .map(Physical.Press.class::cast)
              .findFirst();
      assertThat(shown.contains(lost)).isEqualTo(first.isPresent());
      first.ifPresent(
          p ->
              assertThat(states.layer(p.held().modifiers().eitherSide()).get(p.key()).conflicts())
                  .contains(lost));
    }
    Statistics.label("conflicts on keys").collect(!shown.isEmpty());
    Statistics.label("known in two ways").collect(share.known().size() > 1);
  }

  private static Told tell(DrillItem item, Random random, Map<DrillItem, ItemState> drills) {
    boolean fluent = random.nextInt(3) == 0;
    boolean answered = fluent || random.nextInt(3) == 0;
    if (answered) {
      drills.put(
          item,
          new ItemState(new Memory(5, fluent ? 30 : 2), BEGUN, 0, fluent ? 3 : 1, 4, 3, BEGUN));
    }
    return new Told(
        fluent ? Known.FLUENT : answered ? Known.LEARNING : Known.NEVER, random.nextInt(4));
  }

  /** Two working days; what is never used by keys was done with the pointer alone. */
  private static Standing standing(RandomSetups.Case c, Map<DrillItem, Told> told) {
    List<Standing.Day> days =
        List.of(day(LocalDate.of(2031, 3, 12)), day(LocalDate.of(2031, 3, 13)));
    List<Standing.Entry> entries =
        told.entrySet().stream()
            .filter(e -> e.getValue().uses() > 0)
            .map(
                e ->
                    new Standing.Entry(
                        Place.of(c.setup().id(), e.getKey().environment(), e.getKey().action()),
                        Habit.State.OPEN,
                        List.of(),
                        List.of(
                            new Standing.DayUses(
                                LocalDate.of(2031, 3, 13), 0, e.getValue().uses(), 0)),
                        Collections.nCopies(24, 0),
                        List.of(),
                        0,
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()))
            .toList();
    return new Standing(entries, days, Map.of(), List.of(), List.of(), List.of(), BEGUN, List.of());
  }

  private static Standing.Day day(LocalDate date) {
    return new Standing.Day(date, 10, 1, 3, 0, Duration.ofHours(1));
  }
}
