package polydex.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.From;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import polydex.boards.Keyboards;
import polydex.catalog.ActionId;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.intake.IntakeReading.OfSystem;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;
import polydex.workspace.Change;
import polydex.workspace.History;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

class BindingIntakeTest {
  private static final Workspace HERE = here();

  private static Workspace here() {
    World world =
        new Worlds()
            .platform("Desk", Worlds.plain(), "Meta+L = Lock")
            .app("Editor", "Ctrl+S = Save", "text: Ctrl+J = Join lines")
            .build();
    Setup setup = Worlds.setup(Worlds.machine("Desk", Worlds.in("Editor")));
    return Workspace.of(
        world.catalog(),
        List.copyOf(world.boards().values()),
        List.of(Keyboards.US),
        List.of(setup));
  }

  private static RequestedRow row(
      int line, String environment, String context, String action, String keys) {
    return new RequestedRow(line, environment, false, context, action, keys);
  }

  private static IntakePlan plan(RequestedRow... rows) {
    return BindingIntake.plan(HERE, List.of(rows), List.of());
  }

  @Test
  void whatIsKnownIsMatchedWithoutRegardToCaseAndSpace() {
    IntakePlan plan =
        plan(
            row(2, " editor ", "", "SAVE", "ctrl+s"),
            row(3, "Editor", "Text", "join  lines", "Ctrl+Shift+J"));
    assertThat(plan.known()).extracting(RequestedRow::line).containsExactly(2);
    assertThat(plan.taken())
        .singleElement()
        .satisfies(t -> assertThat(t.row().line()).isEqualTo(3));
    assertThat(plan.change().after().catalog().actions()).isEqualTo(HERE.catalog().actions());
    assertThat(
            plan.change()
                .after()
                .catalog()
                .bindings(new EnvironmentId("Editor"))
                .getLast()
                .context())
        .isEqualTo("text");
  }

  @Test
  void whatIsNewIsMadeWithASetupToTryItIn() {
    IntakePlan plan =
        plan(
            row(2, "Star chart", "a cell", "Fill down", "Ctrl+D"),
            new RequestedRow(3, "Other desk", true, "", "Show all", "F9"));
    Workspace after = plan.change().after();
    Environment made = after.catalog().environments().get(2);
    assertThat(made.title()).isEqualTo("Star chart");
    assertThat(made.contexts()).hasSize(2);
    assertThat(after.catalog().environments().get(3).platform()).isPresent();
    assertThat(after.setups()).hasSize(3);
    for (Setup setup : after.setups().values()) {
      assertThat(after.world().problem(setup)).isEmpty();
    }
    Setup toTry = after.setups().get(new SetupId("setup-" + made.id()));
    assertThat(SetupTraces.of(toTry, after.world()).reach())
        .containsKey(new ActionId("own.fill-down"));
    assertThat(after.current()).isEqualTo(HERE.current());
  }

