package polydex.desktop.controls;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.IntStream;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** At most nine choices, each taken by its digit; words typed below find others. */
public final class NumberedChoices<T> extends VBox {
  private static final int MOST = 9;

  private record Numbered<T>(int number, T value) {}

  private final ListView<Numbered<T>> list;
  private final TextField words = new TextField();
  private final Function<String, List<T>> find;

  /**
   * Choices.
   *
   * @param name what a screen reader calls them
   * @param title what a choice is called
   * @param find the choices for what was typed; those to begin with for nothing
   * @param chosen takes the choice and the key that made it
   */
  public NumberedChoices(
      String name,
      Function<T, String> title,
      Function<String, List<T>> find,
      BiConsumer<T, KeyEvent> chosen) {
    this(name, title, (box, one) -> box.getChildren().add(words(title.apply(one))), find, chosen);
  }

  /**
   * Choices that are drawn in a way of their own.
   *
   * @param title by which typing ahead finds them, and what a screen reader calls them
   * @param row draws one behind its digit
   */
  public NumberedChoices(
      String name,
      Function<T, String> title,
      BiConsumer<HBox, T> row,
      Function<String, List<T>> find,
      BiConsumer<T, KeyEvent> chosen) {
    this.find = find;
    list =
        Lists.of(
            name,
            (box, choice) -> {
              box.getChildren().add(GestureView.cap(String.valueOf(choice.number())));
              row.accept(box, choice.value());
            },
            choice -> title.apply(choice.value()),
            Texts.quiet(worded("controls.nothing-has-these-words")));
    list.setFocusTraversable(false);
    words.setPromptText(worded("controls.type-some-of-its-words"));
    words.setAccessibleText(name);
    words.textProperty().addListener((_, _, typed) -> show(typed));
    words.addEventFilter(
        KeyEvent.KEY_PRESSED,
        event -> {
          int index = index(event);
          if (index >= 0 && index < list.getItems().size()) {
            event.consume();
            chosen.accept(list.getItems().get(index).value(), event);
          } else if (event.getCode() == KeyCode.DOWN) {
            list.getSelectionModel().selectNext();
            event.consume();
          } else if (event.getCode() == KeyCode.UP) {
            list.getSelectionModel().selectPrevious();
            event.consume();
          }
        });
    setSpacing(10);
    getChildren().addAll(list, words);
    show("");
  }

  private static Label words(String title) {
    Label label = Texts.styled(title, "row-title");
    HBox.setHgrow(label, Priority.ALWAYS);
    label.setMaxWidth(Double.MAX_VALUE);
    return label;
  }

  /** What gets the focus. */
  public TextField focus() {
    return words;
  }

  /** The list alone, for its size. */
  public ListView<?> list() {
    return list;
  }

  private void show(String typed) {
    List<T> found = new ArrayList<>(find.apply(typed));
    list.getItems()
        .setAll(
            IntStream.range(0, Math.min(MOST, found.size()))
                .mapToObj(i -> new Numbered<>(i + 1, found.get(i)))
                .toList());
    list.getSelectionModel().selectFirst();
  }

  /** The row that a key stands for: a digit its number, Enter the one that is chosen. */
  private int index(KeyEvent event) {
    if (event.isControlDown() || event.isAltDown()) {
      return -1;
    }
    if (event.getCode() == KeyCode.ENTER) {
      return list.getSelectionModel().getSelectedIndex();
    }
    String digit = event.getCode().getChar();
    return event.getCode().isDigitKey() && !digit.equals("0") ? digit.charAt(0) - '1' : -1;
  }
}
