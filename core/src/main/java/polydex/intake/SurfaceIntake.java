package polydex.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Control;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.PointerRoute;
import polydex.intake.RequestedSurface.Entry;

/**
 * Puts what an application shows into its keymap's environment. What was not seen this time stays
 * as it was; what was seen takes the place of what was there. O(entries).
 */
final class SurfaceIntake {
  private final RequestedSurface surface;
  private final IntakeNames names;
  private final Environment application;

  private SurfaceIntake(RequestedSurface surface, IntakeNames names, Environment application) {
    this.application = application;
    this.surface = surface;
    this.names = names;
  }

  /** The environment with it. */
  static Environment with(Environment before, RequestedSurface surface, IntakeNames names) {
    return new SurfaceIntake(surface, names, before).on();
  }

  private Environment on() {
    Environment before = application;
    List<MenuItem> menus = items(surface.menus());
    List<Control> tabOrder =
        surface.tabOrder().stream().map(t -> new Control(t, action(t).id())).toList();
    return before.showing(
        menus.isEmpty() ? before.menus() : menus,
        routes(before),
        tabOrder.isEmpty() ? before.tabOrder() : tabOrder);
  }

  private List<MenuItem> items(List<Entry> entries) {
    List<MenuItem> items = new ArrayList<>();
    for (Entry e : entries) {
      Optional<ActionId> action =
          e.action().isEmpty()
              ? Optional.empty()
              : Optional.of(action(e.action())).map(a -> acting(a, e.toggles()));
      items.add(new MenuItem(e.title(), e.accessKey(), action, items(e.items())));
    }
    return items;
  }

  private Action action(String title) {
    return names.there(names.action(title), application);
  }

  private ActionId acting(Action action, boolean toggles) {
    if (toggles) {
      names.toggles(action.id());
    }
    return action.id();
  }

  /** Those that were known, and each new one once. */
  private List<PointerRoute> routes(Environment before) {
    Set<PointerRoute> all = new LinkedHashSet<>(before.pointerRoutes());
    Set<List<String>> known = new HashSet<>();
    before.pointerRoutes().forEach(r -> known.add(r.path()));
    for (RequestedSurface.Place place : surface.pressed()) {
      if (known.add(place.path())) {
        all.add(new PointerRoute(action(place.action()).id(), place.path(), ""));
      }
    }
    return List.copyOf(all);
  }
}
