package polydex.files.bus;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import polydex.files.recorder.Desk;

/** A real session bus, and what shows notices on it. */
@Timeout(120)
class DesktopNoticesTest {
  /** A person is slow, but a machine with a lot to do may hear the choice before the answer. */
  @Test
  void aChoiceIsHeardThoughItComesBeforeTheAnswer() throws Exception {
    Desk.missing().ifPresent(Assumptions::abort);
    try (Desk desk = Desk.open()) {
      Process server = desk.start("notices.py", "hasty");
      BlockingQueue<String> chosen = new LinkedBlockingQueue<>();
      try {
        assertThat(new Desk.Spoken(server).next()).isEqualTo("ready");
        try (DesktopNotices notices = DesktopNotices.connect(desk.bus, chosen::add)) {
          for (int i = 0; i < 20; i++) {
            notices.show("Undo", "Ctrl+Z", Map.of("choice " + i, "Take it"));
            assertThat(chosen.poll(20, TimeUnit.SECONDS)).isEqualTo("choice " + i);
            if (i % 3 == 2) {
              notices.withdraw();
            }
          }
          assertThat(chosen).isEmpty();
        }
      } finally {
        server.destroy();
      }
    }
  }
}
