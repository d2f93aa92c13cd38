package polydex.route;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.route.Machine.Capture;

/**
 * Setups as people have them, only larger than the random ones in which all collides: hundreds of
 * bindings in a tree of contexts, few presses that many share, some rows that walk and few that are
 * rare. Each from a seed.
 */
public final class LargeSetups {
  private static final String[] HELD = {
    "Ctrl+", "Ctrl+Shift+", "Alt+", "Ctrl+Alt+", "Meta+", "AltGr+", "Alt+Shift+", ""
  };
  private static final String[] KEYS = {
    "A", "B", "E", "Q", "Y", "Z", "F5", "Home", "Left", "[", "?"
  };
  private static final int CONTEXTS = 12;

  private final Random random;
  private final Worlds worlds = new Worlds();

  private LargeSetups(long seed) {
    random = new Random(seed);
  }

  /** A setup with so many bindings in the focused application. */
  public static RandomSetups.Case make(long seed, int bindings) {
    return new LargeSetups(seed).make(bindings);
  }

  private RandomSetups.Case make(int bindings) {
    worlds.environment("host", platform(), whenBroken(), lines("h", 40, 0));
    worlds.environment("guest", platform(), whenBroken(), lines("g", 40, 0));
    worlds.environment(
        "window", new Application(List.of(), false), whenBroken(), lines("w", 10, 0));
    worlds.environment(
        "app", new Application(List.of(), false), whenBroken(), lines("a", bindings, CONTEXTS));
    if (random.nextBoolean()) {
      worlds.menus("app", "E A = a1", "E B = a2", "Q A = a3", "Y Z = m1");
    }
    if (random.nextBoolean()) {
      worlds.together("app", "c1", "c2").together("app", "c3", "c4");
    }
    World flat = worlds.build();
    World world = new World(withTree(flat.catalog()), flat.boards(), flat.layouts());
    Machine inner =
        Worlds.machine("guest", layout(), Worlds.in("app", context()), remaps())
            .withSwitchedOff(random.nextBoolean() ? Set.of("b1", "b3") : Set.of());
    Machine outer =
        random.nextInt(3) == 0 ? inner : Worlds.machine("host", layout(), window(inner), remaps());
    List<Binding> own = new ArrayList<>();
    for (int i = random.nextInt(4); i > 0; i--) {
      own.add(Binding.of("own" + i, new ActionId("a" + random.nextInt(9)), stroke()));
    }
    Setup setup = Worlds.setup(outer.withOwn(own));
    return new RandomSetups.Case(
        world,
        random.nextInt(4) == 0
            ? new Setup(setup.id(), setup.title(), "small", setup.machine())
            : setup,
        stroke());
  }

  /** The contexts c1, c2, ... as a tree instead of all in one. */
  private Catalog withTree(Catalog catalog) {
    Environment app = catalog.environment(new EnvironmentId("app")).orElseThrow();
    List<Context> tree = new ArrayList<>();
    for (Context c : app.contexts()) {
      boolean deep = c.id().startsWith("c") && tree.size() > 2 && random.nextBoolean();
      Optional<String> in =
          deep ? Optional.of(tree.get(1 + random.nextInt(tree.size() - 1)).id()) : c.parent();
      tree.add(new Context(c.id(), c.title(), in, c.together()));
    }
    return catalog.with(List.of(), List.of(app.withContexts(tree)), Map.of());
  }

  private Environment.Platform platform() {
    return switch (random.nextInt(4)) {
      case 0 -> Worlds.altGrIsCtrlAlt();
      case 1 -> Worlds.altTypes();
      default -> Worlds.plain("Ctrl+Alt+Home");
    };
  }

  private WhenBroken whenBroken() {
    return random.nextInt(4) == 0 ? WhenBroken.REPLAY : WhenBroken.SWALLOW;
  }

  private String layout() {
    return random.nextInt(4) == 0 ? "central" : "us";
  }

  private String context() {
    int which = random.nextInt(CONTEXTS);
    return which == 0 ? "anywhere" : "c" + which;
  }

  private Remap[] remaps() {
    return switch (random.nextInt(4)) {
      case 0 -> new Remap[] {Worlds.keys("CapsLock -> Ctrl")};
      case 1 -> new Remap[] {Worlds.keys("Alt -> Meta", "Meta -> Alt")};
      case 2 -> new Remap[] {Worlds.strokes("Alt+A -> Ctrl+E"), Worlds.keys("KeyQ -> KeyY")};
      default -> new Remap[0];
    };
  }

  private Machine.SessionWindow window(Machine inner) {
    List<Gesture> kept = random.nextBoolean() ? List.of(Gesture.parse("Ctrl+Alt+B")) : List.of();
    Optional<Remap> translation =
        random.nextInt(3) == 0 ? Optional.of(Worlds.keys("Meta -> Alt")) : Optional.empty();
    Capture capture = Capture.values()[random.nextInt(3)];
    List<Gesture> sent = List.of(Gesture.parse("Meta+A"));
    return Worlds.session("window", capture, kept, sent, random.nextInt(8) > 0, translation, inner);
  }

  private String[] lines(String name, int count, int contexts) {
    String[] lines = new String[count];
    for (int i = 0; i < count; i++) {
      int which = contexts == 0 ? 0 : random.nextInt(contexts);
      String since = random.nextInt(12) == 0 ? " @ 2" : "";
      int action = random.nextInt(4) == 0 ? random.nextInt(9) : i;
      lines[i] = (which == 0 ? "" : "c" + which + ": ") + gesture() + " = " + name + action + since;
    }
    return lines;
  }

  private String gesture() {
    return switch (random.nextInt(24)) {
      case 0 -> "Alt(Tab " + random.nextInt(2) + ")";
      case 1 -> "RightCtrl+A";
      case 2 -> "Ctrl+{A,B}";
      case 3 -> "Shift*2";
      case 4 -> "Ctrl+Click";
      case 5, 6, 7 -> stroke() + " " + stroke() + " " + stroke();
      case 8, 9, 10, 11, 12, 13, 14 -> stroke() + " " + stroke();
      default -> stroke().toString();
    };
  }

  /** Any stroke of those that the setups are made of. */
  private Gesture stroke() {
    return Gesture.parse(HELD[random.nextInt(HELD.length)] + KEYS[random.nextInt(KEYS.length)]);
  }
}
