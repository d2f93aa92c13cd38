package polydex.boards;

import polydex.keys.Key;
import polydex.keys.KeyRef;

/** What stands on keys that are drawn small. */
public final class KeyLegends {
  private KeyLegends() {}

  /** The legend of a key on a layout. */
  public static String of(Key key, Layout layout) {
    return switch (key) {
      case ControlLeft, ControlRight -> "Ctrl";
      case ShiftLeft, ShiftRight -> "Shift";
      case AltLeft -> "Alt";
      case AltRight -> "AltGr";
      case MetaLeft, MetaRight -> "Meta";
      case Fn -> "Fn";
      case PrintScreen -> "PrtSc";
      case ScrollLock -> "ScrLk";
      case PageUp -> "PgUp";
      case PageDown -> "PgDn";
      case CapsLock -> "Caps";
      case Backspace -> "Bksp";
      case AudioVolumeMute -> "Mute";
      case AudioVolumeDown -> "Vol-";
      case AudioVolumeUp -> "Vol+";
      case MediaPlayPause -> "Play";
      default ->
          switch (Presses.name(key, layout)) {
            case KeyRef.Typed(int c) -> Character.toString(Character.toUpperCase(c));
            case KeyRef.Placed(Key named) ->
                named.keyName().map(n -> n.replace("Numpad", "")).orElse("");
            case KeyRef.AnyOf _ -> "";
          };
    };
  }
}
