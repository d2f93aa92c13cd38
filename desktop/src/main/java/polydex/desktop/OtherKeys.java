package polydex.desktop;

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
            "Keys",
            OtherKeys::row,
            r -> r.gesture().map(Gesture::toString).orElse(r.words()),
            Texts.quiet("No key is free wherever this command works. Type or press one."));
    list.getStyleClass().add("nine-rows");
    field.setPromptText("A key of your own, such as Ctrl+Alt+K");
    field.setAccessibleText("A key of your own");
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
    HBox now = new HBox(12, Texts.quiet("Now:"));
    List<Gesture> has = desk.session().ownKeys().now().getValue().get(key);
    has.forEach(g -> now.getChildren().add(new GestureView(g, Map.of())));
    if (has.isEmpty()) {
      now.getChildren().setAll(Texts.quiet("It has no keys now; the menu has it."));
    }
    VBox box =
        OverlayBox.wide(
            Texts.heading("Other keys for \u201c%s\u201d".formatted(key.title())),
            now,
            state,
            list,
            field);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.GESTURE_TAKE, "Take it", this::take),
                KeyCommand.of(OwnKey.GESTURE_TYPE, "Type one", field::requestFocus),
                KeyCommand.of(OwnKey.GESTURE_PRESS, "Press one", this::press),
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
    state.setText("Keys that nothing has, wherever it works:");
    Lists.waiting(list, "Looking for keys that are free \u2026 Esc stops.");
    Workspace workspace = desk.session().workspace().get();
    if (workspace.setup().isEmpty()) {
      state.setText("");
      Lists.failed(
          list,
          "Which keys are free hangs on your desktop, and there is no setup yet. Type or press one.");
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
    state.setText("Press the keys. What your desktop takes for itself has to be typed.");
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
    state.setText("Trying %s wherever it works \u2026 Esc stops.".formatted(gesture));
    Lists.waiting(list, "What stands against it comes when all was tried.");
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
      state.setText("A command of this window has single strokes, such as Ctrl+Alt+K or F11.");
      return Optional.empty();
    }
    if (Presses.physical(gesture, Opening.ownKeys()).isEmpty()) {
      state.setText("%s does not come to a window on every keyboard.".formatted(gesture));
      return Optional.empty();
    }
    if (gesture.equals(Gesture.parse("Esc")) || gesture.equals(Gesture.parse("Enter"))) {
      state.setText("%s is how to go on or to leave, everywhere.".formatted(gesture));
      return Optional.empty();
    }
    return Optional.of(gesture);
  }

  private void show(Gesture gesture, List<Trouble> against) {
    judged = Optional.of(gesture);
    state.setText(
        against.isEmpty()
            ? "Nothing has %s where this command works. {GESTURE_TAKE} takes it."
            : "What has %s now. {GESTURE_TAKE} takes it all the same.");
    state.setText(desk.named(state.getText().formatted(gesture)));
    Lists.found(
        list,
        against.isEmpty()
            ? List.of(new Row(Optional.of(gesture), "free"))
            : against.stream()
                .map(t -> new Row(Optional.empty(), sentence(t)))
                .distinct()
                .toList());
    list.getSelectionModel().selectFirst();
    list.requestFocus();
  }

  private void showUntried(Gesture gesture) {
    judged = Optional.of(gesture);
    state.setText(
        desk.named("%s was not tried. {GESTURE_TAKE} takes it all the same.".formatted(gesture)));
    Lists.failed(list, "There is no setup in use that it could be tried in.");
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
