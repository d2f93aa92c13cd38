package polydex.route;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.route.Remap.KeyPart;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.Part;
import polydex.route.Remap.StrokeRule;

/**
 * What is wrong with a setup, each mistake at the spot where it is. One that {@link Mistake#stops}
 * keeps the setup from being traced; the others make a part of it idle.
 */
public final class SetupCheck {

  /** The parts that a setup is made of. */
  public enum Kind {
    BOARD,
    PLATFORM,
    VERSION,
    LAYOUT,
    OPTION,
    SWITCHED_OFF,
    REMAP,
    STROKE_RULE,
    KEY_RULE,
    OWN,
    FOCUS,
    FOCUS_VERSION,
    FOCUS_OPTION,
    CONTEXT,
    KEPT,
    SENT,
    TRANSLATION
  }

  /**
   * A spot in a setup.
   *
   * @param machine the depth of the machine, 0 under the fingers
   * @param name which of several: an id, or the places in its lists, {@code 1.0}; else empty
   */
  public record Spot(int machine, Kind kind, String name) {}

  /**
   * Something that is wrong.
   *
   * @param sentence what, and where it helps what to do
   * @param stops whether nothing can be traced with it
   */
  public record Mistake(Spot spot, String sentence, boolean stops) {}

  private final World world;
  private final Catalog catalog;
  private final List<Mistake> found = new ArrayList<>();

  private SetupCheck(World world) {
    this.world = world;
    this.catalog = world.catalog();
  }

  /** All mistakes of a setup, from the fingers inward. */
  public static List<Mistake> of(Setup setup, World world) {
    SetupCheck check = new SetupCheck(world);
    Board board = world.boards().get(setup.board());
    if (board == null) {
      check.stop(0, Kind.BOARD, worded("route.there-is-no-board", setup.board()));
    }
    List<Machine> machines = setup.machines();
    if (machines.size() > Refused.MOST_MACHINES) {
      check.stop(
          Refused.MOST_MACHINES,
          Kind.FOCUS,
          worded("route.more-than-machines-in-one-another", Refused.MOST_MACHINES));
    }
    for (int depth = 0; depth < machines.size(); depth++) {
      check.machine(depth, machines.get(depth), depth == 0 ? board : null);
    }
    return List.copyOf(check.found);
  }

  private void say(int depth, Kind kind, String name, String sentence) {
    found.add(new Mistake(new Spot(depth, kind, name), sentence, false));
  }

  private void stop(int depth, Kind kind, String sentence) {
    found.add(new Mistake(new Spot(depth, kind, ""), sentence, true));
  }

  private void machine(int depth, Machine machine, @Nullable Board board) {
    Optional<Environment> platform = catalog.environment(machine.platform());
    Layout layout = world.layouts().get(machine.layout());
    if (platform.flatMap(Environment::platform).isEmpty()) {
      stop(depth, Kind.PLATFORM, worded("route.there-is-no-platform-bring-in", machine.platform()));
    }
    if (layout == null) {
      stop(depth, Kind.LAYOUT, worded("route.there-is-no-layout", machine.layout()));
    } else {
      remaps(depth, machine, layout, board);
    }
    platform.ifPresent(
        p -> {
          version(depth, Kind.VERSION, p, machine.version());
          options(depth, Kind.OPTION, p, machine.options());
          machine.switchedOff().stream()
              .filter(id -> catalog.binding(p.id(), id).isEmpty())
              .forEach(
                  id ->
                      say(
                          depth,
                          Kind.SWITCHED_OFF,
                          id,
                          worded("route.has-no-binding-now", p.title(), id)));
          machine.switchedOff().stream()
              .flatMap(id -> catalog.binding(p.id(), id).stream())
              .filter(b -> b.remarks().fixed())
              .forEach(
                  b ->
                      say(
                          depth,
                          Kind.SWITCHED_OFF,
                          b.id(),
                          worded("route.of-cant-be-switched-off-and", b.gesture(), p.title())));
          own(depth, machine, p);
        });
    focus(depth, machine);
  }

