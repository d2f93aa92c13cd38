package polydex.files.recorder;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import polydex.files.FileProblem;

/**
 * Which window has the focus and which lies under the pointer, as the display has it. Not
 * thread-safe.
 */
final class XWindows implements AutoCloseable {
  private static final int DEEPEST = 24;

  /** Types of windows, from the Extended Window Manager Hints 1.5. */
  private static final List<String> MENUS =
      List.of(
          "_NET_WM_WINDOW_TYPE_DROPDOWN_MENU",
          "_NET_WM_WINDOW_TYPE_POPUP_MENU",
          "_NET_WM_WINDOW_TYPE_MENU");

  private final Xcb display;

  private XWindows(Xcb display) {
    this.display = display;
  }

  /**
   * A window of a program.
   *
   * @param id of the display; 0 for the desktop
   * @param process the id of its process; 0 where it does not say
   * @param program its class, as it says
   */
  record Window(int id, int process, String program) {
    static final Window DESKTOP = new Window(0, 0, "");
  }

  /**
   * A window under the pointer.
   *
   * @param across where in it, as a share of its width
   * @param down the same of its height
   */
  record Under(Window window, double across, double down) {}

  /**
   * Connects.
   *
   * @throws FileProblem where no display answers
   */
  static XWindows connect(String display) throws FileProblem {
    return new XWindows(Xcb.connect(display));
  }

  /** Whether a window is that of an open menu. */
  boolean isMenu(Window window) {
    return MENUS.stream().anyMatch(m -> display.lists(window.id(), "_NET_WM_WINDOW_TYPE", m));
  }

  /** The window that has the focus. */
  Window active() {
    int named = display.number(display.root(), "_NET_ACTIVE_WINDOW");
    if (named != 0) {
      Optional<Window> found = window(named);
      if (found.isPresent()) {
        return found.get();
      }
    }
    // Without a window manager that says so, whoever gets the keys or is around it.
    int at = display.focus();
    for (int i = 0; i < DEEPEST && at > 1 && at != display.root(); i++) {
      Optional<Window> found = window(at);
      if (found.isPresent()) {
        return found.get();
      }
      at = display.parent(at);
    }
    return Window.DESKTOP;
  }

  /** The window of a program at a spot of the screen. */
  Under at(int x, int y) {
    int outer = display.inside(display.root(), x, y);
    // Asked first: the click may have closed it.
    double[] frame =
        display
            .shares(outer == 0 ? display.root() : outer, x, y)
            .orElse(new double[] {Double.NaN, Double.NaN});
    int at = outer;
    for (int i = 0; i < DEEPEST && at != 0; i++) {
      Optional<Window> found = window(at);
      if (found.isPresent()) {
        double[] shares = at == outer ? frame : display.shares(at, x, y).orElse(frame);
        return new Under(found.get(), shares[0], shares[1]);
      }
      at = display.inside(at, x, y);
    }
    // The frame that a window manager draws, or the desktop itself.
    return new Under(Window.DESKTOP, frame[0], frame[1]);
  }

  /** A window of this program that the manager knows; none where there is none. */
  Optional<Window> own() {
    int own = (int) ProcessHandle.current().pid();
    return Arrays.stream(display.windows(display.root(), "_NET_CLIENT_LIST"))
        .mapToObj(this::window)
        .flatMap(Optional::stream)
        .filter(w -> w.process() == own)
        .findFirst();
  }

  /** Has a window brought to the front, wherever it is, and given the focus. */
  void bringToFront(Window window) {
    final int asPager = 2; // whoever asks as a person does is not refused
    // Not every manager goes to the workspace of a window by itself.
    int workspace = display.number(window.id(), "_NET_WM_DESKTOP");
    if (workspace >= 0 && workspace != display.number(display.root(), "_NET_CURRENT_DESKTOP")) {
      display.tell(display.root(), "_NET_CURRENT_DESKTOP", workspace);
    }
    display.tell(window.id(), "_NET_ACTIVE_WINDOW", asPager);
  }

  /** Whether a window fills the screen. */
  boolean isFull(Window window) {
    return display.lists(window.id(), "_NET_WM_STATE", "_NET_WM_STATE_FULLSCREEN");
  }

  /** The window where it is one of a program: those have a class, an instance name before it. */
  private Optional<Window> window(int id) {
    String[] names = display.text(id, "WM_CLASS").split("\0");
    if (names.length == 0 || names[names.length - 1].isBlank()) {
      return Optional.empty();
    }
    return Optional.of(
        new Window(id, display.number(id, "_NET_WM_PID"), names[names.length - 1].strip()));
  }

  @Override
  public void close() {
    display.close();
  }
}
