package polydex.computer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import polydex.boards.Keyboards;
import polydex.boards.Layout;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuForm;
import polydex.catalog.MenuKeys;
import polydex.computer.Program.Entry;
import polydex.computer.Program.Sort;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.Person;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListSubject;
import polydex.intake.SubjectGuess;
import polydex.keys.Key;
import polydex.mouse.Walk;
import polydex.route.Machine;
import polydex.route.Remap;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;
import polydex.workspace.Workspace;

class ComputerIntakeTest {
  private static final String STAND_IN = SubjectGuess.STAND_IN.value();

  /** A new file: one plain computer, with actions that the whole trade shares. */
  private static Workspace fresh() {
    World world =
        new Worlds()
            .platform(STAND_IN, Worlds.plain())
            .app("Shared", "Ctrl+S = Save", "Ctrl+C = Copy")
            .build();
    Setup setup = Worlds.setup(Worlds.machine(STAND_IN, new Machine.Bare()));
    return Workspace.of(
        world.catalog(),
        List.copyOf(world.boards().values()),
        List.of(Keyboards.US),
        List.of(setup));
  }

  private static Finding keys(String id, ListSubject about, String environment, String... lines) {
    List<RequestedRow> rows = new ArrayList<>();
    for (String line : lines) {
      String[] parts = line.split(" = ");
      RequestedRow row =
          new RequestedRow(
              rows.size() + 1,
              environment,
              about != ListSubject.APPLICATION,
              "",
              parts[1],
              parts[0],
              about == ListSubject.OWN ? "Runs it" : "");
      rows.add(about == ListSubject.OWN ? row.asOwn() : row);
    }
    return new Finding(
        id,
        environment,
        "",
        new Finding.Keys(about, environment, rows, List.of()),
        List.of(),
        true);
  }

  private static Finding desktop(String... lines) {
    return keys("settings:rowan", ListSubject.DESKTOP, "Rowan", lines);
  }

  private static Finding own(String... lines) {
    return keys("settings:own", ListSubject.OWN, "", lines);
  }

  private static Entry entry(String title, String access, String accelerator) {
    return new Entry(
        title,
        Optional.of(access).filter(a -> !a.isEmpty()),
        Optional.of(accelerator).filter(a -> !a.isEmpty()),
        Sort.COMMAND,
        false,
        List.of());
  }

  private static Entry menu(String title, String access, Entry... items) {
    return new Entry(
        title, Optional.of(access), Optional.empty(), Sort.MENU, false, List.of(items));
  }

  private static Finding program(String title, Entry... menus) {
    Program program =
        new Program(
            title,
            Arrays.asList(menus),
            List.of(List.of("Tool bar", "Play")),
            List.of("Find"),
            true,
            true);
    return new Finding(
        "program:" + title, title, "", new Finding.Running(program), List.of(), true);
  }

  private static final Finding DESKTOP =
      desktop(
          "<Super>l = Lock the screen",
          "<Primary><Alt>Right = Go to the next workspace",
          "<Alt>F4 = Close the window");
  private static final Finding NOTES =
      program(
          "Dome Notes",
          menu("File", "f", entry("Save", "s", "<Primary>s"), entry("Print", "p", "")),
          menu(
              "Go",
              "g",
              entry("Next Act", "n", "<Primary><Alt>Right"),
              menu("Align", "a", entry("Left", "l", "<Alt>1")),
              menu("Jump", "j", entry("Left", "l", "<Alt>2"))));

  private static ComputerPlan plan(Workspace before, String title, Finding... findings) {
    return ComputerIntake.plan(
        before, new FoundComputer(title, List.of(findings)), ComputerIntake.Wishes.HERE);
  }

  private static Workspace after(Workspace before, String title, Finding... findings) {
    return plan(before, title, findings).change().after();
  }

  private static Environment environment(Workspace workspace, String title) {
    return workspace.catalog().environments().stream()
        .filter(e -> e.title().equals(title))
        .findFirst()
        .orElseThrow();
  }

  private static List<String> titles(Workspace workspace, List<Binding> bindings) {
    return bindings.stream()
        .map(b -> b.gesture() + " " + workspace.catalog().title(b.action()))
        .toList();
  }

  private static List<Setup> running(Workspace workspace, String title) {
    return workspace.setups().values().stream()
        .filter(
            s -> s.machine().application().equals(Optional.of(environment(workspace, title).id())))
        .toList();
  }