  private void version(int depth, Kind kind, Environment environment, Version version) {
    if (version.compareTo(environment.version()) > 0) {
      say(
          depth,
          kind,
          "",
          worded(
              "route.the-keymap-describes-up-to-version",
              environment.title(),
              environment.version()));
    }
  }

  private void options(int depth, Kind kind, Environment environment, Set<String> options) {
    Set<String> known =
        options.isEmpty() ? Set.of() : options(catalog, environment.id()); // it asks all bindings
    options.stream()
        .filter(o -> !known.contains(o))
        .forEach(
            o ->
                say(
                    depth,
                    kind,
                    o,
                    worded("route.no-binding-of-depends-on", environment.title(), o)));
  }

  /** The options that bindings of an environment ask for. */
  public static Set<String> options(Catalog catalog, EnvironmentId environment) {
    return catalog.bindings(environment).stream()
        .flatMap(b -> b.when().option().stream())
        .collect(Collectors.toSet());
  }

  private void own(int depth, Machine machine, Environment platform) {
    for (int i = 0; i < machine.own().size(); i++) {
      Binding own = machine.own().get(i);
      String name = String.valueOf(i);
      if (catalog.action(own.action()).isEmpty()) {
        say(depth, Kind.OWN, name, worded("route.there-is-no-action", own.action()));
      }
      if (platform.context(own.context()).isEmpty()) {
        say(depth, Kind.OWN, name, worded("route.has-no-context", platform.title(), own.context()));
      }
    }
  }

  private void remaps(int depth, Machine machine, Layout layout, @Nullable Board board) {
    Map<Part, Part> soFar = new HashMap<>();
    for (int i = 0; i < machine.remaps().size(); i++) {
      Remap remap = machine.remaps().get(i);
      int at = i;
      remap
          .onlyIn()
          .filter(a -> catalog.environment(a).isEmpty())
          .ifPresent(
              a ->
                  say(
                      depth,
                      Kind.REMAP,
                      String.valueOf(at),
                      worded("any.there-is-no-application", a)));
      for (int r = 0; r < remap.strokeRules().size(); r++) {
        strokeRule(depth, i + "." + r, remap.strokeRules().get(r), layout);
      }
      keyRules(depth, Kind.KEY_RULE, i + ".", remap.keyRules(), board);
      loops(depth, i, remap, soFar);
    }
  }

  private void strokeRule(int depth, String name, StrokeRule rule, Layout layout) {
    for (Gesture side : List.of(rule.from(), rule.to())) {
      Optional<String> refused = Refused.stroke(side);
      if (refused.isPresent()) {
        say(depth, Kind.STROKE_RULE, name, worded("route.the-rule-does-nothing", refused.get()));
        return;
      }
      if (!(Presses.of(side, layout) instanceof Presses.Typable t) || t.list().size() != 1) {
        say(
            depth,
            Kind.STROKE_RULE,
            name,
            worded("route.is-not-one-stroke-on-the", side, layout.title()));
        return;
      }
    }
    if (rule.from().equals(rule.to())) {
      say(depth, Kind.STROKE_RULE, name, worded("route.it-makes-the-stroke-into-itself"));
    }
  }

  private void keyRules(
      int depth, Kind kind, String prefix, List<KeyRule> rules, @Nullable Board board) {
    Set<Part> sources = new HashSet<>();
    for (int r = 0; r < rules.size(); r++) {
      KeyRule rule = rules.get(r);
      String name = prefix + r;
      if (!sources.add(rule.from())) {
        say(depth, kind, name, worded("route.a-rule-before-it-is-about", rule.from()));
      } else if (rule.to().equals(Optional.of(rule.from())) && rule.tapped().isEmpty()) {
        say(depth, kind, name, worded("route.it-makes-the-key-into-itself"));
      } else if (board != null && rule.from() instanceof KeyPart(var key) && !board.has(key)) {
        say(depth, kind, name, worded("any.the-board-has-no-key", board.title(), rule.from()));
      }
    }
  }

