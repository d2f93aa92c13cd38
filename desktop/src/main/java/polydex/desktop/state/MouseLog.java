package polydex.desktop.state;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.LongPredicate;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.catalog.ActionId;
import polydex.files.FileProblem;
import polydex.files.Unexpected;
import polydex.files.log.LogFile;
import polydex.files.log.LogImport;
import polydex.files.store.StoreLine;
import polydex.log.LogEvent;
import polydex.person.Knowledge;
import polydex.recall.DrillItem;
import polydex.route.SetupId;
import polydex.totals.Audit;
import polydex.totals.Reminder;
import polydex.totals.Standing;
import polydex.workspace.Workspace;

/**
 * What the mouse log of an open file comes to. Events that come in order are added to the totals;
 * whatever else happens to the log has it read again, off the interface thread and behind what was
 * to be written by then. The newest reading wins, and what came meanwhile is added to it.
 */
final class MouseLog {
  private static final Logger LOG = LoggerFactory.getLogger(MouseLog.class);

  /** Events that come so much later than they happened are put in order by reading all again. */
  private static final Duration LATE = Duration.ofSeconds(5);

  private final StoreLine store;
  private final ZoneId zone;
  private final Supplier<Workspace> workspace;
  private final Function<DrillItem, Optional<Instant>> fluentSince;
  private final Consumer<String> problems;
  private final ExecutorService reader =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("log").daemon().factory());
  private final ReadOnlyLongWrapper changed = new ReadOnlyLongWrapper();
  private final AtomicLong newestReading = new AtomicLong();

  /** What came in while the log was read again, which that reading can't have seen. */
  private final List<LogEvent> meanwhile = new ArrayList<>();

  /** What comes after them is counted; those of a reading are the ones that there were then. */
  private volatile List<Reminder> reminders;

  private Audit audit;
  private Optional<Standing> standing = Optional.empty();

  /** The reading that the audit is of. */
  private long newestPublished;

  private boolean isRead;
  private Optional<String> failure = Optional.empty();

  private record Waiting(Runnable read, Consumer<String> failed) {}

  private final List<Waiting> waiting = new ArrayList<>();

  /**
   * The log of a store.
   *
   * @param audit what it comes to so far
   * @param isRead whether that is all of it
   * @param reminders that the audit follows already
   * @param fluentSince when an item became fluent; asked on any thread
   * @param problems hears on the interface thread when the log can't be read again
   */
  MouseLog(
      StoreLine store,
      Audit audit,
      boolean isRead,
      List<Reminder> reminders,
      ZoneId zone,
      Supplier<Workspace> workspace,
      Function<DrillItem, Optional<Instant>> fluentSince,
      Consumer<String> problems) {
    this.store = store;
    this.problems = problems;
    this.audit = audit;
    this.isRead = isRead;
    this.reminders = List.copyOf(reminders);
    this.zone = zone;
    this.workspace = workspace;
    this.fluentSince = fluentSince;
  }

  /** Whether there is nothing in it; what is still to be read has something. */
  boolean isEmpty() {
    return isRead && standing().events() == 0;
  }

  /** Does something as soon as it was read once, or could not be. */
  void whenRead(Runnable read, Consumer<String> failed) {
    if (isRead) {
      read.run();
    } else if (failure.isPresent()) {
      failed.accept(failure.get());
    } else {
      waiting.add(new Waiting(read, failed));
    }
  }

  /** Whether the same log may mean something else after an edit. */
  static boolean meansSomethingElse(Workspace before, Workspace after) {
    return !before.world().equals(after.world())
        || !before.setups().equals(after.setups())
        || !before.mouse().names().equals(after.mouse().names());
  }

  private Audit begun(Workspace by) {
    Audit made = Knowledge.audit(by, zone, fluentSince);
    reminders.forEach(made::follow);
    return made;
  }

  private Audit read(StoreLine.Reading log, Workspace by) throws FileProblem {
    Audit made = begun(by);
    log.each(made::add);
    return made;
  }

  /** None where it was begun anew meanwhile: edits may follow each other faster than it is read. */
  private Optional<Audit> readWhileNewest(StoreLine.Reading log, Workspace by, long reading)
      throws FileProblem {
    Audit made = begun(by);
    return log.each(made::add, () -> newestReading.get() == reading)
        ? Optional.of(made)
        : Optional.empty();
  }

  /** Goes up whenever the log says something else. */
  ReadOnlyLongProperty changed() {
    return changed.getReadOnlyProperty();
  }

  /** What it comes to now. */
  Standing standing() {
    if (standing.isEmpty()) {
      standing = Optional.of(audit.standing());
    }
    return standing.get();
  }

  /** The ids of the actions done last with the pointer in a setup, the newest first. */
  List<ActionId> lastByPointer(SetupId setup) {
    return audit.lastByPointer(setup);
  }

  /** Counts what comes after a reminder from now on. */
  void follow(Reminder reminder) {
    reminders = Stream.concat(reminders.stream(), Stream.of(reminder)).toList();
    if (isRead && newestReading.get() == newestPublished) {
      audit.follow(reminder);
      change();
    } else {
      readAgain();
    }
  }

  /** Adds what has just been done. */
  void add(List<LogEvent> events) {
    meanwhile.addAll(events);
    addTo(audit, events);
    change();
  }

  private void addTo(Audit all, List<LogEvent> events) {
    boolean late = events.stream().anyMatch(e -> e.at().isBefore(all.last().minus(LATE)));
    events.forEach(all::add);
    if (late) {
      Platform.runLater(this::readAgain);
    }
  }

  /** Reads the whole log again, in the order of time and by what is known now. */
  void readAgain() {
    long reading = begin();
    Workspace by = workspace.get();
    // In line now, so that what comes after this moment is not part of it.
    StoreLine.Reading log = store.reading();
    beside(
        () -> {
          Optional<Audit> made = readWhileNewest(log, by, reading);
          made.ifPresent(audited -> Platform.runLater(() -> publish(audited, reading)));
        },
        why -> {
          problems.accept(why);
          if (!isRead) {
            failure = Optional.of(why);
            List<Waiting> told = List.copyOf(waiting);
            waiting.clear();
            told.forEach(w -> w.failed().accept(why));
          }
        });
  }

  private interface Work {
    void run() throws FileProblem;
  }

  /** Beside the window, in order: here the older work counts as much as the newer. */
  private void beside(Work work, Consumer<String> problem) {
    reader.execute(
        () -> {
          try {
            work.run();
          } catch (FileProblem | LogFile.Stopped e) {
            Platform.runLater(() -> problem.accept(e.getMessage()));
          } catch (Throwable e) {
            LOG.error("While reading the log", e);
            Platform.runLater(() -> problem.accept(Unexpected.said(e)));
          }
        });
  }

  private long begin() {
    meanwhile.clear();
    return newestReading.incrementAndGet();
  }

  private void publish(Audit made, long reading) {
    if (newestReading.get() == reading) {
      audit = made;
      addTo(made, List.copyOf(meanwhile));
      meanwhile.clear();
      isRead = true;
      newestPublished = reading;
      change();
      List<Waiting> told = List.copyOf(waiting);
      waiting.clear();
      told.forEach(w -> w.read().run());
    }
  }

  private void change() {
    standing = Optional.empty();
    changed.set(changed.get() + 1);
  }

  /**
   * Brings a log in, all of it or nothing.
   *
   * @param to gets what was taken, or the problem, on the interface thread
   */
  void bringIn(
      LogImport log,
      boolean goodLines,
      LongPredicate progress,
      Consumer<LogImport.Taken> to,
      Consumer<String> problem) {
    long reading = begin();
    Workspace by = workspace.get();
    StoreLine.Reading now = store.reading();
    beside(
        () -> {
          // What there is is read first and what comes is counted on its way, so that a log of
          // a later time, which is the usual case, need not be read again from the store.
          Audit along = read(now, by);
          Instant before = along.last();
          LogImport.Taken taken = log.take(store, goodLines, progress, along::add);
          boolean inOrder = isInOrder(taken, before);
          Platform.runLater(
              () -> {
                // A reading that was begun meanwhile does not have what came in here.
                if (inOrder && newestReading.get() == reading) {
                  publish(along, reading);
                } else {
                  readAgain();
                }
                to.accept(taken);
              });
        },
        // Stopped, a bad file, or no room: nothing was taken, and whoever asked is told.
        message -> {
          readAgain();
          problem.accept(message);
        });
  }

  /** Nothing more is read or brought in; what was on its way is not taken. */
  void close() {
    waiting.clear(); // whoever waits is closed as well
    reader.shutdownNow();
  }

  /** Whether every event of a log is new, later than what was there, and in the order of time. */
  private static boolean isInOrder(LogImport.Taken taken, Instant before) {
    return taken.brought().filter(b -> b.events() == taken.report().events()).isPresent()
        && taken.report().backward() == 0
        && taken.report().first().filter(before::isBefore).isPresent();
  }
}
