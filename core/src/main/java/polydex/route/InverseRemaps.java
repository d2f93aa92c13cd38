package polydex.route;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Modifiers.Side;
import polydex.keys.Physical;
import polydex.route.Remap.KeyPart;
import polydex.route.Remap.KeyRule;
import polydex.route.Remap.ModifierPart;
import polydex.route.Remap.Part;

/**
 * What can have been pressed, where this arrived: remaps and translations backwards. A rule may
 * have no source or several. What is found may be too much, since of rules that compete only the
 * first applies, so whoever asks follows each forward again.
 */
final class InverseRemaps {
  /** The most that is looked at for one press; with ordinary remaps there are one to four. */
  private static final int MOST = 1024;

  /** The most that is tried to be held without effect. */
  private static final int MOST_IDLE = 6;

  private InverseRemaps() {}

  /** What can have come to the first machine for a press to arrive after the last one's remaps. */
  static Set<Physical> toFingers(List<Station> stations, int depth, Physical wanted) {
    if (isPlain(stations, depth)) {
      return Set.of(wanted.eitherSide());
    }
    Set<Physical> same = sameTo(stations.get(depth), wanted);
    if (stations.stream().limit(depth + 1L).noneMatch(Station::tellsSides)) {
      same = same.stream().map(Physical::eitherSide).collect(Collectors.toSet());
    }
    Set<Physical> found = throughRemaps(stations.get(depth), same);
    for (int i = depth - 1; i >= 0; i--) {
      Station outer = stations.get(i);
      Set<Physical> handed =
          outer.machine.focus() instanceof Machine.SessionWindow s && s.translation().isPresent()
              ? throughKeys(s.translation().get().keyRules(), found)
              : found;
      found = throughRemaps(outer, handed);
    }
    return found;
  }

  /** Whether every press arrives as it was made, and no other is as good: the usual case. */
  static boolean isPlain(List<Station> stations, int depth) {
    for (int i = 0; i <= depth; i++) {
      Station s = stations.get(i);
      boolean translated =
          i < depth
              && s.machine.focus() instanceof Machine.SessionWindow window
              && window.translation().isPresent();
      if (!s.remappings.isEmpty() || translated || s.tellsSides() || !s.platform.tellsAllApart()) {
        return false;
      }
    }
    return true;
  }

  /**
   * What is as good as the press at its own layer: where AltGr is Ctrl+Alt either, and a modifier
   * on either side where none is asked for, since further out the sides may matter.
   */
  private static Set<Physical> sameTo(Station station, Physical wanted) {
    Set<Physical> all = new LinkedHashSet<>(withSides(wanted));
    for (Modifiers same : station.platform.sameAs(wanted.held().modifiers())) {
      all.addAll(withSides(wanted.with(same)));
    }
    return all;
  }

  /** How a press can be made; a side that is not named counts as the left one. */
  static List<Physical> withSides(Physical press) {
    List<List<Part>> sides =
        ModifierPart.each(press.held().modifiers()).stream().map(InverseRemaps::sides).toList();
    return product(sides).stream().map(parts -> press.with(held(parts).modifiers())).toList();
  }

  private static Set<Physical> throughRemaps(Station station, Set<Physical> wanted) {
    Set<Physical> found = wanted;
    for (int i = station.remappings.size() - 1; i >= 0; i--) {
      Remapping remapping = station.remappings.get(i);
      Set<Physical> before = throughKeys(remapping.keyRules(), found);
      // A stroke rule ends the remapping, so it leads to what is wanted after the last remap.
      before.addAll(remapping.strokesTo(wanted));
      found = before;
    }
    return found;
  }

  private static Set<Physical> throughKeys(List<KeyRule> rules, Set<Physical> wanted) {
    Set<Physical> found = new LinkedHashSet<>();
    for (Physical press : wanted) {
      if (rules.isEmpty() || press instanceof Physical.PointerPress) {
        found.add(press);
      } else {
        before(rules, press).stream().limit(MOST - found.size()).forEach(found::add);
      }
    }
    return found;
  }

  private static List<Physical> before(List<KeyRule> rules, Physical press) {
    List<List<Part>> held = new ArrayList<>();
    for (ModifierPart m : ModifierPart.each(press.held().modifiers())) {
      held.add(sources(rules, m, press instanceof Physical.ModifierTap));
    }
    press.held().keys().forEach(k -> held.add(sources(rules, new KeyPart(k), false)));
    List<Physical> found = new ArrayList<>();
    List<List<Part>> ways = withIdle(product(held), idle(rules, press));
    if (press instanceof Physical.Press p) {
      for (List<Part> parts : ways) {
        for (Part key : sources(rules, new KeyPart(p.key()), true)) {
          pressing(parts, key).ifPresent(found::add);
        }
      }
    } else {
      for (List<Part> parts : ways) {
        tapping(parts).ifPresent(found::add);
        // A key that becomes a modifier and is pressed alone arrives as a tap.
        for (int i = 0; i < parts.size(); i++) {
          List<Part> others = new ArrayList<>(parts);
          if (others.remove(i) instanceof KeyPart key) {
            pressing(others, key).ifPresent(found::add);
          }
        }
      }
    }
    return found;
  }

