package polydex.route;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.MenuForm;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.Reserved;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.route.Machine.Capture;

/** Setups in which everything collides, each from a seed. */
public final class RandomSetups {
  private static final List<String> STROKES =
      List.of(
          "A",
          "B",
          "Ctrl+A",
          "Ctrl+B",
          "Alt+A",
          "Ctrl+Alt+A",
          "AltGr+Q",
          "Ctrl+Alt+Q",
          "Meta+A",
          "Meta+B",
          "Shift+A",
          "Ctrl+[",
          "Alt+Tab",
          "Tab",
          "Home",
          "LeftCtrl+A",
          "RightCtrl+A",
          "Z",
          "Ctrl+Z",
          "Ctrl+?",
          "Alt+F",
          "S");
  private static final List<String> LONGER =
      List.of(
          "A B",
          "A A",
          "Ctrl+A B",
          "Ctrl+A Ctrl+B",
          "Alt(Tab Tab)",
          "Alt(Tab A)",
          "Shift*2",
          "Meta",
          "Ctrl",
          "Ctrl+{A,B}",
          "RightCtrl+A B",
          "Ctrl+Click",
          "\"ab\"",
          "A B A",
          "<CapsLock>+A",
          "<CapsLock>",
          "<F24>+A",
          "Alt+F S",
          "Alt F S",
          "Alt",
          // What is held, and what it keeps open.
          "Alt(Tab A B)",
          "Alt(Tab) A",
          "Alt(Shift+Tab Shift+Tab)",
          "Alt(Tab Shift(A B) A)",
          "Ctrl(A Alt(Tab B) A)",
          "Ctrl(A Tab)",
          "AltGr(Tab Tab)",
          "AltGr(Q Tab A)",
          "Ctrl+Alt(Q Tab)",
          "Ctrl(Shift)",
          "Ctrl(Shift A)",
          "<CapsLock>(A Tab)",
          "Meta(A Meta Tab)",
          // Both sides, and Fn.
          "LeftCtrl+RightCtrl+A",
          "LeftCtrl+RightCtrl",
          "LeftCtrl+RightCtrl(A B)",
          "Fn+Left",
          "Fn(Left A)",
          "Ctrl+Alt",
          "B A");
  private static final List<String> KEY_RULES =
      List.of(
          "Ctrl -> Meta",
          "Meta -> Ctrl",
          "CapsLock -> Ctrl",
          "KeyA -> KeyB",
          "KeyB -> KeyA",
          "Alt -> off",
          "RightCtrl -> Alt",
          "Ctrl -> Escape",
          "KeyB -> Shift",
          "KeyZ -> off",
          "CapsLock -> Ctrl / KeyA",
          "KeyB -> Shift / KeyB",
          "Ctrl -> Ctrl / Tab",
          "Alt -> Meta / Meta",
          "Tab -> Alt / Tab",
          "KeyA -> off / Ctrl",
          "RightCtrl -> RightCtrl",
          "Alt -> KeyB",
          "Ctrl -> KeyA",
          "Meta -> AltGr",
          "Tab -> Shift");

  private static final List<String> OPENERS =
      List.of("Alt+Tab", "AltGr+Q", "Ctrl+Alt+Q", "Ctrl+A", "<CapsLock>+A", "A Ctrl+A", "Meta+A");

  /** Few keys and long sequences, so that takers break one another's off. */
  private static final List<String> DENSE =
      List.of(
          "A B", "A A", "A B A", "B A", "B B A", "A A B", "B B", "Alt+A B", "Alt+Tab", "B A A B");

  /** Brackets that begin as {@link #OPENERS} do. */
  private static final List<String> HELD_OPEN =
      List.of(
          "AltGr(Q Tab A B)",
          "Ctrl+Alt(Q A A B)",
          "<CapsLock>(A Tab A B)",
          "<CapsLock>(A B Tab)",
          "Ctrl(A Tab A B)",
          "Meta(A Tab B)",
          "Alt(Tab Tab A B)",
          "Alt(Tab Shift+Tab Tab) A",
          "A Ctrl(A Tab)",
          "Ctrl+Alt Alt",
          "Ctrl+Alt+Meta");

  private static String dense(Random random, int most) {
    StringBuilder steps = new StringBuilder(any(random, List.of("A", "B")));
    for (int i = 2 + random.nextInt(most); i > 0; i--) {
      steps.append(' ').append(any(random, List.of("A", "B", "A", "B", "Tab", "Shift")));
    }
    return steps.toString();
  }

  private static <T> T any(Random random, List<T> list) {
    return list.get(random.nextInt(list.size()));
  }

  /** Any gesture of those that the setups are made of. */
  public static String gesture(Random random) {
    return random.nextInt(3) > 0 ? any(random, STROKES) : any(random, LONGER);
  }

  private static String[] lines(
      Random random, String name, boolean contexts, boolean dense, boolean holds) {
    List<String> lines = new ArrayList<>();
    for (int i = dense ? 2 + random.nextInt(3) : 0; i > 0; i--) {
      String opens = random.nextInt(4) == 0 ? " > c2" : "";
      lines.add(any(random, DENSE) + " = " + name + random.nextInt(4) + opens);
    }
    for (int i = random.nextInt(dense ? 2 : 7); i > 0; i--) {
      String context =
          contexts && random.nextInt(3) == 0 ? any(random, List.of("c1: ", "c2: ")) : "";
      String opens = random.nextInt(5) == 0 ? " > c2" : "";
      String since = random.nextInt(6) == 0 ? " @ 2" : "";
      lines.add(context + gesture(random) + " = " + name + random.nextInt(4) + opens + since);
    }
    lines.add("c1: A = " + name + "9");
    lines.add("c2: Tab = " + name + "8");
    if (holds && random.nextBoolean()) {
      lines.add("c2: A B = " + name + "7");
      lines.add(any(random, OPENERS) + " = " + name + "6 > c2");
      lines.add(any(random, OPENERS) + " = " + name + "5 > c2");
      lines.add(any(random, OPENERS) + " B = " + name + "4");
    }
    return lines.toArray(new String[0]);
  }

