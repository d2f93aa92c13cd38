package polydex.cli;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/**
 * Lets a command that goes on until it is told to end (Ctrl+C, or the end of the session) finish
 * what it has begun: the program waits for it before it is gone.
 */
final class Ending implements AutoCloseable {
  private static final long PATIENCE_SECONDS = 15;

  private final CountDownLatch asked = new CountDownLatch(1);
  private final CountDownLatch done = new CountDownLatch(1);
  private final Thread hook = new Thread(this::ask, "ending");

  Ending() {
    Runtime.getRuntime().addShutdownHook(hook);
  }

  private void ask() {
    asked.countDown();
    try {
      boolean _ = done.await(PATIENCE_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  /** Waits until it is told to end, or for so long. */
  void await(Duration most) {
    try {
      boolean _ = asked.await(most.toMillis(), TimeUnit.MILLISECONDS);
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  /** All is finished. */
  @Override
  public void close() {
    done.countDown();
    try {
      Runtime.getRuntime().removeShutdownHook(hook);
    } catch (IllegalStateException _) {
      // The program is ending already.
    }
  }
}
