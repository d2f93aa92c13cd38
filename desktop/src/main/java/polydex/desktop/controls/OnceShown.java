package polydex.desktop.controls;

import javafx.animation.AnimationTimer;

/** Does something once what was changed just now is on the screen. */
public final class OnceShown extends AnimationTimer {
  private final Runnable work;
  private int frames;

  /**
   * Does nothing until it is started.
   *
   * @param work is done anew after each start; a start before that begins the wait again
   */
  public OnceShown(Runnable work) {
    this.work = work;
  }

  @Override
  public void start() {
    frames = 0;
    super.start();
  }

  @Override
  public void handle(long now) {
    // The second frame after the change is the first before which it has been painted.
    if (++frames == 2) {
      stop();
      work.run();
    }
  }
}
