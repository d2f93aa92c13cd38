package polydex.route;

import java.util.List;
import org.jspecify.annotations.Nullable;
import polydex.boards.Presses.Made;
import polydex.keys.Held;
import polydex.keys.Physical;

/**
 * A press on its way, as it is where it has come to.
 *
 * @param press what it is there
 * @param made which press of the gesture it was under the fingers, counted from 0; one that is
 *     replayed stays the press that it was
 * @param turn what changed it last; none where nothing did, or where no one asks
 */
record Going(Physical press, int made, @Nullable Turn turn) {

  /**
   * What was done to a press, so that it can be done to what was held with it.
   *
   * @param before what was done further out
   * @param by the rules that changed it
   * @param stroke what a rule about whole strokes made of it; none where it was the rules for keys
   */
  record Turn(@Nullable Turn before, Remapping by, @Nullable Physical stroke) {
    /** What is held further in by that which these hold under the fingers. */
    Held of(Held underFingers) {
      Held held = before == null ? underFingers : before.of(underFingers);
      if (held.isNothing()) {
        return Held.NOTHING;
      }
      return stroke == null ? by.held(held) : stroke.held();
    }
  }

  /** The same press as another. */
  Going with(Physical other) {
    return new Going(other, made, turn);
  }

  /** What these hold under the fingers, where this has come to. */
  Held here(Held underFingers) {
    return turn == null ? underFingers : turn.of(underFingers);
  }

  /**
   * What stays down from one press to the next, and so keeps a hold open that the first of them
   * opened.
   */
  static Held keptAfter(List<Made> presses, int opener) {
    return opener + 1 < presses.size() ? presses.get(opener + 1).kept() : Held.NOTHING;
  }

  /** Whether that has stayed down up to this press. */
  boolean isWithin(List<Made> presses, int opener, Held kept) {
    for (int i = opener + 1; i <= made; i++) {
      if (!kept.without(presses.get(i).kept()).isNothing()) {
        return false;
      }
    }
    return !kept.isNothing();
  }
}
