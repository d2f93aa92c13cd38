package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.boards.Keyboards;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.recall.Answer.Verdict;

class DrillTest {
  private static final Instant DAY = Instant.parse("2031-01-06T09:00:00Z");
  private static final Gesture SAVE = Gesture.parse("Ctrl+S");

  private static Answer answer(String action, Instant at, Verdict verdict, double seconds) {
    return answer(action, at, verdict, seconds, true);
  }

  private static Answer answer(
      String action, Instant at, Verdict verdict, double seconds, boolean counts) {
    return new Answer(
        new DrillItem(new EnvironmentId("app"), new ActionId(action)),
        at,
        Answer.Kind.DO,
        verdict,
        new Answer.Timing(seconds, counts, Pace.UNKNOWN.expected(SAVE)),
        SAVE,
        "Ctrl+S",
        Optional.empty());
  }

  private static ItemState add(Progress progress, Answer answer) {
    return progress.add(answer).orElseThrow();
  }

  @ParameterizedTest
  @CsvSource({
    // The expected time of Ctrl+S is 0.9 + 0.28 + 0.12 = 1.30 s.
    // How quick it was says nothing about memory, only about the hand.
    "RIGHT, 0.40, RIGHT, true",
    "RIGHT, 1.55, RIGHT, true",
    "RIGHT, 1.57, RIGHT, false",
    "RIGHT, 9.00, RIGHT, false",
    "WRONG, 0.50, MISSED, false",
    "HINTED, 0.50, MISSED, false",
    "TIMED_OUT, 9.00, MISSED, false",
    "CORRECTED, 1.20, LABOURED, true",
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
    ItemState first = add(progress, answer("save", DAY, Verdict.WRONG, 1));
    ItemState second =
        add(progress, answer("save", DAY.plus(Duration.ofHours(2)), Verdict.RIGHT, 1));
    assertThat(second.memory())
        .isEqualTo(first.memory())
        .isEqualTo(Memory.first(Grade.MISSED, MemoryParameters.USUAL));
    assertThat(second.answers()).isEqualTo(2);
    ItemState next = add(progress, answer("save", DAY.plus(Duration.ofDays(1)), Verdict.RIGHT, 1));
    assertThat(next.memory())
        .isEqualTo(
            Memory.first(Grade.MISSED, MemoryParameters.USUAL)
                .next(Grade.RIGHT, 1, MemoryParameters.USUAL));
  }

  @Test
  void fluentNeedsThreeFastDaysAndAStableMemory() {
    Progress progress = new Progress(ZoneOffset.UTC);
    Instant at = DAY;
    ItemState state = add(progress, answer("save", at, Verdict.RIGHT, 1));
    for (int i = 0; i < 2; i++) {
      assertThat(state.isFluent()).isFalse();
      at = at.plus(Duration.ofDays(14));
      state = add(progress, answer("save", at, Verdict.RIGHT, 1));
    }
    assertThat(state.memory().stability()).isGreaterThan(ItemState.FLUENT_STABILITY);
    assertThat(state.isFluent()).isTrue();
    // An interruption voids the time only.
    state = add(progress, answer("save", at.plus(Duration.ofDays(1)), Verdict.RIGHT, 90, false));
    assertThat(state.isFluent()).isTrue();
    state = add(progress, answer("save", at.plus(Duration.ofDays(2)), Verdict.RIGHT, 5));
    assertThat(state.isFluent()).isFalse();
  }

  private static String check(String wanted, String pressed) {
    AnswerCheck check =
        new AnswerCheck(
            List.of(wanted.split(" or ")).stream().map(Gesture::parse).toList(),
            Keyboards.US,
            Modifiers.of(Modifier.META)::equals);
    List<String> states = new ArrayList<>();
    double at = 1;
    for (Presses.Made made :
        ((Presses.Typable) Presses.of(Gesture.parse(pressed), Keyboards.US)).list()) {
      states.add(check.add(made, at).name());
      at += 0.4;
    }
    check.mistake().ifPresent(m -> states.add(m.say(Map.of(Modifier.CTRL, "Control"))));
    return String.join(" ", states) + (check.corrected() ? " corrected" : "");
  }

  @ParameterizedTest
  @CsvSource({
    "Ctrl+S, Ctrl+S, RIGHT",
    "Ctrl+S, Ctrl+D, WRONG Another key.",
    "Ctrl+S, Ctrl+Shift+S, WRONG Shift too many.",
    "Ctrl+Shift+S, Shift+S, WRONG Without Control.",
    "Ctrl+S, Alt+S, WRONG With Alt instead.",
    "Ctrl+S, Ctrl Ctrl+S, GOES_ON RIGHT corrected",
    "Ctrl+S, Ctrl S, GOES_ON WRONG Control let go too early. corrected",
    "Meta+S, Meta, WRONG Meta let go too early.",
    "Ctrl+K Ctrl+S, Ctrl+S, WRONG The right steps in another order.",
    "Ctrl+Click, Ctrl+Click, RIGHT",
    "Ctrl+Click, Click, WRONG Without Control.",
    "'\"no\"', n o, GOES_ON RIGHT",
    "Ctrl+?, Ctrl+Shift+/, RIGHT",
    "Ctrl+Y or Ctrl+Shift+Z, Ctrl+Shift+Z, RIGHT",
    "Ctrl+K Ctrl+S, Ctrl+K Ctrl+S, GOES_ON RIGHT",
    "Ctrl+K Ctrl+S, Ctrl(K S), GOES_ON RIGHT",
    "Ctrl+K Ctrl+S, Ctrl+K S, GOES_ON WRONG Without Control.",
    "Alt(Tab Q), Alt(Tab Q), GOES_ON RIGHT",
    "Alt(Tab Q), Alt+Tab Alt+Q, GOES_ON WRONG Alt let go too early.",
    "Shift*2, Shift*2, GOES_ON RIGHT",
    "Alt+{1..3}, Alt+2, RIGHT",
    "Alt+{1..3}, Alt+4, WRONG Another key.",
    "RightCtrl+S, Ctrl+S, RIGHT",
    "Ctrl+<KeyS>, Ctrl+S, RIGHT",
  })
  void anAnswerIsFollowedPressByPress(String wanted, String pressed, String states) {
    assertThat(check(wanted, pressed)).isEqualTo(states);
  }

  @Test
  void whatWasPressedIsKeptAsAGesture() {
    AnswerCheck check = new AnswerCheck(List.of(SAVE), Keyboards.US, _ -> false);
    ((Presses.Typable) Presses.of(Gesture.parse("Ctrl+Shift+D"), Keyboards.US))
        .list()
        .forEach(m -> check.add(m, 25));
    assertThat(check.gesture()).hasToString("Ctrl+Shift+D");
    assertThat(check.made()).hasSize(1);
    assertThat(check.interrupted()).isTrue();
    assertThat(check.slowStep()).isEmpty();
    assertThat(check.firstKey()).hasValue(25);
  }

  @Test
  void theFirstKeyIsTheFirstThatGoesDownWhateverComesOfIt() {
    AnswerCheck check = new AnswerCheck(List.of(SAVE), Keyboards.US, _ -> false);
    assertThat(check.firstKey()).isEmpty();
    check.touched(0.6);
    ((Presses.Typable) Presses.of(SAVE, Keyboards.US)).list().forEach(m -> check.add(m, 0.9));
    assertThat(check.firstKey()).hasValue(0.6);
    Answer.Timing timing = new Answer.Timing(0.9, true, 1.3, check.firstKey());
    assertThat(timing.hands()).hasValueCloseTo(0.3, within(1e-9));
    assertThat(new Answer.Timing(0.9, true, 1.3).hands()).isEmpty();
  }

  @Test
  void anItemNeverAnsweredHasNoState() {
    assertThat(
            new Progress(ZoneOffset.UTC)
                .state(new DrillItem(new EnvironmentId("a"), new ActionId("b"))))
        .isEqualTo(Optional.empty());
  }
}
