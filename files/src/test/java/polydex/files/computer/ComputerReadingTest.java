package polydex.files.computer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import polydex.computer.Finding;
import polydex.files.FileProblem;
import polydex.files.computer.ComputerReading.Source;
import polydex.files.computer.ComputerReading.Stage;

@Timeout(30)
class ComputerReadingTest {
  private interface Read {
    void read(ComputerSource.Listener to) throws FileProblem, InterruptedException;
  }

  private static ComputerSource source(String title, Read read) {
    return new ComputerSource() {
      @Override
      public String title() {
        return title;
      }

      @Override
      public void read(Listener to) throws FileProblem {
        try {
          read.read(to);
        } catch (InterruptedException _) {
          Thread.currentThread().interrupt();
        }
      }
    };
  }

  private static Finding finding(String id) {
    return new Finding(id, id, "", new Finding.Launchers(List.of()), List.of(), true);
  }

  @Test
  void waitingFailingAndEmptyAreToldApartAndOneThatHangsHoldsUpNobody() throws Exception {
    CountDownLatch never = new CountDownLatch(1);
    CountDownLatch others = new CountDownLatch(3);
    AtomicInteger at = new AtomicInteger();
    AtomicInteger together = new AtomicInteger();
    ComputerReading reading =
        ComputerReading.start(
            "laptop",
            List.of(
                source("empty", _ -> {}),
                source(
                    "failing",
                    _ -> {
                      throw new FileProblem("It is not there.");
                    }),
                source(
                    "broken",
                    to -> {
                      to.found(finding("a"));
                      throw new IllegalStateException("odd");
                    }),
                source(
                    "hanging",
                    to -> {
                      to.found(finding("b"));
                      never.await();
                      to.found(finding("late"));
                    })),
            all -> {
              // One at a time.
              together.accumulateAndGet(at.incrementAndGet(), Math::max);
              at.decrementAndGet();
              if (all.stream().filter(s -> s.stage() != Stage.READING).count() == 3) {
                while (others.getCount() > 0) {
                  others.countDown();
                }
              }
            });
    assertThat(others.await(10, TimeUnit.SECONDS)).isTrue();
    // The one that hangs may not have come to what it finds.
    for (int i = 0; i < 100 && reading.found().findings().size() < 2; i++) {
      Thread.sleep(100);
    }
    assertThat(reading.isDone()).isFalse();
    assertThat(reading.sources())
        .extracting(Source::stage)
        .containsExactly(Stage.DONE, Stage.FAILED, Stage.FAILED, Stage.READING);
    reading.stop();
    assertThat(reading.isDone()).isTrue();
    never.countDown();
    Thread.sleep(100);
    // What was found by then stays, and what comes in later is not heard.
    assertThat(reading.found().findings()).extracting(Finding::id).containsExactly("a", "b");
    assertThat(reading.sources().get(1).words()).isEqualTo("It is not there.");
    assertThat(reading.sources().get(3).words()).contains("stopped");
    assertThat(together.get()).isEqualTo(1);
  }

  @Test
  void theSimulatedComputerIsReadAsARealOneIs() throws Exception {
    ComputerReading reading =
        ComputerReading.start("borrowed laptop", SimulatedComputer.sources(0), _ -> {});
    reading.await();
    assertThat(reading.found().findings()).hasSameElementsAs(SimulatedComputer.found().findings());
    assertThat(reading.sources()).allSatisfy(s -> assertThat(s.stage()).isEqualTo(Stage.DONE));
    // It can be stopped while the slow program has not answered yet.
    CountDownLatch first = new CountDownLatch(1);
    ComputerReading slow =
        ComputerReading.start(
            "borrowed laptop",
            SimulatedComputer.sources(1),
            all -> {
              if (all.stream().anyMatch(s -> !s.findings().isEmpty())) {
                first.countDown();
              }
            });
    assertThat(first.await(10, TimeUnit.SECONDS)).isTrue();
    slow.stop();
    assertThat(slow.found().findings().size()).isLessThan(reading.found().findings().size());
  }
}
