package polydex.files.sheets;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.statistics.Statistics;
import polydex.keys.Gesture;
import polydex.sheets.Sheet.Shown;

/** Gestures as caps in any width: nothing outside, nothing over anything, every letter there. */
class CapSettingTest {
  private static final double SLACK = 0.02;

  @Provide
  Arbitrary<Gesture> gestures() {
    Arbitrary<String> step =
        Arbitraries.of(
            "A",
            "Ctrl+C",
            "Ctrl+Alt+Shift+PageDown",
            "Shift*3",
            "Alt(Tab Q)",
            "Ctrl(Alt(Tab X) F5)",
            "\"typed words\"",
            "\"" + "x".repeat(200) + "\"",
            "Ctrl+Meta+Drag",
            "<CapsLock>+S",
            "Meta+{1..9}");
    return Combinators.combine(step.list().ofMinSize(1).ofMaxSize(4), Arbitraries.just(0))
        .as((steps, _) -> Gesture.parse(String.join(" ", steps)));
  }

  @Property(tries = 600)
  void marksAreWithinTheWidthAndLettersWithinTheirCaps(
      @ForAll("gestures") Gesture gesture,
      @ForAll @DoubleRange(min = 60, max = 400) double most,
      @ForAll @DoubleRange(min = 8, max = 18) double size,
      @ForAll @IntRange(min = 0, max = 3) int look) {
    CapSetting setting = new CapSetting(size);
    CapSetting.Set set = setting.set(new Shown(gesture, Map.of(), look), most);
    List<Mark.Cap> caps =
        set.marks().stream().filter(Mark.Cap.class::isInstance).map(Mark.Cap.class::cast).toList();
    boolean fits = set.width() <= most + SLACK;
    Statistics.label("fits").collect(fits);
    // A single part is never broken; only one that is wider than all there is may stand out.
    if (!fits) {
      assertThat(most).isLessThan(9 * size);
    }
    for (Mark.Cap cap : caps) {
      assertThat(cap.x()).isGreaterThanOrEqualTo(-SLACK);
      assertThat(cap.x() + cap.width()).isLessThanOrEqualTo(set.width() + SLACK);
      assertThat(cap.y() + cap.height()).isLessThanOrEqualTo(set.height() + SLACK);
    }
    for (int i = 0; i < caps.size(); i++) {
      for (int k = i + 1; k < caps.size(); k++) {
        Mark.Cap a = caps.get(i);
        Mark.Cap b = caps.get(k);
        boolean apart =
            a.x() + a.width() <= b.x() + SLACK
                || b.x() + b.width() <= a.x() + SLACK
                || a.y() + a.height() <= b.y() + SLACK
                || b.y() + b.height() <= a.y() + SLACK;
        assertThat(apart).as("%s and %s", a, b).isTrue();
      }
    }
    for (Mark mark : set.marks()) {
      if (mark instanceof Mark.Text t && t.face() == Typeface.KEYS) {
        double right = t.x() + t.face().width(t.text()) * t.size();
        assertThat(caps)
            .anyMatch(
                c ->
                    t.x() >= c.x() - SLACK
                        && right <= c.x() + c.width() + SLACK
                        && t.y() > c.y()
                        && t.y() < c.y() + c.height());
      }
    }
    // So many letters fit nowhere, so their cap was cut.
    if (gesture.toString().contains("x".repeat(200))) {
      assertThat(setting.isCut()).isTrue();
    }
    Statistics.label("cut").collect(setting.isCut());
  }

  /** What is set in other fonts is whole words, and every letter is in a font that has it. */
  @Property(tries = 500)
  void everyLetterIsInAFontThatHasIt(@ForAll("texts") String text) {
    for (Typeface face : Typeface.values()) {
      List<Typeface.Run> runs = face.runs(text);
      StringBuilder all = new StringBuilder();
      for (Typeface.Run run : runs) {
        assertThat(run.text().codePoints().allMatch(run.face()::has)).isTrue();
        all.append(run.text());
      }
      assertThat(all.codePoints().count()).isEqualTo(Typeface.shown(text).codePoints().count());
      assertThat(face.widthOf(text)).isNotNegative();
      for (int i = 1; i < runs.size(); i++) {
        assertThat(runs.get(i).face()).isNotEqualTo(runs.get(i - 1).face());
      }
      Statistics.collect(runs.size() > 1 ? "several fonts" : "one font");
    }
  }

  @Provide
  Arbitrary<String> texts() {
    return Arbitraries.oneOf(
        Arbitraries.of(DemoSheets.HOSTILE),
        Arbitraries.strings().all().ofMaxLength(40),
        Arbitraries.strings().withChars("ab \u0416\u65e5\u2192\u0301\u202e").ofMaxLength(40));
  }
}
