package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Navigation;
import polydex.desktop.keys.AccessLetters;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;

/**
 * The places, what can be done in the one that is shown, and what can be done anywhere, side by
 * side. Each line has a letter that runs it; arrows walk, and Enter runs the chosen one.
 */
final class MainMenu {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

  private static final String HERE = worded("window.here-2");

  /** A column of the menu. */
  record Part(String title, List<KeyCommand> commands) {}

  private record Line(KeyCommand command, Optional<Character> letter, HBox node) {}

  private final Navigation keys;
  private final List<List<Line>> columns = new ArrayList<>();
  private final HBox root = new HBox(24);
  private int column;
  private int row;

  private MainMenu(Navigation keys, List<Part> parts) {
    this.keys = keys;
    Map<KeyCommand, Optional<Character>> letters = letters(parts);
    for (Part part : parts) {
      VBox box = new VBox(2, Texts.part(part.title()));
      List<Line> lines = new ArrayList<>();
      for (KeyCommand command : part.commands()) {
        Line line = line(command, letters.get(command));
        lines.add(line);
        box.getChildren().add(line.node());
      }
      if (columns.isEmpty()) {
        box.setMinWidth(Region.USE_PREF_SIZE);
      } else {
        HBox.setHgrow(box, Priority.ALWAYS);
      }
      columns.add(lines);
      root.getChildren().add(box);
    }
    root.setFocusTraversable(true);
    root.setAccessibleRole(AccessibleRole.MENU);
    root.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    mark();
  }

  /** What is in every menu comes first, so that its letters are the same everywhere. */
  private static Map<KeyCommand, Optional<Character>> letters(List<Part> parts) {
    List<KeyCommand> steady =
        parts.stream()
            .filter(p -> !p.title().equals(HERE))
            .flatMap(p -> p.commands().stream())
            .toList();
    List<KeyCommand> all =
        Stream.concat(
                steady.stream(),
                parts.stream()
                    .filter(p -> p.title().equals(HERE))
                    .flatMap(p -> p.commands().stream()))
            .toList();
    List<Optional<Character>> letters =
        AccessLetters.of(all.stream().map(KeyCommand::title).toList());
    Map<KeyCommand, Optional<Character>> found = new HashMap<>();
    for (int i = 0; i < all.size(); i++) {
      found.put(all.get(i), letters.get(i));
    }
    return found;
  }

  /** Opens it; parts without a command are left out. */
  static void open(Navigation keys, List<Part> parts) {
    MainMenu menu =
        new MainMenu(keys, parts.stream().filter(p -> !p.commands().isEmpty()).toList());
    ScrollPane scroll = new ScrollPane(menu.root);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    VBox box = OverlayBox.steady(Texts.heading(worded("window.menu")), scroll);
    keys.open(
        box,
        menu.root,
        List.of(
            KeyCommand.of(OwnKey.MENU_RUN, menu::run),
            KeyCommand.quiet(OwnKey.MENU_OPEN, worded("window.close"), keys::close)));
  }

  private Line line(KeyCommand command, Optional<Character> letter) {
    Label access =
        Texts.styled(
            letter.map(c -> String.valueOf(c).toUpperCase(Locale.ROOT)).orElse(""), "badge");
    access.setVisible(letter.isPresent());
    access.setMinWidth(Region.USE_PREF_SIZE);
    Label title = Texts.styled(command.title(), "row-title");
    title.setMinWidth(0);
    Region room = new Region();
    HBox.setHgrow(room, Priority.ALWAYS);
    HBox caps = new HBox();
    command.gestures().stream()
        .limit(1)
        .forEach(g -> caps.getChildren().add(new GestureView(g, Map.of())));
    caps.getStyleClass().add("menu-caps");
    caps.setMinWidth(Region.USE_PREF_SIZE);
    HBox node = new HBox(8, access, title, room, caps);
    node.setAlignment(Pos.CENTER_LEFT);
    node.getStyleClass().add("menu-row");
    node.setOnMouseClicked(_ -> run(command));
    return new Line(command, letter, node);
  }

  private void mark() {
    for (int c = 0; c < columns.size(); c++) {
      for (int r = 0; r < columns.get(c).size(); r++) {
        columns.get(c).get(r).node().pseudoClassStateChanged(CHOSEN, c == column && r == row);
      }
    }
    Line now = columns.get(column).get(row);
    root.setAccessibleText(
        now.command().title() + now.letter().map(l -> worded("window.letter", l)).orElse(""));
  }

  private void pressed(KeyEvent event) {
    switch (event.getCode()) {
      case DOWN -> go(column, row + 1);
      case UP -> go(column, row - 1);
      case RIGHT -> go(column + 1, row);
      case LEFT -> go(column - 1, row);
      case HOME -> go(column, 0);
      case END -> go(column, Integer.MAX_VALUE);
      default -> {
        if (!event.isControlDown() && !event.isMetaDown()) {
          letter(event);
        }
        return;
      }
    }
    event.consume();
  }

  /** With Alt or without. */
  private void letter(KeyEvent event) {
    String typed = event.getCode().getChar().toLowerCase(Locale.ROOT);
    columns.stream()
        .flatMap(List::stream)
        .filter(l -> l.letter().filter(c -> typed.equals(String.valueOf(c))).isPresent())
        .findFirst()
        .ifPresent(
            line -> {
              event.consume();
              run(line.command());
            });
  }

  private void go(int toColumn, int toRow) {
    column = Math.floorMod(toColumn, columns.size());
    row = Math.clamp(toRow, 0, columns.get(column).size() - 1);
    mark();
  }

  private void run() {
    run(columns.get(column).get(row).command());
  }

  private void run(KeyCommand command) {
    keys.close();
    command.run().run();
  }

  /** The parts of a place: where one can go, what works here, and what works anywhere. */
  static List<Part> parts(
      List<KeyCommand> places, List<KeyCommand> here, List<KeyCommand> anywhere) {
    return List.of(
        new Part(worded("window.places"), places),
        new Part(HERE, here),
        new Part(worded("window.anywhere-2"), anywhere));
  }
}
