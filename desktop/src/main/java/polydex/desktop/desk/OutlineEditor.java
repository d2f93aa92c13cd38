package polydex.desktop.desk;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntConsumer;
import java.util.function.Supplier;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.keys.KeyCommand;
import polydex.language.Language;
import polydex.own.OwnKey;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * Something written out, to be changed line by line; each change is made at once and can be undone.
 *
 * @param <R> what is written out
 */
public final class OutlineEditor<R> {
  private static final double INDENT = 1.5;
  private static final double LABELS = 13;

  /**
   * What is written out.
   *
   * @param heading above the lines
   * @param whole what they are of
   */
  public record Written<R>(String heading, R whole, List<OutlineLine<R>> lines) {}

  /** Where it comes from, and what a change of it is. */
  public interface Source<R> {
    /** What it is now; none where it is gone. */
    Optional<Written<R>> written(Workspace workspace);

    /**
     * It is changed.
     *
     * @param what as the rest of a title
     * @throws IllegalArgumentException where it can't be so, with a sentence
     */
    Change.Edit edit(Workspace before, R after, String what);
  }

  /** A picture of it above the lines, in which a part can be chosen as its line can. */
  public interface Picture<R> {
    /** What is shown, and can have the focus. */
    Region node();

    /** Shows it as it is now. */
    void show(Written<R> written);

    /** A line is chosen, so its part is. */
    void chosen(int line);

    /**
     * Who wants to know.
     *
     * @param line gets the line of a part that was chosen
     * @param opened is run when its lines are wanted
     */
    void listen(IntConsumer line, Runnable opened);
  }

  private final Desk desk;
  private final Source<R> source;
  private final Optional<Picture<R>> picture;
  private final Runnable afterwards;
  private final ListView<OutlineLine<R>> list;
  private final Label heading = Texts.heading("");
  private final Label trouble = Texts.words("");

  /**
   * An editor that is not shown yet.
   *
   * @param name what a screen reader calls the lines
   * @param gone what stands there when it is gone
   * @param afterwards is run when it was closed
   */
  public OutlineEditor(Desk desk, Source<R> source, String name, String gone, Runnable afterwards) {
    this(desk, source, name, gone, Optional.empty(), afterwards);
  }

  /** The same with a picture above. */
  public OutlineEditor(
      Desk desk,
      Source<R> source,
      String name,
      String gone,
      Optional<Picture<R>> picture,
      Runnable afterwards) {
    this.desk = desk;
    this.picture = picture;
    this.source = source;
    this.afterwards = afterwards;
    list = Lists.of(name, OutlineEditor::row, l -> l.label() + " " + l.value(), Texts.quiet(gone));
    list.getStyleClass().add("setup-lines");
    picture.ifPresent(this::follow);
  }

  private void follow(Picture<R> shown) {
    shown.listen(this::select, list::requestFocus);
    list.getSelectionModel()
        .selectedIndexProperty()
        .addListener((_, _, at) -> shown.chosen(at.intValue()));
  }

