package polydex.desktop.keys;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/**
 * The keys that work here and now: what is nearest to the focus first, then what works anywhere.
 */
public final class KeyTable {
  private final Supplier<Layout> layout;
  private final OwnKeys keys;
  private final ReadOnlyObjectWrapper<List<KeyCommand>> active =
      new ReadOnlyObjectWrapper<>(List.of());
  private Optional<TextInputControl> typedInto = Optional.empty();
  private List<KeyCommand> near = List.of();
  private List<KeyCommand> anywhere = List.of();
  private Optional<List<KeyCommand>> over = Optional.empty();

  /**
   * An empty table.
   *
   * @param layout the layout under the fingers
   * @param keys which keys the commands have
   */
  public KeyTable(Supplier<Layout> layout, OwnKeys keys) {
    this.layout = layout;
    this.keys = keys;
    keys.now().addListener((_, _, _) -> publish());
  }

  /** The commands that work now, in the order in which they are shown. */
  public ReadOnlyObjectProperty<List<KeyCommand>> active() {
    return active.getReadOnlyProperty();
  }

  /** What works where one is, in what lies over the place if something does. */
  public List<KeyCommand> here() {
    return keys.by(over.orElse(near));
  }

  /** What works wherever one is. */
  public void anywhere(List<KeyCommand> commands) {
    anywhere = List.copyOf(commands);
    publish();
  }

  /** What works in the place that is shown, as it stands now. */
  public void near(List<KeyCommand> commands) {
    near = List.copyOf(commands);
    publish();
  }

  /** What works while something lies over the place, in its stead; nothing: the place again. */
  public void over(Optional<List<KeyCommand>> commands) {
    over = commands;
    publish();
  }

  private void publish() {
    List<KeyCommand> all = new ArrayList<>(near);
    all.addAll(anywhere);
    active.set(keys.by(over.orElse(all)));
  }

  /** Remembers into which field was typed last: undo is that field's own until something else. */
  public void watch(KeyEvent event) {
    if (event.getEventType() == KeyEvent.KEY_TYPED
        && event.getTarget() instanceof TextInputControl field
        && !event.getCharacter().isEmpty()
        && !Character.isISOControl(event.getCharacter().charAt(0))) {
      typedInto = Optional.of(field);
    }
  }

  /** Runs the command of a key that goes down, and consumes the event, if there is one. */
  public void handle(KeyEvent event) {
    Optional<Physical> press = press(event);
    if (press.isEmpty()
        || (event.getTarget() instanceof TextInputControl field
            && isForField(field, press.get()))) {
      return;
    }
    for (KeyCommand command : active.get()) {
      if (command.gestures().stream().anyMatch(g -> is(g, press.get()))) {
        event.consume();
        typedInto = Optional.empty();
        command.run().run();
        return;
      }
    }
  }

  /** Keys that edit text belong to the field in which it stands. */
  private boolean isForField(TextInputControl field, Physical press) {
    Modifiers held = press.held().modifiers();
    boolean undo =
        press.pressedKey().filter(k -> k == Key.KeyZ).isPresent()
            && held.equals(Modifiers.of(Modifier.CTRL));
    boolean typing =
        !held.has(Modifier.CTRL) && !held.has(Modifier.ALT) && !held.has(Modifier.META);
    boolean function =
        press.pressedKey().filter(k -> k.name().matches("F\\d+|Escape|Enter")).isPresent();
    return (undo && field.isUndoable() && typedInto.filter(f -> f == field).isPresent())
        || (typing && !function);
  }

  private boolean is(Gesture gesture, Physical press) {
    return Presses.physical(gesture, layout.get())
        .filter(p -> p.size() == 1 && p.getFirst().equals(press))
        .isPresent();
  }

  private Optional<Physical> press(KeyEvent event) {
    Modifiers held =
        (event.isControlDown() ? Modifiers.of(Modifier.CTRL) : Modifiers.NONE)
            .and(event.isShiftDown() ? Modifiers.of(Modifier.SHIFT) : Modifiers.NONE)
            .and(event.isAltDown() ? Modifiers.of(Modifier.ALT) : Modifiers.NONE)
            .and(event.isMetaDown() ? Modifiers.of(Modifier.META) : Modifiers.NONE);
    return FxKeys.key(event.getCode(), layout.get())
        .map(key -> Physical.Press.of(key, held.list().toArray(new Modifier[0])));
  }
}
