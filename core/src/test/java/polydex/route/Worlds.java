package polydex.route;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Keyboards;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.Reserved;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.route.Machine.Capture;

/** Small worlds for tests, written as a person would say them. */
public final class Worlds {
  public static final Version ONE = new Version("1");

  private final Map<String, Environment> environments = new LinkedHashMap<>();
  private final Map<EnvironmentId, List<Binding>> bindings = new LinkedHashMap<>();
  private final Map<String, Action> actions = new LinkedHashMap<>();

  public Worlds platform(String id, Platform kind, String... lines) {
    return environment(id, kind, WhenBroken.SWALLOW, lines);
  }

  public Worlds app(String id, String... lines) {
    return environment(id, new Application(List.of(), false), WhenBroken.SWALLOW, lines);
  }

  /**
   * Lines are "[context:] gesture = action [> held context] [@ since]"; contexts lie in anywhere.
   */
  public Worlds environment(
      String id, Environment.Kind kind, WhenBroken whenBroken, String... lines) {
    Map<String, Context> contexts = new LinkedHashMap<>();
    contexts.put("anywhere", Context.ANYWHERE);
    List<Binding> list = new ArrayList<>();
    for (String line : lines) {
      int colon = line.indexOf(": ");
      String context = colon < 0 ? "anywhere" : line.substring(0, colon);
      String rest = colon < 0 ? line : line.substring(colon + 2);
      String[] parts = rest.split(" = ");
      String[] since = parts[1].split(" @ ");
      String[] does = since[0].split(" > ");
      contexts.computeIfAbsent(context, c -> new Context(c, c, Optional.of("anywhere")));
      action(does[0]);
      Optional<String> held = does.length > 1 ? Optional.of(does[1]) : Optional.empty();
      held.ifPresent(
          h -> contexts.computeIfAbsent(h, c -> new Context(c, c, Optional.of("anywhere"))));
      list.add(
          new Binding(
              "b" + list.size(),
              new ActionId(does[0]),
              Gesture.parse(parts[0]),
              context,
              since.length == 1
                  ? Binding.Condition.ALWAYS
                  : new Binding.Condition(
                      Optional.of(new Version(since[1])),
                      Optional.empty(),
                      Optional.empty(),
                      Optional.empty()),
              held,
              Binding.Remarks.NONE));
    }
    if (kind instanceof Platform p) {
      p.reserved().forEach(r -> action(r.action().value()));
    }
    environments.put(
        id,
        new Environment(
            new EnvironmentId(id), id, ONE, List.copyOf(contexts.values()), whenBroken, kind));
    bindings.put(new EnvironmentId(id), list);
    return this;
  }

  /** Menus of an application: "F S = action" is the entry S of the menu F. */
  public Worlds menus(String app, String... lines) {
    Map<String, List<MenuItem>> byMenu = new LinkedHashMap<>();
    for (String line : lines) {
      String[] parts = line.split(" = ");
      String[] keys = parts[0].split(" ");
      action(parts[1]);
      byMenu
          .computeIfAbsent(keys[0], _ -> new ArrayList<>())
          .add(
              new MenuItem(
                  keys[1], Optional.of(keys[1]), Optional.of(new ActionId(parts[1])), List.of()));
    }
    List<MenuItem> menus = new ArrayList<>();
    byMenu.forEach(
        (key, items) -> menus.add(new MenuItem(key, Optional.of(key), Optional.empty(), items)));
    Environment e = environments.get(app);
    environments.put(
        app,
        new Environment(
            e.id(),
            e.title(),
            e.version(),
            e.contexts(),
            e.whenBroken(),
            e.kind(),
            e.pointerRoutes(),
            menus,
            e.source()));
    return this;
  }

  /** Two contexts of an environment that can be active together. */
  public Worlds together(String id, String one, String other) {
    Environment e = environments.get(id);
    environments.put(
        id,
        e.withContexts(
            e.contexts().stream()
                .map(
                    c ->
                        c.id().equals(one)
                            ? new Context(c.id(), c.title(), c.parent(), Set.of(other))
                            : c)
                .toList()));
    return this;
  }

  private void action(String id) {
    actions.putIfAbsent(id, Action.of(new ActionId(id), id, "test"));
  }

