package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.DynamicTest.dynamicTest;

import java.util.List;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import polydex.files.FileProblem;
import polydex.intake.BindingIntake;
import polydex.intake.GestureCell;
import polydex.intake.IntakePlan;
import polydex.keys.Gesture;

/** Every form of a list, whole and damaged. */
class EveryFormTest {
  private static final int WHOLE = 30;
  private static final int DAMAGED = 80;

  private static Stream<DynamicTest> inEachForm(Form test) {
    return ListWriters.FORMS.entrySet().stream()
        .map(form -> dynamicTest(form.getKey(), () -> test.holds(form.getValue())));
  }

  private interface Form {
    void holds(Function<List<ListWriters.Entry>, String> written) throws Exception;
  }

  /** Nothing is told of the list, and every line of it is taken as it was meant. */
  @TestFactory
  Stream<DynamicTest> saysWhatWasWritten() {
    return inEachForm(
        written -> {
          for (int seed = 0; seed < WHOLE; seed++) {
            List<ListWriters.Entry> entries = ListWriters.entries(new Random(seed));
            String text = written.apply(entries);
            PagesTest.Outcome read = PagesTest.read(text);
            assertThat(read.taken())
                .as(text)
                .containsExactlyInAnyOrderElementsOf(
                    entries.stream().map(ListWriters.Entry::meant).toList());
            assertThat(read.plan().reading().share()).isEqualTo(1);
          }
        });
  }

  /**
   * Whatever is cut out of a list, doubled or put into it: it is read or refused, what is taken was
   * written there, and every line of a table that is taken has a fate.
   */
  @TestFactory
  Stream<DynamicTest> damagedIsReadOrRefused() {
    return inEachForm(
        written -> {
          int read = 0;
          for (int seed = 0; seed < DAMAGED; seed++) {
            Random random = new Random(seed);
            String text = damaged(written.apply(ListWriters.entries(random)), random);
            read += readsOrRefuses(text) ? 1 : 0;
          }
          assertThat(read).isGreaterThan(DAMAGED / 10);
        });
  }

  private static String damaged(String text, Random random) {
    StringBuilder out = new StringBuilder(text);
    for (int i = 0; i < 1 + random.nextInt(4); i++) {
      int from = random.nextInt(out.length());
      int to = Math.min(out.length(), from + 1 + random.nextInt(12));
      switch (random.nextInt(5)) {
        case 0 -> out.delete(from, to);
        case 1 -> out.insert(from, out.substring(from, to));
        case 2 ->
            out.insert(from, "<>\"'{}[]|\\/=,;:#\u0000\ue001\u202e".charAt(random.nextInt(19)));
        case 3 -> out.setLength(Math.max(1, from));
        default ->
            out.replace(from, to, new StringBuilder(out.substring(from, to)).reverse().toString());
      }
      if (out.isEmpty()) {
        out.append(' ');
      }
    }
    return out.toString();
  }

  private static boolean readsOrRefuses(String text) {
    PagesTest.Outcome read;
    try {
      read = PagesTest.read(text);
    } catch (FileProblem e) {
      assertThat(e.getMessage()).isNotBlank();
      return false;
    }
    IntakePlan plan = read.plan();
    plan.taken()
        .forEach(
            t -> {
              assertThat(Gesture.parse(t.gesture().toString())).isEqualTo(t.gesture());
              // What is taken is one of the readings that its own cell has.
              assertThat(GestureCell.likely(t.row().gesture())).as(text).contains(t.gesture());
            });
    assertThat(plan.reading().lines())
        .isEqualTo(read.intake().request().rows().size() + read.list().refused().size());
    assertThat(plan.reading().understood()).isLessThanOrEqualTo(plan.reading().lines());
    assertThat(BindingIntake.plan(plan.change().after(), read.intake().request()).taken())
        .as("brought in twice")
        .isEmpty();
    return true;
  }
}
