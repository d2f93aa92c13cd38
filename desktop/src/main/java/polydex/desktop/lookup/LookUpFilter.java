package polydex.desktop.lookup;

import static polydex.desktop.language.DesktopWords.worded;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.FlowPane;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.workspace.Workspace;

/** Which actions are looked among: by environment, group, and how far they have been learnt. */
final class LookUpFilter extends FlowPane {
  private static final Duration LATELY = Duration.ofDays(14);
  private static final String EVERYWHERE = worded("lookup.everywhere");
  private static final String ANY_GROUP = worded("lookup.every-group");

  /** How far an action has come, in any environment that is looked at. */
  enum State {
    ANY(worded("lookup.in-any-state")),
    NEVER_DRILLED(worded("lookup.never-drilled")),
    LEARNING(worded("lookup.being-learned")),
    DUE(worded("any.due")),
    FLUENT(worded("any.fluent")),
    CHANGED_LATELY(worded("lookup.changed-in-14-days"));

    private final String words;

    State(String words) {
      this.words = words;
    }

    @Override
    public String toString() {
      return words;
    }
  }

  private final Desk desk;
  private final ComboBox<String> environment = new ComboBox<>();
  private final ComboBox<String> group = new ComboBox<>();
  private final ComboBox<State> state = new ComboBox<>();
  private final Runnable changed;

  /** What was changed lately, by environment; none while it is asked for. */
  private Optional<Map<EnvironmentId, Set<String>>> lately = Optional.empty();

  /** Why that could not be found out. */
  private Optional<String> problem = Optional.empty();

  LookUpFilter(Desk desk, Runnable changed) {
    super(10, 6);
    this.desk = desk;
    this.changed = changed;
    environment.setAccessibleText(worded("lookup.look-in"));
    group.setAccessibleText(worded("lookup.group"));
    state.setAccessibleText(worded("any.state"));
    state.getItems().setAll(State.values());
    state.setValue(State.ANY);
    getChildren().addAll(Texts.styled(worded("lookup.look"), "quiet"), environment, group, state);
    setAlignment(Pos.CENTER_LEFT);
    setPrefWrapLength(720);
    fill();
    environment.valueProperty().addListener((_, _, _) -> changed.run());
    group.valueProperty().addListener((_, _, _) -> changed.run());
    state
        .valueProperty()
        .addListener(
            (_, _, _) -> {
              askForLately();
              changed.run();
            });
  }

  private void askForLately() {
    lately = Optional.empty();
    problem = Optional.empty();
    if (state.getValue() == State.CHANGED_LATELY) {
      desk.session()
          .changedSince(
              desk.session().now().minus(LATELY),
              found -> {
                lately = Optional.of(found);
                changed.run();
              },
              why -> {
                problem = Optional.of(why);
                changed.run();
              });
    }
  }

  /** Whether what it goes by is still being asked for. */
  boolean isWaiting() {
    return state.getValue() == State.CHANGED_LATELY && lately.isEmpty() && problem.isEmpty();
  }

  /** Why what it goes by could not be found out. */
  Optional<String> problem() {
    return problem;
  }

  /** What the controls offer follows the workspace; what was chosen stays where it can. */
  void fill() {
    Catalog catalog = desk.session().workspace().get().catalog();
    List<String> titles = new ArrayList<>(List.of(EVERYWHERE));
    catalog.environments().forEach(e -> titles.add(e.title()));
    keep(environment, titles);
    List<String> groups = new ArrayList<>(List.of(ANY_GROUP));
    Set<String> known = new TreeSet<>();
    catalog.actions().forEach(a -> known.add(a.group()));
    groups.addAll(known);
    keep(group, groups);
    askForLately();
  }

  private static void keep(ComboBox<String> box, List<String> items) {
    if (!box.getItems().equals(items)) {
      String was = box.getValue();
      box.getItems().setAll(items);
      box.setValue(items.contains(was) ? was : items.getFirst());
    }
  }

  ComboBox<String> first() {
    return environment;
  }

  boolean isOpen() {
    return environment.getSelectionModel().getSelectedIndex() <= 0
        && group.getSelectionModel().getSelectedIndex() <= 0
        && state.getValue() == State.ANY;
  }

  /** Whether an action is looked at. */
  Predicate<Action> test() {
    Workspace workspace = desk.session().workspace().get();
    Catalog catalog = workspace.catalog();
    Optional<EnvironmentId> where =
        catalog.environments().stream()
            .filter(e -> e.title().equals(environment.getValue()))
            .map(Environment::id)
            .findFirst();
    String wanted = group.getValue();
    Predicate<Action> test = a -> true;
    if (where.isPresent()) {
      Set<ActionId> there = new HashSet<>();
      catalog.bindings(where.get()).forEach(b -> there.add(b.action()));
      test = a -> there.contains(a.id());
    }
    if (wanted != null && !wanted.equals(ANY_GROUP)) {
      test = test.and(a -> a.group().equals(wanted));
    }
    return state.getValue() == State.ANY ? test : test.and(inState(workspace, where));
  }

  private Predicate<Action> inState(Workspace workspace, Optional<EnvironmentId> where) {
    Set<ActionId> found = new HashSet<>();
    Instant now = desk.session().now();
    List<EnvironmentId> environments =
        where.map(List::of).orElseGet(() -> List.copyOf(workspace.environmentsInUse()));
    Map<EnvironmentId, Set<String>> changed = lately.orElse(Map.of());
    for (EnvironmentId environment : environments) {
      for (Binding binding : workspace.catalog().bindings(environment)) {
        Optional<ItemState> item =
            desk.session().progress().state(new DrillItem(environment, binding.action()));
        boolean is =
            switch (state.getValue()) {
              case ANY -> true;
              case NEVER_DRILLED -> item.isEmpty();
              case LEARNING -> item.filter(i -> !i.isFluent()).isPresent();
              case DUE ->
                  item.filter(i -> i.isDue(now, desk.drills().settings().retention())).isPresent();
              case FLUENT -> item.filter(ItemState::isFluent).isPresent();
              case CHANGED_LATELY ->
                  changed.getOrDefault(environment, Set.of()).contains(binding.id());
            };
        if (is) {
          found.add(binding.action());
        }
      }
    }
    return a -> found.contains(a.id());
  }
}
