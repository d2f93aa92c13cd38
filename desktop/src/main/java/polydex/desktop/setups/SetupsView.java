package polydex.desktop.setups;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;
import polydex.route.Setup;
import polydex.route.SetupCheck;
import polydex.setups.SetupList;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** All setups: which one the program is to speak of, and what becomes of the list. */
public final class SetupsView {
  private final Desk desk;
  private final ListView<Setup> list;

  /** The view; {@link #open} shows it. */
  public SetupsView(Desk desk) {
    this.desk = desk;
    list =
        Lists.of(
            worded("setups.setups"),
            this::row,
            Setup::title,
            desk.keyed(Texts.quiet(worded("setups.there-is-no-setup-in-this"))));
    list.getStyleClass().add("nine-rows");
  }

  /** Shows it over the place. */
  public void open() {
    list.getItems().setAll(workspace().setups().values());
    workspace().setup().ifPresent(list.getSelectionModel()::select);
    list.setOnMouseClicked(
        event -> {
          if (event.getClickCount() == 2) {
            use();
          }
        });
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("setups.setups")),
            Texts.quiet(worded("setups.from-the-board-under-your-fingers")),
            list);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.SETUPS_USE, worded("setups.use-it"), this::use),
                KeyCommand.of(OwnKey.SETUPS_CHANGE, worded("any.change"), this::change),
                KeyCommand.of(OwnKey.SETUPS_NEW, worded("any.new"), this::make),
                KeyCommand.of(
                    OwnKey.SETUPS_COPY, worded("any.copy"), () -> selected().ifPresent(this::copy)),
                KeyCommand.of(
                    OwnKey.SETUPS_REMOVE,
                    worded("any.remove"),
                    () -> selected().ifPresent(s -> apply(SetupList.remove(workspace(), s), 0))),
                KeyCommand.of(OwnKey.SETUPS_EARLIER, worded("any.earlier"), () -> move(-1)),
                KeyCommand.of(OwnKey.SETUPS_LATER, worded("any.later"), () -> move(1)),
                KeyCommand.of(OwnKey.SETUPS_COMPARE, this::compare),
                KeyCommand.of(OwnKey.UNDO, this::undo)));
  }

  private Workspace workspace() {
    return desk.session().workspace().get();
  }

  private Optional<Setup> selected() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  private void use() {
    selected()
        .ifPresent(
            s -> {
              desk.keys().close();
              desk.session().choose(s.id());
            });
  }

  private void change() {
    selected().ifPresent(s -> SetupEditor.open(desk, s.id(), this::refresh));
  }

  private void make() {
    Optional<Change.Edit> made = SetupList.make(workspace());
    if (made.isEmpty()) {
      desk.session().problem(worded("setups.a-setup-needs-a-board-a"));
      return;
    }
    apply(made.get(), list.getItems().size());
    change();
  }

  private void copy(Setup setup) {
    apply(SetupList.copy(workspace(), setup), list.getSelectionModel().getSelectedIndex() + 1);
  }

  private void move(int by) {
    int to = list.getSelectionModel().getSelectedIndex() + by;
    selected().flatMap(s -> SetupList.move(workspace(), s, by)).ifPresent(edit -> apply(edit, to));
  }

  private void apply(Change.Edit edit, int then) {
    desk.session().apply(edit);
    refresh();
    select(then);
  }

  private void undo() {
    desk.session().undo();
    refresh();
  }

  private void refresh() {
    int at = list.getSelectionModel().getSelectedIndex();
    list.getItems().setAll(workspace().setups().values());
    select(at);
    list.requestFocus();
  }

  private void select(int index) {
    int at = Math.clamp(index, 0, Math.max(0, list.getItems().size() - 1));
    list.getSelectionModel().clearAndSelect(at);
    list.getFocusModel().focus(at);
  }

  private void compare() {
    Consumer<Setup> with =
        chosen ->
            workspace()
                .setup()
                .filter(used -> !used.id().equals(chosen.id()))
                .ifPresentOrElse(
                    used -> new SetupBeside(desk, used, chosen).open(),
                    () -> desk.session().say(worded("setups.choose-another-setup-than-the-one")));
    selected().ifPresent(with);
  }

  private void row(HBox box, Setup setup) {
    boolean used = workspace().current().equals(Optional.of(setup.id()));
    VBox words =
        new VBox(
            2,
            Texts.styled(setup.title() + (used ? worded("setups.in-use") : ""), "part"),
            Texts.quiet(String.join(" › ", SetupPath.of(desk, setup))));
    List<SetupCheck.Mistake> wrong = SetupCheck.of(setup, workspace().world());
    if (!wrong.isEmpty()) {
      words
          .getChildren()
          .add(
              Texts.styled(
                  wrong.size() == 1
                      ? wrong.getFirst().sentence()
                      : wrong.getFirst().sentence() + worded("setups.and-more", wrong.size() - 1),
                  "stops"));
    }
    HBox.setHgrow(words, Priority.ALWAYS);
    box.getChildren().add(words);
  }
}