  /** A key that an earlier remap changes and a later one changes back has gone in a circle. */
  private void loops(int depth, int index, Remap remap, Map<Part, Part> soFar) {
    Map<Part, Part> before = Map.copyOf(soFar);
    Set<Part> sources = new HashSet<>();
    for (int r = 0; r < remap.keyRules().size(); r++) {
      KeyRule rule = remap.keyRules().get(r);
      Optional<Part> origin =
          before.entrySet().stream()
              .filter(e -> e.getValue().equals(rule.from()))
              .map(Map.Entry::getKey)
              .findFirst();
      if (rule.to().isPresent() && rule.to().equals(origin)) {
        say(
            depth,
            Kind.KEY_RULE,
            index + "." + r,
            worded("route.a-loop-an-earlier-remap-made", rule.from(), origin.get(), origin.get()));
      }
      rule.to()
          .filter(to -> sources.add(rule.from()) && !to.equals(rule.from()))
          .ifPresent(to -> soFar.put(origin.orElse(rule.from()), to));
    }
  }

  private void focus(int depth, Machine machine) {
    Optional<EnvironmentId> id = machine.application();
    if (id.isEmpty()) {
      return;
    }
    Optional<Environment> application = catalog.environment(id.get());
    if (application.isEmpty()) {
      stop(depth, Kind.FOCUS, worded("route.there-is-no-application-bring-in", id.get()));
      return;
    }
    Environment focus = application.get();
    if (!(focus.kind() instanceof Application kind)) {
      say(depth, Kind.FOCUS, "", worded("route.is-a-platform-not-an-application", focus.title()));
    } else if (!kind.platforms().isEmpty() && !kind.platforms().contains(machine.platform())) {
      say(
          depth,
          Kind.FOCUS,
          "",
          worded(
              "route.does-not-exist-on",
              focus.title(),
              catalog
                  .environment(machine.platform())
                  .map(Environment::title)
                  .orElse(machine.platform().value())));
    } else if (machine.focus() instanceof Machine.SessionWindow && !kind.holdsMachine()) {
      say(depth, Kind.FOCUS, "", worded("route.a-window-of-cant-hold-a", focus.title()));
    }
    switch (machine.focus()) {
      case Machine.Bare _ -> {}
      case Machine.Running r -> {
        version(depth, Kind.FOCUS_VERSION, focus, r.version());
        options(depth, Kind.FOCUS_OPTION, focus, r.options());
        r.contexts().stream()
            .filter(c -> focus.context(c).isEmpty())
            .forEach(
                c -> say(depth, Kind.CONTEXT, c, worded("route.has-no-context", focus.title(), c)));
      }
      case Machine.SessionWindow s -> session(depth, machine, s, focus);
    }
  }

  private void session(
      int depth, Machine machine, Machine.SessionWindow session, Environment window) {
    version(depth, Kind.FOCUS_VERSION, window, session.version());
    Layout layout = world.layouts().get(machine.layout());
    if (layout != null) {
      strokes(depth, Kind.KEPT, session.kept(), layout);
      strokes(depth, Kind.SENT, session.sent(), layout);
    }
    session.translation().ifPresent(t -> keyRules(depth, Kind.TRANSLATION, "", t.keyRules(), null));
  }

  private void strokes(int depth, Kind kind, List<Gesture> strokes, Layout layout) {
    for (int i = 0; i < strokes.size(); i++) {
      Optional<String> refused = Refused.stroke(strokes.get(i));
      if (refused.isPresent()) {
        say(depth, kind, String.valueOf(i), worded("route.it-does-nothing-here", refused.get()));
      } else if (Presses.physical(strokes.get(i), layout).isEmpty()) {
        say(
            depth,
            kind,
            String.valueOf(i),
            worded("route.cant-be-pressed-on-the-layout", strokes.get(i), layout.title()));
      }
    }
  }
}
