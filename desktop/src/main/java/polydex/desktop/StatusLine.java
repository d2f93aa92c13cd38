package polydex.desktop;

import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import polydex.desktop.state.Recording;
import polydex.desktop.state.Session;
import polydex.files.store.StoreLine;

/** The last line of the window: what was done last and, wherever one is, what is being recorded. */
final class StatusLine extends HBox {
  private final Label status = new Label();
  private final Label recorded = new Label();
  private final Label unwritten = new Label();

  StatusLine(Session session, Recording recording) {
    super(12);
    getStyleClass().add("status");
    status.setTextOverrun(OverrunStyle.ELLIPSIS);
    status.setMaxWidth(Double.MAX_VALUE);
    setHgrow(status, Priority.ALWAYS);
    recorded.setMinWidth(Region.USE_PREF_SIZE);
    unwritten.getStyleClass().add("unwritten");
    unwritten.setMinWidth(Region.USE_PREF_SIZE);
    getChildren().addAll(status, unwritten, recorded);
    session.unwritten().addListener((_, _, now) -> show(now));
    show(session.unwritten().get());
    session.status().addListener((_, _, now) -> show(now));
    recording.state().addListener((_, _, _) -> show(recording));
    session.logged().addListener((_, _, _) -> show(recording));
  }

  private void show(Session.Status now) {
    status.setText(now.text());
    getStyleClass().remove("status-problem");
    if (now.isProblem()) {
      getStyleClass().add("status-problem");
    }
  }

  /** All the time while anything that was done has not reached the disk, and cannot. */
  private void show(StoreLine.Progress now) {
    unwritten.setManaged(now.problem().isPresent());
    unwritten.setVisible(now.problem().isPresent());
    unwritten.setText(
        now.problem()
            .map(
                problem ->
                    "Not stored yet: %s. %s"
                        .formatted(
                            now.waiting() == 1 ? "1 thing" : "%,d things".formatted(now.waiting()),
                            problem))
            .orElse(""));
  }

  private void show(Recording recording) {
    recorded.getStyleClass().removeAll("recording", "recording-paused");
    switch (recording.state().get()) {
      case OFF -> recorded.setText("");
      case RECORDING -> {
        recorded.getStyleClass().add("recording");
        recorded.setText(
            "\u25cf Recording %s: %,d events. F12 pauses"
                .formatted(recording.title(), recording.count()));
      }
      case PAUSED -> {
        recorded.getStyleClass().add("recording-paused");
        recorded.setText("\u275a\u275a Recording paused. F12 goes on");
      }
    }
  }
}
