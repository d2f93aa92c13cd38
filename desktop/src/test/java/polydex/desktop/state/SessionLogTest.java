package polydex.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.log.LogImport;
import polydex.files.store.Store;
import polydex.log.LogEvent;
import polydex.log.LogLine;
import polydex.log.Recorder;
import polydex.person.Findings;
import polydex.person.Knowledge;
import polydex.recognition.LearntName;
import polydex.route.SetupId;
import polydex.totals.Audit;
import polydex.totals.Standing;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** However the log was made, what the session says of it is what its file says. */
@ExtendWith(ApplicationExtension.class)
class SessionLogTest {
  private static final Instant NOW = DemoHistory.NOW;

  /** No two moments are the same to it. */
  private static final class Ticking extends Clock {
    private final AtomicLong ticks = new AtomicLong();

    @Override
    public Instant instant() {
      return NOW.plusMillis(7 * ticks.getAndIncrement());
    }

    @Override
    public ZoneId getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }
  }

  /** A recorder that a test speaks through. */
  private static final class Told implements Recorder {
    private Consumer<LogLine> to = _ -> {};
    private boolean paused;
    private boolean closed;

    @Override
    public String title() {
      return "what a test says";
    }

    @Override
    public void start(Consumer<LogLine> lines) {
      to = lines;
    }

    @Override
    public void pause() {
      paused = true;
    }

    @Override
    public void resume() {
      paused = false;
    }

    @Override
    public void close() {
      closed = true;
    }
  }

  /** Something done on the interface thread. */
  private interface Deeds {
    void run() throws Exception;
  }

  private Path folder;
  private Session session;

  @Start
  void start(Stage stage) {
    stage.show();
  }

  @BeforeEach
  void open() throws Exception {
    folder = Files.createTempDirectory("polydex-session");
    Store store = Store.open(folder.resolve("mine.polydex"));
    Workspace demo = Shipped.demo();
    store.save(new Change.Edit("The demo", Workspace.EMPTY, demo), NOW);
    session = ask(() -> new Session(store, new Ticking()));
  }

  @AfterEach
  void close() throws Exception {
    fx(session::close);
  }

  private static <T> T ask(Callable<T> work) throws Exception {
    return WaitForAsyncUtils.asyncFx(work).get(60, TimeUnit.SECONDS);
  }

  private static void fx(Deeds work) throws Exception {
    boolean done =
        ask(
            () -> {
              work.run();
              return true;
            });
    assertThat(done).isTrue();
  }

  private List<LogEvent> stored() throws Exception {
    List<LogEvent> all = new ArrayList<>();
    session.line().reading().each(all::add);
    return all;
  }

  /** What the file says, read anew. */
  private Standing fresh() throws Exception {
    Workspace workspace = ask(() -> session.workspace().get());
    Audit audit = Knowledge.audit(workspace, ZoneOffset.UTC, _ -> Optional.empty());
    session.line().reading().each(audit::add);
    return audit.standing();
  }

  /** The same whatever the order of their entries. */
  private static List<Object> said(Standing s) {
    return List.of(new HashSet<>(s.entries()), s.days(), s.recognised(), s.unknown(), s.last());
  }

  private void untilTheSame() throws Exception {
    until(() -> said(ask(session::standing)).equals(said(fresh())));
  }

  private static void until(Callable<Boolean> condition) throws Exception {
    for (int i = 0; i < 1500; i++) {
      if (condition.call()) {
        return;
      }
      TimeUnit.MILLISECONDS.sleep(20);
    }
    assertThat(condition.call()).as("still waiting").isTrue();
  }

  private static LogLine line(Instant at, String device, String input, String target) {
    return new LogLine(
        at.toString(), "Cue editor", device, input, target, "", "", "", "", "Laptop");
  }

  private static LogLine any(Random random, Instant at) {
    return switch (random.nextInt(4)) {
      case 0 -> line(at, "keyboard", "Ctrl+S", "");
      case 1 -> line(at, "keyboard", "\"words\"", "");
      case 2 -> line(at, "trackpad", "Click", "Save");
      default -> line(at, "trackpad", "Click", "Strange " + random.nextInt(3));
    };
  }

  private LogImport file(Random random, int number) throws Exception {
    List<String> lines = new ArrayList<>();
    // Some logs are of later times than all that is there, and some are not.
    long from = random.nextBoolean() ? 100_000L * number : random.nextInt(100_000);
    for (int i = 0; i < 40; i++) {
      LogLine l = any(random, NOW.minusSeconds(4_000_000).plusSeconds(from + 60L * i));
      lines.add(
          String.join(
              ",",
              l.time(),
              l.application(),
              l.device(),
              l.input().replace("\"words\"", "typed 5"),
              l.target(),
              l.machine()));
    }
    if (random.nextBoolean()) {
      Collections.shuffle(lines, random);
    }
    if (random.nextBoolean()) {
      lines.add(lines.getFirst());
    }
    Path log = folder.resolve("log" + number + ".csv");
    Files.writeString(
        log, "time,application,device,input,target,machine\n" + String.join("\n", lines) + "\n");
    Workspace workspace = ask(() -> session.workspace().get());
    return new LogImport(log, ZoneOffset.UTC, NOW, Knowledge.recogniser(workspace));
  }

  private void name(int number) {
    Workspace before = session.workspace().get();
    LearntName name = LearntName.read(new EnvironmentId("cue-editor-alder"), "strange " + number);
    Workspace after =
        before.with(before.mouse().learning(Map.of(name, Optional.of(new ActionId("cue.run")))));
    session.apply(new Change.Edit("A name", before, after));
  }

  private void record(Random random) {
    Told recorder = new Told();
    Recording recording = new Recording(session);
    recording.start(recorder);
    for (int i = 0; i < 5; i++) {
      // Now and then one comes hours too late, or twice.
      Instant at = session.now().minusSeconds(random.nextInt(3) == 0 ? 9000 : 0);
      LogLine line = any(random, at);
      recorder.to.accept(line);
      if (random.nextInt(4) == 0) {
        recorder.to.accept(line);
      }
    }
    recording.stop();
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4})
  void theTotalsAreThoseOfTheFileWhateverIsDone(long seed) throws Exception {
    Random random = new Random(seed);
    List<String> problems = new ArrayList<>();
    for (int step = 0; step < 25; step++) {
      int number = step % 3;
      switch (random.nextInt(6)) {
        case 0 -> fx(() -> session.note(new ActionId("file.save"), random.nextBoolean()));
        case 1 -> fx(session::undo);
        case 2 -> fx(session::redo);
        case 3 -> {
          LogImport log = file(random, step);
          fx(() -> session.bringIn(log, true, _ -> true, _ -> {}, problems::add));
        }
        case 4 -> fx(() -> name(number));
        default -> fx(() -> record(random));
      }
      if (random.nextInt(4) == 0) {
        untilTheSame();
      }
    }
    untilTheSame();
    assertThat(problems).isEmpty();
    assertThat(stored()).isNotEmpty().allMatch(e -> !e.deed().input().contains("words"));
  }

  /** What was thought out before something else was done is refused, and memory and file agree. */
  @Test
  void aStaleEditIsRefusedButAnotherSetupInUseIsNone() throws Exception {
    Workspace first = ask(() -> session.workspace().get());
    LearntName name = LearntName.read(new EnvironmentId("cue-editor-alder"), "strange");
    Change.Edit thoughtOut =
        new Change.Edit(
            "A name", first, first.with(first.mouse().learning(Map.of(name, Optional.empty()))));
    fx(() -> name(1));
    assertThat(ask(() -> session.apply(thoughtOut))).isFalse();
    assertThat(ask(() -> session.status().get()).isProblem()).isTrue();
    fx(session::undo);
    fx(() -> session.choose(new SetupId("studio-timeline")));
    assertThat(ask(() -> session.apply(thoughtOut))).isTrue();
    Workspace now = ask(() -> session.workspace().get());
    assertThat(now.current()).contains(new SetupId("studio-timeline"));
    assertThat(now.mouse().names()).containsKey(name).hasSize(first.mouse().names().size() + 1);
    Workspace kept = session.line().get(Store::workspace);
    assertThat(kept.mouse()).isEqualTo(now.mouse());
    assertThat(kept.current()).contains(new SetupId("studio-timeline"));
  }

  @Test
  void whoeverAsksHearsWhereNothingCanBeRead() throws Exception {
    List<String> heard = Collections.synchronizedList(new ArrayList<>());
    fx(
        () -> {
          session.ask(_ -> "read", heard::add, why -> heard.add("not: " + why));
          session.<String>ask(
              _ -> {
                throw new FileProblem("no such disk");
              },
              heard::add,
              why -> heard.add("not: " + why));
          session.<String>ask(
              _ -> {
                throw new IllegalStateException("a mistake");
              },
              heard::add,
              why -> heard.add("never " + why.isBlank()));
        });
    until(() -> heard.size() == 3);
    assertThat(heard).containsExactly("read", "not: no such disk", "never false");
    assertThat(ask(() -> session.status().get()).isProblem()).isTrue();
  }

  @Test
  void nothingIsKeptOfWhatHappensInAPauseWhoeverSaysIt() throws Exception {
    Told recorder = new Told();
    Recording recording = ask(() -> new Recording(session));
    fx(
        () -> {
          recording.pauseOrGoOn();
          assertThat(session.status().get().text()).contains("Nothing is being recorded");
          recording.start(recorder);
          recorder.to.accept(line(NOW, "trackpad", "Click", "Save"));
        });
    until(() -> stored().size() == 1);
    fx(
        () -> {
          recording.pauseOrGoOn();
          assertThat(recording.state().get()).isEqualTo(Recording.State.PAUSED);
          assertThat(recorder.paused).isTrue();
          // A recorder that does not stop by itself is not heard all the same.
          recorder.to.accept(line(NOW.plusSeconds(1), "trackpad", "Click", "Find"));
          recording.pauseOrGoOn();
          assertThat(recorder.paused).isFalse();
          recorder.to.accept(line(NOW.plusSeconds(2), "trackpad", "Click", "Paste"));
          recorder.to.accept(line(NOW.plusSeconds(3), "trackpad", "Cl\"ick", "Bad"));
        });
    until(() -> stored().size() == 2);
    assertThat(stored()).extracting(e -> e.deed().target()).containsExactly("Save", "Paste");
    fx(
        () -> {
          recording.stop();
          assertThat(recorder.closed).isTrue();
          recorder.to.accept(line(NOW.plusSeconds(4), "trackpad", "Click", "Late"));
          assertThat(recording.state().get()).isEqualTo(Recording.State.OFF);
          assertThat(session.status().get().text()).startsWith("Record what a test says, 2 events");
          session.undo();
        });
    until(() -> stored().isEmpty());
    untilTheSame();
    fx(session::redo);
    until(() -> stored().size() == 2);
    untilTheSame();
  }

  @Test
  void whatIsFoundOutFollowsTheLogAndTheChoices() throws Exception {
    Auditor auditor = ask(() -> new Auditor(session));
    fx(
        () -> {
          for (int i = 0; i < 6; i++) {
            session.note(new ActionId("file.save"), false);
          }
          auditor.ask();
          auditor.ask();
        });
    until(() -> ask(() -> auditor.found().get()).isPresent());
    Findings found = ask(() -> auditor.found().get().orElseThrow());
    assertThat(found.remaining()).hasSize(1);
    assertThat(found.remaining().getFirst().usesADay()).isEqualTo(6);
    assertThat(found.weeks().weeks()).hasSize(1);
    Workspace before = ask(() -> session.workspace().get());
    Workspace after =
        before.with(before.mouse().keeping(found.remaining().getFirst().place(), "so"));
    fx(
        () -> {
          session.apply(new Change.Edit("Keep", before, after));
          auditor.ask();
        });
    until(
        () ->
            ask(() -> auditor.found().get().orElseThrow())
                .remaining()
                .getFirst()
                .kept()
                .equals(Optional.of("so")));
    fx(auditor::close);
  }

  /** The window is there before the log was read, and knows then that it is not empty. */
  @Test
  void aLogReadBesideComesToTheSame() throws Exception {
    Path file = folder.resolve("beside.polydex");
    DemoFile.demo(file).close();
    Standing whole;
    try (Store store = Store.open(file)) {
      Session here = ask(() -> new Session(store, new Ticking()));
      whole = ask(here::standing);
      fx(here::close);
    }
    CompletableFuture<Standing> read = new CompletableFuture<>();
    Session beside =
        ask(
            () -> {
              Session reading = Session.reading(Opened.of(Store.open(file), new Ticking()));
              assertThat(reading.isLogEmpty()).isFalse();
              assertThat(reading.standing().events()).isZero();
              reading.whenLogRead(
                  () -> read.complete(reading.standing()),
                  why -> read.completeExceptionally(new AssertionError(why)));
              // The machine is the window's until that was painted.
              Thread.sleep(300);
              assertThat(read).isNotDone();
              reading.shown();
              return reading;
            });
    assertThat(read.get(60, TimeUnit.SECONDS)).isEqualTo(whole);
    assertThat(whole.events()).isPositive();
    fx(beside::close);
  }
}
