package polydex.desktop.lookup;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Action;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Comparison;
import polydex.catalog.Comparison.Likeness;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Hooks;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.keys.Physical;
import polydex.own.OwnKeymap;
import polydex.route.Setup;
import polydex.route.TracedBinding;
import polydex.workspace.Workspace;

/** One action across all environments: its gestures side by side, holes and differences marked. */
final class ActionDetail extends VBox {

  /**
   * A line: a binding, or an environment that has none.
   *
   * @param isFirst whether it is the first of its environment
   * @param likeness how it compares with the environment that one is in; none for that one itself
   */
  record Line(
      Environment environment,
      Optional<Binding> binding,
      boolean isFirst,
      Optional<Likeness> likeness) {}

  private final Desk desk;
  private final Label heading = Texts.heading("");
  private final Label group = Texts.quiet("");
  private final ListView<Line> lines;
  private final VBox hooks = new VBox(4);
  private Optional<Action> shown = Optional.empty();

  ActionDetail(Desk desk) {
    this.desk = desk;
    lines =
        Lists.of(
            worded("lookup.where-it-is"),
            this::row,
            l -> l.environment().title(),
            desk.keyed(Texts.quiet(worded("lookup.no-keymap-has-a-gesture-for"))));
    lines.getStyleClass().add("where");
    VBox.setVgrow(lines, Priority.ALWAYS);
    lines.getSelectionModel().selectedItemProperty().addListener((_, _, l) -> showHooks(l));
    heading.setWrapText(true);
    heading.setMinHeight(Region.USE_PREF_SIZE);
    hooks.getStyleClass().add("card");
    hooks.setMinHeight(Region.USE_PREF_SIZE);
    setSpacing(10);
    getChildren().addAll(heading, group, lines, hooks);
  }

  /** The lines, for the focus. */
  ListView<Line> lines() {
    return lines;
  }

  /** The action that is shown. */
  Optional<Action> action() {
    return shown;
  }

  /** The line that is chosen. */
  Optional<Line> chosen() {
    return Optional.ofNullable(lines.getSelectionModel().getSelectedItem());
  }

  /** Shows an action; nothing for none. */
  void show(Optional<Action> action) {
    int at = action.equals(shown) ? lines.getSelectionModel().getSelectedIndex() : 0;
    shown = action;
    setVisible(action.isPresent());
    if (action.isEmpty()) {
      return;
    }
    Action a = action.get();
    heading.setText(a.title());
    group.setText(about(a));
    lines.getItems().setAll(lines(a));
    lines.getSelectionModel().select(Math.min(Math.max(at, 0), lines.getItems().size() - 1));
    showHooks(lines.getSelectionModel().getSelectedItem());
  }

  private String about(Action action) {
    StringBuilder all = new StringBuilder(action.group()).append('.');
    if (action.harm() == Action.Harm.LOSES_WORK) {
      all.append(worded("lookup.work-can-be-lost-when-this"));
    }
    if (OwnKeymap.key(action.id()).isPresent()) {
      all.append(worded("lookup.enter-does-it"));
    }
    if (action.toggles()) {
      all.append(worded("lookup.it-switches-on-and-off"));
    }
    action.opposite().ifPresent(o -> all.append(worded("lookup.opposite", catalog().title(o))));
    return all.toString();
  }

  private Catalog catalog() {
    return desk.session().workspace().get().catalog();
  }

