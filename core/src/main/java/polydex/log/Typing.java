package polydex.log;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Step;

/**
 * Takes what may have been typed out of a gesture: from the first plain character on nothing is
 * kept but how many characters there were. A character is plain when nothing is held with it that
 * does not serve to write, which are Shift and AltGr.
 *
 * @param kept the steps before any plain character; none where there were none
 * @param characters how many were plain
 */
public record Typing(Optional<Gesture> kept, int characters) {

  /** What may be kept of a gesture. */
  public static Typing in(Gesture gesture) {
    List<Step> kept = new ArrayList<>();
    int characters = 0;
    for (Step step : gesture.steps()) {
      int plain = plain(step, Held.NOTHING);
      characters += plain;
      if (characters == 0) {
        kept.add(step);
      }
    }
    return new Typing(
        kept.isEmpty() ? Optional.empty() : Optional.of(new Gesture(kept)), characters);
  }

  private static int plain(Step step, Held around) {
    return switch (step) {
      case Step.Text t -> t.text().codePointCount(0, t.text().length());
      case Step.Stroke s -> writes(around.and(s.held())) && isCharacter(s.key()) ? 1 : 0;
      case Step.Hold h ->
          h.inner().stream().mapToInt(inner -> plain(inner, around.and(h.held()))).sum();
      case Step.Tap _, Step.Pointing _ -> 0;
    };
  }

  private static boolean writes(Held held) {
    return held.keys().isEmpty()
        && held.modifiers().list().stream()
            .allMatch(m -> m == Modifier.SHIFT || m == Modifier.ALTGR);
  }

  private static boolean isCharacter(KeyRef key) {
    return switch (key) {
      case KeyRef.Typed _, KeyRef.AnyOf _ -> true;
      case KeyRef.Placed p ->
          p.key().keyName().isEmpty()
              || p.key() == Key.Space
              || (p.key().name().startsWith("Numpad") && p.key() != Key.NumpadEnter);
    };
  }
}
