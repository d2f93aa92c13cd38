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

/**
 * While it is on, every key belongs to what is being recorded, Tab, Enter and Esc included. The way
 * out is to hold Esc for {@link #HOLD_TO_LEAVE}: a short press of Esc counts when it is let go.
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
  }

  private final Supplier<Layout> layout;
  private final PressRecorder recorder = new PressRecorder();
  private final PauseTransition escHeld = new PauseTransition(HOLD_TO_LEAVE);
  private Optional<Listener> listener = Optional.empty();
  private boolean spelled;
  private boolean leaving;
  private Modifiers latched = Modifiers.NONE;
  private Optional<Long> escDown = Optional.empty();

  /**
   * Off at first.
   *
   * @param layout the layout under the fingers
   */
  public KeyCapture(Supplier<Layout> layout) {
    this.layout = layout;
    escHeld.setOnFinished(
        _ -> {
          escDown = Optional.empty();
          leaving = true;
          recorder.reset();
          listener.ifPresent(Listener::leave);
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
    escHeld.stop();
    escDown = Optional.empty();
    recorder.reset();
  }

  /** Forgets what is down, as when the window loses the focus. */
  public void reset() {
    recorder.reset();
    escHeld.stop();
    escDown = Optional.empty();
  }

  /** Takes an event if it is on; whether it did. */
  public boolean handle(KeyEvent event) {
    if (listener.isEmpty()) {
      return isRestOfLeaving(event);
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

  /** The Esc that was held to leave still repeats, and goes up at last: nobody else may see it. */
  private boolean isRestOfLeaving(KeyEvent event) {
    if (!leaving || event.getCode() != KeyCode.ESCAPE) {
      return false;
    }
    leaving = event.getEventType() != KeyEvent.KEY_RELEASED;
    event.consume();
    return true;
  }

  private void down(KeyCode code, long nanos) {
    Optional<Modifier> modifier = FxKeys.modifier(code);
    if (modifier.isPresent()) {
      recorder.down(modifier.get());
      if (spelled) {
        latched = latched.and(modifier.get());
      }
      hold();
    } else if (code == KeyCode.ESCAPE && recorder.held().isEmpty() && latched.isEmpty()) {
      if (escDown.isEmpty()) {
        escDown = Optional.of(nanos);
        escHeld.playFromStart();
      }
    } else {
      FxKeys.key(code, layout.get())
          .flatMap(recorder::down)
          .ifPresent(made -> pressed(made, nanos));
    }
  }

  private void up(KeyCode code, long nanos) {
    Optional<Modifier> modifier = FxKeys.modifier(code);
    if (modifier.isPresent()) {
      Optional<Made> tap = recorder.up(modifier.get());
      hold();
      if (!spelled) {
        tap.ifPresent(made -> pressed(made, nanos));
      }
    } else if (code == KeyCode.ESCAPE && escDown.isPresent()) {
      long since = escDown.get();
      escHeld.stop();
      escDown = Optional.empty();
      recorder.down(Key.Escape).ifPresent(made -> pressed(made, since));
      recorder.up(Key.Escape);
    } else {
      FxKeys.key(code, layout.get()).ifPresent(recorder::up);
    }
  }

  private void hold() {
    Modifiers held = spelled ? latched : recorder.held();
    listener.ifPresent(l -> l.holding(held));
  }

  private void pressed(Made made, long nanos) {
    Made press = made;
    if (spelled && made.what() instanceof Physical.Press p) {
      press = new Made(new Physical.Press(Held.of(latched), p.key()), made.stillHeld());
      latched = Modifiers.NONE;
      hold();
    }
    Made finished = press;
    listener.ifPresent(l -> l.pressed(finished, nanos));
  }
}
