package polydex.files.bus;

import java.util.List;
import java.util.Set;
import polydex.files.bus.Bus.Target;
import polydex.hands.MenuTrail.Area;
import polydex.hands.Seen;

/**
 * Something on the screen, as its program describes it.
 *
 * @param above what is around it, the innermost first
 * @param area where it is on the screen
 */
record Described(Part part, List<Part> above, Area area) {
  private static final Set<Integer> MENUS = Set.of(33, 41);
  private static final int MENU_BAR = 34;
  private static final int MENU = 33;
  private static final int TAB = 37;
  private static final Set<Integer> ENTRIES = Set.of(8, 35, 45);
  private static final Set<Integer> DIALOGS = Set.of(2, 16);

  /**
   * What acts when it is clicked: check box, column header, combo box, date editor, dial, tab,
   * push, radio and toggle buttons, spin button, headers of tables, button with a menu.
   */
  private static final Set<Integer> CONTROLS =
      Set.of(7, 10, 11, 12, 15, 37, 43, 44, 52, 57, 58, 62, 129);

  /**
   * Where the place counts: canvas, icons, drawing area, image, label, lists and what is in them,
   * password, scroll bar, slider, tables and trees and what is in them, terminal, text, viewport,
   * paragraph, ruler, entry, chart, documents, heading, page, link, image map, static text.
   */
  private static final Set<Integer> CONTENTS =
      Set.of(
          6, 13, 18, 26, 27, 29, 31, 32, 40, 48, 51, 55, 56, 60, 61, 65, 66, 68, 73, 74, 79, 80, 82,
          83, 84, 88, 90, 91, 92, 93, 94, 95, 96, 98, 100, 116);

  /** Icon, image, label, static text. */
  private static final Set<Integer> ON_SOMETHING = Set.of(26, 27, 29, 116);

  /** Copies the list. */
  Described {
    above = List.copyOf(above);
  }

  /**
   * One of the things that lie in each other.
   *
   * @param role by its number in {@code AtspiRole}
   * @param name as it is shown
   */
  record Part(Target target, int role, String name) {
    boolean isMenu() {
      return MENUS.contains(role);
    }

    boolean isTab() {
      return role == TAB;
    }

    boolean isEntry() {
      return ENTRIES.contains(role) || role == MENU;
    }
  }

  /** The same at another place. */
  Described at(Area other) {
    return new Described(part, above, other);
  }

  /** Whether it stands in a menu or a bar of menus, and can be chosen there. */
  boolean isInMenu() {
    return part.isEntry() && above.stream().anyMatch(p -> p.isMenu() || p.role() == MENU_BAR);
  }

  /**
   * Whether it only opens a menu.
   *
   * @param hasMenu whether there is one in it
   */
  boolean opens(boolean hasMenu) {
    boolean title = !above.isEmpty() && above.getFirst().role() == MENU_BAR;
    return part.role() == MENU || (title && part.isEntry()) || hasMenu;
  }

  /** Whether it may lie on a control: a label, a picture, or something of no meaning. */
  boolean isOnSomething() {
    return ON_SOMETHING.contains(part.role()) || sort() == Seen.Sort.UNKNOWN;
  }

  /** What lies there for who clicks it; what holds it counts where it is no control itself. */
  Seen.Sort sort() {
    return sort(part);
  }

  static Seen.Sort sort(Part part) {
    if (CONTROLS.contains(part.role())) {
      return Seen.Sort.CONTROL;
    }
    return CONTENTS.contains(part.role()) ? Seen.Sort.CONTENT : Seen.Sort.UNKNOWN;
  }

  /**
   * The menus that lead to it, or the dialog that it is in, the outermost first. A window's title
   * is not part of it: mostly it is that of a document.
   */
  List<String> path() {
    boolean menu = isInMenu();
    return above.reversed().stream()
        .filter(p -> menu ? p.isEntry() : DIALOGS.contains(p.role()))
        .map(p -> p.name().strip())
        .filter(n -> !n.isEmpty())
        .toList();
  }
}
