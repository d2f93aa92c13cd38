package polydex.route;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Step;

/** What each key of a board does while something is held. */
public final class KeyUses {
  private static final List<Modifier> HANDS_HOLD =
      List.of(Modifier.CTRL, Modifier.META, Modifier.ALT, Modifier.ALTGR, Modifier.SHIFT);

  private KeyUses() {}

  /**
   * Something that a key does.
   *
   * @param environment the id of the platform or application that does it
   * @param action the id
   * @param where the layer that does it, or the context in which it does; empty for anywhere
   * @param more the whole gesture, where this press only begins it
   */
  public record Use(
      EnvironmentId environment, ActionId action, String where, Optional<Gesture> more) {
    /** Whether it loses work. */
    public boolean losesWork(Catalog catalog) {
      return catalog.action(action).filter(a -> a.harm() == Action.Harm.LOSES_WORK).isPresent();
    }
  }

  /** What pressing each key comes to in a setup. O(keys · layers). */
  public static Map<Key, List<Use>> inSetup(Tracer tracer, Board board, Held held) {
    Map<Key, List<Use>> all = new EnumMap<>(Key.class);
    for (Board.KeyPlace place : board.places()) {
      if (place.key().isModifier()) {
        continue;
      }
      Gesture gesture = Gesture.of(new Step.Stroke(held, new KeyRef.Placed(place.key())));
      tracer
          .trace(gesture)
          .acted()
          .ifPresent(
              a ->
                  all.put(
                      place.key(),
                      List.of(
                          new Use(
                              a.environment(), a.action(), a.layer().title(), Optional.empty()))));
    }
    return all;
  }

  /**
   * The same for everything that hands can hold at once, where it does anything: any of Ctrl, Meta,
   * Alt, AltGr and Shift. O(2^5 · keys · layers).
   */
  public static Map<Modifiers, Map<Key, List<Use>>> inSetup(Tracer tracer, Board board) {
    Map<Modifiers, Map<Key, List<Use>>> all = new HashMap<>();
    for (Modifiers held : subsets()) {
      Map<Key, List<Use>> uses = inSetup(tracer, board, Held.of(held));
      if (!uses.isEmpty()) {
        all.put(held, uses);
      }
    }
    return all;
  }

  private static List<Modifiers> subsets() {
    List<Modifiers> all = new ArrayList<>(List.of(Modifiers.NONE));
    for (Modifier m : HANDS_HOLD) {
      all.addAll(all.stream().map(held -> held.and(m)).toList());
    }
    return all;
  }

  /** What bindings of a keymap begin with each key. O(bindings). */
  public static Map<Key, List<Use>> inKeymap(
      Catalog catalog, EnvironmentId environment, Layout layout, Modifiers held) {
    return inKeymap(catalog, environment, layout).getOrDefault(held, Map.of());
  }

  /** The same for everything that can be held at once. O(bindings). */
  public static Map<Modifiers, Map<Key, List<Use>>> inKeymap(
      Catalog catalog, EnvironmentId environment, Layout layout) {
    Map<Modifiers, Map<Key, List<Use>>> all = new HashMap<>();
    Environment where = catalog.environment(environment).orElseThrow();
    String outermost = where.contexts().getFirst().id();
    for (Binding binding : catalog.bindings(environment)) {
      for (Gesture member : binding.gesture().expand()) {
        List<Physical> presses = Presses.physical(member, layout).orElse(List.of());
        if (presses.isEmpty() || !(presses.getFirst() instanceof Physical.Press first)) {
          continue;
        }
        String context =
            binding.context().equals(outermost)
                ? ""
                : where.context(binding.context()).map(Context::title).orElse("");
        all.computeIfAbsent(first.held().modifiers().eitherSide(), _ -> new EnumMap<>(Key.class))
            .computeIfAbsent(first.key(), _ -> new ArrayList<>())
            .add(
                new Use(
                    environment,
                    binding.action(),
                    context,
                    presses.size() > 1 ? Optional.of(member) : Optional.empty()));
      }
    }
    return all;
  }
}
