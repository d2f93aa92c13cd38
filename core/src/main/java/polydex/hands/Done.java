package polydex.hands;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import polydex.boards.Presses.Made;
import polydex.keys.Held;
import polydex.keys.PointerAct;

/** Something that hands did, whole. */
public sealed interface Done {
  /** When it began, in milliseconds of the clock of its events. */
  long millis();

  /**
   * Presses that may be one gesture: a key with what is held, a tap of modifiers, or several of
   * them where somebody knows a gesture of several that begins so.
   *
   * @param until when the last of them was made
   * @param presses at least one
   */
  record Keyed(long millis, long until, List<Made> presses) implements Done {
    /** Copies the list. */
    public Keyed {
      presses = List.copyOf(presses);
    }

    /** With one more press. */
    Keyed and(long now, Made more) {
      return new Keyed(millis, now, Stream.concat(presses.stream(), Stream.of(more)).toList());
    }
  }

  /**
   * Keys that write, of which nothing is kept but how many there were.
   *
   * @param until when the last of them went down
   */
  record Wrote(long millis, long until, int characters) implements Done {}

  /**
   * The pointer did something.
   *
   * @param millis when the button went down, or the wheel first turned
   * @param until when the last button went up, or the wheel last turned
   * @param act what; none for a button that has no name
   * @param button as the X Window System counts them; 0 for the wheel
   * @param times how many clicks there were in a row at one place, or notches of the wheel
   * @param held modifiers and keys that were down
   * @param from where it began
   * @param to where it ended
   * @param trip how the hand came there
   * @param secondsBack from its end to the next key; not a number where none came soon
   */
  record Pointed(
      long millis,
      long until,
      Optional<PointerAct> act,
      int button,
      int times,
      Held held,
      Spot from,
      Spot to,
      Trip trip,
      double secondsBack)
      implements Done {
    /** With the hand back at the keyboard at a time. */
    Pointed backAt(long key) {
      return new Pointed(
          millis, until, act, button, times, held, from, to, trip, (key - until) / 1000.0);
    }

    /** With one more click or notch. */
    Pointed again(long now, Spot where) {
      return new Pointed(millis, now, act, button, times + 1, held, from, where, trip, secondsBack);
    }
  }

  /** A place on the screen, in its pixels. */
  record Spot(int x, int y) {
    double distance(Spot other) {
      return Math.hypot(x - other.x, y - other.y);
    }
  }

  /**
   * How the pointer came to where it did something.
   *
   * @param pixels from where it began to move, in a straight line; 0 where it did not
   * @param seconds since it began to move, or since the last key where one came shortly before: the
   *     way of the hand from the keyboard belongs to it
   */
  record Trip(double pixels, double seconds) {}
}