  @Test
  void aFirstReadingMakesTheNewFilesComputerThisOneAndItsConflictsAreFoundAndTraced() {
    Workspace now = after(fresh(), "laptop", DESKTOP, own("<Super>n = Tonight"), NOTES);
    assertThat(now.setups().values())
        .allSatisfy(
            s -> {
              assertThat(s.machine().title()).isEqualTo("laptop");
              assertThat(s.machine().platform()).isEqualTo(environment(now, "Rowan").id());
              // One's own bindings are on the computer in whatever setup it stands.
              assertThat(titles(now, s.machine().own())).containsExactly("Meta+N Tonight");
            });
    Setup setup = running(now, "Dome Notes").getFirst();
    SetupTraces traces = SetupTraces.of(setup, now.world());
    assertThat(ConflictFinder.find(traces, Person.of(_ -> 1)))
        .filteredOn(c -> c.kind() == Conflict.Kind.INTERCEPTED)
        .singleElement()
        .satisfies(
            c -> {
              assertThat(c.loser().gesture()).hasToString("Ctrl+Alt+Right");
              assertThat(traces.tracer().trace(c.loser().gesture()).outcome().toString())
                  .contains(environment(now, "Rowan").id().value());
            });
  }

  @Test
  void menusAccessKeysAndWhatIsPointedAtAreTakenWhole() {
    Workspace now = after(fresh(), "laptop", DESKTOP, NOTES);
    Environment notes = environment(now, "Dome Notes");
    assertThat(titles(now, now.catalog().bindings(notes.id())))
        .containsExactlyInAnyOrder(
            "Ctrl+S Save", "Ctrl+Alt+Right Next Act", "Alt+1 Align: Left", "Alt+2 Jump: Left");
    // What the whole trade shares is the action that is known.
    assertThat(now.catalog().bindings(notes.id()))
        .extracting(Binding::action)
        .contains(new ActionId("Save"));
    Environment.Platform rowan = environment(now, "Rowan").platform().orElseThrow();
    assertThat(rowan.menuForms()).containsExactly(MenuForm.HELD);
    assertThat(titles(now, MenuKeys.of(notes, rowan)))
        .containsExactly(
            "Alt+F S Save",
            "Alt+F P Print",
            "Alt+G N Next Act",
            "Alt+G A L Align: Left",
            "Alt+G J L Jump: Left");
    ActionId print = action(now, "Print");
    assertThat(Walk.to(print, notes).orElseThrow().path()).containsExactly("File", "Print");
    assertThat(notes.pointerRoutes())
        .extracting(Environment.PointerRoute::path)
        .containsExactly(List.of("Tool bar", "Play"));
    assertThat(notes.tabOrder()).extracting(Environment.Control::title).containsExactly("Find");
  }

  private static ActionId action(Workspace workspace, String title) {
    return workspace.catalog().actions().stream()
        .filter(a -> a.title().equals(title))
        .map(Action::id)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aSecondReadingChangesNothingAndALaterOneSaysWhatIsNewChangedAndGone() {
    Finding[] all = {DESKTOP, own("<Super>n = Tonight", "<Super>m = Map"), NOTES};
    Workspace first = after(fresh(), "laptop", all);
    ComputerPlan again = plan(first, "laptop", all);
    assertThat(again.changesSomething()).isFalse();
    assertThat(again.change().after()).isEqualTo(first);

    ComputerPlan later =
        plan(
            first,
            "laptop",
            desktop(
                "<Super><Shift>l = Lock the screen",
                "<Primary><Alt>Right = Go to the next workspace",
                "<Super>w = Show all windows"),
            own("<Super>k = Tonight"));
    assertThat(later.parts())
        .extracting(ComputerPlan.Part::taken, ComputerPlan.Part::changed, ComputerPlan.Part::gone)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple(1, 1, 1),
            org.assertj.core.groups.Tuple.tuple(0, 1, 1));
    Workspace kept = later.change().after();
    assertThat(titles(kept, kept.setup().orElseThrow().machine().own()))
        .containsExactlyInAnyOrder("Meta+M Map", "Meta+K Tonight");
    // What was not looked at this time loses nothing.
    assertThat(kept.catalog().bindings(environment(kept, "Dome Notes").id())).hasSize(4);

    Workspace dropped =
        ComputerIntake.plan(
                kept,
                new FoundComputer("laptop", List.of(own("<Super>k = Tonight"))),
                ComputerIntake.Wishes.HERE.droppingGone(true))
            .change()
            .after();
    assertThat(titles(dropped, dropped.setup().orElseThrow().machine().own()))
        .containsExactly("Meta+K Tonight");
  }

  @Test
  void aMenuThatIsNotSeenThisTimeStaysAndOneThatIsTakesItsPlace() {
    Workspace first = after(fresh(), "laptop", NOTES);
    Workspace unseen = after(first, "laptop", program("Dome Notes"));
    assertThat(environment(unseen, "Dome Notes").menus()).hasSize(2);
    Workspace other =
        after(first, "laptop", program("Dome Notes", menu("File", "f", entry("Save", "v", ""))));
    assertThat(environment(other, "Dome Notes").menus())
        .singleElement()
        .satisfies(m -> assertThat(m.items().getFirst().accessKey()).contains("v"));
  }

