package polydex.files.log;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.recognition.Recognised;
import polydex.recognition.Recognised.How;

/**
 * What is in a mouse log, before it is taken.
 *
 * @param name of the file
 * @param events lines that are events
 * @param refused lines that are not, by their numbers, at most {@value #MOST_REFUSED} of them
 * @param refusedInAll how many lines are not
 * @param unused columns that mean nothing here
 * @param first the time of the earliest event; none without events
 * @param last the time of the latest
 * @param backward lines that are earlier than the one before
 * @param jumps how many of them by more than an hour, as when a clock was put right
 * @param characters that were typed; only their number was kept
 * @param recognised events by how they were recognised
 */
public record LogReport(
    String name,
    long events,
    List<Refused> refused,
    long refusedInAll,
    List<String> unused,
    Optional<Instant> first,
    Optional<Instant> last,
    long backward,
    long jumps,
    long characters,
    Map<How, Long> recognised) {
  /** How many refused lines are told of one by one. */
  public static final int MOST_REFUSED = 1000;

  /** A line that is no event, and why. */
  public record Refused(long line, String reason) {}

  /** Copies the collections. */
  public LogReport {
    refused = List.copyOf(refused);
    unused = List.copyOf(unused);
    recognised = Map.copyOf(recognised);
  }

  /** The share of the events that were not typing of which it is known what they were, 0 to 1. */
  public double recognisedShare() {
    return Recognised.share(recognised);
  }
}
