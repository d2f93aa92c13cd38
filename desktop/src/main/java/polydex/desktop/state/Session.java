package polydex.desktop.state;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import org.jspecify.annotations.Nullable;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.conflict.ConflictHistory;
import polydex.desktop.keys.OwnKeys;
import polydex.files.FileProblem;
import polydex.files.Unexpected;
import polydex.files.demo.DemoFile;
import polydex.files.log.LogImport;
import polydex.files.store.Store;
import polydex.files.store.StoreLine;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.own.OwnKeymap;
import polydex.person.Knowledge;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.FirstAnswer;
import polydex.recall.MemoryFit;
import polydex.recall.MemoryFits;
import polydex.recall.MemoryFitter;
import polydex.recall.MemoryParameters;
import polydex.recall.Progress;
import polydex.route.SetupId;
import polydex.totals.Audit;
import polydex.totals.Reminder;
import polydex.totals.Standing;
import polydex.workspace.Change;
import polydex.workspace.History;
import polydex.workspace.Workspace;

/**
 * An open file and what was done with it. Lives on the interface thread; what has to reach the disk
 * stands in a line of its own, and is kept there until it has.
 */
public final class Session implements AutoCloseable {
  private final StoreLine store;
  private final Unhurried unhurried = new Unhurried();
  private final ReadOnlyObjectWrapper<Path> file;
  private final Clock clock;
  private final ReadOnlyObjectWrapper<Workspace> workspace;
  private final ReadOnlyObjectWrapper<Status> status = new ReadOnlyObjectWrapper<>(Status.NOTHING);
  private final ReadOnlyLongWrapper logged = new ReadOnlyLongWrapper();
  private final OwnKeys ownKeys;
  private final History history = new History();
  private MemoryFits fits;
  private boolean fitting;
  private Progress progress;
  private Optional<List<Answer>> whileReplayed = Optional.empty();
  private long replays;
  private final Map<String, String> settings;
  private final ReadOnlyObjectWrapper<StoreLine.Progress> unwritten =
      new ReadOnlyObjectWrapper<>(StoreLine.Progress.DONE);
  private final AtomicReference<Optional<StoreLine.Progress>> news =
      new AtomicReference<>(Optional.empty());
  private final ReadOnlyStringWrapper notice = new ReadOnlyStringWrapper("");
  private ConflictHistory conflicts;
  private Optional<LocalDate> copied = Optional.empty();
  private final Map<DrillItem, Instant> drilledSince = new ConcurrentHashMap<>();
  private final Map<DrillItem, Instant> fluentSince = new ConcurrentHashMap<>();
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
   * @param opened is read here, the mouse log too, and from then on touched by a thread of its own
   *     alone
   * @param clock what the session takes for now; its zone says where days begin
   */
  public Session(Store opened, Clock clock) throws FileProblem {
    this(Opened.of(opened, clock), opened::events);
    follow();
    shown();
  }

  /**
   * A session on what was read of a file. Its mouse log is read beside and everything else found
   * out as soon as it is {@link #shown()}.
   */
  public static Session reading(Opened opened) throws FileProblem {
    Session session = new Session(opened, null);
    if (opened.isLogged()) {
      session.whenShown(session.mouseLog::readAgain);
    }
    session.follow();
    session.whenLogRead(session::check, _ -> session.check());
    return session;
  }

  /** Hands on every event of the mouse log. */
  private interface Events {
    void each(Consumer<LogEvent> to) throws FileProblem;
  }

