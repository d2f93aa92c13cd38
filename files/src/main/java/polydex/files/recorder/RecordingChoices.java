package polydex.files.recorder;

import java.util.Collections;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Pattern;
import polydex.hands.AnywhereGesture;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;

/**
 * What somebody has chosen for recordings into a file, as it stands in the file's settings.
 *
 * @param pause the gesture that pauses and goes on
 * @param leftOut the titles of applications of which nothing is noted
 */
public record RecordingChoices(Gesture pause, NavigableSet<String> leftOut) {
  /** The setting that has the gesture. */
  public static final String PAUSE = "recording pause";

  /** The setting that has the applications, one a line. */
  public static final String LEFT_OUT = "recording without";

  private static final Pattern LINES = Pattern.compile("\\R");

  /** Copies the set. */
  public RecordingChoices {
    leftOut = Collections.unmodifiableNavigableSet(new TreeSet<>(leftOut));
  }

  /** What the settings of a file say; the usual where they say nothing that can be read. */
  public static RecordingChoices of(Map<String, String> settings) {
    NavigableSet<String> titles = new TreeSet<>();
    LINES
        .splitAsStream(settings.getOrDefault(LEFT_OUT, ""))
        .map(String::strip)
        .filter(t -> !t.isEmpty())
        .forEach(titles::add);
    return new RecordingChoices(
        Optional.ofNullable(settings.get(PAUSE))
            .flatMap(RecordingChoices::read)
            .orElse(AnywhereGesture.PAUSE),
        titles);
  }

  private static Optional<Gesture> read(String written) {
    try {
      return Optional.of(Gesture.parse(written));
    } catch (GestureSyntaxException _) {
      return Optional.empty();
    }
  }

  /** The applications as the setting has them. */
  public String leftOutLines() {
    return String.join("\n", leftOut);
  }
}
