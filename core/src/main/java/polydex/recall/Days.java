package polydex.recall;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.zone.ZoneRules;

/**
 * Where a person's days begin and end. Days are counted from 1970, as {@link LocalDate#ofEpochDay}
 * takes them.
 *
 * @param zone the person's time zone
 * @param rules its rules, looked up once
 */
public record Days(ZoneId zone, ZoneRules rules) {
  private static final long SECONDS = 86_400;

  /** The days of a time zone. */
  public static Days in(ZoneId zone) {
    return new Days(zone, zone.getRules());
  }

  /** The day of a moment. */
  public long of(Instant at) {
    return Math.floorDiv(at.getEpochSecond() + rules.getOffset(at).getTotalSeconds(), SECONDS);
  }

  /** Days between two moments, with their fraction; never less than 0. */
  public static double between(Instant from, Instant to) {
    double seconds =
        to.getEpochSecond() - from.getEpochSecond() + (to.getNano() - from.getNano()) / 1e9;
    return Math.max(0, seconds / SECONDS);
  }
}
