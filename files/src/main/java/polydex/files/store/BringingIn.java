package polydex.files.store;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import polydex.files.FileProblem;
import polydex.log.LogEvent;
import polydex.workspace.Change;

/**
 * Brings events in together, in boxes between which others have their turn: nobody sees them before
 * they are all there, and what did not become whole is cleared away.
 */
final class BringingIn {
  private static final int EVENTS_A_BOX = 8192;
  private static final int BOXES_ON_THE_WAY = 8;

  private final StoreLine line;

  BringingIn(StoreLine line) {
    this.line = line;
  }

  /** What came of a source; none where it did not want its events kept. Waits. */
  Optional<StoreLine.Brought> from(String title, Instant now, StoreLine.EventSource source)
      throws FileProblem {
    Change.Batch batch = new Change.Batch(title, line.newBatch());
    line.get(
        s -> {
          s.beginUnseen(batch, now);
          return batch;
        });
    boolean kept = false;
    try {
      Boxes boxes = new Boxes(batch.batch());
      if (!source.handOn(boxes)) {
        return Optional.empty();
      }
      long events = boxes.finish();
      line.get(
          s -> {
            s.finish(batch);
            return batch;
          });
      kept = true;
      return Optional.of(new StoreLine.Brought(batch, events));
    } catch (Broken e) {
      throw e.problem();
    } finally {
      if (!kept) {
        line.later(s -> s.giveUp(batch.batch()));
      }
    }
  }

  /** Ends a source that would go on although nothing can be written. */
  private static final class Broken extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final transient FileProblem problem;

    Broken(FileProblem problem) {
      super(problem);
      this.problem = problem;
    }

    FileProblem problem() {
      return problem;
    }
  }

  /** Puts events into boxes, of which a few at most are on their way, whatever the length. */
  private final class Boxes implements Consumer<LogEvent> {
    private final long batch;
    private final Deque<CompletableFuture<Long>> sent = new ArrayDeque<>();
    private List<LogEvent> box = new ArrayList<>(EVENTS_A_BOX);
    private long events;

    Boxes(long batch) {
      this.batch = batch;
    }

    @Override
    public void accept(LogEvent event) {
      box.add(event);
      if (box.size() == EVENTS_A_BOX) {
        try {
          send();
        } catch (FileProblem e) {
          throw new Broken(e);
        }
      }
    }

    private void send() throws FileProblem {
      List<LogEvent> full = box;
      box = new ArrayList<>(EVENTS_A_BOX);
      sent.add(line.ask(s -> s.addUnseen(full, batch)));
      if (sent.size() > BOXES_ON_THE_WAY) {
        arrive();
      }
    }

    private void arrive() throws FileProblem {
      events += line.await(sent.remove());
    }

    /** Waits until all is written; how many events were new. */
    long finish() throws FileProblem {
      send();
      while (!sent.isEmpty()) {
        arrive();
      }
      return events;
    }
  }
}
