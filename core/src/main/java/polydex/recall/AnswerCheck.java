package polydex.recall;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.keys.Gesture;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/**
 * Follows an answer press by press, so that a wrong one is known at once and a right one at its
 * last key. Steps of a sequence may be pressed with the modifiers kept down, as hands do; steps of
 * a hold must be. Sides of modifiers are compared only where whoever hears the keys tells them.
 * Modifiers that are let go again before anything was pressed with them are a correction, unless
 * tapping them does something here.
 */
public final class AnswerCheck {
  /** A step that comes later than this after the one before is said to be slow, in seconds. */
  public static final double SLOW_STEP = 1.0;

  /** A longer wait than this is an interruption: the time says nothing then, in seconds. */
  public static final double INTERRUPTED = 20;

  /** How far an answer has come. */
  public enum State {
    /** Right so far. */
    GOES_ON,
    RIGHT,
    WRONG
  }

  private final List<List<Made>> wanted;
  private final boolean sidesMatter;
  private final Layout layout;
  private final Predicate<Modifiers> tapDoesSomething;
  private final List<Made> made = new ArrayList<>();
  private double lastAt;
  private double firstKey = Double.NaN;
  private double slowest;
  private double longestWait;
  private Modifiers letGo = Modifiers.NONE;
  private boolean corrected;

  /**
   * A check against any of several gestures.
   *
   * @param gestures each typable on the layout, or it can't be answered
   * @param tapDoesSomething whether tapping these modifiers is somebody's gesture
   */
  public AnswerCheck(List<Gesture> gestures, Layout layout, Predicate<Modifiers> tapDoesSomething) {
    this.layout = layout;
    this.tapDoesSomething = tapDoesSomething;
    wanted =
        gestures.stream()
            .flatMap(g -> g.expand().stream())
            .map(g -> Presses.of(g, layout))
            .filter(Presses.Typable.class::isInstance)
            .map(p -> ((Presses.Typable) p).list())
            .toList();
    sidesMatter =
        wanted.stream()
            .flatMap(List::stream)
            .anyMatch(m -> m.what().held().modifiers().sidesTold() > 0);
  }

  /**
   * Takes in one press.
   *
   * @param heard the press; of a side that nobody asks for nothing is kept
   * @param at seconds since the prompt was painted
   */
  public State add(Made heard, double at) {
    Made press = sidesMatter ? heard : new Made(heard.what().eitherSide(), heard.kept());
    touched(at);
    longestWait = Math.max(longestWait, at - lastAt);
    made.add(press);
    boolean goesOn = false;
    boolean done = false;
    for (List<Made> one : wanted) {
      boolean begins = begins(one);
      done |= begins && one.size() == made.size();
      goesOn |= begins;
    }
    if (!goesOn && isStray(press)) {
      made.removeLast();
      corrected = true;
      letGo = press.what().held().modifiers();
      lastAt = at;
      return State.GOES_ON;
    }
    if (made.size() > 1) {
      slowest = Math.max(slowest, at - lastAt);
    }
    lastAt = at;
    if (done) {
      return State.RIGHT;
    }
    return goesOn ? State.GOES_ON : State.WRONG;
  }

  /**
   * A key or a modifier went down, whatever comes of it.
   *
   * @param at seconds since the prompt was painted
   */
  public void touched(double at) {
    firstKey = Double.isNaN(firstKey) ? at : Math.min(firstKey, at);
  }

  /** Seconds until the first key or modifier went down; none before one did. */
  public OptionalDouble firstKey() {
    return Double.isNaN(firstKey) ? OptionalDouble.empty() : OptionalDouble.of(firstKey);
  }

  private boolean isStray(Made press) {
    return press.what() instanceof Physical.ModifierTap(Modifiers modifiers)
        && !tapDoesSomething.test(modifiers.eitherSide());
  }

  /** What was pressed so far. */
  public List<Made> made() {
    return List.copyOf(made);
  }

  /** What was pressed so far as a gesture, as it was asked where it was right. */
  public Gesture gesture() {
    return Presses.gesture(made, layout);
  }

  /** Whether modifiers were pressed and let go again on the way. */
  public boolean corrected() {
    return corrected;
  }

  /** Whether there was a wait so long that the time says nothing. */
  public boolean interrupted() {
    return longestWait > INTERRUPTED;
  }

  /** The longest wait between two steps, in seconds, if it was longer than {@link #SLOW_STEP}. */
  public OptionalDouble slowStep() {
    return slowest > SLOW_STEP ? OptionalDouble.of(slowest) : OptionalDouble.empty();
  }

  /** What is wrong with the last press, given that it was. */
  public Optional<Mistake> mistake() {
    if (made.isEmpty() || wanted.stream().anyMatch(this::begins)) {
      return Optional.empty();
    }
    Made last = made.removeLast();
    List<Made> nearest =
        wanted.stream().filter(this::begins).findFirst().orElseGet(wanted::getFirst);
    made.add(last);
    return Optional.of(Mistake.of(nearest, made, letGo));
  }

  private boolean begins(List<Made> one) {
    if (made.size() > one.size()) {
      return false;
    }
    for (int i = 0; i < made.size(); i++) {
      if (!isLike(made.get(i).what(), one.get(i).what())
          || (one.get(i).stillHeld() && !made.get(i).stillHeld())) {
        return false;
      }
    }
    return true;
  }

  private static boolean isLike(Physical pressed, Physical asked) {
    Modifiers sides = pressed.held().modifiers();
    return pressed.eitherSide().equals(asked.eitherSide())
        && (sides.sidesTold() == 0 || sides.satisfy(asked.held().modifiers()));
  }
}
