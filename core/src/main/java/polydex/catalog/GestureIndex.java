package polydex.catalog;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.keys.Gesture;
import polydex.keys.Physical;

/**
 * Whose is a gesture? A hash map from presses on one layout, without sides, to the bindings that
 * have them in any environment; built in O(bindings), asked in O(presses).
 */
public final class GestureIndex {

  /**
   * A binding and the environment that has it.
   *
   * @param environment the id
   * @param binding the binding
   */
  public record Owner(EnvironmentId environment, Binding binding) {}

  private final Map<List<Physical>, List<Owner>> owners = new HashMap<>();

  private GestureIndex() {}

  /** The gestures of a catalogue as they are pressed on a layout. */
  public static GestureIndex of(Catalog catalog, Layout layout) {
    GestureIndex index = new GestureIndex();
    for (Environment environment : catalog.environments()) {
      for (Binding binding : catalog.bindings(environment.id())) {
        Owner owner = new Owner(environment.id(), binding);
        for (Gesture member : binding.gesture().expand()) {
          Presses.physical(member, layout)
              .ifPresent(
                  p -> index.owners.computeIfAbsent(plain(p), _ -> new ArrayList<>()).add(owner));
        }
      }
    }
    return index;
  }

  /** The bindings that have exactly these presses, in the order of the catalogue. */
  public List<Owner> owners(List<Physical> presses) {
    return List.copyOf(owners.getOrDefault(plain(presses), List.of()));
  }

  private static List<Physical> plain(List<Physical> presses) {
    return presses.stream().map(Physical::eitherSide).toList();
  }
}