  /**
   * What can be held besides and changes nothing behind the rules: what they leave out, or make
   * into something that is held anyway. It may still carry the press past a layer further out.
   */
  private static List<Part> idle(List<KeyRule> rules, Physical press) {
    Set<Part> found = new LinkedHashSet<>();
    for (KeyRule rule : rules) {
      boolean without =
          rule.to().isEmpty()
              || (rule.to().get() instanceof ModifierPart(Modifier m, Side _)
                  && press.held().modifiers().has(m))
              || (rule.to().get() instanceof KeyPart(Key k)
                  && (press.held().keys().contains(k)
                      // Keys that are held are no part of a tap.
                      || press instanceof Physical.ModifierTap));
      if (without) {
        found.addAll(sides(rule.from()));
      }
    }
    return found.stream().limit(MOST_IDLE).toList();
  }

  private static List<List<Part>> withIdle(List<List<Part>> ways, List<Part> idle) {
    List<List<Part>> all = new ArrayList<>(ways);
    for (Part part : idle) {
      for (List<Part> way : List.copyOf(all)) {
        if (!way.contains(part) && all.size() < MOST) {
          List<Part> more = new ArrayList<>(way);
          more.add(part);
          all.add(more);
        }
      }
    }
    return all;
  }

  /** A press with these parts held; of a modifier that becomes a key, a tap. */
  private static Optional<Physical> pressing(List<Part> held, Part pressed) {
    if (pressed instanceof KeyPart(Key key)) {
      return held.contains(pressed)
          ? Optional.empty()
          : Optional.of(new Physical.Press(held(held), key));
    }
    List<Part> all = new ArrayList<>(held);
    all.add(pressed);
    return tapping(all);
  }

  private static Optional<Physical> tapping(List<Part> parts) {
    return parts.stream().allMatch(ModifierPart.class::isInstance)
        ? Optional.of(new Physical.ModifierTap(held(parts).modifiers()))
        : Optional.empty();
  }

  private static Held held(List<Part> parts) {
    Modifiers modifiers = Modifiers.NONE;
    List<Key> keys = new ArrayList<>();
    for (Part part : parts) {
      switch (part) {
        case ModifierPart m -> modifiers = modifiers.and(m.asSet());
        case KeyPart(Key key) -> keys.add(key);
      }
    }
    // Beside the right one, one of no side told is the left one.
    for (Part part : parts) {
      if (part instanceof ModifierPart(Modifier m, Side side)
          && side == Side.EITHER
          && modifiers.side(m) == Side.RIGHT) {
        modifiers = modifiers.and(Modifiers.of(m, Side.LEFT));
      }
    }
    return new Held(modifiers, keys);
  }

  /** How a part that a rule names can be pressed; a side that is not named counts as the left. */
  private static List<Part> sides(Part part) {
    if (part instanceof ModifierPart(Modifier m, Side side)) {
      Part plain = new ModifierPart(m, Side.EITHER);
      Part right = new ModifierPart(m, Side.RIGHT);
      return switch (side) {
        case EITHER -> List.of(plain, right);
        case LEFT -> List.of(plain);
        case RIGHT -> List.of(right);
      };
    }
    return List.of(part);
  }

  /**
   * The part itself, and whatever a rule makes into it.
   *
   * @param pressed whether what is pressed alone counts as well, not only what is held
   */
  private static List<Part> sources(List<KeyRule> rules, Part wanted, boolean pressed) {
    Set<Part> found = new LinkedHashSet<>();
    found.add(
        wanted instanceof ModifierPart(Modifier m, Side side) && side == Side.LEFT
            ? new ModifierPart(m, Side.EITHER)
            : wanted);
    for (KeyRule rule : rules) {
      if (rule.to().filter(to -> isSame(to, wanted)).isPresent()
          || (pressed && rule.tapped().filter(t -> isSame(t.to(), wanted)).isPresent())) {
        found.addAll(sides(rule.from()));
      }
    }
    return List.copyOf(found);
  }

  private static boolean isSame(Part a, Part b) {
    if (a instanceof ModifierPart(Modifier m, Side _)
        && b instanceof ModifierPart(Modifier n, Side _)) {
      return m == n;
    }
    return a.equals(b);
  }

  private static List<List<Part>> product(List<List<Part>> choices) {
    List<List<Part>> all = List.of(List.of());
    for (List<Part> some : choices) {
      List<List<Part>> more = new ArrayList<>();
      for (List<Part> done : all) {
        for (Part part : some) {
          if (more.size() < MOST) {
            List<Part> next = new ArrayList<>(done);
            next.add(part);
            more.add(next);
          }
        }
      }
      all = more;
    }
    return all;
  }
}
