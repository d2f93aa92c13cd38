package polydex.files.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Context;
import polydex.files.Shipped;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.route.DesktopTakes;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.workspace.Workspace;

/** Held to what the keymaps of the demo's desktops say, read plainly. */
class DesktopTakesTest {
  private static final Workspace DEMO = Shipped.demo();

  static Stream<Setup> setups() {
    return DEMO.setups().values().stream();
  }

  @ParameterizedTest
  @MethodSource("setups")
  void aDesktopTakesWhatItsKeymapSaysAndNothingElse(Setup given) {
    // Without what a person has changed there, so that the keymap alone can be asked.
    Machine machine =
        given.machine().withRemaps(List.of()).withOwn(List.of()).withSwitchedOff(Set.of());
    Setup setup = given.on(machine);
    Layout layout = DEMO.world().layouts().get(machine.layout());
    List<Gesture> asked = new ArrayList<>();
    Set<List<Physical>> bound = new HashSet<>();
    DEMO.catalog()
        .environments()
        .forEach(e -> DEMO.catalog().bindings(e.id()).forEach(b -> members(b, asked)));
    for (Binding b : DEMO.catalog().bindings(machine.platform())) {
      if (b.context().equals(Context.ANYWHERE.id()) && b.when().equals(Binding.Condition.ALWAYS)) {
        List<Gesture> members = new ArrayList<>();
        members(b, members);
        members.forEach(g -> Presses.physical(g, layout).ifPresent(bound::add));
      }
    }
    DEMO.catalog()
        .environment(machine.platform())
        .orElseThrow()
        .platform()
        .orElseThrow()
        .reserved()
        .forEach(r -> Presses.physical(r.gesture(), layout).ifPresent(bound::add));
    List<Gesture> single =
        asked.stream()
            .distinct()
            .filter(g -> Presses.physical(g, layout).filter(p -> p.size() == 1).isPresent())
            .filter(g -> g.toString().matches("((Ctrl|Alt|Shift|Meta)\\+)*[A-Z0-9][a-z0-9]*"))
            .toList();
    Set<Gesture> taken = new HashSet<>();
    DesktopTakes.of(setup, DEMO.world(), single).forEach(t -> taken.add(t.gesture()));
    Board board = DEMO.world().boards().get(given.board());
    int held = 0;
    for (Gesture gesture : single) {
      List<Physical> presses = Presses.physical(gesture, layout).orElseThrow();
      // What a board has no key for comes to nobody.
      boolean says = bound.contains(presses) && board.press(presses.getFirst()).isPresent();
      assertThat(taken.contains(gesture)).as("%s in %s", gesture, given.title()).isEqualTo(says);
      held += says ? 1 : 0;
    }
    assertThat(single).hasSizeGreaterThan(150);
    assertThat(held).isGreaterThan(5);
  }

  private static void members(Binding binding, List<Gesture> to) {
    to.addAll(binding.gesture().expand());
  }
}
