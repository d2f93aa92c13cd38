package polydex.files.bus;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import polydex.computer.Widget;
import polydex.computer.Widget.Role;
import polydex.files.FileProblem;
import polydex.files.bus.Bus.Call;
import polydex.files.bus.Bus.Silent;
import polydex.files.bus.Bus.Target;

/**
 * Reads what a program shows, level by level: all that is asked of a level is under way at once, so
 * that the time is that of the program's answers and not of as many journeys there and back. What
 * the program says is not trusted: nothing is entered twice, and number, depth, length and time are
 * bounded. O(widgets), some five calls each.
 */
final class ProgramWalk {
  /** So many widgets are looked at, at most. */
  static final int MOST = 20_000;

  /** So deep, at most. */
  static final int DEEPEST = 40;

  /** So long, at most, in milliseconds. */
  static final int LONGEST = 10_000;

  private static final String ACCESSIBLE = "org.a11y.atspi.Accessible";
  private static final String ACTION = "org.a11y.atspi.Action";
  private static final int AT_ONCE = 256;
  private static final int FOCUSABLE = 1 << 11;
  private static final int SHOWING = 1 << 25;
  private static final int VISIBLE = 1 << 30;

  private final Bus bus;
  private final BooleanSupplier stopped;
  private final long end = System.nanoTime() + LONGEST * 1_000_000L;
  private final Set<Target> seen = new HashSet<>();
  private String left = "";

  private ProgramWalk(Bus bus, BooleanSupplier stopped) {
    this.bus = bus;
    this.stopped = stopped;
  }

  /**
   * What was read.
   *
   * @param windows of the program
   * @param left why not all of it was read; empty where it was
   */
  record Result(List<Widget> windows, String left) {}

  /** A widget while it is read. */
  private static final class Node {
    final Target target;
    final List<Node> inside = new ArrayList<>();
    int role;
    int state;
    String name = "";
    String keys = "";

    Node(Target target) {
      this.target = target;
    }

    /**
     * Some toolkits keep an entry that only an empty menu shows. Where none is visible that says
     * nothing: the menu is closed.
     */
    Widget widget() {
      boolean shown = inside.stream().anyMatch(Node::isVisible);
      return new Widget(
          Roles.of(role),
          name,
          keys,
          (state & FOCUSABLE) != 0,
          (state & SHOWING) != 0,
          inside.stream()
              .filter(n -> n.isVisible() || !Roles.of(n.role).isEntry() || !shown)
              .map(Node::widget)
              .toList());
    }

    boolean isVisible() {
      return (state & VISIBLE) != 0;
    }
  }

  /**
   * Reads a program.
   *
   * @throws FileProblem where the bus itself is gone
   */
  static Result of(Bus bus, Target program, BooleanSupplier stopped) throws FileProblem {
    ProgramWalk walk = new ProgramWalk(bus, stopped);
    Node root = new Node(program);
    root.role = Roles.APPLICATION;
    walk.read(root);
    return new Result(root.inside.stream().map(Node::widget).toList(), walk.left);
  }

  private void read(Node root) throws FileProblem {
    seen.add(root.target);
    try {
      List<Node> level = open(List.of(root));
      for (int depth = 1; !level.isEmpty() && left.isEmpty(); depth++) {
        List<Node> next = new ArrayList<>();
        for (int from = 0; from < level.size() && left.isEmpty(); from += AT_ONCE) {
          List<Node> some = level.subList(from, Math.min(level.size(), from + AT_ONCE));
          describe(some);
          next.addAll(open(some.stream().filter(n -> Roles.isEntered(n.role)).toList()));
        }
        level = next;
        if (depth == DEEPEST && !level.isEmpty()) {
          left = worded("bus.it-goes-on-below-levels-which", DEEPEST);
        }
      }
    } catch (Silent e) {
      left = worded("bus.and-the-rest-was-left", e.getMessage());
    }
  }

  private boolean goesOn() {
    if (!left.isEmpty()) {
      return false;
    }
    if (stopped.getAsBoolean()) {
      left = worded("any.you-stopped-it");
    } else if (System.nanoTime() > end) {
      left = worded("any.it-took-longer-than-s-and", LONGEST / 1000);
    } else if (seen.size() >= MOST) {
      left = worded("bus.it-shows-more-than-things-and", MOST);
    }
    return left.isEmpty();
  }

  /** Role, name and state of each, and the keys of those that can have some. */
  private void describe(List<Node> nodes) throws FileProblem, Silent {
    List<Call> roles = new ArrayList<>();
    List<Call> names = new ArrayList<>();
    List<Call> states = new ArrayList<>();
    List<Call> types = new ArrayList<>();
    for (Node n : nodes) {
      roles.add(bus.call(n.target, ACCESSIBLE, "GetRole"));
      names.add(bus.property(n.target, ACCESSIBLE, "Name"));
      states.add(bus.call(n.target, ACCESSIBLE, "GetState"));
      types.add(bus.call(n.target, ACCESSIBLE, "GetInterfaces"));
    }
    List<Node> acting = new ArrayList<>();
    for (int i = 0; i < nodes.size() && goesOn(); i++) {
      Node node = nodes.get(i);
      node.role = roles.get(i).number();
      String name = names.get(i).text();
      node.name = name.substring(0, Math.min(name.length(), Widget.LONGEST_NAME));
      List<?> state = states.get(i).list();
      node.state = !state.isEmpty() && state.getFirst() instanceof Number s ? s.intValue() : 0;
      boolean keyed = Roles.of(node.role) != Role.OTHER && Roles.of(node.role) != Role.FIELD;
      // Asking for the action of what has none makes some programs print warnings.
      if (types.get(i).list().contains(ACTION) && keyed) {
        acting.add(node);
      }
    }
    List<Call> keys = new ArrayList<>();
    for (Node n : acting) {
      keys.add(bus.call(n.target, ACTION, "GetKeyBinding", 0));
    }
    for (int i = 0; i < acting.size() && goesOn(); i++) {
      String told = keys.get(i).text();
      acting.get(i).keys = told.length() > Widget.LONGEST_NAME ? "" : told;
    }
  }

  /** What is in each, that was not met before. */
  private List<Node> open(List<Node> nodes) throws FileProblem, Silent {
    List<Call> calls = new ArrayList<>();
    for (Node n : nodes) {
      calls.add(bus.call(n.target, ACCESSIBLE, "GetChildren"));
    }
    List<Node> all = new ArrayList<>();
    for (int i = 0; i < nodes.size() && goesOn(); i++) {
      for (Target target : calls.get(i).targets(MOST)) {
        // What another program put in here is read with that program.
        boolean own = target.name().equals(nodes.get(i).target.name());
        if (own && goesOn() && seen.add(target)) {
          Node inner = new Node(target);
          nodes.get(i).inside.add(inner);
          all.add(inner);
        }
      }
    }
    return all;
  }
}
