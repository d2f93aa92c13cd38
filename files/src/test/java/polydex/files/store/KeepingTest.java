package polydex.files.store;

import static java.util.stream.Collectors.joining;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.files.FileProblem;
import polydex.files.demo.DemoFile;
import polydex.log.Deed;
import polydex.log.Device;
import polydex.log.LogEvent;
import polydex.recall.Answer;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** What a person keeps for years: copies, an archive of everything, and what a damage leaves. */
class KeepingTest {
  private static final Instant NOW = Instant.parse("2031-03-14T16:00:00Z");

  /** Texts that a spreadsheet, a list or a program may take for something else. */
  private static final List<String> TEXTS =
      List.of(
          "", "=1+1", "+1", "-1", "@x", "'", "''=1", "a,b", "a\"b", "\"", "a\nb", "a\r\nb", " ",
          " a ", "\t", "ä€𝄞", "null", "NULL", "0", "1e5", ";", "\\N", "#");

  @TempDir Path folder;

  private Path demo() throws Exception {
    Path file = folder.resolve("demo.polydex");
    DemoFile.demo(file).close();
    return file;
  }

  private static Map<String, List<List<Object>>> tables(Path file) throws Exception {
    Map<String, List<List<Object>>> all = new LinkedHashMap<>();
    try (Connection in = FileGate.readOnly(file);
        Statement statement = in.createStatement()) {
      for (String table : Archive.TABLES) {
        List<List<Object>> rows = new ArrayList<>();
        Columns columns = Columns.of(in, table);
        try (ResultSet row = statement.executeQuery(columns.select(false))) {
          while (row.next()) {
            List<Object> cells = new ArrayList<>();
            for (int i = 1; i <= columns.names().size(); i++) {
              cells.add(row.getObject(i));
            }
            rows.add(cells);
          }
        }
        all.put(table, rows);
      }
    }
    return all;
  }

  @Test
  void anArchiveReadBackIsEqualWhateverStandsInIt() throws Exception {
    Path file = demo();
    Random random = new Random(4);
    try (Store store = Store.open(file)) {
      for (int i = 0; i < 60; i++) {
        Workspace before = store.workspace();
        String text = TEXTS.get(random.nextInt(TEXTS.size()));
        Action odd =
            new Action(
                new ActionId("odd" + i), text, text, List.of(text.strip()), Action.Harm.VISIBLE);
        Workspace after = before.with(before.catalog().with(List.of(odd), List.of(), Map.of()));
        store.save(new Change.Edit("Odd", before, after), NOW);
        store.setting("s" + text, text);
        Deed deed = Deed.seen(text, text, Device.MOUSE, "", text + i, List.of(text, "x > y"));
        store.add(
            List.of(
                new LogEvent(
                    NOW.minusSeconds(2_000_000_000L * i), deed, 0, i / 7.0, Double.NaN, 1e-300)),
            0);
      }
      store.archive(folder.resolve("all.zip"), NOW);
      assertThatThrownBy(() -> store.archive(folder.resolve("all.zip"), NOW))
          .isInstanceOf(FileProblem.class);
    }
    Path again = folder.resolve("again.polydex");
    Archive.read(folder.resolve("all.zip"), again);
    Map<String, List<List<Object>>> expected = tables(file);
    tables(again)
        .forEach(
            (table, rows) ->
                assertThat(rows).as(table).containsExactlyElementsOf(expected.get(table)));
    try (Store one = Store.open(file);
        Store other = Store.open(again)) {
      assertThat(other.workspace().catalog().actions())
          .isEqualTo(one.workspace().catalog().actions());
      assertThat(other.workspace().setups()).isEqualTo(one.workspace().setups());
      assertThat(other.conflicts()).isEqualTo(one.conflicts());
    }
  }

  @Test
  void anArchiveThatIsNoneOfOursIsRefusedAndNothingIsMade() throws Exception {
    Path file = demo();
    Path good = folder.resolve("all.zip");
    try (Store store = Store.open(file)) {
      store.archive(good, NOW);
    }
    byte[] bytes = Files.readAllBytes(good);
    Random random = new Random(8);
    Path bad = folder.resolve("bad.zip");
    Path made = folder.resolve("made.polydex");
    int refused = 0;
    for (int i = 0; i < 60; i++) {
      byte[] damaged = bytes.clone();
      int at = random.nextInt(damaged.length);
      for (int k = 0; k < 40 && at + k < damaged.length; k++) {
        damaged[at + k] ^= (byte) (1 + random.nextInt(255));
      }
      Files.write(bad, i % 3 == 0 ? Arrays.copyOf(bytes, at) : damaged);
      try {
        Archive.read(bad, made);
        assertThat(tables(made)).isEqualTo(tables(file));
      } catch (FileProblem e) {
        refused++;
        assertThat(made).doesNotExist();
      }
      Files.deleteIfExists(made);
    }
    assertThat(refused).isGreaterThan(50);
    for (String name : List.of("../x.csv", "sqlite_schema.csv", "/etc/x", "event.csv")) {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      try (ZipOutputStream zip = new ZipOutputStream(out)) {
        zip.putNextEntry(new ZipEntry(name));
        zip.write("at,deed\n1,1\n".getBytes(StandardCharsets.UTF_8));
      }
      Files.write(bad, out.toByteArray());
      assertThatThrownBy(() -> Archive.read(bad, made))
          .isInstanceOf(FileProblem.class)
          .hasMessageContaining("Nothing was taken");
      assertThat(made).doesNotExist();
    }
  }

