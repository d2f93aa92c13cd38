package polydex.keys;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A set of modifiers, each perhaps said to be the left or the right one. A bit set, since strokes
 * are compared and hashed in the innermost loop of every analysis: bits 0 to 6 say which modifiers,
 * 8 to 14 that it must be the left one, 16 to 22 the right one.
 */
public record Modifiers(int bits) {
  private static final int LEFT = 8;
  private static final int RIGHT = 16;
  private static final int WHICH = 0x7f;

  /** No modifier at all. */
  public static final Modifiers NONE = new Modifiers(0);

  /** Which of two keys of the same name. */
  public enum Side {
    EITHER,
    LEFT,
    RIGHT
  }

  /**
   * Checks that every side belongs to a modifier of the set.
   *
   * @throws IllegalArgumentException for a side without its modifier
   */
  public Modifiers {
    int sides = (bits >> LEFT | bits >> RIGHT) & WHICH;
    if ((sides & ~bits) != 0 || (bits & ~(WHICH | WHICH << LEFT | WHICH << RIGHT)) != 0) {
      throw new IllegalArgumentException("Not a set of modifiers: " + bits);
    }
  }

  /** The set of these, on either side. */
  public static Modifiers of(Modifier... modifiers) {
    int bits = 0;
    for (Modifier m : modifiers) {
      bits |= m.bit();
    }
    return new Modifiers(bits);
  }

  /** One modifier on a side. */
  public static Modifiers of(Modifier modifier, Side side) {
    return switch (side) {
      case EITHER -> new Modifiers(modifier.bit());
      case LEFT -> new Modifiers(modifier.bit() | modifier.bit() << LEFT);
      case RIGHT -> new Modifiers(modifier.bit() | modifier.bit() << RIGHT);
    };
  }

  /** This set and that one. */
  public Modifiers and(Modifiers other) {
    return new Modifiers(bits | other.bits);
  }

  /** This set and these. */
  public Modifiers and(Modifier... more) {
    return and(of(more));
  }

  /** This set without the modifier, on whichever side. */
  public Modifiers without(Modifier m) {
    return new Modifiers(bits & ~(m.bit() | m.bit() << LEFT | m.bit() << RIGHT));
  }

  /** This set without all of those, on whichever side. */
  public Modifiers without(Modifiers others) {
    int gone = others.bits & WHICH;
    return new Modifiers(bits & ~(gone | gone << LEFT | gone << RIGHT));
  }

  /** What this set asks for and that one does not: a modifier, or a side of it. */
  public Modifiers beyond(Modifiers said) {
    int more = bits & ~said.bits;
    int which = (more | more >> LEFT | more >> RIGHT) & WHICH;
    return new Modifiers(bits & (which | which << LEFT | which << RIGHT));
  }

  /** The modifiers of both sets, but for those that are asked for on different sides. */
  public Modifiers common(Modifiers other) {
    int differ = bits ^ other.bits;
    return without(new Modifiers((differ | differ >> LEFT | differ >> RIGHT) & WHICH));
  }

  /** Whether the modifier is in the set, on whichever side. */
  public boolean has(Modifier m) {
    return (bits & m.bit()) != 0;
  }

  /** Whether all of those are in this set, on whichever side. */
  public boolean hasAll(Modifiers others) {
    return (others.bits & WHICH & ~bits) == 0;
  }

  /** Whether the set is empty. */
  public boolean isEmpty() {
    return bits == 0;
  }

  /** How many modifiers. */
  public int count() {
    return Integer.bitCount(bits & WHICH);
  }

  /** The same modifiers, whichever side they were on. */
  public Modifiers eitherSide() {
    return new Modifiers(bits & WHICH);
  }

  /** The side that is asked for. */
  public Side side(Modifier m) {
    boolean left = (bits & m.bit() << LEFT) != 0;
    boolean right = (bits & m.bit() << RIGHT) != 0;
    return left == right ? Side.EITHER : left ? Side.LEFT : Side.RIGHT;
  }

  /** How many keys of the set are said to be the left or the right one. */
  public int sidesTold() {
    return Integer.bitCount(bits & ~WHICH);
  }

  /** How many modifiers of the set are held on both sides. */
  public int heldTwice() {
    return Integer.bitCount(bits >> LEFT & bits >> RIGHT & WHICH);
  }

  /** Each key of the set by itself: both where both sides are held. */
  public List<Modifiers> each() {
    if (Integer.bitCount(bits & WHICH) == 1 && (bits >> LEFT & bits >> RIGHT & WHICH) == 0) {
      return List.of(this);
    }
    List<Modifiers> found = new ArrayList<>();
    for (Modifier m : Modifier.values()) {
      if (has(m)) {
        boolean both = (bits & m.bit() << LEFT) != 0 && (bits & m.bit() << RIGHT) != 0;
        found.add(of(m, both ? Side.LEFT : side(m)));
        if (both) {
          found.add(of(m, Side.RIGHT));
        }
      }
    }
    return found;
  }

  /**
   * Whether pressing this set gives what is required: the same modifiers, each on its side. Pressed
   * with no side told, a modifier counts as the left one, which is the one that hands reach for.
   */
  public boolean satisfy(Modifiers required) {
    if (((bits ^ required.bits) & WHICH) != 0) {
      return false;
    }
    int right = bits >> RIGHT & WHICH;
    int left = bits & WHICH & (~right | bits >> LEFT);
    return (required.bits >> RIGHT & WHICH & ~right) == 0
        && (required.bits >> LEFT & WHICH & ~left) == 0;
  }

  /** The modifiers in the order in which they are written. */
  public List<Modifier> list() {
    List<Modifier> found = new ArrayList<>();
    for (Modifier m : Modifier.values()) {
      if (has(m)) {
        found.add(m);
      }
    }
    return found;
  }

  /** The words for these, each from the given names where they have one. */
  public List<String> words(Map<Modifier, String> names) {
    List<String> words = new ArrayList<>();
    for (Modifier m : list()) {
      String name = names.getOrDefault(m, m.written());
      boolean left = (bits & m.bit() << LEFT) != 0;
      boolean right = (bits & m.bit() << RIGHT) != 0;
      if (left) {
        words.add("Left" + name);
      }
      if (right) {
        words.add("Right" + name);
      }
      if (!left && !right) {
        words.add(name);
      }
    }
    return List.copyOf(words);
  }

  // Asked in the innermost loops, where what is made for a record takes several times as long.
  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof Modifiers m && m.bits == bits;
  }

  @Override
  public int hashCode() {
    return bits;
  }

  @Override
  public String toString() {
    return String.join("+", words(Map.of()));
  }
}
