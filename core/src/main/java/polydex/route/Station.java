package polydex.route;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.Reserved;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.Layer.Kind;

/** One machine of a setup made ready for tracing: its layers, each with its index. */
final class Station {
  final int depth;
  final Machine machine;
  final Platform platform;
  final Layout layout;
  final List<Layer> remapLayers;
  final List<Remapping> remappings;
  final Layer reservedLayer;
  final Layer typingLayer;
  final Layer desktopLayer;

  /** That of the focused application or session window; none on a bare desktop. */
  final Optional<Layer> focusedLayer;

  final Optional<Remapping> translation;

  // The takers are made when a gesture is first followed through them, which most never see.
  private volatile @Nullable Taker desktop;
  private volatile @Nullable Taker focused;
  private Optional<Scope> menus = Optional.empty();

  /** Whether a binding here tells the left modifier from the right one, as far as it is known. */
  private volatile @Nullable Boolean sides;

  private final Map<Physical, Reserved> reserved;
  private final Set<Physical> kept;
  private final Set<Physical> sent;
  private final Catalog catalog;

  Station(Machine machine, int depth, World world) {
    this.depth = depth;
    this.machine = machine;
    this.catalog = world.catalog();
    this.reserved = new HashMap<>();
    this.kept = new HashSet<>();
    this.sent = new HashSet<>();
    this.layout = world.layouts().get(machine.layout());
    Environment environment = catalog.environment(machine.platform()).orElseThrow();
    this.platform = environment.platform().orElseThrow();
    List<Remap> active =
        machine.remaps().stream()
            .filter(
                r ->
                    r.onlyIn().stream()
                        .allMatch(a -> machine.application().stream().anyMatch(a::equals)))
            .toList();
    remapLayers = active.stream().map(r -> layer(Kind.REMAP, r.title())).toList();
    remappings = active.stream().map(r -> new Remapping(r, layout)).toList();
    reservedLayer = layer(Kind.RESERVED, environment.title() + Layer.RESERVED);
    for (Reserved r : platform.reserved()) {
      single(r.gesture()).ifPresent(p -> reserved.putIfAbsent(p, r));
    }
    desktopLayer = layer(Kind.DESKTOP, environment.title());
    focusedLayer =
        switch (machine.focus()) {
          case Machine.Bare _ -> Optional.empty();
          case Machine.Running r -> Optional.of(layer(Kind.APPLICATION, title(r.application())));
          case Machine.SessionWindow s -> Optional.of(layer(Kind.SESSION, title(s.application())));
        };
    typingLayer = layer(Kind.TYPING, layout.title() + Layer.LAYOUT);
    if (machine.focus() instanceof Machine.SessionWindow s) {
      translation = s.translation().map(t -> new Remapping(t, layout));
      s.kept().forEach(g -> single(g).ifPresent(kept::add));
      s.sent().forEach(g -> single(g).ifPresent(sent::add));
    } else {
      translation = Optional.empty();
    }
  }

  /** The desktop's keymap and the user's own. */
  Taker desktop() {
    Taker made = desktop;
    return made == null ? makeDesktop() : made;
  }

  private synchronized Taker makeDesktop() {
    Taker made = desktop;
    if (made == null) {
      made = desktop(catalog.environment(machine.platform()).orElseThrow());
      desktop = made;
    }
    return made;
  }

  /** The focused application's or session window's keymap; none on a bare desktop. */
  Optional<Taker> focused() {
    Taker made = focused;
    return made == null ? focusedLayer.map(this::makeFocused) : Optional.of(made);
  }

  private synchronized Taker makeFocused(Layer layer) {
    Taker made = focused;
    if (made == null) {
      List<String> contexts =
          machine.focus() instanceof Machine.Running r
              ? r.contexts()
              : List.of(Context.ANYWHERE.id());
      made = application(layer, machine.application().orElseThrow(), contexts);
      focused = made;
    }
    return made;
  }

  private static boolean namesASide(Physical press) {
    Modifiers m = press.held().modifiers();
    return !m.equals(m.eitherSide());
  }

  boolean tellsSides() {
    Boolean told = sides;
    if (told == null) {
      told = Sources.of(this, catalog).stream().anyMatch(s -> s.scopes().tellsSides());
      sides = told;
    }
    return told
        || remappings.stream().anyMatch(Remapping::tellsSides)
        || translation.filter(Remapping::tellsSides).isPresent();
  }

  /** The layers from the outside in. */
  List<Layer> layers() {
    return Stream.of(
            remapLayers.stream(),
            Stream.of(reservedLayer, desktopLayer),
            focusedLayer.stream(),
            machine.focus() instanceof Machine.SessionWindow
                ? Stream.<Layer>of()
                : Stream.of(typingLayer))
        .flatMap(s -> s)
        .toList();
  }

  Optional<Reserved> reserved(Physical press) {
    return reserved.isEmpty()
        ? Optional.empty()
        : Optional.ofNullable(reserved.get(matched(press).eitherSide()));
  }

  boolean keeps(Physical press) {
    return !kept.isEmpty() && kept.contains(matched(press).eitherSide());
  }

