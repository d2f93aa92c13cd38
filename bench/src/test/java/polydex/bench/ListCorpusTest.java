package polydex.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.DynamicTest.dynamicTest;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import polydex.files.Shipped;
import polydex.files.lists.ForeignList;
import polydex.files.lists.Intake;
import polydex.files.lists.ListReader;
import polydex.intake.BindingIntake;
import polydex.intake.ColumnRoles.Target;
import polydex.intake.IntakePlan;
import polydex.workspace.Workspace;

/** Lists with a truth beside them, of other seeds than the ones that are measured. */
class ListCorpusTest {
  private static final Workspace START = Shipped.start();
  private static final int EACH = 12;

  /** Of each form nothing is read wrongly, and nothing is lost without a word. */
  @TestFactory
  Stream<DynamicTest> nothingIsWrongOrLostSilently() {
    return ListCorpus.FORMS.stream()
        .map(
            form ->
                dynamicTest(
                    form,
                    () -> {
                      int right = 0;
                      int all = 0;
                      for (int i = 0; i < EACH; i++) {
                        ListCorpus.Sample sample = ListCorpus.sample(form, 900_000L + i);
                        right += right(sample);
                        all += sample.truth().values().stream().mapToInt(Set::size).sum();
                      }
                      assertThat((double) right / all).isGreaterThanOrEqualTo(0.95);
                    }));
  }

  private static int right(ListCorpus.Sample sample) throws Exception {
    ForeignList list = ListReader.read("list", sample.text());
    Intake intake =
        Intake.of(START, list, Optional.empty(), Optional.of(new Target("Listed", false)));
    IntakePlan plan = BindingIntake.plan(START, intake.request());
    Map<String, Set<String>> taken = new HashMap<>();
    plan.taken()
        .forEach(
            t ->
                taken
                    .computeIfAbsent(t.row().action(), _ -> new HashSet<>())
                    .add(t.gesture().toString()));
    taken.forEach(
        (action, gestures) ->
            assertThat(sample.truth().getOrDefault(action, Set.of()))
                .as("%s of%n%s", action, sample.text())
                .containsAll(gestures));
    String told = plan.refused() + " " + plan.reading() + " " + intake.tables();
    sample
        .truth()
        .forEach(
            (action, gestures) -> {
              if (!taken.getOrDefault(action, Set.of()).containsAll(gestures)) {
                assertThat(told).as("%s of%n%s", action, sample.text()).contains(action);
              }
            });
    return taken.values().stream().mapToInt(Set::size).sum();
  }

  /** The same seed makes the same list, another one another; and every form is made. */
  @Test
  void seedsSayWhatIsMade() {
    for (String form : ListCorpus.FORMS) {
      assertThat(ListCorpus.sample(form, 5)).isEqualTo(ListCorpus.sample(form, 5));
      List<String> texts =
          Stream.iterate(0L, i -> i + 1)
              .limit(8)
              .map(i -> ListCorpus.sample(form, i).text())
              .distinct()
              .toList();
      assertThat(texts).hasSizeGreaterThan(6);
      assertThat(ListCorpus.sample(form, 5).truth()).isNotEmpty();
    }
  }
}
