package polydex.desktop.state;

import java.util.ArrayList;
import java.util.List;

/**
 * What can wait until a window was painted once: until then the machine is needed for that. On the
 * interface thread.
 */
final class Unhurried {
  private final List<Runnable> waiting = new ArrayList<>();
  private boolean isShown;

  /** Does something once the window was painted, or at once where it was. */
  void add(Runnable what) {
    if (isShown) {
      what.run();
    } else {
      waiting.add(what);
    }
  }

  /** It was painted, or there is none. */
  void shown() {
    isShown = true;
    List<Runnable> now = List.copyOf(waiting);
    waiting.clear();
    now.forEach(Runnable::run);
  }

  /** What waits is not done any more. */
  void clear() {
    waiting.clear();
  }
}
