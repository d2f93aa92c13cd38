package polydex.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.ChangeSteps;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.OwnTarget;
import polydex.catalog.Environment.Platform;
import polydex.catalog.EnvironmentId;
import polydex.fit.Compared.Found;
import polydex.fit.Compared.Standing;
import polydex.fit.OwnBinding.State;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.Situation;
import polydex.route.Situation.Computer;
import polydex.route.World;
import polydex.route.Worlds;

/** The life of a binding of one's own, the rules of its platform, and the change sheet. */
class BenchTest {
  private static final LocalDate DAY = LocalDate.of(2031, 3, 14);
  private static final ActionId LOG = new ActionId("log");
  private static final Platform STRICT =
      new Platform(
          Map.of(),
          List.of(),
          false,
          Set.of(),
          Modifier.CTRL,
          Optional.of(
              new OwnBindingRules(
                  2,
                  Set.of(Modifier.CTRL, Modifier.ALT),
                  1,
                  true,
                  Set.of(OwnTarget.APPLICATION, OwnTarget.MENU_ENTRY))),
          Set.of(),
          Optional.of(
              new ChangeSteps(
                  List.of("Press {pressed}, which gives {gesture}."),
                  List.of("Make a launcher for {what}; {unknown} stays."),
                  List.of("Empty the field of {title}."),
                  List.of("Set {rule}; {effect}."),
                  Optional.empty(),
                  Optional.empty())));
  private static final World WORLD =
      new Worlds()
          .platform("strict", STRICT, "Meta+L = lock")
          .app("app", "Ctrl+S = save", "Ctrl+Alt+K = log")
          .menus("app", "F S = save")
          .build();
  private static final Computer DESK = new Computer("strict machine", new EnvironmentId("strict"));

  private static Bench bench() {
    Machine machine = Worlds.machine("strict", Worlds.in("app", "anywhere"));
    Setup one = new Setup(new SetupId("one"), "One", "full", machine);
    Setup two = new Setup(new SetupId("two"), "Two", "small", machine.with(new Machine.Bare()));
    return new Bench(new Situation(WORLD, Map.of(one.id(), one, two.id(), two)), Fitting.NOTHING);
  }

  private static OwnBinding planned(String gesture, OwnTarget kind, String what) {
    return OwnBinding.planned(
        "p", DESK, LOG, Gesture.parse(gesture), Optional.of(Target.of(kind, what)), DAY);
  }

  private static OwnBinding only(Bench bench) {
    assertThat(bench.own(DAY)).hasSize(1);
    return bench.own(DAY).getFirst();
  }

  @Test
  void aBindingGoesFromThePlanToItsEnd() {
    Bench planned = bench().planning(planned("Ctrl+Alt+J", OwnTarget.APPLICATION, "Dome log"));
    assertThat(only(planned).state()).isEqualTo(State.PLANNED);
    assertThat(planned.machine(DESK).orElseThrow().own()).isEmpty();

    Bench applied = planned.applying(only(planned), DAY);
    assertThat(only(applied).state()).isEqualTo(State.APPLIED);
    assertThat(only(applied).target()).isEqualTo(only(planned).target());
    for (Setup s : applied.situation().setups().values()) {
      assertThat(s.machine().own())
          .extracting(Binding::gesture)
          .containsExactly(Gesture.parse("Ctrl+Alt+J"));
    }

    Bench verified = applied.verifying(only(applied), DAY);
    assertThat(only(verified).state()).isEqualTo(State.VERIFIED);
    assertThat(verified.isTouched(only(verified))).isFalse();

    Bench removing = verified.removing(only(verified), DAY);
    assertThat(only(removing).state()).isEqualTo(State.TO_BE_REMOVED);
    assertThat(removing.keeping(only(removing), DAY).own(DAY).getFirst().state())
        .isEqualTo(State.APPLIED);
    Bench gone = removing.gone(only(removing));
    assertThat(gone.own(DAY)).isEmpty();
    assertThat(gone).isEqualTo(bench());
    assertThat(planned.removing(only(planned), DAY)).isEqualTo(bench());
  }

