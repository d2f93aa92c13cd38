package polydex.desktop;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.LanguageChoice;

/**
 * Run by the build: goes through the places of the demo once and ends, so that Java can note which
 * classes a start needs and have them ready from then on (JEP 483 and JEP 514).
 */
public final class Rehearsal {
  private static final Logger LOG = LoggerFactory.getLogger(Rehearsal.class);
  private static final Duration STEP = Duration.ofMillis(700);
  private static final Duration LONGEST = Duration.ofSeconds(90);

  private Rehearsal() {}

  /** Runs it. */
  public static void main(String[] args) {
    LanguageChoice.speak();
    Thread.ofPlatform().daemon().name("rehearsal").start(Rehearsal::walk);
    Main.main(new String[] {"--demo"});
  }

  private static void walk() {
    try {
      long end = System.nanoTime() + LONGEST.toNanos();
      CountDownLatch looked = new CountDownLatch(1);
      while (Windows.shells().isEmpty() && System.nanoTime() < end) {
        Thread.sleep(STEP);
      }
      Platform.runLater(() -> Windows.shells().forEach(s -> s.whenLookedInto(looked::countDown)));
      // What Today shows by then is needed by each start.
      looked.await(LONGEST.toSeconds(), TimeUnit.SECONDS);
      Thread.sleep(STEP);
      for (PlaceName place : PlaceName.values()) {
        CountDownLatch gone = new CountDownLatch(1);
        Platform.runLater(
            () -> {
              Windows.shells().forEach(s -> s.go(place.letter()));
              gone.countDown();
            });
        gone.await();
        Thread.sleep(STEP);
      }
    } catch (InterruptedException e) {
      LOG.info("The rehearsal was cut short", e);
    } finally {
      Platform.exit();
    }
  }
}
