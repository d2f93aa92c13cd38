package polydex.mouse;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuItem;

/**
 * The way through the menus by keys to an entry that has no gesture: the menu bar is opened with
 * one press, arrows go from entry to entry, round the end to the beginning too, and Enter chooses.
 *
 * <p>Problem: the fewest presses. Method: breadth-first search over where the keys can lead, O(menu
 * entries); counted are the presses, the opening one and Enter included.
 *
 * @param presses how many
 * @param path the entries that are gone through, from the menu bar on
 */
public record MenuWalk(int presses, List<String> path) {
  /** Copies the path. */
  public MenuWalk {
    path = List.copyOf(path);
  }

  /** A place in the menus: the list in which one stands, and where in it. */
  private record Spot(List<Integer> above, int at) {}

  /** The shortest way to an action; none where no menu has it. */
  public static Optional<MenuWalk> to(String action, Environment application) {
    List<MenuItem> bar = application.menus();
    if (bar.isEmpty()) {
      return Optional.empty();
    }
    Deque<Spot> next = new ArrayDeque<>();
    Map<Spot, Integer> presses = new HashMap<>();
    Spot first = new Spot(List.of(), 0);
    presses.put(first, 1);
    next.add(first);
    while (!next.isEmpty()) {
      Spot here = next.poll();
      MenuItem item = item(bar, here);
      int so = presses.get(here);
      if (item.items().isEmpty() && item.action().filter(action::equals).isPresent()) {
        return Optional.of(new MenuWalk(so + 1, titles(bar, here)));
      }
      for (Spot there : near(bar, here)) {
        if (presses.putIfAbsent(there, so + 1) == null) {
          next.add(there);
        }
      }
    }
    return Optional.empty();
  }

  /** The entry before, the one behind, and what opens from here; one press each. */
  private static List<Spot> near(List<MenuItem> bar, Spot here) {
    int size = list(bar, here.above()).size();
    Spot before = new Spot(here.above(), (here.at() + size - 1) % size);
    Spot behind = new Spot(here.above(), (here.at() + 1) % size);
    if (item(bar, here).items().isEmpty()) {
      return List.of(before, behind);
    }
    List<Integer> opened = new ArrayList<>(here.above());
    opened.add(here.at());
    return List.of(before, behind, new Spot(opened, 0));
  }

  private static List<MenuItem> list(List<MenuItem> bar, List<Integer> above) {
    List<MenuItem> list = bar;
    for (int at : above) {
      list = list.get(at).items();
    }
    return list;
  }

  private static MenuItem item(List<MenuItem> bar, Spot spot) {
    return list(bar, spot.above()).get(spot.at());
  }

  private static List<String> titles(List<MenuItem> bar, Spot spot) {
    List<String> titles = new ArrayList<>();
    List<MenuItem> list = bar;
    for (int at : spot.above()) {
      titles.add(list.get(at).title());
      list = list.get(at).items();
    }
    titles.add(list.get(spot.at()).title());
    return titles;
  }
}
