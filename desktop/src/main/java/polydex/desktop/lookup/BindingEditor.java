package polydex.desktop.lookup;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Optional;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.Binding;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.workspace.Change;
import polydex.workspace.KeymapEdit;
import polydex.workspace.Workspace;

/**
 * A form for a binding: where it holds, its gesture in any written form, and what is said of it.
 */
final class BindingEditor extends VBox {
  private final Desk desk;
  private final Action action;
  private final Optional<ActionDetail.Line> was;
  private final ComboBox<Environment> environment =
      Lists.choices(worded("lookup.in"), Environment::title);
  private final ComboBox<Context> context =
      Lists.choices(worded("lookup.where-there"), Context::title);
  private final TextField gesture = new TextField();
  private final TextField note = new TextField();
  private final TextField hook = new TextField();
  private final TextField caveat = new TextField();
  private final HBox read = new HBox(8);
  private final Button save = new Button(worded("any.save"));
  private Optional<Gesture> parsed = Optional.empty();

  /**
   * A form.
   *
   * @param was the line whose binding is changed, or whose environment gets a new one
   * @param isNew whether a binding is added, rather than that of the line changed
   */
  BindingEditor(Desk desk, Action action, Optional<ActionDetail.Line> was, boolean isNew) {
    this.desk = desk;
    this.action = action;
    this.was = isNew ? Optional.empty() : was;
    environment.setItems(FXCollections.observableArrayList(workspace().catalog().environments()));
    environment.valueProperty().subscribe(this::showContexts);
    environment.setValue(was.map(ActionDetail.Line::environment).orElseGet(this::likely));
    environment.setDisable(this.was.isPresent());
    gesture.setPromptText("Ctrl+Shift+S, C-x C-s, ⌘⇧S ...");
    gesture.getStyleClass().add("gesture-field");
    gesture.textProperty().addListener((_, _, _) -> read());
    this.was.flatMap(ActionDetail.Line::binding).ifPresent(this::fill);
    read.setAlignment(Pos.CENTER_LEFT);
    read.setMinHeight(36);
    save.setDefaultButton(true);
    save.setOnAction(_ -> save());
    Button cancel = new Button(worded("lookup.cancel"));
    cancel.setCancelButton(true);
    cancel.setOnAction(_ -> desk.keys().close());
    HBox buttons = new HBox(12, save, cancel);
    GridPane form = new GridPane(12, 8);
    row(form, 0, worded("lookup.in"), environment);
    row(form, 1, worded("lookup.where-there"), context);
    row(form, 2, worded("lookup.gesture"), gesture);
    form.add(read, 1, 3);
    row(form, 4, worded("lookup.note"), note);
    row(form, 5, worded("lookup.to-remember-it-by"), hook);
    row(form, 6, worded("lookup.beware-2"), caveat);
    getChildren()
        .addAll(
            Texts.heading(
                isNew
                    ? worded("lookup.a-gesture-for", action.title())
                    : worded("lookup.change-the-gesture-for", action.title())),
            form,
            Texts.quiet(worded("lookup.enter-saves-esc-leaves-everything-as")),
            buttons);
    getStyleClass().add("overlay");
    setMaxHeight(Region.USE_PREF_SIZE);
    read();
  }

  /** What gets the focus. */
  TextField focus() {
    return gesture;
  }

  private Workspace workspace() {
    return desk.session().workspace().get();
  }

  /** Where one is working: the focused application of the setup in use. */
  private Environment likely() {
    List<Environment> all = workspace().catalog().environments();
    List<EnvironmentId> here = workspace().setup().map(s -> s.environments()).orElse(List.of());
    return all.stream()
        .filter(e -> !here.isEmpty() && e.id().equals(here.getLast()))
        .findFirst()
        .orElse(all.getFirst());
  }

  private static void row(GridPane form, int row, String name, Control field) {
    Label label = Texts.styled(name, "words");
    label.setLabelFor(field);
    label.setMinWidth(Region.USE_PREF_SIZE);
    field.setAccessibleText(name);
    field.setPrefWidth(380);
    form.add(label, 0, row);
    form.add(field, 1, row);
  }

  private void showContexts(Environment of) {
    if (of != null) {
      context.setItems(FXCollections.observableArrayList(of.contexts()));
      context.setValue(of.contexts().getFirst());
    }
  }

  private void fill(Binding binding) {
    gesture.setText(binding.gesture().toString());
    note.setText(binding.remarks().note());
    hook.setText(binding.remarks().hook());
    caveat.setText(binding.remarks().caveat());
    environment.getValue().context(binding.context()).ifPresent(context::setValue);
  }

  private void read() {
    read.getChildren().clear();
    parsed = Optional.empty();
    String text = gesture.getText();
    if (text.isBlank()) {
      read.getChildren().add(Texts.quiet(worded("lookup.as-you-would-write-it-in")));
    } else {
      try {
        parsed = Optional.of(meant(text));
        read.getChildren()
            .add(new GestureView(parsed.get(), desk.titles().words(environment.getValue().id())));
      } catch (GestureSyntaxException e) {
        read.getChildren().add(Texts.words(e.getMessage()));
      }
    }
    save.setDisable(parsed.isEmpty());
  }

  /** What the field was filled with is in our own notation, whatever else it could be. */
  private Gesture meant(String text) {
    Optional<Binding> before = was.flatMap(ActionDetail.Line::binding);
    if (before.isPresent() && before.get().gesture().toString().equals(text)) {
      return before.get().gesture();
    }
    return environment.getValue().reader().read(text).gesture();
  }

  private void save() {
    if (parsed.isEmpty()) {
      return;
    }
    String where = context.getValue().id();
    Binding.Remarks said =
        new Binding.Remarks(
            note.getText().strip(),
            caveat.getText().strip(),
            hook.getText().strip(),
            was.flatMap(ActionDetail.Line::binding).map(b -> b.remarks().fixed()).orElse(false));
    Optional<Change.Edit> edit;
    Optional<Binding> before = was.flatMap(ActionDetail.Line::binding);
    if (before.isPresent()) {
      Binding now =
          new Binding(
              before.get().id(),
              action.id(),
              parsed.get(),
              where,
              before.get().when(),
              before.get().heldContext(),
              said);
      edit =
          now.equals(before.get())
              ? Optional.empty()
              : Optional.of(
                  KeymapEdit.change(workspace(), environment.getValue().id(), before.get(), now));
    } else {
      String id = where + ":" + action.id() + ":" + parsed.get();
      Binding plain = Binding.of(id, action.id(), parsed.get(), where);
      edit =
          KeymapEdit.add(
              workspace(),
              environment.getValue().id(),
              new Binding(
                  id, action.id(), plain.gesture(), where, plain.when(), Optional.empty(), said));
    }
    desk.keys().close();
    edit.ifPresentOrElse(
        desk.session()::apply,
        () -> desk.session().say(worded("lookup.that-is-there-already-nothing-was")));
  }
}
