package polydex.desktop.lookup;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.boards.Board;
import polydex.boards.KeyLegends;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.KeyboardView;
import polydex.desktop.controls.KeyboardView.Cap;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.HeldKeys;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Step;
import polydex.route.KeyUses;
import polydex.route.KeyUses.Use;

/** The keyboard under the fingers: for what is held, what every key does, here or in a keymap. */
final class KeyboardPanel extends VBox {
  private record Scope(String title, Optional<EnvironmentId> environment) {}

  private final Desk desk;
  private final ComboBox<Scope> scope = Lists.choices("What the keyboard shows", Scope::title);
  private final HeldKeys held = new HeldKeys(this::refresh);
  private final KeyboardView view = new KeyboardView();
  private final Label whole = Texts.words("");
  private final HBox caps = new HBox(8);
  private final Label free = Texts.quiet("");
  private Map<Key, List<String>> texts = Map.of();

  KeyboardPanel(Desk desk) {
    this.desk = desk;
    scope.valueProperty().addListener((_, _, _) -> refresh());
    FlowPane top = new FlowPane(10, 6, Texts.part("Keys of"), scope, Texts.part("with"));
    top.getChildren().addAll(held.toggles());
    top.getChildren().add(Texts.part("held"));
    top.setAlignment(Pos.CENTER_LEFT);
    view.chosen().addListener((_, _, _) -> showChosen());
    view.addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
    held.follow(view);
    VBox.setVgrow(view, Priority.ALWAYS);
    caps.setAlignment(Pos.CENTER_LEFT);
    caps.setMinHeight(34);
    HBox below = new HBox(16, caps, whole);
    below.setAlignment(Pos.CENTER_LEFT);
    setSpacing(12);
    getChildren().addAll(top, view, below, free);
    free.visibleProperty().bind(desk.narrow().not());
    free.managedProperty().bind(desk.narrow().not());
    desk.analyst().found().addListener((_, _, _) -> refresh());
    desk.session().workspace().addListener((_, _, _) -> scopes());
    scopes();
  }

  /** Puts the focus on the keys. */
  void focusKeys() {
    refresh();
    view.requestFocus();
  }

  private void scopes() {
    List<Scope> all = new ArrayList<>();
    all.add(new Scope("this setup", Optional.empty()));
    for (Environment e : desk.session().workspace().get().catalog().environments()) {
      all.add(new Scope(e.title(), Optional.of(e.id())));
    }
    Scope was = scope.getValue();
    scope.setItems(FXCollections.observableArrayList(all));
    scope.setValue(was != null && all.contains(was) ? was : all.getFirst());
  }

  private void refresh() {
    Optional<Analysis> found = desk.analyst().found().get();
    if (found.isEmpty() || scope.getValue() == null) {
      return;
    }
    Analysis analysis = found.get();
    Layout layout = analysis.traces().tracer().layout();
    Board board = analysis.workspace().world().boards().get(analysis.traces().setup().board());
    Catalog catalog = analysis.workspace().catalog();
    Optional<EnvironmentId> keymap = scope.getValue().environment();
    Map<Key, List<Use>> does =
        keymap
            .map(e -> KeyUses.inKeymap(catalog, e, layout, held.now()))
            .orElseGet(
                () -> KeyUses.inSetup(analysis.traces().tracer(), board, Held.of(held.now())));
    Map<Key, Cap> shown = new HashMap<>();
    Map<Key, List<String>> words = new LinkedHashMap<>();
    int taken = 0;
    for (Board.KeyPlace place : board.places()) {
      Key key = place.key();
      List<Use> list = does.getOrDefault(key, List.of());
      shown.put(key, cap(key, layout, list, catalog));
      words.put(
          key,
          list.stream().map(u -> whole(u, catalog, keymap.isPresent() ? "in" : "by")).toList());
      taken += list.isEmpty() ? 0 : 1;
    }
    texts = words;
    free.setText(
        "%d of %d keys do something with %s. Arrows walk; a letter or sign goes to its key; Shift+Tab goes to what is held."
            .formatted(
                taken,
                board.byKey().size(),
                held.now().isEmpty() ? "nothing held" : held.now() + " held"));
    view.show(board, shown);
    showChosen();
  }

  private static String whole(Use use, Catalog catalog, String before) {
    return catalog.title(use.action())
        + use.more().map(g -> " (" + g + ")").orElse("")
        + (use.where().isEmpty() ? "" : ", " + before + " " + use.where());
  }

  private static Cap cap(Key key, Layout layout, List<Use> list, Catalog catalog) {
    String style = list.stream().anyMatch(u -> u.losesWork(catalog)) ? "board-key-loses" : "";
    String does =
        list.isEmpty()
            ? ""
            : catalog.title(list.getFirst().action())
                + (list.size() > 1 ? " +" + (list.size() - 1) : "");
    return new Cap(KeyLegends.of(key, layout), does, style);
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
    Optional<Key> key = view.chosen().get();
    Optional<Analysis> found = desk.analyst().found().get();
    if (key.isEmpty() || found.isEmpty()) {
      return;
    }
    Layout layout = found.get().traces().tracer().layout();
    caps.getChildren()
        .setAll(
            key.get().isModifier()
                ? GestureView.cap(KeyLegends.of(key.get(), layout))
                : new GestureView(
                    Gesture.of(
                        new Step.Stroke(Held.of(held.now()), Presses.name(key.get(), layout))),
                    Map.of()));
    List<String> list = texts.getOrDefault(key.get(), List.of());
    whole.setText(
        list.isEmpty()
            ? key.get().isModifier() ? "A modifier." : "Free: nothing takes it."
            : String.join("; ", list) + ".");
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
