package polydex.desktop.places;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.boards.Presses.Made;
import polydex.conflict.Conflict;
import polydex.desktop.controls.LayerStack;
import polydex.desktop.controls.Texts;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.keys.Modifiers;
import polydex.route.Setup;
import polydex.route.Trace;
import polydex.workspace.Workspace;

/** Who gets a gesture in the setup in use, and which bindings lose theirs. */
public final class RoutePlace implements Place, KeyCapture.Listener {
  private static final Gesture FIRST_SHOWN = Gesture.parse("Ctrl+S");

  private final Desk desk;
  private final VBox root = new VBox();
  private final TextField typed = new TextField();
  private final Button press = new Button("Press it");
  private final Label outcome = Texts.words("");
  private final LayerStack stack = new LayerStack();
  private final ConflictList conflicts;
  private final WhereYouAre where;
  private final PressedSoFar soFar = new PressedSoFar();
  private boolean capturing;
  private Gesture shown = FIRST_SHOWN;

  /** The place. */
  public RoutePlace(Desk desk) {
    this.desk = desk;
    typed.setPromptText("Type a gesture, as in Ctrl+K Ctrl+S");
    typed.setAccessibleText("Gesture to follow");
    typed.getStyleClass().add("gesture-field");
    typed.setPrefColumnCount(22);
    typed.setOnAction(_ -> followTyped());
    press.setOnAction(_ -> capture());
    outcome.getStyleClass().add("part");
    HBox.setHgrow(outcome, Priority.ALWAYS);
    outcome.setMaxWidth(Double.MAX_VALUE);
    press.setMinWidth(Region.USE_PREF_SIZE);
    HBox ask = new HBox(12, typed, press, outcome);
    ask.setAlignment(Pos.CENTER_LEFT);
    ScrollPane scroll = new ScrollPane(stack);
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    scroll.getStyleClass().add("stack-scroll");
    conflicts = new ConflictList(desk, this::showConflict);
    where = new WhereYouAre(desk);
    root.getStyleClass().add("place");
    root.getChildren()
        .addAll(Texts.heading("Route"), ask, scroll, conflicts.head(), conflicts.list());
    desk.analyst().found().addListener((_, _, found) -> found.ifPresent(this::refresh));
    desk.analyst().found().get().ifPresent(this::refresh);
  }

  @Override
  public String title() {
    return "Route";
  }

  @Override
  public char letter() {
    return 'R';
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of("Ctrl+L", "Press a gesture", this::capture),
        KeyCommand.of("Ctrl+G", "Type a gesture", typed::requestFocus),
        KeyCommand.of("Ctrl+K", "Conflicts", conflicts.list()::requestFocus),
        KeyCommand.of("Ctrl+E", "Which ones", conflicts::chooseWhich),
        KeyCommand.of("Enter", "Ways out", this::enter),
        KeyCommand.of("F2", "Live with it", conflicts::accept),
        KeyCommand.of("Ctrl+P", "Plan", conflicts::plan),
        KeyCommand.of("F4", "Full screen", where::fullScreen),
        KeyCommand.of("F6", "Where you are", where::chooseContext));
  }

  @Override
  public Map<Character, Node> reachable() {
    return Map.of('G', typed, 'P', press, 'C', conflicts.list());
  }

  @Override
  public void shown() {
    typed.requestFocus();
  }

  @Override
  public void hidden() {
    stop();
  }

  private void refresh(Analysis analysis) {
    conflicts.load(analysis);
    follow(shown);
  }

  private void followTyped() {
    try {
      Gesture gesture = Gesture.parse(typed.getText());
      follow(gesture.expand().getFirst());
    } catch (GestureSyntaxException e) {
      outcome.setText(e.getMessage());
      typed.positionCaret(Math.min(typed.getText().length(), e.column() - 1));
    }
  }

  private void follow(Gesture gesture) {
    shown = gesture;
    desk.analyst().found().get().ifPresent(a -> show(a, a.traces().tracer().trace(gesture)));
  }

  private void show(Analysis analysis, Trace trace) {
    soFar.traced(trace);
    outcome.setText(TraceWords.outcome(trace, analysis.workspace().catalog()));
    if (!typed.isFocused()) {
      typed.setText(trace.gesture().toString());
    }
    TraceWords.show(stack, analysis, trace, desk);
  }

  private void showConflict(Conflict conflict) {
    Optional<Setup> elsewhere = elsewhere(conflict);
    if (elsewhere.isPresent()) {
      // The path through another setup is not the one that is analysed.
      stack.getChildren().clear();
      outcome.setText(
          "This is in \u201c%s\u201d. Ctrl+U puts that setup in use, and its path is shown."
              .formatted(elsewhere.get().title()));
      return;
    }
    shown = conflict.loser().gesture();
    desk.analyst()
        .found()
        .get()
        .ifPresent(a -> show(a, a.tracer(conflict.loser()).trace(conflict.loser().gesture())));
  }

  /** The setup of a conflict that is not in the one in use. */
  private Optional<Setup> elsewhere(Conflict conflict) {
    Workspace workspace = desk.session().workspace().get();
    return conflict
        .setup()
        .filter(id -> !workspace.current().equals(Optional.of(id)))
        .map(workspace.setups()::get);
  }

  private void enter() {
    if (typed.isFocused()) {
      followTyped();
    } else if (press.isFocused()) {
      capture();
    } else {
      conflicts.waysOut();
    }
  }

  private void capture() {
    soFar.clear();
    capturing = true;
    outcome.setText("Press the gesture.");
    desk.keys().capture(this, false, "stop");
  }

  private void stop() {
    if (capturing) {
      capturing = false;
      desk.keys().release();
    }
  }

  @Override
  public void pressed(Made press, long nanos) {
    desk.analyst()
        .found()
        .get()
        .ifPresent(
            a -> {
              Gesture gesture = soFar.add(press, a);
              typed.setText(gesture.toString());
              follow(gesture);
            });
  }

  @Override
  public void holding(Modifiers held) {
    // The stack stays as it is: the field shows the gesture once it is whole.
  }

  @Override
  public void leave() {
    stop();
    typed.requestFocus();
    typed.selectAll();
  }
}
