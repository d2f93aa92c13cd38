package polydex.files.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import polydex.files.Shipped;
import polydex.log.LogIntake;
import polydex.log.LogLine;
import polydex.person.Knowledge;
import polydex.workspace.Workspace;

class SimulatedRecorderTest {
  private static final Workspace DEMO = Shipped.demo();
  private static final Clock NOW = Clock.fixed(DemoHistory.NOW, ZoneOffset.UTC);

  private static List<LogLine> played(long seed, int atLeast) throws InterruptedException {
    List<LogLine> heard = new CopyOnWriteArrayList<>();
    try (SimulatedRecorder recorder = new SimulatedRecorder(DEMO, NOW, 1e9, seed)) {
      recorder.start(heard::add);
      await(heard, atLeast);
    }
    return List.copyOf(heard).subList(0, atLeast); // it may still be handing on its last line
  }

  private static void await(List<LogLine> heard, int atLeast) throws InterruptedException {
    for (int i = 0; i < 3000 && heard.size() < atLeast; i++) {
      TimeUnit.MILLISECONDS.sleep(10);
    }
    assertThat(heard).hasSizeGreaterThanOrEqualTo(atLeast);
  }

  @Test
  void theSameSeedPlaysTheSameDayAndAnotherAnother() throws Exception {
    List<LogLine> day = played(1, 300);
    assertThat(played(1, 300)).isEqualTo(day);
    assertThat(played(2, 300)).isNotEqualTo(day);
    assertThat(day).extracting(LogLine::device).contains("keyboard", "trackpad");
  }

  @Test
  void itHandsOnWhatIsTypedAndTheDoorKeepsNothingOfIt() throws Exception {
    List<LogLine> day = played(1, 300);
    LogIntake intake = new LogIntake(ZoneOffset.UTC, DemoHistory.NOW, Knowledge.recogniser(DEMO));
    int typed = 0;
    for (LogLine line : day) {
      LogIntake.Taken taken = intake.take(line);
      assertThat(taken).isInstanceOf(LogIntake.Event.class);
      if (line.input().startsWith("\"")) {
        typed++;
        String text = line.input().substring(1, line.input().length() - 1);
        assertThat(taken.toString()).doesNotContain(text);
        assertThat(((LogIntake.Event) taken).event().characters()).isEqualTo(text.length());
      }
    }
    assertThat(typed).isGreaterThan(30);
  }

  @Test
  void aPauseHandsNothingOnAndTheDayGoesOnAfterIt() throws Exception {
    List<LogLine> heard = new CopyOnWriteArrayList<>();
    SimulatedRecorder recorder = new SimulatedRecorder(DEMO, NOW, 2000, 1);
    recorder.start(heard::add);
    await(heard, 5);
    recorder.pause();
    TimeUnit.MILLISECONDS.sleep(100); // what was on its way has arrived
    int paused = heard.size();
    TimeUnit.MILLISECONDS.sleep(300);
    assertThat(heard).hasSize(paused);
    recorder.resume();
    await(heard, paused + 5);
    recorder.close();
    TimeUnit.MILLISECONDS.sleep(100);
    int closed = heard.size();
    TimeUnit.MILLISECONDS.sleep(300);
    assertThat(heard).hasSize(closed);
  }
}
