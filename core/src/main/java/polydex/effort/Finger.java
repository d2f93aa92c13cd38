package polydex.effort;

import static polydex.language.CoreWords.worded;

import java.util.Optional;
import polydex.keys.Key;

/** A finger, with the key on which it rests and how much harder it works than an index finger. */
public enum Finger {
  LEFT_LITTLE(worded("effort.left-little"), 1.3, false, Key.KeyA),
  LEFT_RING(worded("effort.left-ring"), 1.15, false, Key.KeyS),
  LEFT_MIDDLE(worded("effort.left-middle"), 1.05, false, Key.KeyD),
  LEFT_INDEX(worded("effort.left-index"), 1.0, false, Key.KeyF),
  RIGHT_INDEX(worded("effort.right-index"), 1.0, true, Key.KeyJ),
  RIGHT_MIDDLE(worded("effort.right-middle"), 1.05, true, Key.KeyK),
  RIGHT_RING(worded("effort.right-ring"), 1.15, true, Key.KeyL),
  RIGHT_LITTLE(worded("effort.right-little"), 1.3, true, Key.Semicolon),
  /** Of either hand; it rests on the space bar, and reaches nothing else. */
  THUMB(worded("effort.thumb"), 0.8, true);

  private final String title;
  private final double weight;
  private final boolean right;
  private final Optional<Key> home;

  Finger(String title, double weight, boolean right, Key home) {
    this.title = title;
    this.weight = weight;
    this.right = right;
    this.home = Optional.of(home);
  }

  Finger(String title, double weight, boolean right) {
    this.title = title;
    this.weight = weight;
    this.right = right;
    this.home = Optional.empty();
  }

  /** What people call it. */
  public String title() {
    return title;
  }

  /** How much a way of this finger counts, an index finger's being 1. */
  public double weight() {
    return weight;
  }

  /** Whether it is of the right hand; of a thumb it says nothing. */
  public boolean isRight() {
    return right;
  }

  /** The key on which it rests while it does nothing; none of a thumb. */
  Optional<Key> home() {
    return home;
  }
}
