package polydex.files.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.conflict.Accepted;
import polydex.conflict.Accepted.Acceptance;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.demo.DemoFile;
import polydex.keys.Gesture;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.Learning;
import polydex.recall.MemoryFit;
import polydex.recall.MemoryParameters;
import polydex.recall.Pace;
import polydex.route.SetupId;
import polydex.workspace.Change;
import polydex.workspace.KeymapEdit;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

class StoreTest {
  private static final Instant NOW = Instant.parse("2031-01-06T09:00:00Z");

  @TempDir Path folder;

  private Path file() {
    return folder.resolve("mine.polydex");
  }

  static Answer answer(int i) {
    return new Answer(
        new DrillItem(new EnvironmentId("app"), new ActionId("save")),
        NOW.plusMillis(i),
        Answer.Kind.values()[i % 5],
        Answer.Verdict.values()[i % 5],
        new Answer.Timing(
            1.25, i % 2 == 0, 1.5, i % 3 == 0 ? OptionalDouble.empty() : OptionalDouble.of(0.75)),
        Gesture.parse("Ctrl+K \"a\\\"b\""),
        "Ctrl+S",
        i % 2 == 0
            ? Optional.empty()
            : Optional.of(new DrillItem(new EnvironmentId("app"), new ActionId("find"))));
  }

  private static List<Answer> answers(Store store) throws FileProblem {
    List<Answer> found = new ArrayList<>();
    store.answers(found::add);
    return found;
  }

  private static List<LogEvent> events(Store store) throws FileProblem {
    List<LogEvent> found = new ArrayList<>();
    store.events(found::add);
    return found;
  }

  private static Change.Edit edit(Workspace before, Workspace after) {
    return new Change.Edit("An edit", before, after);
  }

  @Test
  void everythingOfTheDemoComesBackAsItWas() throws Exception {
    Workspace demo = Shipped.demo();
    try (Store store = Store.open(file())) {
      store.save(edit(Workspace.EMPTY, demo), NOW);
      store.choose(new SetupId("slate-stars"));
      store.add(answer(0));
    }
    try (Store store = Store.open(file())) {
      Workspace read = store.workspace();
      assertThat(read.catalog().actions()).isEqualTo(demo.catalog().actions());
      assertThat(read.catalog().environments()).isEqualTo(demo.catalog().environments());
      for (var environment : demo.catalog().environments()) {
        assertThat(read.catalog().bindings(environment.id()))
            .isEqualTo(demo.catalog().bindings(environment.id()));
      }
      assertThat(read.world().boards()).isEqualTo(demo.world().boards());
      assertThat(read.world().layouts()).isEqualTo(demo.world().layouts());
      assertThat(List.copyOf(read.setups().values()))
          .isEqualTo(List.copyOf(demo.setups().values()));
      assertThat(read.current()).contains(new SetupId("slate-stars"));
      assertThat(answers(store)).containsExactly(answer(0));
    }
  }

  /** Random edits, each undone or kept, leave in the file what they leave in memory. */
  @Test
  void theFileFollowsEveryEditAndItsReversal() throws Exception {
    Random random = new Random(7);
    Workspace now = Shipped.start();
    try (Store store = Store.open(file())) {
      store.save(edit(Workspace.EMPTY, now), NOW);
      for (int i = 0; i < 40; i++) {
        Change.Edit made = edit(now, changed(now, random, i));
        store.save(made, NOW);
        if (random.nextBoolean()) {
          store.save(made.reversed(), NOW);
        } else {
          now = made.after();
        }
        assertThat(store.workspace().catalog().bindings(new EnvironmentId("plain-desktop")))
            .isEqualTo(now.catalog().bindings(new EnvironmentId("plain-desktop")));
        assertThat(store.workspace().catalog().actions()).isEqualTo(now.catalog().actions());
        assertThat(store.workspace().setups()).isEqualTo(now.setups());
      }
    }
  }

