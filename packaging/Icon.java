import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import javax.imageio.ImageIO;

/**
 * Draws the program's picture, a chord of three keys of which one is down, in all sizes and as a
 * drawing: java packaging/Icon.java FOLDER. What it has drawn is kept among what the window ships.
 */
public final class Icon {
  private static final int[] SIZES = {16, 24, 32, 48, 64, 128, 256, 512};
  private static final String FRAME = "#0f5e58";
  private static final String CAP = "#faf8f3";
  private static final String SIDE = "#c9d8d4";
  private static final String DOWN = "#e8b04a";

  /** In a square of 64: left, top, width, height, and what it is filled with. */
  private record Part(double x, double y, double w, double h, double round, String fill) {}

  private static final Part[] PARTS = {
    new Part(2, 2, 60, 60, 13, FRAME),
    new Part(9, 13, 21, 21, 5, SIDE),
    new Part(9, 10, 21, 20, 5, CAP),
    new Part(34, 13, 21, 21, 5, SIDE),
    new Part(34, 10, 21, 20, 5, CAP),
    new Part(9, 38, 46, 16, 5, DOWN),
  };

  private Icon() {}

  public static void main(String[] args) throws IOException {
    Path folder = Files.createDirectories(Path.of(args[0]));
    for (int size : SIZES) {
      BufferedImage image = new BufferedImage(size, size, BufferedImage.TYPE_INT_ARGB);
      Graphics2D pen = image.createGraphics();
      pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
      pen.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
      pen.setStroke(new BasicStroke(1));
      pen.scale(size / 64.0, size / 64.0);
      for (Part p : PARTS) {
        pen.setColor(Color.decode(p.fill()));
        pen.fill(new RoundRectangle2D.Double(p.x(), p.y(), p.w(), p.h(), 2 * p.round(), 2 * p.round()));
      }
      pen.dispose();
      ImageIO.write(image, "png", folder.resolve("icon-" + size + ".png").toFile());
    }
    StringBuilder svg =
        new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 64 64\">\n");
    for (Part p : PARTS) {
      svg.append(
          String.format(
              Locale.ROOT,
              "  <rect x=\"%.0f\" y=\"%.0f\" width=\"%.0f\" height=\"%.0f\" rx=\"%.0f\" fill=\"%s\"/>%n",
              p.x(), p.y(), p.w(), p.h(), p.round(), p.fill()));
    }
    Files.writeString(folder.resolve("icon.svg"), svg.append("</svg>\n"));
  }
}
