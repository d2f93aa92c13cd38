package polydex.desktop.route;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.boards.Presses.Made;
import polydex.catalog.Catalog;
import polydex.conflict.Conflict;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Place;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.paths.PathView;
import polydex.desktop.paths.PressedSoFar;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.keys.Modifiers;
import polydex.own.OwnKey;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.Trace;
import polydex.route.Tracer;
import polydex.route.World;
import polydex.workspace.Workspace;

/** Who gets a gesture in the setup in use, and which bindings lose theirs. */
public final class RoutePlace implements Place, KeyCapture.Listener {
  private static final Gesture FIRST_SHOWN = Gesture.parse("Ctrl+S");

  private final Desk desk;
  private final VBox root = new VBox();
  private final TextField typed = new TextField();
  private final Button press = new Button(worded("route.press-it"));
  private final Label outcome = Texts.words("");
  private final PathView here;
  private final PathView there;
  private boolean whole;
  private final HBox paths = new HBox(16);
  private final ConflictList conflicts;
  private final WhereYouAre where;
  private final PressedSoFar soFar = new PressedSoFar();
  private boolean capturing;
  private Optional<SetupId> beside = Optional.empty();

  /** A setup made ready for tracing, as it and its keymaps stood then. */
  private record Ready(World world, Setup setup, Tracer tracer) {}

  private Optional<Ready> besideReady = Optional.empty();
  private Gesture shown = FIRST_SHOWN;

  /** The place. */
  public RoutePlace(Desk desk) {
    this.desk = desk;
    typed.setPromptText(worded("route.type-a-gesture-as-in-ctrl"));
    typed.setAccessibleText(worded("route.gesture-to-follow"));
    typed.getStyleClass().add("gesture-field");
    typed.setPrefColumnCount(22);
    typed.setStyle("-fx-min-width: 9em;");
    typed.setOnAction(_ -> followTyped());
    press.setOnAction(_ -> capture());
    outcome.getStyleClass().add("part");
    HBox.setHgrow(outcome, Priority.ALWAYS);
    outcome.setMaxWidth(Double.MAX_VALUE);
    press.setMinWidth(Region.USE_PREF_SIZE);
    HBox ask = new HBox(12, typed, press, outcome);
    ask.setAlignment(Pos.CENTER_LEFT);
    here = new PathView(desk);
    there = new PathView(desk);
    HBox.setHgrow(here, Priority.ALWAYS);
    HBox.setHgrow(there, Priority.ALWAYS);
    here.setPrefWidth(400);
    there.setPrefWidth(400);
    VBox.setVgrow(paths, Priority.ALWAYS);
    paths.getChildren().setAll(here);
    conflicts = new ConflictList(desk, this::showConflict);
    where = new WhereYouAre(desk, () -> follow(shown));
    root.getStyleClass().add("place");
    root.getChildren()
        .addAll(Texts.heading(worded("any.route")), ask, paths, conflicts.head(), conflicts.list());
    desk.analyst().found().addListener((_, _, found) -> looked(found));
    looked(desk.analyst().found().get());
  }

