package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.boards.Keyboards;
import polydex.boards.Presses;
import polydex.keys.Gesture;
import polydex.recall.Answer.Verdict;

class DrillTest {
  private static final Instant DAY = Instant.parse("2031-01-06T09:00:00Z");
  private static final Gesture SAVE = Gesture.parse("Ctrl+S");

  private static Answer answer(String action, Instant at, Verdict verdict, double seconds) {
    return new Answer(new DrillItem("app", action), at, verdict, seconds, SAVE, "Ctrl+S");
  }

  private static Prompt prompt(String action) {
    return new Prompt(new DrillItem("app", action), List.of(SAVE), false);
  }

  @ParameterizedTest
  @CsvSource({
    // The expected time of Ctrl+S is 0.9 + 0.28 + 0.12 = 1.30 s.
    "RIGHT, 1.29, PROMPT, true",
    "RIGHT, 1.31, RIGHT, true",
    "RIGHT, 1.57, RIGHT, false",
    "RIGHT, 2.61, LABOURED, false",
    "WRONG, 0.50, MISSED, false",
    "HINTED, 0.50, MISSED, false",
  })
  void anAnswerIsGradedByBehaviourAlone(
      Verdict verdict, double seconds, Grade grade, boolean fluent) {
    Answer answer = answer("save", DAY, verdict, seconds);
    assertThat(answer.grade()).isEqualTo(grade);
    assertThat(answer.isFluent()).isEqualTo(fluent);
  }

  @Test
  void onlyTheFirstAnswerOfADayMovesMemory() {
    Progress progress = new Progress(ZoneOffset.UTC);
    ItemState first = progress.add(answer("save", DAY, Verdict.WRONG, 1));
    ItemState second =
        progress.add(answer("save", DAY.plus(Duration.ofHours(2)), Verdict.RIGHT, 1));
    assertThat(second.memory()).isEqualTo(first.memory()).isEqualTo(Memory.first(Grade.MISSED));
    assertThat(second.answers()).isEqualTo(2);
    ItemState next = progress.add(answer("save", DAY.plus(Duration.ofDays(1)), Verdict.RIGHT, 1));
    assertThat(next.memory()).isEqualTo(Memory.first(Grade.MISSED).next(Grade.PROMPT, 1));
  }

  @Test
  void fluentNeedsThreeFastDaysAndAStableMemory() {
    Progress progress = new Progress(ZoneOffset.UTC);
    Instant at = DAY;
    ItemState state = progress.add(answer("save", at, Verdict.RIGHT, 1));
    for (int i = 0; i < 2; i++) {
      assertThat(state.isFluent()).isFalse();
      at = at.plus(Duration.ofDays(14));
      state = progress.add(answer("save", at, Verdict.RIGHT, 1));
    }
    assertThat(state.memory().stability()).isGreaterThan(ItemState.FLUENT_STABILITY);
    assertThat(state.isFluent()).isTrue();
    state = progress.add(answer("save", at.plus(Duration.ofDays(1)), Verdict.RIGHT, 5));
    assertThat(state.isFluent()).isFalse();
  }

  @Test
  void whatIsDueComesFirstThenAtMostThreeNewOnes() {
    Progress progress = new Progress(ZoneOffset.UTC);
    progress.add(answer("due", DAY, Verdict.WRONG, 1));
    progress.add(answer("known", DAY, Verdict.RIGHT, 1));
    Instant now = DAY.plus(Duration.ofDays(2));
    List<Prompt> candidates =
        List.of("new1", "new2", "new3", "new4", "known", "due").stream()
            .map(DrillTest::prompt)
            .toList();
    List<Prompt> three = DrillPlan.choose(candidates, progress, now, 3, new Random(1));
    assertThat(three).containsExactlyInAnyOrder(prompt("due"), prompt("new1"), prompt("new2"));
    List<Prompt> ten = DrillPlan.choose(candidates, progress, now, 10, new Random(1));
    assertThat(ten).hasSize(10).contains(prompt("known")).doesNotContain(prompt("new4"));
    assertThat(DrillPlan.choose(List.of(), progress, now, 10, new Random(1))).isEmpty();
  }

