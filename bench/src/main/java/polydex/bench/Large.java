package polydex.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.files.Shipped;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers.Side;
import polydex.route.Machine;
import polydex.route.Remap;
import polydex.route.Remap.KeyPart;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.ModifierPart;
import polydex.route.Remap.Part;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.World;

/** Large made-up keymaps: one desktop and one application with many contexts, seeded. */
final class Large {
  static final Version ONE = new Version("1");
  private static final List<String> MODIFIERS =
      List.of(
          "", "Ctrl+", "Alt+", "Meta+", "Ctrl+Shift+", "Ctrl+Alt+", "Meta+Shift+", "Alt+Shift+");
  private static final List<String> DESKTOP =
      List.of("Meta+", "Meta+", "Meta+Shift+", "Meta+Ctrl+", "Ctrl+Alt+");
  private static final List<String> APPLICATION =
      List.of("Ctrl+", "Ctrl+Shift+", "Alt+", "Alt+Shift+", "Ctrl+Alt+");
  private static final List<String> WORDS =
      List.of(
          "copy",
          "move",
          "delete",
          "line",
          "cue",
          "scene",
          "dome",
          "star",
          "row",
          "column",
          "fade",
          "lane",
          "clip",
          "marker",
          "window",
          "page",
          "letter",
          "find",
          "next",
          "previous",
          "open",
          "close",
          "light",
          "time",
          "split",
          "join",
          "hide",
          "show",
          "sort",
          "filter");

  private static final EnvironmentId DESK = new EnvironmentId("desk");
  private static final EnvironmentId APP = new EnvironmentId("app");
  private static final EnvironmentId HOST = new EnvironmentId("host");
  private static final EnvironmentId WINDOW = new EnvironmentId("window");

  private Large() {}

  /** A world with so many bindings, a tenth of them on the desktop, a context for each hundred. */
  static World world(int bindings) {
    Random random = new Random(bindings);
    List<Action> actions = new ArrayList<>();
    List<Binding> desktop = new ArrayList<>();
    List<Binding> application = new ArrayList<>();
    List<Context> contexts = new ArrayList<>();
    contexts.add(Context.ANYWHERE);
    for (int i = 1; i <= bindings / 100; i++) {
      contexts.add(new Context("c" + i, "context " + i, Optional.of(Context.ANYWHERE.id())));
    }
    for (int i = 0; i < bindings; i++) {
      String title = word(random) + " " + word(random) + " " + word(random) + " " + i;
      actions.add(Action.of(new ActionId("a" + i), title, "Made up"));
      boolean onDesktop = i % 10 == 0;
      String context = onDesktop ? "anywhere" : contexts.get(random.nextInt(contexts.size())).id();
      (onDesktop ? desktop : application)
          .add(Binding.of("b" + i, new ActionId("a" + i), gesture(random), context));
    }
    Environment platform =
        new Environment(
            DESK, "Desk", ONE, List.of(Context.ANYWHERE), WhenBroken.SWALLOW, Platform.PLAIN);
    Environment app =
        new Environment(
            APP, "App", ONE, contexts, WhenBroken.SWALLOW, new Application(List.of(), false));
    World shipped = Shipped.start().world();
    return new World(
        Catalog.of(actions, List.of(platform, app), Map.of(DESK, desktop, APP, application)),
        shipped.boards(),
        shipped.layouts());
  }

  /**
   * The same as computers usually are: a desktop of at most a hundred bindings that mostly hold
   * Meta, and an application whose hundreds of contexts mostly hold Ctrl, so that about three
   * bindings in ten lose their gesture.
   */
  static World usual(int bindings) {
    Random random = new Random(bindings);
    World crowded = world(bindings);
    List<Binding> desktop = new ArrayList<>();
    List<Binding> application = new ArrayList<>();
    int most = Math.min(100, bindings / 10);
    for (EnvironmentId environment : List.of(DESK, APP)) {
      for (Binding b : crowded.catalog().bindings(environment)) {
        boolean onDesktop = environment.equals(DESK) && desktop.size() < most;
        String first =
            (onDesktop ? DESKTOP : APPLICATION).get(random.nextInt(5))
                + (char) ('A' + random.nextInt(26));
        String second = APPLICATION.get(random.nextInt(5)) + (char) ('A' + random.nextInt(26));
        Gesture gesture =
            Gesture.parse(onDesktop || random.nextInt(4) == 0 ? first : first + " " + second);
        (onDesktop ? desktop : application).add(b.with(b.id(), gesture));
      }
    }
    return new World(
        Catalog.of(
            crowded.catalog().actions(),
            crowded.catalog().environments(),
            Map.of(DESK, desktop, APP, application)),
        crowded.boards(),
        crowded.layouts());
  }

