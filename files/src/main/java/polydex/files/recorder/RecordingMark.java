package polydex.files.recorder;

import static polydex.files.language.FilesWords.worded;

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
              .map(n -> worded("recorder.what-came-until-is-kept", said(n, zone)))
              .orElse(worded("recorder.nothing-had-come-in"));
      return Optional.of(
          worded("recorder.the-recording-that-began-on-was", said(since, zone), kept));
    } catch (DateTimeParseException _) {
      return Optional.empty();
    }
  }

  private static String said(Instant moment, ZoneId zone) {
    return SHORT.format(moment.atZone(zone));
  }
}
