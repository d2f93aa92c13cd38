package polydex.desktop;

import javafx.scene.image.Image;
import javafx.stage.Stage;

/** The program's picture for title bars and lists of windows. */
final class Icons {
  private static final int[] SIZES = {16, 32, 48, 128};

  private Icons() {}

  static void on(Stage stage) {
    if (stage.getIcons().isEmpty()) {
      for (int size : SIZES) {
        String name = "icon-" + size + ".png";
        stage.getIcons().add(new Image(Icons.class.getResource(name).toExternalForm(), true));
      }
    }
  }
}
