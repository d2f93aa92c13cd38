package polydex.files.recorder;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.time.format.FormatStyle;
import java.util.Locale;
import java.util.Optional;

/**
 * A mark in a file while something is recorded into it, by which one sees the next time whether the
 * recording was ended or cut.
 */
public final class RecordingMark {
  /** The setting that has it. */
  public static final String SETTING = "recording since";

  private static final DateTimeFormatter SHORT =
      DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT)
          .withLocale(Locale.UK);

  private RecordingMark() {}

  /** What stands in the file while it goes on. */
  public static String begun(Instant now) {
    return now.toString();
  }

  /** What stands in it after the end. */
  public static String ended() {
    return "";
  }

  /**
   * What is to be said of a recording that nobody ended; nothing where there was none.
   *
   * @param mark what stands in the file
   * @param newest the time of the newest event in it
   */
  public static Optional<String> cut(String mark, Optional<Instant> newest, ZoneId zone) {
    try {
      Instant since = Instant.parse(mark);
      String kept =
          newest
              .filter(n -> n.isAfter(since))
              .map(n -> "What came until %s is kept.".formatted(said(n, zone)))
              .orElse("Nothing had come in.");
      return Optional.of(
          "The recording that began on %s was cut: the program or the computer stopped before it was"
                  .formatted(said(since, zone))
              + " ended. "
              + kept);
    } catch (DateTimeParseException _) {
      return Optional.empty();
    }
  }

  private static String said(Instant moment, ZoneId zone) {
    return SHORT.format(moment.atZone(zone));
  }
}
