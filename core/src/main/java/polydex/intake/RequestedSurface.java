package polydex.intake;

import java.util.List;
import java.util.Optional;

/**
 * What an application shows of itself: its menus, what can be pressed in its window, and what Tab
 * reaches. Its bindings are lines of the same request.
 *
 * @param environment the title of the application
 * @param menus the menu bar; empty where it could not be seen, and what was known of it stays
 * @param pressed what a pointer presses outside the menus
 * @param tabOrder what Tab reaches, in order, by the titles of its actions; empty where not seen
 */
public record RequestedSurface(
    String environment, List<Entry> menus, List<Place> pressed, List<String> tabOrder) {

  /**
   * An entry of a menu bar or menu.
   *
   * @param title as it stands there
   * @param accessKey one character
   * @param action the title of what it does; empty for one that only opens
   * @param toggles whether choosing it again takes it back
   * @param items what opens from it
   */
  public record Entry(
      String title, Optional<String> accessKey, String action, boolean toggles, List<Entry> items) {
    /** Copies the items. */
    public Entry {
      items = List.copyOf(items);
    }
  }

  /**
   * Something that a pointer presses.
   *
   * @param action the title of what it does
   * @param path what it stands in, and its name
   */
  public record Place(String action, List<String> path) {
    /** Copies the path. */
    public Place {
      path = List.copyOf(path);
    }
  }

  /** Copies the lists. */
  public RequestedSurface {
    menus = List.copyOf(menus);
    pressed = List.copyOf(pressed);
    tabOrder = List.copyOf(tabOrder);
  }
}
