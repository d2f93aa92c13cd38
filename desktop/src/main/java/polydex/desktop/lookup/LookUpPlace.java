package polydex.desktop.lookup;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.ActionFinder;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;
import polydex.catalog.GestureSearch.Hit;
import polydex.catalog.SameWords;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Place;
import polydex.desktop.keys.KeyCommand;
import polydex.keys.GestureReader;
import polydex.own.OwnKey;
import polydex.own.OwnKeymap;
import polydex.recall.DrillItem;
import polydex.workspace.Change;
import polydex.workspace.KeymapEdit;
import polydex.workspace.Workspace;

/** Finds keys and actions: by words, by a gesture, by pressing the keys, or on the keyboard. */
public final class LookUpPlace implements Place {
  private static final int MOST_SHOWN = 500;

  /** Up to so many letters a title leaves room for its group in its row. */
  private static final int SHORT = 30;

  /** An action that was found, with the gesture that was looked for, where one was. */
  private record Found(Action action, Optional<Hit> hit) {}

  private final Desk desk;
  private final ListView<Found> results;
  private final ActionDetail detail;
  private final LookUpFilter filter;
  private final VBox root = new VBox();
  private final VBox byWords;
  private final Button listen = new Button(worded("lookup.press-keys-instead"));
  private final Button keyboard = new Button(worded("any.keyboard"));
  private final Button compare = new Button(worded("lookup.compare"));
  private final Label found = Texts.quiet("");
  private boolean partial;
  private final ListeningView listening;
  private final KeyboardPanel keys;
  private final CompareView comparing;
  private final Label nothing = Texts.quiet("");
  private String query = "";

