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
    if (in instanceof Physical.PointerPress || keyRules.isEmpty()) {
      return Optional.of(in);
    }
    Modifiers modifiers = Modifiers.NONE;
    List<Key> keys = new ArrayList<>();
    boolean aloneTapped = in instanceof Physical.ModifierTap && in.held().count() == 1;
    for (Modifier m : in.held().modifiers().list()) {
      Side side = in.held().modifiers().side(m);
      Optional<Part> becomes = becomes(new ModifierPart(m, side), aloneTapped);
      modifiers = modifiers.and(modifiersOf(becomes));
      becomes.filter(KeyPart.class::isInstance).ifPresent(p -> keys.add(((KeyPart) p).key()));
    }
    if (in instanceof Physical.ModifierTap) {
      return tapped(modifiers, keys);
    }
    for (Key held : in.held().keys()) {
      Optional<Part> becomes = becomes(new KeyPart(held), false);
      modifiers = modifiers.and(modifiersOf(becomes));
      becomes.filter(KeyPart.class::isInstance).ifPresent(p -> keys.add(((KeyPart) p).key()));
    }
    Held held = new Held(modifiers, keys);
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

  /** A tap whose modifiers have become others; one that has become a key is that key's press. */
  private static Optional<Physical> tapped(Modifiers modifiers, List<Key> keys) {
    if (!keys.isEmpty()) {
      return Optional.of(new Physical.Press(Held.of(modifiers), keys.getFirst()));
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
    return part.isPresent() && part.get() instanceof ModifierPart(Modifier m, Side side)
        ? Modifiers.of(m, side)
        : Modifiers.NONE;
  }
}
