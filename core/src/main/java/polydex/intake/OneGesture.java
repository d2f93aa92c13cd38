package polydex.intake;

import java.util.List;
import java.util.Optional;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureSyntaxException;
import polydex.keys.Step;

/** Reads a text as one gesture, in the way that a list writes them. */
final class OneGesture {
  private static final int LONGEST_MODIFIER = 24;

  private final GestureReader reader;
  private final boolean spaced;

  OneGesture(GestureReader plain, Dialect dialect) {
    reader = dialect.reader(plain);
    spaced = dialect.spaced();
  }

  /** The gesture; none where the text as a whole is not one. */
  Optional<Gesture> of(String text) {
    Steps.take(text.length());
    String plain = text.strip();
    if (spaced && plain.indexOf('+') < 0 && plain.indexOf(' ') > 0) {
      // "Alt 1" in a list that writes "Ctrl 1", too
      Optional<Gesture> stroke = read(plain.replaceAll("\\s+", "+"));
      if (stroke.isPresent()) {
        return stroke;
      }
    }
    return read(text);
  }

  private Optional<Gesture> read(String text) {
    try {
      return Optional.of(reader.read(text).gesture());
    } catch (GestureSyntaxException _) {
      return Optional.empty();
    }
  }

  /** Each of several texts. */
  List<Optional<Gesture>> each(List<String> texts) {
    return texts.stream().map(this::of).toList();
  }

  /** Why a text is none, with the place; none where it is one. */
  Optional<GestureSyntaxException> refusal(String text) {
    try {
      reader.read(text);
      return Optional.empty();
    } catch (GestureSyntaxException e) {
      return Optional.of(e);
    }
  }

  /** Whether a text is the name of a modifier and nothing else. */
  boolean isModifier(String text) {
    return text.length() < LONGEST_MODIFIER
        && of(text)
            .filter(
                g ->
                    g.steps().size() == 1
                        && g.steps().getFirst() instanceof Step.Tap(var _, int times)
                        && times == 1)
            .isPresent();
  }
}
