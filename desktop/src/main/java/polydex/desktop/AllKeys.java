package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.keys.Gesture;
import polydex.own.OwnKey;
import polydex.own.OwnKeymap;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** Every key that works here, found by its words or its name, and run from there. */
final class AllKeys {
  private final Desk desk;
  private final List<Line> all;
  private final ListView<Line> list;
  private final TextField words = new TextField();

  private record Line(KeyCommand command, boolean here, Optional<String> taken) {
    String words() {
      return command.title()
          + " "
          + taken.map(t -> t + " ").orElse("")
          + String.join(" ", command.gestures().stream().map(Gesture::toString).toList());
    }
  }

  private AllKeys(
      Desk desk,
      List<KeyCommand> here,
      List<KeyCommand> anywhere,
      Function<KeyCommand, Optional<String>> taken) {
    this.desk = desk;
    all =
        Stream.concat(
                here.stream().map(c -> new Line(c, true, taken.apply(c))),
                anywhere.stream()
                    .filter(c -> !here.contains(c))
                    .map(c -> new Line(c, false, taken.apply(c))))
            .toList();
    list =
        Lists.of(
            worded("any.keys"),
            AllKeys::row,
            Line::words,
            Texts.quiet(worded("window.no-key-has-these-words")));
    list.setFocusTraversable(false);
    list.getStyleClass().add("here-rows");
    words.setPromptText(worded("window.type-some-words-or-a-key"));
    words.setAccessibleText(worded("window.keys-that-work-here"));
    words.textProperty().addListener((_, _, typed) -> find(typed));
    words.addEventFilter(KeyEvent.KEY_PRESSED, this::move);
    find("");
  }

  /**
   * Opens it.
   *
   * @param here what works where one is
   * @param anywhere what works as well
   * @param taken who takes the key of a command before the window sees it, if somebody does
   */
  static void open(
      Desk desk,
      List<KeyCommand> here,
      List<KeyCommand> anywhere,
      Function<KeyCommand, Optional<String>> taken) {
    AllKeys opened = new AllKeys(desk, here, anywhere, taken);
    VBox box =
        OverlayBox.steady(Texts.heading(worded("window.all-keys")), opened.list, opened.words);
    desk.keys()
        .open(
            box,
            opened.words,
            List.of(
                KeyCommand.of(OwnKey.ALL_KEYS_RUN, opened::run),
                KeyCommand.of(OwnKey.ALL_KEYS_OTHER, worded("any.other-keys"), opened::otherKeys),
                KeyCommand.of(OwnKey.ALL_KEYS_RESET, worded("window.as-it-was"), opened::reset),
                KeyCommand.of(OwnKey.ALL_KEYS_RESET_ALL, opened::resetAll),
                // The key that opened it closes it.
                KeyCommand.quiet(
                    OwnKey.ALL_KEYS_OPEN, worded("window.close"), desk.keys()::close)));
  }

  private void find(String typed) {
    List<String> wanted = List.of(typed.strip().toLowerCase(Locale.ROOT).split("\\s+"));
    List<Line> found =
        all.stream()
            .filter(
                l -> {
                  String said = l.words().toLowerCase(Locale.ROOT);
                  return wanted.stream().allMatch(said::contains);
                })
            .toList();
    Lists.found(list, found);
    list.getSelectionModel().selectFirst();
  }

  private void move(KeyEvent event) {
    int at = list.getSelectionModel().getSelectedIndex();
    int last = list.getItems().size() - 1;
    int to =
        switch (event.getCode()) {
          case KeyCode.DOWN -> at + 1;
          case KeyCode.UP -> at - 1;
          case KeyCode.PAGE_DOWN -> at + 8;
          case KeyCode.PAGE_UP -> at - 8;
          default -> -2;
        };
    if (to > -2 && last >= 0) {
      list.getSelectionModel().clearAndSelect(Math.clamp(to, 0, last));
      list.scrollTo(Math.max(0, list.getSelectionModel().getSelectedIndex() - 4));
      event.consume();
    }
  }

  private void run() {
    Line chosen = list.getSelectionModel().getSelectedItem();
    if (chosen != null) {
      desk.keys().close();
      chosen.command().run().run();
    }
  }

  /** The command of the chosen line, where its keys can be changed; it is said where not. */
  private Optional<OwnKey> changeable() {
    Line chosen = list.getSelectionModel().getSelectedItem();
    if (chosen == null) {
      return Optional.empty();
    }
    Optional<OwnKey> key = chosen.command().own().filter(k -> !k.isFixed());
    if (key.isEmpty()) {
      desk.session().problem(worded("window.the-keys-of-stay-as-they", chosen.command().title()));
    }
    return key;
  }

  private void otherKeys() {
    changeable()
        .ifPresent(
            key -> {
              desk.keys().close();
              new OtherKeys(desk, key).open();
            });
  }

  private void reset() {
    changeable().ifPresent(key -> give(desk, key, key.usual()));
  }

  /** Gives a command other keys; what lies open would show the old ones, and is closed. */
  static void give(Desk desk, OwnKey key, List<Gesture> gestures) {
    Workspace before = desk.session().workspace().get();
    if (desk.session().ownKeys().now().getValue().get(key).equals(gestures)) {
      desk.session().say(worded("window.has-these-keys-already", key.title()));
      return;
    }
    desk.keys().close();
    desk.session()
        .apply(
            new Change.Edit(
                gestures.isEmpty()
                    ? worded("window.take-the-keys-of-away", key.title())
                    : worded("window.give", key.title(), said(gestures)),
                before,
                before.with(OwnKeymap.with(before.catalog(), key, gestures))));
  }

  private static String said(List<Gesture> gestures) {
    return gestures.stream().map(Gesture::toString).collect(Collectors.joining(", "));
  }

  private void resetAll() {
    Workspace before = desk.session().workspace().get();
    int changed = OwnKeymap.changed(before.catalog()).size();
    if (changed == 0) {
      desk.session().say(worded("window.all-keys-are-as-they-were"));
      return;
    }
    desk.keys().close();
    desk.session()
        .apply(
            new Change.Edit(
                worded("window.give-commands-their-usual-keys", changed),
                before,
                before.with(OwnKeymap.reset(before.catalog()))));
  }

  private static void row(HBox box, Line line) {
    HBox caps = new HBox(12);
    line.command().gestures().forEach(g -> caps.getChildren().add(new GestureView(g, Map.of())));
    HBox title = new HBox(12, Texts.styled(line.command().title(), "row-title"));
    title.setAlignment(Pos.CENTER_LEFT);
    line.taken().ifPresent(t -> title.getChildren().add(Texts.styled(t, "quiet")));
    box.getChildren()
        .addAll(
            Lists.growing(title),
            Lists.column(
                Texts.styled(
                    line.here() ? worded("window.here") : worded("window.anywhere"), "quiet"),
                8),
            Lists.column(caps, 20));
  }
}
