package polydex.files.log;

import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import polydex.files.FileProblem;
import polydex.files.store.StoreLine;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.log.LogLine;
import polydex.recognition.Recognised.How;
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
    String title = "Bring in the log " + file.getFileName();
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
    Reading reading = new Reading(to, progress);
    LogFile.read(file, reading);
    return reading.report();
  }

  private final class Reading implements LogFile.Lines {
    private final Consumer<LogEvent> to;
    private final LongPredicate progress;
    private final LogIntake intake = new LogIntake(zone, now, recogniser);
    private final List<LogReport.Refused> refused = new ArrayList<>();
    private final List<String> unused = new ArrayList<>();
    private final long[] recognised = new long[How.values().length];
    private long refusedInAll;
    private long events;
    private long characters;
    private Instant first = Instant.MAX;
    private Instant last = Instant.MIN;

    Reading(Consumer<LogEvent> to, LongPredicate progress) {
      this.to = to;
      this.progress = progress;
    }

    @Override
    public void line(long number, LogLine line) {
      switch (intake.take(line)) {
        case LogIntake.Refused(String reason) -> refused(number, reason);
        case LogIntake.Event(LogEvent event) -> {
          events++;
          characters += event.characters();
          first = event.at().isBefore(first) ? event.at() : first;
          last = event.at().isAfter(last) ? event.at() : last;
          recognised[recogniser.of(event.deed()).how().ordinal()]++;
          to.accept(event);
        }
      }
    }

    @Override
    public void refused(long number, String reason) {
      refusedInAll++;
      if (refused.size() < LogReport.MOST_REFUSED) {
        refused.add(new LogReport.Refused(number, reason));
      }
    }

    @Override
    public void unused(List<String> columns) {
      unused.addAll(columns);
    }

    @Override
    public boolean progress(long bytes) {
      return progress.test(bytes);
    }

    LogReport report() {
      Map<How, Long> how = new EnumMap<>(How.class);
      for (How h : How.values()) {
        if (recognised[h.ordinal()] > 0) {
          how.put(h, recognised[h.ordinal()]);
        }
      }
      return new LogReport(
          file.getFileName().toString(),
          events,
          refused,
          refusedInAll,
          unused,
          events == 0 ? Optional.empty() : Optional.of(first),
          events == 0 ? Optional.empty() : Optional.of(last),
          intake.backward(),
          intake.jumps(),
          characters,
          how);
    }
  }
}
