package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.stage.Stage;
import javafx.stage.Window;
import javafx.util.Duration;
import polydex.boards.Presses.Made;
import polydex.catalog.ActionId;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.state.Beside;
import polydex.files.computer.Surroundings;
import polydex.files.recorder.KeysForReal;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.recall.ForReal;
import polydex.recall.Material;
import polydex.recall.Prompt;

/**
 * Asks for keys that the desktop takes for itself, for real: they are heard wherever they go while
 * such a question waits for its answer, and the window is taken back to the front afterwards. Only
 * where the person wants it, and for nothing that could do harm. What can't be asked so is spelled.
 */
final class ForRealKeys implements AutoCloseable {
  private static final String SETTING = "drill.for-real";

  /** So long after the last key the desktop has done what it does. */
  private static final Duration DONE = Duration.millis(250);

  /** What took the focus away may be told of a little later than that it did. */
  private static final long SAME_NANOS = 100_000_000;

  /** A desktop may be slow, or refuse at first. */
  private static final int MOST_TIMES = 8;

  private final Desk desk;
  private final Supplier<Window> window;
  private final Beside beside = new Beside("keys for real");
  private final PauseTransition back = new PauseTransition(DONE);
  private Optional<KeysForReal> keys = Optional.empty();
  private Optional<KeyCapture.Listener> listener = Optional.empty();
  private Modifiers held = Modifiers.NONE;

  /** What is done once keys are heard, or it is known that they can't be. */
  private Runnable waiting = () -> {};

  /** Something was asked for real, so the window may have lost its place to another. */
  private boolean mayBeAway;

  private boolean wantsBack;
  private boolean ending;

  /** The window that asks, and when it lost the focus, by {@link System#nanoTime}. */
  private Optional<Window> front = Optional.empty();

  private long lostAt;

  /** When what is held now began to be held; on the hook's thread. */
  private long heldSince;

  private int times;

  /**
   * Closed.
   *
   * @param window the one to be taken back
   */
  ForRealKeys(Desk desk, Supplier<Window> window) {
    this.desk = desk;
    this.window = window;
    back.setOnFinished(_ -> takeBack());
  }

  /** Whether the person wants it. */
  static boolean isWanted(Desk desk) {
    return desk.session().setting(SETTING).filter("yes"::equals).isPresent();
  }

  /** Wants it from now on, or no more. */
  static void want(Desk desk, boolean wanted) {
    desk.session().setting(SETTING, wanted ? "yes" : "no");
  }

  /**
   * Makes ready, if it is wanted.
   *
   * @param then is done when it is, or can't be
   */
  void open(Runnable then) {
    ending = false;
    if (!isWanted(desk) || keys.isPresent()) {
      then.run();
      return;
    }
    waiting = then;
    if (beside.busy().get()) {
      return;
    }
    beside.ask(
        _ -> KeysForReal.listen(Surroundings.here(), new Heard()),
        made -> {
          keys = Optional.of(made);
          if (ending) {
            close();
          } else {
            waiting.run();
          }
        },
        why -> {
          desk.session().problem(worded("drill.keys-of-the-desktop-are-spelled", why));
          waiting.run();
        });
  }

  /**
   * Whether a question is asked for real: neither what it asks for nor what this computer does with
   * the same keys may do any harm.
   */
  boolean asks(Prompt prompt, Material material) {
    return prompt.spelled()
        && keys.isPresent()
        && Stream.concat(Stream.of(prompt.item().action()), material.done(prompt).stream())
            .allMatch(this::may);
  }

  private boolean may(ActionId action) {
    return desk.session()
        .workspace()
        .get()
        .catalog()
        .action(action)
        .filter(ForReal::may)
        .isPresent();
  }

  /** What is pressed from now on goes to a listener. */
  void hear(KeyCapture.Listener to) {
    if (front.isEmpty()) {
      front = Optional.of(window.get());
      window.get().focusedProperty().subscribe(this::focused);
    }
    listener = Optional.of(to);
    mayBeAway = true;
  }

  private void focused(boolean now) {
    if (!now) {
      lostAt = System.nanoTime();
    }
  }

  /**
   * Whether keys are an answer: they began while the window had the focus, and may have taken it
   * away. What somebody types elsewhere meanwhile is none.
   *
   * @param began by {@link System#nanoTime}
   */
  private boolean isAnswer(long began) {
    return front.filter(Window::isFocused).isPresent() || began - lostAt < SAME_NANOS;
  }

  /** It was answered: the window comes back as soon as all keys are let go. */
  void release() {
    listener = Optional.empty();
    wantsBack = mayBeAway;
    if (held.isEmpty()) {
      soonBack();
    }
  }

  /** Hears nothing any more, once the window is back. */
  void end() {
    ending = true;
    release();
    if (!mayBeAway) {
      close();
    }
  }

  private void soonBack() {
    if (wantsBack) {
      wantsBack = false;
      times = 0;
      back.playFromStart();
    }
  }

  private void takeBack() {
    if (keys.isEmpty()) {
      return;
    }
    boolean isBack = front.filter(Window::isFocused).isPresent() && keys.get().isInFront();
    if (!isBack) {
      front
          .filter(Stage.class::isInstance)
          .map(Stage.class::cast)
          .filter(Stage::isIconified)
          .ifPresent(s -> s.setIconified(false));
      keys.get().takeBack();
    }
    // It is looked once more when it is back: what a desktop does may begin after a while.
    times++;
    if (times < (isBack ? 2 : MOST_TIMES)) {
      back.playFromStart();
    } else if (listener.isEmpty()) {
      if (!isBack) {
        desk.session().problem(worded("drill.the-window-could-not-be-brought"));
      }
      mayBeAway = false;
      if (ending) {
        close();
      }
    }
  }

  @Override
  public void close() {
    listener = Optional.empty();
    back.stop();
    keys.ifPresent(KeysForReal::close);
    keys = Optional.empty();
    held = Modifiers.NONE;
    mayBeAway = false;
    wantsBack = false;
  }

  /** On the hook's thread. */
  private final class Heard implements KeysForReal.Hearer {
    private boolean isHeld;

    @Override
    public void pressed(Made press, long nanos) {
      long began = press.what().held().modifiers().isEmpty() ? nanos : heldSince;
      // Held long, these two ask for something else than an answer, as in any drill.
      boolean plain =
          press.what() instanceof Physical.Press(Held with, Key key)
              && with.equals(Held.NOTHING)
              && (key == Key.Escape || key == Key.Space);
      if (!plain) {
        Platform.runLater(
            () -> listener.filter(_ -> isAnswer(began)).ifPresent(l -> l.pressed(press, nanos)));
      }
    }

    @Override
    public void holding(Modifiers now) {
      if (!now.isEmpty() && !isHeld) {
        heldSince = System.nanoTime();
      }
      isHeld = !now.isEmpty();
      Platform.runLater(
          () -> {
            held = now;
            listener.ifPresent(l -> l.holding(now));
            if (now.isEmpty()) {
              soonBack();
            }
          });
    }
  }
}
