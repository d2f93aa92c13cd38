package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import polydex.boards.Layout;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.KeyRail;
import polydex.desktop.controls.OnceShown;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Navigation;
import polydex.desktop.desk.Place;
import polydex.desktop.drill.DrillPlace;
import polydex.desktop.fit.FitPlace;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.keys.KeyTable;
import polydex.desktop.lookup.LookUpPlace;
import polydex.desktop.mouse.MousePlace;
import polydex.desktop.route.RoutePlace;
import polydex.desktop.setups.SetupPath;
import polydex.desktop.setups.SetupsView;
import polydex.desktop.sheets.SheetsPlace;
import polydex.desktop.state.Analysis;
import polydex.desktop.state.Recording;
import polydex.desktop.state.Session;
import polydex.desktop.systems.SystemsView;
import polydex.desktop.today.Beginning;
import polydex.desktop.today.TodayPlace;
import polydex.files.store.DailyCopies;
import polydex.keys.Gesture;
import polydex.keys.PointerAct;
import polydex.own.OwnContext;
import polydex.own.OwnKey;
import polydex.route.Setup;

/**
 * The frame: a head with the setup and the find field, the places at the side, the key rail and the
 * status along the bottom. It alone knows the places, and decides who gets a key.
 */
public final class Shell implements Navigation {
  private final Session session;
  private final Desk desk;
  private final Look look;
  private final KeyTable table;
  private final KeyCapture capture;
  private final StackPane root = new StackPane();
  private final BorderPane frame = new BorderPane();
  private final HBox setupPath = new HBox();
  private final TextField find = FrameParts.find();
  private final HBox findKey = new HBox();
  private final PlaceScroll scroll = new PlaceScroll();
  private final KeyRail rail = new KeyRail();
  private final Badges badges = new Badges();
  private final LaterPlace<TodayPlace> today;
  private final LaterPlace<DrillPlace> drill;
  private final LaterPlace<LookUpPlace> lookUp;
  private final LaterPlace<RoutePlace> route;
  private final LaterPlace<MousePlace> mouse;
  private final LaterPlace<SheetsPlace> sheets;
  private final List<LaterPlace<?>> places;
  private final Map<LaterPlace<?>, ToggleButton> placeButtons = new HashMap<>();
  private final Closing closing;
  private LaterPlace<?> current;
  private Consumer<Path> openedBeside =
      _ -> session().problem(worded("window.this-window-cant-open-another-file"));
  private Consumer<DailyCopies.Copy> takenBack =
      _ -> session().problem(worded("window.this-window-cant-close-its-file"));
  private final Overlays overlays;
  private final TakenKeys takenKeys;

  /** What holding Esc does while every key is captured. */
  private Optional<String> captured = Optional.empty();

  /** The rail follows one frame behind, so that what a key did is painted before what it may do. */
  private final OnceShown railTimer = new OnceShown(this::showRailNow);

  /** Whether the key that is down did something, so that its character is not typed as well. */
  private boolean keyIsSpent;

  /**
   * The frame for a session, which it closes at the end.
   *
   * @param keyboard the layout by which the program's own keys are named
   * @param random mixes the drills
   * @param demo opens the demo in a window of its own
   * @param close closes the window
   */
  public Shell(Session session, Layout keyboard, Random random, Beginning demo, Runnable close) {
    this.session = session;
    table = new KeyTable(() -> keyboard, session.ownKeys());
    capture = new KeyCapture(() -> underTheFingers(keyboard));
    look = new Look(root, session);
    desk = Desk.of(session, this, look.narrow());
    // Whatever lies over the place, one key pauses what is being recorded.
    overlays =
        new Overlays(
            frame, table, session.ownKeys(), List.of(allKeys(), pause()), this::afterOverlay);
    today = new LaterPlace<>(PlaceName.TODAY, () -> new TodayPlace(desk, demo));
    lookUp = new LaterPlace<>(PlaceName.LOOK_UP, () -> new LookUpPlace(desk));
    drill = new LaterPlace<>(PlaceName.DRILL, () -> new DrillPlace(desk, random));
    route = new LaterPlace<>(PlaceName.ROUTE, () -> new RoutePlace(desk));
    LaterPlace<FitPlace> fit = new LaterPlace<>(PlaceName.FIT, () -> new FitPlace(desk));
    mouse = new LaterPlace<>(PlaceName.MOUSE, () -> new MousePlace(desk));
    sheets = new LaterPlace<>(PlaceName.SHEETS, () -> new SheetsPlace(desk));
    places = List.of(today, lookUp, drill, route, fit, mouse, sheets);
    current = today;
    closing = new Closing(session, desk.dialogs(), close);
    frame.setTop(head());
    frame.setLeft(sidebar());
    frame.setCenter(scroll);
    frame.setBottom(rail);
    // What lies over the place leaves the status alone, which may say what could not be stored.
    StackPane above = new StackPane(frame, overlays.node(), badges);
    VBox.setVgrow(above, Priority.ALWAYS);
    root.getChildren().add(new VBox(above, new StatusLine(session, desk.recording())));
    table.active().addListener((_, _, _) -> showRail());
    table.anywhere(anywhere());
    takenKeys = new TakenKeys(desk);
    session.workspace().addListener((_, _, _) -> showSetup());
    session.ownKeys().now().addListener((_, _, _) -> showSetup());
    showSetup();
  }

