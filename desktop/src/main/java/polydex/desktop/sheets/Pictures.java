package polydex.desktop.sheets;

import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import polydex.files.sheets.PageImage;

/** Drawn sides of paper as the window and the printer take them. */
final class Pictures {
  private Pictures() {}

  static Image of(PageImage drawn) {
    WritableImage image = new WritableImage(drawn.width(), drawn.height());
    image
        .getPixelWriter()
        .setPixels(
            0,
            0,
            drawn.width(),
            drawn.height(),
            PixelFormat.getIntArgbInstance(),
            drawn.argb(),
            0,
            drawn.width());
    return image;
  }
}
