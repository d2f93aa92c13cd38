package polydex.desktop.places;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.boards.Presses.Made;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictSentence;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.LayerStack;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.keys.Modifiers;
import polydex.route.Trace;

/** Who gets a gesture in the setup in use, and which bindings lose theirs. */
public final class RoutePlace implements Place, KeyCapture.Listener {
  private static final Gesture FIRST_SHOWN = Gesture.parse("Ctrl+S");

  private final Desk desk;
  private final VBox root = new VBox();
  private final TextField typed = new TextField();
  private final Button press = new Button("Press it");
  private final Label outcome = Texts.words("");
  private final LayerStack stack = new LayerStack();
  private final Label conflictsHead = Texts.part("Conflicts");
  private final ListView<Conflict> conflicts;
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
    conflicts =
        Lists.of(
            "Conflicts of this setup",
            this::row,
            c -> desk.session().workspace().get().catalog().title(c.loser().binding().action()),
            Texts.quiet("No binding of this setup is doubled or taken by an outer layer."));
    conflicts.getStyleClass().add("conflicts");
    desk.narrow().addListener((_, _, _) -> conflicts.refresh());
    conflicts
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, c) -> Optional.ofNullable(c).ifPresent(this::showConflict));
    root.getStyleClass().add("place");
    root.getChildren().addAll(Texts.heading("Route"), ask, scroll, conflictsHead, conflicts);
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
        KeyCommand.of("Ctrl+K", "Conflicts", conflicts::requestFocus));
  }

  @Override
  public Map<Character, Node> reachable() {
    return Map.of('G', typed, 'P', press, 'C', conflicts);
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
    List<Conflict> found = analysis.conflicts();
    conflictsHead.setText(
        switch (found.size()) {
          case 0 -> "No conflicts in this setup";
          case 1 -> "1 conflict in this setup";
          default -> found.size() + " conflicts in this setup, the worst first";
        });
    conflicts.getItems().setAll(found);
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
    shown = conflict.loser().gesture();
    desk.analyst().found().get().ifPresent(a -> show(a, conflict.loser().trace()));
  }

  private void row(HBox box, Conflict conflict) {
    Region notch = new Region();
    notch.getStyleClass().add("notch");
    Label severity = Texts.styled(String.valueOf(conflict.severity()), "number");
    Label sentence =
        Texts.styled(
            ConflictSentence.withoutGesture(conflict, desk.session().workspace().get().catalog()),
            "words");
    sentence.setWrapText(true);
    sentence.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(sentence, Priority.ALWAYS);
    HBox facts =
        new HBox(
            10,
            Lists.rightColumn(severity, 2),
            notch,
            Lists.column(Texts.styled(conflict.kind().name().toLowerCase(Locale.ROOT), "quiet"), 6),
            Lists.column(
                new GestureView(
                    conflict.loser().gesture(), desk.words(conflict.loser().environment())),
                11));
    facts.setAlignment(Pos.CENTER_LEFT);
    facts.setMinWidth(Region.USE_PREF_SIZE);
    if (desk.narrow().get()) {
      VBox both = new VBox(4, facts, sentence);
      HBox.setHgrow(both, Priority.ALWAYS);
      both.setMinWidth(0);
      box.getChildren().add(both);
    } else {
      box.getChildren().addAll(facts, sentence);
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
