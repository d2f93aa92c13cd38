package polydex.files.bus;

import java.util.Set;
import polydex.computer.Widget.Role;

/**
 * The roles of AT-SPI 2 by their numbers ({@code AtspiRole} in at-spi2-core's constants), as far as
 * they matter for finding menus and controls.
 */
final class Roles {
  static final int APPLICATION = 75;

  /**
   * What holds controls: windows, panels, bars, menus, and buttons from which menus open. Data such
   * as rows and text is not entered.
   */
  private static final Set<Integer> ENTERED =
      Set.of(
          16, 20, 23, 24, 28, 30, 33, 34, 35, 36, 37, 38, 39, 41, 43, 46, 49, 53, 62, 63, 67, 68,
          69, 71, 72, 75, 78, 85, 87, 88, 98, 99, 129);

  private Roles() {}

  static Role of(int number) {
    return switch (number) {
      case 16, 23, 28, 69 -> Role.WINDOW;
      case 34 -> Role.MENU_BAR;
      case 33, 41 -> Role.MENU;
      case 35 -> Role.ENTRY;
      case 8 -> Role.CHECK_ENTRY;
      case 45 -> Role.RADIO_ENTRY;
      case 50, 59 -> Role.SEPARATOR;
      case 63 -> Role.TOOL_BAR;
      case 43, 88, 129 -> Role.BUTTON;
      case 7, 44, 62 -> Role.SWITCH;
      case 38 -> Role.TABS;
      case 37 -> Role.TAB;
      case 11, 12, 40, 51, 52, 61, 79 -> Role.FIELD;
      default -> Role.OTHER;
    };
  }

  static boolean isEntered(int number) {
    return ENTERED.contains(number);
  }
}
