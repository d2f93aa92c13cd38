package polydex.files.recorder;

import static polydex.files.language.FilesWords.worded;

import com.github.kwhat.jnativehook.GlobalScreen;
import com.github.kwhat.jnativehook.NativeHookException;
import com.github.kwhat.jnativehook.NativeInputEvent;
import com.github.kwhat.jnativehook.keyboard.NativeKeyEvent;
import com.github.kwhat.jnativehook.keyboard.NativeKeyListener;
import com.github.kwhat.jnativehook.mouse.NativeMouseEvent;
import com.github.kwhat.jnativehook.mouse.NativeMouseInputListener;
import com.github.kwhat.jnativehook.mouse.NativeMouseWheelEvent;
import com.github.kwhat.jnativehook.mouse.NativeMouseWheelListener;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.AbstractExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.logging.Level;
import java.util.logging.Logger;
import org.apache.commons.io.FileUtils;
import polydex.files.FileProblem;
import polydex.hands.EventClock;
import polydex.hands.HandEvent;
import polydex.keys.Key;

/**
 * Keyboard and pointer of the whole session, by the hook library. Events are handed on at once, on
 * the library's own thread, so that no queue of keys ever is; which characters they type is never
 * asked.
 */
final class InputHook implements AutoCloseable {
  private static final Object ONE = new Object();

  /** How many listen; the library has one hook for all of them. */
  private static int listening;

  private final EventClock clock = new EventClock();
  private final LongSupplier now;
  private final Consumer<HandEvent> to;
  private final Ears ears = new Ears();
  private volatile boolean open = true;

  private InputHook(LongSupplier now, Consumer<HandEvent> to) {
    this.now = now;
    this.to = to;
  }

  /**
   * Begins to listen.
   *
   * @param now milliseconds since 1970
   * @throws FileProblem that says why nothing can be heard
   */
  static InputHook listen(LongSupplier now, Consumer<HandEvent> to) throws FileProblem {
    synchronized (ONE) {
      InputHook hook = new InputHook(now, to);
      try {
        unpack();
        if (listening == 0) {
          GlobalScreen.setEventDispatcher(new AtOnce());
        }
        GlobalScreen.addNativeKeyListener(hook.ears);
        GlobalScreen.addNativeMouseListener(hook.ears);
        GlobalScreen.addNativeMouseMotionListener(hook.ears);
        GlobalScreen.addNativeMouseWheelListener(hook.ears);
        if (listening == 0) {
          GlobalScreen.registerNativeHook();
        }
      } catch (NativeHookException | UnsatisfiedLinkError | RuntimeException e) {
        hook.deafen();
        throw new FileProblem(worded("recorder.keyboard-and-mouse-cant-be-heard"), e);
      }
      listening++;
      return hook;
    }
  }

  /** The library's native part, in a folder that nobody else can write in. */
  private static void unpack() throws FileProblem {
    if (System.getProperty("jnativehook.lib.path") != null) {
      return;
    }
    try {
      Path folder = Files.createTempDirectory("polydex-hook");
      Runtime.getRuntime()
          .addShutdownHook(new Thread(() -> FileUtils.deleteQuietly(folder.toFile())));
      System.setProperty("jnativehook.lib.path", folder.toString());
      Logger.getLogger(GlobalScreen.class.getPackageName()).setLevel(Level.OFF);
    } catch (IOException e) {
      throw new FileProblem(worded("recorder.there-is-no-room-for-temporary"), e);
    }
  }

  private void deafen() {
    GlobalScreen.removeNativeKeyListener(ears);
    GlobalScreen.removeNativeMouseListener(ears);
    GlobalScreen.removeNativeMouseMotionListener(ears);
    GlobalScreen.removeNativeMouseWheelListener(ears);
  }

  /** Ends; when this returns nothing more is handed on. */
  @Override
  public void close() {
    synchronized (ONE) {
      if (!open) {
        return;
      }
      open = false;
      deafen();
      listening--;
      if (listening == 0) {
        try {
          GlobalScreen.unregisterNativeHook();
        } catch (NativeHookException _) {
          // The display is gone, and the hook with it.
        }
      }
    }
  }

  private void heard(NativeInputEvent event, java.util.function.LongFunction<HandEvent> made) {
    synchronized (ears) {
      if (open) {
        to.accept(made.apply(clock.millis(event.getWhen(), now.getAsLong())));
      }
    }
  }

  /** What the library calls. */
  private final class Ears
      implements NativeKeyListener, NativeMouseInputListener, NativeMouseWheelListener {
    @Override
    public void nativeKeyPressed(NativeKeyEvent event) {
      Optional<Key> key = HookKeys.key(event.getKeyCode(), event.getKeyLocation());
      heard(
          event,
          millis ->
              new HandEvent.KeyDown(
                  millis, id(event), key, HookKeys.modifier(key, event.getRawCode())));
    }

    @Override
    public void nativeKeyReleased(NativeKeyEvent event) {
      heard(event, millis -> new HandEvent.KeyUp(millis, id(event)));
    }

    /** Keys of one place on the pad and beside it, left and right, are different keys. */
    private static int id(NativeKeyEvent event) {
      return event.getKeyCode() << 3 | event.getKeyLocation();
    }

    @Override
    public void nativeMousePressed(NativeMouseEvent event) {
      heard(
          event,
          millis ->
              new HandEvent.ButtonDown(
                  millis, button(event.getButton()), event.getX(), event.getY()));
    }

    @Override
    public void nativeMouseReleased(NativeMouseEvent event) {
      heard(
          event,
          millis ->
              new HandEvent.ButtonUp(
                  millis, button(event.getButton()), event.getX(), event.getY()));
    }

    /** The library counts the right one as the second, and those beyond the wheel from four on. */
    private static int button(int hooks) {
      return switch (hooks) {
        case NativeMouseEvent.BUTTON2 -> 3;
        case NativeMouseEvent.BUTTON3 -> 2;
        default -> hooks > NativeMouseEvent.BUTTON3 ? hooks + 4 : hooks;
      };
    }

    @Override
    public void nativeMouseMoved(NativeMouseEvent event) {
      heard(event, millis -> new HandEvent.Moved(millis, event.getX(), event.getY()));
    }

    @Override
    public void nativeMouseDragged(NativeMouseEvent event) {
      nativeMouseMoved(event);
    }

    @Override
    public void nativeMouseWheelMoved(NativeMouseWheelEvent event) {
      heard(event, millis -> new HandEvent.Wheel(millis, event.getX(), event.getY()));
    }
  }

  /** Runs what it gets on the thread that brings it. */
  private static final class AtOnce extends AbstractExecutorService {
    private volatile boolean ended;

    @Override
    public void execute(Runnable task) {
      task.run();
    }

    @Override
    public void shutdown() {
      ended = true;
    }

    @Override
    public List<Runnable> shutdownNow() {
      ended = true;
      return List.of();
    }

    @Override
    public boolean isShutdown() {
      return ended;
    }

    @Override
    public boolean isTerminated() {
      return ended;
    }

    @Override
    public boolean awaitTermination(long timeout, TimeUnit unit) {
      return true;
    }
  }
}
