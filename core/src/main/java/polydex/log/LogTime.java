package polydex.log;

import static polydex.language.CoreWords.worded;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;

/**
 * Reads the times of a log, line after line. A time without an offset is the person's own; where
 * clocks were put back and it occurs twice, the earlier one is meant unless that would go back
 * behind the line before. Most lines are of the same minute as the last, and cost only their
 * seconds.
 */
final class LogTime {
  private static final int TO_THE_MINUTE = "2031-03-14T16:00".length();

  private final ZoneId zone;
  private String minute = "";
  private long minuteMillis;
  private Instant last = Instant.MIN;

  /** A time that was read, or why it could not be. */
  record Read(Optional<Instant> at, String problem) {
    static Read of(Instant at) {
      return new Read(Optional.of(at), "");
    }

    static Read refused(String problem) {
      return new Read(Optional.empty(), problem);
    }
  }

  LogTime(ZoneId zone) {
    this.zone = zone;
  }

  Read read(String text) {
    if (text.endsWith("Z") && text.regionMatches(0, minute, 0, TO_THE_MINUTE)) {
      int millis = millisOfMinute(text);
      if (millis >= 0) {
        return taken(Instant.ofEpochMilli(minuteMillis + millis));
      }
    }
    return readSlowly(text);
  }

  /** The milliseconds after the minute in {@code :ss[.fff]Z}; below 0 for another form. */
  private static int millisOfMinute(String text) {
    int length = text.length();
    boolean whole = length == TO_THE_MINUTE + 4;
    if ((!whole && length != TO_THE_MINUTE + 8) || text.charAt(TO_THE_MINUTE) != ':') {
      return -1;
    }
    int seconds = digits(text, TO_THE_MINUTE + 1, 2);
    int millis = whole ? 0 : digits(text, TO_THE_MINUTE + 4, 3);
    boolean fine =
        seconds >= 0
            && seconds < 60
            && millis >= 0
            && (whole || text.charAt(TO_THE_MINUTE + 3) == '.');
    return fine ? 1000 * seconds + millis : -1;
  }

  private static int digits(String text, int from, int count) {
    int value = 0;
    for (int i = from; i < from + count; i++) {
      int digit = text.charAt(i) - '0';
      if (digit < 0 || digit > 9) {
        return -1;
      }
      value = 10 * value + digit;
    }
    return value;
  }

  private Read readSlowly(String text) {
    String written = text.strip().replace(' ', 'T');
    try {
      if (written.endsWith("Z") || written.matches(".*T.*[+-]\\d\\d(:?\\d\\d)?")) {
        Instant at = OffsetDateTime.parse(written).toInstant();
        boolean plainYear = Character.isDigit(written.charAt(0)); // and so of four digits
        if (written.endsWith("Z") && written.length() >= TO_THE_MINUTE + 4 && plainYear) {
          minute = written.substring(0, TO_THE_MINUTE);
          minuteMillis = at.toEpochMilli() / 60_000 * 60_000;
        }
        return taken(at);
      }
      return local(LocalDateTime.parse(written));
    } catch (DateTimeException _) {
      return Read.refused(worded("log.the-time-cant-be-read-it"));
    }
  }

  private Read local(LocalDateTime time) {
    List<ZoneOffset> offsets = zone.getRules().getValidOffsets(time);
    if (offsets.isEmpty()) {
      return Read.refused(worded("log.there-was-no-such-time-in", zone));
    }
    Instant earlier = time.toInstant(offsets.getFirst());
    return taken(earlier.isBefore(last) ? time.toInstant(offsets.getLast()) : earlier);
  }

  private static Read taken(Instant at) {
    return Read.of(at);
  }

  /** The line of a time was taken; one that is refused moves no clock. */
  void accepted(Instant at) {
    last = at;
  }
}
