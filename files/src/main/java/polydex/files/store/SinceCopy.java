package polydex.files.store;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.log.LogEvent;
import polydex.recall.Answer;

/**
 * What was added to a file since its newest copy was made, kept in mind: with the copy it makes the
 * file again where another program has written into it. Of the mouse log only so much is kept as a
 * person can bring about in some days; what is beyond is said to be missing.
 */
final class SinceCopy {
  private static final int MOST_EVENTS = 300_000;

  private final DailyCopies.Copy copy;
  private final List<Answer> answers = new ArrayList<>();
  private final List<LogEvent> events = new ArrayList<>();
  private final Map<String, String> settings = new HashMap<>();
  private boolean whole = true;

  SinceCopy(DailyCopies.Copy copy) {
    this.copy = copy;
  }

  DailyCopies.Copy copy() {
    return copy;
  }

  void add(Answer answer) {
    answers.add(answer);
  }

  void add(Iterable<LogEvent> more) {
    for (LogEvent event : more) {
      if (events.size() == MOST_EVENTS) {
        whole = false;
        return;
      }
      events.add(event);
    }
  }

  /** A log came in at once, which is not kept in mind. */
  void addedUnseen() {
    whole = false;
  }

  void remove(LogEvent event) {
    events.remove(event);
  }

  void set(String name, String value) {
    settings.put(name, value);
  }

  /** Puts all of it into the copy, and says what is missing, if anything is. */
  Optional<String> into(Store store) throws FileProblem {
    store.addAll(answers, events);
    for (Map.Entry<String, String> setting : settings.entrySet()) {
      store.setting(setting.getKey(), setting.getValue());
    }
    return whole
        ? Optional.empty()
        : Optional.of("Of the mouse log that came in today a part is missing: bring it in again.");
  }
}
