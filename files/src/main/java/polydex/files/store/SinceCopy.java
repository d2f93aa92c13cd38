package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.files.FileProblem;

/**
 * What was done to a file since its newest copy was made, kept in mind in its order: done again to
 * the copy it makes the file again where another program has written into it, and takes out of it
 * again what was taken out. Of the mouse log only so much is kept as a person can bring about in
 * some days; what is beyond is said to be missing.
 */
final class SinceCopy {
  private static final int MOST_EVENTS = 300_000;

  /** Something that was done, and is done again to another store. */
  interface Again {
    void to(Store store) throws FileProblem;
  }

  private final DailyCopies.Copy copy;
  private final List<Again> done = new ArrayList<>();
  private long events;
  private boolean whole = true;

  SinceCopy(DailyCopies.Copy copy) {
    this.copy = copy;
  }

  DailyCopies.Copy copy() {
    return copy;
  }

  void add(Again one) {
    done.add(one);
  }

  /** Something with so many events in it. */
  void add(Again one, long more) {
    events += more;
    if (events <= MOST_EVENTS) {
      add(one);
    } else {
      addedUnseen();
    }
  }

  /** A log came in at once, which is not kept in mind. */
  void addedUnseen() {
    whole = false;
  }

  /** Does all of it again, and says what is missing, if anything is. */
  Optional<String> into(Store store) throws FileProblem {
    for (Again one : done) {
      one.to(store);
    }
    return whole ? Optional.empty() : Optional.of(worded("store.of-the-mouse-log-that-came"));
  }
}
