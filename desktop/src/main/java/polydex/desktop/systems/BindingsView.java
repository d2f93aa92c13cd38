package polydex.desktop.systems;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.OutlineEditor;
import polydex.desktop.desk.OutlineEditor.Written;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;
import polydex.systems.BindingOutline;
import polydex.systems.KeymapDivision;
import polydex.workspace.Change;
import polydex.workspace.KeymapEdit;
import polydex.workspace.Workspace;

/** The bindings of a platform or application: made, changed line by line, and moved to another. */
final class BindingsView {
  private final Desk desk;
  private final EnvironmentId id;
  private final Runnable afterwards;
  private final ListView<Binding> list;
  private final Label heading = Texts.heading("");
  private final Set<String> chosen = new HashSet<>();

  /**
   * One that is not shown yet.
   *
   * @param afterwards is run when it was closed
   */
  BindingsView(Desk desk, EnvironmentId id, Runnable afterwards) {
    this.desk = desk;
    this.id = id;
    this.afterwards = afterwards;
    list =
        Lists.of(
            worded("systems.bindings"),
            this::row,
            b -> catalog().title(b.action()),
            desk.keyed(Texts.quiet(worded("systems.it-has-no-binding-yet-bindings"))));
    list.getStyleClass().add("here-rows");
  }