  private Layout underTheFingers(Layout keyboard) {
    return session
        .workspace()
        .get()
        .setup()
        .map(s -> session.workspace().get().world().layouts().get(s.machine().layout()))
        .orElse(keyboard);
  }

  /** The scene, of the design's size. */
  public Scene scene(double width, double height) {
    Scene scene = new Scene(root, width, height);
    scene.widthProperty().subscribe(w -> look.width(w.doubleValue()));
    scene.getStylesheets().add(Shell.class.getResource("polydex.css").toExternalForm());
    scene.addEventFilter(KeyEvent.ANY, this::key);
    OpenFile.dropped(scene, file -> openedBeside.accept(file), this::bringIn);
    scene
        .windowProperty()
        .subscribe(
            window -> {
              if (window != null) {
                window.focusedProperty().addListener((_, _, _) -> capture.reset());
                window.focusedProperty().addListener((_, _, now) -> desk.recording().inFront(now));
                desk.recording().inFront(window.isFocused());
              }
            });
    go(today);
    return scene;
  }

  private void key(KeyEvent event) {
    if (capture.handle(event)) {
      badges.up();
      return;
    }
    if (event.getEventType() == KeyEvent.KEY_TYPED && keyIsSpent) {
      event.consume();
      return;
    }
    table.watch(event);
    if (event.getEventType() == KeyEvent.KEY_PRESSED) {
      overlays.holdFocus();
      keyIsSpent = false;
      if (event.getCode() == KeyCode.ALT && !overlays.isOpen()) {
        badges.down(reachable());
      } else {
        badges.up();
        if (overlays.isOpen() && event.getCode() == KeyCode.ESCAPE) {
          event.consume();
          overlays.close();
        } else {
          table.handle(event);
          keyIsSpent = event.isConsumed();
          boolean plainAlt = event.isAltDown() && !event.isControlDown();
          if (!event.isConsumed() && !overlays.isOpen() && plainAlt) {
            reach(event);
          }
        }
      }
    } else if (event.getEventType() == KeyEvent.KEY_RELEASED && event.getCode() == KeyCode.ALT) {
      badges.up();
    }
  }

  private void reach(KeyEvent event) {
    String letter = event.getCode().getChar();
    Node node = letter.length() == 1 ? current.get().reachable().get(letter.charAt(0)) : null;
    if (node instanceof Button button) {
      button.requestFocus();
      button.fire();
      event.consume();
    } else if (node != null) {
      node.requestFocus();
      event.consume();
    }
  }

  private Map<Character, Node> reachable() {
    Map<Character, Node> all = new HashMap<>(current.get().reachable());
    placeButtons.forEach((place, button) -> all.put(place.letter(), button));
    return all;
  }

  private List<KeyCommand> anywhere() {
    List<KeyCommand> commands = new ArrayList<>();
    commands.add(allKeys());
    commands.add(KeyCommand.quiet(OwnKey.MENU_OPEN, this::menu));
    commands.add(KeyCommand.of(OwnKey.FIND, this::focusFind));
    commands.add(KeyCommand.of(OwnKey.SETUPS_OPEN, () -> new SetupsView(desk).open()));
    commands.add(KeyCommand.quiet(OwnKey.SYSTEMS_OPEN, () -> new SystemsView(desk).open()));
    commands.add(KeyCommand.of(OwnKey.USED_MOUSE, () -> Tally.open(desk)));
    commands.add(pause());
    commands.add(KeyCommand.quiet(OwnKey.UNDO, session::undo));
    commands.add(KeyCommand.quiet(OwnKey.REDO, session::redo));
    commands.addAll(toPlaces());
    commands.add(KeyCommand.quiet(OwnKey.OPEN_FILE, this::openAnother));
    commands.add(KeyCommand.quiet(OwnKey.KEEP_ELSEWHERE, () -> closing.keepElsewhere(() -> {})));
    commands.add(KeyCommand.quiet(OwnKey.THEME, look::nextTheme));
    commands.add(KeyCommand.quiet(OwnKey.LANGUAGE, () -> Languages.choose(desk)));
    commands.add(KeyCommand.quiet(OwnKey.LARGER_TEXT, look::larger));
    commands.add(KeyCommand.quiet(OwnKey.SMALLER_TEXT, look::smaller));
    commands.add(KeyCommand.quiet(OwnKey.NORMAL_TEXT, look::normal));
    commands.add(KeyCommand.quiet(OwnKey.QUIT, this::quit));
    return commands;
  }

