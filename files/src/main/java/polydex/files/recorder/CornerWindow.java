package polydex.files.recorder;

import java.awt.AWTError;
import java.awt.Dimension;
import java.awt.EventQueue;
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
 * A small window in the lower right corner of the screen, above all others and never with the
 * focus. Of AWT, since JavaFX can't show a window that does not take the focus.
 */
public final class CornerWindow implements AutoCloseable {
  private static final int MARGIN = 10;

  /** What is on it. */
  public interface Drawing {
    /** How large it is. */
    Dimension size(Graphics2D g);

    /** Draws it, over all of the window. */
    void on(Graphics2D g, Dimension size);
  }

  private final Window window;
  private final Drawing drawing;
  private final int above;

  private CornerWindow(String name, Drawing drawing, int above) {
    this.drawing = drawing;
    this.above = above;
    window =
        new Window(null) {
          private static final long serialVersionUID = 1;

          @Override
          public void paint(Graphics g) {
            drawing.on(smooth((Graphics2D) g), getSize());
          }
        };
    window.setFocusableWindowState(false);
    window.setAlwaysOnTop(true);
    window.setType(Window.Type.UTILITY);
    window.setName(name);
  }

  /**
   * A hidden one; nothing where there is no screen to show it on.
   *
   * @param above so many pixels above the corner, where another may be
   */
  public static Optional<CornerWindow> make(String name, Drawing drawing, int above) {
    try {
      if (GraphicsEnvironment.isHeadless()) {
        return Optional.empty();
      }
      AtomicReference<Optional<CornerWindow>> made = new AtomicReference<>(Optional.empty());
      EventQueue.invokeAndWait(
          () -> {
            CornerWindow window = new CornerWindow(name, drawing, above);
            window.place();
            made.set(Optional.of(window));
          });
      return made.get();
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
      return Optional.empty();
    } catch (RuntimeException | InvocationTargetException | AWTError | LinkageError _) {
      // No screen, no fonts, a runtime without windows, or the program is just ending.
      return Optional.empty();
    }
  }

  private static Graphics2D smooth(Graphics2D g) {
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(
        RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
    return g;
  }

  private void place() {
    Graphics2D g = new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB).createGraphics();
    Dimension size = drawing.size(smooth(g));
    g.dispose();
    Rectangle screen = GraphicsEnvironment.getLocalGraphicsEnvironment().getMaximumWindowBounds();
    window.setBounds(
        screen.x + screen.width - size.width - MARGIN,
        screen.y + screen.height - size.height - MARGIN - above,
        size.width,
        size.height);
    window.repaint();
  }

  /** What is on it is something else. */
  public void changed() {
    EventQueue.invokeLater(this::place);
  }

  /** Shows it, or hides it. */
  public void show(boolean shown) {
    EventQueue.invokeLater(() -> window.setVisible(shown));
  }

  @Override
  public void close() {
    EventQueue.invokeLater(window::dispose);
  }
}
