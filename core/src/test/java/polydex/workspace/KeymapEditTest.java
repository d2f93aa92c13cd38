package polydex.workspace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import polydex.boards.Keyboards;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.intake.BindingIntake;
import polydex.intake.IntakePlan;
import polydex.intake.IntakeRequest;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;

/** Keymaps changed by hand and by lists. */
class KeymapEditTest {
  private static final List<String> TITLES =
      List.of("Save", "Lock", "Sort", "Join lines", "Count", "Light up", "save ", "SORT");
  private static final List<String> KEYS =
      List.of("F5", "Ctrl+S", "ctrl + s", "F6 or F7", "C-x C-s", "⌘S", "Ctrl+", "nothing");

  private static Workspace workspace() {
    World world =
        new Worlds()
            .platform("Desk", Worlds.plain(), "Meta+L = Lock", "F9 = Sort")
            .platform("Far", Worlds.plain(), "Meta+L = Lock")
            .app("Editor", "Ctrl+S = Save", "text: Ctrl+J = Join lines")
            .app("Window", "F12 = Leave")
            .build();
    Setup near = Worlds.setup(Worlds.machine("Desk", Worlds.in("Editor")));
    return Workspace.of(
        world.catalog(),
        List.copyOf(world.boards().values()),
        List.of(Keyboards.US),
        List.of(near));
  }

  @Test
  void aBuiltInBindingIsSwitchedOffAndOnAgainInASetup() {
    Workspace before = workspace();
    Setup setup = before.setup().orElseThrow();
    Binding lock = before.catalog().bindings(new EnvironmentId("Desk")).getFirst();
    Change.Edit off =
        KeymapEdit.switchOff(before, setup, new EnvironmentId("Desk"), lock).orElseThrow();
    Setup changed = off.after().setup().orElseThrow();
    assertThat(changed.machine().switchedOff()).containsExactly(lock.id());
    assertThat(SetupTraces.of(changed, off.after().world()).reach())
        .doesNotContainKey(new ActionId("Lock"));
    assertThat(SetupTraces.of(setup, before.world()).reach()).containsKey(new ActionId("Lock"));
    Change.Edit on =
        KeymapEdit.switchOff(off.after(), changed, new EnvironmentId("Desk"), lock).orElseThrow();
    assertThat(on.after().setup().orElseThrow()).isEqualTo(setup);
    assertThat(on.title()).startsWith("Switch on");
    assertThat(KeymapEdit.switchOff(before, setup, new EnvironmentId("Far"), lock))
        .as("not in it")
        .isEmpty();
    Binding fixed =
        new Binding(
            lock.id(),
            lock.action(),
            lock.gesture(),
            lock.context(),
            lock.when(),
            Optional.empty(),
            new Binding.Remarks("", "", "", true));
    assertThat(KeymapEdit.switchOff(before, setup, new EnvironmentId("Desk"), fixed))
        .as("fixed")
        .isEmpty();
  }

  @Test
  void onAMachineInsideAnotherToo() {
    Workspace before = workspace();
    Machine inner = Worlds.machine("Far", Worlds.in("Editor"));
    Machine outer =
        Worlds.machine("Desk", new Machine.Bare())
            .with(
                new Machine.SessionWindow(
                    new EnvironmentId("Window"),
                    Worlds.ONE,
                    Machine.Capture.ALWAYS,
                    false,
                    List.of(),
                    List.of(),
                    true,
                    Optional.empty(),
                    0,
                    inner));
    Setup nested =
        new Setup(new SetupId("nested"), "Nested", before.setup().orElseThrow().board(), outer);
    Workspace with = before.with(nested);
    Binding lock = before.catalog().bindings(new EnvironmentId("Far")).getFirst();
    Setup changed =
        KeymapEdit.switchOff(with, nested, new EnvironmentId("Far"), lock)
            .orElseThrow()
            .after()
            .setups()
            .get(new SetupId("nested"));
    assertThat(changed.machine().switchedOff()).isEmpty();
    assertThat(changed.innermost().switchedOff()).containsExactly(lock.id());
  }

