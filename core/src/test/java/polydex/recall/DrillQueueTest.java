package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.recall.Answer.Kind;

class DrillQueueTest {
  private static Question question(Kind kind, int item, int part, int parts) {
    Prompt prompt =
        new Prompt(
            new DrillItem(new EnvironmentId("app"), new ActionId("a" + item)),
            List.of(Gesture.parse("Ctrl+S")),
            false,
            "");
    return new Question(kind, prompt, part, parts, false, List.of());
  }

  private static List<Question> random(Random random) {
    List<Question> all = new ArrayList<>();
    int items = 0;
    for (int i = random.nextInt(8); i >= 0; i--) {
      if (random.nextInt(3) == 0) {
        int parts = 2 + random.nextInt(3);
        for (int part = 1; part <= parts; part++) {
          all.add(question(Kind.CHAIN, items++, part, parts));
        }
      } else {
        all.add(question(random.nextInt(4) == 0 ? Kind.SAY : Kind.DO, items++, 1, 1));
      }
    }
    return all;
  }

  /**
   * Whatever is missed: tasks stay whole, and each item comes as often as it was missed, or 3
   * times.
   */
  @Property(tries = 500)
  void whatIsMissedComesAgainAndInterruptsNothing(@ForAll long seed) {
    Random random = new Random(seed);
    List<Question> planned = random(random);
    DrillQueue queue = new DrillQueue(planned);
    List<Question> asked = new ArrayList<>();
    Map<DrillItem, Integer> missed = new HashMap<>();
    while (!queue.isAtItsEnd()) {
      assertThat(queue.number()).isEqualTo(asked.size() + 1);
      assertThat(queue.left()).isEqualTo(queue.size() - asked.size());
      Question now = queue.current();
      assertThat(queue.restOfTask()).hasSize(now.parts() - now.part());
      asked.add(now);
      if (random.nextBoolean()) {
        int left = queue.left();
        queue.answered(false);
        int times = missed.merge(now.prompt().item(), 1, Integer::sum);
        assertThat(queue.left() - left).isEqualTo(now.kind() == Kind.DO && times <= 2 ? 1 : 0);
      } else {
        int left = queue.left();
        queue.answered(true);
        assertThat(queue.left()).isEqualTo(left);
      }
      queue.next();
    }
    for (int i = 0; i < asked.size(); i++) {
      Question q = asked.get(i);
      if (q.part() > 1) {
        assertThat(asked.get(i - 1).part()).isEqualTo(q.part() - 1);
      }
      int before = asked.subList(0, i).lastIndexOf(q);
      if (before >= 0) {
        // Three others between, or the drill was at its end; a task may be in the way.
        assertThat(i - before >= DrillQueue.COMES_AGAIN_AFTER || i >= planned.size()).isTrue();
      }
    }
    assertThat(asked.stream().distinct().toList()).containsExactlyInAnyOrderElementsOf(planned);
    queue.next();
    assertThatThrownBy(queue::current).isInstanceOf(NoSuchElementException.class);
  }

  /** New ones beside others: until right twice, never more than five times, never in a row. */
  @Property(tries = 500)
  void whatIsNewIsAskedUntilItWasRightTwiceWithSomethingBetween(@ForAll long seed) {
    Random random = new Random(seed);
    List<Question> planned = new ArrayList<>();
    int fresh = 1 + random.nextInt(3);
    int old = 4 + random.nextInt(12);
    for (int i = 0; i < fresh; i++) {
      Question first = question(Kind.DO, i, 1, 1);
      planned.add(new Question(Kind.DO, first.prompt(), 1, 1, true, List.of()));
    }
    for (int i = 0; i < old; i++) {
      planned.add(random.nextInt(planned.size() + 1), question(Kind.DO, 100 + i, 1, 1));
    }
    DrillQueue queue = new DrillQueue(planned);
    Map<DrillItem, List<Boolean>> answers = new HashMap<>();
    DrillItem last = null;
    int inARow = 0;
    while (!queue.isAtItsEnd()) {
      DrillItem item = queue.current().prompt().item();
      boolean others =
          queue.left() > 1 && answers.size() > 1 && queue.number() + 1 < planned.size();
      inARow += item.equals(last) && others ? 1 : 0;
      last = item;
      boolean right = random.nextInt(3) > 0;
      answers.computeIfAbsent(item, _ -> new ArrayList<>()).add(right);
      queue.answered(right);
      queue.next();
    }
    assertThat(inARow).isZero();
    for (int i = 0; i < fresh; i++) {
      List<Boolean> given = answers.get(question(Kind.DO, i, 1, 1).prompt().item());
      long rights = given.stream().filter(r -> r).count();
      if (given.size() < DrillQueue.NEW_AT_MOST) {
        assertThat(rights).isEqualTo(SessionPlan.RIGHTS_NEW);
        assertThat(given.getLast()).isTrue();
      } else {
        assertThat(given).hasSize(DrillQueue.NEW_AT_MOST);
        assertThat(rights).isLessThanOrEqualTo(SessionPlan.RIGHTS_NEW);
      }
    }
  }

  @Test
  void whatCanNoLongerBeAskedIsLeftOutOfTheRest() {
    DrillQueue queue =
        new DrillQueue(
            List.of(
                question(Kind.DO, 1, 1, 1),
                question(Kind.DO, 2, 1, 1),
                question(Kind.DO, 1, 1, 1),
                question(Kind.DO, 3, 1, 1)));
    queue.next();
    queue.keepOnly(item -> item.action().value().equals("a3"));
    assertThat(queue.left()).isEqualTo(1);
    assertThat(queue.number()).isEqualTo(2);
    assertThat(queue.current().prompt().item().action()).hasToString("a3");
  }
}
