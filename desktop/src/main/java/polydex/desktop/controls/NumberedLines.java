package polydex.desktop.controls;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.keys.OwnKeys;
import polydex.own.OwnKey;

/**
 * A page of things to do, each with its key: lines that act by the next free digit, and buttons.
 * The keys come with it, since what is shown and what works must be the same.
 */
public final class NumberedLines {
  private static final double UNDER_THE_TITLE = 30;

  private final List<KeyCommand> keys = new ArrayList<>();
  private final OwnKeys own;
  private int next = 1;

  /**
   * An empty page.
   *
   * @param own which keys the commands have
   */
  public NumberedLines(OwnKeys own) {
    this.own = own;
  }

  /** The keys of all that was made, in order. */
  public List<KeyCommand> keys() {
    return List.copyOf(keys);
  }

  /** A key without anything to see. */
  public void add(KeyCommand key) {
    keys.add(key);
  }

  /** The same thing to do keeps its id when a page is made again. */
  private static String id(String key) {
    return "by-" + key;
  }

  /** A button that a key presses. */
  public Button button(OwnKey key, String title, Runnable act) {
    Button button = new Button(title);
    button.setId(id(key.name()));
    button.setOnAction(_ -> act.run());
    keys.add(KeyCommand.of(key, title, act));
    return button;
  }

  /** A heading whose part of the page a key leads on from. */
  public Node heading(String title, OwnKey key, Runnable act) {
    keys.add(KeyCommand.of(key, act));
    HBox box = new HBox(10, Texts.part(title));
    own.of(key).ifPresent(g -> box.getChildren().add(new GestureView(g, Map.of())));
    box.setAlignment(Pos.CENTER_LEFT);
    box.setOnMouseClicked(_ -> act.run());
    return box;
  }

  /** Leads on to more of the same, by the next free digit. */
  public Node more(String words, Runnable act) {
    String key = String.valueOf(next++);
    HBox line = new HBox(10, GestureView.cap(key), Texts.styled(words, "quiet"));
    line.setAlignment(Pos.CENTER_LEFT);
    line.getStyleClass().add("today-more");
    acting(line, key, words, act);
    keys.add(KeyCommand.numbered(key, words, act));
    return line;
  }

  /**
   * A line that acts by the next free digit.
   *
   * @param more stands at its right end
   * @param words stand below its title, in as many lines as they need
   */
  public Node line(String title, Region more, String words, Runnable act) {
    String key = String.valueOf(next++);
    Label name = Texts.styled(title, "row-title");
    name.setMinWidth(0);
    name.setWrapText(true);
    name.setMinHeight(Region.USE_PREF_SIZE);
    Region room = new Region();
    HBox.setHgrow(room, Priority.ALWAYS);
    more.setMinWidth(Region.USE_PREF_SIZE);
    HBox top = new HBox(10, GestureView.cap(key), name, room, more);
    top.setAlignment(Pos.CENTER_LEFT);
    Label why = Texts.styled(words, "quiet");
    why.getStyleClass().add("small");
    why.setWrapText(true);
    why.setMinWidth(0);
    why.setMinHeight(Region.USE_PREF_SIZE);
    VBox.setMargin(why, new Insets(0, 0, 0, UNDER_THE_TITLE));
    VBox line = new VBox(2, top, why);
    line.setMinWidth(0);
    line.getStyleClass().add("today-line");
    acting(line, key, title + ". " + words, act);
    keys.add(KeyCommand.numbered(key, title, act));
    return line;
  }

  /** What Tab reaches, and its digit, Space or a click set off. */
  private static void acting(Node line, String key, String said, Runnable act) {
    line.setId(id(key));
    line.setFocusTraversable(true);
    line.setAccessibleRole(AccessibleRole.BUTTON);
    line.setAccessibleText(said);
    line.setOnMouseClicked(_ -> act.run());
    line.setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.SPACE) {
            event.consume();
            act.run();
          }
        });
  }
}
