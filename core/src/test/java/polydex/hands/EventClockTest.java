package polydex.hands;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

class EventClockTest {
  /** A display's clock that wraps, events that arrive late, and a day's clock that is set. */
  @Property(tries = 100)
  void distancesAreThoseOfTheDisplay(@ForAll long seed) {
    Random random = new Random(seed);
    EventClock clock = new EventClock();
    long display = (1L << 32) - random.nextInt(200_000);
    long day = 1_700_000_000_000L - display;
    clock.millis(display, day + display); // one that arrives at once
    long before = display + day;
    for (int i = 0; i < 200; i++) {
      if (i == 120) {
        day += 3_600_000; // the clock was set
        display += 10;
        before = clock.millis(display & 0xffff_ffffL, day + display);
        assertThat(before).isEqualTo(day + display);
      }
      long step = random.nextInt(3000);
      display += step;
      long at = clock.millis(display & 0xffff_ffffL, day + display + random.nextInt(400));
      assertThat(at - before).isEqualTo(step);
      before = at;
    }
  }
}
