package polydex.mouse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import polydex.mouse.Use.Device;

class RecentUsesTest {
  private static final ZoneId ZONE = ZoneId.of("America/St_Johns");
  private static final Instant NOW = Instant.parse("2031-03-14T02:00:00Z");

  private static List<Use> log(Random random) {
    List<Use> uses = new ArrayList<>();
    Instant at = NOW.minus(Duration.ofDays(60));
    while (at.isBefore(NOW)) {
      uses.add(
          new Use(
              at,
              "a" + random.nextInt(3),
              random.nextBoolean() ? Device.KEYS : Device.POINTER,
              "s" + random.nextInt(2)));
      at = at.plusSeconds(random.nextInt(40_000));
    }
    return uses;
  }

  @Property(tries = 200)
  void usesOfTheLastFourWeeksAreCountedADayOnWhichAnythingWasNoted(@ForAll long seed) {
    List<Use> uses = log(new Random(seed));
    RecentUses recent = RecentUses.of(uses, NOW, ZONE);
    List<Use> late =
        uses.stream().filter(u -> !u.at().isBefore(NOW.minus(Duration.ofDays(28)))).toList();
    long days = late.stream().map(u -> u.at().atZone(ZONE).toLocalDate()).distinct().count();
    for (String setup : List.of("s0", "s1")) {
      for (String action : List.of("a0", "a1", "a2", "never")) {
        long count =
            late.stream()
                .filter(u -> u.device() == Device.POINTER)
                .filter(u -> u.setup().equals(setup) && u.action().equals(action))
                .count();
        assertThat(recent.byPointerADay(setup, action))
            .isCloseTo(count / (double) Math.max(1, days), within(1e-12));
      }
    }
  }

  @Test
  void nothingNotedIsNothingADay() {
    assertThat(RecentUses.of(List.of(), NOW, ZONE).byPointerADay("s0", "a0")).isZero();
  }
}
