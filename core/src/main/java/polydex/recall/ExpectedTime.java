package polydex.recall;

import polydex.keys.Gesture;

/** How long a gesture should take a person who knows it, before there are answers to fit to. */
public final class ExpectedTime {
  /** From the prompt to the first key, in seconds. */
  public static final double START_SECONDS = 0.9;

  /** For each key, in seconds; K of the Keystroke-Level Model. */
  public static final double PRESS_SECONDS = 0.28;

  /** For each modifier, in seconds. */
  public static final double MODIFIER_SECONDS = 0.12;

  /** A right answer up to so many times the expected time is fluent. */
  public static final double FLUENT_WITHIN = 1.2;

  private ExpectedTime() {}

  /** The expected time from prompt to the end of the gesture, in seconds. */
  public static double of(Gesture gesture) {
    return START_SECONDS
        + PRESS_SECONDS * gesture.presses()
        + MODIFIER_SECONDS * gesture.modifierPresses();
  }
}