  /** Two plans for the same action come under one id; the second takes nothing away. */
  @Test
  void aSecondPlanOfTheSameNameTakesNothingAway() {
    OwnBinding first = planned("Ctrl+Alt+J", OwnTarget.APPLICATION, "x");
    Bench one = bench().planning(first).applying(first, DAY);
    OwnBinding second = planned("Ctrl+Alt+U", OwnTarget.APPLICATION, "y");
    Bench two = one.planning(second).applying(second, DAY);
    assertThat(two.machine(DESK).orElseThrow().own())
        .extracting(Binding::gesture)
        .containsExactly(Gesture.parse("Ctrl+Alt+J"), Gesture.parse("Ctrl+Alt+U"));
    assertThat(two.own(DAY))
        .extracting(o -> o.target().orElseThrow().what())
        .containsExactly("x", "y");
    OwnBinding there = two.own(DAY).getLast();
    assertThat(two.removing(there, DAY).gone(there).own(DAY))
        .extracting(OwnBinding::gesture)
        .containsExactly(Gesture.parse("Ctrl+Alt+J"));
  }

  /** It is asked again when something on its way has changed, and only then. */
  @Test
  void aLaterChangeTouchesWhatWasVerified() {
    Bench applied =
        bench()
            .planning(planned("Ctrl+Alt+J", OwnTarget.APPLICATION, "x"))
            .applying(planned("Ctrl+Alt+J", OwnTarget.APPLICATION, "x"), DAY);
    Bench verified = applied.verifying(only(applied), DAY);
    Bench elsewhere =
        new Bench(
            verified
                .situation()
                .withBindings(
                    new EnvironmentId("app"),
                    b ->
                        b.action().value().equals("save")
                            ? b.with(b.id(), Gesture.parse("F2"))
                            : b),
            verified.fitting());
    assertThat(elsewhere.isTouched(only(elsewhere))).isFalse();
    Bench remapped =
        new Bench(
            verified
                .situation()
                .withMachine(DESK, m -> m.withRemaps(List.of(Worlds.keys("Alt -> Meta")))),
            verified.fitting());
    assertThat(remapped.isTouched(only(remapped))).isTrue();
    assertThat(remapped.verifying(only(remapped), DAY).isTouched(only(remapped))).isTrue();
  }

  /** A binding that a fix has made, or moved, is there without anybody having planned it. */
  @Test
  void whatAComputerHasWithoutAPlanIsAppliedAndCanBeTakenOn() {
    Bench there =
        new Bench(
            bench()
                .situation()
                .withMachine(
                    DESK,
                    m -> Worlds.withOwn(m, Binding.of("b", LOG, Gesture.parse("Ctrl+Alt+U")))),
            Fitting.NOTHING);
    assertThat(only(there).state()).isEqualTo(State.APPLIED);
    Bench verified = there.verifying(only(there), DAY);
    assertThat(only(verified).state()).isEqualTo(State.VERIFIED);
    Bench moved =
        new Bench(
            verified
                .situation()
                .withMachine(
                    DESK,
                    m -> Worlds.withOwn(m, Binding.of("b", LOG, Gesture.parse("Ctrl+Alt+I")))),
            verified.fitting());
    assertThat(only(moved).state()).isEqualTo(State.APPLIED);
  }

  @ParameterizedTest
  @CsvSource({
    "Ctrl+Alt+J, APPLICATION, Dome log, ''",
    "J, APPLICATION, Dome log, ''",
    "Ctrl+Alt+J, TEXT, hello, can\u2019t bind a text",
    "Ctrl+Alt+J, APPLICATION, '', not said which application",
    "Ctrl+Alt+J, MENU_ENTRY, '', exact title"
  })
  void rulesAreKeptOrNamed(String gesture, OwnTarget kind, String what, String broken) {
    OwnBinding wanted = planned(gesture, kind, what);
    OwnRules rules = OwnRules.of(bench(), wanted, List.of(wanted));
    assertThat(rules.gesture()).isEqualTo(Gesture.parse("Ctrl+Alt+J"));
    if (broken.isEmpty()) {
      assertThat(rules.isKept()).as("%s", rules.broken()).isTrue();
    } else {
      assertThat(rules.broken()).anyMatch(b -> b.contains(broken));
    }
  }

  @Test
  void aMenuEntryIsMeantByItsExactPathAndAnActionHasOneGesture() {
    Target near = new Target(OwnTarget.MENU_ENTRY, "f > s", Optional.of(new EnvironmentId("app")));
    OwnBinding wanted =
        planned("Ctrl+Alt+J", OwnTarget.APPLICATION, "x").meaning(Optional.of(near));
    assertThat(OwnRules.of(bench(), wanted, List.of()).broken())
        .containsExactly(
            "app has no menu entry \u201cf > s\u201d. It is written \u201cF > S\u201d.");
    OwnBinding other =
        OwnBinding.planned("q", DESK, LOG, Gesture.parse("Ctrl+Alt+L"), Optional.empty(), DAY);
    assertThat(
            OwnRules.of(bench(), planned("Ctrl+Alt+J", OwnTarget.APPLICATION, "x"), List.of(other))
                .broken())
        .containsExactly("strict lets an action have one gesture of one\u2019s own.");
  }