  /** The place. */
  public LookUpPlace(Desk desk) {
    this.desk = desk;
    listening = new ListeningView(desk, this::stopListening);
    keys = new KeyboardPanel(desk);
    comparing = new CompareView(desk);
    detail = new ActionDetail(desk);
    results = Lists.of(worded("lookup.actions-found"), this::row, f -> f.action().title(), nothing);
    results
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, f) -> detail.show(Optional.ofNullable(f).map(Found::action)));
    results.getStyleClass().add("found");
    results.addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ENTER && runChosen()) {
            e.consume();
          }
        });
    filter = new LookUpFilter(desk, () -> search(query));
    HBox.setHgrow(detail, Priority.ALWAYS);
    HBox sides = new HBox(24, results, detail);
    VBox.setVgrow(sides, Priority.ALWAYS);
    HBox.setHgrow(filter, Priority.ALWAYS);
    found.setMinWidth(Region.USE_PREF_SIZE);
    HBox narrowed = new HBox(16, filter, found);
    narrowed.setAlignment(Pos.CENTER_LEFT);
    byWords = new VBox(10, narrowed, sides);
    listen.setOnAction(_ -> listen());
    keyboard.setOnAction(_ -> showKeyboard());
    compare.setOnAction(_ -> showComparison());
    Label title = Texts.heading(worded("any.look-up"));
    title.setMinWidth(Region.USE_PREF_SIZE);
    // Where there is no room for all beside one another, they take another line.
    FlowPane ways = new FlowPane(12, 8, keyboard, compare, listen);
    ways.setAlignment(Pos.CENTER_RIGHT);
    HBox.setHgrow(ways, Priority.ALWAYS);
    HBox top = new HBox(12, title, ways);
    top.setAlignment(Pos.CENTER_LEFT);
    root.getStyleClass().add("place");
    root.getChildren().addAll(top, byWords);
    show(byWords);
    desk.session().workspace().addListener((_, _, _) -> refresh());
    desk.index().made().addListener((_, _, _) -> refresh());
    desk.analyst().found().addListener((_, _, _) -> analysed());
    refresh();
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    List<KeyCommand> all = new ArrayList<>();
    if (view() == byWords) {
      all.add(KeyCommand.of(OwnKey.LISTEN, this::listen));
      all.add(KeyCommand.of(OwnKey.KEYBOARD_SHOW, this::showKeyboard));
      all.add(KeyCommand.of(OwnKey.COMPARE, worded("lookup.compare"), this::showComparison));
      all.add(KeyCommand.of(OwnKey.GESTURE_ADD, () -> edit(true)));
      all.add(KeyCommand.of(OwnKey.GESTURE_CHANGE, worded("lookup.change-it"), () -> edit(false)));
      all.add(KeyCommand.quiet(OwnKey.GESTURE_REMOVE, worded("lookup.remove-it"), this::remove));
      all.add(
          KeyCommand.quiet(
              OwnKey.GESTURE_SWITCH, worded("lookup.switch-it-off-or-on"), this::switchOff));
      all.add(KeyCommand.quiet(OwnKey.SAME_WORDS, this::sameWords));
      all.add(KeyCommand.of(OwnKey.LOOK_UP_ROUTE, worded("lookup.its-route"), this::followOne));
      all.add(KeyCommand.of(OwnKey.DRILL_THIS, worded("lookup.drill-this"), this::markOne));
      all.add(KeyCommand.quiet(OwnKey.DRILL_ALL, this::markAll));
    } else {
      all.add(KeyCommand.quiet(OwnKey.LISTEN, this::listen));
      if (view() == keys) {
        all.addAll(keys.commands());
        all.add(
            KeyCommand.quiet(
                OwnKey.LOOK_UP_ROUTE,
                worded("lookup.its-route"),
                () -> keys.chosen().ifPresent(desk.keys()::follow)));
      }
      all.add(KeyCommand.of(OwnKey.LOOK_UP_BACK, this::showWords));
    }
    return all;
  }

  @Override
  public Map<Character, Node> reachable() {
    return Map.of(
        'P',
        listen,
        'A',
        results,
        'W',
        detail.lines(),
        'K',
        keyboard,
        'C',
        compare,
        'E',
        view() == keys ? keys.layers() : filter.first());
  }

  @Override
  public void shown() {
    if (view() == byWords) {
      results.requestFocus();
    }
  }

  @Override
  public void hidden() {
    stopListening();
  }

  private Node view() {
    return root.getChildren().get(1);
  }

  private void show(Node node) {
    root.getChildren().set(1, node);
    VBox.setVgrow(node, Priority.ALWAYS);
  }

  /** Looks for words or a gesture; all actions if there are none. */
  public void search(String words) {
    query = words;
    if (view() != byWords) {
      show(byWords);
      desk.keys().changed();
    }
    Optional<List<Hit>> hits =
        desk.analyst().found().get().flatMap(a -> a.gestures().find(words, reader()));
    partial = false;
    List<Found> all = hits.isPresent() ? byGesture(hits.get()) : byWords(words);
    nothing.setText(
        filter.isWaiting() || desk.index().made().get().isEmpty()
            ? worded("lookup.looking-them-up")
            : filter.problem().orElse(worded("lookup.nothing-has-these-words-try-fewer")));
    found.setText(filter.isWaiting() || filter.problem().isPresent() ? "" : counted(all.size()));
    results.getItems().setAll(all);
    if (all.isEmpty()) {
      detail.show(Optional.empty());
    } else {
      results.getSelectionModel().selectFirst();
    }
  }

  private String counted(int count) {
    return partial && count > 0
        ? worded("lookup.none-has-all-of-these-words", plain(count))
        : plain(count);
  }

  private static String plain(int count) {
    return count >= MOST_SHOWN
        ? worded("lookup.the-best", MOST_SHOWN)
        : worded("lookup.actions", count);
  }

  /** Gestures are read in the words of the platform under the fingers. */
  private GestureReader reader() {
    Workspace workspace = desk.session().workspace().get();
    return workspace
        .setup()
        .flatMap(s -> workspace.catalog().environment(s.machine().platform()))
        .map(e -> e.reader())
        .orElse(GestureReader.PLAIN);
  }

  /** Words of one's own that are to find the same; they are one change, which can be undone. */
  private void sameWords() {
    desk.dialogs()
        .ask(
            worded("lookup.words-that-mean-the-same-when"),
            worded("lookup.words-or-phrases-with-commas-between"),
            text -> {
              Optional<SameWords.Group> group = SameWords.Group.parse(text);
              Workspace before = desk.session().workspace().get();
              if (group.isEmpty()) {
                desk.session().problem(worded("lookup.give-two-words-or-more-with"));
              } else {
                desk.session()
                    .apply(
                        new Change.Edit(
                            worded("lookup.take-for-the-same", group.get().group()),
                            before,
                            before.with(
                                before
                                    .remembered()
                                    .withSameWords(group.get().first(), group.get().group()))));
              }
            });
  }

  private List<Found> byWords(String words) {
    Catalog catalog = desk.session().workspace().get().catalog();
    ActionFinder.Answer answer =
        words.isBlank()
            ? new ActionFinder.Answer(catalog.actions(), false)
            : desk.index().answer(words, filter.isOpen() ? MOST_SHOWN : Integer.MAX_VALUE);
    partial = answer.partial();
    List<Action> all = answer.actions();
    return narrowed(all.stream().map(a -> new Found(a, Optional.empty())).toList());
  }

  private List<Found> byGesture(List<Hit> hits) {
    Catalog catalog = desk.session().workspace().get().catalog();
    Map<ActionId, Hit> first = new HashMap<>();
    Set<ActionId> order = new LinkedHashSet<>();
    for (Hit hit : hits) {
      ActionId action = hit.owner().binding().action();
      first.putIfAbsent(action, hit);
      order.add(action);
    }
    return narrowed(
        order.stream()
            .flatMap(id -> catalog.action(id).stream())
            .map(a -> new Found(a, Optional.of(first.get(a.id()))))
            .toList());
  }

  private List<Found> narrowed(List<Found> all) {
    Predicate<Action> test = filter.test();
    return all.stream().filter(f -> test.test(f.action())).limit(MOST_SHOWN).toList();
  }

  /** Shows the way of the chosen line's gesture through the setup in use. */
  private void followOne() {
    detail
        .chosen()
        .flatMap(ActionDetail.Line::binding)
        .ifPresent(b -> desk.keys().follow(b.gesture().expand().getFirst()));
  }

  /** Runs the command of the program that is chosen among what was found, if one is. */
  public boolean runChosen() {
    Optional<OwnKey> key =
        Optional.ofNullable(results.getSelectionModel().getSelectedItem())
            .flatMap(f -> OwnKeymap.key(f.action().id()));
    key.ifPresent(desk.keys()::run);
    return key.isPresent();
  }

  /** Puts the focus on what was found. */
  public void focusResults() {
    results.requestFocus();
  }

  private void refresh() {
    filter.fill();
    Found was = results.getSelectionModel().getSelectedItem();
    Node before = view();
    search(query);
    show(before);
    if (was != null) {
      for (int i = 0; i < results.getItems().size(); i++) {
        if (results.getItems().get(i).action().id().equals(was.action().id())) {
          results.getSelectionModel().clearAndSelect(i);
        }
      }
    }
  }

  private void analysed() {
    detail.show(detail.action());
  }

  private void row(HBox box, Found line) {
    Label title = Texts.title(line.action().title());
    HBox.setHgrow(title, Priority.ALWAYS);
    title.setMaxWidth(Double.MAX_VALUE);
    box.getChildren().add(title);
    if (line.hit().isPresent()) {
      Hit hit = line.hit().get();
      box.getChildren()
          .add(new GestureView(hit.gesture(), desk.titles().words(hit.owner().environment())));
    } else if (line.action().title().length() <= SHORT) {
      Label group = Texts.styled(line.action().group(), "quiet");
      group.getStyleClass().add("group-note");
      group.setMinWidth(Region.USE_PREF_SIZE);
      box.getChildren().add(group);
    }
  }

  // ---- the other views

  private void showWords() {
    show(byWords);
    desk.keys().changed();
    results.requestFocus();
  }

  private void showKeyboard() {
    stopListening();
    show(keys);
    desk.keys().changed();
    keys.focusKeys();
  }

  private void showComparison() {
    stopListening();
    show(comparing);
    desk.keys().changed();
    comparing.focusFirst();
  }

  private void listen() {
    show(listening);
    listening.start();
  }

  private void stopListening() {
    if (view() == listening) {
      listening.stop();
      show(byWords);
      desk.keys().changed();
      results.requestFocus();
    }
  }

  // ---- editing

  private void edit(boolean isNew) {
    Optional<ActionDetail.Line> line = detail.chosen();
    if (detail.action().isEmpty()) {
      desk.session().say(worded("lookup.choose-an-action-first"));
      return;
    }
    boolean hasBinding = line.flatMap(ActionDetail.Line::binding).isPresent();
    BindingEditor editor =
        new BindingEditor(desk, detail.action().get(), line, isNew || !hasBinding);
    desk.keys().open(editor, editor.focus());
  }

  private void remove() {
    chosenBinding()
        .ifPresentOrElse(
            l ->
                desk.session()
                    .apply(
                        KeymapEdit.remove(
                            desk.session().workspace().get(),
                            l.environment().id(),
                            l.binding().orElseThrow())),
            () -> desk.session().say(worded("lookup.choose-a-gesture-on-the-right")));
  }

  /**
   * Marks what is chosen for drills: on the right one gesture, on the left the action everywhere.
   */
  private void markOne() {
    Optional<ActionDetail.Line> line = chosenBinding();
    detail
        .action()
        .ifPresent(
            action ->
                mark(
                    List.of(action),
                    line.map(l -> Set.of(l.environment().id())).orElseGet(this::inUse)));
  }

  private void markAll() {
    mark(results.getItems().stream().map(Found::action).toList(), inUse());
  }

  private Set<EnvironmentId> inUse() {
    return desk.session().workspace().get().environmentsInUse();
  }

  private void mark(List<Action> actions, Set<EnvironmentId> environments) {
    Catalog catalog = desk.session().workspace().get().catalog();
    List<DrillItem> items =
        actions.stream()
            .flatMap(
                a ->
                    environments.stream()
                        .filter(e -> !catalog.bindings(e, a.id()).isEmpty())
                        .map(e -> new DrillItem(e, a.id())))
            .toList();
    if (items.isEmpty()) {
      desk.session().say(worded("lookup.none-of-your-environments-has-a"));
    } else {
      desk.drills().mark(items);
    }
  }

  /** Removing and switching off want the focus on the gestures, so that no list is meant by it. */
  private Optional<ActionDetail.Line> chosenBinding() {
    return detail.lines().isFocused()
        ? detail.chosen().filter(l -> l.binding().isPresent())
        : Optional.empty();
  }

  private void switchOff() {
    Optional<ActionDetail.Line> line = chosenBinding();
    Workspace workspace = desk.session().workspace().get();
    if (line.isEmpty() || workspace.setup().isEmpty()) {
      desk.session().say(worded("lookup.choose-a-gesture-on-the-right"));
      return;
    }
    Binding binding = line.get().binding().orElseThrow();
    Optional<Change.Edit> edit =
        KeymapEdit.switchOff(
            workspace, workspace.setup().get(), line.get().environment().id(), binding);
    edit.ifPresentOrElse(
        desk.session()::apply,
        () ->
            desk.session()
                .say(
                    binding.remarks().fixed()
                        ? worded(
                            "lookup.does-not-let-this-one-be", line.get().environment().title())
                        : worded("lookup.only-bindings-of-a-platform-in")));
  }
}
