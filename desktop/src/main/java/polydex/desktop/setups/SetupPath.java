package polydex.desktop.setups;

import java.util.ArrayList;
import java.util.List;
import polydex.boards.Board;
import polydex.desktop.desk.Desk;
import polydex.route.Machine;
import polydex.route.Setup;

/** A setup in words, from fingers to focus. */
public final class SetupPath {
  private SetupPath() {}

  /** The board, then each machine and what has the focus on it. */
  public static List<String> of(Desk desk, Setup setup) {
    List<String> path = new ArrayList<>();
    Board board = desk.session().workspace().get().world().boards().get(setup.board());
    path.add(board == null ? setup.board() : board.title());
    for (Machine machine : setup.machines()) {
      String platform = desk.titles().title(machine.platform()) + " " + machine.version();
      path.add(
          machine.title().equals(desk.titles().title(machine.platform()))
              ? machine.title()
              : machine.title() + " (" + platform + ")");
      machine.application().ifPresent(a -> path.add(desk.titles().title(a)));
    }
    return path;
  }
}
