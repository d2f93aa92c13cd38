package polydex.files.store;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import polydex.mouse.LogEvent;

/**
 * Hands events on in boxes to a thread that writes them, so that reading and writing go on side by
 * side. A few boxes at most wait, whatever the length of the log.
 */
final class EventPipe implements Consumer<LogEvent>, AutoCloseable {
  private static final int IN_A_BOX = 4096;
  private static final int WAITING = 8;
  private static final List<LogEvent> END = List.of();

  private final BlockingQueue<List<LogEvent>> boxes = new ArrayBlockingQueue<>(WAITING);
  private final CompletableFuture<Long> written = new CompletableFuture<>();
  private final Thread writer;
  private List<LogEvent> box = new ArrayList<>(IN_A_BOX);

  EventPipe(EventTable.Writing writing) {
    writer = Thread.ofPlatform().name("events").daemon().start(() -> write(writing));
  }

  private void write(EventTable.Writing writing) {
    try {
      for (List<LogEvent> next = boxes.take(); !next.isEmpty(); next = boxes.take()) {
        for (LogEvent event : next) {
          writing.add(event);
        }
      }
      written.complete(writing.finish());
    } catch (SQLException | RuntimeException e) {
      written.completeExceptionally(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      written.completeExceptionally(e);
    }
  }

  @Override
  public void accept(LogEvent event) {
    box.add(event);
    if (box.size() == IN_A_BOX) {
      send(box);
      box = new ArrayList<>(IN_A_BOX);
    }
  }

  private void send(List<LogEvent> full) {
    try {
      boolean sent = false;
      // A writer that has failed takes no more; what went wrong is told at the end.
      while (!sent && !written.isDone()) {
        sent = boxes.offer(full, 100, TimeUnit.MILLISECONDS);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** Waits until all is written; how many events were new. */
  long finish() throws SQLException {
    if (!box.isEmpty()) {
      send(box);
    }
    send(END);
    try {
      return written.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof SQLException sql) {
        throw sql;
      }
      throw e;
    }
  }

  /** Stops the writer, and waits until it has let go of the connection. */
  @Override
  public void close() {
    if (!written.isDone()) {
      writer.interrupt();
    }
    try {
      writer.join();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