  private List<Line> lines(Action action) {
    Workspace workspace = desk.session().workspace().get();
    List<EnvironmentId> here = workspace.setup().map(Setup::environments).orElse(List.of());
    Set<EnvironmentId> used = workspace.environmentsInUse();
    List<Environment> with = new ArrayList<>();
    boolean onPlatforms = false;
    boolean inApplications = false;
    for (Environment e : catalog().environments()) {
      if (!catalog().bindings(e.id(), action.id()).isEmpty()) {
        with.add(e);
        onPlatforms |= e.platform().isPresent();
        inApplications |= e.platform().isEmpty();
      }
    }
    Optional<List<Gesture>> reference =
        with.stream().filter(e -> here.contains(e.id())).findFirst().map(e -> gestures(e, action));
    List<Line> all = new ArrayList<>();
    for (Environment e : catalog().environments()) {
      List<Binding> bindings = catalog().bindings(e.id(), action.id());
      boolean comparable =
          e.platform().isPresent() ? onPlatforms : inApplications && hasGroup(e, action.group());
      if (bindings.isEmpty() && comparable && used.contains(e.id())) {
        all.add(new Line(e, Optional.empty(), true, Optional.empty()));
      }
      Optional<Likeness> likeness =
          here.contains(e.id())
              ? Optional.empty()
              : reference.map(r -> Comparison.likeness(r, gestures(e, action)));
      for (int i = 0; i < bindings.size(); i++) {
        all.add(
            new Line(
                e, Optional.of(bindings.get(i)), i == 0, i == 0 ? likeness : Optional.empty()));
      }
    }
    // What has gestures first; holes after it.
    return all.stream().sorted(Comparator.comparing((Line l) -> l.binding().isEmpty())).toList();
  }

  /** An application that has nothing of the kind has no hole there. */
  private boolean hasGroup(Environment environment, String group) {
    return catalog().bindings(environment.id()).stream()
        .anyMatch(
            b -> catalog().action(b.action()).filter(a -> a.group().equals(group)).isPresent());
  }

  private List<Gesture> gestures(Environment environment, Action action) {
    return catalog().bindings(environment.id(), action.id()).stream()
        .map(Binding::gesture)
        .toList();
  }

  private void row(HBox box, Line line) {
    Label title = Texts.styled(line.isFirst() ? line.environment().title() : "", "part");
    // With little room the name stands above its gestures.
    Pane beside = box;
    if (desk.narrow().get()) {
      VBox stacked = new VBox(2);
      HBox.setHgrow(stacked, Priority.ALWAYS);
      box.getChildren().add(stacked);
      beside = stacked;
    }
    if (line.isFirst() || !desk.narrow().get()) {
      beside.getChildren().add(desk.narrow().get() ? title : Lists.column(title, 13));
    }
    if (line.binding().isEmpty()) {
      beside.getChildren().add(Texts.styled(worded("lookup.no-gesture"), "hole"));
      return;
    }
    Binding binding = line.binding().get();
    FlowPane content =
        new FlowPane(
            12,
            4,
            new GestureView(binding.gesture(), desk.titles().words(line.environment().id())));
    content.setAlignment(Pos.CENTER_LEFT);
    content.setPrefWrapLength(120);
    content.getStyleClass().add("environment-line");
    HBox.setHgrow(content, Priority.ALWAYS);
    line.likeness().map(CompareView::mark).ifPresent(content.getChildren()::add);
    inSetup(line.environment(), binding).ifPresent(content.getChildren()::add);
    String notes = notes(line.environment(), binding);
    hereAs(binding).map(h -> Texts.styled(h, "quiet")).ifPresent(content.getChildren()::add);
    if (!notes.isEmpty()) {
      content.getChildren().add(Texts.styled(notes, "quiet"));
    }
    beside.getChildren().add(content);
  }

  /** What hands do under this layout and on this board, where it is more than is written. */
  private Optional<String> hereAs(Binding binding) {
    Optional<Analysis> analysis = desk.analyst().found().get();
    if (analysis.isEmpty()) {
      return Optional.empty();
    }
    Gesture gesture = binding.gesture().expand().getFirst();
    Layout layout = analysis.get().traces().tracer().layout();
    Board board =
        analysis.get().workspace().world().boards().get(analysis.get().traces().setup().board());
    return switch (Presses.of(gesture, layout)) {
      case Presses.Untypable u -> Optional.of(worded("lookup.cant-be-typed-here", u.reason()));
      case Presses.Typable t -> {
        List<Physical> made = new ArrayList<>();
        for (Physical press : t.physical()) {
          Optional<Physical> on = board.press(press);
          if (on.isEmpty()) {
            yield Optional.of(worded("lookup.has-no-key-for-it", board.title()));
          }
          made.add(on.get());
        }
        int held = made.stream().mapToInt(p -> p.held().count()).sum();
        int asked = gesture.modifierPresses();
        boolean more = made.size() == 1 && held > asked;
        yield more
            ? Optional.of(
                worded("lookup.pressed-here-as", Presses.describe(made.getFirst(), layout)))
            : Optional.empty();
      }
    };
  }

