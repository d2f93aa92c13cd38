package polydex.recognition;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import polydex.catalog.ActionId;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.PointerRoute;

/**
 * How the actions of one environment are done with a pointer, by what stands there: its routes and
 * its menus. A way is looked up whole, or by its end alone where only one has that end. O(1).
 */
final class PointerRoutes {
  private final Map<List<String>, ActionId> exact = new HashMap<>();
  private final Map<List<String>, ActionId> plain = new HashMap<>();
  private final Set<ActionId> actions = new HashSet<>();

  PointerRoutes(Environment environment) {
    List<PointerRoute> all = new ArrayList<>(environment.pointerRoutes());
    menus(environment.menus(), List.of(), all);
    for (PointerRoute r : all) {
      actions.add(r.action());
      exact.putIfAbsent(r.path(), r.action());
      plain.putIfAbsent(way(r.path(), PlainName::of), r.action());
    }
    ends(all, UnaryOperator.identity(), exact);
    ends(all, PlainName::of, plain);
  }

  private static void menus(List<MenuItem> items, List<String> above, List<PointerRoute> to) {
    for (MenuItem item : items) {
      List<String> path = new ArrayList<>(above);
      path.add(item.title());
      item.action().ifPresent(a -> to.add(new PointerRoute(a, path, "")));
      menus(item.items(), path, to);
    }
  }

  private static void ends(
      List<PointerRoute> all, UnaryOperator<String> form, Map<List<String>, ActionId> to) {
    Map<String, Set<ActionId>> byEnd = new HashMap<>();
    for (PointerRoute r : all) {
      byEnd.computeIfAbsent(form.apply(r.path().getLast()), _ -> new HashSet<>()).add(r.action());
    }
    byEnd.forEach(
        (end, of) -> {
          if (of.size() == 1) {
            to.putIfAbsent(List.of(end), of.iterator().next());
          }
        });
  }

  private static List<String> way(List<String> path, UnaryOperator<String> form) {
    return path.stream().map(form).toList();
  }

  /** The ids of the actions that have a way here. */
  Set<ActionId> actions() {
    return actions;
  }

  /** The action whose way is written just so. */
  Optional<ActionId> exact(List<String> path) {
    return find(path, UnaryOperator.identity(), exact);
  }

  /** The action whose way has the same plain names. */
  Optional<ActionId> normalised(List<String> path) {
    return find(path, PlainName::of, plain);
  }

  /** With a path the whole way has to agree; without one the end is all there is. */
  private static Optional<ActionId> find(
      List<String> path, UnaryOperator<String> form, Map<List<String>, ActionId> in) {
    return Optional.ofNullable(in.get(way(path, form)));
  }
}
