package polydex.keys;

import java.util.Optional;

/** One thing that a keyboard or pointer sends: what travels through a setup. */
public sealed interface Physical {

  /** What is held meanwhile. */
  Held held();

  /** The same with other modifiers held. */
  Physical with(Modifiers modifiers);

  /** The same with nothing said of sides, as an index keeps it; sides are compared afterwards. */
  default Physical eitherSide() {
    return with(held().modifiers().eitherSide());
  }

  /** The same without some of what is held, on whichever side. */
  default Physical without(Held less) {
    Held left = held().without(less);
    return switch (this) {
      case Press p -> new Press(left, p.key());
      case ModifierTap _ -> new ModifierTap(left.modifiers());
      case PointerPress p -> new PointerPress(left, p.act());
    };
  }

  /** The key that goes down, where one does. */
  default Optional<Key> pressedKey() {
    return this instanceof Press p ? Optional.of(p.key()) : Optional.empty();
  }

  /**
   * A key goes down, at its place.
   *
   * @param held what is held
   * @param key the place
   */
  record Press(Held held, Key key) implements Physical {
    /** With only modifiers held. */
    public static Press of(Key key, Modifier... modifiers) {
      return new Press(Held.of(modifiers), key);
    }

    @Override
    public int hashCode() {
      return 31 * key.ordinal() + held.hashCode();
    }

    @Override
    public Press with(Modifiers modifiers) {
      return modifiers.equals(held.modifiers()) ? this : new Press(held.with(modifiers), key);
    }
  }

  /**
   * Modifiers are let go with nothing pressed between.
   *
   * @param modifiers which
   */
  record ModifierTap(Modifiers modifiers) implements Physical {
    @Override
    public Held held() {
      return Held.of(modifiers);
    }

    @Override
    public ModifierTap with(Modifiers changed) {
      return new ModifierTap(changed);
    }
  }

  /**
   * The pointer does something.
   *
   * @param held what is held
   * @param act what it does
   */
  record PointerPress(Held held, PointerAct act) implements Physical {
    @Override
    public PointerPress with(Modifiers modifiers) {
      return new PointerPress(held.with(modifiers), act);
    }
  }
}
