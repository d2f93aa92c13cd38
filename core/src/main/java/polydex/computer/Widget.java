package polydex.computer;

import java.util.List;
import polydex.keys.Visible;

/**
 * Something that a program shows, as the accessibility bus tells it; nothing in it has been
 * understood yet.
 *
 * @param role what it is
 * @param name as the program gives it, at most {@link #LONGEST_NAME} characters; may be empty
 * @param keys what the program tells of its keys, as its toolkit writes that; may be empty
 * @param focusable whether Tab may reach it
 * @param showing whether it is on the screen now
 * @param inside what is in it, in order
 */
public record Widget(
    Role role, String name, String keys, boolean focusable, boolean showing, List<Widget> inside) {
  /** The longest name that is kept, in characters. */
  public static final int LONGEST_NAME = 200;

  /** What a widget is, as far as it matters here. */
  public enum Role {
    WINDOW,
    MENU_BAR,
    MENU,
    /** An entry of a menu that does something. */
    ENTRY,
    /** An entry that is switched on and off. */
    CHECK_ENTRY,
    /** An entry of several of which one holds. */
    RADIO_ENTRY,
    SEPARATOR,
    TOOL_BAR,
    BUTTON,
    /** A button or box that is switched on and off. */
    SWITCH,
    TABS,
    TAB,
    /** Something else that takes the focus and has a name, such as a field. */
    FIELD,
    /** What only holds others. */
    OTHER;

    /** Whether it stands in a menu and can be chosen. */
    public boolean isEntry() {
      return this == ENTRY || this == CHECK_ENTRY || this == RADIO_ENTRY;
    }
  }

  /** Cuts what is too long, and nothing in it acts on who shows it. */
  public Widget {
    name = Visible.of(name, LONGEST_NAME);
    keys = keys.length() > LONGEST_NAME ? "" : keys;
    inside = List.copyOf(inside);
  }
}
