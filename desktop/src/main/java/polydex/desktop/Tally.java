package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.mouse.TwoLetters;
import polydex.route.Setup;
import polydex.route.TracedBinding;

/**
 * "I used the mouse for this", over whatever place is shown: the last five by their digits, every
 * action of the setup by two letters, and anything else by its words after a space.
 */
final class Tally {
  private static final int BY_DIGIT = 5;
  private static final int SHOWN = 12;

  private record TallyRow(Action action, String key) {}

  private final Desk desk;
  private final Catalog catalog;
  private final List<Action> last;
  private final TwoLetters letters;
  private final TextField typed = new TextField();
  private final ListView<TallyRow> list;

  private Tally(Desk desk) {
    this.desk = desk;
    catalog = desk.session().workspace().get().catalog();
    last =
        desk.session().lastByPointer().stream()
            .flatMap(a -> catalog.action(a).stream())
            .limit(BY_DIGIT)
            .toList();
    letters = new TwoLetters(actions());
    list =
        Lists.of(
            worded("window.what-the-mouse-was-used-for"),
            this::row,
            r -> r.action().title(),
            Texts.quiet(worded("window.nothing-has-these-letters-a-space")));
    list.setFocusTraversable(false);
    list.getStyleClass().add("nine-rows");
  }

  /** Opens it. */
  static void open(Desk desk) {
    new Tally(desk).open();
  }

  private void open() {
    typed.setPromptText(worded("window.a-digit-two-letters-or-a"));
    typed.setAccessibleText(worded("window.what-the-mouse-was-used-for"));
    typed.textProperty().addListener((_, _, _) -> show());
    typed.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    show();
    VBox box =
        OverlayBox.narrow(
            Texts.heading(worded("window.i-used-the-mouse-for")),
            typed,
            list,
            Texts.quiet(worded("window.with-shift-on-the-last-key")));
    desk.keys().open(box, typed, List.of());
  }

  /** Those of the setup, what its focused application can do before the rest, each once. */
  private List<Action> actions() {
    Set<ActionId> ids = new LinkedHashSet<>();
    Optional<Setup> setup = desk.session().workspace().get().setup();
    setup.ifPresent(
        s ->
            s.environments()
                .reversed()
                .forEach(
                    e -> {
                      catalog
                          .environment(e)
                          .ifPresent(k -> k.pointerRoutes().forEach(r -> ids.add(r.action())));
                      catalog.bindings(e).forEach(b -> ids.add(b.action()));
                    }));
    catalog.actions().forEach(a -> ids.add(a.id()));
    List<Action> found = new ArrayList<>();
    ids.forEach(id -> catalog.action(id).ifPresent(found::add));
    return found;
  }

  private void show() {
    String text = typed.getText();
    List<TallyRow> rows = new ArrayList<>();
    if (text.isEmpty()) {
      for (int i = 0; i < last.size(); i++) {
        rows.add(new TallyRow(last.get(i), String.valueOf(i + 1)));
      }
      letters.beginning("").stream()
          .filter(a -> !last.contains(a))
          .limit(SHOWN - rows.size())
          .forEach(a -> rows.add(new TallyRow(a, key(a))));
    } else if (text.startsWith(" ")) {
      desk.index().find(text.strip(), SHOWN).forEach(a -> rows.add(new TallyRow(a, key(a))));
    } else {
      letters.beginning(text.strip()).forEach(a -> rows.add(new TallyRow(a, key(a))));
    }
    list.getItems().setAll(rows);
    list.getSelectionModel().selectFirst();
  }

  private String key(Action action) {
    return letters.of(action.id()).orElse("");
  }

  private void pressed(KeyEvent event) {
    if (event.isControlDown() || event.isAltDown()) {
      return;
    }
    String text = typed.getText();
    String key = event.getCode().getChar();
    if (event.getCode() == KeyCode.ENTER) {
      event.consume();
      Optional.ofNullable(list.getSelectionModel().getSelectedItem())
          .ifPresent(r -> note(r.action(), event.isShiftDown()));
    } else if (event.getCode() == KeyCode.DOWN || event.getCode() == KeyCode.UP) {
      event.consume();
      if (event.getCode() == KeyCode.DOWN) {
        list.getSelectionModel().selectNext();
      } else {
        list.getSelectionModel().selectPrevious();
      }
      list.scrollTo(Math.max(0, list.getSelectionModel().getSelectedIndex() - 4));
    } else if (text.isEmpty() && event.getCode().isDigitKey()) {
      int at = key.charAt(0) - '1';
      event.consume();
      if (at >= 0 && at < last.size()) {
        note(last.get(at), event.isShiftDown());
      }
    } else if (text.length() == 1 && !text.isBlank() && event.getCode().isLetterKey()) {
      letters
          .action(text + key)
          .ifPresent(
              a -> {
                event.consume();
                note(a, event.isShiftDown());
              });
    }
  }

  private void note(Action action, boolean byKeys) {
    desk.keys().close();
    desk.session().note(action.id(), byKeys);
  }

  private void row(HBox box, TallyRow row) {
    Label title = Texts.styled(row.action().title(), "row-title");
    HBox.setHgrow(title, Priority.ALWAYS);
    title.setMaxWidth(Double.MAX_VALUE);
    title.setMinWidth(0);
    HBox keys = new HBox(3);
    keys.setAlignment(Pos.CENTER_LEFT);
    row.key()
        .chars()
        .forEach(
            c ->
                keys.getChildren()
                    .add(GestureView.cap(Character.toString(c).toUpperCase(Locale.ROOT))));
    box.getChildren().addAll(Lists.column(keys, 4), title);
    gesture(row.action().id()).ifPresent(box.getChildren()::add);
  }

  /** The easiest gesture of an action in the setup in use. */
  private Optional<GestureView> gesture(ActionId action) {
    return desk.analyst()
        .found()
        .get()
        .flatMap(a -> a.reach().getOrDefault(action, List.<TracedBinding>of()).stream().findFirst())
        .map(t -> new GestureView(t.gesture(), desk.titles().words(t.environment())));
  }
}
