package polydex.files.recorder;

import com.github.kwhat.jnativehook.keyboard.NativeKeyEvent;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import polydex.keys.Key;
import polydex.keys.Modifier;

/**
 * What the hook's keys are: by their places, which are those of the keyboard, and as modifiers by
 * the keysym that the layout gives them.
 */
final class HookKeys {
  private static final int RIGHT_SHIFT = 0xe36;

  private static final Map<Integer, Key> PLACES = new HashMap<>();
  private static final Map<Integer, Key> PAD = new HashMap<>();

  /** X11's {@code keysymdef.h}. */
  private static final Map<Integer, Modifier> KEYSYMS =
      Map.ofEntries(
          Map.entry(0xffe1, Modifier.SHIFT),
          Map.entry(0xffe2, Modifier.SHIFT),
          Map.entry(0xffe3, Modifier.CTRL),
          Map.entry(0xffe4, Modifier.CTRL),
          // With Shift held some layouts call Alt so.
          Map.entry(0xffe7, Modifier.ALT),
          Map.entry(0xffe8, Modifier.ALT),
          Map.entry(0xffe9, Modifier.ALT),
          Map.entry(0xffea, Modifier.ALT),
          Map.entry(0xffeb, Modifier.META),
          Map.entry(0xffec, Modifier.META),
          Map.entry(0xffed, Modifier.HYPER),
          Map.entry(0xffee, Modifier.HYPER),
          Map.entry(0xfe03, Modifier.ALTGR),
          Map.entry(0xfe11, Modifier.ALTGR));

  static {
    row(0x29, Key.Backquote);
    row(
        2,
        Key.Digit1,
        Key.Digit2,
        Key.Digit3,
        Key.Digit4,
        Key.Digit5,
        Key.Digit6,
        Key.Digit7,
        Key.Digit8,
        Key.Digit9,
        Key.Digit0,
        Key.Minus,
        Key.Equal,
        Key.Backspace,
        Key.Tab);
    row(
        0x10,
        Key.KeyQ,
        Key.KeyW,
        Key.KeyE,
        Key.KeyR,
        Key.KeyT,
        Key.KeyY,
        Key.KeyU,
        Key.KeyI,
        Key.KeyO,
        Key.KeyP,
        Key.BracketLeft,
        Key.BracketRight,
        Key.Enter);
    row(
        0x1e,
        Key.KeyA,
        Key.KeyS,
        Key.KeyD,
        Key.KeyF,
        Key.KeyG,
        Key.KeyH,
        Key.KeyJ,
        Key.KeyK,
        Key.KeyL,
        Key.Semicolon,
        Key.Quote);
    row(
        0x2b,
        Key.Backslash,
        Key.KeyZ,
        Key.KeyX,
        Key.KeyC,
        Key.KeyV,
        Key.KeyB,
        Key.KeyN,
        Key.KeyM,
        Key.Comma,
        Key.Period,
        Key.Slash);
    row(0x39, Key.Space, Key.CapsLock);
    row(
        0x3b,
        Key.F1,
        Key.F2,
        Key.F3,
        Key.F4,
        Key.F5,
        Key.F6,
        Key.F7,
        Key.F8,
        Key.F9,
        Key.F10,
        Key.NumLock,
        Key.ScrollLock);
    row(0x57, Key.F11, Key.F12);
    row(0x5b, Key.F13, Key.F14, Key.F15);
    row(0x63, Key.F16, Key.F17, Key.F18, Key.F19, Key.F20, Key.F21, Key.F22, Key.F23, Key.F24);
    row(NativeKeyEvent.VC_ESCAPE, Key.Escape);
    row(0x56, Key.IntlBackslash);
    row(0xe46, Key.IntlBackslash);
    row(NativeKeyEvent.VC_UNDERSCORE, Key.IntlRo);
    row(NativeKeyEvent.VC_YEN, Key.IntlYen);
    row(NativeKeyEvent.VC_PRINTSCREEN, Key.PrintScreen);
    row(NativeKeyEvent.VC_PAUSE, Key.Pause);
    row(NativeKeyEvent.VC_INSERT, Key.Insert);
    row(NativeKeyEvent.VC_DELETE, Key.Delete);
    row(NativeKeyEvent.VC_HOME, Key.Home);
    row(NativeKeyEvent.VC_END, Key.End);
    row(NativeKeyEvent.VC_PAGE_UP, Key.PageUp);
    row(NativeKeyEvent.VC_PAGE_DOWN, Key.PageDown);
    row(NativeKeyEvent.VC_UP, Key.ArrowUp);
    row(NativeKeyEvent.VC_DOWN, Key.ArrowDown);
    row(NativeKeyEvent.VC_LEFT, Key.ArrowLeft);
    row(NativeKeyEvent.VC_RIGHT, Key.ArrowRight);
    row(NativeKeyEvent.VC_CONTEXT_MENU, Key.ContextMenu);
    row(NativeKeyEvent.VC_MEDIA_PLAY, Key.MediaPlayPause);
    row(NativeKeyEvent.VC_MEDIA_STOP, Key.MediaStop);
    row(NativeKeyEvent.VC_MEDIA_NEXT, Key.MediaTrackNext);
    row(NativeKeyEvent.VC_MEDIA_PREVIOUS, Key.MediaTrackPrevious);
    row(NativeKeyEvent.VC_MEDIA_SELECT, Key.MediaSelect);
    row(NativeKeyEvent.VC_MEDIA_EJECT, Key.Eject);
    row(NativeKeyEvent.VC_VOLUME_MUTE, Key.AudioVolumeMute);
    row(NativeKeyEvent.VC_VOLUME_DOWN, Key.AudioVolumeDown);
    row(NativeKeyEvent.VC_VOLUME_UP, Key.AudioVolumeUp);
    row(NativeKeyEvent.VC_APP_MAIL, Key.LaunchMail);
    row(NativeKeyEvent.VC_APP_CALCULATOR, Key.LaunchApp2);
    row(NativeKeyEvent.VC_BROWSER_BACK, Key.BrowserBack);
    row(NativeKeyEvent.VC_BROWSER_FORWARD, Key.BrowserForward);
    row(NativeKeyEvent.VC_BROWSER_REFRESH, Key.BrowserRefresh);
    row(NativeKeyEvent.VC_BROWSER_STOP, Key.BrowserStop);
    row(NativeKeyEvent.VC_BROWSER_HOME, Key.BrowserHome);
    row(NativeKeyEvent.VC_BROWSER_SEARCH, Key.BrowserSearch);
    row(NativeKeyEvent.VC_BROWSER_FAVORITES, Key.BrowserFavorites);
    row(NativeKeyEvent.VC_POWER, Key.Power);
    row(NativeKeyEvent.VC_SLEEP, Key.Sleep);
    row(NativeKeyEvent.VC_WAKE, Key.WakeUp);
    row(NativeKeyEvent.VC_SHIFT, Key.ShiftLeft);
    row(RIGHT_SHIFT, Key.ShiftRight);
    row(NativeKeyEvent.VC_CONTROL, Key.ControlLeft);
    row(NativeKeyEvent.VC_ALT, Key.AltLeft);
    row(NativeKeyEvent.VC_META, Key.MetaLeft);

    for (Key key : Key.values()) {
      String name = key.name();
      if (name.matches("Numpad\\d")) {
        PAD.put(placed(Key.valueOf("Digit" + name.substring("Numpad".length()))), key);
      }
    }
    PAD.put(placed(Key.Enter), Key.NumpadEnter);
    PAD.put(placed(Key.NumLock), Key.NumLock);
    PAD.put(NativeKeyEvent.VC_SEPARATOR, Key.NumpadDecimal);
    PAD.put(placed(Key.Slash), Key.NumpadDivide);
    PAD.put(NativeKeyEvent.VC_PRINTSCREEN, Key.NumpadMultiply);
    PAD.put(0xe4a, Key.NumpadSubtract);
    PAD.put(0xe4e, Key.NumpadAdd);
    PAD.put(0xe0d, Key.NumpadEqual);
  }

