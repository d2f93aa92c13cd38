package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.PauseTransition;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Recording;
import polydex.keys.Gesture;
import polydex.language.Language;
import polydex.log.Deed;
import polydex.log.LogEvent;
import polydex.own.OwnKey;
import polydex.person.Knowledge;
import polydex.recognition.Place;
import polydex.recognition.Recogniser;

/** What a recorder sees, as it happens; and how one is started and ended. */
public final class LiveView extends VBox {
  private static final DateTimeFormatter TIME = Language.dates(worded("mouse.hh-mm-ss"));
  private static final int SHOWN = 60;

  /** New events are drawn no oftener; each is seen within a tenth of a second all the same. */
  private static final Duration REST = Duration.millis(20);

  private final Desk desk;
  private final PauseTransition rest = new PauseTransition(REST);
  private final Label summary = Texts.words("");
  private final ListView<LogEvent> list;
  private final Label nothing;
  private final RecordingStart start;
  private Recogniser recogniser;

  /** An empty view. */
  public LiveView(Desk desk) {
    this.desk = desk;
    start =
        new RecordingStart(
            desk, () -> recogniser = Knowledge.recogniser(desk.session().workspace().get()));
    recogniser = Knowledge.recogniser(desk.session().workspace().get());
    nothing = desk.keyed(Texts.quiet(worded("mouse.nothing-is-being-recorded-record-begin")));
    list =
        Lists.of(
            worded("mouse.what-was-recorded-last"), this::row, e -> e.deed().target(), nothing);
    summary.getStyleClass().add("live-summary");
    rest.setOnFinished(_ -> refresh());
    desk.narrow().addListener((_, _, _) -> list.refresh());
    VBox.setVgrow(list, Priority.ALWAYS);
    VBox.setVgrow(this, Priority.ALWAYS);
    setSpacing(10);
    getChildren().addAll(summary, list);
  }

  /** What gets the focus. */
  public Node list() {
    return list;
  }

  /** The keys of this view. */
  public List<KeyCommand> commands() {
    boolean off = desk.recording().state().get() == Recording.State.OFF;
    return List.of(
        off
            ? KeyCommand.of(
                OwnKey.RECORD_BEGIN_OR_END, worded("mouse.begin-to-record"), this::begin)
            : KeyCommand.of(
                OwnKey.RECORD_BEGIN_OR_END,
                worded("mouse.end-the-recording"),
                desk.recording()::end),
        KeyCommand.of(OwnKey.PAUSE, worded("mouse.pause-or-go-on"), desk.recording()::pauseOrGoOn));
  }

  /** Asks what is to be recorded, and begins. */
  public void begin() {
    start.ask();
  }

  /** Shows what there is a moment later, and what comes until then with it. */
  public void soon() {
    if (rest.getStatus() != Animation.Status.RUNNING) {
      rest.playFromStart();
    }
  }

  /** Shows what there is now. */
  public void refresh() {
    Recording recording = desk.recording();
    summary.setText(
        switch (recording.state().get()) {
          case OFF ->
              recording.count() == 0
                  ? worded("mouse.no-recorder-is-at-work")
                  : worded("mouse.the-recording-has-ended-with-events", recording.count());
          case RECORDING ->
              worded("mouse.recording-events-so-far-what-is", recording.title(), recording.count());
          case ENDING -> worded("mouse.ending-what-was-done-last-is");
          case PAUSED -> worded("mouse.paused-at-events-nothing-is-kept", recording.count());
        });
    list.setPlaceholder(
        recording.state().get() == Recording.State.OFF
            ? nothing
            : Texts.quiet(worded("mouse.nothing-has-come-in-yet")));
    list.getItems().setAll(recording.last().stream().limit(SHOWN).toList());
  }

  private void row(HBox box, LogEvent event) {
    Deed deed = event.deed();
    Optional<Place> place = recogniser.of(deed).place();
    Region what;
    if (deed.isTyping()) {
      what = Texts.styled(worded("mouse.characters-typed", event.characters()), "quiet");
    } else if (deed.device().isPointer()) {
      what = Texts.styled(Spoken.way(deed), "row-title");
    } else {
      what =
          new GestureView(
              Gesture.parse(deed.input()),
              place.map(p -> desk.titles().words(p.environment())).orElse(Map.of()));
    }
    String action =
        place.map(desk.titles()::action).orElse(deed.isTyping() ? "" : worded("mouse.no-action"));
    boolean narrow = desk.narrow().get();
    box.getChildren()
        .add(
            Lists.column(
                Texts.styled(TIME.format(event.at().atZone(desk.session().zone())), "number"),
                6.5));
    if (!narrow) {
      box.getChildren().add(Lists.column(Texts.styled(Spoken.device(deed.device()), "quiet"), 6));
    }
    box.getChildren()
        .addAll(
            Lists.column(
                Texts.styled(
                    deed.application().isEmpty() ? worded("mouse.desktop") : deed.application(),
                    "quiet"),
                narrow ? 7 : 11),
            Lists.growing(what),
            Lists.column(Texts.styled(action, "row-title"), narrow ? 11 : 16));
  }
}
