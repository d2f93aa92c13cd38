package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Platform;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.Person;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.intake.BindingIntake;
import polydex.intake.IntakeRequest.Ways;
import polydex.intake.ListSubject;
import polydex.intake.SubjectGuess;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.workspace.Workspace;

/** A new file, and the lists of a person's own computer: what each is taken to be about. */
class ListSubjectTest {
  private static final String WINDOWS =
      """
      <schemalist><schema id="net.oak.wm.keybindings">
      <key name="switch-windows" type="as"><default>['&lt;Super&gt;Tab']</default><summary>Switch windows</summary></key>
      <key name="minimize" type="as"><default>['&lt;Super&gt;h']</default><summary>Minimize window</summary></key>
      <key name="lock" type="as"><default>['&lt;Super&gt;l']</default><summary>Lock the screen</summary></key>
      <key name="up" type="as"><default>['&lt;Control&gt;&lt;Alt&gt;Up']</default><summary>To the workspace above</summary></key>
      </schema></schemalist>
      """;
  private static final String SOUND =
      """
      net.oak.media volume-up ['XF86AudioRaiseVolume']
      net.oak.media volume-mute ['XF86AudioMute']
      net.oak.media screenshot ['<Shift>Print']
      net.ash.text-editor save-all ['<Control><Shift>s']
      net.ash.text-editor join-lines ['<Control>j']
      net.ash.text-editor zoom-in ['<Control>plus']
      """;
  private static final String CUES =
      "Action,Shortcut\nSecond cursor above,Ctrl+Alt+Up\nJoin the lines,Ctrl+J\nZoom in,Ctrl++\nHide the ruler,Meta+H\n";

  private record Brought(Workspace after, List<SubjectGuess> about) {}

  private static Brought bring(Workspace to, String name, String text, Intake.Said said)
      throws FileProblem {
    Intake intake = Intake.of(to, ListReader.read(name, text), said);
    Workspace known = to.with(intake.remembered());
    return new Brought(
        BindingIntake.plan(known, intake.request()).change().after(), intake.about());
  }

  private static Brought bring(Workspace to, String name, String text) throws FileProblem {
    return bring(to, name, text, Intake.Said.NOTHING);
  }

  private static Intake.Said about(ListSubject subject) {
    return new Intake.Said(
        Optional.empty(),
        Optional.of(subject),
        Optional.empty(),
        Set.of(),
        Set.of(),
        Ways.FOUND_OUT);
  }

  private static List<String> bindings(Workspace of, String title) {
    Environment environment =
        of.catalog().environments().stream()
            .filter(e -> e.title().equals(title))
            .findFirst()
            .orElseThrow();
    return of.catalog().bindings(environment.id()).stream()
        .map(b -> b.gesture().toString())
        .toList();
  }

  private static Environment desktop(Workspace of) {
    return of.setup()
        .map(s -> s.machine().platform())
        .flatMap(of.catalog()::environment)
        .orElseThrow();
  }

  @Test
  void aDesktopsSettingsBecomeTheDesktopUnderTheHands() throws FileProblem {
    Brought brought = bring(Shipped.start(), "net.oak.wm.keybindings.gschema.xml", WINDOWS);
    assertThat(brought.about())
        .containsExactly(
            new SubjectGuess(
                ListSubject.DESKTOP,
                SubjectGuess.THIS_DESKTOP,
                "4 of 4 actions are of windows, workspaces, the screen or starting programs."));
    Environment desktop = desktop(brought.after());
    assertThat(desktop.title()).isEqualTo("This computer's desktop");
    assertThat(desktop.kind()).isInstanceOf(Platform.class);
    Setup before = Shipped.start().setup().orElseThrow();
    assertThat(brought.after().setups().values())
        .singleElement()
        .satisfies(s -> assertThat(s.title()).isEqualTo(before.title()))
        .satisfies(s -> assertThat(s.machine().layout()).isEqualTo(before.machine().layout()));
  }

