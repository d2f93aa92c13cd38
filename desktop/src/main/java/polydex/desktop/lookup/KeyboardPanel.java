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
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.KeyLegends;
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
import polydex.keys.KeyRef;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Step;
import polydex.route.Trace;

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
    Map<Key, List<Does>> does =
        scope
            .getValue()
            .environment()
            .map(e -> inKeymap(catalog, e, layout))
            .orElseGet(() -> inSetup(analysis, board));
    Map<Key, Cap> shown = new HashMap<>();
    Map<Key, List<String>> words = new LinkedHashMap<>();
    int taken = 0;
    for (Board.KeyPlace place : board.places()) {
      Key key = place.key();
      List<Does> list = does.getOrDefault(key, List.of());
      shown.put(key, cap(key, layout, list));
      words.put(key, list.stream().map(Does::whole).toList());
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

  /** What a key does, short and whole. */
  private record Does(String title, String whole, boolean losesWork) {}

  private Map<Key, List<Does>> inSetup(Analysis analysis, Board board) {
    Map<Key, List<Does>> all = new HashMap<>();
    Catalog catalog = analysis.workspace().catalog();
    Held down = Held.of(held.now());
    for (Board.KeyPlace place : board.places()) {
      if (place.key().isModifier()) {
        continue;
      }
      Gesture gesture = Gesture.of(new Step.Stroke(down, new KeyRef.Placed(place.key())));
      Trace trace = analysis.traces().tracer().trace(gesture);
      trace
          .acted()
          .ifPresent(
              a ->
                  all.put(
                      place.key(),
                      List.of(
                          does(
                              catalog,
                              a.action(),
                              "%s, by %s"
                                  .formatted(catalog.title(a.action()), a.layer().title())))));
    }
    return all;
  }

  private Map<Key, List<Does>> inKeymap(Catalog catalog, EnvironmentId environment, Layout layout) {
    Map<Key, List<Does>> all = new HashMap<>();
    Modifiers down = held.now();
    Environment where = catalog.environment(environment).orElseThrow();
    for (Binding binding : catalog.bindings(environment)) {
      for (Gesture member : binding.gesture().expand()) {
        List<Physical> presses = Presses.physical(member, layout).orElse(List.of());
        if (presses.isEmpty()
            || !(presses.getFirst() instanceof Physical.Press first)
            || !first.held().modifiers().eitherSide().equals(down)) {
          continue;
        }
        String context =
            binding.context().equals(where.contexts().getFirst().id())
                ? ""
                : ", in " + where.context(binding.context()).map(c -> c.title()).orElse("");
        String more = presses.size() > 1 ? " (" + member + ")" : "";
        all.computeIfAbsent(first.key(), _ -> new ArrayList<>())
            .add(does(catalog, binding.action(), catalog.title(binding.action()) + more + context));
      }
    }
    return all;
  }

  private static Does does(Catalog catalog, ActionId action, String whole) {
    boolean loses =
        catalog.action(action).filter(a -> a.harm() == Action.Harm.LOSES_WORK).isPresent();
    return new Does(catalog.title(action), whole, loses);
  }

  private static Cap cap(Key key, Layout layout, List<Does> list) {
    String style = list.stream().anyMatch(Does::losesWork) ? "board-key-loses" : "";
    String does =
        list.isEmpty()
            ? ""
            : list.getFirst().title() + (list.size() > 1 ? " +" + (list.size() - 1) : "");
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
