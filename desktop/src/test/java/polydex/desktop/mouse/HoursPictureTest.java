package polydex.desktop.mouse;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.desktop.controls.Plot.Point;
import polydex.mouse.Weeks;

/** The number that stands over the weeks, and which weeks are drawn. */
class HoursPictureTest {
  private static Weeks weeks(double... hours) {
    List<Weeks.Week> all = new ArrayList<>();
    for (int i = 0; i < hours.length; i++) {
      all.add(
          new Weeks.Week(
              LocalDate.of(2031, 2, 3).plusWeeks(i),
              hours[i] < 0 ? 0 : 5,
              0,
              0,
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              0,
              hours[i],
              0,
              0,
              0,
              0,
              List.of(),
              List.of()));
    }
    return new Weeks(all, 0, 0);
  }

  @ParameterizedTest
  @CsvSource({
    "49, 33, '33 h a year by mouse, down from 49 h in the week of 3 Feb'",
    "20, 30, '30 h a year by mouse, up from 20 h in the week of 3 Feb'",
    "30, 30.5, '31 h a year by mouse, about the same as 30 h in the week of 3 Feb'",
    "2, 0.2, '12 min a year by mouse, down from 2.0 h in the week of 3 Feb'"
  })
  void theNumberSaysHowItWasAtFirst(double then, double now, String said) {
    assertThat(HoursPicture.headline(weeks(then, 40, now))).contains(said);
  }

  @Test
  void weeksWithoutWorkAreNeitherFirstNorLastNorDrawn() {
    assertThat(HoursPicture.headline(weeks(-1, 49, 40, 33, -1)))
        .contains("33 h a year by mouse, down from 49 h in the week of 10 Feb");
    assertThat(HoursPicture.headline(weeks(-1, 49, -1))).isEmpty();
    assertThat(HoursPicture.headline(weeks())).isEmpty();
    assertThat(HoursPicture.points(weeks(10, -1, 30), w -> Optional.of(w.hoursAYear())))
        .containsExactly(new Point(0, 10), new Point(2, 30));
  }
}
