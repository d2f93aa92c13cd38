package polydex.effort;

import static polydex.language.CoreWords.worded;

import polydex.keys.Gesture;

/**
 * How long things take a practised person, in seconds, by the Keystroke-Level Model: S. K. Card, T.
 * P. Moran, A. Newell, "The Keystroke-Level Model for User Performance Time with Interactive
 * Systems", Communications of the ACM 23 (1980); the mouse button from D. Kieras, "Using the
 * Keystroke-Level Model to Estimate Execution Times" (2001); pointing over a known distance from I.
 * S. MacKenzie, "Fitts' Law as a Research and Design Tool in Human-Computer Interaction" (1992).
 *
 * @param key seconds for a key, K
 */
public record KeystrokeLevel(double key) {
  /** K before the person's own is known, in seconds. */
  public static final double KEY = 0.28;

  /** P: pointing where the distance is not known, in seconds. */
  public static final double POINTING = 1.10;

  /** B: a mouse button down, or up, in seconds. */
  public static final double BUTTON = 0.10;

  /** H: a hand from the keyboard to the mouse, or back, in seconds. */
  public static final double HOMING = 0.40;

  /** M: getting ready, in seconds. */
  public static final double MENTAL = 1.35;

  /** W: a notch of the wheel, in seconds. */
  public static final double NOTCH = 0.15;

  /** What a click of which nothing more is known takes: get ready, reach, point, click, return. */
  public static final String ONE_CLICK = "M H P BB H";

  private static final double FITTS_START = 0.10;
  private static final double FITTS_BIT = 0.15;

  /** With nothing known of the person. */
  public static final KeystrokeLevel USUAL = new KeystrokeLevel(KEY);

  /**
   * Pointing at something by Fitts' law in Shannon's form, in seconds.
   *
   * @param distance from the pointer to the middle of it, 0 or more
   * @param width of it, in the same unit, more than 0
   */
  public static double fitts(double distance, double width) {
    return FITTS_START + FITTS_BIT * (Math.log(distance / width + 1) / Math.log(2));
  }

  /**
   * What a row of operators takes, in seconds, O(length).
   *
   * @param operators letters K P B H M W D; spaces mean nothing
   * @throws IllegalArgumentException for any other letter
   */
  public double seconds(String operators) {
    return seconds(operators, POINTING);
  }

  /**
   * The same where pointing takes a time of its own.
   *
   * @param pointing seconds for P
   */
  public double seconds(String operators, double pointing) {
    return operators.chars().mapToDouble(o -> operator(o, pointing)).sum();
  }

  /** What a gesture takes, modifiers counted once for as long as they are held, in seconds. */
  public double seconds(Gesture gesture) {
    return MENTAL + key * (gesture.presses() + gesture.modifierPresses());
  }

  private double operator(int letter, double pointing) {
    return switch (letter) {
      case ' ' -> 0;
      case 'K' -> key;
      case 'P' -> pointing;
      case 'B' -> BUTTON;
      case 'H' -> HOMING;
      case 'M' -> MENTAL;
      case 'W' -> NOTCH;
      case 'D' -> 2 * BUTTON + pointing;
      default ->
          throw new IllegalArgumentException(
              worded("effort.there-is-no-operator-there-are", Character.toString(letter)));
    };
  }
}