  private static Platform platform(Random random) {
    List<Reserved> reserved =
        random.nextInt(3) == 0
            ? List.of(new Reserved(Gesture.parse(any(random, STROKES)), new ActionId("reserved")))
            : List.of();
    return new Platform(
        Map.of(),
        reserved,
        random.nextBoolean(),
        random.nextInt(3) == 0 ? Set.of(Modifier.ALT) : Set.of(),
        Modifier.CTRL,
        random.nextInt(3) == 0
            ? Optional.of(new OwnBindingRules(2, Set.of(), 1, false, Set.of()))
            : Optional.empty(),
        any(random, List.of(Set.of(), Set.of(MenuForm.HELD), Set.of(MenuForm.values()))));
  }

  /** Any remap of those that the setups have. */
  public static Remap remap(Random random) {
    if (random.nextInt(3) == 0) {
      return Worlds.strokes(any(random, STROKES) + " -> " + any(random, STROKES));
    }
    Remap keys =
        random.nextInt(8) == 0
            ? Worlds.keys("Ctrl -> KeyA", "Alt -> KeyB", any(random, KEY_RULES))
            : Worlds.keys(any(random, KEY_RULES), any(random, KEY_RULES));
    Optional<EnvironmentId> only =
        random.nextInt(4) == 0
            ? Optional.of(new EnvironmentId(any(random, List.of("app", "remote"))))
            : Optional.empty();
    return new Remap(keys.title(), only, keys.strokeRules(), keys.keyRules());
  }

  private static Machine machine(Random random, int depth) {
    Machine.Focus focus =
        depth == 0
            ? random.nextInt(8) == 0
                ? new Machine.Bare()
                : Worlds.in("app", any(random, List.of("c1", "c2", "anywhere")))
            : new Machine.SessionWindow(
                new EnvironmentId("remote"),
                Worlds.ONE,
                any(random, List.of(Capture.values())),
                random.nextBoolean(),
                random.nextBoolean() ? List.of(Gesture.parse(any(random, STROKES))) : List.of(),
                random.nextBoolean() ? List.of(Gesture.parse(any(random, STROKES))) : List.of(),
                random.nextInt(5) > 0,
                random.nextBoolean()
                    ? Optional.of(Worlds.keys(any(random, KEY_RULES), any(random, KEY_RULES)))
                    : Optional.empty(),
                any(random, List.of(0, 500)),
                machine(random, depth - 1));
    List<Remap> remaps = new ArrayList<>();
    for (int i = random.nextInt(3); i > 0; i--) {
      remaps.add(remap(random));
    }
    String id = any(random, List.of("p1", "p2"));
    Machine made =
        new Machine(
            id,
            new EnvironmentId(id),
            Worlds.ONE,
            any(random, List.of("us", "central")),
            remaps,
            List.of(),
            random.nextInt(3) == 0 ? Set.of("b0") : Set.of(),
            Set.of(),
            focus);
    return random.nextBoolean()
        ? made
        : Worlds.withOwn(
            made, Binding.of("own", new ActionId("p10"), Gesture.parse(gesture(random))));
  }

  /** A world, a setup in it, and a gesture to press. */
  public record Case(World world, Setup setup, Gesture pressed) {}

  public static Case make(long seed) {
    Random random = new Random(seed);
    return make(random, random.nextInt(3) == 0, true);
  }

  /** One without long sequences and held contexts of its own, for what follows each of many. */
  public static Case plain(long seed) {
    return make(new Random(seed), false, false);
  }

  private static Case make(Random random, boolean dense, boolean holds) {
    World world =
        new Worlds()
            .environment(
                "p1", platform(random), broken(random), lines(random, "p1", true, dense, holds))
            .environment(
                "p2", platform(random), broken(random), lines(random, "p2", true, dense, holds))
            .environment(
                "remote",
                new Application(List.of(), true),
                broken(random),
                lines(random, "r", false, dense, holds))
            .environment(
                "app",
                new Application(List.of(), false),
                broken(random),
                lines(random, "a", true, dense, holds))
            .app("holder", "F24 = p10")
            .menus("app", "F S = a0", "F O = a1", "E S = a2")
            .together("app", "c1", random.nextBoolean() ? "c2" : "c1")
            .build();
    Setup setup =
        new Setup(
            new SetupId("s"),
            "s",
            any(random, List.of("full", "small")),
            machine(random, random.nextInt(8) == 0 ? 5 : random.nextInt(4)));
    StringBuilder pressed = new StringBuilder(gesture(random));
    for (int i = random.nextInt(3); i > 0; i--) {
      pressed.append(' ').append(gesture(random));
    }
    if (!dense && random.nextInt(3) == 0) {
      pressed.setLength(0);
      pressed.append(any(random, HELD_OPEN));
    }
    if (dense) {
      pressed.setLength(0);
      pressed.append(dense(random, 5));
      if (random.nextBoolean()) {
        pressed.insert(0, "Alt(").append(") ").append(dense(random, 2));
      }
    }
    return new Case(world, setup, Gesture.parse(pressed.toString()).expand().getFirst());
  }

  private static WhenBroken broken(Random random) {
    return random.nextBoolean() ? WhenBroken.SWALLOW : WhenBroken.REPLAY;
  }

  private RandomSetups() {}
}
