package polydex.files.log;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.log.LogLine;
import polydex.recognition.Recognised.How;
import polydex.recognition.Recogniser;

/** Lines of a log on their way through the one door, and what there is to be said of them. */
final class ReportedLines implements LogFile.Lines {
  private final Consumer<LogEvent> to;
  private final LongPredicate progress;
  private final LogIntake intake;
  private final Recogniser recogniser;
  private final List<LogReport.Refused> refused = new ArrayList<>();
  private final List<String> unused = new ArrayList<>();
  private final long[] recognised = new long[How.values().length];
  private long refusedInAll;
  private long events;
  private long characters;
  private Instant first = Instant.MAX;
  private Instant last = Instant.MIN;

  /**
   * For one reading.
   *
   * @param to gets the events
   * @param progress gets the bytes read so far, and says whether to go on
   */
  ReportedLines(
      LogIntake intake, Recogniser recogniser, Consumer<LogEvent> to, LongPredicate progress) {
    this.intake = intake;
    this.recogniser = recogniser;
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

  /** What there is to be said of them so far. */
  LogReport report(String name) {
    Map<How, Long> how = new EnumMap<>(How.class);
    for (How h : How.values()) {
      if (recognised[h.ordinal()] > 0) {
        how.put(h, recognised[h.ordinal()]);
      }
    }
    return new LogReport(
        name,
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