  /** What an edit does, its reverse takes back, whatever came between. */
  @Property(tries = 200)
  void editsOfAKeymapAreWhatTheySayAndCanBeReversed(@ForAll long seed) {
    Random random = new Random(seed);
    Workspace now = workspace();
    List<Change.Edit> made = new ArrayList<>();
    List<String> expected = new ArrayList<>(written(now));
    for (int i = 0; i < 8; i++) {
      List<Binding> list = now.catalog().bindings(new EnvironmentId("Editor"));
      Binding chosen = list.isEmpty() ? null : list.get(random.nextInt(list.size()));
      Gesture gesture = Gesture.parse("Ctrl+" + (char) ('A' + random.nextInt(6)));
      Optional<Change.Edit> edit;
      if (chosen == null || random.nextInt(3) == 0) {
        edit =
            KeymapEdit.add(
                now, new EnvironmentId("Editor"), Binding.of("n", new ActionId("Save"), gesture));
        String line = "anywhere Save " + gesture;
        assertThat(edit.isEmpty()).isEqualTo(expected.contains(line));
        edit.ifPresent(_ -> expected.add(line));
      } else if (random.nextBoolean()) {
        edit = Optional.of(KeymapEdit.remove(now, new EnvironmentId("Editor"), chosen));
        expected.remove(list.indexOf(chosen));
      } else {
        edit =
            Optional.of(
                KeymapEdit.change(
                    now, new EnvironmentId("Editor"), chosen, chosen.with(chosen.id(), gesture)));
        expected.set(
            list.indexOf(chosen), chosen.context() + " " + chosen.action() + " " + gesture);
      }
      if (edit.isPresent()) {
        made.add(edit.get());
        now = edit.get().after();
      }
      assertThat(written(now)).isEqualTo(expected);
      assertThat(now.catalog().bindings(new EnvironmentId("Editor")))
          .extracting(Binding::id)
          .doesNotHaveDuplicates();
    }
    for (Change.Edit edit : made.reversed()) {
      assertThat(edit.reversed().before()).isEqualTo(now);
      now = edit.reversed().after();
    }
    assertThat(written(now)).isEqualTo(written(workspace()));
  }

  private static List<String> written(Workspace workspace) {
    return workspace.catalog().bindings(new EnvironmentId("Editor")).stream()
        .map(b -> b.context() + " " + b.action() + " " + b.gesture())
        .toList();
  }

  /**
   * A list taken line by line, as plainly as can be: what is there afterwards, and what becomes of
   * each line, must be what the plan says.
   */
  @Property(tries = 300)
  void aPlanIsWhatTakingLineByLineComesTo(@ForAll long seed) {
    Random random = new Random(seed);
    Workspace before = workspace();
    List<RequestedRow> rows = new ArrayList<>();
    Map<String, List<String>> there = new LinkedHashMap<>();
    for (String environment : List.of("Editor", "Desk", "Props")) {
      there.put(environment, new ArrayList<>());
    }
    for (String environment : List.of("Editor", "Desk")) {
      before
          .catalog()
          .bindings(new EnvironmentId(environment))
          .forEach(
              b ->
                  there
                      .get(environment)
                      .add(b.context() + " " + fold(b.action().value()) + " " + b.gesture()));
    }
    int taken = 0;
    int known = 0;
    int refused = 0;
    for (int line = 2; line < 14; line++) {
      String environment = List.of("Editor", "Desk", "Props").get(random.nextInt(3));
      String title = TITLES.get(random.nextInt(TITLES.size()));
      String keys = KEYS.get(random.nextInt(KEYS.size()));
      rows.add(new RequestedRow(line, environment, false, "", title, keys));
      List<String> gestures =
          switch (keys) {
            case "ctrl + s" -> List.of("Ctrl+S");
            case "F6 or F7" -> List.of("F6", "F7");
            case "C-x C-s" -> List.of("Ctrl+X Ctrl+S");
            case "⌘S" -> List.of("Meta+S");
            case "Ctrl+", "nothing" -> List.of();
            default -> List.of(keys);
          };
      refused += keys.equals("Ctrl+") ? 1 : 0;
      for (String gesture : gestures) {
        String binding = "anywhere " + fold(title) + " " + gesture;
        if (there.get(environment).contains(binding)) {
          known++;
        } else {
          there.get(environment).add(binding);
          taken++;
        }
      }
    }
    IntakePlan plan =
        BindingIntake.plan(before, IntakeRequest.of(Optional.of("list"), rows, List.of()));
    assertThat(plan.taken()).hasSize(taken);
    assertThat(plan.known()).hasSize(known);
    assertThat(plan.refused()).hasSize(refused);
    Workspace after = plan.change().after();
    there.forEach(
        (title, expected) -> {
          List<String> found =
              after.catalog().environments().stream()
                  .filter(e -> e.title().equals(title))
                  .flatMap(e -> after.catalog().bindings(e.id()).stream())
                  .map(
                      b ->
                          b.context()
                              + " "
                              + fold(after.catalog().title(b.action()))
                              + " "
                              + b.gesture())
                  .toList();
          assertThat(found).containsExactlyElementsOf(expected);
        });
    // The same list once more says nothing new, and nothing of it is gone.
    IntakePlan again =
        BindingIntake.plan(after, IntakeRequest.of(Optional.of("list"), rows, List.of()));
    assertThat(again.taken()).isEmpty();
    assertThat(again.changed()).isEmpty();
    assertThat(again.gone()).isEmpty();
    assertThat(again.changesSomething()).isFalse();
    if (taken > 0) {
      IntakePlan empty =
          BindingIntake.plan(
              after, IntakeRequest.of(Optional.of("list"), List.of(), List.of()).dropGone(true));
      assertThat(empty.gone().size()).isGreaterThanOrEqualTo(taken);
    }
  }

  private static String fold(String title) {
    return title.strip().toLowerCase(Locale.ROOT);
  }
}
