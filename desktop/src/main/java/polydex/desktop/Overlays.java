package polydex.desktop;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.ActionSearch;
import polydex.catalog.Catalog;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.places.Desk;
import polydex.mouse.Use.Device;
import polydex.route.Setup;
import polydex.route.TracedBinding;

/** What lies over the places for a moment: the tally, and the choice of a setup. */
final class Overlays {
  private static final int NUMBERED = 9;

  /**
   * One that is open.
   *
   * @param node what it shows
   * @param focus what gets the focus
   */
  record Overlay(Node node, Node focus) {}

  private record Numbered(int number, String action) {}

  private Overlays() {}

  /** "I used the mouse for this": a digit notes it; words find what is not among the nine. */
  static Overlay tally(Desk desk, Runnable close) {
    Catalog catalog = desk.session().workspace().get().catalog();
    ActionSearch search = ActionSearch.of(catalog.actions());
    List<String> likely = desk.session().likelyToNote();
    ListView<Numbered> list =
        Lists.of(
            "What it was",
            (box, row) -> tallyRow(desk, box, row),
            row -> catalog.title(row.action()),
            Texts.quiet("Nothing has these words."));
    list.setFocusTraversable(false);
    list.getStyleClass().add("nine-rows");
    TextField words = new TextField();
    words.setPromptText("Something else: type its words");
    words.setAccessibleText("What the mouse was used for");
    Consumer<String> show =
        typed -> {
          List<String> ids = new ArrayList<>();
          if (typed.isBlank()) {
            ids.addAll(likely);
          } else {
            search.find(typed).stream().limit(NUMBERED).map(Action::id).forEach(ids::add);
          }
          list.getItems()
              .setAll(
                  IntStream.range(0, ids.size())
                      .mapToObj(i -> new Numbered(i + 1, ids.get(i)))
                      .toList());
          list.getSelectionModel().selectFirst();
        };
    words.textProperty().addListener((_, _, typed) -> show.accept(typed));
    show.accept("");
    words.addEventFilter(
        KeyEvent.KEY_PRESSED,
        event -> {
          int index = index(event, list);
          if (index >= 0 && index < list.getItems().size()) {
            event.consume();
            String action = list.getItems().get(index).action();
            close.run();
            desk.session().note(action, event.isShiftDown() ? Device.KEYS : Device.POINTER);
          } else {
            moveIn(list, event);
          }
        });
    VBox box =
        new VBox(
            Texts.heading("I used the mouse for"),
            list,
            words,
            Texts.quiet(
                "A digit notes it. With Shift: I did it by keys. Esc: nothing, after all."));
    box.getStyleClass().add("tally");
    box.setMaxHeight(Region.USE_PREF_SIZE);
    return new Overlay(box, words);
  }

  /** The row that a key stands for: a digit its number, Enter the one that is chosen. */
  private static int index(KeyEvent event, ListView<?> list) {
    if (event.isControlDown() || event.isAltDown()) {
      return -1;
    }
    if (event.getCode() == KeyCode.ENTER) {
      return list.getSelectionModel().getSelectedIndex();
    }
    String digit = event.getCode().getChar();
    return event.getCode().isDigitKey() && !digit.equals("0") ? digit.charAt(0) - '1' : -1;
  }

  private static void moveIn(ListView<?> list, KeyEvent event) {
    if (event.getCode() == KeyCode.DOWN) {
      list.getSelectionModel().selectNext();
      event.consume();
    } else if (event.getCode() == KeyCode.UP) {
      list.getSelectionModel().selectPrevious();
      event.consume();
    }
  }

  private static void tallyRow(Desk desk, HBox box, Numbered row) {
    Catalog catalog = desk.session().workspace().get().catalog();
    Label title = Texts.styled(catalog.title(row.action()), "row-title");
    HBox.setHgrow(title, Priority.ALWAYS);
    title.setMaxWidth(Double.MAX_VALUE);
    box.getChildren().addAll(GestureView.cap(String.valueOf(row.number())), title);
    desk.analyst()
        .found()
        .get()
        .flatMap(
            a ->
                a.reach().getOrDefault(row.action(), List.<TracedBinding>of()).stream().findFirst())
        .ifPresent(
            t -> box.getChildren().add(new GestureView(t.gesture(), desk.words(t.environment()))));
  }

  /** Which setup the program is to speak of. */
  static Overlay setups(Desk desk, Runnable close) {
    ListView<Setup> list =
        Lists.of(
            "Setups",
            (box, setup) -> setupRow(desk, box, setup),
            Setup::title,
            Texts.quiet("There is no setup in this file."));
    list.getItems().setAll(desk.session().workspace().get().setups().values());
    list.getStyleClass().add("nine-rows");
    desk.session().workspace().get().setup().ifPresent(list.getSelectionModel()::select);
    Runnable choose =
        () -> {
          Setup chosen = list.getSelectionModel().getSelectedItem();
          close.run();
          if (chosen != null) {
            desk.session().choose(chosen.id());
          }
        };
    list.addEventHandler(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.ENTER) {
            event.consume();
            choose.run();
          }
        });
    list.setOnMouseClicked(
        event -> {
          if (event.getClickCount() == 2) {
            choose.run();
          }
        });
    VBox box =
        new VBox(
            Texts.heading("Setup in use"),
            Texts.quiet("From the board under your fingers to what has the focus."),
            list,
            Texts.quiet("Enter: use it. Esc: leave things as they are."));
    box.getStyleClass().add("tally");
    box.setMaxHeight(Region.USE_PREF_SIZE);
    return new Overlay(box, list);
  }

  private static void setupRow(Desk desk, HBox box, Setup setup) {
    Label path = Texts.quiet(String.join(" \u203a ", SetupPath.of(desk, setup)));
    VBox words = new VBox(2, Texts.styled(setup.title(), "part"), path);
    HBox.setHgrow(words, Priority.ALWAYS);
    box.getChildren().add(words);
  }
}