  /** Shows it over the place. */
  public void open() {
    fill(0);
    trouble.getStyleClass().add("stops");
    VBox box = OverlayBox.wide(heading, trouble, list);
    picture.ifPresent(p -> box.getChildren().add(1, p.node()));
    OverlayBox.whenClosed(list, afterwards);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.OUTLINE_CHANGE, worded("any.change"), this::change),
                KeyCommand.of(OwnKey.OUTLINE_ADD, worded("desk.add-one"), this::add),
                KeyCommand.of(OwnKey.OUTLINE_REMOVE, worded("any.remove"), this::remove),
                KeyCommand.of(OwnKey.OUTLINE_EARLIER, worded("any.earlier"), () -> move(true)),
                KeyCommand.of(OwnKey.OUTLINE_LATER, worded("any.later"), () -> move(false)),
                KeyCommand.of(OwnKey.OUTLINE_NEXT_MISTAKE, this::nextMistake),
                KeyCommand.of(OwnKey.UNDO, this::undo)));
  }

  private Workspace workspace() {
    return desk.session().workspace().get();
  }

  private void fill(int select) {
    Optional<Written<R>> written = source.written(workspace());
    heading.setText(written.map(Written::heading).orElse(""));
    list.getItems().setAll(written.map(Written::lines).orElse(List.of()));
    picture.ifPresent(p -> written.ifPresent(p::show));
    long wrong = list.getItems().stream().filter(l -> !l.mistakes().isEmpty()).count();
    trouble.setText(wrong == 0 ? "" : worded("desk.lines-have-mistakes", wrong));
    trouble.setVisible(wrong > 0);
    trouble.setManaged(wrong > 0);
    select(select);
  }

  private void select(int index) {
    int at = Math.clamp(index, 0, Math.max(0, list.getItems().size() - 1));
    list.getSelectionModel().clearAndSelect(at);
    list.getFocusModel().focus(at);
    // What is added to the chosen line stands below it, and is to be seen.
    list.scrollTo(Math.max(0, at - 3));
  }

  private Optional<OutlineLine<R>> selected() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  private void change() {
    selected()
        .ifPresent(
            l ->
                l.change()
                    .or(l::more)
                    .ifPresentOrElse(
                        e -> ask(l, e),
                        () -> desk.session().say(worded("desk.this-line-can-only-be-moved"))));
  }

  /** Adds to the list whose heading or member is chosen. */
  private void add() {
    int at = list.getSelectionModel().getSelectedIndex();
    for (int i = at; i >= 0; i--) {
      OutlineLine<R> line = list.getItems().get(i);
      if (line.more().isPresent() && line.depth() <= list.getItems().get(at).depth()) {
        ask(line, line.more().get());
        return;
      }
    }
    desk.session().say(worded("desk.nothing-can-be-added-here"));
  }

  private void remove() {
    selected()
        .ifPresent(
            l ->
                l.without()
                    .ifPresentOrElse(
                        s -> apply(worded("desk.without"), l, () -> s),
                        () -> desk.session().say(worded("desk.this-line-can-be-changed-but"))));
  }

  private void move(boolean up) {
    int at = list.getSelectionModel().getSelectedIndex();
    selected()
        .ifPresent(
            l ->
                (up ? l.earlier() : l.later())
                    .ifPresent(
                        s -> {
                          apply(worded("desk.moved"), l, () -> s);
                          follow(l, up ? at - 1 : at + 1, up);
                        }));
  }

  /** Goes along with a line that was moved past others of any height. */
  private void follow(OutlineLine<R> line, int from, boolean up) {
    for (int i = from; i >= 0 && i < list.getItems().size(); i += up ? -1 : 1) {
      OutlineLine<R> here = list.getItems().get(i);
      if (here.label().equals(line.label())
          && here.value().equals(line.value())
          && here.gesture().equals(line.gesture())) {
        select(i);
        return;
      }
    }
  }

  private void nextMistake() {
    int size = list.getItems().size();
    int at = list.getSelectionModel().getSelectedIndex();
    for (int i = 1; i <= size; i++) {
      int next = (at + i) % size;
      if (!list.getItems().get(next).mistakes().isEmpty()) {
        select(next);
        return;
      }
    }
    desk.session().say(worded("desk.no-line-has-a-mistake"));
  }

  private void undo() {
    desk.session().undo();
    fill(list.getSelectionModel().getSelectedIndex());
  }

  private void apply(String what, OutlineLine<R> line, Supplier<R> whole) {
    String said =
        what.formatted(Language.within(line.label()), line.value()).replaceAll(" +", " ").strip();
    try {
      R after = whole.get();
      if (source.written(workspace()).map(Written::whole).equals(Optional.of(after))) {
        desk.session().say(worded("desk.it-is-so-already"));
        return;
      }
      desk.session().apply(source.edit(workspace(), after, said));
    } catch (IllegalArgumentException e) {
      desk.session().problem(worded("desk.that-cant-be", e.getMessage()));
    }
    fill(list.getSelectionModel().getSelectedIndex());
  }

  private void ask(OutlineLine<R> line, Edit<R> edit) {
    switch (edit) {
      case Edit.Done<R> d -> apply(worded("desk.changed"), line, d::after);
      case Edit.Choice<R> c -> choose(line, c.options());
      case Edit.Words<R> w -> words(line, w);
    }
  }

  private void choose(OutlineLine<R> line, List<Option<R>> options) {
    desk.dialogs().choose(line.label(), options, Option::title, chosen -> ask(line, chosen.next()));
  }

  private void words(OutlineLine<R> line, Edit.Words<R> words) {
    TextField field = new TextField(words.now());
    field.setAccessibleText(line.label());
    field.setPromptText(words.hint());
    Label wrong = Texts.words("");
    wrong.getStyleClass().add("stops");
    VBox box =
        OverlayBox.narrow(
            Texts.heading(line.label()), field, Texts.quiet(words.hint() + "."), wrong);
    desk.keys()
        .open(
            box,
            field,
            List.of(
                KeyCommand.of(
                    OwnKey.OUTLINE_TAKE,
                    worded("any.take-it"),
                    () -> {
                      R after;
                      try {
                        after = words.to().apply(field.getText());
                      } catch (IllegalArgumentException e) {
                        wrong.setText(e.getMessage());
                        return;
                      }
                      desk.keys().close();
                      apply(worded("desk.changed"), line, () -> after);
                    })));
    field.selectAll();
  }

  private static <R> void row(HBox box, OutlineLine<R> line) {
    // Values stand in one column, however far inside their labels are.
    double indent = Math.min(INDENT * line.depth(), LABELS - 4);
    box.getChildren()
        .addAll(
            Lists.column(new Region(), indent),
            Lists.column(Texts.styled(line.label(), "quiet"), LABELS - indent));
    line.gesture().ifPresent(g -> box.getChildren().add(new GestureView(g, Map.of())));
    boolean heads = line.sort() == OutlineLine.Sort.MACHINE;
    Label value = Texts.styled(line.value(), heads ? "part" : "row-title");
    box.getChildren().add(value);
    if (!line.mistakes().isEmpty()) {
      Region notch = new Region();
      notch.getStyleClass().add("notch");
      notch.setMinWidth(Region.USE_PREF_SIZE);
      Label wrong = Texts.styled(String.join(" ", line.mistakes()), "stops");
      wrong.setWrapText(true);
      wrong.setMinHeight(Region.USE_PREF_SIZE);
      HBox.setHgrow(wrong, Priority.ALWAYS);
      value.setMinWidth(Region.USE_PREF_SIZE);
      box.getChildren().addAll(notch, wrong);
    }
    box.setSpacing(10);
  }
}