  @Test
  void everyTableOfAFileIsInTheArchive() throws Exception {
    List<String> found = new ArrayList<>();
    try (Connection in = FileGate.readOnly(demo());
        Statement statement = in.createStatement();
        ResultSet row =
            statement.executeQuery("SELECT name FROM sqlite_schema WHERE type = 'table'")) {
      while (row.next()) {
        found.add(row.getString(1));
      }
    }
    found.removeIf(t -> t.startsWith("sqlite_") || t.startsWith("flyway"));
    assertThat(found).containsExactlyInAnyOrderElementsOf(Archive.TABLES);
  }

  /** Before fits were kept, and when answers did not say when the first key went down. */
  @Test
  void anOlderArchiveIsReadAndAnOlderFileIsSavedWithAllItHas() throws Exception {
    Path file = demo();
    Path archive = folder.resolve("all.zip");
    List<Answer> answers = new ArrayList<>();
    try (Store store = Store.open(file)) {
      store.archive(archive, NOW);
      store.answers(answers::add);
    }
    Path older = folder.resolve("older.zip");
    try (ZipFile zip = new ZipFile(archive.toFile());
        ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(older))) {
      for (ZipEntry entry : Collections.list(zip.entries())) {
        String text = new String(zip.getInputStream(entry).readAllBytes(), StandardCharsets.UTF_8);
        if (entry.getName().equals("answer.csv")) {
          text = text.lines().map(l -> l.replaceFirst(",[^,]*$", "\r\n")).collect(joining());
        } else if (entry.getName().equals("manifest.json")) {
          text = text.replaceFirst("\"memory_fit\"[^,]*,", "").replace(": 10,", ": 9,");
        }
        if (!entry.getName().equals("memory_fit.csv")) {
          out.putNextEntry(new ZipEntry(entry.getName()));
          out.write(text.getBytes(StandardCharsets.UTF_8));
        }
      }
    }
    Path again = folder.resolve("again.polydex");
    Archive.read(older, again);
    assertSameButForTheFirstKey(again, answers);

