package polydex.log;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Step;

/**
 * Takes what may have been typed out of a gesture: from the first character on nothing is kept but
 * how many there were. A key that writes is a character unless Ctrl, Alt or Meta is held with just
 * it. What else may be down says nothing: a letter, Space or Caps Lock that is still down belongs
 * to fast typing, several keys within one hold of a modifier may be the code of a character, and so
 * may keys of the number pad with Alt.
 *
 * @param kept the steps before any character; none where there were none
 * @param characters how many there were
 * @param plain how many of them with nothing held but Shift and AltGr
 * @param spelled how many keys that write are in what is kept, each with a modifier
 */
public record Typing(Optional<Gesture> kept, int characters, int plain, int spelled) {
  /** How many keys that write one gesture may have, each with a modifier, such as Ctrl+K Ctrl+S. */
  static final int MOST_SPELLED = 2;

  private record Count(int characters, int plain, int spelled) {
    static final Count NOTHING = new Count(0, 0, 0);

    Count and(Count more) {
      return new Count(characters + more.characters, plain + more.plain, spelled + more.spelled);
    }

    /** What is spelled out with a modifier is writing after all. */
    Count written() {
      return new Count(characters + spelled, plain, 0);
    }
  }

  /** What may be kept of a gesture. */
  public static Typing in(Gesture gesture) {
    List<Step> kept = new ArrayList<>();
    Count all = Count.NOTHING;
    for (Step step : gesture.steps()) {
      Count one = count(step, Held.NOTHING);
      if (all.characters == 0 && one.characters == 0) {
        kept.add(step);
        all = all.and(one);
      } else {
        all = new Count(all.characters, all.plain, all.spelled).and(one.written());
      }
    }
    if (all.spelled > MOST_SPELLED) {
      all = all.written();
      kept.clear();
    }
    return new Typing(
        kept.isEmpty() ? Optional.empty() : Optional.of(new Gesture(kept)),
        all.characters,
        all.plain,
        all.spelled);
  }

  private static Count count(Step step, Held around) {
    return switch (step) {
      case Step.Text t -> {
        int length = t.text().codePointCount(0, t.text().length());
        yield new Count(length, length, 0);
      }
      case Step.Stroke s -> stroke(s, around);
      case Step.Hold h -> {
        Count inner = new Count(stillDown(h.held()), 0, 0);
        for (Step one : h.inner()) {
          inner = inner.and(count(one, around.and(h.held())));
        }
        yield inner.spelled > 1 ? inner.written() : inner;
      }
      case Step.Tap _, Step.Pointing _ -> Count.NOTHING;
    };
  }

  private static Count stroke(Step.Stroke stroke, Held around) {
    Held held = around.and(stroke.held());
    Count down = new Count(stillDown(stroke.held()), 0, 0);
    if (!isCharacter(stroke.key())) {
      return down;
    }
    boolean commands = held.keys().isEmpty() && commands(held.modifiers());
    if (commands && !isPadCode(stroke.key(), held.modifiers())) {
      return down.and(new Count(0, 0, 1));
    }
    boolean isPlain = held.keys().isEmpty() && writes(held.modifiers());
    return down.and(new Count(1, isPlain ? 1 : 0, 0));
  }

  /** Keys that are down and write were typed before they were held. */
  private static int stillDown(Held held) {
    return (int) held.keys().stream().filter(Typing::isCharacter).count();
  }

  private static boolean commands(Modifiers held) {
    return !held.has(Modifier.ALTGR)
        && (held.has(Modifier.CTRL) || held.has(Modifier.ALT) || held.has(Modifier.META));
  }

  private static boolean writes(Modifiers held) {
    return held.without(Modifier.SHIFT).without(Modifier.ALTGR).isEmpty();
  }

  /** With Alt the number pad gives the code of a character, one digit after the other. */
  private static boolean isPadCode(KeyRef key, Modifiers held) {
    return key instanceof KeyRef.Placed(Key pad)
        && pad.name().startsWith("Numpad")
        && held.has(Modifier.ALT)
        && !held.has(Modifier.CTRL)
        && !held.has(Modifier.META);
  }

  private static boolean isCharacter(KeyRef key) {
    return switch (key) {
      case KeyRef.Typed _, KeyRef.AnyOf _ -> true;
      case KeyRef.Placed(Key placed) -> isCharacter(placed);
    };
  }

  static boolean isCharacter(Key key) {
    return key.keyName().isEmpty()
        || key == Key.Space
        || (key.name().startsWith("Numpad") && key != Key.NumpadEnter);
  }
}
