package polydex.totals;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import polydex.catalog.ActionId;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.recognition.LearntName;
import polydex.recognition.Place;
import polydex.recognition.Recognised;
import polydex.recognition.Recognised.How;
import polydex.recognition.Recogniser;
import polydex.route.SetupId;
import polydex.totals.Standing.Strange;
import polydex.totals.Standing.Unknown;

/**
 * The mouse log read once, in the order of time: running totals that are kept up as events come in,
 * so that no question ever goes back to the events. O(1) an event; memory grows with the different
 * deeds and, for each action, with the days on which it was done. Not thread-safe; {@link
 * #standing} is what others may have.
 */
public final class Audit {
  /** A kind of deed: what it was, and where its uses are counted. */
  private static final class Kind {
    final Deed deed;
    final Recognised recognised;
    final @Nullable PlaceTotals totals;
    final @Nullable PlaceTotals inVain;
    long count;

    Kind(
        Deed deed,
        Recognised recognised,
        @Nullable PlaceTotals totals,
        @Nullable PlaceTotals inVain) {
      this.deed = deed;
      this.recognised = recognised;
      this.totals = totals;
      this.inVain = inVain;
    }
  }

  private final Recogniser recogniser;
  private final ZoneId zone;
  private final Function<Place, Optional<Instant>> learntSince;
  private final Map<Deed, Kind> kinds = new HashMap<>();
  private final Map<Place, PlaceTotals> places = new HashMap<>();
  private final Rhythm rhythm;
  private final RecentActions recent = new RecentActions();
  private final FollowUps followUps = new FollowUps();
  private LocalDate today = LocalDate.MIN;
  private long hourOfOffset = Long.MIN_VALUE;
  private int hour;

  /**
   * Nothing read yet.
   *
   * @param zone where the person's days begin and end
   * @param learntSince when the gesture of a place was first practised, if it was
   */
  public Audit(Recogniser recogniser, ZoneId zone, Function<Place, Optional<Instant>> learntSince) {
    this.recogniser = recogniser;
    this.zone = zone;
    this.learntSince = learntSince;
    this.rhythm = new Rhythm(zone);
  }

  /** Counts what comes after a reminder; to be said before those events are added. */
  public void follow(Reminder reminder) {
    followUps.follow(reminder);
  }

  /** Takes in an event that is not much older than those before. */
  public void add(LogEvent event) {
    Kind kind = kinds.get(event.deed());
    if (kind == null) {
      kind = kind(event.deed());
      kinds.put(event.deed(), kind);
    }
    kind.count++;
    today = rhythm.add(event);
    if (kind.inVain != null) {
      kind.inVain.addInVain();
    }
    if (kind.totals != null) {
      recent.add(event.deed(), kind.totals.place());
      followUps.add(kind.totals.place(), event.at(), !event.deed().device().isPointer());
      boolean learnt = event.deed().device().isPointer() && isLearnt(kind.totals, event.at());
      kind.totals.add(event, today, hour(event.at()), learnt);
    }
  }

  private boolean isLearnt(PlaceTotals totals, Instant at) {
    return totals.isReplaced()
        || learntSince.apply(totals.place()).filter(since -> !at.isBefore(since)).isPresent();
  }

  /** The hour of the day; most events are of the same hour as the last. */
  private int hour(Instant at) {
    // Offsets from UTC are whole quarters of an hour.
    long quarter = Math.floorDiv(at.getEpochSecond(), 900);
    if (quarter != hourOfOffset) {
      hourOfOffset = quarter;
      hour = at.atZone(zone).getHour();
    }
    return hour;
  }

  private Kind kind(Deed deed) {
    Recognised recognised = recogniser.of(deed);
    return new Kind(deed, recognised, totals(recognised.place()), totals(recognised.inVain()));
  }

  private @Nullable PlaceTotals totals(Optional<Place> place) {
    return place.isEmpty() ? null : places.computeIfAbsent(place.get(), PlaceTotals::new);
  }

  /** The ids of the actions done last with a pointer in a setup, each once, the newest first. */
  public List<ActionId> lastByPointer(SetupId setup) {
    return recent.of(setup);
  }

  /** When the last event was; 1970 where there is none. */
  public Instant last() {
    return rhythm.last();
  }

  /** What all of it comes to now; O(actions + days). */
  public Standing standing() {
    Map<How, Long> how = new EnumMap<>(How.class);
    Map<LearntName, Long> counts = new HashMap<>();
    Map<List<String>, Strange> strangers = new HashMap<>();
    Map<LearntName, Deed> like = new HashMap<>();
    for (Kind k : kinds.values()) {
      how.merge(k.recognised.how(), k.count, Long::sum);
      boolean unknown = !k.recognised.isKnown();
      if (unknown && recogniser.stranger(k.deed).isPresent()) {
        strange(strangers, k);
      } else if (unknown && k.recognised.place().isPresent()) {
        LearntName name = recogniser.name(k.deed);
        counts.merge(name, k.count, Long::sum);
        like.putIfAbsent(name, k.deed);
      }
    }
    List<Unknown> names = new ArrayList<>();
    counts.forEach((name, count) -> names.add(new Unknown(name, like.get(name), count)));
    names.sort(
        Comparator.comparingLong((Unknown u) -> -u.count()).thenComparing(u -> u.name().joined()));
    List<Standing.Day> days = rhythm.days();
    List<LocalDate> strays = StrayDays.of(days);
    return new Standing(
        places.values().stream().map(PlaceTotals::entry).collect(Collectors.toList()),
        days.stream().filter(d -> !strays.contains(d.date())).toList(),
        how,
        names,
        strangers.values().stream()
            .sorted(
                Comparator.comparingLong((Strange s) -> -s.byPointer() - s.byKeys())
                    .thenComparing(Strange::machine)
                    .thenComparing(Strange::application))
            .toList(),
        strays,
        last(),
        followUps.all());
  }

  /** A machine that nobody knows is named once, whatever runs on it. */
  private void strange(Map<List<String>, Strange> strangers, Kind k) {
    boolean isMachine = recogniser.stranger(k.deed).orElseThrow().isMachine();
    boolean pointer = k.deed.device().isPointer();
    Strange now =
        new Strange(
            k.deed.machine(),
            k.deed.application(),
            isMachine,
            pointer ? k.count : 0,
            pointer ? 0 : k.count);
    strangers.merge(
        List.of(now.machine(), now.application()),
        now,
        (a, b) ->
            new Strange(
                a.machine(),
                a.application(),
                a.isMachine(),
                a.byPointer() + b.byPointer(),
                a.byKeys() + b.byKeys()));
  }
}