  private HookKeys() {}

  private static void row(int code, Key... keys) {
    for (int i = 0; i < keys.length; i++) {
      PLACES.put(code + i, keys[i]);
    }
  }

  private static int placed(Key key) {
    return PLACES.entrySet().stream()
        .filter(e -> e.getValue() == key)
        .mapToInt(Map.Entry::getKey)
        .findFirst()
        .orElseThrow();
  }

  /** The place of a key; none for one that no board has. */
  static Optional<Key> key(int code, int location) {
    Key key =
        location == NativeKeyEvent.KEY_LOCATION_NUMPAD
            ? PAD.getOrDefault(code, PLACES.get(code))
            : PLACES.get(code);
    if (key == null || location != NativeKeyEvent.KEY_LOCATION_RIGHT) {
      return Optional.ofNullable(key);
    }
    return Optional.of(
        switch (key) {
          case ShiftLeft -> Key.ShiftRight;
          case ControlLeft -> Key.ControlRight;
          case AltLeft -> Key.AltRight;
          case MetaLeft -> Key.MetaRight;
          default -> key;
        });
  }

  /** What a key is as a modifier. */
  static Optional<Modifier> modifier(Optional<Key> key, int keysym) {
    Modifier meant = KEYSYMS.get(keysym);
    if (meant != null) {
      return Optional.of(meant);
    }
    return key.flatMap(
        k ->
            switch (k) {
              case ShiftLeft, ShiftRight -> Optional.of(Modifier.SHIFT);
              case ControlLeft, ControlRight -> Optional.of(Modifier.CTRL);
              case AltLeft, AltRight -> Optional.of(Modifier.ALT);
              case MetaLeft, MetaRight -> Optional.of(Modifier.META);
              default -> Optional.empty();
            });
  }
}
