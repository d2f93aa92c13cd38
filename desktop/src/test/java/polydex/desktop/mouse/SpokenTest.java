package polydex.desktop.mouse;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import polydex.effort.TheilSen;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Walk;

class SpokenTest {
  @Test
  void aTrendIsClaimedOnlyWhereItsIntervalExcludesNone() {
    assertThat(Spoken.trend(new TheilSen(-7.3, -9.5, -1), "open actions", ""))
        .isEqualTo("Open actions go down by 7.3 a week, with 95 % between −9.5 and −1.0.");
    assertThat(Spoken.trend(new TheilSen(2, 1, 3), "hours a year", " h"))
        .isEqualTo("Hours a year go up by 2.0 h a week, with 95 % between +1.0 and +3.0 h.");
    assertThat(Spoken.trend(new TheilSen(-3.7, -6.2, 0.3), "hours a year", " h"))
        .startsWith("Hours a year show no clear trend: −3.7 h a week");
    assertThat(
            Spoken.trend(
                new TheilSen(-3, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY),
                "open actions",
                ""))
        .isEqualTo("Too few weeks yet to say how open actions go on.");
  }

  @Test
  void aWalkSaysItsWayAndItsPresses() {
    assertThat(Spoken.walk(new Walk(7, List.of("View", "Ruler"), Walk.Means.MENUS)))
        .isEqualTo("By menus and arrows: View › Ruler, then Enter; 7 presses.");
    assertThat(Spoken.walk(new Walk(3, List.of("Filter"), Walk.Means.TAB)))
        .isEqualTo("By Tab to “Filter”, then Space; 3 presses.");
    assertThat(Kind.values()).allSatisfy(k -> assertThat(Spoken.kind(k)).isNotBlank());
    assertThat(Spoken.percent(0.995)).isEqualTo("100 %");
  }
}