  @Test
  void eachRefusalSaysItsLineAndReason() {
    IntakePlan plan =
        BindingIntake.plan(
            HERE,
            List.of(
                row(2, "", "", "Save", "F2"),
                row(3, "Editor", "", "", "F2"),
                row(4, "Editor", "", "Save", ""),
                row(5, "Editor", "", "Save", "Ctrl+Foo"),
                row(6, "New\u0007one", "", "Save", "F2"),
                row(7, "Newer", "", "Save", "Ctrl+"),
                row(8, "x".repeat(500), "", "Save", "F2")),
            List.of(new Refused(9, "a,b", "The line has 2 fields, the header 4.")));
    assertThat(plan.taken()).isEmpty();
    assertThat(plan.refused())
        .extracting(Refused::line)
        .containsExactlyInAnyOrder(2, 3, 5, 6, 7, 8, 9);
    assertThat(plan.reading().without()).extracting(RequestedRow::line).containsExactly(4);
    assertThat(plan.refused())
        .filteredOn(r -> r.line() == 5)
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("Column 6", "Foo"));
    // Nothing is left behind of what was refused: no empty environment, no action.
    assertThat(plan.change().after().catalog().environments())
        .isEqualTo(HERE.catalog().environments());
    assertThat(plan.change().after().setups()).isEqualTo(HERE.setups());
  }

  @Test
  void theTitleSaysHowMany() {
    assertThat(plan(row(2, "Editor", "", "Save", "F12")).change().title())
        .isEqualTo("Bring in 1 binding");
    assertThat(
            plan(row(2, "Editor", "", "Save", "F12"), row(3, "Editor", "", "Save", "F11"))
                .change()
                .title())
        .isEqualTo("Bring in 2 bindings");
  }

  /** A dash before the action takes it off: a platform's is switched off, an application's goes. */
  @Test
  void anEntryThatRemovesIsASwitchOff() {
    IntakePlan plan =
        plan(
            row(2, "Editor", "", "-Save", "Ctrl+S"),
            new RequestedRow(3, "Desk", true, "", "-Lock", "Meta+L"),
            row(4, "Editor", "", "-Nothing we know", "F9"));
    assertThat(plan.taken()).isEmpty();
    assertThat(plan.changesSomething()).isTrue();
    assertThat(plan.reading().unbound())
        .extracting(u -> u.row().line() + ":" + u.bindings().size())
        .containsExactly("2:1", "3:1", "4:0");
    Workspace after = plan.change().after();
    assertThat(after.catalog().bindings(new EnvironmentId("Editor")))
        .hasSize(HERE.catalog().bindings(new EnvironmentId("Editor")).size() - 1);
    assertThat(after.setups().values())
        .allSatisfy(s -> assertThat(s.machine().switchedOff()).hasSize(1));
  }

  @Test
  void ofSeveralSystemsTheFirstIsTakenOrTheOnesThatAreWanted() {
    RequestedRow[] rows = {
      row(2, "Editor", "", "Keep", "Ctrl/Cmd+T"),
      row(3, "Editor", "", "Drop", "⌘D / Ctrl+D"),
      row(4, "Editor", "", "Both", "F8")
    };
    IntakePlan first = plan(rows);
    assertThat(first.taken())
        .extracting(t -> t.gesture().toString())
        .containsExactly("Ctrl+T", "Ctrl+D", "F8");
    assertThat(first.reading().systems())
        .isEqualTo(
            Map.of("Ctrl", new OfSystem(2, false, true), "Meta", new OfSystem(2, false, false)));
    assertThat(first.reading().passed()).isEqualTo(2);
    assertThat(first.reading().rules().get(CellRule.SYSTEMS))
        .isEqualTo(new IntakeReading.Example(2, "Ctrl/Cmd+T", "Ctrl+T, Meta+T"));
    IntakeRequest request = IntakeRequest.of(Optional.empty(), List.of(rows), List.of());
    IntakePlan wanted =
        BindingIntake.plan(
            HERE, request.in(new IntakeRequest.Ways(Map.of(), Set.of("Meta"), true)));
    assertThat(wanted.taken())
        .extracting(t -> t.gesture().toString())
        .containsExactly("Meta+T", "Meta+D", "F8");
  }

  private static RequestedRow of(String system, int line, String action, String keys) {
    return new RequestedRow(line, "Editor", false, "", action, keys, "", system, "", false);
  }

  /** By environment, of a list with systems in columns, in cells, and lines for all of them. */
  private static Map<String, List<String>> takenWanting(String... systems) {
    List<RequestedRow> rows =
        List.of(
            of("Elm", 2, "Keep", "Ctrl+T"),
            of("Fir", 2, "Keep", "Alt+T"),
            of("Elm", 3, "Only there", ""),
            of("Fir", 3, "Only there", "Alt+Y"),
            of("", 4, "Drop", "Ctrl/Cmd+D"),
            of("", 5, "Both", "F8"));
    IntakePlan plan =
        BindingIntake.plan(
            HERE,
            IntakeRequest.of(Optional.empty(), rows, List.of())
                .in(new IntakeRequest.Ways(Map.of(), Set.of(systems), true)));
    Map<String, List<String>> all = new TreeMap<>();
    plan.taken()
        .forEach(
            t ->
                all.computeIfAbsent(t.row().environment(), _ -> new ArrayList<>())
                    .add(t.gesture().toString()));
    return all;
  }

  @Test
  void systemsOfColumnsAndOfCellsAreWantedApart() {
    assertThat(takenWanting()).isEqualTo(Map.of("Editor", List.of("Ctrl+T", "Ctrl+D", "F8")));
    assertThat(takenWanting("Fir"))
        .isEqualTo(Map.of("Editor", List.of("Alt+T", "Alt+Y", "Ctrl+D", "F8")));
    assertThat(takenWanting("Meta")).isEqualTo(Map.of("Editor", List.of("Ctrl+T", "Meta+D", "F8")));
    assertThat(takenWanting("Elm", "Fir"))
        .isEqualTo(
            Map.of(
                "Editor (Elm)", List.of("Ctrl+T", "Ctrl+D", "F8"),
                "Editor (Fir)", List.of("Alt+T", "Alt+Y", "Ctrl+D", "F8")));
    assertThat(takenWanting("Elm", "Fir", "Meta"))
        .isEqualTo(
            Map.of(
                "Editor (Elm)", List.of("Ctrl+T", "Meta+D", "F8"),
                "Editor (Fir)", List.of("Alt+T", "Alt+Y", "Meta+D", "F8")));
  }

  @Test
  void anUnbindingOfAContextLeavesTheOthers() {
    IntakePlan elsewhere = plan(row(2, "Editor", "tree", "-Join lines", "Ctrl+J"));
    assertThat(elsewhere.changesSomething()).isFalse();
    IntakePlan there = plan(row(2, "Editor", "Text", "-Join lines", "Ctrl+J"));
    assertThat(there.reading().unbound())
        .singleElement()
        .extracting(u -> u.bindings().size())
        .isEqualTo(1);
    IntakePlan anywhere = plan(row(2, "Editor", "", "-Join lines", "Ctrl+J"));
    assertThat(anywhere.change().after().catalog().bindings(new EnvironmentId("Editor")))
        .isEqualTo(there.change().after().catalog().bindings(new EnvironmentId("Editor")));
  }

  @Test
  void whatCanMeanTwoThingsIsAskedAndALongTitleIsKeptInTheNote() {
    RequestedRow chord = row(2, "Editor", "", "Chord", "Ctrl+K, Ctrl+S");
    RequestedRow partly = row(3, "Editor", "", "Partly", "F7 or the menu");
    RequestedRow story = row(4, "Editor", "", "Fold it. " + "And so on. ".repeat(40), "F6");
    IntakePlan plan = plan(chord, partly, story);
    assertThat(plan.reading().asked())
        .singleElement()
        .satisfies(a -> assertThat(a.choice()).isEqualTo(ReadingChoice.COMMAS));
    assertThat(plan.reading().partly())
        .singleElement()
        .satisfies(p -> assertThat(p.unread()).containsExactly("the menu"));
    assertThat(plan.refused()).isEmpty();
    assertThat(plan.change().after().catalog().action(new ActionId("own.fold-it"))).isPresent();
    assertThat(plan.change().after().catalog().bindings(new EnvironmentId("Editor")).getLast())
        .satisfies(b -> assertThat(b.remarks().note()).startsWith("Fold it. And so on. And"));
  }

  @Provide
  Arbitrary<RequestedRow> rows() {
    Arbitrary<String> names =
        Arbitraries.of("Editor", "New", "desk", "", " New ", "Ünï", "a-b", "a b");
    Arbitrary<String> gestures = Arbitraries.of("Ctrl+S", "F2", "Ctrl+", "A B", "Meta+{1..3}", "");
    return Combinators.combine(
            Arbitraries.integers().between(2, 999),
            names,
            Arbitraries.of(true, false),
            names,
            names,
            gestures)
        .as(RequestedRow::new);
  }

  @Property
  void everyLineHasOneFateAndBringingInTwiceChangesNothing(
      @ForAll List<@From("rows") RequestedRow> rows) {
    IntakePlan first = BindingIntake.plan(HERE, rows, List.of());
    assertThat(
            first.taken().size()
                + first.known().size()
                + first.refused().size()
                + first.reading().without().size())
        .isEqualTo(rows.size());
    assertThat(first.change().after().catalog().size())
        .isEqualTo(HERE.catalog().size() + first.taken().size());
    IntakePlan second = BindingIntake.plan(first.change().after(), rows, List.of());
    assertThat(second.taken()).isEmpty();
    assertThat(second.refused()).hasSameSizeAs(first.refused());
  }

  @Test
  void everyContextThatALineNamesIsThereAfterwards() {
    IntakePlan plan =
        plan(
            row(2, "Editor", "Ruler", "Turn", "F2"),
            row(3, "Editor", "Margin", "Turn", "F3"),
            row(4, "Prop list", "Shelf", "Turn", "F4"),
            row(5, "Prop list", "Drawer", "Turn", "F5"),
            row(6, "Prop list", "ruler", "Turn", "F6"),
            row(7, "Lost", "Attic", "Turn", "no such key"));
    Workspace after = plan.change().after();
    assertThat(after.catalog().environment(new EnvironmentId("Editor")).orElseThrow().contexts())
        .extracting(Context::title)
        .contains("anywhere", "text", "Ruler", "Margin");
    Environment made =
        after.catalog().environments().stream()
            .filter(e -> e.title().equals("Prop list"))
            .findFirst()
            .orElseThrow();
    assertThat(made.contexts())
        .extracting(Context::title)
        .containsExactly("anywhere", "Shelf", "Drawer", "ruler");
    assertThat(after.catalog().bindings(made.id()))
        .extracting(b -> made.context(b.context()).orElseThrow().title())
        .containsExactly("Shelf", "Drawer", "ruler");
    assertThat(after.catalog().environments()).noneMatch(e -> e.title().equals("Lost"));
  }

  /** Every line changed, in whatever order: each is paired with what it was, and nothing else. */
  @Property(tries = 50)
  void linesThatChangedArePairedWithWhatTheyWere(@ForAll long seed) {
    Random random = new Random(seed);
    List<RequestedRow> rows = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      rows.add(row(i, "Editor", "", "Thing " + i % 8, "Ctrl+Alt+%c".formatted('A' + i)));
    }
    Workspace with =
        BindingIntake.plan(HERE, IntakeRequest.of(Optional.of("l"), rows, List.of()))
            .change()
            .after();
    List<RequestedRow> changed = new ArrayList<>();
    for (RequestedRow r : rows) {
      if (random.nextInt(4) > 0) {
        changed.add(row(r.line(), "Editor", "", r.action(), r.gesture().replace("Alt", "Shift")));
      }
    }
    Collections.shuffle(changed, random);
    IntakePlan plan =
        BindingIntake.plan(with, IntakeRequest.of(Optional.of("l"), changed, List.of()));
    assertThat(plan.changed()).hasSize(changed.size());
    assertThat(plan.gone()).hasSize(rows.size() - changed.size());
    Map<String, List<String>> before = new HashMap<>();
    rows.forEach(r -> before.computeIfAbsent(r.action(), _ -> new ArrayList<>()).add(r.gesture()));
    for (IntakePlan.Changed c : plan.changed()) {
      // Of several of one action the first that went is taken first.
      assertThat(before.get(c.row().action()).removeFirst()).isEqualTo(c.before().toString());
    }
    assertThat(plan.taken()).isEmpty();
  }

  @Test
  void historyUndoesAndRedoesInOrder() {
    History history = new History();
    Change one = new Change.Edit("one", Workspace.EMPTY, HERE);
    Change two = plan(row(2, "Editor", "", "Save", "F12")).change();
    history.made(one);
    history.made(two);
    assertThat(history.toUndo()).contains(two);
    history.undid();
    assertThat(history.toUndo()).contains(one);
    assertThat(history.toRedo()).contains(two);
    history.redid();
    history.undid();
    history.made(one);
    assertThat(history.toRedo()).isEmpty();
    for (int i = 0; i < 2 * History.KEPT; i++) {
      history.made(one);
    }
    int undone = 0;
    while (history.toUndo().isPresent()) {
      history.undid();
      undone++;
    }
    assertThat(undone).isEqualTo(History.KEPT);
    assertThat(((Change.Edit) two).reversed().after()).isEqualTo(HERE);
  }

  @Test
  void aChoiceThatIsGoneFallsBackToTheFirstSetup() {
    Workspace gone = HERE.using(Optional.of(new SetupId("nowhere")));
    assertThat(gone.current()).contains(new SetupId("setup"));
    assertThat(Workspace.EMPTY.setup()).isEmpty();
    assertThat(
            new Workspace(
                    HERE.world(),
                    Map.of(),
                    HERE.current(),
                    Remembered.NOTHING,
                    HERE.learning(),
                    HERE.accepted(),
                    HERE.mouse(),
                    HERE.fitting())
                .current())
        .isEmpty();
  }

  @Test
  void aNewerVersionOfAListIsComparedWithTheOneBefore() {
    RequestedRow save = row(2, "Editor", "", "Save twice", "F5 or Ctrl+F5 (since 2)");
    RequestedRow count = row(3, "Editor", "", "Count the props", "F6");
    RequestedRow old = row(4, "Editor", "", "Light the lamp", "F7");
    IntakeRequest first =
        IntakeRequest.of(Optional.of("list.csv"), List.of(save, count, old), List.of());
    Workspace with = BindingIntake.plan(HERE, first).change().after();
    assertThat(with.catalog().bindings(new EnvironmentId("Editor")))
        .filteredOn(b -> b.gesture().toString().equals("Ctrl+F5"))
        .singleElement()
        .satisfies(b -> assertThat(b.when().since()).isPresent());
    RequestedRow moved = row(3, "Editor", "", "Count the props", "Shift+F6");
    IntakeRequest second =
        IntakeRequest.of(Optional.of("list.csv"), List.of(save, moved), List.of());
    IntakePlan plan = BindingIntake.plan(with, second);
    assertThat(plan.taken()).isEmpty();
    assertThat(plan.changed())
        .singleElement()
        .satisfies(
            c -> {
              assertThat(c.before().toString()).isEqualTo("F6");
              assertThat(c.gesture().toString()).isEqualTo("Shift+F6");
            });
    assertThat(plan.gone())
        .singleElement()
        .satisfies(g -> assertThat(g.binding().gesture().toString()).isEqualTo("F7"));
    assertThat(gestures(plan)).contains("F7", "Shift+F6").doesNotContain("F6");
    assertThat(gestures(BindingIntake.plan(with, second.dropGone(true)))).doesNotContain("F7");
    IntakePlan other =
        BindingIntake.plan(with, IntakeRequest.of(Optional.of("b"), List.of(moved), List.of()));
    assertThat(other.gone()).as("another list says nothing of this one").isEmpty();
    assertThat(other.taken()).hasSize(1);
  }

  private static List<String> gestures(IntakePlan plan) {
    return plan.change().after().catalog().bindings(new EnvironmentId("Editor")).stream()
        .map(b -> b.gesture().toString())
        .toList();
  }

  @Test
  void titlesThatResembleAKnownOneAreProposedConfirmedAndRemembered() {
    RequestedRow row = row(2, "Editor", "text", "Joining two lines", "F9");
    IntakeRequest request = IntakeRequest.of(Optional.empty(), List.of(row), List.of());
    IntakePlan asked = BindingIntake.plan(HERE, request);
    assertThat(asked.proposals())
        .singleElement()
        .satisfies(p -> assertThat(p.matches().getFirst().action().id()).hasToString("Join lines"));
    assertThat(asked.change().after().catalog().actions())
        .hasSize(HERE.catalog().actions().size() + 1);
    IntakePlan meant =
        BindingIntake.plan(
            HERE, request.meaning(Map.of("Joining two lines", new ActionId("Join lines"))));
    assertThat(meant.proposals()).isEmpty();
    Workspace after = meant.change().after();
    assertThat(after.catalog().actions()).isEqualTo(HERE.catalog().actions());
    IntakePlan again =
        BindingIntake.plan(
            after, List.of(row(2, "Editor", "text", "joining  two lines", "F10")), List.of());
    assertThat(again.proposals()).as("it was said once").isEmpty();
    assertThat(
            again
                .change()
                .after()
                .catalog()
                .bindings(new EnvironmentId("Editor"), new ActionId("Join lines")))
        .hasSize(3);
    assertThat(BindingIntake.plan(HERE, request.sureFrom(0.7)).proposals()).isEmpty();
  }

  @Test
  void theSameWordsAreTheSameActionUnlessSomeoneSaysNo() {
    RequestedRow row = row(2, "Editor", "text", "Lines: join", "F9");
    IntakeRequest request = IntakeRequest.of(Optional.empty(), List.of(row), List.of());
    IntakePlan taken = BindingIntake.plan(HERE, request);
    assertThat(taken.recognised())
        .singleElement()
        .satisfies(p -> assertThat(p.matches().getFirst().sure()).isTrue());
    assertThat(taken.proposals()).isEmpty();
    assertThat(taken.change().after().catalog().actions()).isEqualTo(HERE.catalog().actions());
    IntakePlan two = BindingIntake.plan(HERE, request.apart(Set.of("Lines: join")));
    assertThat(two.recognised()).isEmpty();
    assertThat(two.proposals()).hasSize(1);
    assertThat(two.change().after().catalog().actions())
        .hasSize(HERE.catalog().actions().size() + 1);
  }

  /** A program that has both tells them apart, whichever comes first; two programs don't. */
  @Test
  void titlesThatAProgramTellsApartAreAsked() {
    RequestedRow one = row(2, "Editor", "", "Lines: join", "F9");
    RequestedRow other = row(3, "Editor", "", "Join the lines", "F10");
    RequestedRow elsewhere = row(4, "Star chart", "", "Join the lines", "F10");
    assertThat(plan(one, other).recognised()).isEmpty();
    assertThat(plan(one, other).proposals()).hasSize(2);
    assertThat(plan(other, one).proposals()).hasSize(2);
    assertThat(plan(one, row(3, "Editor", "", "Join lines", "F10")).proposals()).hasSize(1);
    assertThat(plan(one, elsewhere).recognised()).hasSize(2);
  }
}
