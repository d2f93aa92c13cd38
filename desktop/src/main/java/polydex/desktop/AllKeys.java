package polydex.desktop;

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
    list = Lists.of("Keys", AllKeys::row, Line::words, Texts.quiet("No key has these words."));
    list.setFocusTraversable(false);
    list.getStyleClass().add("here-rows");
    words.setPromptText("Type some words, or a key: undo, F5");
    words.setAccessibleText("Keys that work here");
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
    VBox box = OverlayBox.steady(Texts.heading("All keys"), opened.list, opened.words);
    desk.keys()
        .open(
            box,
            opened.words,
            List.of(
                KeyCommand.of(OwnKey.ALL_KEYS_RUN, opened::run),
                KeyCommand.of(OwnKey.ALL_KEYS_OTHER, "Other keys", opened::otherKeys),
                KeyCommand.of(OwnKey.ALL_KEYS_RESET, "As it was", opened::reset),
                KeyCommand.of(OwnKey.ALL_KEYS_RESET_ALL, opened::resetAll),
                // The key that opened it closes it.
                KeyCommand.quiet(OwnKey.ALL_KEYS_OPEN, "Close", desk.keys()::close)));
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
      desk.session()
          .problem(
              "The keys of \u201c%s\u201d stay as they are: how to go on, how to leave and how to go to a place is the same in every file."
                  .formatted(chosen.command().title()));
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
      desk.session().say("\u201c%s\u201d has these keys already.".formatted(key.title()));
      return;
    }
    desk.keys().close();
    desk.session()
        .apply(
            new Change.Edit(
                gestures.isEmpty()
                    ? "Take the keys of \u201c%s\u201d away".formatted(key.title())
                    : "Give \u201c%s\u201d %s".formatted(key.title(), said(gestures)),
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
      desk.session().say("All keys are as they were.");
      return;
    }
    desk.keys().close();
    desk.session()
        .apply(
            new Change.Edit(
                changed == 1
                    ? "Give 1 command its usual keys"
                    : "Give %d commands their usual keys".formatted(changed),
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
            Lists.column(Texts.styled(line.here() ? "here" : "anywhere", "quiet"), 8),
            Lists.column(caps, 20));
  }
}
