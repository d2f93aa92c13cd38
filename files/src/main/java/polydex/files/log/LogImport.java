package polydex.files.log;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import polydex.files.FileProblem;
import polydex.files.store.StoreLine;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.recognition.Recogniser;

/**
 * A mouse log on its way in: looked at first, and then taken whole or not at all. What a line means
 * is decided by {@link LogIntake}, through which everything has to go.
 */
public final class LogImport {
  private final Path file;
  private final ZoneId zone;
  private final Instant now;
  private final Recogniser recogniser;

  /**
   * A log in a file.
   *
   * @param zone of times that have no offset
   * @param now nothing can have happened long after it
   * @param recogniser says what the events were
   */
  public LogImport(Path file, ZoneId zone, Instant now, Recogniser recogniser) {
    this.file = file;
    this.zone = zone;
    this.now = now;
    this.recogniser = recogniser;
  }

  /** What was taken. */
  public record Taken(LogReport report, Optional<StoreLine.Brought> brought) {}

  /**
   * Reads it without taking anything.
   *
   * @param progress gets the bytes read so far, and says whether to go on
   * @throws FileProblem if the file can't be used
   */
  public LogReport look(LongPredicate progress) throws FileProblem {
    return read(_ -> {}, progress);
  }

  /**
   * Takes it into a store: every line that is an event, or nothing. Waits until it is there.
   *
   * @param goodLines whether the good lines are wanted where others had to be refused
   * @throws FileProblem if the file can't be used; nothing was taken
   */
  public Taken take(StoreLine store, boolean goodLines, LongPredicate progress) throws FileProblem {
    return take(store, goodLines, progress, _ -> {});
  }

  /**
   * The same, with somebody who sees every event on its way, doubles included and in the order of
   * the file, whether in the end it is taken or not.
   */
  public Taken take(
      StoreLine store, boolean goodLines, LongPredicate progress, Consumer<LogEvent> onTheWay)
      throws FileProblem {
    LogReport[] report = new LogReport[1];
    String title = worded("log.bring-in-the-log", file.getFileName());
    Optional<StoreLine.Brought> brought =
        store.bringIn(
            title,
            now,
            to -> {
              report[0] = read(onTheWay.andThen(to), progress);
              return report[0].events() > 0 && (goodLines || report[0].refusedInAll() == 0);
            });
    return new Taken(report[0], brought);
  }

  private LogReport read(Consumer<LogEvent> to, LongPredicate progress) throws FileProblem {
    ReportedLines lines =
        new ReportedLines(new LogIntake(zone, now, recogniser), recogniser, to, progress);
    LogFile.read(file, lines);
    return lines.report(file.getFileName().toString());
  }
}