  private static Workspace changed(Workspace now, Random random, int i) {
    Catalog catalog = now.catalog();
    List<Binding> bindings = new ArrayList<>(catalog.bindings(new EnvironmentId("plain-desktop")));
    List<Action> actions = new ArrayList<>(catalog.actions());
    if (random.nextInt(3) == 0 && bindings.size() > 1) {
      Binding gone = bindings.remove(random.nextInt(bindings.size()));
      if (bindings.stream().noneMatch(b -> b.action().equals(gone.action()))) {
        actions.removeIf(a -> a.id().equals(gone.action()));
      }
    } else {
      actions.add(Action.of(new ActionId("new" + i), "New " + i, "Test"));
      bindings.add(
          random.nextInt(bindings.size() + 1),
          Binding.of("new" + i, new ActionId("new" + i), Gesture.parse("Ctrl+F" + (1 + i % 12))));
    }
    return now.with(
        Catalog.of(
            actions, catalog.environments(), Map.of(new EnvironmentId("plain-desktop"), bindings)));
  }

  @Test
  void aNoteIsTakenBackAndNothingElse() throws Exception {
    LogEvent mouse = LogEvent.of(NOW, Deed.noted(new SetupId("here"), new ActionId("save"), false));
    Change.Note note = new Change.Note("Noted", mouse);
    LogEvent keys = LogEvent.of(NOW, Deed.noted(new SetupId("here"), new ActionId("save"), true));
    try (Store store = Store.open(file())) {
      store.save(note);
      store.save(note);
      store.save(new Change.Note("Noted", keys));
      // The same at the same moment is the same, however often it comes.
      assertThat(events(store)).hasSize(2);
      store.undo(note);
      assertThat(events(store)).containsExactly(keys);
    }
    try (Store store = Store.open(file())) {
      assertThat(events(store)).containsExactly(keys);
    }
  }

  @Test
  void aFitThatCannotBeIsSaidAndTheFileIsLeftAsItWas() throws Exception {
    try (Store store = Store.open(file())) {
      store.add(new MemoryFit(NOW, MemoryParameters.USUAL, 160, 40, 0.5, 0.4));
      assertThat(store.fits().parameters()).isEqualTo(MemoryParameters.USUAL);
    }
    try (Connection in = DriverManager.getConnection("jdbc:sqlite:" + file());
        Statement statement = in.createStatement()) {
      statement.execute("UPDATE memory_fit SET parameters = '1 NaN =x'");
    }
    try (Store store = Store.open(file())) {
      assertThatThrownBy(store::fits)
          .isInstanceOf(FileProblem.class)
          .hasMessageContaining("a fit of the memory that can't be")
          .hasMessageContaining("left as it was");
    }
  }

  @Test
  void settingsAreKept() throws Exception {
    try (Store store = DemoFile.openOrStart(file(), NOW)) {
      store.setting("theme", "dark");
      store.setting("theme", "light'; DROP TABLE setting; --");
    }
    try (Store store = DemoFile.openOrStart(file(), NOW)) {
      assertThat(store.setting("theme")).contains("light'; DROP TABLE setting; --");
      assertThat(store.setting("none")).isEmpty();
      assertThat(store.workspace().setup()).isPresent();
    }
  }

  private byte[] made() throws Exception {
    try (Store store = DemoFile.openOrStart(file(), NOW)) {
      store.add(answer(1));
    }
    return Files.readAllBytes(file());
  }

  private void assertRefusedAndLeftAsItWas(String... reason) throws IOException {
    byte[] before = Files.readAllBytes(file());
    assertThatThrownBy(() -> Store.open(file()))
        .isInstanceOf(FileProblem.class)
        .message()
        .contains(reason)
        .contains("mine.polydex");
    assertThat(Files.readAllBytes(file())).isEqualTo(before);
    try (var names = Files.list(folder)) {
      assertThat(names).containsExactly(file());
    }
  }

