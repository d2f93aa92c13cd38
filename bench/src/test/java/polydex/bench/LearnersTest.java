package polydex.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The simulated persons learn and forget as people do, or figures made with them mean nothing. */
class LearnersTest {
  private static final int ITEMS = 200;

  static Stream<BiFunction<Integer, Random, Learner>> persons() {
    return Stream.of(HalfLife::new, Activation::new);
  }

  private static double mean(Learner person, int day) {
    double sum = 0;
    for (int i = 0; i < ITEMS; i++) {
      sum += person.recall(i, day);
    }
    return sum / ITEMS;
  }

  @ParameterizedTest
  @MethodSource("persons")
  void nobodyKnowsWhatWasNeverSeenAndEverybodyForgets(BiFunction<Integer, Random, Learner> made) {
    Learner person = made.apply(ITEMS, new Random(1));
    assertThat(mean(person, 5)).isZero();
    for (int i = 0; i < ITEMS; i++) {
      person.answer(i, 0, 4 * i);
    }
    double before = 1;
    for (int day : new int[] {1, 3, 10, 30, 100}) {
      for (int i = 0; i < ITEMS; i++) {
        assertThat(person.recall(i, day)).isBetween(0.0, 1.0);
      }
      assertThat(mean(person, day)).isLessThan(before);
      before = mean(person, day);
    }
  }

  @ParameterizedTest
  @MethodSource("persons")
  void practiceOnMoreDaysLastsLongerAndAnswersComeAsOftenAsTheirChanceSays(
      BiFunction<Integer, Random, Learner> made) {
    Learner once = made.apply(ITEMS, new Random(2));
    Learner often = made.apply(ITEMS, new Random(2));
    double wanted = 0;
    int right = 0;
    for (int day : new int[] {0, 2, 5, 11, 20}) {
      for (int i = 0; i < ITEMS; i++) {
        if (day == 0) {
          once.answer(i, day, 0);
        } else {
          wanted += often.recall(i, day);
        }
        Learner.Said said = often.answer(i, day, 0);
        right += day > 0 && said.right() ? 1 : 0;
        assertThat(said.seconds()).isBetween(0.1, 30.0);
      }
    }
    assertThat(mean(often, 40)).isGreaterThan(mean(once, 40) + 0.1);
    // Four times 200 chances: within four standard deviations of their sum.
    assertThat((double) right).isCloseTo(wanted, within(4 * Math.sqrt(4 * ITEMS * 0.25)));
  }

  @ParameterizedTest
  @MethodSource("persons")
  void theSameChancesMakeTheSamePerson(BiFunction<Integer, Random, Learner> made) {
    Learner one = made.apply(20, new Random(3));
    Learner other = made.apply(20, new Random(3));
    for (int i = 0; i < 60; i++) {
      assertThat(one.answer(i % 20, i, 0)).isEqualTo(other.answer(i % 20, i, 0));
    }
  }
}
