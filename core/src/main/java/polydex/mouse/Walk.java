package polydex.mouse;

import static polydex.language.CoreWords.worded;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import polydex.catalog.ActionId;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Control;
import polydex.catalog.Environment.MenuItem;
import polydex.keys.Gesture;

/**
 * The way by keys to something that has no gesture.
 *
 * <p>Through the menus: the menu bar is opened with one press, arrows go from entry to entry, round
 * the end to the beginning too, and Enter chooses. Problem: the fewest presses. Method:
 * breadth-first search over where the keys can lead, O(menu entries). By Tab: from the content on,
 * forward or with Shift backward, and Space presses it; O(controls).
 *
 * @param presses how many, the opening or choosing one included
 * @param path the entries that are gone through, from the menu bar on, or the control
 * @param means how
 */
public record Walk(int presses, List<String> path, Means means) {
  /** How one gets there. */
  public enum Means {
    MENUS,
    TAB
  }

  /** Copies the path. */
  public Walk {
    path = List.copyOf(path);
  }

  /** The shortest way to an action; none where neither menus nor Tab lead there. */
  public static Optional<Walk> to(ActionId action, Environment application) {
    return Stream.of(byMenus(action, application.menus()), byTab(action, application.tabOrder()))
        .flatMap(Optional::stream)
        .min(Comparator.comparingInt(Walk::presses));
  }

  /** A key of a walk, pressed so often, and what that leads to. */
  public record Part(Gesture key, int times, String to) {}

  /**
   * The keys of this walk in an application, the shorter way round in each list.
   *
   * @throws IllegalArgumentException if the application has no such way
   */
  public List<Part> parts(Environment application) {
    List<Part> parts = new ArrayList<>();
    if (means == Means.TAB) {
      int size = application.tabOrder().size();
      int at = index(application.tabOrder().stream().map(Control::title).toList(), path.getFirst());
      boolean forward = at + 1 <= size - at;
      parts.add(
          new Part(
              Gesture.parse(forward ? "Tab" : "Shift+Tab"),
              forward ? at + 1 : size - at,
              path.getFirst()));
      parts.add(new Part(Gesture.parse("Space"), 1, worded("mouse.pressed")));
      return parts;
    }
    parts.add(new Part(Gesture.parse("F10"), 1, worded("mouse.the-menu-bar")));
    List<MenuItem> list = application.menus();
    for (int depth = 0; depth < path.size(); depth++) {
      int size = list.size();
      int at = index(list.stream().map(MenuItem::title).toList(), path.get(depth));
      boolean forward = at <= size - at;
      if (at > 0) {
        parts.add(
            new Part(
                Gesture.parse(depth == 0 ? forward ? "Right" : "Left" : forward ? "Down" : "Up"),
                forward ? at : size - at,
                path.get(depth)));
      }
      list = list.get(at).items();
      parts.add(
          depth == path.size() - 1
              ? new Part(Gesture.parse("Enter"), 1, path.getLast())
              : new Part(Gesture.parse(depth == 0 ? "Down" : "Right"), 1, list.getFirst().title()));
    }
    return parts;
  }

  private static int index(List<String> titles, String title) {
    int at = titles.indexOf(title);
    if (at < 0) {
      throw new IllegalArgumentException(worded("mouse.there-is-no-here", title));
    }
    return at;
  }

  private static Optional<Walk> byTab(ActionId action, List<Control> order) {
    int size = order.size();
    return IntStream.range(0, size)
        .filter(i -> order.get(i).action().equals(action))
        .mapToObj(
            i -> new Walk(Math.min(i + 1, size - i) + 1, List.of(order.get(i).title()), Means.TAB))
        .min(Comparator.comparingInt(Walk::presses));
  }

  /** A place in the menus: the list in which one stands, and where in it. */
  private record Spot(List<Integer> above, int at) {}

  private static Optional<Walk> byMenus(ActionId action, List<MenuItem> bar) {
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
        return Optional.of(new Walk(so + 1, titles(bar, here), Means.MENUS));
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