  /**
   * The same as {@link #usual}, for a setup in which it all runs behind a window on another
   * machine: that has a desktop of a hundred bindings of its own, and the window two dozen.
   */
  static World remote(int bindings) {
    Random random = new Random(bindings);
    World usual = usual(bindings);
    List<Action> actions = new ArrayList<>(usual.catalog().actions());
    List<Environment> environments = new ArrayList<>(usual.catalog().environments());
    environments.add(
        new Environment(
            HOST, "Host", ONE, List.of(Context.ANYWHERE), WhenBroken.SWALLOW, Platform.PLAIN));
    environments.add(
        new Environment(
            WINDOW,
            "Window",
            ONE,
            List.of(Context.ANYWHERE),
            WhenBroken.SWALLOW,
            new Application(List.of(), false)));
    Map<EnvironmentId, List<Binding>> all = new HashMap<>();
    for (EnvironmentId id : List.of(DESK, APP)) {
      all.put(id, usual.catalog().bindings(id));
    }
    for (EnvironmentId id : List.of(HOST, WINDOW)) {
      List<Binding> some = new ArrayList<>();
      for (int i = 0; i < (id.equals(HOST) ? 100 : 24); i++) {
        ActionId action = new ActionId(id.value() + i);
        actions.add(Action.of(action, word(random) + " " + id + " " + i, "Made up"));
        String held = id.equals(HOST) ? DESKTOP.get(random.nextInt(5)) : "Ctrl+Alt+Shift+";
        char key = (char) ('A' + random.nextInt(26));
        some.add(Binding.of("b" + i, action, Gesture.parse(held + key), Context.ANYWHERE.id()));
      }
      all.put(id, some);
    }
    return new World(Catalog.of(actions, environments, all), usual.boards(), usual.layouts());
  }

  /** The setup for it: CapsLock is Ctrl on the outer machine, Hyper is Meta inside the window. */
  static Setup remoteSetup() {
    return new Setup(
        new SetupId("remote"),
        "Remote",
        "full-ansi",
        new Machine(
            "Outer",
            HOST,
            ONE,
            "us",
            List.of(held("Caps", new KeyPart(Key.CapsLock), Modifier.CTRL)),
            List.of(),
            Set.of(),
            Set.of(),
            new Machine.SessionWindow(
                WINDOW,
                ONE,
                Machine.Capture.NEVER,
                false,
                List.of(),
                List.of(Gesture.parse("Meta+L")),
                true,
                Optional.of(
                    held("Hyper", new ModifierPart(Modifier.HYPER, Side.EITHER), Modifier.META)),
                0,
                setup().machine())));
  }

  private static Remap held(String title, Part from, Modifier to) {
    Part becomes = new ModifierPart(to, Side.EITHER);
    return new Remap(
        title, Optional.empty(), List.of(), List.of(new KeyRule(from, Optional.of(becomes))));
  }

  /** A world of so many applications, each with so many bindings that nothing takes away. */
  static World applications(int count, int bindings) {
    Random random = new Random(count);
    List<Action> actions = new ArrayList<>();
    List<Environment> environments = new ArrayList<>();
    environments.add(
        new Environment(
            DESK, "Desk", ONE, List.of(Context.ANYWHERE), WhenBroken.SWALLOW, Platform.PLAIN));
    Map<EnvironmentId, List<Binding>> all = new HashMap<>();
    for (int b = 0; b < bindings; b++) {
      String title = word(random) + " " + word(random) + " " + b;
      actions.add(Action.of(new ActionId("a" + b), title, "Made up"));
    }
    for (int i = 0; i < count; i++) {
      EnvironmentId id = new EnvironmentId("app" + i);
      environments.add(
          new Environment(
              id,
              "App " + i,
              ONE,
              List.of(Context.ANYWHERE),
              WhenBroken.SWALLOW,
              new Application(List.of(), false)));
      List<Binding> some = new ArrayList<>();
      for (int b = 0; b < bindings; b++) {
        String stroke = MODIFIERS.get(1 + b / 26) + (char) ('A' + b % 26);
        some.add(
            Binding.of(
                "b" + b, new ActionId("a" + b), Gesture.parse(stroke), Context.ANYWHERE.id()));
      }
      all.put(id, some);
    }
    World shipped = Shipped.start().world();
    return new World(Catalog.of(actions, environments, all), shipped.boards(), shipped.layouts());
  }

  /** A setup for each of so many applications. */
  static List<Setup> setups(int count) {
    List<Setup> setups = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      setups.add(setup("large" + i, "app" + i));
    }
    return setups;
  }

  /** So many setups of {@link #usual}. */
  static List<Setup> alike(int count) {
    List<Setup> setups = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      setups.add(setup("large" + i, "app"));
    }
    return setups;
  }

  /** The application on the desktop. */
  static Setup setup() {
    return setup("large", "app");
  }

  private static Setup setup(String id, String application) {
    return new Setup(
        new SetupId(id),
        "Large",
        "full-ansi",
        new Machine(
            "Machine",
            DESK,
            ONE,
            "us",
            List.of(),
            List.of(),
            Set.of(),
            Set.of(),
            new Machine.Running(
                new EnvironmentId(application), ONE, Set.of(), List.of("anywhere"))));
  }

  private static String word(Random random) {
    return WORDS.get(random.nextInt(WORDS.size()));
  }

  private static Gesture gesture(Random random) {
    String first = stroke(random);
    return Gesture.parse(random.nextInt(4) == 0 ? first : first + " " + stroke(random));
  }

  private static String stroke(Random random) {
    return MODIFIERS.get(1 + random.nextInt(MODIFIERS.size() - 1))
        + (char) ('A' + random.nextInt(26));
  }
}
