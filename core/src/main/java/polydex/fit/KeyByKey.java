package polydex.fit;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers.Side;
import polydex.route.Remap;
import polydex.route.Remap.KeyPart;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.ModifierPart;
import polydex.route.Remap.Part;

/**
 * A remap as one key for another, modifier keys by their places: what keyboard settings of open
 * forms can say. A modifier with no side told is both of its keys where it is pressed, and where it
 * is what comes of it, that on the same side, or else the left one.
 *
 * @param keys what each key becomes; none where it is switched off
 */
public record KeyByKey(Map<Key, Optional<Key>> keys) {
  private static final Map<Modifier, List<Key>> PLACES =
      Map.of(
          Modifier.CTRL, List.of(Key.ControlLeft, Key.ControlRight),
          Modifier.SHIFT, List.of(Key.ShiftLeft, Key.ShiftRight),
          Modifier.ALT, List.of(Key.AltLeft, Key.AltLeft),
          Modifier.META, List.of(Key.MetaLeft, Key.MetaRight),
          Modifier.ALTGR, List.of(Key.AltRight, Key.AltRight));

  /** Those that have two keys; the right Alt key is AltGr. */
  private static final List<Modifier> PAIRED =
      List.of(Modifier.CTRL, Modifier.SHIFT, Modifier.META);

  /** Keeps the order of the keys. */
  public KeyByKey {
    Map<Key, Optional<Key>> sorted = new EnumMap<>(Key.class);
    sorted.putAll(keys);
    keys = Collections.unmodifiableMap(sorted);
  }

  /** Why a remap can't be said so; none where it can. */
  public static Optional<String> hindrance(Remap remap) {
    if (!remap.strokeRules().isEmpty()) {
      return Optional.of(worded("fit.it-has-rules-for-whole-strokes"));
    }
    if (remap.onlyIn().isPresent()) {
      return Optional.of(worded("fit.it-is-for-one-application-and"));
    }
    for (KeyRule rule : remap.keyRules()) {
      if (rule.tapped().isPresent()) {
        return Optional.of(worded("fit.is-two-things-tapped-and-held", RemapWords.of(rule.from())));
      }
      for (Part part : rule.to().map(to -> List.of(rule.from(), to)).orElse(List.of(rule.from()))) {
        if (part instanceof ModifierPart m && !PLACES.containsKey(m.modifier())) {
          return Optional.of(worded("fit.no-key-has-in-this-form", RemapWords.of(part)));
        }
      }
    }
    return Optional.empty();
  }

  /**
   * A remap key by key.
   *
   * @throws IllegalArgumentException where {@link #hindrance} finds one
   */
  public static KeyByKey of(Remap remap) {
    hindrance(remap)
        .ifPresent(
            why -> {
              throw new IllegalArgumentException(why);
            });
    Map<Key, Optional<Key>> keys = new EnumMap<>(Key.class);
    for (KeyRule rule : remap.keyRules()) {
      for (Key from : places(rule.from())) {
        keys.putIfAbsent(from, rule.to().map(to -> becoming(from, to)));
      }
    }
    keys.entrySet().removeIf(e -> e.getValue().equals(Optional.of(e.getKey())));
    return new KeyByKey(keys);
  }

  private static Set<Key> places(Part part) {
    return switch (part) {
      case KeyPart(Key key) -> EnumSet.of(key);
      case ModifierPart(Modifier m, Side side) -> {
        List<Key> both = PLACES.get(m);
        yield switch (side) {
          case EITHER -> EnumSet.copyOf(both);
          case LEFT -> EnumSet.of(both.getFirst());
          case RIGHT -> EnumSet.of(m == Modifier.ALT ? Key.AltRight : both.getLast());
        };
      }
    };
  }

  private static Key becoming(Key from, Part to) {
    return switch (to) {
      case KeyPart(Key key) -> key;
      case ModifierPart(Modifier m, Side side) -> {
        List<Key> both = PLACES.get(m);
        if (m == Modifier.ALT && side == Side.RIGHT) {
          yield Key.AltRight;
        }
        boolean right = side == Side.RIGHT || (side == Side.EITHER && isRight(from));
        yield right ? both.getLast() : both.getFirst();
      }
    };
  }

  private static boolean isRight(Key key) {
    return key.isModifier() && key.name().endsWith("Right");
  }

  /** As a remap; both keys of a modifier are one rule where they become both keys of another. */
  public Remap remap(String title) {
    List<KeyRule> rules = new ArrayList<>();
    Set<Key> said = EnumSet.noneOf(Key.class);
    keys.forEach(
        (from, to) -> {
          if (said.add(from)) {
            Optional<KeyRule> pair = pair(from, to);
            if (pair.isPresent()) {
              said.addAll(places(pair.get().from()));
              rules.add(pair.get());
            } else {
              rules.add(new KeyRule(part(from), to.map(KeyByKey::part)));
            }
          }
        });
    return new Remap(title, Optional.empty(), List.of(), rules);
  }

  private Optional<KeyRule> pair(Key from, Optional<Key> to) {
    for (Modifier m : PAIRED) {
      List<Key> both = PLACES.get(m);
      if (!both.contains(from)) {
        continue;
      }
      Key other = both.get(0) == from ? both.get(1) : both.get(0);
      if (!keys.containsKey(other)) {
        return Optional.empty();
      }
      Part whole = new ModifierPart(m, Side.EITHER);
      for (Modifier target : PLACES.keySet().stream().sorted().toList()) {
        Part becomes = new ModifierPart(target, Side.EITHER);
        if (to.equals(Optional.of(becoming(from, becomes)))
            && keys.get(other).equals(Optional.of(becoming(other, becomes)))) {
          return Optional.of(new KeyRule(whole, Optional.of(becomes)));
        }
      }
      return to.isEmpty() && keys.get(other).isEmpty()
          ? Optional.of(new KeyRule(whole, Optional.empty()))
          : Optional.empty();
    }
    return Optional.empty();
  }

  private static Part part(Key key) {
    if (key == Key.AltLeft || key == Key.AltRight) {
      return new ModifierPart(key == Key.AltLeft ? Modifier.ALT : Modifier.ALTGR, Side.EITHER);
    }
    for (Modifier m : PAIRED) {
      List<Key> both = PLACES.get(m);
      if (both.contains(key)) {
        return new ModifierPart(m, both.getFirst() == key ? Side.LEFT : Side.RIGHT);
      }
    }
    return new KeyPart(key);
  }
}
