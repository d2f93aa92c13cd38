package polydex.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.files.FileProblem;

@ExtendWith(ApplicationExtension.class)
class BesideTest {
  private final List<String> said = Collections.synchronizedList(new ArrayList<>());

  @Start
  void start(Stage stage) {
    stage.show();
  }

  private static void fx(Runnable work) throws Exception {
    WaitForAsyncUtils.asyncFx(work).get(60, TimeUnit.SECONDS);
  }

  private void untilIdle(Beside beside) throws Exception {
    for (int i = 0; i < 2000; i++) {
      boolean[] busy = new boolean[1];
      fx(() -> busy[0] = beside.busy().get());
      if (!busy[0]) {
        return;
      }
      TimeUnit.MILLISECONDS.sleep(5);
    }
    throw new AssertionError("still busy; said " + said);
  }

  /** However quickly it is asked, the last thing said is about the last question. */
  @Test
  void theNewestWinsAndWhateverGoesWrongIsSaid() throws Exception {
    Random random = new Random(5);
    Beside beside = new Beside("test");
    for (int round = 0; round < 60; round++) {
      int asked = 1 + random.nextInt(4);
      int fate = random.nextInt(4);
      said.clear();
      for (int i = 1; i <= asked; i++) {
        boolean last = i == asked;
        fx(() -> beside.ask(c -> done(c, last ? fate : 0), said::add, why -> said.add("! " + why)));
      }
      untilIdle(beside);
      assertThat(said).isNotEmpty();
      String end = said.getLast();
      switch (fate) {
        case 0 -> assertThat(end).isEqualTo("done");
        case 1 -> assertThat(end).isEqualTo("! a bad file");
        case 2 -> assertThat(end).startsWith("! The program made a mistake").doesNotContain("Exc");
        default -> assertThat(end).startsWith("! This is nested too deeply");
      }
    }
    fx(beside::close);
  }

  private static String done(Beside.Course course, int fate) throws FileProblem {
    if (course.isWanted() && fate == 1) {
      throw new FileProblem("a bad file");
    }
    if (fate == 2) {
      throw new IllegalStateException("a mistake");
    }
    if (fate == 3) {
      throw new StackOverflowError();
    }
    return "done";
  }

  /** What does not end by itself neither answers nor holds up what is asked next. */
  @Test
  void whatIsStoppedIsNotHeardOfAgainAndNobodyWaitsForIt() throws Exception {
    Beside beside = new Beside("test");
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch never = new CountDownLatch(1);
    AtomicBoolean told = new AtomicBoolean();
    fx(
        () ->
            beside.ask(
                course -> {
                  course.tell(() -> said.add("shown"));
                  begun.countDown();
                  while (never.getCount() > 0) {
                    Thread.onSpinWait();
                    told.set(!course.isWanted());
                  }
                  course.tell(() -> said.add("shown too late"));
                  return "too late";
                },
                said::add,
                said::add));
    assertThat(begun.await(10, TimeUnit.SECONDS)).isTrue();
    WaitForAsyncUtils.waitForFxEvents();
    fx(beside::stop);
    fx(() -> beside.ask(_ -> "next", said::add, said::add));
    untilIdle(beside);
    for (int i = 0; i < 2000 && !told.get(); i++) {
      TimeUnit.MILLISECONDS.sleep(5);
    }
    assertThat(told).as("told to end").isTrue();
    never.countDown();
    TimeUnit.MILLISECONDS.sleep(50);
    WaitForAsyncUtils.waitForFxEvents();
    assertThat(said).containsExactly("shown", "next");
    fx(beside::close);
  }

  @Test
  void aListSaysWhetherItWaitsOrFailedOrIsEmpty() throws Exception {
    List<String> shown = new ArrayList<>();
    fx(
        () -> {
          ListView<String> list = Lists.of("A list", (_, _) -> {}, s -> s, Texts.quiet("None."));
          Runnable look = () -> shown.add(((Label) list.getPlaceholder()).getText());
          look.run();
          Lists.waiting(list, "Looking.");
          look.run();
          Lists.failed(list, "It failed.");
          look.run();
          Lists.found(list, List.of());
          look.run();
        });
    assertThat(shown).containsExactly("None.", "Looking.", "It failed.", "None.");
  }
}
