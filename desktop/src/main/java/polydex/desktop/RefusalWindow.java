package polydex.desktop;

import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import polydex.desktop.controls.Texts;

/** Says why a file was not opened. */
final class RefusalWindow {
  private RefusalWindow() {}

  static void show(Stage stage, String reason, Runnable close) {
    Button button = new Button("Close");
    button.setDefaultButton(true);
    button.setCancelButton(true);
    button.setOnAction(_ -> close.run());
    VBox box = new VBox(Texts.heading("This file was not opened"), Texts.words(reason), button);
    box.getStyleClass().addAll("place", "light");
    box.setStyle("-fx-font-size: 15px;");
    Scene scene = new Scene(box, 620, 220);
    scene.getStylesheets().add(Shell.class.getResource("polydex.css").toExternalForm());
    stage.setTitle("Polydex");
    stage.setScene(scene);
    stage.setOnCloseRequest(_ -> close.run());
    stage.show();
    System.out.println("window shown");
  }
}