    Path old = folder.resolve("old.polydex");
    Files.copy(file, old);
    try (Connection in = DriverManager.getConnection("jdbc:sqlite:" + old);
        Statement statement = in.createStatement()) {
      statement.execute("ALTER TABLE answer DROP COLUMN first_key");
      statement.execute("DROP TABLE memory_fit");
    }
    Path saved = folder.resolve("saved.polydex");
    Salvage.of(old, saved);
    assertSameButForTheFirstKey(saved, answers);
  }

  private static void assertSameButForTheFirstKey(Path file, List<Answer> answers)
      throws Exception {
    List<Answer> found = new ArrayList<>();
    try (Store store = Store.open(file)) {
      store.answers(found::add);
      assertThat(store.fits().list()).isEmpty();
    }
    assertThat(found).hasSameSizeAs(answers);
    for (int i = 0; i < found.size(); i++) {
      Answer.Timing was = answers.get(i).timing();
      assertThat(found.get(i).timing())
          .isEqualTo(new Answer.Timing(was.seconds(), was.counts(), was.expected()));
      assertThat(found.get(i).item()).isEqualTo(answers.get(i).item());
      assertThat(found.get(i).verdict()).isEqualTo(answers.get(i).verdict());
    }
  }

  /** By the rule as it is said, looked at backwards: day by day from today. */
  private static Set<LocalDate> reference(Set<LocalDate> days, LocalDate today) {
    Set<LocalDate> kept = new HashSet<>();
    for (LocalDate day : days) {
      boolean thisWeek = ChronoUnit.DAYS.between(day, today) < 7;
      boolean twoMonths = ChronoUnit.DAYS.between(day, today) < 61;
      LocalDate monday = day.with(DayOfWeek.MONDAY);
      boolean firstOfItsWeek =
          days.stream()
              .noneMatch(
                  d ->
                      !d.isBefore(monday)
                          && d.isBefore(day)
                          && ChronoUnit.DAYS.between(d, today) < 61);
      if (thisWeek || (twoMonths && firstOfItsWeek)) {
        kept.add(day);
      }
    }
    return kept;
  }

  @Test
  void oneADayForAWeekAndOneAWeekForTwoMonthsAreKept() {
    Random random = new Random(5);
    for (int person = 0; person < 50; person++) {
      Set<LocalDate> days = new TreeSet<>();
      LocalDate today = LocalDate.of(2030, 11, 1);
      int diligence = 1 + random.nextInt(6);
      for (int i = 0; i < 300; i++) {
        today = today.plusDays(1 + random.nextInt(diligence));
        days.add(today);
        assertThat(DailyCopies.kept(days, today)).isEqualTo(reference(days, today));
        days = new TreeSet<>(DailyCopies.kept(days, today));
        assertThat(days).contains(today).hasSizeBetween(1, 7 + 9);
      }
    }
  }

  @Test
  void copiesAreMadeCheckedAndTakenBack() throws Exception {
    Path file = folder.resolve("mine.polydex");
    LocalDate day = LocalDate.of(2031, 3, 3);
    for (int i = 0; i < 20; i++) {
      try (Store store = Store.open(file)) {
        assertThat(store.copy(day.plusDays(i))).isPresent();
        assertThat(store.copy(day.plusDays(i))).as("once a day").isEmpty();
        store.add(StoreTest.answer(i));
      }
    }
    List<DailyCopies.Copy> all = DailyCopies.of(file);
    assertThat(all).hasSizeBetween(8, 10).allMatch(DailyCopies::isSound);
    DailyCopies.Copy wanted = all.get(3);
    Path kept;
    try (Store store = Store.open(file)) {
      assertThat(store.file()).isEqualTo(file);
      assertThatThrownBy(() -> DailyCopies.takeBack(wanted, file)).hasMessageContaining("is open");
    }
    kept = DailyCopies.takeBack(wanted, file).orElseThrow();
    try (Store old = Store.open(file);
        Store newest = Store.open(kept)) {
      List<Object> before = new ArrayList<>();
      old.answers(before::add);
      List<Object> after = new ArrayList<>();
      newest.answers(after::add);
      assertThat(after).hasSize(20);
      assertThat(before).isEqualTo(after.subList(0, 16));
    }
    byte[] bytes = Files.readAllBytes(wanted.file());
    Arrays.fill(bytes, 5000, 20_000, (byte) 7);
    Files.write(wanted.file(), bytes);
    assertThatThrownBy(() -> DailyCopies.takeBack(wanted, file)).hasMessageContaining("damaged");
    assertThat(FileGate.isWhole(file)).isTrue();
  }

  /** Pages are overwritten at random: never more than there was, and mostly nearly all of it. */
  @Test
  void whatADamageLeavesIsSavedAndTheDamagedFileIsNotTouched() throws Exception {
    Path file = demo();
    Map<String, List<List<Object>>> whole = tables(file);
    long rows = whole.values().stream().mapToLong(List::size).sum();
    byte[] bytes = Files.readAllBytes(file);
    Random random = new Random(9);
    long saved = 0;
    int rounds = 30;
    for (int i = 0; i < rounds; i++) {
      Path damaged = folder.resolve("damaged" + i + ".polydex");
      Files.write(damaged, bytes);
      try (FileChannel channel = FileChannel.open(damaged, StandardOpenOption.WRITE)) {
        byte[] rubbish = new byte[4096];
        random.nextBytes(rubbish);
        for (int k = 0; k < 1 + random.nextInt(3); k++) {
          int page = 1 + random.nextInt(bytes.length / 4096 - 1);
          channel.write(ByteBuffer.wrap(rubbish), 4096L * page);
        }
      }
      byte[] before = Files.readAllBytes(damaged);
      assertThatThrownBy(() -> Store.open(damaged)).isInstanceOf(DamagedFile.class);
      Path to = folder.resolve("saved" + i + ".polydex");
      try {
        Salvage.of(damaged, to);
        Map<String, List<List<Object>>> found = tables(to);
        for (String table : Archive.TABLES) {
          saved += found.get(table).size();
          assertThat(found.get(table).size()).isLessThanOrEqualTo(whole.get(table).size());
        }
        try (Store store = Store.open(to)) {
          store.workspace();
          store.answers(_ -> {});
          store.events(_ -> {});
        }
      } catch (FileProblem e) {
        assertThat(e).hasMessageContaining("can");
      }
      assertThat(damaged).hasBinaryContent(before);
      Files.deleteIfExists(to);
    }
    assertThat((double) saved / (rounds * rows)).isGreaterThan(0.7);
  }
}
