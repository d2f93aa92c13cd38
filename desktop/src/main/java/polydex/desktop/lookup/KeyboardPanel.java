package polydex.desktop.lookup;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.boards.Board;
import polydex.boards.KeyLegends;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.KeyboardView;
import polydex.desktop.controls.KeyboardView.Cap;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.HeldKeys;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.effort.StrokeEffort;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifiers;
import polydex.keys.Step;
import polydex.language.Language;
import polydex.person.KeyStates;
import polydex.person.KeyStates.KeyState;
import polydex.person.KeyStates.Known;
import polydex.person.KeyStates.Share;
import polydex.person.Knowledge;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.route.KeyUses;
import polydex.route.KeyUses.Use;
import polydex.route.Tracer;

/**
 * The keyboard under the fingers: for what is held, what every key does, here or in a keymap, and
 * how the person stands with it; beside it the same for everything else that can be held.
 */
final class KeyboardPanel extends VBox {
  private record Scope(String title, Optional<EnvironmentId> environment) {}

  /** What the drawn keys were looked up for. */
  private record Asked(Analysis analysis, Scope scope, Knowledge knowledge) {}

  /** What was found out: the board, how its keys stand, and how hard they are. */
  private record Found(Asked asked, Board board, KeyStates states, StrokeEffort effort) {}

  private final Desk desk;
  private final ComboBox<Scope> scope =
      Lists.choices(worded("lookup.what-the-keyboard-is-of"), Scope::title);
  private final ComboBox<KeyAspect> aspect =
      Lists.choices(worded("lookup.what-the-keyboard-shows"), KeyAspect::title);
  private final HeldKeys held = new HeldKeys(this::draw);
  private final KeyboardView view = new KeyboardView();
  private final Label whole = Texts.words("");
  private final HBox caps = new HBox(8);
  private final Label together = Texts.quiet("");
  private final ListView<Modifiers> layers;
  private Optional<Found> found = Optional.empty();
  private boolean drawing;

