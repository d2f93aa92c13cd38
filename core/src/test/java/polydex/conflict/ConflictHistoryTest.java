package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.conflict.ConflictHistory.Sighting;
import polydex.keys.Gesture;
import polydex.route.SetupId;
import polydex.route.Trace;

/** The history of conflicts against a plain account of which were there at the end of each day. */
class ConflictHistoryTest {
  private static final LocalDate FIRST = LocalDate.of(2031, 1, 1);

  private static Conflict conflict(int n) {
    Gesture gesture = Gesture.parse("F" + (n + 1));
    Conflict.Party loser =
        new Conflict.Party(
            new EnvironmentId("app"),
            "anywhere",
            new ActionId("a" + n),
            gesture,
            gesture,
            "b" + n,
            false,
            0);
    return new Conflict(
        Conflict.Kind.UNTYPABLE,
        Optional.of(new SetupId("s")),
        loser,
        Optional.empty(),
        Optional.empty(),
        new Trace.Nothing("no key"));
  }

  /**
   * Each look is a day, a setup and the set of conflicts as bits: what was there at a day's end.
   */
  @Property(tries = 500)
  void staysAreThoseOfTheEndsOfDays(
      @ForAll @Size(max = 30) List<@IntRange(max = 127) Integer> looks) {
    ConflictHistory history = ConflictHistory.NOTHING;
    Map<LocalDate, Set<String>> ends = new HashMap<>();
    List<LocalDate> days = new ArrayList<>();
    LocalDate day = FIRST;
    for (int look : looks) {
      day = day.plusDays(look % 3 == 0 ? 1 : 0);
      List<Conflict> found = new ArrayList<>();
      for (int n = 0; n < 6; n++) {
        if ((look >> n & 1) == 1) {
          found.add(conflict(n));
        }
      }
      history = history.seen(new SetupId("s"), found, day, c -> "words of " + c.loser().action());
      // Another setup's conflicts come and go without touching these.
      history = history.seen(new SetupId("other"), List.of(), day, _ -> "");
      ends.put(day, new TreeSet<>(found.stream().map(Conflict::id).toList()));
      if (!days.contains(day)) {
        days.add(day);
      }
    }
    Set<String> open = new HashSet<>();
    for (Sighting s : history.sightings()) {
      assertThat(s.gone().isEmpty() || s.gone().get().isAfter(s.since())).isTrue();
      assertThat(s.words()).startsWith("words of a");
    }
    for (LocalDate d : days) {
      open.clear();
      history.sightings().stream()
          .filter(s -> !s.since().isAfter(d) && s.gone().stream().noneMatch(g -> !g.isAfter(d)))
          .forEach(s -> assertThat(open.add(s.conflict())).isTrue());
      assertThat(new TreeSet<>(open)).as("at the end of %s", d).isEqualTo(ends.get(d));
    }
    assertThat(history.events())
        .hasSize(
            history.sightings().size()
                + (int) history.sightings().stream().filter(s -> s.gone().isPresent()).count());
  }
}
