package polydex.route;

import java.util.ArrayList;
import java.util.List;
import polydex.catalog.EnvironmentId;
import polydex.keys.Visible;

/**
 * What stands between a person's fingers and the focused application.
 *
 * @param id short and stable
 * @param title as its user calls it
 * @param board the id of the board under the fingers
 * @param machine the outermost machine, which may hold others
 */
public record Setup(SetupId id, String title, String board, Machine machine) {
  /** Whatever its title is, nothing in it acts on who shows it. */
  public Setup {
    title = Visible.of(title);
  }

  /** The machines from the fingers inward. */
  public List<Machine> machines() {
    List<Machine> found = new ArrayList<>();
    found.add(machine);
    while (found.getLast().focus() instanceof Machine.SessionWindow session) {
      found.add(session.inner());
    }
    return List.copyOf(found);
  }

  /** The innermost machine, where the focused application runs. */
  public Machine innermost() {
    return machines().getLast();
  }

  /** The ids of every platform and application on the way, from the fingers inward, each once. */
  public List<EnvironmentId> environments() {
    List<EnvironmentId> found = new ArrayList<>();
    for (Machine m : machines()) {
      found.add(m.platform());
      m.application().ifPresent(found::add);
    }
    return found.stream().distinct().toList();
  }

  /** The same with these contexts of the focused application active, innermost first. */
  public Setup withContexts(List<String> contexts) {
    return new Setup(id, title, board, withContexts(machine, contexts));
  }

  /** The same with another machine under the hands. */
  public Setup on(Machine other) {
    return new Setup(id, title, board, other);
  }

  /** The same with another machine at a depth, and in it what that one holds. */
  public Setup with(int depth, Machine other) {
    return new Setup(id, title, board, with(machine, depth, other));
  }

  private static Machine with(Machine machine, int depth, Machine other) {
    return depth == 0
        ? other
        : machine.with(
            ((Machine.SessionWindow) machine.focus())
                .with(with(((Machine.SessionWindow) machine.focus()).inner(), depth - 1, other)));
  }

  /** Whether a window that holds a machine stands on the way. */
  public boolean hasWindow() {
    return machine.focus() instanceof Machine.SessionWindow;
  }

  /** Whether any window on the way fills the screen. */
  public boolean fillsTheScreen() {
    return machines().stream()
        .anyMatch(m -> m.focus() instanceof Machine.SessionWindow s && s.fullScreen());
  }

  /** The same with all windows that hold machines in full screen, or none. */
  public Setup withFullScreen(boolean full) {
    return new Setup(id, title, board, withFullScreen(machine, full));
  }

  private static Machine withFullScreen(Machine machine, boolean full) {
    return machine.focus() instanceof Machine.SessionWindow s
        ? machine.with(s.inFullScreen(full).with(withFullScreen(s.inner(), full)))
        : machine;
  }

  private static Machine withContexts(Machine machine, List<String> contexts) {
    return switch (machine.focus()) {
      case Machine.Bare _ -> machine;
      case Machine.Running r ->
          machine.with(new Machine.Running(r.application(), r.version(), r.options(), contexts));
      case Machine.SessionWindow s -> machine.with(s.with(withContexts(s.inner(), contexts)));
    };
  }
}
