package polydex.files.recorder;

import static polydex.files.language.FilesWords.worded;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import polydex.boards.PressRecorder;
import polydex.boards.Presses.Made;
import polydex.files.FileProblem;
import polydex.files.computer.Surroundings;
import polydex.hands.HandEvent;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;

/**
 * Hears the keys of the whole session while somebody is asked for some that the desktop takes for
 * itself, with the sides of modifiers, and takes our window back to the front afterwards. Nothing
 * is kept.
 */
public final class KeysForReal implements AutoCloseable {
  /** Who hears them, on the hook's thread. */
  public interface Hearer {
    /**
     * A press.
     *
     * @param nanos when it came, by {@link System#nanoTime}
     */
    void pressed(Made press, long nanos);

    /** What is held now has changed. */
    void holding(Modifiers held);
  }

  private final Hearer to;
  private final XWindows windows;
  private final Optional<XWindows.Window> own;
  private final PressRecorder presses = new PressRecorder();
  private final Map<Integer, HandEvent.KeyDown> down = new HashMap<>();
  private Optional<InputHook> hook = Optional.empty();

  private KeysForReal(Hearer to, XWindows windows) {
    this.to = to;
    this.windows = windows;
    // The one that asks, where the program has several.
    own =
        Optional.of(windows.active())
            .filter(w -> w.process() == ProcessHandle.current().pid())
            .or(windows::own);
  }

  /**
   * Begins to listen.
   *
   * @throws FileProblem that says why nothing can be heard here
   */
  public static KeysForReal listen(Surroundings here, Hearer to) throws FileProblem {
    XWindows windows = XWindows.connect(here.variable("DISPLAY").orElse(""));
    KeysForReal made = new KeysForReal(to, windows);
    if (windows.own().isEmpty()) {
      windows.close();
      throw new FileProblem(worded("recorder.nobody-manages-the-windows-here-so"));
    }
    try {
      made.hook = Optional.of(InputHook.listen(System::currentTimeMillis, made::heard));
      return made;
    } catch (FileProblem e) {
      windows.close();
      throw e;
    }
  }

  private void heard(HandEvent event) {
    long nanos = System.nanoTime();
    switch (event) {
      case HandEvent.KeyDown d when down.put(d.id(), d) == null -> down(d, nanos);
      case HandEvent.KeyUp u ->
          Optional.ofNullable(down.remove(u.id())).ifPresent(d -> up(d, nanos));
      default -> {
        // Keys that repeat, and the pointer.
      }
    }
  }

  private void down(HandEvent.KeyDown d, long nanos) {
    if (d.modifier().isPresent()) {
      presses.down(sided(d));
      to.holding(presses.held());
    } else {
      d.key().flatMap(presses::down).ifPresent(made -> to.pressed(made, nanos));
    }
  }

  private void up(HandEvent.KeyDown d, long nanos) {
    if (d.modifier().isPresent()) {
      presses.up(sided(d)).ifPresent(made -> to.pressed(made, nanos));
      to.holding(presses.held());
    } else {
      d.key().ifPresent(presses::up);
    }
  }

  private static Modifiers sided(HandEvent.KeyDown d) {
    Modifier modifier = d.modifier().orElseThrow();
    return Modifiers.of(modifier, d.key().map(KeysForReal::side).orElse(Modifiers.Side.EITHER));
  }

  private static Modifiers.Side side(Key key) {
    return switch (key) {
      case ControlLeft, ShiftLeft, AltLeft, MetaLeft -> Modifiers.Side.LEFT;
      case ControlRight, ShiftRight, AltRight, MetaRight -> Modifiers.Side.RIGHT;
      default -> Modifiers.Side.EITHER;
    };
  }

  /** Has our window brought to the front again. */
  public synchronized void takeBack() {
    own.ifPresent(windows::bringToFront);
  }

  /** Whether our window has the focus. */
  public synchronized boolean isInFront() {
    return windows.active().process() == ProcessHandle.current().pid();
  }

  @Override
  public synchronized void close() {
    hook.ifPresent(InputHook::close);
    windows.close();
  }
}
