package polydex.route;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Layout;
import polydex.boards.Presses;
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

/** A remap made ready for one layout. Applying it costs O(rules) for a press. */
final class Remapping {

  /** What came of a press: what goes on, and whether remapping ends there. */
  record Result(Optional<Physical> out, boolean last) {}

  private record Stroke(Physical from, Physical to) {}

  private final List<Stroke> strokes = new ArrayList<>();
  private final List<KeyRule> keyRules;

  Remapping(Remap remap, Layout layout) {
    for (Remap.StrokeRule rule : remap.strokeRules()) {
      if (!rule.from().isStroke() || !rule.to().isStroke()) {
        continue; // refused where it is read; a setup's check names what was there before
      }
      Optional<List<Physical>> from = Presses.physical(rule.from(), layout);
      Optional<List<Physical>> to = Presses.physical(rule.to(), layout);
      // A rule about characters that the layout lacks can never match.
      if (from.isPresent() && to.isPresent()) {
        strokes.add(new Stroke(from.get().getFirst(), to.get().getFirst()));
      }
    }
    keyRules = remap.keyRules();
  }

  /** Whether a rule is about the left or the right modifier only. */
  boolean tellsSides() {
    return keyRules.stream()
            .anyMatch(
                r -> r.from() instanceof ModifierPart(var _, Side side) && side != Side.EITHER)
        || strokes.stream()
            .map(s -> s.from().held().modifiers())
            .anyMatch(m -> !m.equals(m.eitherSide()));
  }

  List<KeyRule> keyRules() {
    return keyRules;
  }

  /** The strokes that a rule about whole strokes makes into one of these. */
  Set<Physical> strokesTo(Set<Physical> wanted) {
    Set<Physical> plain = new HashSet<>();
    wanted.forEach(p -> plain.add(p.eitherSide()));
    Set<Physical> found = new LinkedHashSet<>();
    for (Stroke stroke : strokes) {
      if (plain.contains(stroke.to().eitherSide())) {
        found.addAll(InverseRemaps.withSides(stroke.from()));
      }
    }
    return found;
  }

  Result apply(Physical in) {
    if (in instanceof Physical.PointerPress) {
      return new Result(Optional.of(in), false);
    }
    for (Stroke stroke : strokes) {
      if (matches(in, stroke.from())) {
        return new Result(Optional.of(stroke.to()), true);
      }
    }
    return new Result(replaceKeys(in), false);
  }

  private static boolean matches(Physical in, Physical rule) {
    return in.eitherSide().equals(rule.eitherSide())
        && in.held().modifiers().satisfy(rule.held().modifiers());
  }

  private Optional<Physical> replaceKeys(Physical in) {
    if (keyRules.isEmpty()) {
      return Optional.of(in);
    }
    if (in instanceof Physical.ModifierTap tap) {
      return tapped(tap.modifiers());
    }
    Held held = held(in.held());
    return becomes(new KeyPart(((Physical.Press) in).key()), in.held().isNothing())
        .map(
            part ->
                switch (part) {
                  case KeyPart(Key key) -> new Physical.Press(held, key);
                  // A key that has become a modifier and is pressed alone is a tap of it.
                  case ModifierPart m ->
                      new Physical.ModifierTap(held.modifiers().and(modifiersOf(Optional.of(m))));
                });
  }

  /** What the key rules make of what is held, each part by itself. */
  Held held(Held in) {
    if (in.isNothing() || keyRules.isEmpty()) {
      return in;
    }
    Modifiers modifiers = Modifiers.NONE;
    List<Key> keys = new ArrayList<>();
    List<Part> parts = new ArrayList<>(ModifierPart.each(in.modifiers()));
    in.keys().forEach(k -> parts.add(new KeyPart(k)));
    for (Part part : parts) {
      Optional<Part> becomes = becomes(part, false);
      modifiers = modifiers.and(modifiersOf(becomes));
      becomes.filter(KeyPart.class::isInstance).ifPresent(p -> keys.add(((KeyPart) p).key()));
    }
    return new Held(modifiers, keys);
  }

  /**
   * A tap whose modifiers have become others. One that has become a key is that key's press; of
   * several the first is pressed, and the others are held meanwhile.
   */
  private Optional<Physical> tapped(Modifiers tap) {
    List<ModifierPart> parts = ModifierPart.each(tap);
    Modifiers modifiers = Modifiers.NONE;
    List<Key> keys = new ArrayList<>();
    for (Part part : parts) {
      Optional<Part> becomes = becomes(part, parts.size() == 1);
      modifiers = modifiers.and(modifiersOf(becomes));
      becomes
          .filter(KeyPart.class::isInstance)
          .map(p -> ((KeyPart) p).key())
          .filter(k -> !keys.contains(k))
          .ifPresent(keys::add);
    }
    if (!keys.isEmpty()) {
      return Optional.of(
          new Physical.Press(new Held(modifiers, keys.subList(1, keys.size())), keys.getFirst()));
    }
    return modifiers.isEmpty()
        ? Optional.empty()
        : Optional.of(new Physical.ModifierTap(modifiers));
  }

  private Optional<Part> becomes(Part part, boolean alone) {
    for (KeyRule rule : keyRules) {
      if (isAbout(rule.from(), part)) {
        return rule.to(alone);
      }
    }
    return Optional.of(part);
  }

  /** A modifier with no side told is the left one. */
  private static boolean isAbout(Part rule, Part part) {
    if (rule instanceof ModifierPart(Modifier wanted, Side side)
        && part instanceof ModifierPart(Modifier pressed, Side on)) {
      return wanted == pressed
          && (side == Side.EITHER || side == (on == Side.EITHER ? Side.LEFT : on));
    }
    return rule.equals(part);
  }

  private static Modifiers modifiersOf(Optional<Part> part) {
    return part.isPresent() && part.get() instanceof ModifierPart m ? m.asSet() : Modifiers.NONE;
  }
}
