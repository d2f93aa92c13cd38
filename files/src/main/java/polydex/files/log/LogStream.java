package polydex.files.log;

import static polydex.files.language.FilesWords.worded;

import java.io.InputStream;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import polydex.files.FileProblem;
import polydex.files.store.StoreLine;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.recognition.Recogniser;

/**
 * A mouse log as it comes from another program, one JSON object a line: each event is on its way to
 * the disk within a second, whether more come or not, so that what was taken stays when this
 * program or the other is killed. All of it is one batch, which is taken back as a whole.
 */
public final class LogStream {
  private static final long WITHIN_MILLIS = 1000;

  private final ZoneId zone;
  private final InstantSource clock;
  private final Recogniser recogniser;

  /**
   * Nothing has come yet.
   *
   * @param zone of times that have no offset
   * @param clock nothing can have happened long after what it says
   * @param recogniser says what the events were
   */
  public LogStream(ZoneId zone, InstantSource clock, Recogniser recogniser) {
    this.zone = zone;
    this.clock = clock;
    this.recogniser = recogniser;
  }

  /**
   * Takes all that comes, and waits until it is written. Lines that can't be used are left out and
   * told of.
   *
   * @param name of where it comes from, as it is told
   * @throws FileProblem where no more can be read
   */
  public LogReport take(InputStream in, String name, StoreLine store) throws FileProblem {
    String title = worded("log.bring-in-what-came-from", name);
    try (EventWriter writer = new EventWriter(store, clock, title, WITHIN_MILLIS)) {
      return read(in, name, writer::take);
    }
  }

  /** Reads all that comes without keeping it. */
  public LogReport look(InputStream in, String name) throws FileProblem {
    return read(in, name, _ -> {});
  }

  private LogReport read(InputStream in, String name, Consumer<LogEvent> to) throws FileProblem {
    LongPredicate goesOn = _ -> true;
    ReportedLines lines =
        new ReportedLines(new LogIntake(zone, clock, recogniser), recogniser, to, goesOn);
    LogFile.read(in, lines);
    return lines.report(name);
  }
}
