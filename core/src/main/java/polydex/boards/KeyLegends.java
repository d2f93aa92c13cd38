package polydex.boards;

import java.util.Arrays;
import java.util.Map;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;

/** What stands on keys that are drawn small. */
public final class KeyLegends {
  private KeyLegends() {}

  /** The same with a platform's words for modifiers. */
  public static String of(Key key, Layout layout, Map<Modifier, String> names) {
    String legend = of(key, layout);
    return key.isModifier()
        ? Arrays.stream(Modifier.values())
            .filter(m -> m.written().equals(legend))
            .findFirst()
            .map(m -> names.getOrDefault(m, legend))
            .orElse(legend)
        : legend;
  }

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
      case Delete -> "Del";
      case Insert -> "Ins";
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
