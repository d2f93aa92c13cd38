package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.boards.Presses;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.PressedStroke;
import polydex.desktop.keys.KeyCommand;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.own.OwnKey;
import polydex.own.OwnTroubles;
import polydex.own.OwnTroubles.Trouble;
import polydex.workspace.Workspace;

/**
 * Other keys for a command of the program: one of those that nothing has where it works, best
 * first, or one that is pressed or typed. What stands against a key is found by tracing it, and
 * said before it is taken.
 */
final class OtherKeys {
  private static final int OFFERED = 9;
  private static final String LOOK = "other keys";

  private final Desk desk;
  private final OwnKey key;
  private final TextField field = new TextField();
  private final Label state = Texts.quiet("");
  private final ListView<Row> list;
  private Optional<Gesture> judged = Optional.empty();

  /** A key that is free, or a sentence about one that was asked about. */
  private record Row(Optional<Gesture> gesture, String words) {}

  OtherKeys(Desk desk, OwnKey key) {
    this.desk = desk;
    this.key = key;
    list =
        Lists.of(
            worded("any.keys"),
            OtherKeys::row,
            r -> r.gesture().map(Gesture::toString).orElse(r.words()),
            Texts.quiet(worded("window.no-key-is-free-wherever-this")));
    list.getStyleClass().add("nine-rows");
    field.setPromptText(worded("window.a-key-of-your-own-such"));
    field.setAccessibleText(worded("window.a-key-of-your-own"));
    field.setOnAction(
        e -> {
          e.consume();
          judge();
        });
    list.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER) {
            e.consume();
            take();
          }
        });
  }

  void open() {
    HBox now = new HBox(12, Texts.quiet(worded("window.now")));
    List<Gesture> has = desk.session().ownKeys().now().getValue().get(key);
    has.forEach(g -> now.getChildren().add(new GestureView(g, Map.of())));
    if (has.isEmpty()) {
      now.getChildren().setAll(Texts.quiet(worded("window.it-has-no-keys-now-the")));
    }
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("window.other-keys-for", key.title())), now, state, list, field);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.GESTURE_TAKE, worded("any.take-it"), this::take),
                KeyCommand.of(OwnKey.GESTURE_TYPE, worded("any.type-one"), field::requestFocus),
                KeyCommand.of(OwnKey.GESTURE_PRESS, worded("any.press-one"), this::press),
                KeyCommand.of(OwnKey.GESTURE_NONE, () -> AllKeys.give(desk, key, List.of()))));
    desk.analyst().stopLookingWithout(box, LOOK);
    propose();
  }

  /** What the machine under the hands does with keys while this program is in focus. */
  private static Optional<OwnTroubles> troubles(Workspace workspace) {
    return workspace.setup().flatMap(s -> OwnTroubles.in(s, workspace.world()));
  }

  private void propose() {
    judged = Optional.empty();
    state.setText(worded("window.keys-that-nothing-has-wherever-it"));
    Lists.waiting(list, worded("window.looking-for-keys-that-are-free"));
    Workspace workspace = desk.session().workspace().get();
    if (workspace.setup().isEmpty()) {
      state.setText("");
      Lists.failed(list, worded("window.which-keys-are-free-hangs-on"));
      return;
    }
    desk.analyst()
        .look(
            LOOK,
            course ->
                troubles(workspace)
                    .map(t -> t.free(key, OFFERED, () -> !course.isWanted()))
                    .orElse(List.of()),
            free -> {
              Lists.found(list, free.stream().map(g -> new Row(Optional.of(g), "")).toList());
              list.getSelectionModel().selectFirst();
            },
            this::failed);
  }

  private void press() {
    state.setText(worded("any.press-the-keys-what-your-desktop"));
    PressedStroke.hear(
        desk,
        gesture -> {
          list.requestFocus();
          field.setText(gesture.toString());
          judge();
        },
        () -> {
          list.requestFocus();
          propose();
        });
  }

  private void failed(String why) {
    state.setText("");
    Lists.failed(list, why);
  }

  private void judge() {
    // What was asked about before is not taken for what stands in the field now.
    judged = Optional.empty();
    Lists.found(list, List.of());
    Optional<Gesture> read = read();
    if (read.isEmpty()) {
      return;
    }
    Gesture gesture = read.get();
    state.setText(worded("window.trying-wherever-it-works-esc-stops", gesture));
    Lists.waiting(list, worded("window.what-stands-against-it-comes-when"));
    Workspace workspace = desk.session().workspace().get();
    desk.analyst()
        .look(
            LOOK,
            _ -> troubles(workspace).map(t -> t.against(key, gesture)),
            against ->
                against.ifPresentOrElse(found -> show(gesture, found), () -> showUntried(gesture)),
            this::failed);
  }

  private Optional<Gesture> read() {
    Gesture gesture;
    try {
      gesture = Gesture.parse(field.getText().strip());
    } catch (GestureSyntaxException e) {
      state.setText(e.getMessage());
      return Optional.empty();
    }
    if (!gesture.isStroke() || gesture.isFamily() || gesture.usesPointer()) {
      state.setText(worded("window.a-command-of-this-window-has"));
      return Optional.empty();
    }
    if (Presses.physical(gesture, Opening.ownKeys()).isEmpty()) {
      state.setText(worded("window.does-not-come-to-a-window", gesture));
      return Optional.empty();
    }
    if (gesture.equals(Gesture.parse("Esc")) || gesture.equals(Gesture.parse("Enter"))) {
      state.setText(worded("window.is-how-to-go-on-or", gesture));
      return Optional.empty();
    }
    return Optional.of(gesture);
  }

  private void show(Gesture gesture, List<Trouble> against) {
    judged = Optional.of(gesture);
    state.setText(
        against.isEmpty()
            ? worded("window.nothing-has-where-this-command-works")
            : worded("window.what-has-now-gesture-take-takes"));
    state.setText(desk.named(state.getText().formatted(gesture)));
    Lists.found(
        list,
        against.isEmpty()
            ? List.of(new Row(Optional.of(gesture), worded("any.free")))
            : against.stream()
                .map(t -> new Row(Optional.empty(), sentence(t)))
                .distinct()
                .toList());
    list.getSelectionModel().selectFirst();
    list.requestFocus();
  }

  private void showUntried(Gesture gesture) {
    judged = Optional.of(gesture);
    state.setText(desk.named(worded("window.was-not-tried-gesture-take-takes", gesture)));
    Lists.failed(list, worded("window.there-is-no-setup-in-use"));
  }

  private String sentence(Trouble t) {
    return "%s: %s".formatted(t.where().title(), TakenKeys.said(desk, t));
  }

  private void take() {
    Optional.ofNullable(list.getSelectionModel().getSelectedItem())
        .flatMap(Row::gesture)
        .or(() -> judged)
        .ifPresent(g -> AllKeys.give(desk, key, List.of(g)));
  }

  private static void row(HBox box, Row row) {
    row.gesture()
        .ifPresent(g -> box.getChildren().add(Lists.column(new GestureView(g, Map.of()), 18)));
    box.getChildren().add(Lists.growing(Texts.styled(row.words(), "quiet")));
  }
}
