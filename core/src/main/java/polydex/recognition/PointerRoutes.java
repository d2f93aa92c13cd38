package polydex.recognition;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.PointerRoute;
import polydex.log.Deed;

/**
 * How the actions of one environment are done with a pointer, by what stands there: its routes and
 * its menus. A way is looked up whole, or by its end alone where only one has that end. O(1).
 */
final class PointerRoutes {
  private final Map<String, String> exact = new HashMap<>();
  private final Map<String, String> plain = new HashMap<>();
  private final Set<String> actions = new HashSet<>();

  PointerRoutes(Environment environment) {
    List<PointerRoute> all = new ArrayList<>(environment.pointerRoutes());
    menus(environment.menus(), List.of(), all);
    for (PointerRoute r : all) {
      actions.add(r.action());
      exact.putIfAbsent(String.join(Deed.STEP, r.path()), r.action());
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
      List<PointerRoute> all, UnaryOperator<String> form, Map<String, String> to) {
    Map<String, Set<String>> byEnd = new HashMap<>();
    for (PointerRoute r : all) {
      byEnd.computeIfAbsent(form.apply(r.path().getLast()), _ -> new HashSet<>()).add(r.action());
    }
    byEnd.forEach(
        (end, of) -> {
          if (of.size() == 1) {
            to.putIfAbsent(end, of.iterator().next());
          }
        });
  }

  private static String way(List<String> path, UnaryOperator<String> form) {
    return String.join(Deed.STEP, path.stream().map(form).toList());
  }

  /** The ids of the actions that have a way here. */
  Set<String> actions() {
    return actions;
  }

  /** The action whose way is written just so. */
  Optional<String> exact(List<String> path) {
    return find(path, UnaryOperator.identity(), exact);
  }

  /** The action whose way has the same plain names. */
  Optional<String> normalised(List<String> path) {
    return find(path, PlainName::of, plain);
  }

  /** With a path the whole way has to agree; without one the end is all there is. */
  private static Optional<String> find(
      List<String> path, UnaryOperator<String> form, Map<String, String> in) {
    return Optional.ofNullable(in.get(way(path, form)));
  }
}