  void open() {
    fill(0);
    VBox box =
        OverlayBox.wide(
            heading,
            desk.keyed(Texts.quiet(worded("systems.what-belongs-to-another-platform-or"))),
            list);
    OverlayBox.whenClosed(list, afterwards);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.BINDINGS_CHANGE, worded("any.change"), this::change),
                KeyCommand.of(OwnKey.BINDINGS_NEW, worded("any.new"), this::make),
                KeyCommand.of(OwnKey.BINDINGS_CHOOSE, worded("systems.choose"), this::choose),
                KeyCommand.of(OwnKey.BINDINGS_MOVE, worded("systems.move-to-another"), this::move),
                KeyCommand.of(OwnKey.BINDINGS_REMOVE, worded("any.remove"), this::remove),
                KeyCommand.of(OwnKey.BINDINGS_CHOOSE_CONTEXT, this::chooseContext),
                KeyCommand.of(OwnKey.UNDO, this::undo)));
  }

  private Workspace workspace() {
    return desk.session().workspace().get();
  }

  private Catalog catalog() {
    return workspace().catalog();
  }

  private Optional<Environment> environment() {
    return catalog().environment(id);
  }

  private Optional<Binding> selected() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  /** In the order of contexts, since what belongs elsewhere often has one of its own. */
  private void fill(int select) {
    Optional<Environment> of = environment();
    Map<String, Integer> order = new HashMap<>();
    of.ifPresent(e -> e.contexts().forEach(c -> order.put(c.id(), order.size())));
    List<Binding> all =
        catalog().bindings(id).stream()
            .sorted(Comparator.comparing(x -> order.getOrDefault(x.context(), 0)))
            .toList();
    Set<String> there = all.stream().map(Binding::id).collect(Collectors.toSet());
    chosen.retainAll(there);
    heading.setText(
        worded(
            "systems.bindings-of",
            of.map(Environment::title).orElse(""),
            chosen.isEmpty() ? "" : worded("systems.chosen", chosen.size())));
    Lists.found(list, all);
    list.getSelectionModel().clearAndSelect(Math.clamp(select, 0, Math.max(0, all.size() - 1)));
  }

  private void fill() {
    fill(list.getSelectionModel().getSelectedIndex());
  }

  private void change() {
    selected()
        .ifPresent(
            b ->
                new OutlineEditor<>(
                        desk,
                        new Source(id, b.id()),
                        worded("systems.what-is-said-of-it"),
                        worded("systems.it-is-gone-esc-closes"),
                        this::fill)
                    .open());
  }

  private record Source(EnvironmentId in, String binding) implements OutlineEditor.Source<Binding> {
    @Override
    public Optional<Written<Binding>> written(Workspace workspace) {
      Catalog catalog = workspace.catalog();
      return catalog
          .environment(in)
          .flatMap(
              e ->
                  catalog
                      .binding(in, binding)
                      .map(
                          b ->
                              new Written<>(
                                  worded("systems.a-binding-of", e.title()),
                                  b,
                                  BindingOutline.of(catalog, e, b))));
    }

    @Override
    public Change.Edit edit(Workspace before, Binding after, String what) {
      Binding was = before.catalog().binding(in, binding).orElseThrow();
      return KeymapEdit.change(before, in, was, after);
    }
  }

  private void make() {
    desk.dialogs().chooseAction(worded("any.what-it-does"), this::gesture);
  }

  private void gesture(Action action) {
    desk.dialogs()
        .ask(
            worded("systems.a-gesture-for", action.title()),
            worded("systems.as-you-would-write-it-ctrl"),
            words ->
                apply(
                    () -> {
                      Environment e = environment().orElseThrow();
                      var gesture = e.reader().read(words).gesture();
                      String anywhere = Context.ANYWHERE.id();
                      return KeymapEdit.add(
                              workspace(),
                              id,
                              Binding.of(
                                  anywhere + ":" + action.id() + ":" + gesture,
                                  action.id(),
                                  gesture))
                          .orElseThrow(
                              () ->
                                  new IllegalArgumentException(
                                      worded("systems.that-is-there-already")));
                    }));
  }

  private void apply(Supplier<Change.Edit> edit) {
    try {
      desk.session().apply(edit.get());
    } catch (IllegalArgumentException e) {
      desk.session().problem(String.valueOf(e.getMessage()));
    }
    fill();
  }

  private void remove() {
    selected().ifPresent(b -> apply(() -> KeymapEdit.remove(workspace(), id, b)));
  }

  private void choose() {
    selected()
        .ifPresent(
            b -> {
              if (!chosen.add(b.id())) {
                chosen.remove(b.id());
              }
              fill(list.getSelectionModel().getSelectedIndex() + 1);
            });
  }

  private void chooseContext() {
    selected()
        .ifPresent(
            b -> {
              Set<String> all =
                  list.getItems().stream()
                      .filter(o -> o.context().equals(b.context()))
                      .map(Binding::id)
                      .collect(Collectors.toSet());
              if (!chosen.addAll(all)) {
                chosen.removeAll(all);
              }
              fill();
            });
  }

  /** Where bindings can go. */
  private record Target(String title, Optional<Environment> there, boolean platform) {}

  private void move() {
    Set<String> ids =
        chosen.isEmpty()
            ? selected().map(b -> Set.of(b.id())).orElse(Set.of())
            : Set.copyOf(chosen);
    if (ids.isEmpty()) {
      return;
    }
    List<Target> targets = new ArrayList<>();
    targets.add(new Target(worded("systems.a-new-application"), Optional.empty(), false));
    targets.add(new Target(worded("systems.a-new-platform"), Optional.empty(), true));
    KeymapDivision.others(catalog(), id)
        .forEach(e -> targets.add(new Target(e.title(), Optional.of(e), false)));
    desk.dialogs()
        .choose(
            worded("systems.move-to", ids.size(), worded("any.bindings", ids.size())),
            worded("systems.what-was-answered-about-them-goes"),
            targets,
            Target::title,
            target -> move(ids, target));
  }

  private void move(Set<String> ids, Target target) {
    target
        .there()
        .ifPresentOrElse(
            into ->
                apply(
                    () ->
                        KeymapDivision.move(
                            workspace(),
                            environment().orElseThrow(),
                            ids,
                            into,
                            desk.session().now())),
            () ->
                desk.dialogs()
                    .ask(
                        target.title(),
                        worded("systems.its-name"),
                        name ->
                            apply(
                                () ->
                                    KeymapDivision.divide(
                                        workspace(),
                                        environment().orElseThrow(),
                                        ids,
                                        name,
                                        target.platform(),
                                        desk.session().now()))));
  }

  private void undo() {
    desk.session().undo();
    fill();
  }

  private void row(HBox box, Binding b) {
    boolean isChosen = chosen.contains(b.id());
    String context =
        environment().flatMap(e -> e.context(b.context())).map(Context::title).orElse("");
    box.getChildren()
        .addAll(
            Lists.column(Texts.styled(isChosen ? "\u2713" : "", "row-title"), 1.5),
            Lists.growing(Texts.styled(catalog().title(b.action()), "row-title")),
            Lists.column(Texts.styled(context, "quiet"), 10),
            Lists.column(new GestureView(b.gesture(), desk.titles().words(id)), 16));
  }
}
