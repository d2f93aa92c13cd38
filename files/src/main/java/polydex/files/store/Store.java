package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors;
import polydex.conflict.ConflictHistory;
import polydex.files.FileProblem;
import polydex.log.LogEvent;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.MemoryFit;
import polydex.recall.MemoryFits;
import polydex.route.SetupId;
import polydex.totals.Reminder;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * One {@code .polydex} file, open: an SQLite database with a write-ahead log. It holds the file
 * alone until it is closed, or until its program ends, however suddenly. Each method that writes is
 * one transaction, which has reached the disk when it returns; one that fails has written nothing,
 * and may be tried again. One thread uses it; a window's is {@link StoreLine}.
 */
public final class Store implements AutoCloseable {
  private static final String CURRENT_SETUP = "setup";

  private static final Logger LOG = LoggerFactory.getLogger(Store.class);
  private static final int EVENTS_A_STEP = 20_000;

  /** The batch of what a person noted by hand. */
  private static final long BY_HAND = 0;

  private final HeldFile held;
  private boolean closed;
  private final Path file;
  private final Handle handle;
  private final DeedTable deeds;
  private final EventTable events;
  private final BatchTable batches;

  /** Whether something was taken out, whose bytes the write-ahead log may still hold. */
  private boolean swept;

  /** Whether so much was taken out that the file would be smaller without it. */
  private boolean hasHoles;

  /** What the file holds, against which differences are written; none before anybody asked. */
  private Optional<Workspace> written = Optional.empty();

  private Optional<ConflictHistory> writtenConflicts = Optional.empty();

  private Optional<SinceCopy> sinceCopy = Optional.empty();
  private Optional<String> missing = Optional.empty();

  private Store(HeldFile held) throws SQLException {
    this.held = held;
    this.file = held.path();
    Connection connection = held.connection();
    this.handle = Jdbi.create(connection).registerArgument(new IdArguments()).open();
    this.deeds = new DeedTable(connection);
    this.events = new EventTable(connection, deeds);
    this.batches = new BatchTable(connection, deeds);
  }

  /**
   * Opens a file, or makes it where there is none.
   *
   * @throws FileProblem if it is damaged, open in another program, or newer than this program; it
   *     is then left as it was
   */
  public static Store open(Path path) throws FileProblem {
    HeldFile held = HeldFile.of(path);
    try {
      return new Store(held);
    } catch (SQLException e) {
      held.suspect();
      held.close();
      throw DamagedFile.orElse(StoreProblem.of(held.path(), e), held.path());
    } catch (RuntimeException e) {
      held.close();
      throw e;
    }
  }

  /** Where it is. */
  public Path file() {
    return file;
  }

  private interface Work {
    void with(Handle h) throws SQLException, FileProblem;
  }

  /**
   * By hand and not by the driver, which would not know that the database has ended a transaction
   * by itself, as it does when the disk is full.
   */
  private void transaction(Work work) throws FileProblem {
    held.refuseWhereReplaced();
    try {
      handle.execute("BEGIN IMMEDIATE");
      work.with(handle);
      handle.execute("COMMIT");
      deeds.keep();
    } catch (SQLException | RuntimeException | FileProblem e) {
      rollBack();
      deeds.forget();
      if (StoreProblem.isOfTheDatabase(e)) {
        throw StoreProblem.of(file, e);
      }
      if (e instanceof RuntimeException unchecked) {
        throw unchecked;
      }
      throw (FileProblem) e;
    } finally {
      held.written();
    }
  }

  private void rollBack() {
    try {
      handle.execute("ROLLBACK");
    } catch (JdbiException e) {
      // The database has done it already, which is why this failed; or else the next BEGIN says.
      LOG.debug("Rolling back {}", file, e);
    }
  }

  /** Gives back the room that the write-ahead log takes, as far as that can be. */
  void makeRoom() {
    try {
      maintain("PRAGMA wal_checkpoint(TRUNCATE)");
    } catch (FileProblem e) {
      LOG.debug("Making room in {}", file, e);
    }
  }

  /** Done to the file outside a transaction; even where it fails it may have changed its size. */
  private void maintain(String sql) throws FileProblem {
    held.refuseWhereReplaced();
    try {
      query(h -> h.execute(sql));
    } finally {
      held.written();
    }
  }

  /**
   * Moves all of it into a new file and goes on there; the old one stays as it is.
   *
   * @return the store of the new file, to be used in place of this one, which is closed
   * @throws FileProblem if there is a file already, or it can't be written; this goes on then
   */
  Store movedTo(Path target) throws FileProblem {
    Path to = target.toAbsolutePath().normalize();
    if (Files.exists(to)) {
      throw new FileProblem(worded("any.there-is-a-file-already-choose", to));
    }
    if (held.isOverwritten()) {
      return remade(to);
    }
    Copies.whole(handle.getConnection(), to);
    Store moved = open(to);
    try {
      moved.deeds.goOnFrom(deeds);
      moved.events.goOnFrom(events);
      moved.batches.goOnFrom(batches);
    } catch (SQLException e) {
      moved.close();
      to.toFile().delete();
      throw StoreProblem.of(to, e);
    }
    moved.written = written;
    moved.writtenConflicts = writtenConflicts;
    close();
    return moved;
  }

