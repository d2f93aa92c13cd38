package polydex.hands;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.World;

/**
 * The gestures of several presses that keymaps have, by their presses on a layout, walks through
 * menus by their access keys among them. Only those that begin with a press that does not write,
 * since the others can't be told from text.
 */
public final class Sequences {
  /** None. */
  public static final Sequences NONE = new Sequences();

  private final Set<List<Physical>> beginnings = new HashSet<>();
  private final Set<List<Physical>> whole = new HashSet<>();

  private Sequences() {}

  /** Of every keymap of a catalogue, in O(bindings + entries of menus). */
  public static Sequences of(Catalog catalog, Layout layout) {
    Sequences found = new Sequences();
    for (Environment e : catalog.environments()) {
      catalog.bindings(e.id()).forEach(b -> found.add(b, layout));
      if (e.kind() instanceof Environment.Application application) {
        application.platforms().stream()
            .flatMap(p -> catalog.environment(p).flatMap(Environment::platform).stream())
            .flatMap(p -> MenuKeys.of(e, p).stream())
            .forEach(b -> found.add(b, layout));
      }
    }
    return found;
  }

  /**
   * The same, with what is pressed for them in some setups, where machines on the way change keys.
   */
  public static Sequences of(World world, Collection<Setup> setups, Layout layout) {
    Sequences found = of(world.catalog(), layout);
    setups.stream()
        .filter(s -> s.machines().size() > 1 && world.problem(s).isEmpty())
        .flatMap(s -> SetupTraces.of(s, world).all().stream())
        .forEach(t -> Presses.physical(t.gesture(), layout).ifPresent(found::add));
    return found;
  }

  private void add(Binding binding, Layout layout) {
    for (Gesture g : binding.gesture().expand()) {
      Presses.physical(g, layout).ifPresent(this::add);
    }
  }

  private void add(List<Physical> presses) {
    if (presses.size() > 1 && presses.stream().noneMatch(Physical.PointerPress.class::isInstance)) {
      List<Physical> plain = presses.stream().map(Physical::eitherSide).toList();
      whole.add(plain);
      for (int i = 1; i < plain.size(); i++) {
        beginnings.add(plain.subList(0, i));
      }
    }
  }

  /** Whether presses are such a gesture or the beginning of one. */
  boolean has(List<Made> presses) {
    List<Physical> plain = plain(presses);
    return whole.contains(plain) || beginnings.contains(plain);
  }

  /** Whether there is a gesture that goes on after presses. */
  boolean leadsOn(List<Made> presses) {
    return beginnings.contains(plain(presses));
  }

  private static List<Physical> plain(List<Made> presses) {
    return presses.stream().map(m -> m.what().eitherSide()).toList();
  }
}
