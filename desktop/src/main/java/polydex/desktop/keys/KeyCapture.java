package polydex.desktop.keys;

import java.util.Optional;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.util.Duration;
import polydex.boards.Layout;
import polydex.boards.PressRecorder;
import polydex.boards.Presses.Made;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.PointerAct;

/**
 * While it is on, every key belongs to what is being recorded, Tab, Enter and Esc included. What is
 * not an answer is said by holding a key for {@link #HOLD_TO_LEAVE}: Esc to leave, and Space for a
 * hint where there is one. A short press of such a key counts when it is let go, or when another
 * follows.
 */
public final class KeyCapture {
  /** How long Esc is held to leave. */
  public static final Duration HOLD_TO_LEAVE = Duration.millis(800);

  /** What takes the presses. */
  public interface Listener {
    /**
     * A press.
     *
     * @param nanos when it came, by {@link System#nanoTime}
     */
    void pressed(Made press, long nanos);

    /** What is held now has changed. */
    void holding(Modifiers held);

    /** The user wants to leave. */
    void leave();

    /** The user wants help; whether there is any, or Space is a key like the others. */
    default boolean hint(boolean ask) {
      return false;
    }
  }

  /** A key that is down and may become a long one. */
  private record Waiting(Key key, long since) {}

  private final Supplier<Layout> layout;
  private final PressRecorder recorder = new PressRecorder();
  private final PauseTransition held = new PauseTransition(HOLD_TO_LEAVE);
  private Optional<Listener> listener = Optional.empty();
  private boolean spelled;
  private Optional<Key> spent = Optional.empty();
  private Modifiers latched = Modifiers.NONE;
  private Optional<Waiting> waiting = Optional.empty();

  /**
   * Off at first.
   *
   * @param layout the layout under the fingers
   */
  public KeyCapture(Supplier<Layout> layout) {
    this.layout = layout;
    held.setOnFinished(_ -> heldLong());
  }

  private void heldLong() {
    Optional<Key> key = waiting.map(Waiting::key);
    waiting = Optional.empty();
    spent = key;
    recorder.reset();
    listener.ifPresent(
        l -> {
          if (key.equals(Optional.of(Key.Escape))) {
            l.leave();
          } else {
            l.hint(true);
          }
        });
  }

  /**
   * Turns it on.
   *
   * @param spelledOut whether modifiers latch, so that the keys of a gesture can be given one after
   *     another
   */
  public void start(Listener to, boolean spelledOut) {
    recorder.reset();
    latched = Modifiers.NONE;
    spelled = spelledOut;
    listener = Optional.of(to);
  }

  /** Turns it off. */
  public void stop() {
    listener = Optional.empty();
    reset();
  }

  /** Forgets what is down, as when the window loses the focus. */
  public void reset() {
    recorder.reset();
    held.stop();
    waiting = Optional.empty();
  }

  /** A pointer step, made with whatever modifiers are down. */
  public void pointed(PointerAct act) {
    long nanos = System.nanoTime();
    if (listener.isPresent()) {
      flush();
      pressed(recorder.pointed(act), nanos);
    }
  }

  /** Takes an event if it is on; whether it did. */
  public boolean handle(KeyEvent event) {
    if (isRestOfLong(event)) {
      return true;
    }
    if (listener.isEmpty()) {
      return false;
    }
    long nanos = System.nanoTime();
    event.consume();
    if (event.getEventType() == KeyEvent.KEY_PRESSED) {
      down(event.getCode(), nanos);
    } else if (event.getEventType() == KeyEvent.KEY_RELEASED) {
      up(event.getCode(), nanos);
    }
    return true;
  }

  /** A key that was held long still repeats, and goes up at last: nobody else may see it. */
  private boolean isRestOfLong(KeyEvent event) {
    boolean rest = spent.isPresent() && FxKeys.key(event.getCode(), layout.get()).equals(spent);
    if (rest) {
      event.consume();
      if (event.getEventType() == KeyEvent.KEY_RELEASED) {
        spent = Optional.empty();
      }
    }
    return rest;
  }

  private boolean mayBeLong(Key key) {
    return recorder.held().isEmpty()
        && latched.isEmpty()
        && (key == Key.Escape
            || (key == Key.Space && listener.filter(l -> l.hint(false)).isPresent()));
  }

  private void down(KeyCode code, long nanos) {
    Optional<Modifier> modifier = FxKeys.modifier(code);
    if (modifier.isPresent()) {
      flush();
      recorder.down(modifier.get());
      if (spelled) {
        latched = latched.and(modifier.get());
      }
      hold();
      return;
    }
    FxKeys.key(code, layout.get()).ifPresent(key -> down(key, nanos));
  }

  private void down(Key key, long nanos) {
    if (waiting.filter(w -> w.key() == key).isPresent()) {
      return; // it repeats
    }
    flush();
    if (mayBeLong(key)) {
      waiting = Optional.of(new Waiting(key, nanos));
      held.playFromStart();
    } else {
      recorder.down(key).ifPresent(made -> pressed(made, nanos));
    }
  }

  /** What may have become a long press was a short one. */
  private void flush() {
    held.stop();
    Optional<Waiting> was = waiting;
    waiting = Optional.empty();
    was.ifPresent(
        w -> {
          recorder.down(w.key()).ifPresent(made -> pressed(made, w.since()));
          recorder.up(w.key());
        });
  }

  private void up(KeyCode code, long nanos) {
    Optional<Modifier> modifier = FxKeys.modifier(code);
    if (modifier.isPresent()) {
      Optional<Made> tap = recorder.up(modifier.get());
      hold();
      if (!spelled) {
        tap.ifPresent(made -> pressed(made, nanos));
      }
      return;
    }
    FxKeys.key(code, layout.get())
        .ifPresent(
            key -> {
              if (waiting.filter(w -> w.key() == key).isPresent()) {
                flush();
              } else {
                recorder.up(key);
              }
            });
  }

  private void hold() {
    Modifiers held = spelled ? latched : recorder.held();
    listener.ifPresent(l -> l.holding(held));
  }

  private void pressed(Made made, long nanos) {
    Made press = made;
    if (spelled && made.what() instanceof Physical.Press p) {
      press =
          new Made(
              new Physical.Press(Held.of(latched), p.key()), made.kept().common(Held.of(latched)));
      latched = Modifiers.NONE;
      hold();
    }
    Made finished = press;
    listener.ifPresent(l -> l.pressed(finished, nanos));
  }
}
