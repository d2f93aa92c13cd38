package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import javafx.beans.value.ObservableValue;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import polydex.desktop.keys.OwnKeys;
import polydex.desktop.state.Recording;
import polydex.desktop.state.Session;
import polydex.files.store.StoreLine;

/** The last line of the window: what was done last and, wherever one is, what is being recorded. */
final class StatusLine extends HBox {
  private final ObservableValue<StoreLine.Progress> waiting;
  private final OwnKeys own;
  private final Label status = new Label();
  private final Label recorded = new Label();
  private final Label unwritten = new Label();
  private final Label notice = new Label();

  /** What was done in a session, what waits there to be written, and what is being recorded. */
  StatusLine(Session session, Recording recording) {
    this(session.status(), session.unwritten(), session.ownKeys());
    notice.textProperty().bind(session.notice());
    recording.state().addListener((_, _, _) -> show(recording));
    session.logged().addListener((_, _, _) -> show(recording));
  }

  StatusLine(
      ObservableValue<Session.Status> said,
      ObservableValue<StoreLine.Progress> waiting,
      OwnKeys own) {
    super(12);
    this.own = own;
    this.waiting = waiting;
    getStyleClass().add("status");
    status.setTextOverrun(OverrunStyle.ELLIPSIS);
    status.setMaxWidth(Double.MAX_VALUE);
    setHgrow(status, Priority.ALWAYS);
    recorded.setMinWidth(Region.USE_PREF_SIZE);
    for (Label urgent : List.of(unwritten, notice)) {
      urgent.getStyleClass().add("unwritten");
      // With a long name or large letters it takes two lines, rather than push the window apart.
      urgent.setMinWidth(0);
      urgent.setWrapText(true);
      urgent.setMinHeight(Region.USE_PREF_SIZE);
    }
    notice.managedProperty().bind(notice.textProperty().isNotEmpty());
    notice.visibleProperty().bind(notice.textProperty().isNotEmpty());
    getChildren().addAll(status, unwritten, notice, recorded);
    waiting.addListener((_, _, now) -> show(now));
    show(waiting.getValue());
    said.addListener((_, _, now) -> show(now));
  }

  private void show(Session.Status now) {
    status.setText(now.text());
    getStyleClass().remove("status-problem");
    if (now.isProblem()) {
      getStyleClass().add("status-problem");
    }
    giveWay();
  }

  /** What stops writing may stop reading, too, and is said once. */
  private void giveWay() {
    boolean isSaid = waiting.getValue().problem().filter(status.getText()::contains).isPresent();
    status.setManaged(!isSaid);
    status.setVisible(!isSaid);
  }

  /** All the time while anything that was done has not reached the disk, and cannot. */
  private void show(StoreLine.Progress now) {
    unwritten.setManaged(now.problem().isPresent());
    unwritten.setVisible(now.problem().isPresent());
    String sentence =
        now.problem()
            .map(
                problem ->
                    worded(
                        "window.not-stored-yet-keep-elsewhere-keeps",
                        worded("window.things", now.waiting()),
                        problem))
            .orElse("");
    unwritten.setText(own.in(sentence));
    giveWay();
  }

  private void show(Recording recording) {
    recorded.getStyleClass().removeAll("recording", "recording-paused");
    switch (recording.state().get()) {
      case OFF -> recorded.setText("");
      case RECORDING -> {
        recorded.getStyleClass().add("recording");
        recorded.setText(
            own.in(
                worded(
                    "window.recording-events-pause-pauses", recording.title(), recording.count())));
      }
      case PAUSED -> {
        recorded.getStyleClass().add("recording-paused");
        recorded.setText(own.in(worded("window.recording-paused-pause-goes-on")));
      }
      case ENDING -> {
        recorded.getStyleClass().add("recording-paused");
        recorded.setText(worded("window.the-recording-is-ending"));
      }
    }
  }
}