  @Test
  void aSheetHasTheStepsInOrderAndRemembersWhatIsDone() {
    OwnBinding wanted = planned("J", OwnTarget.APPLICATION, "{title}");
    Bench bench = bench().planning(wanted);
    RemapDraft draft =
        new RemapDraft(
            "d", DESK, false, Worlds.keys("CapsLock -> Ctrl"), RemapDraft.Effect.RESTART, false);
    bench = new Bench(bench.situation(), bench.fitting().with(draft));
    assertThat(ChangeSheet.of(bench, DESK, DAY).parts()).hasSize(1);
    bench = new Bench(bench.situation(), bench.fitting().with(draft.chosen(true)));
    ChangeSheet sheet = ChangeSheet.of(bench, DESK, DAY);
    assertThat(sheet.parts().stream().flatMap(p -> p.steps().stream().map(ChangeSheet.Line::words)))
        .containsExactly(
            "Set Caps Lock as Ctrl; after a restart.",
            // What is filled in is not filled in again.
            "Make a launcher for the application \u201c{title}\u201d; {unknown} stays.",
            "Press J, which gives Ctrl+Alt+J.");
    String last = sheet.parts().getLast().steps().getLast().id();
    Bench ticked = new Bench(bench.situation(), bench.fitting().ticking(DESK, last, true));
    assertThat(ChangeSheet.of(ticked, DESK, DAY).done()).isEqualTo(1);
    Bench made = ticked.making(draft);
    assertThat(made.machine(DESK).orElseThrow().remaps()).containsExactly(draft.remap());
    Bench applied = ticked.applying(wanted, DAY);
    assertThat(ChangeSheet.of(applied, DESK, DAY).done()).isZero();
    assertThat(applied.fitting().ticked()).isEmpty();
  }

  @Test
  void whatIsFoundIsSetBesideThePlan() {
    OwnBinding wanted = planned("Ctrl+Alt+J", OwnTarget.APPLICATION, "D:\\tools\\Dome log");
    Found same = new Found("x", List.of("dome LOG"), Gesture.parse("Ctrl+Alt+J"), "a.lnk");
    Found other = new Found("log", List.of(), Gesture.parse("Ctrl+Alt+M"), "b.lnk");
    Found stranger = new Found("z", List.of(""), Gesture.parse("F9"), "c.lnk");
    assertThat(standings(wanted, same, stranger))
        .containsExactly(Standing.APPLIED, Standing.UNKNOWN);
    assertThat(standings(wanted, other, same)).containsExactly(Standing.APPLIED, Standing.UNKNOWN);
    assertThat(standings(wanted, other)).containsExactly(Standing.DIFFERENT);
    assertThat(standings(wanted, stranger)).containsExactly(Standing.MISSING, Standing.UNKNOWN);
  }

  private static List<Standing> standings(OwnBinding wanted, Found... found) {
    return Compared.of(WORLD.catalog(), DESK, List.of(wanted), List.of(found)).stream()
        .map(Compared::standing)
        .toList();
  }

  /** The aim comes first, and what a candidate is said to cost is what it costs. */
  @Test
  void theBestPermutationReachesTheAim() {
    RemapJudge judge = new RemapJudge(bench().situation(), (_, _) -> 1, Set.of());
    RemapSearch search = new RemapSearch(judge, List.of(DESK), List.of(LOG));
    List<RemapSearch.Found> least = search.best(RemapSearch.Aim.LEAST_EFFORT, _ -> {}, () -> false);
    assertThat(RemapSearch.permutations()).hasSize(120).doesNotHaveDuplicates();
    for (RemapSearch.Found f : least) {
      assertThat(judge.of(f.drafts())).isEqualTo(f.changes());
      assertThat(f.aim()).isEqualTo(f.changes().effortAfter());
    }
    double best =
        RemapSearch.permutations().stream()
            .mapToDouble(p -> search.judged(DESK, p).effortAfter())
            .min()
            .orElseThrow();
    assertThat(least.getFirst().aim()).isEqualTo(best);
  }
}
