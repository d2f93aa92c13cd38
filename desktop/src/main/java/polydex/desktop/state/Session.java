package polydex.desktop.state;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import polydex.conflict.ConflictHistory;
import polydex.files.FileProblem;
import polydex.files.store.Store;
import polydex.mouse.Habits;
import polydex.mouse.RecentUses;
import polydex.mouse.Use;
import polydex.mouse.Use.Device;
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
  private static final int LAST_NOTED = 9;

  private final Store store;
  private final Clock clock;
  private final ReadOnlyObjectWrapper<Workspace> workspace;
  private final ReadOnlyObjectWrapper<Status> status = new ReadOnlyObjectWrapper<>(Status.NOTHING);
  private final ReadOnlyLongWrapper logged = new ReadOnlyLongWrapper();
  private final History history = new History();
  private final Progress progress;
  private final List<Use> uses = new ArrayList<>();
  private final ExecutorService writer =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("store").daemon().factory());
  private Habits habits;
  private ConflictHistory conflicts;

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
    store.uses(uses::add);
    habits = habits(uses);
    conflicts = store.conflicts();
  }

  private Habits habits(List<Use> of) {
    Habits made = new Habits(clock.getZone());
    of.forEach(made::add);
    return made;
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

  /** How actions are done. */
  public Habits habits() {
    return habits;
  }

  /** What is remembered. */
  public Progress progress() {
    return progress;
  }

  /** How often actions were done with the pointer lately. */
  public RecentUses recentUses() {
    return RecentUses.of(uses, now(), clock.getZone());
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
    workspace.set(edit.after());
    history.made(edit);
    say(edit.title() + ". Ctrl+Z takes it back.");
    write(() -> store.save(edit, now()));
  }

  /** Puts another setup in use; a choice, which undo leaves alone. */
  public void choose(String setup) {
    workspace.set(workspace.get().using(Optional.of(setup)));
    write(() -> store.choose(Optional.of(setup)));
  }

  /** Notes that an action was done. */
  public void note(String action, Device device) {
    Workspace now = workspace.get();
    Use use = new Use(now(), action, device, now.current().orElse(""));
    String title =
        "Noted: \u201c%s\u201d %s"
            .formatted(
                now.catalog().title(action),
                device == Device.POINTER ? "with the mouse" : "by keys");
    Change.Note note = new Change.Note(title, use);
    add(use);
    history.made(note);
    say(title + ". Ctrl+Z takes it back.");
    write(() -> store.save(note, now()));
  }

  private void add(Use use) {
    uses.add(use);
    habits.add(use);
    logged.set(logged.get() + 1);
  }

  /** Keeps an answer. */
  public void answer(Answer answer) {
    progress.add(answer);
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
        uses.remove(note.use());
        habits = habits(uses);
        logged.set(logged.get() + 1);
        write(() -> store.undo(note, now()));
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
        add(note.use());
        write(() -> store.save(note, now()));
      }
    }
    history.redid();
    say("Done again: " + next.get().title() + ".");
  }

  /** An edit of the past or future, with the setup that is in use now if it is there. */
  private void show(Change.Edit edit) {
    Optional<String> current = workspace.get().current();
    workspace.set(edit.after().using(current));
    write(() -> store.save(edit, now()));
  }

  /** The ids of the actions noted lately and most often by pointer, at most nine, each once. */
  public List<String> likelyToNote() {
    Set<String> found = new LinkedHashSet<>();
    String setup = workspace.get().current().orElse("");
    for (int i = uses.size() - 1; i >= 0 && i >= uses.size() - 2000; i--) {
      Use use = uses.get(i);
      if (use.device() == Device.POINTER && use.setup().equals(setup)) {
        found.add(use.action());
      }
      if (found.size() == LAST_NOTED) {
        break;
      }
    }
    habits.byPointerUses().stream()
        .filter(a -> workspace.get().catalog().action(a).isPresent())
        .limit(LAST_NOTED)
        .forEach(found::add);
    return found.stream().limit(LAST_NOTED).toList();
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
