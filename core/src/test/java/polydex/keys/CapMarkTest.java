package polydex.keys;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import polydex.keys.CapMark.Sort;

/** What a gesture is drawn with, counted from its steps. */
class CapMarkTest {
  @Provide
  Arbitrary<Gesture> gestures() {
    return GestureArbitraries.gestures(true);
  }

  private static int arrows(List<Step> steps) {
    return steps.size() - 1 + steps.stream().mapToInt(CapMarkTest::arrowsIn).sum();
  }

  private static int arrowsIn(Step step) {
    return step instanceof Step.Hold h ? arrows(h.inner()) : 0;
  }

  private static int holds(List<Step> steps) {
    return steps.stream().mapToInt(s -> s instanceof Step.Hold h ? 1 + holds(h.inner()) : 0).sum();
  }

  private static int keys(List<Step> steps) {
    return steps.stream()
        .mapToInt(
            s ->
                switch (s) {
                  case Step.Hold h -> keys(h.inner());
                  case Step.Stroke _ -> 1;
                  case Step.Tap _, Step.Text _, Step.Pointing _ -> 0;
                })
        .sum();
  }

  @Property(tries = 1000)
  void eachStepHasItsMarksAndHoldsAreClosed(@ForAll("gestures") Gesture gesture) {
    List<CapMark> marks = CapMark.of(gesture, Map.of());
    assertThat(marks).filteredOn(CapMark.Next.class::isInstance).hasSize(arrows(gesture.steps()));
    assertThat(marks)
        .filteredOn(m -> m instanceof CapMark.Cap c && c.sort() == Sort.KEY)
        .hasSize(keys(gesture.steps()));
    int open = 0;
    int opened = 0;
    for (CapMark mark : marks) {
      open += mark instanceof CapMark.Opens ? 1 : mark instanceof CapMark.Closes ? -1 : 0;
      opened += mark instanceof CapMark.Opens ? 1 : 0;
      assertThat(open).isNotNegative();
      if (mark instanceof CapMark.Cap c) {
        assertThat(c.text()).isNotEmpty();
      }
    }
    assertThat(open).isZero();
    assertThat(opened).isEqualTo(holds(gesture.steps()));
  }

  @Example
  void capsSayWhatPeopleSay() {
    assertThat(words("Ctrl+Shift+S", Map.of(Modifier.CTRL, "Wing")))
        .containsExactly("Wing", "Shift", "S");
    assertThat(words("AudioVolumeMute", Map.of())).containsExactly("Mute");
    assertThat(words("Meta+{1..9}", Map.of(Modifier.META, "Star"))).containsExactly("Star", "1–9");
    assertThat(words("NumpadAdd", Map.of())).containsExactly("Num +");
    assertThat(words("Ctrl+'+'", Map.of())).containsExactly("Ctrl", "+");
    assertThat(CapMark.of(Gesture.parse("Shift*2"), Map.of()))
        .containsExactly(new CapMark.Cap("Shift", Sort.TAPPED), new CapMark.Times(2));
    assertThat(CapMark.of(Gesture.parse("Ctrl+Click"), Map.of()))
        .containsExactly(new CapMark.Cap("Ctrl", Sort.HELD), new CapMark.Pointer("Click"));
    assertThat(CapMark.of(Gesture.parse("Alt(Tab Q)"), Map.of()))
        .extracting(m -> m.getClass().getSimpleName())
        .containsExactly("Cap", "Opens", "Cap", "Next", "Cap", "Closes");
  }

  private static List<String> words(String gesture, Map<Modifier, String> names) {
    return CapMark.of(Gesture.parse(gesture), names).stream()
        .map(m -> m instanceof CapMark.Cap c ? c.text() : "?")
        .toList();
  }
}
