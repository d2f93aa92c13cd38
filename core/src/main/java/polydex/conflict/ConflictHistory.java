package polydex.conflict;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.route.SetupId;

/**
 * When conflicts of setups came and went, by days. What came and went within one day has left
 * nothing, since setups are tried out; what went and came back on one day never went.
 *
 * @param sightings in the order in which they came
 */
public record ConflictHistory(List<Sighting> sightings) {
  /** Nothing seen yet. */
  public static final ConflictHistory NOTHING = new ConflictHistory(List.of());

  /**
   * One stay of a conflict.
   *
   * @param conflict its identity
   * @param setup the id of the setup
   * @param environment the id of the losing binding's
   * @param words what was said of it
   * @param since the day on which it was first seen
   * @param gone the first day on which it was no longer there; none while it is
   */
  public record Sighting(
      String conflict,
      SetupId setup,
      Conflict.Kind kind,
      EnvironmentId environment,
      Gesture gesture,
      String words,
      LocalDate since,
      Optional<LocalDate> gone) {
    Sighting gone(Optional<LocalDate> day) {
      return new Sighting(conflict, setup, kind, environment, gesture, words, since, day);
    }
  }

  /**
   * Something that happened on a day.
   *
   * @param came whether it came, rather than went
   */
  public record Event(LocalDate day, boolean came, Sighting sighting) {}

  /** Copies the list. */
  public ConflictHistory {
    sightings = List.copyOf(sightings);
  }

  /**
   * The same after a look into a setup, in O(sightings + found).
   *
   * @param found every conflict of the setup on that day
   * @param words what is said of a conflict
   */
  public ConflictHistory seen(
      SetupId setup, List<Conflict> found, LocalDate day, Function<Conflict, String> words) {
    Map<String, Conflict> now =
        found.stream()
            .collect(Collectors.toMap(Conflict::id, c -> c, (a, _) -> a, LinkedHashMap::new));
    List<Sighting> all = new ArrayList<>();
    for (Sighting s : sightings) {
      if (!s.setup().equals(setup)) {
        all.add(s);
      } else if (s.gone().isEmpty() && !now.containsKey(s.conflict())) {
        if (s.since().isBefore(day)) {
          all.add(s.gone(Optional.of(day)));
        }
      } else if (s.gone().isEmpty()
          || (s.gone().get().equals(day) && now.containsKey(s.conflict()))) {
        now.remove(s.conflict());
        all.add(s.gone(Optional.empty()));
      } else {
        all.add(s);
      }
    }
    for (Conflict c : now.values()) {
      all.add(
          new Sighting(
              c.id(),
              setup,
              c.kind(),
              c.loser().environment(),
              c.loser().gesture(),
              words.apply(c),
              day,
              Optional.empty()));
    }
    return new ConflictHistory(all);
  }

  /** What happened, the latest first; on one day what went before what came. */
  public List<Event> events() {
    List<Event> events = new ArrayList<>();
    for (Sighting s : sightings) {
      events.add(new Event(s.since(), true, s));
      s.gone().ifPresent(day -> events.add(new Event(day, false, s)));
    }
    events.sort(Comparator.comparing(Event::day).reversed().thenComparing(Event::came));
    return List.copyOf(events);
  }
}