  /**
   * On what was read.
   *
   * @param log is gone through here, before the store has a thread of its own; none where it is
   *     read later
   */
  private Session(Opened opened, @Nullable Events log) throws FileProblem {
    clock = opened.clock();
    file = new ReadOnlyObjectWrapper<>(opened.store().file());
    workspace = new ReadOnlyObjectWrapper<>(opened.workspace());
    ownKeys = new OwnKeys(workspace.map(w -> OwnKeymap.gestures(w.catalog())));
    settings = opened.settings();
    fits = opened.fits();
    progress = opened.progress();
    progress.states().forEach((item, state) -> drilledSince.put(item, state.begun()));
    fluentSince.putAll(progress.fluentSince());
    conflicts = opened.conflicts();
    Audit audit = Knowledge.audit(workspace.get(), clock.getZone(), this::fluentSince);
    opened.reminders().forEach(audit::follow);
    if (log != null) {
      log.each(audit::add);
    }
    store = new StoreLine(opened.store(), new Written());
    keepOwnKeys();
    mouseLog =
        new MouseLog(
            store,
            audit,
            log != null || !opened.isLogged(),
            opened.reminders(),
            clock.getZone(),
            workspace::get,
            this::fluentSince,
            this::problem);
  }

  /**
   * Checks the whole file, table by table behind whatever is to be done with it, once the log was
   * read: opening it had no time for that.
   */
  private void check() {
    ask(Store::tables, this::check, _ -> {});
  }

  private void check(List<String> tables) {
    if (!tables.isEmpty()) {
      ask(
          s -> s.isSound(tables.getFirst()),
          sound -> {
            if (sound) {
              check(tables.subList(1, tables.size()));
            } else {
              notice.set(worded("state.is-damaged-close-it-and-open", file.get().getFileName()));
            }
          },
          _ -> {});
    }
  }

  /** A file that has something in it has the program's keys too, as far as this program goes. */
  private void keepOwnKeys() {
    Workspace before = workspace.get();
    Catalog catalog = before.catalog();
    if (!catalog.environments().isEmpty()) {
      Workspace after = before.with(OwnKeymap.in(catalog));
      if (!after.catalog().equals(catalog)) {
        Instant at = now();
        store.write(
            s ->
                s.save(
                    new Change.Edit(worded("state.bring-in-the-keys-of-polydex"), before, after),
                    at));
        workspace.set(after);
      }
    }
  }

  private void follow() {
    whenShown(this::copyOfToday);
    whenShown(this::fitIfDue);
    mouseLog.changed().addListener((_, _, _) -> logged.set(logged.get() + 1));
    workspace.addListener(
        (_, before, after) -> {
          if (!before.catalog().successors().equals(after.catalog().successors())) {
            replay();
          }
          if (MouseLog.meansSomethingElse(before, after)) {
            mouseLog.readAgain();
          }
        });
  }

  private Progress replayed(Store from) throws FileProblem {
    Progress made = new Progress(zone(), from.fits().parameters());
    from.answers(made::add);
    return made;
  }

  /**
   * Every two weeks the memory is fitted anew to the person, behind what is still to be written;
   * where that foretells better, all states are made again by it.
   */
  public void fitIfDue() {
    List<FirstAnswer> latest = progress.latest();
    if (fitting || !fits.isDue(latest.size(), now())) {
      return;
    }
    fitting = true;
    MemoryParameters inUse = progress.parameters();
    Instant at = now().truncatedTo(ChronoUnit.MILLIS);
    ask(
        s -> {
          Optional<MemoryFit> fit = MemoryFitter.fit(latest, inUse, at);
          if (fit.isPresent()) {
            s.add(fit.get());
          }
          return fit;
        },
        fit -> {
          fitting = false;
          fit.ifPresent(this::fitted);
        },
        _ -> fitting = false);
  }

  private void fitted(MemoryFit fit) {
    fits = fits.and(fit);
    if (fit.isUsed()) {
      say(worded("state.how-fast-you-forget-was-reckoned", fit.answers()));
      replay();
    }
  }

  /** How the memory was fitted to the person, every time. */
  public MemoryFits fits() {
    return fits;
  }

