package polydex.recall;

import java.time.Instant;
import java.util.Optional;
import polydex.keys.Gesture;

/** Plain answers for tests. */
final class Answers {
  private static final Gesture SAVE = Gesture.parse("Ctrl+S");

  private Answers() {}

  static Answer of(DrillItem item, Instant at, boolean right) {
    return new Answer(
        item,
        at,
        Answer.Kind.DO,
        right ? Answer.Verdict.RIGHT : Answer.Verdict.WRONG,
        new Answer.Timing(1, true, 1.3),
        SAVE,
        "",
        Optional.empty());
  }
}
