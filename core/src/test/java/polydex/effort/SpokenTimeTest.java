package polydex.effort;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpokenTimeTest {
  @ParameterizedTest
  @CsvSource({
    "0, 0 min",
    "0.004, under 1 min",
    "0.1, 6 min",
    "0.99, 59 min",
    "0.995, 1.0 h",
    "1, 1.0 h",
    "3.14, 3.1 h",
    "9.97, 10 h",
    "12.4, 12 h",
    "1234.5, '1,235 h'"
  })
  void timesAreSaidAsPeopleSayThem(double hours, String said) {
    assertThat(SpokenTime.hours(hours)).isEqualTo(said);
  }
}