  boolean sends(Physical press) {
    return !sent.isEmpty() && sent.contains(matched(press).eitherSide());
  }

  /** The press as keymaps of this platform see it: AltGr may be Ctrl and Alt to them. */
  Physical matched(Physical press) {
    Modifiers held = press.held().modifiers();
    Modifiers seen = platform.asMatched(held);
    return seen.equals(held) ? press : press.with(seen);
  }

  /** What the layout types for a press that nobody took. */
  Optional<Layout.Symbol> typed(Physical press) {
    if (!(press instanceof Physical.Press p) || !p.held().keys().isEmpty()) {
      return Optional.empty();
    }
    return layout.typed(p.key(), platform.asTyped(p.held().modifiers()));
  }

  private Taker desktop(Environment environment) {
    Scope own = new Scope();
    for (Binding binding : machine.own()) {
      index(own, environment, binding, true);
    }
    Map<String, Scope> scopes = scopes(environment, b -> machine.isOn(Kind.DESKTOP, b));
    List<Scope> active =
        Stream.concat(Stream.of(own), Stream.ofNullable(scopes.get(Context.ANYWHERE.id())))
            .toList();
    return new Taker(desktopLayer, active, scopes, environment.whenBroken());
  }

  private Taker application(Layer layer, EnvironmentId id, List<String> contexts) {
    Environment environment = catalog.environment(id).orElseThrow();
    Map<String, Scope> scopes = scopes(environment, b -> machine.isOn(layer.kind(), b));
    List<Scope> asked = asked(environment, scopes, contexts);
    menus = layer.kind() == Kind.APPLICATION ? menus(environment) : Optional.empty();
    return new Taker(
        layer,
        Stream.concat(asked.stream(), menus.stream()).toList(),
        scopes,
        environment.whenBroken());
  }

  /** The access keys of the menus, which are asked after everything else. */
  private Optional<Scope> menus(Environment application) {
    List<Binding> keys = MenuKeys.of(application, platform);
    if (keys.isEmpty()) {
      return Optional.empty();
    }
    Scope scope = new Scope();
    keys.forEach(k -> index(scope, application, k, false));
    return Optional.of(scope);
  }

  /** Where these presses lead in the menus. */
  List<Scope.Node> inMenus(List<Physical> presses) {
    focused(); // which makes the menus
    List<Scope.Node> at = List.of();
    for (int i = 0; i < presses.size(); i++) {
      Physical press = matched(presses.get(i));
      at = i == 0 ? menus.map(m -> m.first(press)).orElse(List.of()) : Scope.next(at, press);
    }
    return at;
  }

  /** The scopes of these contexts and of those around them, the outermost last. */
  private static List<Scope> asked(
      Environment environment, Map<String, Scope> scopes, List<String> contexts) {
    Set<String> active = new LinkedHashSet<>();
    contexts.forEach(c -> active.addAll(environment.outward(c)));
    active.remove(Context.ANYWHERE.id());
    return Stream.concat(active.stream(), Stream.of(Context.ANYWHERE.id()))
        .flatMap(c -> Stream.ofNullable(scopes.get(c)))
        .toList();
  }

  /** The same with these contexts of the focused application active; its indexes are shared. */
  Station withContexts(List<String> contexts) {
    Optional<Taker> changed =
        focused()
            .map(
                taker ->
                    new Taker(
                        taker.layer(),
                        Stream.concat(
                                asked(
                                    catalog
                                        .environment(machine.application().orElseThrow())
                                        .orElseThrow(),
                                    taker.heldContexts(),
                                    contexts)
                                    .stream(),
                                menus.stream())
                            .toList(),
                        taker.heldContexts(),
                        taker.whenBroken()));
    return new Station(this, catalog, desktop(), changed, sides);
  }

  /** The same with one more binding of the user's own, behind those that are there. */
  Station withOwn(Binding more) {
    Taker before = desktop();
    Scope own = before.scopes().getFirst();
    Boolean told = sides;
    List<List<Physical>> all = presses(more);
    if (all.stream().flatMap(List::stream).anyMatch(Station::namesASide)) {
      told = true;
    }
    List<Scope> scopes = new ArrayList<>(before.scopes());
    scopes.set(0, own.withOwn(machine.platform(), more, matched(all)));
    Taker changed = new Taker(desktopLayer, scopes, before.heldContexts(), before.whenBroken());
    return new Station(this, catalog, changed, focused(), told);
  }

  /**
   * The same after single bindings of its keymaps have changed; the other indexes are shared.
   *
   * @return nothing where that is more than single places in its indexes
   */
  Optional<Station> after(World now, List<KeymapDiff.Edit> edits) {
    Taker desktopNow = desktop();
    Optional<Taker> focusedNow = focused();
    boolean told = tellsSides();
    for (KeymapDiff.Edit edit : edits) {
      boolean onDesktop = edit.environment().equals(machine.platform());
      boolean inFocus = machine.application().filter(edit.environment()::equals).isPresent();
      if (onDesktop == inFocus) {
        if (onDesktop) {
          return Optional.empty();
        }
        continue;
      }
      Taker taker = onDesktop ? desktopNow : focusedNow.orElseThrow();
      Optional<Taker> changed = after(taker, edit, onDesktop);
      if (changed.isEmpty()) {
        return Optional.empty();
      }
      desktopNow = onDesktop ? changed.get() : desktopNow;
      focusedNow = onDesktop ? focusedNow : changed;
      for (Binding b : edit.now().stream().toList()) {
        told |= presses(b).stream().flatMap(List::stream).anyMatch(Station::namesASide);
      }
      if (edit.was().stream()
          .anyMatch(b -> presses(b).stream().flatMap(List::stream).anyMatch(Station::namesASide))) {
        return Optional.empty(); // whether another one still tells sides is not known
      }
    }
    return Optional.of(new Station(this, now.catalog(), desktopNow, focusedNow, told));
  }

