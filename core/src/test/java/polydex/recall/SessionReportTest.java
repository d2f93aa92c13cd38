package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.recall.Answer.Kind;
import polydex.recall.Answer.Verdict;

class SessionReportTest {
  private static final Instant DAY = Instant.parse("2031-01-06T09:00:00Z");
  private static final Gesture SAVE = Gesture.parse("Ctrl+S");
  private static final double EXPECTED = Pace.UNKNOWN.expected(SAVE);

  private final Progress progress = new Progress(ZoneOffset.UTC);
  private final Map<DrillItem, ItemState> before = new HashMap<>();
  private final List<Answer> session = new ArrayList<>();
  private Instant now = DAY;

  private static DrillItem item(String action) {
    return new DrillItem(new EnvironmentId("app"), new ActionId(action));
  }

  private Answer answer(String action, Verdict verdict, double seconds) {
    return answer(action, Kind.DO, verdict, seconds, Optional.empty());
  }

  private Answer answer(
      String action, Kind kind, Verdict verdict, double seconds, Optional<DrillItem> instead) {
    now = now.plusSeconds(5);
    Answer answer =
        new Answer(
            item(action),
            now,
            kind,
            verdict,
            new Answer.Timing(seconds, true, EXPECTED),
            SAVE,
            "",
            instead);
    progress.add(answer);
    return answer;
  }

  /** Right and fast on so many days, two weeks apart. */
  private void learn(String action, int days) {
    now = DAY;
    for (int i = 0; i < days; i++) {
      answer(action, Verdict.RIGHT, 1);
      now = now.plus(Duration.ofDays(14));
    }
  }

  @BeforeEach
  void threeItemsAreKnown() {
    learn("fluent", 4);
    learn("nearly", 2);
    learn("shaky", 1);
    now = DAY.plus(Duration.ofDays(90));
    before.putAll(progress.states());
  }

  private SessionReport report() {
    return SessionReport.of(before, session, progress);
  }

  @Test
  void whatBecameFluentIsToldOnce() {
    session.add(answer("nearly", Verdict.RIGHT, 1));
    session.add(answer("nearly", Verdict.RIGHT, 1));
    session.add(answer("fluent", Verdict.RIGHT, 1));
    assertThat(report().newlyFluent()).containsExactly(item("nearly"));
    assertThat(report().slipped()).isEmpty();
    assertThat(report().answers()).isEqualTo(3);
    assertThat(report().right()).isEqualTo(3);
  }

  @Test
  void aFluentItemAnsweredSlowlyAndAKnownOneMissedHaveSlippedButNotANewOne() {
    session.add(answer("fluent", Verdict.RIGHT, 4));
    session.add(answer("nearly", Verdict.WRONG, 1));
    session.add(answer("nearly", Verdict.RIGHT, 1));
    session.add(answer("brand-new", Verdict.WRONG, 1));
    assertThat(report().slipped()).containsExactlyInAnyOrder(item("fluent"), item("nearly"));
    assertThat(report().newlyFluent()).isEmpty();
  }

  @Test
  void onlyTheFirstAnswerOfADayMakesSomethingSlip() {
    session.add(answer("fluent", Verdict.RIGHT, 1));
    session.add(answer("fluent", Verdict.WRONG, 1));
    assertThat(report().slipped()).isEmpty();
  }

  @Test
  void theSlowestAreRankedByHowFarTheirBestTimeIsOverTheGoal() {
    double goal = 1.2 * EXPECTED;
    session.add(answer("shaky", Verdict.RIGHT, 3 * goal));
    session.add(answer("shaky", Verdict.RIGHT, 1.5 * goal));
    session.add(answer("nearly", Verdict.RIGHT, 2 * goal));
    session.add(answer("fluent", Verdict.RIGHT, 1));
    session.add(answer("wrong", Verdict.WRONG, 9));
    assertThat(report().slowest().stream().map(SessionReport.Slow::item))
        .containsExactly(item("nearly"), item("shaky"));
    assertThat(report().slowest().getLast().seconds()).isEqualTo(1.5 * goal);
    assertThat(report().slowest().getLast().goal()).isEqualTo(goal);
  }

  @Test
  void whatWasMistakenIsAPairWhicheverWasAsked() {
    session.add(answer("shaky", Kind.DO, Verdict.WRONG, 1, Optional.of(item("fluent"))));
    session.add(answer("fluent", Kind.CONTRAST, Verdict.WRONG, 1, Optional.of(item("shaky"))));
    session.add(answer("shaky", Kind.DO, Verdict.WRONG, 1, Optional.empty()));
    assertThat(report().mistaken())
        .containsExactly(new Confusions.Pair(item("fluent"), item("shaky")));
  }

  @Test
  void namingWhatAGestureDoesMovesNothing() {
    session.add(answer("fluent", Kind.SAY, Verdict.WRONG, 30, Optional.empty()));
    session.add(answer("nearly", Kind.SAY, Verdict.RIGHT, 30, Optional.empty()));
    SessionReport report = report();
    assertThat(report.slipped()).isEmpty();
    assertThat(report.newlyFluent()).isEmpty();
    assertThat(report.slowest()).isEmpty();
    assertThat(progress.state(item("fluent"))).contains(before.get(item("fluent")));
    assertThat(report.right()).isEqualTo(1);
  }
}