  @Test
  void aFileOfAnotherKindIsRefused() throws Exception {
    Files.writeString(file(), "Dear diary, ".repeat(100));
    assertRefusedAndLeftAsItWas("not a Polydex file");
    Files.delete(file());
    try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + file());
        var statement = other.createStatement()) {
      statement.execute("CREATE TABLE mine (x)");
    }
    assertRefusedAndLeftAsItWas("not a Polydex file");
  }

  @Test
  void aDamagedFileIsRefused() throws Exception {
    made();
    try (RandomAccessFile raw = new RandomAccessFile(file().toFile(), "rw")) {
      raw.seek(4096);
      byte[] noise = new byte[(int) raw.length() - 4096];
      new Random(1).nextBytes(noise);
      raw.write(noise);
    }
    assertRefusedAndLeftAsItWas("damaged", "left as it was");
    try (RandomAccessFile raw = new RandomAccessFile(file().toFile(), "rw")) {
      raw.setLength(50);
    }
    assertRefusedAndLeftAsItWas("damaged");
  }

  @Test
  void aNewerFileIsRefused() throws Exception {
    made();
    try (RandomAccessFile raw = new RandomAccessFile(file().toFile(), "rw")) {
      raw.seek(60);
      raw.write(ByteBuffer.allocate(4).putInt(99).array());
    }
    assertRefusedAndLeftAsItWas("newer Polydex", "99");
  }

  @Test
  void aFolderThatIsNotThereIsSaid() {
    assertThatThrownBy(() -> Store.open(folder.resolve("none/mine.polydex")))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("There is no folder");
  }

  /** Opens a file in a program of its own and writes answers into it until it is killed. */
  public static final class Writer {
    private Writer() {}

    public static void main(String[] args) throws Exception {
      Store store = Store.open(Path.of(args[0]));
      for (int i = 0; ; i++) {
        store.add(answer(i));
        System.out.println(i);
        Thread.sleep(2);
      }
    }
  }

  private Process writer() throws IOException {
    return new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "--enable-native-access=ALL-UNNAMED",
            "-cp",
            System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
            Writer.class.getName(),
            file().toString())
        .redirectError(ProcessBuilder.Redirect.INHERIT)
        .start();
  }

  @Test
  void whatWasStoredOutlivesASuddenEndAndNobodyElseGetsInBefore() throws Exception {
    made();
    Process writer = writer();
    int last = -1;
    try (BufferedReader out =
        new BufferedReader(
            new InputStreamReader(writer.getInputStream(), StandardCharsets.UTF_8))) {
      while (last < 60) {
        last = Integer.parseInt(out.readLine());
        if (last == 20) {
          byte[] before = Files.readAllBytes(file());
          assertThatThrownBy(() -> Store.open(file()))
              .isInstanceOf(FileProblem.class)
              .hasMessageContaining("open in another running program");
          assertThat(Files.readAllBytes(file())).isEqualTo(before);
        }
      }
      writer.toHandle().destroyForcibly();
      String more = out.readLine();
      while (more != null && !more.isEmpty()) {
        last = Integer.parseInt(more);
        more = out.readLine();
      }
    }
    assertThat(writer.waitFor(10, TimeUnit.SECONDS)).isTrue();
    try (Store store = Store.open(file())) {
      // Everything that was said to be stored is there; one more may have reached the disk.
      assertThat(answers(store)).hasSizeBetween(1 + last + 1, 1 + last + 2);
    }
  }

  @Test
  void theSameFileIsNotOpenedTwiceInOneProgram() throws Exception {
    try (Store store = Store.open(file())) {
      assertThatThrownBy(() -> Store.open(folder.resolve("./mine.polydex")))
          .isInstanceOf(FileProblem.class)
          .hasMessageContaining("open in another running program");
      store.add(answer(0));
    }
    Store.open(file()).close();
  }

  @Test
  void whatWasLearntFromListsComesBackAndIsUndone() throws Exception {
    Workspace start = Shipped.start();
    Remembered remembered =
        Remembered.NOTHING
            .withTitles(Map.of("fill downwards", new ActionId("a")))
            .withColumns("a|b", "action=1, gesture=2")
            .withDocument(new EnvironmentId("desk"), "{\"format\": \"polydex-keymap/1\"}")
            .withList(
                "list.csv",
                new Remembered.Source(Map.of(new EnvironmentId("desk"), Set.of("x", "y"))));
    Change.Edit learnt = edit(start, start.with(remembered));
    try (Store store = Store.open(file())) {
      store.save(edit(Workspace.EMPTY, start), NOW);
      store.save(learnt, NOW);
      assertThat(store.workspace().remembered()).isEqualTo(remembered);
    }
    try (Store store = Store.open(file())) {
      assertThat(store.workspace().remembered()).isEqualTo(remembered);
      store.save(learnt.reversed(), NOW);
      assertThat(store.workspace().remembered()).isEqualTo(Remembered.NOTHING);
    }
  }

  @Test
  void bindingsThatWereChangedLatelyAreKnownByTheirTime() throws Exception {
    Workspace start = Shipped.start();
    EnvironmentId environment = new EnvironmentId("desktop-conventions");
    Binding first = start.catalog().bindings(environment).getFirst();
    try (Store store = Store.open(file())) {
      store.save(edit(Workspace.EMPTY, start), NOW);
      assertThat(store.changedSince(Instant.EPOCH.plusSeconds(1)))
          .as("what a file begins with did not change")
          .isEmpty();
      Change.Edit change =
          KeymapEdit.change(
              start, environment, first, first.with(first.id(), Gesture.parse("Ctrl+F12")));
      store.save(change, NOW);
      assertThat(store.changedSince(NOW)).containsOnlyKeys(environment);
      assertThat(store.changedSince(NOW).get(environment)).containsExactly(first.id());
      assertThat(store.changedSince(NOW.plusMillis(1))).isEmpty();
    }
  }

  /** Everything that a binding and an action can say of themselves is a column of its own. */
  @Test
  void everyFieldOfBindingsAndActionsIsKept() throws Exception {
    Workspace start = Shipped.start();
    Action action =
        new Action(
            new ActionId("own.flood"),
            "Flood the dome; \"now\"",
            "Lights",
            List.of("wash", "two words"),
            Action.Harm.LOSES_WORK,
            Optional.of(new ActionId("own.dim")),
            true);
    Binding binding =
        new Binding(
            "b'1",
            action.id(),
            Gesture.parse("Ctrl+K \"a\\\"b\" Alt(Tab Tab)"),
            "list",
            new Binding.Condition(
                Optional.of(new Version("1.2")),
                Optional.of(new Version("3")),
                Optional.of("function keys first"),
                Optional.of("number pad")),
            Optional.of("menu"),
            new Binding.Remarks("note", "caveat", "hook", true));
    Catalog catalog =
        start
            .catalog()
            .with(
                List.of(action),
                List.of(),
                Map.of(new EnvironmentId("desktop-conventions"), List.of(binding)));
    try (Store store = Store.open(file())) {
      store.save(edit(Workspace.EMPTY, start), NOW);
      store.save(edit(start, start.with(catalog)), NOW);
    }
    try (Store store = Store.open(file())) {
      Catalog read = store.workspace().catalog();
      assertThat(read.action(new ActionId("own.flood"))).contains(action);
      assertThat(read.bindings(new EnvironmentId("desktop-conventions")).getLast())
          .isEqualTo(binding);
      assertThat(read.environments()).isEqualTo(start.catalog().environments());
    }
  }

  @Test
  void pathsOfAFileOfTheFifthVersionBecomeLists() throws Exception {
    Flyway.configure()
        .dataSource("jdbc:sqlite:" + file(), null, null)
        .locations("classpath:polydex/files/store")
        .target("5")
        .loggers("slf4j")
        .load()
        .migrate();
    try (Connection old = DriverManager.getConnection("jdbc:sqlite:" + file());
        var statement = old.createStatement()) {
      statement.execute(
          "INSERT INTO deed (id, machine, application, device, input, target, path, action) VALUES"
              + " (1, 'm', 'a', 'MOUSE', '', 'Save', '', ''),"
              + " (2, 'm', 'a', 'MOUSE', '', 'Save', 'File', ''),"
              + " (3, 'm', 'a', 'MOUSE', '', '\"All\"', 'File > \"Export\" > As \\ is', 'go')");
      statement.execute(
          "INSERT INTO event (at, deed, batch, characters) VALUES (1, 1, 0, 0), (2, 2, 0, 0),"
              + " (3, 3, 0, 0)");
    }
    try (Store store = Store.open(file())) {
      assertThat(events(store))
          .extracting(e -> e.deed().path())
          .containsExactly(List.of(), List.of("File"), List.of("File", "\"Export\"", "As \\ is"));
      assertThat(events(store).getLast().deed().action()).contains(new ActionId("go"));
    }
  }

  @Test
  void aFileOfTheFirstVersionIsBroughtUpToDateWithItsLogs() throws Exception {
    Flyway.configure()
        .dataSource("jdbc:sqlite:" + file(), null, null)
        .locations("classpath:polydex/files/store")
        .target("1")
        .loggers("slf4j")
        .load()
        .migrate();
    try (Connection old = DriverManager.getConnection("jdbc:sqlite:" + file());
        var statement = old.createStatement()) {
      statement.execute(
          "INSERT INTO answer (at, environment, action, verdict, seconds, asked, pressed)"
              + " VALUES (1000, 'app', 'save', 'HINTED', 2.5, 'Ctrl+S', 'Ctrl+D')");
      statement.execute(
          "INSERT INTO use (at, action, device, setup) VALUES (1000, 'save', 'KEYS', 'here'),"
              + " (2000, 'save', 'POINTER', 'here'), (3000, 'save', 'KEYS', 'here')");
    }
    try (Store store = Store.open(file())) {
      assertThat(answers(store))
          .containsExactly(
              new Answer(
                  new DrillItem(new EnvironmentId("app"), new ActionId("save")),
                  Instant.ofEpochSecond(1),
                  Answer.Kind.DO,
                  Answer.Verdict.HINTED,
                  new Answer.Timing(2.5, true, Pace.UNKNOWN.expected(Gesture.parse("Ctrl+S"))),
                  Gesture.parse("Ctrl+S"),
                  "Ctrl+D",
                  Optional.empty()));
      assertThat(events(store))
          .containsExactly(
              LogEvent.of(
                  Instant.ofEpochSecond(1),
                  Deed.noted(new SetupId("here"), new ActionId("save"), true)),
              LogEvent.of(
                  Instant.ofEpochSecond(2),
                  Deed.noted(new SetupId("here"), new ActionId("save"), false)),
              LogEvent.of(
                  Instant.ofEpochSecond(3),
                  Deed.noted(new SetupId("here"), new ActionId("save"), true)));
    }
  }

  @Test
  void whatWasSaidAboutLearningComesBackAndIsUndone() throws Exception {
    Learning said =
        Learning.NOTHING
            .marking(
                List.of(
                    new DrillItem(new EnvironmentId("app"), new ActionId("save")),
                    new DrillItem(new EnvironmentId("app"), new ActionId("it's"))))
            .puttingOff(
                new DrillItem(new EnvironmentId("app"), new ActionId("find")),
                LocalDate.of(2031, 2, 3))
            .dropping(new DrillItem(new EnvironmentId("desk"), new ActionId("lock")));
    Change.Edit edit = edit(Workspace.EMPTY, Workspace.EMPTY.with(said));
    try (Store store = Store.open(file())) {
      store.save(edit, NOW);
      assertThat(store.workspace().learning()).isEqualTo(said);
      Learning less =
          said.forgetting(List.of(new DrillItem(new EnvironmentId("app"), new ActionId("save"))));
      store.save(edit(edit.after(), Workspace.EMPTY.with(less)), NOW);
      assertThat(store.workspace().learning()).isEqualTo(less);
      store.save(edit(Workspace.EMPTY.with(less), Workspace.EMPTY), NOW);
      assertThat(store.workspace().learning()).isEqualTo(Learning.NOTHING);
      store.add(answer(1));
      store.add(answer(2));
      assertThat(store.answers(new DrillItem(new EnvironmentId("app"), new ActionId("save"))))
          .containsExactly(answer(1), answer(2));
      assertThat(store.answers(new DrillItem(new EnvironmentId("app"), new ActionId("find"))))
          .isEmpty();
    }
  }

  @Test
  void acceptedConflictsComeBackWithTheirReasonAndAreWithdrawn() throws Exception {
    Accepted two =
        new Accepted(
            Map.of(
                "prefix|s|app|it's",
                    new Acceptance("a / b", "rare; \"never\"", LocalDate.of(2031, 2, 3)),
                "thin|s|desk|x", new Acceptance("c", "", LocalDate.of(2031, 2, 4))));
    Change.Edit edit = edit(Workspace.EMPTY, Workspace.EMPTY.with(two));
    try (Store store = Store.open(file())) {
      store.save(edit, NOW);
    }
    Acceptance changed = new Acceptance("a / other", "again", LocalDate.of(2031, 2, 5));
    Accepted one = new Accepted(Map.of("prefix|s|app|it's", changed));
    try (Store store = Store.open(file())) {
      assertThat(store.workspace().accepted()).isEqualTo(two);
      store.save(edit(edit.after(), Workspace.EMPTY.with(one)), NOW);
    }
    try (Store store = Store.open(file())) {
      assertThat(store.workspace().accepted()).isEqualTo(one);
    }
  }
}
