package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.boards.Board;
import polydex.boards.KeyLegends;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Action.Harm;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.KeyboardView;
import polydex.desktop.controls.KeyboardView.Cap;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.HeldKeys;
import polydex.desktop.keys.KeyCommand;
import polydex.fit.Bench;
import polydex.fit.OwnBinding;
import polydex.fit.OwnRules;
import polydex.free.Candidate;
import polydex.free.Candidates;
import polydex.free.FreeGestures;
import polydex.free.Verdict;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.own.OwnKey;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.Situation.Computer;
import polydex.workspace.Workspace;

/** Which gestures are free for a computer, or everywhere: drawn for what is held, and as a list. */
final class FreeView extends VBox {
  private static final int LISTED = 60;

  /** Where gestures are wanted. */
  private record Where(String title, Set<Computer> computers) {}

  /** What was found out for a place: the finder, and the easiest that are free. */
  private record Looked(Where where, FreeGestures free, List<Candidate> easiest) {}

  /** The form of what is listed. */
  private enum Kind {
    STROKES(worded("fit.strokes")),
    SEQUENCES(worded("fit.sequences-behind-a-free-stroke")),
    HOLDS(worded("fit.holds-of-a-free-stroke"));

    final String title;

    Kind(String title) {
      this.title = title;
    }
  }

  private final Desk desk;
  private final ComboBox<Where> where =
      Lists.choices(worded("fit.where-they-are-to-be-free"), Where::title);
  private final ComboBox<Kind> kind = Lists.choices(worded("fit.what-is-listed"), k -> k.title);
  private final HeldKeys held = new HeldKeys(this::draw);
  private final KeyboardView view = new KeyboardView();
  private final HBox caps = new HBox(8);
  private final Label whole = Texts.words("");
  private final ListView<Candidate> list;
  private Map<Key, Map<SetupId, Verdict>> verdicts = Map.of();
  private Optional<Looked> looked = Optional.empty();
  private Optional<Workspace> shown = Optional.empty();

  FreeView(Desk desk) {
    this.desk = desk;
    list =
        Lists.of(
            worded("fit.the-easiest-that-are-free"),
            this::row,
            c -> c.gesture().toString(),
            Texts.quiet(worded("fit.no-stroke-is-free-in-all")));
    kind.setItems(FXCollections.observableArrayList(Kind.values()));
    kind.setValue(Kind.STROKES);
    FlowPane top =
        new FlowPane(10, 6, Texts.part(worded("fit.free")), where, Texts.part(worded("any.with")));
    top.getChildren().addAll(held.toggles());
    top.getChildren().addAll(Texts.part(worded("fit.held-listed")), kind);
    top.setAlignment(Pos.CENTER_LEFT);
    where.valueProperty().addListener((_, _, _) -> look());
    kind.valueProperty().addListener((_, _, _) -> look());
    held.follow(view);
    view.chosen().addListener((_, _, _) -> showChosen());
    view.addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
    VBox.setVgrow(view, Priority.ALWAYS);
    caps.setAlignment(Pos.CENTER_LEFT);
    caps.setMinHeight(34);
    whole.setMinWidth(0);
    HBox below = new HBox(16, caps, whole);
    HBox.setHgrow(whole, Priority.ALWAYS);
    below.setAlignment(Pos.TOP_LEFT);
    below.setMinHeight(100);
    VBox keyboard = new VBox(12, view, below);
    HBox.setHgrow(keyboard, Priority.ALWAYS);
    VBox.setVgrow(list, Priority.ALWAYS);
    VBox beside = new VBox(6, Texts.part(worded("fit.the-easiest")), list);
    beside.setStyle("-fx-min-width: 21em; -fx-pref-width: 21em;");
    HBox both = new HBox(16, keyboard, beside);
    VBox.setVgrow(both, Priority.ALWAYS);
    VBox.setVgrow(this, Priority.ALWAYS);
    setSpacing(12);
    getChildren().addAll(top, both);
    beside.visibleProperty().bind(desk.narrow().not());
    beside.managedProperty().bind(desk.narrow().not());
  }

  /** What gets the focus. */
  KeyboardView keyboard() {
    return view;
  }

  ListView<?> list() {
    return list;
  }

