package polydex.files.recorder;

import polydex.files.FileProblem;

/** Whether the screen is taken by one window, as in a film or a talk. For one thread. */
public final class ScreenState implements AutoCloseable {
  private final XWindows windows;

  private ScreenState(XWindows windows) {
    this.windows = windows;
  }

  /**
   * Connects.
   *
   * @throws FileProblem where no display answers
   */
  public static ScreenState connect(String display) throws FileProblem {
    return new ScreenState(XWindows.connect(display));
  }

  /** Whether the window that has the focus fills the screen. */
  public boolean isFull() {
    return windows.isFull(windows.active());
  }

  @Override
  public void close() {
    windows.close();
  }
}
