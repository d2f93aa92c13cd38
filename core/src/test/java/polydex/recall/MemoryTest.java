package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class MemoryTest {
  private static final MemoryParameters W = MemoryParameters.USUAL;

  @Test
  void theWorkedExampleOfTheDocumentation() {
    // docs/recall.md: right at first sight, due after S days, then right on that day.
    Memory first = Memory.first(Grade.RIGHT, W);
    assertThat(first.stability()).isEqualTo(3.7145);
    assertThat(first.difficulty()).isEqualTo(5.1618);
    assertThat(first.retrievability(3.7145)).isCloseTo(0.9, within(1e-12));
    assertThat(first.daysUntil(0.9)).isCloseTo(3.7145, within(1e-12));
    Memory second = first.next(Grade.RIGHT, 3.7145, W);
    // D' = 0.031 * 5.1618 + 0.969 * 5.1618
    assertThat(second.difficulty()).isCloseTo(5.1618, within(1e-9));
    // e^1.6474 = 5.19345; 11 - D = 5.8382; S^-0.1367 = 0.83578; e^(1.0461 * 0.1) - 1 = 0.11028
    double growth = 5.19345 * 5.8382 * 0.83578 * 0.11028;
    assertThat(second.stability()).isCloseTo(3.7145 * (1 + growth), within(0.01));
    Memory missed = second.next(Grade.MISSED, 40, W);
    assertThat(missed.stability()).isLessThan(second.stability());
    assertThat(missed.difficulty()).isGreaterThan(second.difficulty());
  }

  @Property
  void moreDelayNeverRaisesTheChanceOfRecall(
      @ForAll @DoubleRange(min = 0.01, max = 36500) double stability,
      @ForAll @DoubleRange(min = 0, max = 10_000) double days,
      @ForAll @DoubleRange(min = 0, max = 10_000) double more) {
    Memory memory = new Memory(5, stability);
    assertThat(memory.retrievability(days + more))
        .isLessThanOrEqualTo(memory.retrievability(days))
        .isBetween(0.0, 1.0);
    assertThat(memory.retrievability(0)).isEqualTo(1);
  }

  @Property
  void stabilityAndDifficultyStayInRangeAndAMissNeverRaisesStability(
      @ForAll @DoubleRange(min = 1, max = 10) double difficulty,
      @ForAll @DoubleRange(min = 0.01, max = 36500) double stability,
      @ForAll @DoubleRange(min = 0, max = 5000) double days,
      @ForAll Grade grade) {
    Memory before = new Memory(difficulty, stability);
    Memory after = before.next(grade, days, W);
    assertThat(after.difficulty()).isBetween(1.0, 10.0);
    assertThat(after.stability()).isBetween(Memory.LEAST_STABILITY, Memory.GREATEST_STABILITY);
    if (grade == Grade.MISSED) {
      assertThat(after.stability()).isLessThanOrEqualTo(before.stability());
    } else {
      assertThat(after.stability()).isGreaterThanOrEqualTo(before.stability());
    }
  }

  @Property
  void betterGradesNeverLeaveLess(
      @ForAll @DoubleRange(min = 1, max = 10) double difficulty,
      @ForAll @DoubleRange(min = 0.01, max = 3000) double stability,
      @ForAll @DoubleRange(min = 0, max = 500) double days) {
    Memory before = new Memory(difficulty, stability);
    double last = 0;
    for (Grade grade : Grade.values()) {
      double now = before.next(grade, days, W).stability();
      assertThat(now).isGreaterThanOrEqualTo(last);
      last = now;
    }
  }

  @Property
  void itIsDueWhenTheChanceHasFallenToTheWantedOne(
      @ForAll @DoubleRange(min = 0.01, max = 3000) double stability,
      @ForAll @DoubleRange(min = 0.8, max = 0.97) double wanted) {
    Memory memory = new Memory(5, stability);
    assertThat(memory.retrievability(memory.daysUntil(wanted))).isCloseTo(wanted, within(1e-9));
  }
}
