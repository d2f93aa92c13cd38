package polydex.desktop.state;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import polydex.conflict.ConflictHistory;
import polydex.files.FileProblem;
import polydex.files.log.LogImport;
import polydex.files.store.Store;
import polydex.mouse.Deed;
import polydex.mouse.Lately;
import polydex.mouse.LogEvent;
import polydex.mouse.Place;
import polydex.mouse.Recogniser;
import polydex.mouse.Standing;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.Progress;
import polydex.workspace.Change;
import polydex.workspace.History;
import polydex.workspace.Workspace;

/**
 * An open file and what was done with it. Lives on the interface thread; what has to reach the disk
 * is written in order by one thread of its own.
 */
public final class Session implements AutoCloseable {
  private final Store store;
  private final Clock clock;
  private final ReadOnlyObjectWrapper<Workspace> workspace;
  private final ReadOnlyObjectWrapper<Status> status = new ReadOnlyObjectWrapper<>(Status.NOTHING);
  private final ReadOnlyLongWrapper logged = new ReadOnlyLongWrapper();
  private final History history = new History();
  private final Progress progress;
  private final ExecutorService writer =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("store").daemon().factory());
  private ConflictHistory conflicts;
  private final Map<DrillItem, Instant> drilledSince = new ConcurrentHashMap<>();
  private final MouseLog mouseLog;

  /**
   * What the status line says.
   *
   * @param text a sentence
   * @param isProblem whether something went wrong
   */
  public record Status(String text, boolean isProblem) {
    static final Status NOTHING = new Status("", false);
  }

  /**
   * A session on an open store, which it closes at the end.
   *
   * @param clock what the session takes for now; its zone says where days begin
   */
  public Session(Store store, Clock clock) throws FileProblem {
    this.store = store;
    this.clock = clock;
    workspace = new ReadOnlyObjectWrapper<>(store.workspace());
    progress = new Progress(clock.getZone());
    store.answers(progress::add);
    progress.states().forEach((item, state) -> drilledSince.put(item, state.begun()));
    mouseLog =
        new MouseLog(store, clock.getZone(), workspace::get, this::drilledSince, this::write);
    mouseLog.changed().addListener((_, _, _) -> logged.set(logged.get() + 1));
    conflicts = store.conflicts();
    workspace.addListener(
        (_, before, after) -> {
          if (MouseLog.meansSomethingElse(before, after)) {
            mouseLog.readAgain();
          }
        });
  }

  /** Recognises what is in the log; each asker has its own. */
  public Recogniser recogniser(Workspace by) {
    return MouseLog.recogniser(by);
  }

  /** When the gesture of an action was first answered in a drill. */
  public Optional<Instant> drilledSince(Place place) {
    return Optional.ofNullable(
        drilledSince.get(new DrillItem(place.environment(), place.action())));
  }

  /** What the person has made and chosen. */
  public ReadOnlyObjectProperty<Workspace> workspace() {
    return workspace.getReadOnlyProperty();
  }

  /** What was done last, or went wrong. */
  public ReadOnlyObjectProperty<Status> status() {
    return status.getReadOnlyProperty();
  }

  /** Goes up with every line of either log. */
  public ReadOnlyLongProperty logged() {
    return logged.getReadOnlyProperty();
  }

  /** What the mouse log comes to now. */
  public Standing standing() {
    return mouseLog.standing();
  }

  /** What is remembered. */
  public Progress progress() {
    return progress;
  }

  /** How often actions were done with the pointer lately. */
  public Lately lately() {
    return standing().lately(today());
  }

  /** When conflicts of setups came and went. */
  public ConflictHistory conflicts() {
    return conflicts;
  }

  /** Keeps the history of conflicts as a look into a setup has left it. */
  public void keep(ConflictHistory after) {
    ConflictHistory before = conflicts;
    conflicts = after;
    if (!after.equals(before)) {
      write(() -> store.save(before, after));
    }
  }

  /** Where the person's days begin and end. */
  public ZoneId zone() {
    return clock.getZone();
  }

  /** The clock that the session goes by. */
  public Clock clock() {
    return clock;
  }

  /** The day that it is. */
  public LocalDate today() {
    return now().atZone(clock.getZone()).toLocalDate();
  }

  /** Hands every answer to an item to somebody on the interface thread, the oldest first. */
  public void answers(DrillItem item, Consumer<List<Answer>> to) {
    write(
        () -> {
          List<Answer> found = new ArrayList<>();
          store.answers(item, found::add);
          Platform.runLater(() -> to.accept(found));
        });
  }

  /** The moment that the session takes for now. */
  public Instant now() {
    return clock.instant();
  }

  /** Makes an edit. */
  public void apply(Change.Edit edit) {
    // First in line for the disk: what is found out of the new value may take long.
    write(() -> store.save(edit, now()));
    workspace.set(edit.after());
    history.made(edit);
    say(edit.title() + ". Ctrl+Z takes it back.");
  }

  /** Puts another setup in use; a choice, which undo leaves alone. */
  public void choose(String setup) {
    workspace.set(workspace.get().using(Optional.of(setup)));
    write(() -> store.choose(Optional.of(setup)));
  }

  /** Notes that an action was done in the setup that is in use. */
  public void note(String action, boolean byKeys) {
    Workspace now = workspace.get();
    Deed deed = Deed.noted(now.current().orElse(""), action, byKeys);
    String title =
        "Noted: \u201c%s\u201d %s"
            .formatted(now.catalog().title(action), byKeys ? "by keys" : "with the mouse");
    Change.Note note =
        new Change.Note(title, LogEvent.of(now().truncatedTo(ChronoUnit.MILLIS), deed));
    mouseLog.add(List.of(note.event()));
    history.made(note);
    say(title + ". Ctrl+Z takes it back.");
    write(() -> store.save(note, now()));
  }

  /** A number under which what a recorder sees comes in, so that it can be taken back together. */
  public long newBatch(String title) {
    return store.newBatch(title, now());
  }

  /** Keeps what a recorder has seen. */
  public void arrived(List<LogEvent> events, long batch) {
    mouseLog.add(events);
    write(() -> store.add(events, batch));
  }

  /** Says that a batch is whole, and can be taken back. */
  public void made(Change.Batch batch) {
    history.made(batch);
    say(batch.title() + ". Ctrl+Z takes it back.");
  }

  /**
   * Brings a log in, all of it or nothing, behind what is still to be written.
   *
   * @param to gets what was taken, or the problem, on the interface thread
   */
  public void bringIn(
      LogImport log,
      boolean goodLines,
      LongPredicate progress,
      Consumer<LogImport.Taken> to,
      Consumer<String> problem) {
    mouseLog.bringIn(
        log,
        goodLines,
        progress,
        taken -> {
          taken.brought().ifPresent(b -> made(b.change()));
          to.accept(taken);
        },
        problem);
  }

  /** Keeps an answer. */
  public void answer(Answer answer) {
    progress.add(answer);
    drilledSince.putIfAbsent(answer.item(), answer.at());
    logged.set(logged.get() + 1);
    write(() -> store.add(answer));
  }

  /** Takes back the last change. */
  public void undo() {
    Optional<Change> last = history.toUndo();
    if (last.isEmpty()) {
      say("There is nothing to undo.");
      return;
    }
    switch (last.get()) {
      case Change.Edit edit -> show(edit.reversed());
      case Change.Note note -> {
        write(() -> store.undo(note, now()));
        mouseLog.readAgain();
      }
      case Change.Batch batch -> {
        write(() -> store.undo(batch, now()));
        mouseLog.readAgain();
      }
    }
    history.undid();
    say("Taken back: " + last.get().title() + ". Ctrl+Shift+Z does it again.");
  }

  /** Makes the change again that was taken back last. */
  public void redo() {
    Optional<Change> next = history.toRedo();
    if (next.isEmpty()) {
      say("There is nothing to do again.");
      return;
    }
    switch (next.get()) {
      case Change.Edit edit -> show(edit);
      case Change.Note note -> {
        write(() -> store.save(note, now()));
        mouseLog.readAgain();
      }
      case Change.Batch batch -> {
        write(() -> store.save(batch, now()));
        mouseLog.readAgain();
      }
    }
    history.redid();
    say("Done again: " + next.get().title() + ".");
  }

  /** An edit of the past or future, with the setup that is in use now if it is there. */
  private void show(Change.Edit edit) {
    Optional<String> current = workspace.get().current();
    write(() -> store.save(edit, now()));
    workspace.set(edit.after().using(current));
  }

  /** The ids of the actions done last with the pointer in the setup in use, the newest first. */
  public List<String> lastByPointer() {
    return mouseLog.lastByPointer(workspace.get().current().orElse(""));
  }

  /** The ids of bindings that were added or changed since a moment, by environment. */
  public Map<String, Set<String>> changedSince(Instant moment) {
    return store.changedSince(moment);
  }

  /** A setting of the program. */
  public Optional<String> setting(String name) {
    return store.setting(name);
  }

  /** Keeps a setting of the program. */
  public void setting(String name, String value) {
    write(() -> store.setting(name, value));
  }

  /** Says something in the status line. */
  public void say(String text) {
    status.set(new Status(text, false));
  }

  /** Says in the status line what went wrong. */
  public void problem(String text) {
    status.set(new Status(text, true));
  }

  private void write(Runnable work) {
    writer.execute(
        () -> {
          try {
            work.run();
          } catch (RuntimeException e) {
            Platform.runLater(
                () ->
                    problem(
                        "%s could not be written (%s). Make room on the disk; what you did is still"
                                .formatted(store.file().getFileName(), e.getMessage())
                            + " here while the window is open."));
          }
        });
  }

  /** Waits until all is written, at most ten seconds, and closes the file. */
  @Override
  public void close() {
    writer.shutdown();
    try {
      if (!writer.awaitTermination(10, TimeUnit.SECONDS)) {
        writer.shutdownNow();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    store.close();
  }
}
