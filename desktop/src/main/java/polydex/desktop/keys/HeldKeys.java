package polydex.desktop.keys;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import polydex.boards.Layout;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;

/**
 * The modifiers that are held for a keyboard that is drawn: by switches, and by the fingers while
 * the keyboard has the focus.
 */
public final class HeldKeys {
  private static final List<Modifier> ALL =
      List.of(Modifier.CTRL, Modifier.META, Modifier.ALT, Modifier.ALTGR, Modifier.SHIFT);

  private final Map<Modifier, ToggleButton> toggles = new EnumMap<>(Modifier.class);
  private final Runnable changed;
  private Modifiers physically = Modifiers.NONE;

  /**
   * Nothing held.
   *
   * @param changed is run whenever that is another
   */
  public HeldKeys(Runnable changed) {
    this.changed = changed;
    for (Modifier modifier : ALL) {
      ToggleButton toggle = new ToggleButton(modifier.written());
      toggle.setAccessibleText(worded("keys.held", modifier.written()));
      toggle.selectedProperty().addListener((_, _, _) -> changed.run());
      toggles.put(modifier, toggle);
    }
  }

  /** The switches, in the order in which they stand. */
  public List<ToggleButton> toggles() {
    return ALL.stream().map(toggles::get).toList();
  }

  /** Hears what the fingers hold while a node has the focus. */
  public void follow(Node node) {
    node.addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> FxKeys.modifier(e.getCode()).filter(m -> !physically.has(m)).ifPresent(this::press));
    node.addEventHandler(
        KeyEvent.KEY_RELEASED, e -> FxKeys.modifier(e.getCode()).ifPresent(this::release));
    node.focusedProperty()
        .addListener(
            (_, _, _) -> {
              physically = Modifiers.NONE;
              changed.run();
            });
  }

  private void press(Modifier modifier) {
    physically = physically.and(modifier);
    changed.run();
  }

  private void release(Modifier modifier) {
    physically = physically.without(modifier);
    changed.run();
  }

  /** What is held, in either way. */
  public Modifiers now() {
    return switched().and(physically);
  }

  /** Sets the switches. */
  public void hold(Modifiers wanted) {
    toggles.forEach((modifier, toggle) -> toggle.setSelected(wanted.has(modifier)));
  }

  /** What is held by the switches. */
  public Modifiers switched() {
    Modifiers held = Modifiers.NONE;
    for (Modifier modifier : ALL) {
      held = toggles.get(modifier).isSelected() ? held.and(modifier) : held;
    }
    return held;
  }

  /** The key that a plain press means on a layout; none for one that is a command or a modifier. */
  public static Optional<Key> plainKey(KeyEvent event, Layout layout) {
    boolean command =
        event.isConsumed()
            || event.isControlDown()
            || event.isAltDown()
            || event.isMetaDown()
            || event.getCode() == KeyCode.TAB
            || FxKeys.modifier(event.getCode()).isPresent();
    return command ? Optional.empty() : FxKeys.key(event.getCode(), layout);
  }
}