  /**
   * Answers count for other actions than before, so all of them are gone through again; those that
   * come meanwhile are in line behind that, and are added at its end.
   */
  private void replay() {
    long mine = ++replays;
    whileReplayed = Optional.of(new ArrayList<>());
    ask(
        this::replayed,
        made -> {
          if (mine == replays) {
            whileReplayed.orElse(List.of()).forEach(made::add);
            whileReplayed = Optional.empty();
            progress = made;
            Map<DrillItem, Instant> since = new HashMap<>();
            made.states().forEach((item, state) -> since.put(item, state.begun()));
            drilledSince.keySet().retainAll(since.keySet());
            drilledSince.putAll(since);
            fluentSince.keySet().retainAll(made.fluentSince().keySet());
            fluentSince.putAll(made.fluentSince());
            logged.set(logged.get() + 1);
          }
        },
        _ -> {});
  }

  /** Hears on the line's thread what becomes of what was done. */
  private final class Written implements StoreLine.Watcher {
    /** The newest is shown, however many came. */
    @Override
    public void progress(StoreLine.Progress now) {
      if (news.getAndSet(Optional.of(now)).isEmpty()) {
        Platform.runLater(() -> news.getAndSet(Optional.empty()).ifPresent(unwritten::set));
      }
    }

    @Override
    public void refused(FileProblem problem) {
      Platform.runLater(
          () -> problem(worded("state.what-was-done-last-is-not", problem.getMessage())));
    }

    @Override
    public void moved(Path from, Path to, Optional<String> missing) {
      Platform.runLater(
          () -> {
            file.set(to);
            notice.set(
                worded(
                    "state.was-deleted-or-replaced-by-another",
                    from.getFileName(),
                    to,
                    missing.map(m -> " " + m).orElse("")));
          });
    }
  }

  /** What has to stay in sight until the window is closed; nothing as a rule. */
  public ReadOnlyStringProperty notice() {
    return notice.getReadOnlyProperty();
  }

  /** What is not written yet at this moment, even if nobody was told so far. */
  public StoreLine.Progress writing() {
    return store.progress();
  }

  /**
   * Moves everything into a new file and goes on there, with what could not be written so far.
   *
   * @param failed hears why not; everything goes on where it was then
   */
  public void moveTo(Path to, Runnable moved, Consumer<String> failed) {
    Path from = file.get();
    var _ =
        store
            .move(to)
            .whenComplete(
                (where, failure) ->
                    Platform.runLater(
                        () -> {
                          if (failure == null) {
                            file.set(where);
                            say(
                                worded(
                                    "state.everything-is-kept-in-from-now",
                                    where,
                                    from.getFileName()));
                            moved.run();
                          } else {
                            failed.accept(said(failure));
                          }
                        }));
  }

  private static String said(Throwable failure) {
    return failure instanceof FileProblem ? failure.getMessage() : Unexpected.said(failure);
  }

  /** What is not written yet, and why where writing fails. */
  public ReadOnlyObjectProperty<StoreLine.Progress> unwritten() {
    return unwritten.getReadOnlyProperty();
  }

  private Optional<Instant> fluentSince(DrillItem item) {
    return Optional.ofNullable(fluentSince.get(item));
  }

  private Optional<Instant> drilledSince(DrillItem item) {
    return Optional.ofNullable(drilledSince.get(item));
  }

