package polydex.keys;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * A place on a keyboard. The constants are named as the {@code code} values of the W3C
 * recommendation "UI Events KeyboardEvent code Values", so that {@code valueOf} reads them.
 */
@SuppressWarnings("MemberName") // the standard's spelling, not Java's
public enum Key {
  // writing keys
  Backquote,
  Digit1,
  Digit2,
  Digit3,
  Digit4,
  Digit5,
  Digit6,
  Digit7,
  Digit8,
  Digit9,
  Digit0,
  Minus,
  Equal,
  KeyQ,
  KeyW,
  KeyE,
  KeyR,
  KeyT,
  KeyY,
  KeyU,
  KeyI,
  KeyO,
  KeyP,
  BracketLeft,
  BracketRight,
  Backslash,
  KeyA,
  KeyS,
  KeyD,
  KeyF,
  KeyG,
  KeyH,
  KeyJ,
  KeyK,
  KeyL,
  Semicolon,
  Quote,
  KeyZ,
  KeyX,
  KeyC,
  KeyV,
  KeyB,
  KeyN,
  KeyM,
  Comma,
  Period,
  Slash,
  IntlBackslash,
  IntlRo,
  IntlYen,
  // keys with a name of their own
  Space("Space"),
  Enter("Enter"),
  Tab("Tab"),
  Backspace("Backspace"),
  Escape("Esc"),
  CapsLock("CapsLock"),
  ContextMenu("Menu"),
  Insert("Insert"),
  Delete("Delete"),
  Home("Home"),
  End("End"),
  PageUp("PageUp"),
  PageDown("PageDown"),
  ArrowLeft("Left"),
  ArrowRight("Right"),
  ArrowUp("Up"),
  ArrowDown("Down"),
  PrintScreen("PrintScreen"),
  ScrollLock("ScrollLock"),
  Pause("Pause"),
  Find("Find"),
  Help("Help"),
  Undo("Undo"),
  Copy("Copy"),
  Cut("Cut"),
  Paste("Paste"),
  Convert("Convert"),
  NonConvert("NonConvert"),
  KanaMode("KanaMode"),
  Lang1("Lang1"),
  Lang2("Lang2"),
  // function row
  F1("F1"),
  F2("F2"),
  F3("F3"),
  F4("F4"),
  F5("F5"),
  F6("F6"),
  F7("F7"),
  F8("F8"),
  F9("F9"),
  F10("F10"),
  F11("F11"),
  F12("F12"),
  F13("F13"),
  F14("F14"),
  F15("F15"),
  F16("F16"),
  F17("F17"),
  F18("F18"),
  F19("F19"),
  F20("F20"),
  F21("F21"),
  F22("F22"),
  F23("F23"),
  F24("F24"),
  // number pad
  NumLock("NumLock"),
  Numpad0("Numpad0"),
  Numpad1("Numpad1"),
  Numpad2("Numpad2"),
  Numpad3("Numpad3"),
  Numpad4("Numpad4"),
  Numpad5("Numpad5"),
  Numpad6("Numpad6"),
  Numpad7("Numpad7"),
  Numpad8("Numpad8"),
  Numpad9("Numpad9"),
  NumpadAdd("NumpadAdd"),
  NumpadSubtract("NumpadSubtract"),
  NumpadMultiply("NumpadMultiply"),
  NumpadDivide("NumpadDivide"),
  NumpadDecimal("NumpadDecimal"),
  NumpadEnter("NumpadEnter"),
  NumpadEqual("NumpadEqual"),
  NumpadComma("NumpadComma"),
  // media and system
  AudioVolumeMute("AudioVolumeMute"),
  AudioVolumeDown("AudioVolumeDown"),
  AudioVolumeUp("AudioVolumeUp"),
  MediaPlayPause("MediaPlayPause"),
  MediaStop("MediaStop"),
  MediaTrackNext("MediaTrackNext"),
  MediaTrackPrevious("MediaTrackPrevious"),
  MediaSelect("MediaSelect"),
  BrowserBack("BrowserBack"),
  BrowserForward("BrowserForward"),
  BrowserRefresh("BrowserRefresh"),
  BrowserStop("BrowserStop"),
  BrowserHome("BrowserHome"),
  BrowserSearch("BrowserSearch"),
  BrowserFavorites("BrowserFavorites"),
  LaunchApp1("LaunchApp1"),
  LaunchApp2("LaunchApp2"),
  LaunchMail("LaunchMail"),
  Eject("Eject"),
  Power("Power"),
  Sleep("Sleep"),
  WakeUp("WakeUp"),
  // modifier keys: places only, in gestures they are modifiers
  ControlLeft,
  ControlRight,
  ShiftLeft,
  ShiftRight,
  AltLeft,
  AltRight,
  MetaLeft,
  MetaRight,
  Fn;

  private static final Map<String, Key> BY_CODE =
      Arrays.stream(values()).collect(Collectors.toMap(Key::name, Function.identity()));

  private final Optional<String> keyName;

  Key() {
    keyName = Optional.empty();
  }

  Key(String keyName) {
    this.keyName = Optional.of(keyName);
  }

  /** The name by which gestures mean this key; none where the layout gives it its meaning. */
  public Optional<String> keyName() {
    return keyName;
  }

  /** The key with this W3C code value, in its exact spelling. */
  public static Optional<Key> ofCode(String code) {
    return Optional.ofNullable(BY_CODE.get(code));
  }

  /** Whether the key is one that people hold: a modifier by its nature. */
  public boolean isModifier() {
    return ordinal() >= ControlLeft.ordinal();
  }
}
