package polydex.files.recorder;

import java.awt.AWTError;
import java.awt.Color;
import java.awt.Dimension;
import java.awt.EventQueue;
import java.awt.Font;
import java.awt.FontMetrics;
import java.awt.Graphics;
import java.awt.Graphics2D;
import java.awt.GraphicsEnvironment;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.Window;
import java.awt.image.BufferedImage;
import java.lang.reflect.InvocationTargetException;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;

/**
 * A small sign in the lower right corner of the screen that something is recorded, above all
 * windows and never with the focus: whoever sits there sees it, whatever is in front.
 */
public final class ScreenSign implements AutoCloseable {
  private static final int MARGIN = 10;
  private static final int DOT = 10;
  private static final Font FONT = new Font(Font.SANS_SERIF, Font.PLAIN, 13);

  private final AtomicReference<String> words = new AtomicReference<>("");
  private final AtomicReference<Boolean> on = new AtomicReference<>(true);
  private final Window window;

  private ScreenSign(Window window) {
    this.window = window;
  }

  /** Shows it; nothing where there is no screen to show it on. */
  public static Optional<ScreenSign> show(String words) {
    try {
      if (GraphicsEnvironment.isHeadless()) {
        return Optional.empty();
      }
      AtomicReference<Optional<ScreenSign>> made = new AtomicReference<>(Optional.empty());
      EventQueue.invokeAndWait(() -> made.set(Optional.of(made())));
      made.get().ifPresent(s -> s.say(words, true));
      made.get().ifPresent(s -> s.hidden(false));
      return made.get();
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
      return Optional.empty();
    } catch (RuntimeException | InvocationTargetException | AWTError | LinkageError _) {
      // No screen, no fonts, a runtime without windows, or the program is just ending.
      return Optional.empty();
    }
  }

  private static ScreenSign made() {
    AtomicReference<ScreenSign> sign = new AtomicReference<>();
    Window window =
        new Window(null) {
          private static final long serialVersionUID = 1;

          @Override
          public void paint(Graphics g) {
            ScreenSign now = sign.get();
            if (now != null) {
              now.paint((Graphics2D) g, getSize());
            }
          }
        };
    window.setFocusableWindowState(false);
    window.setAlwaysOnTop(true);
    window.setType(Window.Type.UTILITY);
    window.setName("polydex-recording");
    sign.set(new ScreenSign(window));
    return sign.get();
  }

  /**
   * Says something else.
   *
   * @param recording whether it is recording now, rather than paused
   */
  public void say(String sentence, boolean recording) {
    words.set(sentence);
    on.set(recording);
    EventQueue.invokeLater(
        () -> {
          Rectangle screen =
              GraphicsEnvironment.getLocalGraphicsEnvironment().getMaximumWindowBounds();
          Dimension size = size();
          window.setBounds(
              screen.x + screen.width - size.width - MARGIN,
              screen.y + screen.height - size.height - MARGIN,
              size.width,
              size.height);
          window.repaint();
        });
  }

  /** Hides it while the same is to be seen elsewhere. */
  public void hidden(boolean hide) {
    EventQueue.invokeLater(() -> window.setVisible(!hide));
  }

  private Dimension size() {
    Graphics2D g = new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB).createGraphics();
    FontMetrics letters = g.getFontMetrics(FONT);
    Dimension size =
        new Dimension(
            letters.stringWidth(words.get()) + DOT + 3 * MARGIN, letters.getHeight() + MARGIN);
    g.dispose();
    return size;
  }

  private void paint(Graphics2D g, Dimension size) {
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(
        RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
    g.setColor(Color.BLACK);
    g.fillRect(0, 0, size.width, size.height);
    g.setColor(Color.WHITE);
    g.drawRect(0, 0, size.width - 1, size.height - 1);
    int top = (size.height - DOT) / 2;
    if (on.get()) {
      g.fillOval(MARGIN, top, DOT, DOT);
    } else {
      g.fillRect(MARGIN, top, DOT / 3, DOT);
      g.fillRect(MARGIN + 2 * DOT / 3, top, DOT / 3, DOT);
    }
    g.setFont(FONT);
    FontMetrics letters = g.getFontMetrics();
    g.drawString(
        words.get(),
        2 * MARGIN + DOT,
        (size.height - letters.getHeight()) / 2 + letters.getAscent());
  }

  @Override
  public void close() {
    EventQueue.invokeLater(window::dispose);
  }
}