  /** All that is known of the person now; of use on any thread. */
  public Knowledge knowledge() {
    return new Knowledge(
        workspace.get(),
        standing(),
        Knowledge.Practice.of(progress.history()),
        this::drilledSince,
        zone(),
        today());
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

  /** Whether nothing was ever noted; known also while the mouse log is being read. */
  public boolean isLogEmpty() {
    return mouseLog.isEmpty();
  }

  /**
   * Does something as soon as the mouse log was read once, which is at once as a rule.
   *
   * @param failed hears instead why it can't be read
   */
  public void whenLogRead(Runnable read, Consumer<String> failed) {
    whenShown(() -> mouseLog.whenRead(read, failed));
  }

  /** Does something that takes a while once the window was painted, or at once where it was. */
  void whenShown(Runnable what) {
    unhurried.add(what);
  }

  /** Says that its window was painted once. */
  public void shown() {
    unhurried.shown();
  }

  /** What the mouse log comes to now; to nothing while it was not read yet. */
  public Standing standing() {
    return mouseLog.standing();
  }

  /** What is remembered. */
  public Progress progress() {
    return progress;
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
      store.write(s -> s.save(after));
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

  /**
   * Hands every answer to an item to somebody on the interface thread, the oldest first.
   *
   * @param failed hears why not, where they can't be read
   */
  public void answers(DrillItem item, Consumer<List<Answer>> to, Consumer<String> failed) {
    ask(s -> s.answers(item), to, failed);
  }

  <T> void ask(StoreLine.Question<T> question, Consumer<T> to, Consumer<String> failed) {
    var _ =
        store
            .ask(question)
            .whenComplete(
                (answer, failure) ->
                    Platform.runLater(
                        () -> {
                          if (failure == null) {
                            to.accept(answer);
                          } else {
                            String why = said(failure);
                            problem(why);
                            failed.accept(why);
                          }
                        }));
  }

  /** The moment that the session takes for now. */
  public Instant now() {
    return clock.instant();
  }

  /**
   * Makes an edit, if it is of what there is now: since it was thought out, something else may have
   * been made or taken back.
   *
   * @return whether it was made; where it was not, the status line says so
   */
  public boolean apply(Change.Edit edit) {
    Workspace now = workspace.get();
    if (!edit.before().isButForTheChoice(now)) {
      problem(worded("state.something-else-was-changed-since-this"));
      return false;
    }
    copyOfToday();
    // First in line for the disk: what is found out of the new value may take long.
    Instant at = now();
    store.write(s -> s.save(edit, at));
    boolean chooses = !edit.before().current().equals(edit.after().current());
    workspace.set(chooses ? edit.after() : edit.after().using(now.current()));
    history.made(edit);
    say(worded("state.undo-takes-it-back", edit.done()));
    return true;
  }

  /** Puts another setup in use; a choice, which undo leaves alone. */
  public void choose(SetupId setup) {
    workspace.set(workspace.get().using(Optional.of(setup)));
    store.write(s -> s.choose(setup));
  }

  /** Notes that an action was done in the setup that is in use. */
  public void note(ActionId action, boolean byKeys) {
    copyOfToday();
    Workspace now = workspace.get();
    Deed deed = Deed.noted(now.current().orElse(SetupId.NONE), action, byKeys);
    String title =
        worded(
            "state.noted",
            now.catalog().title(action),
            byKeys ? worded("state.by-keys") : worded("state.with-the-mouse"));
    Change.Note note =
        new Change.Note(title, LogEvent.of(now().truncatedTo(ChronoUnit.MILLIS), deed));
    mouseLog.add(List.of(note.event()));
    history.made(note);
    say(worded("state.undo-takes-it-back", title));
    write(note);
  }

  /**
   * Writes everything into an archive of open formats.
   *
   * @param done is run when it is there
   */
  public void archive(Path to, Runnable done) {
    Instant at = now();
    ask(
        s -> {
          s.archive(to, at);
          return to;
        },
        _ -> done.run(),
        _ -> {});
  }

  /** Makes the copy of the day before anything is changed on it; not of the demo, which is one. */
  private void copyOfToday() {
    LocalDate today = today();
    if (copied.equals(Optional.of(today)) || setting(DemoFile.NOW).isPresent()) {
      return;
    }
    copied = Optional.of(today);
    ask(
        s -> s.copy(today),
        _ -> {},
        why -> problem(worded("state.no-copy-could-be-made-today", why)));
  }

  /** A number under which what a recorder sees comes in, so that it can be taken back together. */
  public long newBatch(String title) {
    copyOfToday();
    Change.Batch batch = new Change.Batch(title, store.newBatch());
    Instant at = now();
    store.write(s -> s.begin(batch, at));
    return batch.batch();
  }

  /** Keeps what a recorder has seen. */
  public void arrived(List<LogEvent> events, long batch) {
    mouseLog.add(events);
    store.write(s -> s.add(events, batch));
  }

  /** Keeps a moment at which something was or could have been named, and counts what follows. */
  public void add(Reminder reminder) {
    store.write(s -> s.add(reminder));
    mouseLog.follow(reminder);
  }

  /** Says that a batch is whole, and can be taken back. */
  public void made(Change.Batch batch) {
    history.made(batch);
    say(worded("state.undo-takes-it-back", batch.done()));
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
    copyOfToday();
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
    copyOfToday();
    progress.add(answer);
    whileReplayed.ifPresent(some -> some.add(answer));
    drilledSince.putIfAbsent(answer.item(), answer.at());
    Optional.ofNullable(progress.fluentSince().get(answer.item()))
        .ifPresent(since -> fluentSince.putIfAbsent(answer.item(), since));
    logged.set(logged.get() + 1);
    store.write(s -> s.add(answer));
  }

  /** Takes back the last change. */
  public void undo() {
    Optional<Change> last = history.toUndo();
    if (last.isEmpty()) {
      say(worded("state.there-is-nothing-to-undo"));
      return;
    }
    switch (last.get()) {
      case Change.Edit edit -> show(edit.reversed());
      case Change.Note note -> {
        store.write(s -> s.undo(note));
        mouseLog.readAgain();
      }
      case Change.Batch batch -> {
        store.write(s -> s.undo(batch));
        mouseLog.readAgain();
      }
    }
    history.undid();
    say(worded("state.taken-back-redo-does-it-again", last.get().title()));
  }

  /** Makes the change again that was taken back last. */
  public void redo() {
    Optional<Change> next = history.toRedo();
    if (next.isEmpty()) {
      say(worded("state.there-is-nothing-to-do-again"));
      return;
    }
    switch (next.get()) {
      case Change.Edit edit -> show(edit);
      case Change.Note note -> {
        write(note);
        mouseLog.readAgain();
      }
      case Change.Batch batch -> {
        store.write(s -> s.save(batch));
        mouseLog.readAgain();
      }
    }
    history.redid();
    say(worded("state.done-again", next.get().title()));
  }

  /** An edit of the past or future, with the setup that is in use now if it is there. */
  private void show(Change.Edit edit) {
    Optional<SetupId> current = workspace.get().current();
    Instant at = now();
    store.write(s -> s.save(edit, at));
    workspace.set(edit.after().using(current));
  }

  private void write(Change.Note note) {
    store.write(s -> s.save(note));
  }

  /** The ids of the actions done last with the pointer in the setup in use, the newest first. */
  public List<ActionId> lastByPointer() {
    return mouseLog.lastByPointer(workspace.get().current().orElse(SetupId.NONE));
  }

  /**
   * Hands the ids of bindings that were added or changed since a moment, by environment, to
   * somebody on the interface thread.
   *
   * @param failed hears why not, where they can't be read
   */
  public void changedSince(
      Instant moment, Consumer<Map<EnvironmentId, Set<String>>> to, Consumer<String> failed) {
    ask(s -> s.changedSince(moment), to, failed);
  }

  /** When the newest event of the mouse log happened, if there is one. */
  public void newest(Consumer<Optional<Instant>> to) {
    ask(Store::newest, to, _ -> {});
  }

  /** The keys that the program's commands have in this file. */
  public OwnKeys ownKeys() {
    return ownKeys;
  }

  /** A setting of the program. */
  public Optional<String> setting(String name) {
    return Optional.ofNullable(settings.get(name));
  }

  /** Keeps a setting of the program. */
  public void setting(String name, String value) {
    settings.put(name, value);
    store.write(s -> s.setting(name, value));
  }

  /** Says something in the status line. */
  public void say(String text) {
    status.set(new Status(ownKeys.in(text), false));
  }

  /** Says in the status line what went wrong. */
  public void problem(String text) {
    status.set(new Status(ownKeys.in(text), true));
  }

  /** Through which everything reaches the disk. */
  StoreLine line() {
    return store;
  }

  /** Where it is kept. */
  public ReadOnlyObjectProperty<Path> file() {
    return file.getReadOnlyProperty();
  }

  /** Waits until all is written, as far as it can be, and closes the file. */
  @Override
  public void close() {
    unhurried.clear();
    mouseLog.close();
    store.close();
  }
}
