package polydex.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.files.Shipped;
import polydex.files.store.Store;
import polydex.keys.Gesture;
import polydex.recall.Answer;
import polydex.recall.DrillItem;
import polydex.recall.Grade;
import polydex.recall.ItemState;
import polydex.recall.Memory;
import polydex.recall.MemoryFit;
import polydex.recall.MemoryParameters;
import polydex.recall.Progress;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** A file of somebody who forgets much faster than people do, opened again and again. */
@ExtendWith(ApplicationExtension.class)
class SessionFitTest {
  private static final Instant BEGIN = Instant.parse("2031-01-06T08:00:00Z");
  private static final Gesture SAVE = Gesture.parse("Ctrl+S");

  private Path file;

  @Start
  void start(Stage stage) throws Exception {
    file = Files.createTempDirectory("polydex-fit").resolve("mine.polydex");
  }

  private static Answer answer(int item, Instant at, boolean right) {
    return new Answer(
        new DrillItem(new EnvironmentId("app"), new ActionId("a" + item)),
        at,
        Answer.Kind.DO,
        right ? Answer.Verdict.RIGHT : Answer.Verdict.WRONG,
        new Answer.Timing(1, true, 1.3),
        SAVE,
        "",
        Optional.empty());
  }

  /** Sixty items, each asked on every fifth day of forty. */
  private static List<Answer> answers() {
    double[] w = MemoryParameters.USUAL.list().stream().mapToDouble(d -> d).toArray();
    w[0] = 0.2;
    w[8] = 0.5;
    w[11] = 0.8;
    MemoryParameters mind = MemoryParameters.of(w);
    Random random = new Random(5);
    Map<Integer, Memory> memories = new HashMap<>();
    List<Answer> all = new ArrayList<>();
    for (int day = 0; day < 40; day++) {
      for (int item = day % 5; item < 60; item += 5) {
        Memory before = memories.get(item);
        boolean right = before != null && random.nextDouble() < before.retrievability(5);
        Grade grade = right ? Grade.RIGHT : Grade.MISSED;
        memories.put(
            item, before == null ? Memory.first(grade, mind) : before.next(grade, 5, mind));
        all.add(answer(item, BEGIN.plus(Duration.ofDays(day)).plusSeconds(item * 9L), right));
      }
    }
    return all;
  }

  private Session open(Instant now) throws Exception {
    Store store = Store.open(file);
    return WaitForAsyncUtils.waitForAsyncFx(
        20_000, () -> new Session(store, Clock.fixed(now, ZoneOffset.UTC)));
  }

  private static void close(Session session) {
    WaitForAsyncUtils.waitForAsyncFx(20_000, session::close);
  }

  private static void untilFits(Session session, int count) {
    for (int i = 0; i < 400 && fits(session).size() < count; i++) {
      WaitForAsyncUtils.sleep(50, TimeUnit.MILLISECONDS);
    }
    // What is made again by it stands in line behind.
    Stored.in(session, Store::fits);
    WaitForAsyncUtils.waitForFxEvents();
    WaitForAsyncUtils.sleep(300, TimeUnit.MILLISECONDS);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private static List<MemoryFit> fits(Session session) {
    return WaitForAsyncUtils.waitForAsyncFx(20_000, () -> session.fits().list());
  }

  private static Map<DrillItem, ItemState> states(Session session) {
    return WaitForAsyncUtils.waitForAsyncFx(20_000, () -> Map.copyOf(session.progress().states()));
  }

  @Test
  void theMemoryIsFittedKeptRenewedAfterTwoWeeksAndGivesTheSameStatesForEver() throws Exception {
    List<Answer> answers = answers();
    try (Store store = Store.open(file)) {
      store.save(new Change.Edit("A new file", Workspace.EMPTY, Shipped.start()), BEGIN);
      store.addAll(answers, List.of());
    }
    Instant now = BEGIN.plus(Duration.ofDays(41));
    Session first = open(now);
    untilFits(first, 1);
    MemoryFit fit = fits(first).getFirst();
    assertThat(fit.isUsed()).isTrue();
    assertThat(fit.after()).isLessThan(fit.before());
    assertThat(first.status().get().text()).startsWith("How fast you forget was reckoned anew");
    Progress by = new Progress(ZoneOffset.UTC, fit.parameters());
    answers.forEach(by::add);
    assertThat(states(first)).isEqualTo(by.states());
    close(first);
    // On another day before two weeks are over nothing is fitted, and all is as it was.
    Session second = open(now.plus(Duration.ofDays(13)));
    untilFits(second, 1);
    assertThat(fits(second)).containsExactly(fit);
    assertThat(states(second)).isEqualTo(by.states());
    close(second);
    Session third = open(now.plus(Duration.ofDays(14)));
    untilFits(third, 2);
    assertThat(fits(third)).hasSize(2).startsWith(fit);
    // Made from the same answers it foretells no better, so the first stays in use.
    assertThat(fits(third).getLast().isUsed()).isFalse();
    assertThat(states(third)).isEqualTo(by.states());
    close(third);
  }

  @Test
  void withFewAnswersThePublishedNumbersHold() throws Exception {
    try (Store store = Store.open(file)) {
      store.save(new Change.Edit("A new file", Workspace.EMPTY, Shipped.start()), BEGIN);
      store.addAll(answers().subList(0, 150), List.of());
    }
    Session session = open(BEGIN.plus(Duration.ofDays(60)));
    untilFits(session, 0);
    assertThat(fits(session)).isEmpty();
    assertThat(session.progress().parameters()).isEqualTo(MemoryParameters.USUAL);
    close(session);
  }
}