  @Property(tries = 300)
  void aPlanIsFullAndNeverRepeatsItselfInTurn(
      @ForAll @IntRange(min = 1, max = 15) int candidates,
      @ForAll @IntRange(min = 0, max = 15) int answered,
      @ForAll long seed) {
    Progress progress = new Progress(ZoneOffset.UTC);
    List<Prompt> prompts = new ArrayList<>();
    for (int i = 0; i < candidates; i++) {
      prompts.add(prompt("a" + i));
      if (i < answered) {
        progress.add(answer("a" + i, DAY.plusSeconds(i), Verdict.RIGHT, 1));
      }
    }
    List<Prompt> chosen =
        DrillPlan.choose(prompts, progress, DAY.plus(Duration.ofDays(9)), 10, new Random(seed));
    assertThat(chosen).hasSize(10);
    assertThat(prompts).containsAll(chosen);
    if (new HashSet<>(chosen).size() >= 3) {
      for (int i = 1; i < chosen.size(); i++) {
        assertThat(chosen.get(i)).isNotEqualTo(chosen.get(i - 1));
      }
    }
  }

  private static String check(String wanted, String pressed) {
    AnswerCheck check =
        new AnswerCheck(
            List.of(wanted.split(" or ")).stream().map(Gesture::parse).toList(), Keyboards.US);
    List<String> states = new ArrayList<>();
    for (Presses.Made made :
        ((Presses.Typable) Presses.of(Gesture.parse(pressed), Keyboards.US)).list()) {
      states.add(check.add(made).name());
    }
    return String.join(" ", states);
  }

  @ParameterizedTest
  @CsvSource({
    "Ctrl+S, Ctrl+S, RIGHT",
    "Ctrl+S, Ctrl+D, WRONG",
    "Ctrl+S, Ctrl+Shift+S, WRONG",
    "Ctrl+?, Ctrl+Shift+/, RIGHT",
    "Ctrl+Y or Ctrl+Shift+Z, Ctrl+Shift+Z, RIGHT",
    "Ctrl+K Ctrl+S, Ctrl+K Ctrl+S, GOES_ON RIGHT",
    "Ctrl+K Ctrl+S, Ctrl(K S), GOES_ON RIGHT",
    "Ctrl+K Ctrl+S, Ctrl+K S, GOES_ON WRONG",
    "Alt(Tab Q), Alt(Tab Q), GOES_ON RIGHT",
    "Alt(Tab Q), Alt+Tab Alt+Q, GOES_ON WRONG",
    "Shift*2, Shift*2, GOES_ON RIGHT",
    "Alt+{1..3}, Alt+2, RIGHT",
    "Alt+{1..3}, Alt+4, WRONG",
    "RightCtrl+S, Ctrl+S, RIGHT",
    "Ctrl+<KeyS>, Ctrl+S, RIGHT",
  })
  void anAnswerIsFollowedPressByPress(String wanted, String pressed, String states) {
    assertThat(check(wanted, pressed)).isEqualTo(states);
  }

  @Test
  void whatWasPressedIsKeptAsAGesture() {
    AnswerCheck check = new AnswerCheck(List.of(SAVE), Keyboards.US);
    ((Presses.Typable) Presses.of(Gesture.parse("Ctrl+Shift+D"), Keyboards.US))
        .list()
        .forEach(check::add);
    assertThat(check.gesture()).hasToString("Ctrl+Shift+D");
    assertThat(check.made()).hasSize(1);
  }

  @Test
  void anItemNeverAnsweredHasNoState() {
    assertThat(new Progress(ZoneOffset.UTC).state(new DrillItem("a", "b")))
        .isEqualTo(Optional.empty());
  }
}