  /** Of the newest copy and what was done since, where the file itself can't be trusted. */
  private Store remade(Path to) throws FileProblem {
    SinceCopy since =
        sinceCopy.orElseThrow(
            () -> new FileProblem(worded("store.another-program-has-written-into-and", file)));
    DailyCopies.takeBack(since.copy(), to);
    Store made = open(to);
    try {
      if (written.isPresent()) {
        Workspace copied = made.workspace();
        Change.Edit rest =
            new Change.Edit(worded("store.what-was-done-since"), copied, written.get());
        made.save(rest, Instant.EPOCH);
      }
      if (writtenConflicts.isPresent()) {
        made.save(writtenConflicts.get());
      }
      made.batches.numberOn(batches);
      made.missing = since.into(made);
    } catch (FileProblem | RuntimeException e) {
      made.close();
      to.toFile().delete(); // it is tried again, each time under another name
      throw e;
    }
    made.sinceCopy = sinceCopy;
    close();
    return made;
  }

  /** What is missing since it was made of a copy, in a sentence, if anything is. */
  Optional<String> missing() {
    return missing;
  }

  private interface Query<T> {
    T with(Handle h) throws SQLException, FileProblem;
  }

  private <T> T query(Query<T> query) throws FileProblem {
    try {
      return query.with(handle);
    } catch (SQLException | JdbiException e) {
      StoreProblem problem = StoreProblem.of(file, e);
      if (problem.why() == StoreProblem.Cause.DAMAGED) {
        held.suspect();
      }
      throw problem;
    }
  }

  /** What the person has made and chosen. */
  public Workspace workspace() throws FileProblem {
    Workspace read =
        query(h -> new WorkspaceTables(h).read(file.getFileName().toString()))
            .using(setting(CURRENT_SETUP).map(SetupId::new));
    written = Optional.of(read);
    return read;
  }

  /** Writes what came of an edit, as the difference from what was written last. */
  public void save(Change.Edit change, Instant now) throws FileProblem {
    Workspace before = written.isPresent() ? written.get() : workspace();
    transaction(h -> new WorkspaceTables(h).write(before, change.after(), now));
    swept = false;
    written = Optional.of(change.after());
  }

  /** Writes a line into the mouse log. */
  public void save(Change.Note note) throws FileProblem {
    transaction(_ -> events.write(List.of(note.event()), BY_HAND, true));
    sinceCopy.ifPresent(c -> c.add(s -> s.save(note), 1));
  }

  /** Takes a line out of the mouse log again. */
  public void undo(Change.Note note) throws FileProblem {
    transaction(_ -> events.remove(note.event()));
    sinceCopy.ifPresent(c -> c.add(s -> s.undo(note)));
    swept = false;
  }

  /** Puts events back that were taken out together. */
  public void save(Change.Batch batch) throws FileProblem {
    transaction(_ -> batches.bringBack(batch.batch()));
    batches.seen(batch.batch());
    sinceCopy.ifPresent(c -> c.add(s -> s.save(batch)));
  }

  /** Takes events out that came in together; they are kept until the file is closed. */
  public void undo(Change.Batch batch) throws FileProblem {
    transaction(_ -> batches.takeBack(batch.batch()));
    batches.takenBack(batch.batch());
    sinceCopy.ifPresent(c -> c.add(s -> s.undo(batch)));
  }

  /** A number under which events may come in together. The one question that any thread may ask. */
  public long newBatch() {
    return batches.number();
  }

  /** Begins a batch whose events are seen as they come, such as those of a recording. */
  public void begin(Change.Batch batch, Instant now) throws FileProblem {
    transaction(_ -> batches.begin(batch.batch(), batch.title(), now, true));
    sinceCopy.ifPresent(c -> c.add(s -> s.begin(batch, now)));
  }

  /** Keeps events as they come, in a batch that was begun. */
  public void add(List<LogEvent> arrived, long batch) throws FileProblem {
    transaction(_ -> events.write(arrived, batch, true));
    sinceCopy.ifPresent(c -> c.add(s -> s.add(arrived, batch), arrived.size()));
  }

  /** Begins a batch that is there once it is {@linkplain #finish whole}, and until then is not. */
  void beginUnseen(Change.Batch batch, Instant now) throws FileProblem {
    transaction(_ -> batches.begin(batch.batch(), batch.title(), now, false));
  }