  private void looked(Optional<Analysis> found) {
    found.ifPresentOrElse(this::refresh, conflicts::waiting);
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(OwnKey.ROUTE_PRESS, this::capture),
        KeyCommand.of(OwnKey.ROUTE_TYPE, typed::requestFocus),
        KeyCommand.of(OwnKey.ROUTE_CONFLICTS, conflicts.list()::requestFocus),
        KeyCommand.of(OwnKey.ROUTE_WHICH, worded("route.which-ones"), conflicts::chooseWhich),
        KeyCommand.of(OwnKey.ROUTE_WAYS_OUT, this::enter),
        KeyCommand.of(OwnKey.ROUTE_ACCEPT, conflicts::accept),
        KeyCommand.of(OwnKey.ROUTE_PLAN, worded("route.plan"), conflicts::plan),
        KeyCommand.of(OwnKey.ROUTE_WAYS_TO, new WaysTo(desk, this::followed)::choose),
        KeyCommand.of(OwnKey.ROUTE_BESIDE, this::chooseBeside),
        KeyCommand.of(OwnKey.ROUTE_FULL_SCREEN, where::fullScreen),
        KeyCommand.of(OwnKey.ROUTE_DAYS, conflicts::days),
        KeyCommand.of(OwnKey.ROUTE_WHERE, where::chooseContext),
        KeyCommand.of(OwnKey.ROUTE_LAYERS, this::everyLayer));
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
      trace(gesture.expand().getFirst());
    } catch (GestureSyntaxException e) {
      outcome.setText(e.getMessage());
      typed.positionCaret(Math.min(typed.getText().length(), e.column() - 1));
    }
  }

  /** Shows the way of a gesture through the setup in use. */
  public void follow(Gesture gesture) {
    typed.setText(gesture.toString());
    trace(gesture);
  }

  private void everyLayer() {
    whole = !whole;
    here.whole(whole);
    there.whole(whole);
    trace(shown);
  }

  private void trace(Gesture gesture) {
    shown = gesture;
    desk.analyst().found().get().ifPresent(a -> show(where.tracer(a.traces().tracer()), gesture));
  }

  private void followed(WaysTo.Followed way) {
    shown = way.gesture();
    show(way.tracer(), way.gesture());
  }

  private void show(Tracer tracer, Gesture gesture) {
    Trace trace = tracer.trace(gesture);
    Catalog catalog = desk.session().workspace().get().catalog();
    soFar.traced(trace);
    String said = PathView.outcome(trace, catalog);
    outcome.setText(where.menu().map(m -> worded("route.with-the-menu-open", m)).orElse("") + said);
    if (!typed.isFocused()) {
      typed.setText(gesture.toString());
    }
    here.show(tracer, trace);
    showBeside(gesture);
  }

  /** The same gesture in the other setup, where one was chosen. */
  private void showBeside(Gesture gesture) {
    Workspace workspace = desk.session().workspace().get();
    Optional<Setup> other =
        beside.map(workspace.setups()::get).filter(s -> !workspace.setup().equals(Optional.of(s)));
    paths.getStyleClass().remove("two-paths");
    other.ifPresent(_ -> paths.getStyleClass().add("two-paths"));
    paths.getChildren().setAll(other.isPresent() ? List.of(here, there) : List.of(here));
    here.named(other.isPresent() ? workspace.setup().map(Setup::title).orElse("") : "");
    if (other.isEmpty()) {
      return;
    }
    there.named(other.get().title());
    Optional<String> problem = workspace.world().problem(other.get());
    if (problem.isPresent()) {
      there.say(problem.get());
      return;
    }
    Optional<Tracer> ready =
        besideReady
            .filter(r -> r.setup().equals(other.get()) && r.world().equals(workspace.world()))
            .map(Ready::tracer);
    if (ready.isPresent()) {
      there.show(ready.get(), ready.get().trace(gesture));
      return;
    }
    desk.analyst()
        .look(
            "setup beside",
            _ -> Tracer.of(other.get(), workspace.world()),
            tracer -> {
              besideReady = Optional.of(new Ready(workspace.world(), other.get(), tracer));
              if (shown.equals(gesture)) {
                there.show(tracer, tracer.trace(gesture));
              }
            },
            there::say);
  }

  private void chooseBeside() {
    if (beside.isPresent()) {
      beside = Optional.empty();
      follow(shown);
      return;
    }
    Workspace workspace = desk.session().workspace().get();
    List<Setup> others =
        workspace.setups().values().stream()
            .filter(s -> !workspace.current().equals(Optional.of(s.id())))
            .toList();
    if (others.isEmpty()) {
      desk.session().say(worded("route.there-is-no-other-setup-setups"));
      return;
    }
    desk.dialogs()
        .choose(
            worded("route.which-setup-beside-this-one"),
            others,
            Setup::title,
            chosen -> {
              beside = Optional.of(chosen.id());
              follow(shown);
            });
  }

  private void showConflict(Conflict conflict) {
    Optional<Setup> elsewhere = elsewhere(conflict);
    if (elsewhere.isPresent()) {
      // The path through another setup is not the one that is analysed.
      here.say("");
      outcome.setText(
          desk.named(worded("route.this-is-in-setups-open-puts", elsewhere.get().title())));
      return;
    }
    shown = conflict.loser().gesture();
    desk.analyst()
        .found()
        .get()
        .ifPresent(a -> show(a.tracer(conflict.loser()), conflict.loser().gesture()));
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
    outcome.setText(worded("route.press-the-gesture"));
    desk.keys().capture(this, false, worded("route.stop"));
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
