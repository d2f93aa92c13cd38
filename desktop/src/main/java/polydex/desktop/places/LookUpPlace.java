package polydex.desktop.places;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import polydex.catalog.Action;
import polydex.catalog.ActionSearch;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.route.TracedBinding;

/** Finds keys and actions: by words, or by pressing the keys. */
public final class LookUpPlace implements Place {
  private final Desk desk;
  private final ListView<Action> results;
  private final VBox detail = new VBox();
  private final ScrollPane detailScroll = new ScrollPane(detail);
  private final VBox root = new VBox();
  private final HBox byWords;
  private final Button listen = new Button("Press keys instead");
  private final ListeningView listening;
  private ActionSearch search = ActionSearch.of(List.of());
  private String query = "";

  /** The place. */
  public LookUpPlace(Desk desk) {
    this.desk = desk;
    listening = new ListeningView(desk, this::stopListening);
    results =
        Lists.of(
            "Actions found",
            this::row,
            Action::title,
            Texts.quiet("Nothing has these words. Try fewer, or only their beginnings."));
    results.getSelectionModel().selectedItemProperty().addListener((_, _, a) -> show(a));
    results.getStyleClass().add("found");
    detail.setSpacing(10);
    detailScroll.setFitToWidth(true);
    HBox.setHgrow(detailScroll, Priority.ALWAYS);
    byWords = new HBox(24, results, detailScroll);
    VBox.setVgrow(byWords, Priority.ALWAYS);
    listen.setOnAction(_ -> listen());
    HBox top = new HBox(16, Texts.heading("Look up"), spacer(), listen);
    top.setAlignment(Pos.CENTER_LEFT);
    root.getStyleClass().add("place");
    root.getChildren().addAll(top, byWords);
    desk.session().workspace().addListener((_, _, _) -> refresh());
    desk.analyst().found().addListener((_, _, _) -> showSelected());
    refresh();
  }

  private static Region spacer() {
    Region region = new Region();
    HBox.setHgrow(region, Priority.ALWAYS);
    return region;
  }

  @Override
  public String title() {
    return "Look up";
  }

  @Override
  public char letter() {
    return 'L';
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    return List.of(
        KeyCommand.of("Ctrl+L", "Press keys to look up", this::listen),
        KeyCommand.quiet("Alt+P", "Press keys to look up", this::listen));
  }

  @Override
  public Map<Character, Node> reachable() {
    return Map.of('P', listen, 'A', results);
  }

  @Override
  public void shown() {
    results.requestFocus();
  }

  @Override
  public void hidden() {
    stopListening();
  }

  /** Looks for words; all actions if there are none. */
  public void search(String words) {
    query = words;
    List<Action> found =
        words.isBlank() ? desk.session().workspace().get().catalog().actions() : search.find(words);
    results.getItems().setAll(found);
    if (!found.isEmpty()) {
      results.getSelectionModel().selectFirst();
    }
  }

  /** Puts the focus on what was found. */
  public void focusResults() {
    results.requestFocus();
  }

  private void refresh() {
    search = ActionSearch.of(desk.session().workspace().get().catalog().actions());
    search(query);
  }

  private void row(HBox box, Action action) {
    box.getChildren()
        .addAll(
            Texts.styled(action.title(), "row-title"),
            spacer(),
            Texts.styled(action.group(), "quiet"));
  }

  private void showSelected() {
    show(results.getSelectionModel().getSelectedItem());
  }

  private void show(@Nullable Action action) {
    detail.getChildren().clear();
    if (action == null) {
      return;
    }
    detail.getChildren().add(Texts.heading(action.title()));
    detail
        .getChildren()
        .add(
            Texts.quiet(
                action.group()
                    + (action.harm() == Action.Harm.LOSES_WORK
                        ? ". Work can be lost when this happens unasked."
                        : "")));
    Catalog catalog = desk.session().workspace().get().catalog();
    List<String> without = new ArrayList<>();
    boolean onPlatforms = false;
    for (Environment environment : catalog.environments()) {
      List<Binding> bindings = catalog.bindings(environment.id(), action.id());
      if (!bindings.isEmpty()) {
        detail.getChildren().add(environmentRow(environment, bindings));
        onPlatforms |= environment.platform().isPresent();
      } else if (environment.platform().isPresent()) {
        without.add(environment.title());
      }
    }
    if (onPlatforms && !without.isEmpty()) {
      detail.getChildren().add(Texts.quiet("No gesture on " + String.join(", ", without) + "."));
    }
    if (detail.getChildren().size() == 2) {
      detail.getChildren().add(Texts.quiet("No keymap has a gesture for it."));
    }
  }

  private Node environmentRow(Environment environment, List<Binding> bindings) {
    VBox gestures = new VBox(6);
    for (Binding binding : bindings) {
      FlowPane line =
          new FlowPane(12, 4, new GestureView(binding.gesture(), desk.words(environment.id())));
      line.setAlignment(Pos.CENTER_LEFT);
      line.getStyleClass().add("environment-line");
      List<String> notes = new ArrayList<>();
      if (!binding.context().equals(Context.ANYWHERE.id())) {
        notes.add("in " + environment.context(binding.context()).map(Context::title).orElse(""));
      }
      binding.when().since().ifPresent(v -> notes.add("since version " + v));
      if (!notes.isEmpty()) {
        line.getChildren().add(Texts.styled(String.join("; ", notes), "quiet"));
      }
      inSetup(environment, binding).ifPresent(line.getChildren()::add);
      gestures.getChildren().add(line);
    }
    FlowPane row =
        new FlowPane(12, 4, Lists.column(Texts.styled(environment.title(), "part"), 14), gestures);
    row.setPrefWrapLength(100);
    row.getStyleClass().add("card");
    return row;
  }

  /** What becomes of the binding in the setup in use, if it can be met there. */
  private Optional<Node> inSetup(Environment environment, Binding binding) {
    Optional<Analysis> analysis = desk.analyst().found().get();
    List<TracedBinding> here =
        analysis.stream()
            .flatMap(a -> a.traces().all().stream())
            .filter(t -> t.environment().equals(environment.id()) && t.binding().equals(binding))
            .toList();
    if (here.isEmpty()) {
      return Optional.empty();
    }
    long works = here.stream().filter(TracedBinding::works).count();
    if (works == here.size()) {
      return Optional.of(marked("works in this setup", "dot", "dot-replaced"));
    }
    if (works > 0) {
      return Optional.of(
          marked("%d of %d work in this setup".formatted(works, here.size()), "notch"));
    }
    String why =
        here.getFirst()
            .trace()
            .acted()
            .map(a -> "taken by " + a.layer().title() + " in this setup")
            .orElse("does nothing in this setup");
    return Optional.of(marked(why, "notch"));
  }

  private static Node marked(String words, String... mark) {
    Region sign = new Region();
    sign.getStyleClass().addAll(mark);
    HBox box = new HBox(6, sign, Texts.styled(words, "row-title"));
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private void listen() {
    root.getChildren().set(1, listening);
    VBox.setVgrow(listening, Priority.ALWAYS);
    listening.start();
  }

  private void stopListening() {
    if (root.getChildren().get(1) == listening) {
      listening.stop();
      root.getChildren().set(1, byWords);
      results.requestFocus();
    }
  }
}
