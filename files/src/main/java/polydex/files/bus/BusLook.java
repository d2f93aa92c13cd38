package polydex.files.bus;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.freedesktop.dbus.types.UInt32;
import polydex.computer.Widget;
import polydex.files.FileProblem;
import polydex.files.bus.Bus.Call;
import polydex.files.bus.Bus.Silent;
import polydex.files.bus.Bus.Target;
import polydex.files.bus.Described.Part;
import polydex.hands.Done.Spot;
import polydex.hands.MenuTrail.Area;
import polydex.hands.Seen;

/**
 * Asks programs what something is and what lies at a spot. What is asked of one thing is under way
 * at once; depth and length are bounded.
 */
final class BusLook {
  private static final String ACCESSIBLE = "org.a11y.atspi.Accessible";
  private static final String COMPONENT = "org.a11y.atspi.Component";
  private static final UInt32 SCREEN = new UInt32(0);
  private static final int DEEPEST = 40;
  private static final int MOST_WINDOWS = 60;
  private static final Set<Integer> FRAMES = Set.of(2, 9, 16, 19, 22, 23, 28, 41, 69);

  private static final int TABS = 38;
  private static final int ACTIVE = 1 << 1;
  private static final int SELECTED = 1 << 23;
  private static final int SHOWING = 1 << 25;
  private static final int FOCUSED = 1 << 12;

  private final Bus bus;

  BusLook(Bus bus) {
    this.bus = bus;
  }

  /** The role of something; 0 where it does not say. */
  int role(Target target) throws FileProblem, Silent {
    return bus.call(target, ACCESSIBLE, "GetRole").number();
  }

  /**
   * How the toolkit calls itself of the program that something is in; empty where it does not say.
   */
  String toolkit(Target target) throws FileProblem, Silent {
    Optional<Target> program = bus.call(target, ACCESSIBLE, "GetApplication").target();
    return program.isEmpty()
        ? ""
        : bus.property(program.get(), "org.a11y.atspi.Application", "ToolkitName").text();
  }

  /** Whether something has the focus, as it says itself. */
  boolean isFocused(Target target) throws FileProblem, Silent {
    return (state(bus.call(target, ACCESSIBLE, "GetState")) & FOCUSED) != 0;
  }

  private static int state(Call call) throws Silent {
    List<?> state = call.list();
    return !state.isEmpty() && state.getFirst() instanceof Number n ? n.intValue() : 0;
  }

  /** How many things are in something. */
  int children(Target target) throws FileProblem, Silent {
    return bus.property(target, ACCESSIBLE, "ChildCount").number();
  }

  /** Where something is on the screen. */
  Area area(Target target) throws FileProblem, Silent {
    return area(bus.call(target, COMPONENT, "GetExtents", SCREEN));
  }

  private static Area area(Call extents) throws Silent {
    int[] where = extents.numbers();
    return where.length == 4
        ? new Area(where[0], where[1], where[2], where[3])
        : new Area(0, 0, 0, 0);
  }

  /** What something is, and all around it up to its window. */
  Described describe(Target target) throws FileProblem, Silent {
    Call extents = bus.call(target, COMPONENT, "GetExtents", SCREEN);
    List<Part> parts = new ArrayList<>();
    Set<Target> seen = new HashSet<>();
    Optional<Target> next = Optional.of(target);
    while (next.isPresent() && parts.size() < DEEPEST && seen.add(next.get())) {
      Target now = next.get();
      Call role = bus.call(now, ACCESSIBLE, "GetRole");
      Call name = bus.property(now, ACCESSIBLE, "Name");
      Call parent = bus.property(now, ACCESSIBLE, "Parent");
      int number = role.number();
      if (number == Roles.APPLICATION) {
        break;
      }
      parts.add(new Part(now, number, name(now, number, name.text())));
      next = parent.target().filter(p -> p.name().equals(target.name()));
    }
    int[] where = extents.numbers();
    Area area =
        where.length == 4 ? new Area(where[0], where[1], where[2], where[3]) : new Area(0, 0, 0, 0);
    return new Described(
        parts.isEmpty() ? new Part(target, 0, "") : parts.getFirst(),
        parts.subList(Math.min(1, parts.size()), parts.size()),
        area);
  }

  /** Tool bars of some toolkits have names only in what they say of their controls. */
  private String name(Target target, int role, String said) throws FileProblem, Silent {
    String name = said;
    if (name.isBlank() && Described.sort(new Part(target, role, "")) == Seen.Sort.CONTROL) {
      name = bus.property(target, ACCESSIBLE, "Description").text();
    }
    return name.substring(0, Math.min(name.length(), Widget.LONGEST_NAME)).strip();
  }

  /**
   * What lies at a spot of the screen in a program's windows, the innermost; none where nothing
   * answers.
   *
   * @param program its root
   */
  Optional<Target> at(Target program, int x, int y) throws FileProblem, Silent {
    List<Target> windows = bus.call(program, ACCESSIBLE, "GetChildren").targets(MOST_WINDOWS);
    List<Call> states = new ArrayList<>();
    List<Call> roles = new ArrayList<>();
    List<Call> areas = new ArrayList<>();
    for (Target w : windows) {
      states.add(bus.call(w, ACCESSIBLE, "GetState"));
      roles.add(bus.call(w, ACCESSIBLE, "GetRole"));
      areas.add(bus.call(w, COMPONENT, "GetExtents", SCREEN));
    }
    Optional<Target> best = Optional.empty();
    boolean active = false;
    for (int i = 0; i < windows.size(); i++) {
      int state = state(states.get(i));
      boolean there =
          (state & SHOWING) != 0
              && FRAMES.contains(roles.get(i).number())
              && area(areas.get(i)).contains(new Spot(x, y));
      if (there && (best.isEmpty() || !active)) {
        best = Optional.of(windows.get(i));
        active = (state & ACTIVE) != 0;
      }
    }
    return best.isEmpty() ? best : Optional.of(inside(best.get(), x, y));
  }

  private Target inside(Target window, int x, int y) throws FileProblem, Silent {
    Target at = window;
    for (int i = 0; i < DEEPEST; i++) {
      Optional<Target> inner =
          bus.call(at, COMPONENT, "GetAccessibleAtPoint", x, y, SCREEN)
              .target()
              .filter(t -> t.name().equals(window.name()) && !t.path().endsWith("/null"));
      Optional<Target> next = inner.isPresent() || role(at) != TABS ? inner : page(at);
      if (next.isEmpty() || next.get().equals(at)) {
        return at;
      }
      at = next.get();
    }
    return at;
  }

  /** Some tabs know only themselves at a spot; what is there beside them is the page in front. */
  private Optional<Target> page(Target tabs) throws FileProblem, Silent {
    List<Target> all = bus.call(tabs, ACCESSIBLE, "GetChildren").targets(MOST_WINDOWS);
    List<Call> states = new ArrayList<>();
    for (Target tab : all) {
      states.add(bus.call(tab, ACCESSIBLE, "GetState"));
    }
    for (int i = 0; i < all.size(); i++) {
      if ((state(states.get(i)) & SELECTED) != 0) {
        return bus.call(all.get(i), ACCESSIBLE, "GetChildren").targets(1).stream().findFirst();
      }
    }
    return Optional.empty();
  }
}