  private static String notes(Environment environment, Binding binding) {
    List<String> notes = new ArrayList<>();
    if (!binding.context().equals(Context.ANYWHERE.id())) {
      notes.add(
          worded(
              "lookup.in-context",
              environment.context(binding.context()).map(Context::title).orElse("")));
    }
    binding.when().since().ifPresent(v -> notes.add(worded("lookup.since-version", v)));
    binding.when().until().ifPresent(v -> notes.add(worded("lookup.until-version", v)));
    binding.when().option().ifPresent(o -> notes.add(worded("lookup.with-on", o)));
    binding.when().device().ifPresent(d -> notes.add(worded("lookup.with", d)));
    if (!binding.remarks().note().isEmpty()) {
      notes.add(binding.remarks().note());
    }
    return String.join("; ", notes);
  }

  /** What becomes of the binding in the setup in use, if it can be met there. */
  private Optional<Node> inSetup(Environment environment, Binding binding) {
    Optional<Setup> setup = desk.session().workspace().get().setup();
    boolean off =
        setup.stream()
            .flatMap(s -> s.machines().stream())
            .anyMatch(
                m ->
                    m.platform().equals(environment.id())
                        && m.switchedOff().contains(binding.id()));
    if (off) {
      return Optional.of(marked(worded("lookup.switched-off-in-this-setup"), "dot", "dot-hole"));
    }
    Optional<Analysis> analysis = desk.analyst().found().get();
    List<TracedBinding> here =
        analysis.map(a -> a.traced(environment.id(), binding)).orElse(List.of());
    if (here.isEmpty()) {
      return Optional.empty();
    }
    long works = here.stream().filter(TracedBinding::works).count();
    if (works == here.size()) {
      return Optional.of(marked(worded("lookup.works-in-this-setup"), "dot", "dot-replaced"));
    }
    if (works > 0) {
      return Optional.of(
          marked(worded("lookup.of-work-in-this-setup", works, here.size()), "notch"));
    }
    String why =
        analysis
            .orElseThrow()
            .traces()
            .trace(here.getFirst())
            .acted()
            .map(a -> worded("lookup.taken-by-in-this-setup", a.layer().said()))
            .orElse(worded("lookup.does-nothing-in-this-setup"));
    return Optional.of(marked(why, "notch"));
  }

  private static Node marked(String words, String... mark) {
    Region sign = new Region();
    sign.getStyleClass().addAll(mark);
    HBox box = new HBox(6, sign, Texts.styled(words, "row-title"));
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  /** What the chosen gesture can be remembered by, and what to beware of. */
  private void showHooks(@Nullable Line line) {
    hooks.getChildren().clear();
    hooks.setVisible(line != null);
    hooks.setManaged(line != null);
    if (line == null) {
      return;
    }
    if (line.binding().isEmpty()) {
      hooks
          .getChildren()
          .add(
              desk.keyed(
                  Texts.quiet(
                      worded("lookup.has-no-gesture-for-it-gesture", line.environment().title()))));
      return;
    }
    Binding binding = line.binding().get();
    Optional<Analysis> analysis = desk.analyst().found().get();
    List<Hooks.Hook> found =
        analysis.map(a -> a.hooks().of(line.environment().id(), binding)).orElse(List.of());
    hooks.getChildren().add(Texts.part(worded("lookup.to-remember-it-by")));
    if (found.isEmpty() && analysis.isPresent()) {
      hooks
          .getChildren()
          .add(desk.keyed(Texts.quiet(worded("lookup.nothing-was-found-gesture-change-lets"))));
    }
    found.forEach(h -> hooks.getChildren().add(Texts.words(h.text())));
    if (!binding.remarks().caveat().isEmpty()) {
      hooks.getChildren().add(Texts.words(worded("lookup.beware", binding.remarks().caveat())));
    }
    if (!line.environment().source().isEmpty()) {
      hooks.getChildren().add(Texts.quiet(worded("lookup.source", line.environment().source())));
    }
  }
}