  public World build() {
    return new World(
        Catalog.of(List.copyOf(actions.values()), List.copyOf(environments.values()), bindings),
        Map.of("full", Keyboards.FULL, "small", Keyboards.SMALL),
        Map.of("us", Keyboards.US, "central", Keyboards.CENTRAL));
  }

  public static Platform plain(String... reserved) {
    List<Reserved> list = new ArrayList<>();
    for (String r : reserved) {
      list.add(new Reserved(Gesture.parse(r), new ActionId("reserved")));
    }
    return new Platform(Map.of(), list, false, Set.of());
  }

  public static Platform altGrIsCtrlAlt() {
    return new Platform(Map.of(), List.of(), true, Set.of());
  }

  public static Platform altTypes() {
    return new Platform(Map.of(), List.of(), false, Set.of(Modifier.ALT));
  }

  public static Machine machine(String platform, Machine.Focus focus, Remap... remaps) {
    return machine(platform, "us", focus, remaps);
  }

  public static Machine machine(
      String platform, String layout, Machine.Focus focus, Remap... remaps) {
    return new Machine(
        platform + " machine",
        new EnvironmentId(platform),
        ONE,
        layout,
        List.of(remaps),
        List.of(),
        Set.of(),
        Set.of(),
        focus);
  }

  public static Machine withOwn(Machine m, Binding... own) {
    return m.withOwn(List.of(own));
  }

  public static Machine.Running in(String app, String... contexts) {
    return new Machine.Running(new EnvironmentId(app), ONE, Set.of(), List.of(contexts));
  }

  public static Machine.SessionWindow session(String app, Capture capture, Machine inner) {
    return session(app, capture, List.of(), List.of(), true, Optional.empty(), inner);
  }

  public static Machine.SessionWindow session(
      String app,
      Capture capture,
      List<Gesture> kept,
      List<Gesture> sent,
      boolean forwards,
      Optional<Remap> translation,
      Machine inner) {
    return new Machine.SessionWindow(
        new EnvironmentId(app), ONE, capture, false, kept, sent, forwards, translation, 0, inner);
  }

  public static Remap keys(String... rules) {
    List<Remap.KeyRule> list = new ArrayList<>();
    for (String rule : rules) {
      // "from -> held" or "from -> held / tapped"
      String[] parts = rule.split(" -> ", -1);
      String[] to = parts[1].split(" / ");
      list.add(
          new Remap.KeyRule(
              Remap.Part.parse(parts[0]),
              to[0].equals("off") ? Optional.empty() : Optional.of(Remap.Part.parse(to[0])),
              to.length == 1
                  ? Optional.empty()
                  : Optional.of(new Remap.Tapped(Remap.Part.parse(to[1]), 200))));
    }
    return new Remap(String.join(", ", rules), Optional.empty(), List.of(), list);
  }

  public static Remap strokes(String... rules) {
    List<Remap.StrokeRule> list = new ArrayList<>();
    for (String rule : rules) {
      String[] parts = rule.split(" -> ");
      list.add(new Remap.StrokeRule(Gesture.parse(parts[0]), Gesture.parse(parts[1])));
    }
    return new Remap(String.join(", ", rules), Optional.empty(), list, List.of());
  }

  public static Setup setup(Machine machine) {
    return new Setup(new SetupId("setup"), "Setup", "full", machine);
  }

  /** What came of a gesture: "environment.action", "types x" or "nothing", joined by commas. */
  public static String outcomes(World world, Setup setup, String gesture) {
    return outcomes(Tracer.of(setup, world).trace(Gesture.parse(gesture)));
  }

  static String outcomesAtDepth(Trace trace) {
    return String.join(", ", trace.results().stream().map(r -> outcome(r, true)).toList());
  }

  static String outcomes(Trace trace) {
    return String.join(", ", trace.results().stream().map(r -> outcome(r, false)).toList());
  }

  /** One of what came of a gesture: "environment.action[@depth]", "types x" or "nothing". */
  public static String outcome(Trace.Outcome outcome, boolean depth) {
    return switch (outcome) {
      case Trace.Acted a ->
          a.environment() + "." + a.action() + (depth ? "@" + a.layer().depth() : "");
      case Trace.Typed t -> "types " + t.text();
      case Trace.Nothing _ -> "nothing";
    };
  }
}
