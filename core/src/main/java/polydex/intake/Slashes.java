package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.KeyRef;
import polydex.keys.Step;

/**
 * What strokes between keys and modifiers mean: {@code Ctrl/Cmd+S} spreads over what follows, the
 * modifiers of {@code Ctrl+Home/End} hold for both keys, and {@code F5/Ctrl+R} are two gestures.
 */
final class Slashes {
  private static final int MOST_SPREAD = 16;
  static final Pattern PLUS = Pattern.compile("(?<=[^+\\s])\\s*\\+\\s*(?=\\S)");

  private final OneGesture gesture;
  private final Dialect dialect;

  Slashes(OneGesture gesture, Dialect dialect) {
    this.gesture = gesture;
    this.dialect = dialect;
  }

  /**
   * The gestures between slashes.
   *
   * @param shared whether modifiers were taken to hold for what is behind the slash
   */
  record Meant(List<Gesture> gestures, boolean shared) {}

  /** Whether a text has slashes that may part something. */
  static boolean has(String text) {
    int parts = CellScanner.slashed(text).size();
    return parts > 1 && parts <= MOST_SPREAD;
  }

  /**
   * What a text means.
   *
   * @return none where it can't be read
   * @throws Asked where it can mean two things
   */
  Optional<Meant> of(String text) {
    List<String> parts = CellScanner.slashed(text);
    Optional<List<Gesture>> apart = all(parts);
    boolean tapFirst =
        apart.filter(all -> all.getFirst().steps().getFirst() instanceof Step.Tap).isPresent();
    if (apart.isEmpty() || tapFirst) {
      return spread(text).flatMap(this::all).map(all -> new Meant(all, false));
    }
    return Optional.of(
        isShared(text, parts, apart.get())
            ? new Meant(shared(apart.get()), true)
            : new Meant(apart.get(), false));
  }

  private Optional<List<Gesture>> all(List<String> texts) {
    List<Optional<Gesture>> read = gesture.each(texts);
    return read.stream().allMatch(Optional::isPresent)
        ? Optional.of(read.stream().map(Optional::get).toList())
        : Optional.empty();
  }

  /** The keys of the others in the place of the last key of the first, with what is held there. */
  private static List<Gesture> shared(List<Gesture> apart) {
    List<Gesture> all = new ArrayList<>();
    List<Step> steps = apart.getFirst().steps();
    for (Gesture one : apart) {
      if (steps.getLast() instanceof Step.Stroke(Held held, KeyRef _)
          && one.steps().getLast() instanceof Step.Stroke(Held _, KeyRef key)) {
        List<Step> changed = new ArrayList<>(steps.subList(0, steps.size() - 1));
        changed.add(new Step.Stroke(held, key));
        all.add(new Gesture(changed));
      }
    }
    return all;
  }

  /** Whether the modifiers of the first part hold for the others, which have none of their own. */
  private boolean isShared(String text, List<String> parts, List<Gesture> apart) {
    List<Gesture> behind = apart.subList(1, apart.size());
    boolean bare =
        apart.getFirst().steps().getLast() instanceof Step.Stroke(Held held, KeyRef _)
            && !held.isNothing()
            && behind.stream()
                .allMatch(
                    g ->
                        g.steps().size() == 1
                            && g.steps().getFirst() instanceof Step.Stroke(Held none, KeyRef _)
                            && none.isNothing());
    if (!bare) {
      return false;
    }
    if (behind.stream().noneMatch(Dialect::isFull)) {
      return true; // a letter alone is no other way to do what Ctrl and a letter do
    }
    String first = lastKey(apart.getFirst());
    if (behind.stream().allMatch(g -> areCounterparts(first, lastKey(g)))) {
      return true;
    }
    if (dialect.is(ReadingChoice.SLASHES, "shared")) {
      return true;
    }
    if (dialect.is(ReadingChoice.SLASHES, "apart")) {
      return false;
    }
    throw new Asked(
        ReadingChoice.SLASHES, worded("intake.the-modifiers-of-may-or-may", text, parts.getLast()));
  }

  private static String lastKey(Gesture gesture) {
    return gesture.steps().getLast() instanceof Step.Stroke(Held _, KeyRef key)
        ? key.toString()
        : "";
  }

  /** Keys that people name in pairs, of which nobody means only one with its modifiers. */
  private static boolean areCounterparts(String one, String other) {
    for (Set<String> pair :
        List.of(
            Set.of("Left", "Right", "Up", "Down"),
            Set.of("Home", "End"),
            Set.of("PageUp", "PageDown"),
            Set.of("Delete", "Backspace", "Insert"),
            Set.of("NumpadAdd", "NumpadSubtract"))) {
      if (pair.contains(one) && pair.contains(other)) {
        return true;
      }
    }
    return one.matches("F\\d+") && other.matches("F\\d+");
  }

  /** {@code Ctrl/Cmd+Home/End} with each piece between the same plus signs in turn. */
  private Optional<List<String>> spread(String text) {
    String[] tokens = PLUS.split(text);
    List<String> all = new ArrayList<>(List.of(""));
    int slashes = 0;
    int width = 1;
    for (String token : tokens) {
      String[] pieces = token.length() > 1 ? token.split("\\s*/\\s*") : new String[] {token};
      if (pieces.length > 1) {
        boolean modifiers = gesture.isModifier(pieces[0]);
        for (String piece : pieces) {
          if (piece.isEmpty() || gesture.isModifier(piece) != modifiers) {
            return Optional.empty();
          }
        }
        slashes++;
        if (slashes > 1 && pieces.length == width) {
          // Ctrl/Cmd+Alt/Option+S: the pieces go with each other
          for (int i = 0; i < all.size(); i++) {
            all.set(i, joined(all.get(i), pieces[i % width]));
          }
          continue;
        }
        List<String> more = new ArrayList<>();
        for (String before : all) {
          for (String piece : pieces) {
            more.add(joined(before, piece));
          }
        }
        all = more;
        width = pieces.length;
        if (all.size() > MOST_SPREAD) {
          return Optional.empty();
        }
      } else {
        all.replaceAll(before -> joined(before, token));
      }
    }
    return slashes == 0 ? Optional.empty() : Optional.of(all);
  }

  private static String joined(String before, String token) {
    return before.isEmpty() ? token.strip() : before + "+" + token.strip();
  }
}
