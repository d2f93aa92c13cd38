package polydex.desktop.controls;

import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.keys.Key;
import polydex.keys.KeyRef;

/** What stands on keys that are drawn small. */
public final class KeyLegends {
  private KeyLegends() {}

  /** A key on a cap of a gesture, where its name in the notation is not what people say. */
  static String onCap(KeyRef.Placed place) {
    return switch (place.key()) {
      case AudioVolumeMute -> "Mute";
      case AudioVolumeDown -> "Volume \u2212";
      case AudioVolumeUp -> "Volume +";
      case MediaPlayPause -> "Play";
      case MediaStop -> "Stop";
      case MediaTrackNext -> "Next track";
      case MediaTrackPrevious -> "Previous track";
      case MediaSelect -> "Player";
      case BrowserBack -> "Back";
      case BrowserForward -> "Forward";
      case BrowserRefresh -> "Reload";
      case BrowserStop -> "Stop loading";
      case BrowserHome -> "Home page";
      case BrowserSearch -> "Search";
      case BrowserFavorites -> "Bookmarks";
      case LaunchApp1 -> "Computer";
      case LaunchApp2 -> "Calculator";
      case LaunchMail -> "Mail";
      case NumpadAdd -> "Num +";
      case NumpadSubtract -> "Num \u2212";
      case NumpadMultiply -> "Num \u00d7";
      case NumpadDivide -> "Num \u00f7";
      default -> place.toString().replaceFirst("^Numpad(?=.)", "Num ");
    };
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