  List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of(OwnKey.FREE_PLAN, this::plan),
        KeyCommand.quiet(OwnKey.FREE_WHERE, () -> where.requestFocus()));
  }

  /** Shows what there is now. */
  void refresh() {
    Workspace now = desk.session().workspace().get();
    if (shown.filter(now::isButForTheChoice).isPresent()) {
      return;
    }
    shown = Optional.of(now);
    List<Where> all = new ArrayList<>();
    List<Computer> computers = now.bench().computers();
    computers.forEach(c -> all.add(new Where(worded("fit.on-2", c.title()), Set.of(c))));
    if (computers.size() > 1) {
      all.add(new Where(worded("fit.everywhere-i-work"), Set.copyOf(computers)));
    }
    Where was = where.getValue();
    looked = Optional.empty();
    where.setItems(FXCollections.observableArrayList(all));
    where.setValue(all.contains(was) ? was : all.isEmpty() ? null : all.getFirst());
    if (all.contains(was)) {
      look();
    }
  }

  private void look() {
    Where at = where.getValue();
    if (at == null || shown.isEmpty()) {
      return;
    }
    Workspace now = shown.get();
    Kind form = kind.getValue();
    Optional<FreeGestures> known = looked.filter(l -> l.where().equals(at)).map(Looked::free);
    Lists.waiting(list, worded("fit.following-every-binding-of-the-setups"));
    desk.analyst()
        .look(
            "free keys",
            course -> {
              FreeGestures free =
                  known.orElseGet(
                      () ->
                          new FreeGestures(
                              now.setups().values().stream()
                                  .filter(
                                      s ->
                                          s.machines().stream()
                                              .map(Computer::of)
                                              .anyMatch(at.computers()::contains))
                                  .filter(s -> now.world().problem(s).isEmpty())
                                  .map(s -> SetupTraces.of(s, now.world()))
                                  .toList(),
                              at.computers()));
              return new Looked(
                  at, free, easiest(free, now.catalog(), form, () -> !course.isWanted()));
            },
            found -> {
              looked = Optional.of(found);
              Lists.found(list, found.easiest());
              draw();
            },
            why -> Lists.failed(list, why));
  }

  private static List<Candidate> easiest(
      FreeGestures free, Catalog catalog, Kind form, java.util.function.BooleanSupplier stopped) {
    if (free.setups().isEmpty()) {
      return List.of();
    }
    Candidates make = Candidates.of(free.setups());
    List<Candidate> all = new ArrayList<>();
    for (Candidate stroke : make.own(catalog, free.computers())) {
      if (stopped.getAsBoolean() || all.size() >= LISTED) {
        break;
      }
      if (!free.isFree(stroke.gesture())) {
        continue;
      }
      switch (form) {
        case STROKES -> all.add(stroke);
        case SEQUENCES ->
            make.after(stroke).stream()
                .filter(c -> free.isFree(c.gesture()))
                .limit(12)
                .forEach(all::add);
        case HOLDS ->
            make.within(stroke).stream()
                .filter(c -> free.isFree(c.gesture()))
                .limit(12)
                .forEach(all::add);
      }
    }
    return all;
  }

  private static Layout layout(FreeGestures free) {
    return free.setups().getFirst().tracer().layout();
  }

  private static Board board(FreeGestures free) {
    SetupTraces first = free.setups().getFirst();
    return first.world().boards().get(first.setup().board());
  }

  /** Draws what is free with what is held, as soon as it is found out: keys change faster. */
  private void draw() {
    if (looked.isEmpty() || looked.get().free().setups().isEmpty()) {
      return;
    }
    FreeGestures free = looked.get().free();
    Modifiers down = held.now();
    desk.analyst()
        .look("free board", _ -> judged(free, down), v -> show(free, v), desk.session()::problem);
  }

  private static Map<Key, Map<SetupId, Verdict>> judged(FreeGestures free, Modifiers down) {
    Map<Key, Map<SetupId, Verdict>> found = new EnumMap<>(Key.class);
    for (Board.KeyPlace place : board(free).places()) {
      if (!place.key().isModifier()) {
        found.put(place.key(), free.of(gesture(down, place.key(), layout(free))));
      }
    }
    return found;
  }

  private void show(FreeGestures free, Map<Key, Map<SetupId, Verdict>> found) {
    Catalog catalog = desk.session().workspace().get().catalog();
    Map<Key, Cap> drawn = new HashMap<>();
    for (Board.KeyPlace place : board(free).places()) {
      Verdict worst =
          found.getOrDefault(place.key(), Map.of()).values().stream()
              .max(Comparator.comparingInt(Verdict::rank))
              .orElse(new Verdict.Free());
      boolean loses = worst instanceof Verdict.Taken t && t.harm() == Harm.LOSES_WORK;
      drawn.put(
          place.key(),
          new Cap(
              KeyLegends.of(place.key(), layout(free)),
              FitWords.brief(worst, catalog),
              loses ? "board-key-loses" : ""));
    }
    verdicts = found;
    view.show(board(free), drawn);
    showChosen();
  }

  private static Gesture gesture(Modifiers down, Key key, Layout layout) {
    return Gesture.of(Presses.describe(new Physical.Press(Held.of(down), key), layout));
  }

  private Optional<Gesture> chosenOnTheKeyboard() {
    return view.chosen()
        .get()
        .filter(k -> !k.isModifier())
        .flatMap(k -> looked.map(l -> gesture(held.switched(), k, layout(l.free()))));
  }

  private void showChosen() {
    Optional<Key> key = view.chosen().get();
    if (key.isEmpty() || looked.isEmpty() || looked.get().free().setups().isEmpty()) {
      return;
    }
    Layout layout = layout(looked.get().free());
    if (key.get().isModifier()) {
      caps.getChildren().setAll(GestureView.cap(KeyLegends.of(key.get(), layout)));
      whole.setText(worded("any.a-modifier"));
      return;
    }
    caps.getChildren().setAll(new GestureView(gesture(held.now(), key.get(), layout), Map.of()));
    Catalog catalog = desk.session().workspace().get().catalog();
    Map<SetupId, Verdict> in = verdicts.getOrDefault(key.get(), Map.of());
    if (in.isEmpty()) {
      whole.setText("");
      return;
    }
    boolean free = in.values().stream().allMatch(v -> v instanceof Verdict.Free);
    Set<String> lines = new TreeSet<>();
    in.forEach(
        (setup, v) ->
            lines.add(
                desk.titles().setup(setup) + ": " + FitWords.sentence(FitWords.of(v, catalog))));
    whole.setText(
        free
            ? worded(
                "fit.free-in-all-setups-enter-plans",
                in.size(),
                remarks(gesture(held.now(), key.get(), layout)))
            : String.join("\n", lines));
  }

  /** What the platform would make of a gesture, or has against it. */
  private String remarks(Gesture gesture) {
    Set<Computer> computers = where.getValue() == null ? Set.of() : where.getValue().computers();
    Bench bench = desk.session().workspace().get().bench();
    Set<String> said = new TreeSet<>();
    for (Computer c : computers) {
      OwnBinding wanted =
          OwnBinding.planned(
              "asked", c, new ActionId("asked"), gesture, Optional.empty(), desk.session().today());
      OwnRules rules = OwnRules.of(bench, wanted, List.of());
      said.addAll(rules.broken());
      said.addAll(rules.remarks());
    }
    return said.isEmpty() ? "" : String.join(" ", said) + " ";
  }

  private void pressed(KeyEvent event) {
    looked
        .filter(l -> !l.free().setups().isEmpty())
        .flatMap(l -> HeldKeys.plainKey(event, layout(l.free())))
        .ifPresent(
            key -> {
              event.consume();
              view.choose(key);
            });
  }

  private void plan() {
    Optional<Gesture> gesture =
        list.isFocused()
            ? Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                .map(Candidate::gesture)
            : chosenOnTheKeyboard();
    Set<Computer> computers = where.getValue() == null ? Set.of() : where.getValue().computers();
    gesture.ifPresent(
        g ->
            new PlanOwn(desk)
                .begin(
                    g, computers.size() == 1 ? computers.stream().findFirst() : Optional.empty()));
  }

  private void row(HBox box, Candidate c) {
    box.getChildren()
        .addAll(
            Lists.growing(new GestureView(c.gesture(), Map.of())),
            Lists.number(FitWords.points(c.effort()), 3));
  }
}