  /**
   * Adds to a batch that is not whole. Should the machine fail it is cleared away anyhow, so that
   * this need not wait for the disk.
   *
   * @return how many were new
   */
  long addUnseen(Iterable<LogEvent> coming, long batch) throws FileProblem {
    long[] added = new long[1];
    query(h -> h.execute("PRAGMA synchronous = NORMAL"));
    try {
      transaction(_ -> added[0] = events.write(coming, batch, false));
    } finally {
      query(h -> h.execute("PRAGMA synchronous = FULL"));
    }
    return added[0];
  }

  /** A batch is whole: all of it is there from now on. */
  void finish(Change.Batch batch) throws FileProblem {
    transaction(_ -> batches.finish(batch.batch()));
    sinceCopy.ifPresent(SinceCopy::addedUnseen);
    batches.seen(batch.batch());
  }

  /** A batch will not be whole. */
  void giveUp(long batch) {
    batches.gone(batch);
  }

  /**
   * Clears away some of what was taken back or not finished, until no byte of it is left.
   *
   * @return whether there was anything
   */
  boolean clearAway() throws FileProblem {
    Optional<BatchTable.Clearing> step = batches.clearing();
    if (step.isPresent()) {
      transaction(_ -> step.get().write());
      step.get().done();
      hasHoles = true;
    } else if (hasHoles) {
      hasHoles = false; // tried once: without it the bytes are overwritten all the same
      maintain("VACUUM");
      swept = false;
    } else if (!swept) {
      swept = true;
      makeRoom();
    } else {
      return false;
    }
    return true;
  }