  @Test
  void theKeyboardOfAComputerIsReadIntoAllItsSetups() {
    Remap moved =
        new Remap(
            Finding.Keyboard.SETTING + "x",
            Optional.empty(),
            List.of(),
            List.of(
                new Remap.KeyRule(
                    new Remap.KeyPart(Key.CapsLock), Optional.of(new Remap.KeyPart(Key.Escape)))));
    Layout layout = new Layout("xkb:xx", "Another", Keyboards.CENTRAL.symbols());
    Workspace before = after(fresh(), "laptop", NOTES);
    Finding keyboard =
        new Finding(
            "keyboard",
            "Keyboard",
            "",
            new Finding.Keyboard(layout, List.of(), List.of(moved)),
            List.of(),
            true);
    Workspace now = after(before, "laptop", keyboard);
    assertThat(now.setups().values())
        .hasSize(2)
        .allSatisfy(
            s -> {
              assertThat(s.machine().layout()).isEqualTo("xkb:xx");
              assertThat(s.machine().remaps()).containsExactly(moved);
            });
    assertThat(plan(now, "laptop", keyboard).changesSomething()).isFalse();
    Layout same = new Layout("xkb:us", "The same by another name", Keyboards.US.symbols());
    Finding known =
        new Finding(
            "keyboard",
            "Keyboard",
            "",
            new Finding.Keyboard(same, List.of(), List.of()),
            List.of(),
            true);
    assertThat(after(now, "laptop", known).setup().orElseThrow().machine().layout())
        .isEqualTo(Keyboards.US.id());
    // A setting that was taken back goes, and a remap of one's own stays.
    Remap mine = new Remap("mine", Optional.empty(), List.of(), moved.keyRules());
    Setup current = now.setup().orElseThrow();
    Workspace with = now.with(current.on(current.machine().withRemaps(List.of(moved, mine))));
    Finding plain =
        new Finding(
            "keyboard",
            "Keyboard",
            "",
            new Finding.Keyboard(layout, List.of(), List.of()),
            List.of(),
            true);
    assertThat(after(with, "laptop", plain).setup().orElseThrow().machine().remaps())
        .containsExactly(mine);
  }

  @Test
  void anotherComputerIsAMachineOfItsOwnAndItsDesktopIsNotMixedWithAnotherOne() {
    Workspace here = after(fresh(), "laptop", DESKTOP, NOTES);
    FoundComputer desk =
        new FoundComputer(
            "desk", List.of(desktop("<Super>k = Lock the screen"), own("F9 = Lamps"), NOTES));
    Workspace now =
        ComputerIntake.plan(here, desk, ComputerIntake.Wishes.ELSEWHERE).change().after();
    assertThat(now.current()).isEqualTo(here.current());
    assertThat(titles(now, now.catalog().bindings(environment(now, "Rowan").id()))).hasSize(3);
    assertThat(titles(now, now.catalog().bindings(environment(now, "Rowan on desk").id())))
        .containsExactly("Meta+K Lock the screen");
    // Each computer has the application that runs on both.
    assertThat(running(now, "Dome Notes"))
        .extracting(s -> s.machine().title(), s -> s.machine().own().size())
        .containsExactlyInAnyOrder(
            org.assertj.core.groups.Tuple.tuple("laptop", 0),
            org.assertj.core.groups.Tuple.tuple("desk", 1));
    assertThat(ComputerIntake.plan(now, desk, ComputerIntake.Wishes.ELSEWHERE).changesSomething())
        .isFalse();
  }

  /**
   * Where nothing stands in for a desktop any more, a new computer does not get somebody else's.
   */
  @Test
  void aNewComputerBesideOthersHasADesktopOfItsOwn() {
    Workspace here = after(fresh(), "laptop", DESKTOP);
    Workspace without = here.with(here.catalog().without(SubjectGuess.STAND_IN));
    int rowan = without.catalog().bindings(environment(without, "Rowan").id()).size();
    Workspace now = after(without, "desk", desktop("<Super>k = Lock the screen"), NOTES);
    assertThat(now.catalog().bindings(environment(now, "Rowan").id())).hasSize(rowan);
    assertThat(now.setup().orElseThrow().machine().platform())
        .isEqualTo(environment(now, "Rowan on desk").id());
    assertThat(now.catalog().environment(SubjectGuess.STAND_IN)).isEmpty();
    // One of which nothing but its programs was found stands on the plain one, by itself.
    Workspace bare = after(without, "tablet", NOTES);
    assertThat(bare.setup().orElseThrow().machine().platform()).isEqualTo(SubjectGuess.STAND_IN);
    Workspace both = after(bare, "desk", desktop("<Super>k = Lock the screen"));
    assertThat(running(both, "Dome Notes").getFirst().machine().platform())
        .isEqualTo(SubjectGuess.STAND_IN);
  }

