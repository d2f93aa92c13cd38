package polydex.systems;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Control;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.PointerRoute;
import polydex.catalog.Environment.Reserved;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors.Sort;
import polydex.catalog.Successors.Spot;
import polydex.fit.Fitting;
import polydex.fit.OwnBinding;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.workspace.Workspace;

/** Where actions stand in keymaps, and what stands there instead. O(all that they have). */
final class ActionSpots {
  /** What stands in a spot. */
  interface Choice {
    ActionId at(Spot spot, ActionId now);
  }

  private final Choice choice;

  private ActionSpots(Choice choice) {
    this.choice = choice;
  }

  /** Every spot of an action. */
  static Set<Spot> of(Workspace workspace, ActionId action) {
    Set<Spot> spots = new LinkedHashSet<>();
    var _ =
        with(
            workspace,
            (spot, now) -> {
              if (now.equals(action)) {
                spots.add(spot);
              }
              return now;
            });
    return spots;
  }

  /** The same keymaps with other actions in some spots. */
  static Workspace with(Workspace before, Choice choice) {
    ActionSpots spots = new ActionSpots(choice);
    Catalog catalog = before.catalog();
    List<Environment> environments =
        catalog.environments().stream().map(spots::environment).toList();
    Map<EnvironmentId, List<Binding>> bindings = new LinkedHashMap<>();
    for (Environment e : environments) {
      if (!catalog.bindings(e.id()).isEmpty()) {
        bindings.put(e.id(), spots.bindings(e.id(), Sort.BINDING, catalog.bindings(e.id())));
      }
    }
    Map<SetupId, Setup> setups = new LinkedHashMap<>(before.setups());
    setups.replaceAll((_, s) -> s.on(spots.machine(s.machine())));
    return before
        .with(catalog.with(List.of(), environments, bindings))
        .with(setups)
        .with(spots.fitting(before.fitting()));
  }

  private ActionId at(EnvironmentId environment, Sort sort, List<String> which, ActionId now) {
    return choice.at(new Spot(environment, sort, which), now);
  }

  private List<Binding> bindings(EnvironmentId environment, Sort sort, List<Binding> list) {
    return list.stream()
        .map(
            b -> {
              ActionId to = at(environment, sort, List.of(b.id()), b.action());
              return to.equals(b.action())
                  ? b
                  : new Binding(
                      b.id(), to, b.gesture(), b.context(), b.when(), b.heldContext(), b.remarks());
            })
        .toList();
  }

  private Environment environment(Environment e) {
    List<PointerRoute> routes =
        e.pointerRoutes().stream()
            .map(
                r ->
                    new PointerRoute(
                        at(e.id(), Sort.ROUTE, r.path(), r.action()), r.path(), r.operators()))
            .toList();
    List<Control> controls =
        e.tabOrder().stream()
            .map(
                c ->
                    new Control(
                        c.title(), at(e.id(), Sort.CONTROL, List.of(c.title()), c.action())))
            .toList();
    Environment shown = e.showing(menus(e.id(), List.of(), e.menus()), routes, controls);
    return e.platform().map(p -> shown.withKind(platform(e.id(), p))).orElse(shown);
  }

  private List<MenuItem> menus(EnvironmentId id, List<String> way, List<MenuItem> items) {
    List<MenuItem> all = new ArrayList<>();
    for (MenuItem item : items) {
      List<String> path = Stream.concat(way.stream(), Stream.of(item.title())).toList();
      Optional<ActionId> action = item.action().map(a -> at(id, Sort.ENTRY, path, a));
      all.add(new MenuItem(item.title(), item.accessKey(), action, menus(id, path, item.items())));
    }
    return all;
  }

  private Platform platform(EnvironmentId id, Platform p) {
    List<Reserved> reserved =
        p.reserved().stream()
            .map(
                r ->
                    new Reserved(
                        r.gesture(),
                        at(id, Sort.RESERVED, List.of(r.gesture().toString()), r.action())))
            .toList();
    return p.reserving(reserved);
  }

  private Machine machine(Machine m) {
    Machine.Focus focus =
        m.focus() instanceof Machine.SessionWindow s ? s.with(machine(s.inner())) : m.focus();
    return m.withOwn(bindings(m.platform(), Sort.OWN, m.own())).with(focus);
  }

  private Fitting fitting(Fitting before) {
    Fitting after = before;
    for (OwnBinding own : before.own().values()) {
      ActionId to = at(own.computer().platform(), Sort.OWN, List.of(own.id()), own.action());
      after = to.equals(own.action()) ? after : after.with(own.doing(to));
    }
    return after;
  }
}
