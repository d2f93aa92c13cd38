package polydex.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import polydex.boards.Keyboards;
import polydex.catalog.EnvironmentId;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.route.World;
import polydex.route.Worlds;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/** What a list is about: by its actions, by where it went before, and what it is then called. */
class SubjectGuessTest {
  private static final List<String> OF_A_DESKTOP =
      List.of(
          "Switch windows",
          "Lock the screen",
          "To the workspace on the left",
          "Turn the sound up",
          "Hide all normal windows",
          "Screenshot of an area",
          "exec a terminal",
          "Minimize the window");
  private static final List<String> OF_A_PROGRAM =
      List.of(
          "New window",
          "Close the window",
          "Full screen",
          "Split the window",
          "Next page",
          "Zoom in",
          "Move the line up",
          "Find in files",
          "Show the side bar",
          "Open the settings");
  private static final Workspace HERE = here("Desk");

  private static Workspace here(String platform) {
    World world =
        new Worlds()
            .platform(platform, Worlds.plain(), "Alt+Tab = Switch")
            .app("Editor", "Ctrl+S = Save")
            .build();
    return Workspace.of(
        world.catalog(),
        List.copyOf(world.boards().values()),
        List.of(Keyboards.US),
        List.of(Worlds.setup(Worlds.machine(platform, Worlds.in("Editor")))));
  }

  private static RequestedRow row(String action, String gesture) {
    return new RequestedRow(2, "", false, "", action, gesture);
  }

  private static SubjectGuess guess(Workspace workspace, String title, List<String> actions) {
    List<RequestedRow> rows = new ArrayList<>(actions.stream().map(a -> row(a, "F2")).toList());
    rows.add(row("Switch windows", ""));
    return SubjectGuess.of(workspace, "list", title, rows);
  }

  /**
   * A third of the actions, three at least, or half of a few; whatever has no gesture counts for
   * nothing.
   */
  @Property(tries = 500)
  void aThirdOfADesktopsActionsMakesADesktop(
      @ForAll @IntRange(max = 8) int desktop,
      @ForAll @IntRange(max = 10) int program,
      @ForAll long seed) {
    List<String> actions = new ArrayList<>(OF_A_DESKTOP.subList(0, desktop));
    actions.addAll(OF_A_PROGRAM.subList(0, program));
    Collections.shuffle(actions, new Random(seed));
    boolean most = desktop >= 3 && 2 * desktop >= program;
    boolean ofFew = desktop == 2 && program <= 2;
    ListSubject expected = most || ofFew ? ListSubject.DESKTOP : ListSubject.APPLICATION;
    SubjectGuess guess = guess(HERE, "Lamps", actions);
    assertThat(guess.subject()).isEqualTo(expected);
    assertThat(guess.why())
        .isEqualTo(
            expected == ListSubject.APPLICATION
                ? ""
                : "%d of %d actions are of windows, workspaces, the screen or starting programs."
                    .formatted(desktop, desktop + program));
  }

  @Test
  void aDesktopIsTheOneUnderTheHandsUnlessThatOnlyStandsIn() {
    assertThat(guess(HERE, "x", OF_A_DESKTOP).title()).isEqualTo("Desk");
    Workspace fresh = here("plain-desktop");
    assertThat(guess(fresh, "x", OF_A_DESKTOP).title()).isEqualTo(SubjectGuess.THIS_DESKTOP);
    EnvironmentId standIn = new EnvironmentId("plain-desktop");
    Remembered.Source source = new Remembered.Source(Map.of(standIn, Set.of()));
    Workspace used = fresh.with(fresh.remembered().withList("other", source));
    assertThat(guess(used, "x", OF_A_DESKTOP).title()).isEqualTo("plain-desktop");
    assertThat(SubjectGuess.titleFor(fresh, ListSubject.OWN, "x")).isEqualTo("plain-desktop");
  }

  @Test
  void whatWentSomewhereBeforeGoesThereAgain() {
    Remembered.Source editor =
        new Remembered.Source(Map.of(new EnvironmentId("Editor"), Set.of("a")));
    Workspace known = HERE.with(HERE.remembered().withList("list", editor));
    assertThat(guess(known, "x", OF_A_DESKTOP))
        .isEqualTo(new SubjectGuess(ListSubject.APPLICATION, "Editor", "It went there before."));
    Remembered.Source both =
        new Remembered.Source(
            Map.of(
                new EnvironmentId("Editor"), Set.of("a"), new EnvironmentId("Desk"), Set.of("b")));
    assertThat(
            guess(HERE.with(HERE.remembered().withList("list", both)), "x", OF_A_DESKTOP).subject())
        .isEqualTo(ListSubject.DESKTOP);
  }

  @ParameterizedTest
  @CsvSource({
    "Lamp room, Lamp room",
    "lamp.csv of mine, lamp.csv of mine",
    "net.oak.text-editor, Text editor",
    "net.oak.TextEditor.keybindings, Text editor",
    "net.oak.Lamps.preferences.ui, Lamps",
    "keys, keys"
  })
  void aProgramIsCalledAsPeopleCallIt(String title, String called) {
    assertThat(guess(HERE, title, OF_A_PROGRAM).title()).isEqualTo(called);
  }

  @Test
  void subjectsAreSaidByTheirNames() {
    for (ListSubject subject : ListSubject.values()) {
      assertThat(ListSubject.named(subject.written().toUpperCase(Locale.ROOT))).contains(subject);
      assertThat(subject.next().next().next()).isEqualTo(subject);
    }
    assertThat(ListSubject.named("lamp")).isEqualTo(Optional.empty());
    assertThat(SubjectGuess.subjectOf(HERE, " desk")).contains(ListSubject.DESKTOP);
    assertThat(SubjectGuess.subjectOf(HERE, "Editor")).contains(ListSubject.APPLICATION);
    assertThat(SubjectGuess.subjectOf(HERE, "Nobody")).isEmpty();
  }
}
