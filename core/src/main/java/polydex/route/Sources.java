package polydex.route;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import polydex.boards.Layout;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;

/** The keymaps of one machine as they are switched there. */
final class Sources {
  private Sources() {}

  /** Where the bindings of a keymap come from. */
  enum Kind {
    OWN,
    DESKTOP,
    FOCUSED,
    MENUS
  }

  /**
   * The bindings of one keymap on a machine.
   *
   * @param kind whose they are
   * @param environment the id of the platform or application
   * @param keymap on the machine's layout
   * @param scopes what its contexts take
   * @param off bindings that do not take part, by their numbers
   * @param absent those of them that the version or options do not have
   */
  record Source(
      Kind kind,
      EnvironmentId environment,
      CompiledKeymap keymap,
      CompiledScopes scopes,
      BitSet off,
      BitSet absent) {}

  /** In the order in which they are asked. */
  static List<Source> of(Station station, Catalog catalog) {
    Machine machine = station.machine;
    List<Source> found = new ArrayList<>();
    if (!machine.own().isEmpty()) {
      CompiledKeymap own = CompiledKeymap.together(machine.own(), station.layout);
      found.add(source(station, Kind.OWN, machine.platform(), own, _ -> true, _ -> false));
    }
    CompiledKeymap desktop = CompiledKeymap.of(catalog, machine.platform(), station.layout);
    found.add(
        source(
            station,
            Kind.DESKTOP,
            machine.platform(),
            desktop,
            b -> machine.exists(Layer.Kind.DESKTOP, b),
            machine.switchedOff().isEmpty()
                ? _ -> false
                : b -> machine.isSwitchedOff(Layer.Kind.DESKTOP, b)));
    if (machine.application().isPresent()) {
      EnvironmentId id = machine.application().get();
      Layer.Kind kind = station.focusedLayer.orElseThrow().kind();
      CompiledKeymap focused = CompiledKeymap.of(catalog, id, station.layout);
      found.add(
          source(station, Kind.FOCUSED, id, focused, b -> machine.exists(kind, b), _ -> false));
      Environment application = catalog.environment(id).orElseThrow();
      if (kind == Layer.Kind.APPLICATION && !application.menus().isEmpty()) {
        List<Binding> keys = MenuKeys.of(application, station.platform);
        CompiledKeymap menus = CompiledKeymap.together(keys, station.layout);
        found.add(source(station, Kind.MENUS, id, menus, _ -> true, _ -> false));
      }
    }
    return found;
  }

  private static Source source(
      Station station,
      Kind kind,
      EnvironmentId environment,
      CompiledKeymap keymap,
      Predicate<Binding> exists,
      Predicate<Binding> switchedOff) {
    BitSet absent = keymap.without(exists);
    BitSet off = (BitSet) absent.clone();
    if (station.machine.switchedOff().size() > 0 && kind == Kind.DESKTOP) {
      BitSet switched = keymap.all(switchedOff);
      off.or(switched);
      absent.andNot(switched);
    }
    return new Source(kind, environment, keymap, keymap.scopes(station.platform, off), off, absent);
  }

  /** The contexts of an environment by their ids, as {@link Environment#context} finds them. */
  static Map<String, Context> contexts(Environment environment) {
    Map<String, Context> byId = new HashMap<>();
    environment.contexts().forEach(c -> byId.putIfAbsent(c.id(), c));
    return byId;
  }

  /** The numbers of the contexts that are asked while these are active, innermost first. */
  static int[] chain(Map<String, Context> contexts, CompiledKeymap keymap, List<String> active) {
    Set<String> asked = new LinkedHashSet<>();
    for (String id : active) {
      Context at = contexts.get(id);
      // The bound keeps a tree that bites its own tail from turning for ever.
      for (int i = 0; at != null && i < contexts.size(); i++) {
        asked.add(at.id());
        at = at.parent().map(contexts::get).orElse(null);
      }
    }
    asked.remove(Context.ANYWHERE.id());
    asked.add(Context.ANYWHERE.id());
    return asked.stream().mapToInt(keymap::contextNumber).filter(c -> c >= 0).toArray();
  }

  /** The same bindings on another layout. */
  static CompiledKeymap onLayout(Source source, Station station, Catalog catalog, Layout layout) {
    return switch (source.kind()) {
      case OWN -> CompiledKeymap.together(station.machine.own(), layout);
      case MENUS ->
          CompiledKeymap.together(
              MenuKeys.of(
                  catalog.environment(source.environment()).orElseThrow(), station.platform),
              layout);
      case DESKTOP, FOCUSED -> CompiledKeymap.of(catalog, source.environment(), layout);
    };
  }
}
