package polydex.desktop.state;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;
import polydex.files.Unexpected;

/**
 * Work that takes longer than a frame, done beside the window on a thread of its own, one thing at
 * a time. The newest question wins: what was asked before is told to end, and its answer is never
 * given. Whatever goes wrong is said. Asked on the interface thread, and answers there.
 */
public final class Beside implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(Beside.class);

  /** What is to be done. */
  public interface Work<T> {
    /** Does it, on a thread of its own. */
    T done(Course course) throws FileProblem;
  }

  /** How something goes that is being done; for the thread that does it. */
  public interface Course {
    /** Whether its answer is still wanted; if not, it may end with whatever it has. */
    boolean isWanted();

    /** Has something shown while it goes on; of several, only the last. */
    void tell(Runnable shown);
  }

  private final String name;
  private final AtomicLong newest = new AtomicLong();
  private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();
  private ExecutorService worker;
  private boolean closed;

  /** Nothing asked yet. */
  public Beside(String name) {
    this.name = name;
    worker = worker(name);
  }

  private static ExecutorService worker(String name) {
    return Executors.newSingleThreadExecutor(Thread.ofPlatform().name(name).daemon().factory());
  }

  /** Whether an answer is on its way. */
  public ReadOnlyBooleanProperty busy() {
    return busy.getReadOnlyProperty();
  }

  /**
   * Asks something.
   *
   * @param answer gets the answer, unless something else was asked meanwhile
   * @param failed gets a sentence instead, where it went wrong
   */
  public <T> void ask(Work<T> work, Consumer<T> answer, Consumer<String> failed) {
    long question = newest.incrementAndGet();
    if (closed) {
      return;
    }
    busy.set(true);
    Going course = new Going(question);
    worker.execute(
        () -> {
          if (course.isWanted()) {
            Runnable end = done(work, course, answer, failed);
            Platform.runLater(
                () -> {
                  if (course.isWanted()) {
                    busy.set(false);
                    end.run();
                  }
                });
          }
        });
  }

  private <T> Runnable done(
      Work<T> work, Course course, Consumer<T> answer, Consumer<String> failed) {
    try {
      T found = work.done(course);
      return () -> answer.accept(found);
    } catch (FileProblem e) {
      return () -> failed.accept(e.getMessage());
    } catch (Throwable e) {
      // Whatever it is, the program goes on.
      if (course.isWanted()) {
        LOG.error("While working on: {}", name, e);
      } else {
        LOG.debug("Told to end: {}", name, e);
      }
      String said = Unexpected.said(e);
      return () -> failed.accept(said);
    }
  }

  /** Nothing that was asked is wanted any more, and the next question does not wait for it. */
  public void stop() {
    newest.incrementAndGet();
    if (busy.get()) {
      busy.set(false);
      worker.shutdownNow();
      worker = worker(name);
    }
  }

  /** The same, and nothing more is begun. */
  @Override
  public void close() {
    newest.incrementAndGet();
    closed = true;
    busy.set(false);
    worker.shutdownNow();
  }

  private final class Going implements Course {
    private final long question;
    private final AtomicReference<@Nullable Runnable> news = new AtomicReference<>();

    Going(long question) {
      this.question = question;
    }

    @Override
    public boolean isWanted() {
      return newest.get() == question && !Thread.currentThread().isInterrupted();
    }

    @Override
    public void tell(Runnable shown) {
      if (news.getAndSet(shown) == null) {
        Platform.runLater(
            () -> {
              Runnable last = news.getAndSet(null);
              if (last != null && newest.get() == question) {
                last.run();
              }
            });
      }
    }
  }
}
