package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.catalog.Catalog;
import polydex.desktop.keys.OwnKeys;
import polydex.desktop.state.Session;
import polydex.files.store.StoreLine.Progress;
import polydex.own.OwnKeymap;

/** What the last line says of what could not be written, beside what else there is to say. */
@ExtendWith(ApplicationExtension.class)
class StatusLineTest {
  private static final String WHY =
      "keys-of-a-rather-long-name.polydex could not be used: there is no room. Make room.";

  private final ReadOnlyObjectWrapper<Progress> unwritten =
      new ReadOnlyObjectWrapper<>(Progress.DONE);
  private final ReadOnlyObjectWrapper<Session.Status> said =
      new ReadOnlyObjectWrapper<>(new Session.Status("", false));
  private final BorderPane window = new BorderPane();
  private StatusLine line;

  @Start
  void start(Stage stage) {
    line =
        new StatusLine(
            said,
            unwritten,
            new OwnKeys(new ReadOnlyObjectWrapper<>(OwnKeymap.gestures(Catalog.EMPTY))));
    window.setBottom(line);
    // The stage is other tests' too, and has the size that they left it in.
    window.setMinWidth(300);
    window.setMaxWidth(300);
    stage.setScene(new Scene(new StackPane(window)));
    stage.show();
  }

  private List<String> shown(Runnable first) {
    WaitForAsyncUtils.waitForAsyncFx(
        5000,
        () -> {
          first.run();
          window.getScene().getRoot().applyCss();
          window.getScene().getRoot().layout();
          // What wraps asks for more height once it has its width.
          window.getScene().getRoot().layout();
        });
    WaitForAsyncUtils.waitForFxEvents();
    return line.getChildren().stream()
        .filter(Node::isVisible)
        .map(n -> ((Label) n).getText())
        .filter(t -> !t.isEmpty())
        .toList();
  }

  @Test
  void whatWaitsIsSaidInFullHoweverNarrowUntilItIsWritten() {
    assertThat(shown(() -> said.set(new Session.Status("Made.", false)))).containsExactly("Made.");
    String waits = "Not stored yet: 2 things. " + WHY + " Ctrl+Shift+S keeps everything elsewhere.";
    assertThat(shown(() -> unwritten.set(new Progress(2, Optional.of(WHY)))))
        .containsExactly("Made.", waits);
    assertThat(line.minWidth(-1)).isLessThan(300);
    assertThat(line.getWidth()).isEqualTo(300);
    Label label = (Label) line.lookup(".unwritten");
    assertThat(label.getHeight()).isGreaterThanOrEqualTo(label.prefHeight(label.getWidth()));
    assertThat(shown(() -> said.set(new Session.Status(WHY + " It is not read.", true))))
        .as("the same is said once")
        .containsExactly(waits);
    assertThat(shown(() -> said.set(new Session.Status("A cost is a number.", true))))
        .as("another problem is another one")
        .containsExactly("A cost is a number.", waits);
    assertThat(shown(() -> unwritten.set(Progress.DONE))).containsExactly("A cost is a number.");
  }
}
