package polydex.recall;

import java.util.ArrayList;
import java.util.List;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.keys.Gesture;

/**
 * Follows an answer press by press, so that a wrong one is known at once and a right one at its
 * last key. Steps of a sequence may be pressed with the modifiers kept down, as hands do; steps of
 * a hold must be. Sides of modifiers are not compared, since keyboards do not always tell.
 */
public final class AnswerCheck {

  /** How far an answer has come. */
  public enum State {
    /** Right so far. */
    GOES_ON,
    RIGHT,
    WRONG
  }

  private final List<List<Made>> wanted;
  private final Layout layout;
  private final List<Made> made = new ArrayList<>();

  /**
   * A check against any of several gestures.
   *
   * @param gestures each typable on the layout, or it can't be answered
   */
  public AnswerCheck(List<Gesture> gestures, Layout layout) {
    this.layout = layout;
    wanted =
        gestures.stream()
            .flatMap(g -> g.expand().stream())
            .map(g -> Presses.of(g, layout))
            .filter(Presses.Typable.class::isInstance)
            .map(p -> ((Presses.Typable) p).list())
            .toList();
  }

  /** Takes in one press. */
  public State add(Made press) {
    made.add(press);
    boolean goesOn = false;
    for (List<Made> one : wanted) {
      if (begins(one)) {
        if (one.size() == made.size()) {
          return State.RIGHT;
        }
        goesOn = true;
      }
    }
    return goesOn ? State.GOES_ON : State.WRONG;
  }

  /** What was pressed so far. */
  public List<Made> made() {
    return List.copyOf(made);
  }

  /** What was pressed so far as a gesture, as it was asked where it was right. */
  public Gesture gesture() {
    return Presses.gesture(made, layout);
  }

  private boolean begins(List<Made> one) {
    if (made.size() > one.size()) {
      return false;
    }
    for (int i = 0; i < made.size(); i++) {
      boolean same = made.get(i).what().eitherSide().equals(one.get(i).what().eitherSide());
      if (!same || (one.get(i).stillHeld() && !made.get(i).stillHeld())) {
        return false;
      }
    }
    return true;
  }
}