  private List<KeyCommand> toPlaces() {
    return places.stream().map(p -> KeyCommand.quiet(p.key(), p.title(), () -> go(p))).toList();
  }

  private void menu() {
    if (!overlays.isOpen()) {
      List<KeyCommand> anywhere =
          anywhere().stream()
              .filter(c -> !c.is(OwnKey.MENU_OPEN))
              .filter(c -> places.stream().noneMatch(p -> c.is(p.key())))
              .toList();
      MainMenu.open(this, MainMenu.parts(toPlaces(), table.here(), session.ownKeys().by(anywhere)));
    }
  }

  private KeyCommand allKeys() {
    return KeyCommand.quiet(
        OwnKey.ALL_KEYS_OPEN,
        () ->
            AllKeys.open(
                desk,
                table.here(),
                overlays.isOpen() ? List.of() : table.active().get(),
                takenKeys::of));
  }

  private KeyCommand pause() {
    return KeyCommand.quiet(OwnKey.PAUSE, desk.recording()::pauseOrGoOn);
  }

  private Node head() {
    setupPath.getStyleClass().add("setup-path");
    setupPath.setAlignment(Pos.CENTER_LEFT);
    find.textProperty()
        .addListener(
            (_, _, words) -> {
              if (current != lookUp) {
                go(lookUp);
                find.requestFocus();
                find.end();
              }
              lookUp.get().search(words);
            });
    find.addEventHandler(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.DOWN
              || (event.getCode() == KeyCode.ENTER && !lookUp.get().runChosen())) {
            event.consume();
            lookUp.get().focusResults();
          } else if (event.getCode() == KeyCode.ENTER) {
            event.consume();
          } else if (event.getCode() == KeyCode.ESCAPE) {
            event.consume();
            find.clear();
          }
        });
    return FrameParts.head(setupPath, findKey, find);
  }

  private Node sidebar() {
    VBox side = new VBox();
    side.getStyleClass().add("sidebar");
    for (LaterPlace<?> place : places) {
      ToggleButton button = FrameParts.placeButton(place.letter(), place.title());
      button.setOnAction(_ -> go(place));
      placeButtons.put(place, button);
      side.getChildren().add(button);
    }
    return side;
  }

  private void focusFind() {
    find.requestFocus();
    find.selectAll();
  }

  private void go(LaterPlace<?> place) {
    if (place != current) {
      current.ifMade(Place::hidden);
    }
    current = place;
    placeButtons.forEach((p, button) -> button.setSelected(p == place));
    scroll.setContent(place.get().node());
    scroll.setVvalue(0);
    table.near(place.get().commands());
    place.get().shown();
  }

  @Override
  public void open(VBox shown, Node focus, List<KeyCommand> commands) {
    overlays.open(shown, focus, commands);
  }

  /** The key that closed something over the place does nothing in the place. */
  private void afterOverlay() {
    keyIsSpent = true;
    showRail();
  }

  private void showSetup() {
    setupPath.getChildren().clear();
    session
        .ownKeys()
        .of(OwnKey.SETUPS_OPEN)
        .ifPresent(g -> setupPath.getChildren().add(new GestureView(g, Map.of())));
    findKey
        .getChildren()
        .setAll(session.ownKeys().of(OwnKey.FIND).map(FrameParts::cap).stream().toList());
    Optional<Setup> setup = session.workspace().get().setup();
    if (setup.isEmpty()) {
      setupPath.getChildren().add(Texts.styled(worded("window.no-setup-yet"), "quiet"));
      return;
    }
    Label path =
        Texts.styled(String.join("  \u203a  ", SetupPath.of(desk, setup.get())), "setup-part");
    path.setMinWidth(0);
    setupPath.getChildren().add(path);
  }

  private void showRail() {
    railTimer.start();
  }

  private void showRailNow() {
    if (overlays.isOpen()) {
      return; // what lies over the place shows its own keys
    }
    captured.ifPresentOrElse(
        rail::showCapture,
        () -> rail.show(table.active().get(), session.ownKeys().by(List.of(allKeys()))));
  }

  @Override
  public void changed() {
    table.near(current.get().commands());
  }

  @Override
  public void capture(KeyCapture.Listener listener, boolean spelled, String leave) {
    capture.start(listener, spelled);
    desk.recording().answering(true);
    captured = Optional.of(leave);
    showRail();
    // No field may look as if it had the keys, or get them by mistake.
    current.get().node().requestFocus();
    current.get().node().getStyleClass().add("capturing");
  }

  @Override
  public void pointed(PointerAct act) {
    capture.pointed(act);
  }

  @Override
  public void release() {
    capture.stop();
    desk.recording().answering(false);
    captured = Optional.empty();
    places.forEach(p -> p.ifMade(made -> made.node().getStyleClass().remove("capturing")));
    table.near(current.get().commands());
    showRail();
  }

  @Override
  public void close() {
    overlays.close();
  }

  @Override
  public void drill() {
    go(drill);
    drill.get().begin();
  }

  @Override
  public void drillFirst(int actions) {
    go(drill);
    drill.get().beginFirst(actions);
  }

  @Override
  public void run(OwnKey key) {
    Optional<KeyCommand> everywhere = anywhere().stream().filter(c -> c.is(key)).findFirst();
    if (everywhere.isPresent()) {
      everywhere.get().run().run();
      return;
    }
    Optional<LaterPlace<?>> place =
        key.contexts().stream().flatMap(c -> c.place().stream()).findFirst().flatMap(this::place);
    place.ifPresent(this::go);
    Optional<KeyCommand> there =
        place.flatMap(p -> p.get().commands().stream().filter(c -> c.is(key)).findFirst());
    if (there.isPresent() && !key.isForChosen()) {
      there.get().run().run();
    } else if (there.isPresent()) {
      session.say(worded("window.is-here-for-what-is-chosen", key.title(), key.name()));
    } else {
      session.say(
          worded("window.is-in", key.title(), key.name(), key.contexts().getFirst().title()));
    }
  }

  private Optional<LaterPlace<?>> place(OwnContext context) {
    return places.stream().filter(p -> p.context() == context).findFirst();
  }

  @Override
  public void weeks() {
    go(mouse);
    mouse.get().weeks();
  }

  @Override
  public void bringIn() {
    go(sheets);
    sheets.get().bringIn();
  }

  @Override
  public void go(char letter) {
    places.stream().filter(p -> p.letter() == letter).findFirst().ifPresent(this::go);
  }

  @Override
  public void takeBack(DailyCopies.Copy copy) {
    takenBack.accept(copy);
  }

  /** Says who puts a copy in the place of the file, for which this window's has to be closed. */
  void onTakeBack(Consumer<DailyCopies.Copy> whoDoes) {
    takenBack = whoDoes;
  }

  @Override
  public void follow(Gesture gesture) {
    go(route);
    route.get().follow(gesture);
  }

  private void openAnother() {
    OpenFile.choose(desk.dialogs(), session.file().get(), openedBeside);
  }

  /** Says who opens another file, which takes a window of its own. */
  void onOpen(Consumer<Path> whoDoes) {
    openedBeside = whoDoes;
  }

  private void bringIn(Path file) {
    if (captured.isPresent()) {
      session.problem(worded("window.finish-the-drill-first-then-drop"));
      return;
    }
    go(sheets);
    sheets.get().bringIn(file);
  }

  /** What works here and now. */
  List<KeyCommand> keysNow() {
    return table.active().get();
  }

  /** How it looks. */
  String theme() {
    return look.theme();
  }

  /** Does something once the setup was looked into for the first time. */
  void whenLookedInto(Runnable what) {
    if (desk.analyst().found().get().isPresent()) {
      what.run();
      return;
    }
    desk.analyst()
        .found()
        .addListener(
            new ChangeListener<Optional<Analysis>>() {
              @Override
              public void changed(
                  ObservableValue<? extends Optional<Analysis>> found,
                  Optional<Analysis> before,
                  Optional<Analysis> now) {
                if (now.isPresent()) {
                  found.removeListener(this);
                  what.run();
                }
              }
            });
  }

  /** What is open. */
  public Session session() {
    return session;
  }

  /** The recorder that is at work, if one is. */
  public Recording recording() {
    return desk.recording();
  }

  /** Closes the window, once all is stored or the person says that it need not be. */
  void quit() {
    if (captured.isPresent()) {
      go(today); // what captures every key would get the answer, too
    }
    closing.wanted();
  }

  /** Stops what is being found out, and closes the session. */
  public void end() {
    current.ifMade(Place::hidden);
    desk.recording().stop();
    desk.auditor().close();
    desk.analyst().close();
    desk.index().close();
    session.close();
  }
}
