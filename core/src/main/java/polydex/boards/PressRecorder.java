package polydex.boards;

import java.util.EnumSet;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Presses.Made;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.PointerAct;

/**
 * Makes presses of keys that go down and up: a key with what is held, or a tap when modifiers are
 * let go with nothing pressed between. Keys that repeat while they are held count once. Sides of
 * modifiers are kept where they are told.
 */
public final class PressRecorder {
  /** The keys of modifiers that are down, each by itself. */
  private final Set<Modifiers> down = new HashSet<>();

  private final Set<Key> keysDown = EnumSet.noneOf(Key.class);
  private Modifiers tapped = Modifiers.NONE;

  /** What was down at the last press and still is. */
  private Modifiers kept = Modifiers.NONE;

  private boolean usedSinceAllUp;

  /** A modifier goes down. */
  public void down(Modifier modifier) {
    down(Modifiers.of(modifier));
  }

  /** The same, one key, perhaps with its side. */
  public void down(Modifiers key) {
    if (down.isEmpty()) {
      tapped = Modifiers.NONE;
      usedSinceAllUp = false;
    }
    down.add(key);
    tapped = tapped.and(key);
  }

  /** A modifier goes up; a tap if it was the last and nothing was pressed between. */
  public Optional<Made> up(Modifier modifier) {
    return up(Modifiers.of(modifier));
  }

  /** The same, one key as it went down. */
  public Optional<Made> up(Modifiers key) {
    boolean wasDown = down.remove(key);
    kept = kept.without(key);
    if (!wasDown || !down.isEmpty() || usedSinceAllUp) {
      return Optional.empty();
    }
    return Optional.of(Made.afresh(new Physical.ModifierTap(tapped)));
  }

  /** Any other key goes down; nothing if it only repeats. */
  public Optional<Made> down(Key key) {
    if (!keysDown.add(key)) {
      return Optional.empty();
    }
    return Optional.of(made(new Physical.Press(Held.of(held()), key)));
  }

  /** The pointer does something. */
  public Made pointed(PointerAct act) {
    return made(new Physical.PointerPress(Held.of(held()), act));
  }

  private Made made(Physical press) {
    Made made = new Made(press, Held.of(kept));
    usedSinceAllUp = true;
    kept = held();
    return made;
  }

  /** Any other key goes up. */
  public void up(Key key) {
    keysDown.remove(key);
  }

  /** The modifiers that are down now. */
  public Modifiers held() {
    return down.stream().reduce(Modifiers.NONE, Modifiers::and);
  }

  /** Forgets everything, as when the window loses the focus and key releases go elsewhere. */
  public void reset() {
    down.clear();
    keysDown.clear();
    usedSinceAllUp = false;
    tapped = Modifiers.NONE;
    kept = Modifiers.NONE;
  }
}
