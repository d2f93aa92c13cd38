package polydex.files.log;

import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import polydex.files.store.StoreLine;
import polydex.log.LogEvent;
import polydex.workspace.Change;

/**
 * Writes events as they come: each is on its way to the disk within a given time, whether more come
 * or not, so that what was taken stays when the program is killed. All of them are one batch, which
 * is taken back as a whole; nothing is begun before the first one comes.
 */
public final class EventWriter implements AutoCloseable {
  private final StoreLine store;
  private final InstantSource clock;
  private final Change.Batch batch;
  private final List<LogEvent> waiting = new ArrayList<>();
  private final ScheduledExecutorService writing =
      Executors.newSingleThreadScheduledExecutor(
          Thread.ofPlatform().name("event writer").daemon().factory());
  private boolean isBegun;

  /**
   * Ready to write.
   *
   * @param title of the batch
   * @param withinMillis the longest that an event waits
   */
  public EventWriter(StoreLine store, InstantSource clock, String title, long withinMillis) {
    this.store = store;
    this.clock = clock;
    this.batch = new Change.Batch(title, store.newBatch());
    ScheduledFuture<?> _ =
        writing.scheduleWithFixedDelay(
            this::write, withinMillis, withinMillis, TimeUnit.MILLISECONDS);
  }

  /** Takes an event; on any thread. */
  public synchronized void take(LogEvent event) {
    waiting.add(event);
  }

  private synchronized void write() {
    if (!waiting.isEmpty()) {
      if (!isBegun) {
        isBegun = true;
        Instant at = clock.instant();
        store.write(s -> s.begin(batch, at));
      }
      List<LogEvent> now = List.copyOf(waiting);
      waiting.clear();
      store.write(s -> s.add(now, batch.batch()));
    }
  }

  /** Hands over what is left. */
  @Override
  public void close() {
    writing.close();
    write();
  }
}