  KeyboardPanel(Desk desk) {
    this.desk = desk;
    layers =
        Lists.of(
            worded("lookup.what-can-be-held"),
            this::row,
            Modifiers::toString,
            Texts.quiet(worded("lookup.nothing-happens-on-any-key")));
    layers.getStyleClass().addAll("dense-rows", "board-layers");
    layers
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, chosen) -> hold(Optional.ofNullable(chosen)));
    aspect.setItems(FXCollections.observableArrayList(KeyAspect.values()));
    aspect.setValue(KeyAspect.DOES);
    scope.valueProperty().addListener((_, _, _) -> refresh());
    aspect.valueProperty().addListener((_, _, _) -> draw());
    FlowPane top =
        new FlowPane(
            10,
            6,
            aspect,
            Texts.part(worded("lookup.in-2")),
            scope,
            Texts.part(worded("any.with")));
    top.getChildren().addAll(held.toggles());
    top.getChildren().add(Texts.part(worded("lookup.held")));
    top.setAlignment(Pos.CENTER_LEFT);
    view.chosen().addListener((_, _, _) -> showChosen());
    view.addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
    held.follow(view);
    VBox.setVgrow(view, Priority.ALWAYS);
    caps.setAlignment(Pos.CENTER_LEFT);
    caps.setMinHeight(34);
    VBox said = new VBox(6, caps, whole, together);
    HBox.setHgrow(said, Priority.ALWAYS);
    said.setMinWidth(0);
    HBox below = new HBox(24, said, layers);
    below.setMinHeight(Region.USE_PREF_SIZE);
    setSpacing(12);
    getChildren().addAll(top, view, below);
    desk.analyst().found().addListener((_, _, _) -> refresh());
    desk.session().workspace().addListener((_, _, _) -> scopes());
    scopes();
  }

  /** Puts the focus on the keys. */
  void focusKeys() {
    refresh();
    view.requestFocus();
  }

  ListView<?> layers() {
    return layers;
  }

  /** What can be asked of the keys. */
  List<KeyCommand> commands() {
    return Stream.of(KeyAspect.values())
        .map(a -> KeyCommand.of(a.key(), a.title(), () -> aspect.setValue(a)))
        .toList();
  }

  private void scopes() {
    List<Scope> all = new ArrayList<>();
    all.add(new Scope(worded("lookup.this-setup"), Optional.empty()));
    for (Environment e : desk.session().workspace().get().catalog().environments()) {
      all.add(new Scope(e.title(), Optional.of(e.id())));
    }
    Scope was = scope.getValue();
    scope.setItems(FXCollections.observableArrayList(all));
    scope.setValue(was != null && all.contains(was) ? was : all.getFirst());
  }

  /** Finds out anew what the keys do, beside the window; not while nobody looks. */
  private void refresh() {
    Optional<Analysis> analysis = desk.analyst().found().get();
    if (analysis.isEmpty() || scope.getValue() == null || getScene() == null) {
      return;
    }
    Asked now = new Asked(analysis.get(), scope.getValue(), desk.session().knowledge());
    together.setText(worded("lookup.looking-at-every-key"));
    Map<DrillItem, ItemState> drills = Map.copyOf(desk.session().progress().states());
    desk.analyst()
        .<Found>look(
            "keyboard",
            _ -> look(now, drills),
            answer -> {
              found = Optional.of(answer);
              draw();
            },
            why -> {
              found = Optional.empty();
              together.setText(worded("lookup.what-the-keys-do-could-not", why));
            });
  }

  private static Found look(Asked asked, Map<DrillItem, ItemState> drills) {
    Analysis analysis = asked.analysis();
    Tracer tracer = analysis.traces().tracer();
    Board board = analysis.workspace().world().boards().get(analysis.traces().setup().board());
    Optional<EnvironmentId> keymap = asked.scope().environment();
    Map<Modifiers, Map<Key, List<Use>>> uses =
        keymap
            .map(e -> KeyUses.inKeymap(analysis.workspace().catalog(), e, tracer.layout()))
            .orElseGet(() -> KeyUses.inSetup(tracer, board));
    List<Conflict> conflicts =
        analysis.conflicts().stream()
            .filter(c -> c.setup().isPresent())
            .filter(c -> keymap.isEmpty() || keymap.get().equals(c.loser().environment()))
            .toList();
    KeyStates states =
        KeyStates.of(
            uses,
            conflicts,
            tracer.layout(),
            new KeyStates.Seen(drills, asked.knowledge().standing()),
            keymap.isPresent() ? Optional.empty() : Optional.of(analysis.traces().setup().id()));
    return new Found(asked, board, states, new StrokeEffort(board));
  }

  private Map<Key, KeyState> held(Found now) {
    return now.states().layer(held.now());
  }

  private void draw() {
    if (found.isEmpty() || drawing) {
      return;
    }
    drawing = true;
    Found now = found.get();
    Layout layout = now.asked().analysis().traces().tracer().layout();
    Catalog catalog = now.asked().analysis().workspace().catalog();
    KeyAspect shown = aspect.getValue();
    Map<Key, Cap> drawn = new HashMap<>();
    Map<Key, KeyState> states = held(now);
    for (Board.KeyPlace place : now.board().places()) {
      Key key = place.key();
      drawn.put(
          key,
          Optional.ofNullable(states.get(key))
              .map(s -> shown.cap(key, layout, s, catalog, now.effort()))
              .orElse(KeyAspect.plain(key, layout)));
    }
    view.show(now.board(), drawn);
    together.setText(shown.whole(now.states(), now.effort()));
    List<Modifiers> all =
        now.states().layers().keySet().stream()
            .sorted(Comparator.comparingInt(Modifiers::count).thenComparing(Modifiers::toString))
            .toList();
    Lists.found(layers, all);
    if (all.contains(held.switched())) {
      layers.getSelectionModel().select(held.switched());
    } else {
      layers.getSelectionModel().clearSelection();
    }
    drawing = false;
    showChosen();
  }

  private void hold(Optional<Modifiers> chosen) {
    if (!drawing) {
      chosen.ifPresent(held::hold);
    }
  }

  private void row(HBox box, Modifiers layer) {
    if (found.isEmpty()) {
      return;
    }
    Share share = found.get().states().share(layer);
    Label name =
        Texts.styled(layer.isEmpty() ? worded("lookup.nothing-held") : layer.toString(), "number");
    boolean narrow = desk.narrow().get();
    box.getChildren().add(Lists.column(name, narrow ? 8.5 : 10));
    if (aspect.getValue() == KeyAspect.KNOWN) {
      box.getChildren().add(bar(share, narrow ? 4 : 8));
    }
    box.getChildren().add(Lists.growing(Texts.styled(inShort(share), "quiet")));
  }

  private String inShort(Share share) {
    return aspect.getValue() == KeyAspect.KNOWN
        ? worded("lookup.of-fluent", share.known().getOrDefault(Known.FLUENT, 0), share.actions())
        : aspect.getValue().said(share);
  }

  /** Fluent, learning and never used, side by side in their shares. */
  private static HBox bar(Share share, int ems) {
    HBox bar = new HBox();
    bar.setAlignment(Pos.CENTER_LEFT);
    for (Known known : Known.values()) {
      Region part = new Region();
      part.getStyleClass().add("share-" + known.name().toLowerCase(Locale.ROOT));
      part.setStyle(
          String.format(
              Language.locale(),
              "-fx-min-width: %1$.2fem; -fx-min-height: 0.6em; -fx-max-height: 0.6em;",
              ems * share.of(known)));
      bar.getChildren().add(part);
    }
    bar.setStyle("-fx-min-width: %1$dem; -fx-pref-width: %1$dem;".formatted(ems));
    return bar;
  }

  /**
   * What pressing the chosen key with what is held by the switches would be; none for a modifier.
   */
  Optional<Gesture> chosen() {
    return view.chosen()
        .get()
        .filter(key -> !key.isModifier())
        .flatMap(
            key ->
                desk.analyst()
                    .found()
                    .get()
                    .map(
                        a ->
                            Gesture.of(
                                new Step.Stroke(
                                    Held.of(held.switched()),
                                    Presses.name(key, a.traces().tracer().layout())))));
  }

  private void showChosen() {
    if (view.chosen().get().isEmpty() || found.isEmpty()) {
      return;
    }
    Key key = view.chosen().get().get();
    Found now = found.get();
    Layout layout = now.asked().analysis().traces().tracer().layout();
    Catalog catalog = now.asked().analysis().workspace().catalog();
    caps.getChildren()
        .setAll(
            key.isModifier()
                ? GestureView.cap(KeyLegends.of(key, layout))
                : new GestureView(
                    Gesture.of(new Step.Stroke(Held.of(held.now()), Presses.name(key, layout))),
                    Map.of()));
    Optional<KeyState> state = Optional.ofNullable(held(now).get(key));
    String before =
        now.asked().scope().environment().isPresent() ? worded("lookup.in-2") : worded("lookup.by");
    String does =
        state.map(KeyState::uses).orElse(List.of()).stream()
            .map(u -> whole(u, catalog, before))
            .collect(Collectors.joining("; "));
    String more =
        state
            .flatMap(s -> aspect.getValue().more(key, s, catalog, now.effort()))
            .map(m -> " " + sentence(m))
            .orElse("");
    whole.setText(
        (does.isEmpty()
                ? key.isModifier()
                    ? worded("any.a-modifier")
                    : worded("lookup.free-nothing-takes-it")
                : does + ".")
            + more);
  }

  private static String sentence(String words) {
    String begun = words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    return begun.endsWith(".") ? begun : begun + ".";
  }

  private static String whole(Use use, Catalog catalog, String before) {
    return catalog.title(use.action())
        + use.more().map(g -> " (" + g + ")").orElse("")
        + (use.where().isEmpty() ? "" : ", " + before + " " + use.where());
  }

  private void pressed(KeyEvent event) {
    desk.analyst()
        .found()
        .get()
        .flatMap(a -> HeldKeys.plainKey(event, a.traces().tracer().layout()))
        .ifPresent(
            key -> {
              event.consume();
              view.choose(key);
            });
  }
}