  private Optional<Taker> after(Taker taker, KeymapDiff.Edit edit, boolean onDesktop) {
    Optional<Binding> was =
        edit.was().filter(b -> machine.isOn(onDesktop ? Kind.DESKTOP : Kind.APPLICATION, b));
    Optional<Binding> now =
        edit.now().filter(b -> machine.isOn(onDesktop ? Kind.DESKTOP : Kind.APPLICATION, b));
    boolean moved =
        was.isPresent() && now.isPresent() && !was.get().context().equals(now.get().context());
    boolean cameOn = edit.was().isPresent() && was.isEmpty() && now.isPresent();
    if (moved || cameOn) {
      return Optional.empty();
    }
    Optional<Binding> either = now.or(() -> was);
    if (either.isEmpty()) {
      return Optional.of(taker);
    }
    String context = either.get().context();
    Scope scope = taker.heldContexts().get(context);
    List<List<Physical>> gone = was.map(this::presses).orElse(List.of());
    List<List<Physical>> come = now.map(this::presses).orElse(List.of());
    if (scope == null || (was.isPresent() && now.isPresent() && gone.isEmpty())) {
      return Optional.empty();
    }
    return Optional.of(
        taker.with(
            context, scope.replacing(was, matched(gone), edit.environment(), now, matched(come))));
  }

  /** The presses of each member of a binding that can be typed here. */
  List<List<Physical>> presses(Binding binding) {
    return binding.gesture().expand().stream()
        .flatMap(member -> Presses.physical(member, layout).stream())
        .toList();
  }

  private List<List<Physical>> matched(List<List<Physical>> all) {
    return all.stream().map(list -> list.stream().map(this::matched).toList()).toList();
  }

  private Station(
      Station other,
      Catalog catalog,
      Taker desktop,
      Optional<Taker> focused,
      @Nullable Boolean sides) {
    depth = other.depth;
    machine = other.machine;
    platform = other.platform;
    layout = other.layout;
    remapLayers = other.remapLayers;
    remappings = other.remappings;
    reservedLayer = other.reservedLayer;
    typingLayer = other.typingLayer;
    desktopLayer = other.desktopLayer;
    focusedLayer = other.focusedLayer;
    translation = other.translation;
    reserved = other.reserved;
    kept = other.kept;
    sent = other.sent;
    menus = other.menus;
    this.catalog = catalog;
    this.desktop = desktop;
    this.focused = focused.orElse(null);
    this.sides = sides;
  }

  /** What a press that comes to this machine is after its remaps; none where they drop it. */
  Optional<Physical> remapped(Physical arriving) {
    Physical press = arriving;
    for (Remapping remapping : remappings) {
      Remapping.Result result = remapping.apply(press);
      if (result.out().isEmpty()) {
        return Optional.empty();
      }
      press = result.out().get();
      if (result.last()) {
        break;
      }
    }
    return Optional.of(press);
  }

  private Map<String, Scope> scopes(Environment environment, Predicate<Binding> isOn) {
    Map<String, Scope> scopes = new LinkedHashMap<>();
    for (Binding binding : catalog.bindings(environment.id())) {
      if (isOn.test(binding)) {
        index(
            scopes.computeIfAbsent(binding.context(), _ -> new Scope()),
            environment,
            binding,
            false);
      }
    }
    return scopes;
  }

  private void index(Scope scope, Environment environment, Binding binding, boolean own) {
    for (Gesture member : binding.gesture().expand()) {
      // What the layout can't type is never pressed here, so it has no place in the index.
      Presses.physical(member, layout)
          .ifPresent(
              list -> {
                scope.add(
                    list.stream().map(this::matched).toList(), environment.id(), binding, own);
              });
    }
  }

  private Optional<Physical> single(Gesture gesture) {
    return gesture.isStroke()
        ? Presses.physical(gesture, layout).map(l -> matched(l.getFirst()).eitherSide())
        : Optional.empty();
  }

  private String title(EnvironmentId environment) {
    return catalog.environment(environment).orElseThrow().title();
  }

  private Layer layer(Kind kind, String title) {
    return new Layer(depth, kind, title, machine.title());
  }

  /** The stations of a setup from the fingers inward. */
  static List<Station> of(Setup setup, World world) {
    List<Machine> machines = setup.machines();
    return IntStream.range(0, machines.size())
        .mapToObj(i -> new Station(machines.get(i), i, world))
        .toList();
  }
}