  /** It is installed and does not run: its keys are not those of the desktop that does. */
  @Test
  void anotherDesktopThatIsInstalledIsAPlatformOfItsOwn() {
    Finding asFound = keys("settings:sorrel", ListSubject.DESKTOP, "Sorrel", "<Super>k = Keep");
    Finding another =
        new Finding(
            asFound.id(), asFound.title(), asFound.where(), asFound.what(), List.of(), false);
    Workspace now = after(fresh(), "laptop", DESKTOP, another);
    assertThat(titles(now, now.catalog().bindings(environment(now, "Rowan").id()))).hasSize(3);
    assertThat(titles(now, now.catalog().bindings(environment(now, "Sorrel").id())))
        .containsExactly("Meta+K Keep");
    assertThat(now.setup().orElseThrow().machine().platform())
        .isEqualTo(environment(now, "Rowan").id());
    // Read again it goes where it went, and so it does when its platform has another name.
    assertThat(plan(now, "laptop", DESKTOP, another).changesSomething()).isFalse();
    Environment renamed = environment(now, "Sorrel").titled("The old desktop");
    Workspace other = now.with(now.catalog().with(List.of(), List.of(renamed), Map.of()));
    assertThat(plan(other, "laptop", DESKTOP, another).changesSomething()).isFalse();
  }

  /** A folder gives a program's name in other letters than the program itself. */
  @Test
  void theCaseOfAProgramsNameTellsNothingApart() {
    Finding file =
        keys("file:notes", ListSubject.APPLICATION, "Dome notes", "<Primary>s = File save");
    Workspace kept = after(fresh(), "laptop", DESKTOP, file);
    Workspace now = after(kept, "laptop", NOTES);
    Environment notes = environment(now, "Dome notes");
    assertThat(titles(now, now.catalog().bindings(notes.id())))
        .contains("Ctrl+S Save")
        .doesNotContain("Ctrl+S File save");
    assertThat(now.catalog().environments())
        .filteredOn(e -> e.title().equalsIgnoreCase("dome notes"))
        .hasSize(1);
    assertThat(now.setups().values())
        .filteredOn(s -> s.machine().application().equals(Optional.of(notes.id())))
        .hasSize(1);
  }

  @Test
  void whatAProgramShowsTakesThePlaceOfWhatItKeepsInAFile() {
    Finding file =
        keys("file:notes", ListSubject.APPLICATION, "Dome Notes", "<Primary>s = File save");
    Workspace kept = after(fresh(), "laptop", file);
    assertThat(titles(kept, kept.catalog().bindings(environment(kept, "Dome Notes").id())))
        .containsExactly("Ctrl+S File save");
    Workspace now = after(kept, "laptop", NOTES);
    assertThat(titles(now, now.catalog().bindings(environment(now, "Dome Notes").id())))
        .contains("Ctrl+S Save")
        .doesNotContain("Ctrl+S File save");
    FoundComputer both = new FoundComputer("laptop", List.of(file, NOTES));
    assertThat(both.suggests(file)).isFalse();
    assertThat(both.suggests(NOTES)).isTrue();
  }

  @Test
  void documentsInMenusAreLeftUnlessTheyAreWanted() {
    Entry recent =
        new Entry("a.cue", Optional.empty(), Optional.empty(), Sort.DOCUMENT, false, List.of());
    Finding notes = program("Dome Notes", menu("File", "f", entry("Save", "s", ""), recent));
    assertThat(
            environment(after(fresh(), "laptop", notes), "Dome Notes").menus().getFirst().items())
        .hasSize(1);
    Workspace with =
        ComputerIntake.plan(
                fresh(),
                new FoundComputer("laptop", List.of(notes)),
                ComputerIntake.Wishes.HERE.withDocuments(true))
            .change()
            .after();
    assertThat(environment(with, "Dome Notes").menus().getFirst().items()).hasSize(2);
  }

  @Test
  void nothingAtAllIsNoChangeAndNoComputerHasTwoFindingsOfOneId() {
    ComputerPlan none = plan(fresh(), "laptop", keys("x", ListSubject.APPLICATION, "Empty"));
    assertThat(none.changesSomething()).isFalse();
    assertThat(none.change().after()).isEqualTo(none.change().before());
    assertThatThrownBy(() -> new FoundComputer("laptop", List.of(DESKTOP, DESKTOP)))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
