package polydex.files.recorder;

import java.awt.Color;
import java.awt.Dimension;
import java.awt.Font;
import java.awt.FontMetrics;
import java.awt.Graphics2D;
import java.util.Optional;

/**
 * A sign in the corner that something is recorded, for whoever sits there, whatever is in front.
 */
public final class ScreenSign implements AutoCloseable {
  private static final int MARGIN = 10;
  private static final int DOT = 10;
  private static final Font FONT = new Font(Font.SANS_SERIF, Font.PLAIN, 13);

  /** How much of the corner it takes at most, in pixels from below. */
  public static final int HEIGHT = 40;

  /**
   * What it says.
   *
   * @param recording whether it is recording now, rather than paused
   */
  private record Said(String sentence, boolean recording) implements CornerWindow.Drawing {
    @Override
    public Dimension size(Graphics2D g) {
      FontMetrics letters = g.getFontMetrics(FONT);
      return new Dimension(
          letters.stringWidth(sentence) + DOT + 3 * MARGIN,
          Math.min(HEIGHT - MARGIN, letters.getHeight() + MARGIN));
    }

    @Override
    public void on(Graphics2D g, Dimension size) {
      g.setColor(Color.BLACK);
      g.fillRect(0, 0, size.width, size.height);
      g.setColor(Color.WHITE);
      g.drawRect(0, 0, size.width - 1, size.height - 1);
      int top = (size.height - DOT) / 2;
      if (recording) {
        g.fillOval(MARGIN, top, DOT, DOT);
      } else {
        g.fillRect(MARGIN, top, DOT / 3, DOT);
        g.fillRect(MARGIN + 2 * DOT / 3, top, DOT / 3, DOT);
      }
      g.setFont(FONT);
      FontMetrics letters = g.getFontMetrics();
      g.drawString(
          sentence,
          2 * MARGIN + DOT,
          (size.height - letters.getHeight()) / 2 + letters.getAscent());
    }
  }

  /** The drawing of a window that says now this, now that. */
  private static final class Saying implements CornerWindow.Drawing {
    private volatile Said now;

    Saying(Said first) {
      now = first;
    }

    @Override
    public Dimension size(Graphics2D g) {
      return now.size(g);
    }

    @Override
    public void on(Graphics2D g, Dimension size) {
      now.on(g, size);
    }
  }

  private final Saying saying;
  private final CornerWindow window;

  private ScreenSign(Saying saying, CornerWindow window) {
    this.saying = saying;
    this.window = window;
  }

  /** Shows it; nothing where there is no screen to show it on. */
  public static Optional<ScreenSign> show(String words) {
    Saying saying = new Saying(new Said(words, true));
    Optional<CornerWindow> window = CornerWindow.make("polydex-recording", saying, 0);
    window.ifPresent(w -> w.show(true));
    return window.map(w -> new ScreenSign(saying, w));
  }

  /**
   * Says something else.
   *
   * @param recording whether it is recording now, rather than paused
   */
  public void say(String sentence, boolean recording) {
    saying.now = new Said(sentence, recording);
    window.changed();
  }

  /** Hides it while the same is to be seen elsewhere. */
  public void hidden(boolean hide) {
    window.show(!hide);
  }

  @Override
  public void close() {
    window.close();
  }
}
