package polydex.bench.window;

import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.stage.Stage;

/** A window with one empty label: what nothing that JavaFX shows can be sooner than. */
public final class EmptyWindow extends Application {
  /** Opens it. */
  public static void main(String[] args) {
    launch(args);
  }

  @Override
  public void start(Stage stage) {
    Scene scene = new Scene(new Label(" "), 1280, 800);
    scene.addPostLayoutPulseListener(
        new Runnable() {
          @Override
          public void run() {
            scene.removePostLayoutPulseListener(this);
            System.out.println("window shown");
          }
        });
    stage.setScene(scene);
    stage.show();
  }
}
