package polydex.keys;

import java.util.List;
import java.util.stream.Collectors;

/** One step of a gesture. Each prints as the notation of {@link Gesture#parse} writes it. */
public sealed interface Step {

  /**
   * One key, pressed with these held.
   *
   * @param held what is held
   * @param key the key that is pressed
   */
  record Stroke(Held held, KeyRef key) implements Step {
    @Override
    public String toString() {
      return held.isNothing() ? key.toString() : held + "+" + key;
    }
  }

  /**
   * Modifiers pressed and let go with nothing between.
   *
   * @param modifiers at least one
   * @param times how often, 1 to 9
   */
  record Tap(Modifiers modifiers, int times) implements Step {
    /** The most times in a row. */
    public static final int MOST = 9;

    /** Checks the range. */
    public Tap {
      if (modifiers.isEmpty() || times < 1 || times > MOST) {
        throw new IllegalArgumentException("A tap is of modifiers, once to nine times");
      }
    }

    @Override
    public String toString() {
      return times == 1 ? modifiers.toString() : modifiers + "*" + times;
    }
  }

  /**
   * Modifiers held while inner steps are made.
   *
   * @param held what stays down, not nothing
   * @param inner the steps, at least one
   */
  record Hold(Held held, List<Step> inner) implements Step {
    /** Copies the steps. */
    public Hold {
      if (held.isNothing() || inner.isEmpty()) {
        throw new IllegalArgumentException("A hold needs something held and something done");
      }
      inner = List.copyOf(inner);
    }

    @Override
    public String toString() {
      return inner.stream().map(Step::toString).collect(Collectors.joining(" ", held + "(", ")"));
    }
  }

  /**
   * Characters typed one after another.
   *
   * @param text not empty, without control characters
   */
  record Text(String text) implements Step {
    /** Checks the characters. */
    public Text {
      if (text.isEmpty() || text.codePoints().anyMatch(Character::isISOControl)) {
        throw new IllegalArgumentException("Text in a gesture has no control characters");
      }
    }

    @Override
    public String toString() {
      return '"' + text.replace("\\", "\\\\").replace("\"", "\\\"") + '"';
    }
  }

  /**
   * Something done with the pointer, perhaps with modifiers held.
   *
   * @param held what is held
   * @param act what the pointer does
   */
  record Pointing(Held held, PointerAct act) implements Step {
    @Override
    public String toString() {
      return held.isNothing() ? act.written() : held + "+" + act.written();
    }
  }
}
