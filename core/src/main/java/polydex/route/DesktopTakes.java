package polydex.route;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;

/**
 * Which gestures never come to a window on a desktop, since the desktop does something of its own
 * at them: built in, reserved, or by the user's own bindings, as remapped. Each gesture is traced
 * once through the machine under the hands with nothing but its desktop in focus.
 */
public final class DesktopTakes {
  private DesktopTakes() {}

  /**
   * A gesture that a desktop takes.
   *
   * @param platform the id of the desktop
   * @param action the id of what it does at it
   */
  public record Taken(Gesture gesture, EnvironmentId platform, ActionId action) {}

  /**
   * What is taken of these, in their order; nothing in a setup that can't be traced.
   *
   * @param setup its outermost machine counts, whatever runs inside
   */
  public static List<Taken> of(Setup setup, World world, Collection<Gesture> gestures) {
    Setup bare = setup.on(setup.machine().with(new Machine.Bare()));
    if (world.problem(bare).isPresent()) {
      return List.of();
    }
    Tracer tracer = Tracer.of(bare, world);
    List<Taken> found = new ArrayList<>();
    for (Gesture gesture : gestures) {
      if (tracer.trace(gesture).outcome() instanceof Trace.Acted acted) {
        found.add(new Taken(gesture, acted.environment(), acted.action()));
      }
    }
    return List.copyOf(found);
  }
}
