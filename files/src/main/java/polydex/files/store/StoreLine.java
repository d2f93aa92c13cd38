package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;
import polydex.log.LogEvent;
import polydex.workspace.Change;

/**
 * Everything that is done with an open store, one thing after the other on one thread, which alone
 * touches it. What is to be written is kept until it is written: where that fails it is tried
 * again, and nothing that came later overtakes it. Long work comes in small parts, between which
 * others have their turn. Safe for use by several threads, none of which waits but where it says
 * so.
 */
public final class StoreLine implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(StoreLine.class);

  /** How long it rests after a failure before it tries again; what comes meanwhile waits too. */
  private static final Duration REST = Duration.ofSeconds(1);

  /** Something to be written, whole or not at all; done again where it failed. */
  public interface Write {
    /** Writes it. */
    void to(Store store) throws FileProblem;
  }

  /** Something to be asked; whoever asks is told where it failed. */
  public interface Question<T> {
    /** Answers it. */
    T of(Store store) throws FileProblem;
  }

  /**
   * How far writing has come.
   *
   * @param waiting how many things are not written yet
   * @param problem why, as a sentence, where writing fails
   */
  public record Progress(int waiting, Optional<String> problem) {
    /** Nothing waits. */
    public static final Progress DONE = new Progress(0, Optional.empty());
  }

  /** Hears what becomes of what was said, on the line's thread. */
  public interface Watcher {
    /** How far writing has come. */
    default void progress(Progress now) {}

    /** What will never be written, since the file does not take it. */
    default void refused(FileProblem problem) {}

    /**
     * Everything was moved into another file, where it goes on, since the old one is gone.
     *
     * @param missing what could not be moved, in a sentence
     */
    default void moved(Path from, Path to, Optional<String> missing) {}
  }

  private sealed interface Turn {
    record Writing(Write write) implements Turn {}

    record Asking(Runnable question) implements Turn {}
  }

  /** Another one once everything was moved; only the line's thread sets it. */
  private volatile Store store;

  private final Watcher watcher;
  private final ReentrantLock lock = new ReentrantLock();
  private final Condition changed = lock.newCondition();
  private final Deque<Turn> line = new ArrayDeque<>();
  private final Thread thread;
  private int waiting;
  private Optional<String> problem = Optional.empty();
  private boolean nudged;

  /** Where everything is to be moved, before what stands in line. */
  private final Deque<Moving> moving = new ArrayDeque<>();

  private record Moving(Path to, CompletableFuture<Path> done) {}

  private boolean closing;

  /** For a store, which from now on nobody else touches, and which this closes. */
  public StoreLine(Store store, Watcher watcher) {
    this.store = store;
    this.watcher = watcher;
    thread = Thread.ofPlatform().name("store").daemon().start(this::run);
  }

  /** Has something written, after everything that was said before. */
  public void write(Write write) {
    add(new Turn.Writing(write), 1);
  }

  /** Has something asked, after everything that was said before has been written. */
  public <T> CompletableFuture<T> ask(Question<T> question) {
    CompletableFuture<T> answer = new CompletableFuture<>();
    add(
        new Turn.Asking(
            () -> {
              try {
                answer.complete(question.of(store));
              } catch (FileProblem | RuntimeException e) {
                answer.completeExceptionally(e);
              }
            }),
        0);
    return answer;
  }

  /**
   * Asks something and waits for the answer, so not on a thread that must not.
   *
   * @throws FileProblem also where the answer would stand behind what can't be written
   */
  public <T> T get(Question<T> question) throws FileProblem {
    return await(ask(question));
  }

  /** Has something done whose failure nobody waits for. */
  void later(Consumer<Store> what) {
    add(new Turn.Asking(() -> what.accept(store)), 0);
  }

  private void add(Turn turn, int writes) {
    lock.lock();
    try {
      line.add(turn);
      waiting += writes;
      changed.signalAll();
    } finally {
      lock.unlock();
    }
  }

  /**
   * Moves everything into a new file and goes on there, with what is not written yet: the way out
   * where the old one does not take it. The old one stays as it is.
   *
   * @return where it is then, or why it could not be moved
   */
  public CompletableFuture<Path> move(Path to) {
    CompletableFuture<Path> done = new CompletableFuture<>();
    lock.lock();
    try {
      moving.add(new Moving(to, done));
      nudged = true;
      changed.signalAll();
    } finally {
      lock.unlock();
    }
    return done;
  }

  /** What is not written yet at this moment. */
  public Progress progress() {
    lock.lock();
    try {
      return new Progress(waiting, problem);
    } finally {
      lock.unlock();
    }
  }

  /** A number under which events may come in together. */
  public long newBatch() {
    return store.newBatch();
  }

  /** The mouse log as the line stands now: with what was said before, without what comes later. */
  public Reading reading() {
    return new Reading(ask(Store::reading));
  }

  /** The mouse log as it was, to be read once. */
  public final class Reading {
    private final CompletableFuture<EventReading> begun;

    private Reading(CompletableFuture<EventReading> begun) {
      this.begun = begun;
    }

    /** Hands on every event, the oldest first. Waits, so not on a thread that must not. */
    public void each(Consumer<LogEvent> to) throws FileProblem {
      each(to, () -> true);
    }

    /**
     * The same for as long as somebody wants it; in any case it is read only once, and keeps
     * nothing in mind afterwards.
     *
     * @return whether all of it was handed on
     */
    public boolean each(Consumer<LogEvent> to, BooleanSupplier wanted) throws FileProblem {
      EventReading reading = await(begun);
      try {
        if (!wanted.getAsBoolean()) {
          return false;
        }
        List<LogEvent> some = get(s -> s.next(reading));
        while (!some.isEmpty() && wanted.getAsBoolean()) {
          // The next part is read while this one is looked at.
          CompletableFuture<List<LogEvent>> next = ask(s -> s.next(reading));
          some.forEach(to);
          some = await(next);
        }
        return some.isEmpty();
      } finally {
        later(s -> s.end(reading));
      }
    }
  }

  /** Where events come from that are brought in together. */
  public interface EventSource {
    /**
     * Hands on the events.
     *
     * @return whether they are to be kept
     * @throws FileProblem and nothing is kept
     */
    boolean handOn(Consumer<LogEvent> to) throws FileProblem;
  }

  /** What came of bringing events in. */
  public record Brought(Change.Batch change, long events) {}

  /**
   * Brings events in together, all of them or none, while others have their turn: nobody sees them
   * before they are all there. Waits until then, so not on a thread that must not.
   *
   * @param title what the change is called
   * @return the change, and how many events were new; none where the source did not want them kept
   * @throws FileProblem if the source has one, or writing; nothing is kept then
   */
  public Optional<Brought> bringIn(String title, Instant now, EventSource source)
      throws FileProblem {
    return new BringingIn(this).from(title, now, source);
  }

  /** Waits for an answer; not for one that stands behind what can't be written. */
  <T> T await(CompletableFuture<T> answer) throws FileProblem {
    while (true) {
      try {
        return answer.get(200, TimeUnit.MILLISECONDS);
      } catch (TimeoutException e) {
        refuseWhereStuck();
      } catch (ExecutionException e) {
        if (e.getCause() instanceof FileProblem problem) {
          throw problem;
        }
        throw new CompletionException(e.getCause());
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new FileProblem(worded("store.stopped"), e);
      }
    }
  }

  private void refuseWhereStuck() throws FileProblem {
    lock.lock();
    try {
      if (problem.isPresent()) {
        throw new FileProblem(worded("store.what-was-done-before-is-still", problem.get()));
      }
      if (closing && !thread.isAlive()) {
        throw new FileProblem(worded("store.the-file-was-closed"));
      }
    } finally {
      lock.unlock();
    }
  }

  /** Tries again now what could not be written. */
  void tryAgain() {
    lock.lock();
    try {
      nudged = true;
      changed.signalAll();
    } finally {
      lock.unlock();
    }
  }

  private void run() {
    try {
      while (!isOver()) {
        moveWhereWanted();
        Optional<Turn> next = first();
        if (next.isPresent()) {
          switch (next.get()) {
            case Turn.Asking(Runnable question) -> {
              ask(question);
              passed(0);
            }
            case Turn.Writing(Write write) -> tryToWrite(write);
          }
        } else if (!clearedAway()) {
          rest();
        }
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (Error e) {
      // What waits can't be written any more, which must not look as if it were.
      lost(e);
      throw e;
    } finally {
      store.close();
    }
  }

  /** One that fails must not end the line, on which what others did still waits to be written. */
  private void ask(Runnable question) {
    try {
      question.run();
    } catch (RuntimeException e) {
      LOG.error("Asking {}", store.file(), e);
    }
  }

  private void lost(Error e) {
    lock.lock();
    try {
      problem = Optional.of(worded("store.nothing-is-stored-any-more-start", e));
    } finally {
      lock.unlock();
    }
    tell();
  }

  /** What stands first in line, which stays there until it is done. */
  private Optional<Turn> first() {
    lock.lock();
    try {
      return Optional.ofNullable(line.peek());
    } finally {
      lock.unlock();
    }
  }

  /** Whether there will be nothing more to do, or nothing more that can be done. */
  private boolean isOver() {
    lock.lock();
    try {
      return closing && moving.isEmpty() && (line.isEmpty() || problem.isPresent());
    } finally {
      lock.unlock();
    }
  }

  private void rest() throws InterruptedException {
    lock.lock();
    try {
      while (line.isEmpty() && moving.isEmpty() && !closing) {
        changed.await();
      }
    } finally {
      lock.unlock();
    }
  }

  /** Uses the time in which nobody waits. */
  private boolean clearedAway() {
    try {
      return store.clearAway();
    } catch (FileProblem e) {
      // It is out of sight, and is tried again when there was something else to do.
      LOG.warn("Clearing away in {}", store.file(), e);
      return false;
    }
  }

  private void moveWhereWanted() {
    Optional<Moving> wanted;
    lock.lock();
    try {
      wanted = Optional.ofNullable(moving.poll());
    } finally {
      lock.unlock();
    }
    if (wanted.isPresent()) {
      try {
        store = store.movedTo(wanted.get().to());
        forgetProblem();
        wanted.get().done().complete(store.file());
      } catch (FileProblem | RuntimeException e) {
        wanted.get().done().completeExceptionally(e);
      }
    }
  }

  /** Into a new file beside the one that is gone; false where that can't be either. */
  private boolean movedBeside() {
    Path from = store.file();
    try {
      store = store.movedTo(Copies.beside(from));
    } catch (FileProblem | RuntimeException e) {
      LOG.warn("Moving {}", from, e);
      return false;
    }
    forgetProblem();
    watcher.moved(from, store.file(), store.missing());
    return true;
  }

  /** What hindered writing into the old file says nothing of the new one. */
  private void forgetProblem() {
    lock.lock();
    try {
      problem = Optional.empty();
    } finally {
      lock.unlock();
    }
    tell();
  }

  private void tryToWrite(Write write) throws InterruptedException {
    try {
      write.to(store);
      passed(1);
    } catch (StoreProblem e) {
      if (e.why() == StoreProblem.Cause.REPLACED && movedBeside()) {
        return; // and it is written there
      }
      if (e.mayPass()) {
        failed(e);
      } else {
        refused(e);
      }
    } catch (FileProblem e) {
      refused(e);
    } catch (RuntimeException e) {
      refused(new FileProblem(worded("store.something-could-not-be-written", e), e));
    }
  }

  private void passed(int writes) {
    lock.lock();
    try {
      line.remove();
      waiting -= writes;
      problem = writes > 0 ? Optional.empty() : problem;
    } finally {
      lock.unlock();
    }
    tell();
  }

  private void failed(StoreProblem e) throws InterruptedException {
    LOG.warn("Writing {}", store.file(), e);
    store.makeRoom();
    lock.lock();
    try {
      problem = Optional.of(e.getMessage());
    } finally {
      lock.unlock();
    }
    tell();
    lock.lock();
    try {
      nudged = false;
      long left = REST.toNanos();
      while (left > 0 && !nudged && !closing) {
        left = changed.awaitNanos(left);
      }
    } finally {
      lock.unlock();
    }
  }

  private void refused(FileProblem e) {
    LOG.error("Writing {}: refused for good", store.file(), e);
    watcher.refused(e);
    passed(1);
  }

  private void tell() {
    watcher.progress(progress());
  }

  /** Waits until all is written, as far as it can be, and closes the file. */
  @Override
  public void close() {
    lock.lock();
    try {
      closing = true;
      changed.signalAll();
    } finally {
      lock.unlock();
    }
    try {
      thread.join();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
