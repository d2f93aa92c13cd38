package polydex.files.recorder;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.hands.Sequences;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.World;
import polydex.workspace.Workspace;

/**
 * What is recorded, and how.
 *
 * @param machine the title of the machine, its platform, or the setup
 * @param layout the one under the fingers
 * @param sequences the gestures of several presses that there are
 * @param leftOut titles of applications of which nothing is noted, in any case
 * @param pause the presses that pause and go on, wherever the focus is; none for no such gesture
 */
public record Wishes(
    String machine, Layout layout, Sequences sequences, Set<String> leftOut, List<Physical> pause) {
  /** Copies them; titles in small letters. */
  public Wishes {
    leftOut =
        leftOut.stream()
            .map(t -> t.strip().toLowerCase(Locale.ROOT))
            .collect(Collectors.toUnmodifiableSet());
    pause = pause.stream().map(Physical::eitherSide).toList();
  }

  /**
   * For the computer that somebody sits at: the outermost machine of a setup.
   *
   * @param pause the gesture that pauses and goes on; one that the layout can't make is none
   */
  public static Wishes of(Workspace workspace, Setup setup, Set<String> leftOut, Gesture pause) {
    World world = workspace.world();
    Machine machine = setup.machines().getFirst();
    Layout layout = Objects.requireNonNull(world.layouts().get(machine.layout()));
    return new Wishes(
        setup.machines().size() == 1 ? setup.id().value() : machine.title(),
        layout,
        Sequences.of(
            world,
            workspace.setups().values().stream()
                .filter(s -> s.machines().getFirst().title().equals(machine.title()))
                .toList(),
            layout),
        leftOut,
        Presses.of(pause, layout) instanceof Presses.Typable typable
            ? typable.physical()
            : List.of());
  }
}
