package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import polydex.desktop.controls.Texts;

/** Says why a file was not opened, and offers what can be done about it. */
final class RefusalWindow {
  /**
   * A way out.
   *
   * @param title what it does; a letter behind an underscore presses it, with Alt
   */
  record Offer(String title, Runnable taken) {}

  private RefusalWindow() {}

  static void show(Stage stage, String reason, Runnable close) {
    show(stage, reason, List.of(), close);
  }

  static void show(Stage stage, String reason, List<Offer> offers, Runnable close) {
    Look.loadFonts();
    HBox buttons = new HBox(12);
    for (Offer offer : offers) {
      Button button = new Button(offer.title());
      button.setOnAction(_ -> offer.taken().run());
      button.setDefaultButton(buttons.getChildren().isEmpty());
      buttons.getChildren().add(button);
    }
    Button button = new Button(worded("window.close-2"));
    button.setDefaultButton(offers.isEmpty());
    button.setCancelButton(true);
    button.setOnAction(_ -> close.run());
    buttons.getChildren().add(button);
    VBox box =
        new VBox(
            Texts.heading(worded("window.this-file-was-not-opened")), Texts.words(reason), buttons);
    box.getStyleClass().addAll("place", "light");
    box.setStyle("-fx-font-size: 15px;");
    Scene scene = new Scene(box, offers.isEmpty() ? 620 : 800, 240);
    scene.getStylesheets().add(Shell.class.getResource("polydex.css").toExternalForm());
    stage.titleProperty().unbind();
    stage.setTitle("Polydex");
    stage.setScene(scene);
    stage.setOnCloseRequest(_ -> close.run());
    stage.show();
    System.out.println("window shown");
  }
}
