package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Board;
import polydex.boards.KeyLegends;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Naming;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.route.KeyUses;
import polydex.route.KeyUses.Use;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.sheets.Sheet.Face;
import polydex.sheets.Sheet.Part;
import polydex.sheets.Sheet.Picture;

/** Keyboards with what their keys do, one for each layer of modifiers that does something. */
final class Pictures {
  /** More than these no person holds apart; what is left over stands in the lines. */
  private static final int MOST = 8;

  private Pictures() {}

  /** What a keymap says, on the board and layout of a setup. */
  static List<Part> ofKeymap(World world, Optional<Setup> setup, EnvironmentId environment) {
    Optional<Board> board = setup.map(s -> world.boards().get(s.board()));
    Optional<Layout> layout = setup.map(s -> world.layouts().get(s.machine().layout()));
    if (board.isEmpty() || layout.isEmpty()) {
      return List.of();
    }
    Map<Modifiers, Map<Key, List<Use>>> uses =
        KeyUses.inKeymap(world.catalog(), environment, layout.get());
    return pictures(world.catalog(), board.get(), layout.get(), environment, uses);
  }

  /** What really happens in a setup. O(keys · layers of the setup · layers of modifiers). */
  static List<Part> ofSetup(SetupTraces traces) {
    World world = traces.world();
    Setup setup = traces.setup();
    Board board = world.boards().get(setup.board());
    Layout layout = traces.tracer().layout();
    Map<Modifiers, Map<Key, List<Use>>> uses = new HashMap<>();
    for (Modifiers held : firstHeld(traces)) {
      uses.put(held, KeyUses.inSetup(traces.tracer(), board, Held.of(held)));
    }
    uses.values().removeIf(Map::isEmpty);
    return pictures(world.catalog(), board, layout, setup.machine().platform(), uses);
  }

  /** Those of most use, in the words and the look of an environment. */
  private static List<Part> pictures(
      Catalog catalog,
      Board board,
      Layout layout,
      EnvironmentId of,
      Map<Modifiers, Map<Key, List<Use>>> uses) {
    Naming naming = new Naming(catalog);
    return uses.keySet().stream()
        .sorted(order(uses))
        .limit(MOST)
        .sorted(byCount())
        .<Part>map(
            held ->
                picture(
                    catalog,
                    board,
                    layout,
                    held,
                    naming.words(of),
                    uses.get(held),
                    naming.look(of)))
        .toList();
  }

  private static Comparator<Modifiers> order(Map<Modifiers, Map<Key, List<Use>>> uses) {
    return Comparator.comparingInt((Modifiers m) -> -uses.get(m).size())
        .thenComparing(Modifiers::toString);
  }

  /** Nothing held first, then what takes more and more fingers. */
  private static Comparator<Modifiers> byCount() {
    return Comparator.comparingInt((Modifiers m) -> m.words(Map.of()).size())
        .thenComparing(Modifiers::toString);
  }

  private static Set<Modifiers> firstHeld(SetupTraces traces) {
    Set<Modifiers> held = new LinkedHashSet<>();
    held.add(Modifiers.NONE);
    Layout layout = traces.tracer().layout();
    traces.all().stream()
        .flatMap(t -> Presses.physical(t.gesture(), layout).stream())
        .filter(p -> !p.isEmpty())
        .map(List::getFirst)
        .filter(Physical.Press.class::isInstance)
        .map(p -> ((Physical.Press) p).held().modifiers().eitherSide())
        .filter(m -> !m.has(Modifier.FN))
        .forEach(held::add);
    return new HashSet<>(held);
  }

  private static Picture picture(
      Catalog catalog,
      Board board,
      Layout layout,
      Modifiers modifiers,
      Map<Modifier, String> names,
      Map<Key, List<Use>> uses,
      int look) {
    List<String> held = modifiers.words(names);
    Map<Key, Face> faces = new EnumMap<>(Key.class);
    for (Board.KeyPlace place : board.places()) {
      List<Use> of = uses.getOrDefault(place.key(), List.of());
      List<String> titles = new ArrayList<>();
      of.stream().map(u -> catalog.title(u.action())).distinct().forEach(titles::add);
      String does =
          titles.isEmpty()
              ? ""
              : titles.getFirst() + (titles.size() > 1 ? " +" + (titles.size() - 1) : "");
      faces.put(
          place.key(),
          new Face(
              KeyLegends.of(place.key(), layout, names),
              does,
              of.stream().anyMatch(u -> u.losesWork(catalog))));
    }
    String title =
        held.isEmpty()
            ? worded("sheets.nothing-held")
            : worded("sheets.held", String.join(" + ", held));
    return new Picture(title, held, board, faces, look);
  }
}
