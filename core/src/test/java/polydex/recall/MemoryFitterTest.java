package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;

/** Fits to people whose memory is the model's with other numbers, which the test knows. */
class MemoryFitterTest {
  private static final Instant NOW = Instant.parse("2031-06-01T09:00:00Z");

  private static DrillItem item(int i) {
    return new DrillItem(new EnvironmentId("app"), new ActionId("a" + i));
  }

  /** Somebody who answers items by a memory, asked at random days. */
  private static List<FirstAnswer> answers(MemoryParameters mind, int items, int each, long seed) {
    Random random = new Random(seed);
    List<List<FirstAnswer>> byItem = new ArrayList<>();
    for (int i = 0; i < items; i++) {
      List<FirstAnswer> given = new ArrayList<>();
      Memory usual = null;
      Memory own = null;
      for (int n = 0; n < each; n++) {
        double days = n == 0 ? 0 : 1 + random.nextInt(1 + 4 * n);
        boolean right = own != null && random.nextDouble() < own.retrievability(days);
        Grade grade = right ? Grade.RIGHT : Grade.MISSED;
        given.add(new FirstAnswer(item(i), Optional.ofNullable(usual), days, grade));
        own = own == null ? Memory.first(grade, mind) : own.next(grade, days, mind);
        usual =
            usual == null
                ? Memory.first(grade, MemoryParameters.USUAL)
                : usual.next(grade, days, MemoryParameters.USUAL);
      }
      byItem.add(given);
    }
    List<FirstAnswer> all = new ArrayList<>();
    for (int n = 0; n < each; n++) {
      for (List<FirstAnswer> given : byItem) {
        all.add(given.get(n));
      }
    }
    return all;
  }

  /** Somebody who forgets a good deal faster than people do. */
  private static MemoryParameters forgetful(long seed) {
    Random random = new Random(seed);
    return MemoryParameters.USUAL
        .with(0, 0.2 + 0.1 * random.nextDouble())
        .with(8, 0.6 + 0.3 * random.nextDouble())
        .with(11, 0.8);
  }

  @Property(tries = 12)
  void whoForgetsFastIsForetoldBetterAndNobodyWorse(@ForAll long seed) {
    MemoryParameters mind = forgetful(seed);
    List<FirstAnswer> given = answers(mind, 80, 10, seed);
    MemoryFit fit = MemoryFitter.fit(given, MemoryParameters.USUAL, NOW).orElseThrow();
    assertThat(fit.answers() + fit.heldOut()).isEqualTo(800);
    assertThat(fit.heldOut()).isEqualTo(160);
    assertThat(fit.isUsed()).isTrue();
    // Near to what knowing the mind itself would give on the answers that were held out.
    double known = MemoryFitter.loss(given, mind);
    double found = MemoryFitter.loss(given, fit.parameters());
    assertThat(found).isCloseTo(known, within(0.04));
    assertThat(found).isLessThan(MemoryFitter.loss(given, MemoryParameters.USUAL));
    // The same answers give the same fit.
    assertThat(MemoryFitter.fit(given, MemoryParameters.USUAL, NOW)).contains(fit);
  }

  @Property(tries = 12)
  void aFitIsUsedOnlyIfItForetellsBetterWhatItDidNotSee(@ForAll long seed) {
    List<FirstAnswer> given = answers(MemoryParameters.USUAL, 30, 8, seed);
    MemoryFit fit = MemoryFitter.fit(given, MemoryParameters.USUAL, NOW).orElseThrow();
    assertThat(fit.isUsed()).isEqualTo(fit.after() < fit.before());
    assertThat(fit.before()).isCloseTo(heldOut(given, MemoryParameters.USUAL), within(1e-9));
    assertThat(fit.after()).isCloseTo(heldOut(given, fit.parameters()), within(1e-9));
    // With few answers of an ordinary person it stays near the usual.
    for (int i = 0; i < MemoryParameters.COUNT; i++) {
      double ratio = fit.parameters().w(i) / MemoryParameters.USUAL.w(i);
      assertThat(Math.abs(Math.log(ratio))).isLessThan(2.2);
    }
  }

  /** Written out: every answer of the newest fifth, foretold from those before it. */
  private static double hold(List<FirstAnswer> given, int at, MemoryParameters w) {
    FirstAnswer asked = given.get(at);
    Memory memory = null;
    for (FirstAnswer a : given.subList(0, at)) {
      if (a.item().equals(asked.item())) {
        memory = memory == null ? Memory.first(a.grade(), w) : memory.next(a.grade(), a.days(), w);
      }
    }
    double recall = memory == null ? 1 : memory.retrievability(asked.days());
    double kept = Math.max(1e-4, Math.min(1 - 1e-4, recall));
    return -Math.log(asked.grade() == Grade.MISSED ? 1 - kept : kept);
  }

  private static double heldOut(List<FirstAnswer> given, MemoryParameters w) {
    int begin = given.size() - given.size() / 5;
    double sum = 0;
    for (int i = begin; i < given.size(); i++) {
      sum += hold(given, i, w);
    }
    return sum / (given.size() - begin);
  }

  @Test
  void fewAnswersGiveNoFitAndOnlyTheNewestAreKept() {
    List<FirstAnswer> given = answers(MemoryParameters.USUAL, 25, 8, 1);
    assertThat(MemoryFitter.fit(given.subList(0, 199), MemoryParameters.USUAL, NOW)).isEmpty();
    assertThat(MemoryFitter.fit(given, MemoryParameters.USUAL, NOW)).isPresent();
    Progress progress = new Progress(ZoneOffset.UTC);
    for (int i = 0; i < MemoryFitter.MOST_ANSWERS + 50; i++) {
      Instant at = NOW.plusSeconds(86_400L * (i / 100) + i % 100);
      Answer answer = Answers.of(item(i % 100), at, i % 3 > 0);
      progress.add(answer);
      progress.add(Answers.of(item(i % 100), at.plusSeconds(200), true));
    }
    assertThat(progress.latest()).hasSize(MemoryFitter.MOST_ANSWERS);
    FirstAnswer last = progress.latest().getLast();
    assertThat(last.item()).isEqualTo(item(49));
    assertThat(last.before()).isPresent();
    assertThat(last.days()).isCloseTo(1, within(1e-9));
  }

  @Test
  void parametersAreReadAsTheyAreWrittenAndKeptInRange() {
    MemoryParameters w = forgetful(3);
    assertThat(MemoryParameters.parse(w.toString())).isEqualTo(w).hasSameHashCodeAs(w);
    assertThat(MemoryParameters.parse(w.toString().replace(" ", ", "))).isEqualTo(w);
    for (String wrong : List.of("", "1 2 3", w + " 1", w.toString().replaceFirst("\\S+", "-1"))) {
      assertThatThrownBy(() -> MemoryParameters.parse(wrong))
          .isInstanceOf(IllegalArgumentException.class);
    }
  }
}