  /** The names of what the file is made of, each of which can be {@linkplain #isSound checked}. */
  public List<String> tables() throws FileProblem {
    return query(
        h ->
            h.createQuery("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
                .mapTo(String.class)
                .list());
  }

  /**
   * Whether a table and its indexes are whole. A file where one is not is looked into before it is
   * opened the next time, when its copies are offered.
   *
   * @param table one of {@link #tables}
   */
  public boolean isSound(String table) throws FileProblem {
    try {
      boolean sound =
          query(
              h ->
                  h.createQuery("SELECT integrity_check FROM pragma_integrity_check(:table)")
                      .bind("table", table)
                      .mapTo(String.class)
                      .list()
                      .equals(List.of("ok")));
      if (!sound) {
        held.suspect();
      }
      return sound;
    } catch (StoreProblem e) {
      if (e.why() == StoreProblem.Cause.DAMAGED) {
        return false; // so much that the check itself gives up
      }
      throw e;
    }
  }

  /**
   * Makes the copy of a day, if there is none yet.
   *
   * @throws FileProblem if it could not be made
   */
  public Optional<DailyCopies.Copy> copy(LocalDate today) throws FileProblem {
    held.refuseWhereReplaced();
    Optional<DailyCopies.Copy> made = DailyCopies.make(handle.getConnection(), file, today);
    sinceCopy = made.map(SinceCopy::new).or(() -> sinceCopy);
    return made;
  }

  /**
   * Writes all of it into an archive of open formats.
   *
   * @throws FileProblem if there is such an archive already, or it can't be written
   */
  public void archive(Path to, Instant now) throws FileProblem {
    Archive.write(handle.getConnection(), to.toAbsolutePath().normalize(), now);
  }

  /** The ids of bindings that were added or changed since a moment, by environment. */
  public Map<EnvironmentId, Set<String>> changedSince(Instant moment) throws FileProblem {
    Map<EnvironmentId, Set<String>> found = new HashMap<>();
    return query(
        h -> {
          h.createQuery("SELECT environment, id FROM binding WHERE changed >= :moment")
              .bind("moment", moment.toEpochMilli())
              .map(
                  (row, _) ->
                      found
                          .computeIfAbsent(
                              new EnvironmentId(row.getString("environment")), _ -> new HashSet<>())
                          .add(row.getString("id")))
              .list();
          return found;
        });
  }

  /** When conflicts came and went. */
  public ConflictHistory conflicts() throws FileProblem {
    ConflictHistory read = query(h -> new SightingTable(h).read());
    writtenConflicts = Optional.of(read);
    return read;
  }

  /** Writes the history of conflicts, as the difference from what was written last. */
  public void save(ConflictHistory after) throws FileProblem {
    ConflictHistory before = writtenConflicts.isPresent() ? writtenConflicts.get() : conflicts();
    transaction(h -> new SightingTable(h).write(before, after));
    writtenConflicts = Optional.of(after);
  }

  /** Keeps which setup is in use. */
  public void choose(SetupId setup) throws FileProblem {
    setting(CURRENT_SETUP, setup.value());
  }

  /** A setting of the program by its name. */
  public Optional<String> setting(String name) throws FileProblem {
    return Optional.ofNullable(settings().get(name));
  }

  /** The settings of the program by their names. */
  public Map<String, String> settings() throws FileProblem {
    Map<String, String> found = new HashMap<>();
    return query(
        h -> {
          h.createQuery("SELECT name, value FROM setting")
              .map((row, _) -> found.put(row.getString("name"), row.getString("value")))
              .list();
          return found;
        });
  }

  /** Keeps a setting of the program. */
  public void setting(String name, String value) throws FileProblem {
    transaction(
        h ->
            h.createUpdate(
                    "INSERT INTO setting (name, value) VALUES (:name, :value)"
                        + " ON CONFLICT (name) DO UPDATE SET value = excluded.value")
                .bind("name", name)
                .bind("value", value)
                .execute());
    sinceCopy.ifPresent(c -> c.add(s -> s.setting(name, value)));
  }

  /** Keeps an answer. */
  public void add(Answer answer) throws FileProblem {
    transaction(h -> AnswerTable.insert(h, answer));
    sinceCopy.ifPresent(c -> c.add(s -> s.add(answer)));
  }

  /** Keeps a fit of the memory to the person. */
  public void add(MemoryFit fit) throws FileProblem {
    transaction(h -> FitTable.insert(h, fit));
    sinceCopy.ifPresent(c -> c.add(s -> s.add(fit)));
  }

  /** Keeps a moment at which something was or could have been named. */
  public void add(Reminder reminder) throws FileProblem {
    transaction(h -> ReminderTable.insert(h, reminder));
    sinceCopy.ifPresent(c -> c.add(s -> s.add(reminder)));
  }

  /** Every such moment, the oldest first. */
  public List<Reminder> reminders() throws FileProblem {
    return query(ReminderTable::all);
  }

  /** Every fit of the memory to the person. */
  public MemoryFits fits() throws FileProblem {
    try {
      return query(FitTable::all);
    } catch (IllegalArgumentException e) {
      throw new FileProblem(
          worded("store.holds-a-fit-of-the-memory", file.getFileName(), e.getMessage()), e);
    }
  }

  /** Keeps many answers and events at once. */
  public void addAll(Iterable<Answer> answers, Iterable<LogEvent> logged) throws FileProblem {
    transaction(
        h -> {
          answers.forEach(a -> AnswerTable.insert(h, a));
          events.write(logged, BY_HAND, true);
        });
  }

  /** Hands on every answer, the oldest first. */
  public void answers(Consumer<Answer> to) throws FileProblem {
    Successors meant = successors();
    query(
        h -> {
          AnswerTable.answers(h, meant, to);
          return to;
        });
  }

  /** Every answer to an item, the oldest first. */
  public List<Answer> answers(DrillItem item) throws FileProblem {
    Successors meant = successors();
    List<Answer> found = new ArrayList<>();
    return query(
        h -> {
          AnswerTable.answers(h, meant, item, found::add);
          return found;
        });
  }

  private Successors successors() throws FileProblem {
    return (written.isPresent() ? written.get() : workspace()).catalog().successors();
  }

  /** Whether the mouse log has anything in it. */
  public boolean isLogged() throws FileProblem {
    return query(
        h -> h.createQuery("SELECT EXISTS (SELECT 1 FROM event)").mapTo(Boolean.class).one());
  }

  /** The moment of the newest answer or event; none where there is none of either. */
  public Optional<Instant> newest() throws FileProblem {
    return query(
        h ->
            h.createQuery(
                    "SELECT max(at) FROM (SELECT max(at) AS at FROM answer"
                        + " UNION ALL SELECT max(at) FROM event)")
                .mapTo(Long.class)
                .findOne()
                .map(Instant::ofEpochMilli));
  }

  /** Hands on every event of the mouse log, the oldest first. */
  public void events(Consumer<LogEvent> to) throws FileProblem {
    EventReading reading = reading();
    for (List<LogEvent> some = next(reading); !some.isEmpty(); some = next(reading)) {
      some.forEach(to);
    }
    end(reading);
  }

  /** The mouse log as it is now, to be read on with {@link #next} whatever is written meanwhile. */
  EventReading reading() {
    return events.reading(batches.hidden(), batches.newest());
  }

  /** The next events of a reading; none at its end. */
  List<LogEvent> next(EventReading reading) throws FileProblem {
    return query(h -> reading.next(h.getConnection(), EVENTS_A_STEP));
  }

  /** Nobody reads on. */
  void end(EventReading reading) {
    events.end(reading);
  }

  /** Closes the file; again does nothing. */
  @Override
  public void close() {
    if (closed) {
      return;
    }
    closed = true;
    try {
      transaction(_ -> batches.dropTakenBack());
    } catch (FileProblem e) {
      LOG.debug("Closing {}", file, e); // the next start does it
    }
    try {
      handle.close();
    } finally {
      held.close();
    }
  }
}