  @Test
  void severalListsMakeUpOneDesktopAndProgramsAreOfTheirOwn() throws FileProblem {
    Workspace first = bring(Shipped.start(), "wm.gschema.xml", WINDOWS).after();
    Brought brought = bring(first, "settings", SOUND);
    assertThat(brought.about())
        .extracting(a -> a.subject() + " " + a.title())
        .containsExactly("DESKTOP This computer's desktop", "APPLICATION Text editor");
    assertThat(bindings(brought.after(), "This computer's desktop")).hasSize(7);
    assertThat(bindings(brought.after(), "Text editor")).hasSize(3);
    Setup editor =
        brought.after().setups().values().stream()
            .filter(s -> s.title().contains("Text editor"))
            .findFirst()
            .orElseThrow();
    assertThat(editor.machine().platform()).isEqualTo(desktop(brought.after()).id());
  }

  /** In whichever order they come, what stands between the desktop and a program is found. */
  @Test
  void conflictsOfTheDesktopWithAProgramAreFound() throws FileProblem {
    for (boolean desktopFirst : List.of(true, false)) {
      Workspace start = Shipped.start();
      Workspace both =
          desktopFirst
              ? bring(bring(start, "wm.xml", WINDOWS).after(), "cue-room.csv", CUES).after()
              : bring(bring(start, "cue-room.csv", CUES).after(), "wm.xml", WINDOWS).after();
      Setup setup =
          both.setups().values().stream()
              .filter(s -> s.machine().focus() instanceof Machine.Running)
              .findFirst()
              .orElseThrow();
      assertThat(setup.title()).isEqualTo("To try Cue room");
      List<Conflict> found =
          ConflictFinder.find(SetupTraces.of(setup, both.world()), Person.of(_ -> 1));
      assertThat(found.stream().filter(c -> c.kind() == Conflict.Kind.INTERCEPTED))
          .extracting(c -> c.loser().gesture().toString())
          .contains("Ctrl+Alt+Up", "Meta+H")
          .doesNotContain("Ctrl+J");
    }
  }

  @Test
  void bindingsThatTheUserMadeAreTheUsersOwn() throws FileProblem {
    Brought brought =
        bring(
            Shipped.start(),
            "own.dconf",
            """
            [net/oak/custom0]
            binding='<Super>t'
            command='lamp --all'
            name='All the lamps'

            [net/oak/wm]
            switch-windows=['<Super>Tab']
            switch-applications=['<Alt>Tab']
            show-desktop=['<Super>d']
            """);
    assertThat(brought.about())
        .extracting(SubjectGuess::subject)
        .containsExactly(ListSubject.DESKTOP, ListSubject.OWN);
    List<Binding> own = brought.after().setup().orElseThrow().machine().own();
    assertThat(own)
        .singleElement()
        .satisfies(b -> assertThat(b.gesture().toString()).isEqualTo("Meta+T"))
        .satisfies(b -> assertThat(b.remarks().note()).isEqualTo("Runs lamp --all"))
        .satisfies(
            b ->
                assertThat(brought.after().catalog().title(b.action())).isEqualTo("All the lamps"));
    assertThat(bindings(brought.after(), "This computer's desktop")).hasSize(3);
    // Brought in again it is known, and nothing comes twice.
    Workspace again =
        bring(
                brought.after(),
                "other.dconf",
                "[net/oak/custom0]\nbinding='<Super>t'\nname='All the lamps'\n")
            .after();
    assertThat(again.setup().orElseThrow().machine().own()).isEqualTo(own);
  }

