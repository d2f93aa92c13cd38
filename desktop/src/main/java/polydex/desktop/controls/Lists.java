package polydex.desktop.controls;

import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.Function;
import javafx.animation.PauseTransition;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import javafx.util.StringConverter;
import org.jspecify.annotations.Nullable;

/** Lists of rows that answer arrows, Home, End, Page Up and Down, and typing ahead. */
public final class Lists {
  /** Under which a list keeps what stands there while there is nothing. */
  private static final String EMPTY = "empty";

  private static final Duration TYPING_PAUSE = Duration.seconds(1);

  private Lists() {}

  /**
   * A list.
   *
   * @param name what a screen reader calls it
   * @param row draws an item into an empty row
   * @param words what typing ahead compares, and a screen reader says
   * @param empty what stands there while there is nothing
   */
  public static <T> ListView<T> of(
      String name, BiConsumer<HBox, T> row, Function<T, String> words, Node empty) {
    ListView<T> list = new WholeRows<>();
    list.setAccessibleText(name);
    list.setPlaceholder(empty);
    list.setCellFactory(_ -> cell(row, words));
    typeAhead(list, words);
    list.focusedProperty()
        .addListener(
            (_, _, focused) -> {
              if (focused && list.getSelectionModel().isEmpty() && !list.getItems().isEmpty()) {
                list.getSelectionModel().selectFirst();
              }
            });
    return list;
  }

  /** Its items are being looked for: nobody knows yet whether there are any. */
  public static <T> void waiting(ListView<T> list, String words) {
    say(list, words);
    list.getItems().clear();
  }

  /** Its items could not be found out. */
  public static <T> void failed(ListView<T> list, String why) {
    say(list, why);
    list.getItems().clear();
  }

  private static void say(ListView<?> list, String words) {
    list.getProperties().putIfAbsent(EMPTY, list.getPlaceholder());
    list.setPlaceholder(Texts.quiet(words));
  }

  /** These are its items. */
  public static <T> void found(ListView<T> list, List<T> items) {
    if (list.getProperties().remove(EMPTY) instanceof Node empty) {
      list.setPlaceholder(empty);
    }
    list.getItems().setAll(items);
  }

  private static <T> ListCell<T> cell(BiConsumer<HBox, T> row, Function<T, String> words) {
    return new ListCell<>() {
      {
        // The row is as wide as the list, so that what does not fit is cut with an ellipsis.
        setPrefWidth(0);
      }

      @Override
      protected void updateItem(T item, boolean empty) {
        super.updateItem(item, empty);
        setText(null);
        if (empty || item == null) {
          setGraphic(null);
          return;
        }
        HBox box = new HBox();
        box.setAlignment(Pos.CENTER_LEFT);
        box.getStyleClass().add("row");
        row.accept(box, item);
        setGraphic(box);
        setAccessibleText(words.apply(item));
      }
    };
  }

  private static <T> void typeAhead(ListView<T> list, Function<T, String> words) {
    StringBuilder typed = new StringBuilder();
    PauseTransition forget = new PauseTransition(TYPING_PAUSE);
    forget.setOnFinished(_ -> typed.setLength(0));
    list.addEventHandler(
        KeyEvent.KEY_TYPED,
        event -> {
          String c = event.getCharacter();
          boolean command = event.isAltDown() || event.isControlDown() || event.isMetaDown();
          boolean space = c.isBlank() && !(c.equals(" ") && !typed.isEmpty());
          if (command || space || c.codePoints().anyMatch(Character::isISOControl)) {
            return;
          }
          typed.append(c.toLowerCase(Locale.ROOT));
          forget.playFromStart();
          for (int i = 0; i < list.getItems().size(); i++) {
            String text = words.apply(list.getItems().get(i)).toLowerCase(Locale.ROOT);
            if (text.startsWith(typed.toString())) {
              list.getSelectionModel().clearAndSelect(i);
              list.getFocusModel().focus(i);
              list.scrollTo(Math.max(0, i - 3));
              return;
            }
          }
        });
  }

  /**
   * A box of choices.
   *
   * @param name what a screen reader calls it
   * @param words how a choice is shown
   */
  public static <T> ComboBox<T> choices(String name, Function<T, String> words) {
    ComboBox<T> box = new ComboBox<>();
    box.setAccessibleText(name);
    box.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(@Nullable T choice) {
            return choice == null ? "" : words.apply(choice);
          }

          @Override
          public @Nullable T fromString(String text) {
            return null; // nothing is typed into it
          }
        });
    return box;
  }

  /**
   * A column of a row: as wide as it is told, whatever it holds.
   *
   * @param ems width in times the text size
   */
  public static Node column(Region content, double ems) {
    HBox box = new HBox(content);
    box.setAlignment(Pos.CENTER_LEFT);
    String width = "-fx-min-width: %1$sem; -fx-pref-width: %1$sem; -fx-max-width: %1$sem;";
    box.setStyle(width.formatted(ems));
    return box;
  }

  /** A column that gives way to content that is wider, rather than have it lie over the next. */
  public static Node columnFrom(Region content, double ems) {
    HBox box = new HBox(content);
    box.setAlignment(Pos.CENTER_LEFT);
    box.setStyle("-fx-min-width: %sem;".formatted(ems));
    return box;
  }

  /** A column that takes the room that others leave. */
  public static Region growing(Region content) {
    HBox box = new HBox(content);
    box.setAlignment(Pos.CENTER_LEFT);
    HBox.setHgrow(box, Priority.ALWAYS);
    box.setMinWidth(60);
    box.setPrefWidth(60);
    return box;
  }

  /**
   * A line whose columns have no room beside one another: one of them stands alone, and below it
   * the others, in as many rows as they need.
   */
  public static Region stacked(List<Node> columns, Node alone) {
    FlowPane others = new FlowPane(8, 4);
    others.setRowValignment(VPos.CENTER);
    columns.stream().filter(c -> !c.equals(alone)).forEach(others.getChildren()::add);
    VBox line = new VBox(4, alone, others);
    line.setMinWidth(0);
    HBox.setHgrow(line, Priority.ALWAYS);
    return line;
  }

  /** A column with a number in it. */
  public static Node number(String text, double ems) {
    return rightColumn(Texts.styled(text, "number"), ems);
  }

  /** A column whose content stands at its right edge, as numbers do. */
  public static Node rightColumn(Region content, double ems) {
    HBox box = (HBox) column(content, ems);
    box.setAlignment(Pos.CENTER_RIGHT);
    return box;
  }
}
