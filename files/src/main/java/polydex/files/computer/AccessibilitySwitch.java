package polydex.files.computer;

import java.util.List;

/**
 * Whether programs show themselves on the accessibility bus: a setting of the session, which
 * programs look at when they start. It is the only thing of the computer that is ever written, and
 * only when the person says so.
 */
public final class AccessibilitySwitch {
  private static final String SCHEMA = "org.gnome.desktop.interface";
  private static final String KEY = "toolkit-accessibility";

  private AccessibilitySwitch() {}

  /** Whether it is on; also where nobody can tell. */
  public static boolean isOn(Tools tools) {
    return tools
        .run(List.of("gsettings", "get", SCHEMA, KEY))
        .map(said -> said.strip().equals("true"))
        .orElse(true);
  }

  /** Switches it, and says whether that could be done. */
  public static boolean set(Tools tools, boolean on) {
    return tools.run(List.of("gsettings", "set", SCHEMA, KEY, String.valueOf(on))).isPresent()
        && isOn(tools) == on;
  }
}