  @Test
  void whatIsSaidCountsAndIsRemembered() throws FileProblem {
    Brought said = bring(Shipped.start(), "cue-room.csv", CUES, about(ListSubject.DESKTOP));
    assertThat(said.about().getFirst().why()).isEqualTo("As you said.");
    assertThat(desktop(said.after()).title()).isEqualTo("This computer's desktop");
    Brought again = bring(said.after(), "cue-room.csv", CUES);
    assertThat(again.about())
        .containsExactly(
            new SubjectGuess(
                ListSubject.DESKTOP, "This computer's desktop", "It went there before."));
    assertThat(again.after().catalog().size()).isEqualTo(said.after().catalog().size());
    Brought own = bring(Shipped.start(), "cue-room.csv", CUES, about(ListSubject.OWN));
    assertThat(own.after().setup().orElseThrow().machine().own()).hasSize(4);
    assertThat(own.after().catalog().size()).isEqualTo(Shipped.start().catalog().size());
    Brought program = bring(Shipped.start(), "wm.xml", WINDOWS, about(ListSubject.APPLICATION));
    assertThat(program.about().getFirst().title()).isEqualTo("Wm");
  }

  /** Two settings of four are enough; one of two programs with few keys is not. */
  @Test
  void aShortListIsOfTheDesktopWhereHalfOfItIs() throws FileProblem {
    String few =
        """
        net.oak.panels toggle-tiled-left ['<Super>Left']
        net.oak.panels lock-screen ['<Super>l']
        net.oak.panels cancel ['<Super>Escape']
        net.oak.panels restore ['<Super><Shift>Escape']
        net.fir.lamps dim ['<Control>d']
        net.fir.lamps screenshot ['<Control>p']
        net.fir.lamps next-lamp ['<Control>n']
        """;
    assertThat(bring(Shipped.start(), "few", few).about())
        .extracting(SubjectGuess::subject)
        .containsExactly(ListSubject.DESKTOP, ListSubject.APPLICATION);
  }

  /** A file without an ending in a folder has a name, and loses nothing of the others. */
  @Test
  void everyFileOfAFolderIsOfItsOwnProgram(@TempDir Path folder) throws Exception {
    Files.writeString(folder.resolve("lamps.csv"), "Action,Keys\nDim it,Ctrl+D\n");
    Files.writeString(folder.resolve("ropes"), "Action,Keys\nPull it,Ctrl+P\n");
    Intake intake = Intake.of(Shipped.start(), ListReader.read(folder), Intake.Said.NOTHING);
    assertThat(intake.request().rows())
        .extracting(r -> r.environment() + ": " + r.action())
        .containsExactlyInAnyOrder("Lamps: Dim it", "Ropes: Pull it");
  }

  /** Lines that name an application stay there, whatever the others are about. */
  @Test
  void onlyLinesThatNameNothingBecomeTheUsersOwn() throws FileProblem {
    String some = "Application,Action,Keys\nProps,Dim it,Ctrl+Meta+D\n,Pull it,Ctrl+Meta+P\n";
    Brought own = bring(Shipped.start(), "some.csv", some, about(ListSubject.OWN));
    assertThat(own.after().setup().orElseThrow().machine().own()).hasSize(1);
    assertThat(bindings(own.after(), "Props")).containsExactly("Ctrl+Meta+D");
  }

  @Test
  void programsAreNotTakenForDesktops() throws FileProblem {
    assertThat(bring(Shipped.start(), "cue-room.csv", CUES).about())
        .containsExactly(new SubjectGuess(ListSubject.APPLICATION, "Cue room", ""));
    Workspace demo = Shipped.demo();
    for (Environment one : demo.catalog().environments()) {
      StringBuilder list = new StringBuilder("Action,Gesture\n");
      demo.catalog()
          .bindings(one.id())
          .forEach(
              b ->
                  list.append(
                      "\"%s\",\"%s\"\n".formatted(demo.catalog().title(b.action()), b.gesture())));
      ListSubject guessed =
          bring(Shipped.start(), "list.csv", list.toString()).about().getFirst().subject();
      assertThat(guessed)
          .as(one.title())
          .isEqualTo(
              one.kind() instanceof Platform ? ListSubject.DESKTOP : ListSubject.APPLICATION);
    }
  }
}
