package polydex.route;

import java.util.Map;
import java.util.Optional;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.catalog.Catalog;

/**
 * What setups are made of.
 *
 * @param catalog platforms, applications and their bindings
 * @param boards by id
 * @param layouts by id
 */
public record World(Catalog catalog, Map<String, Board> boards, Map<String, Layout> layouts) {

  /** What is wrong with a setup, as a sentence that says where; none where it can be traced. */
  public Optional<String> problem(Setup setup) {
    if (!boards.containsKey(setup.board())) {
      return Optional.of(
          "%s: there is no board \u201c%s\u201d.".formatted(setup.title(), setup.board()));
    }
    for (Machine machine : setup.machines()) {
      if (catalog.environment(machine.platform()).flatMap(e -> e.platform()).isEmpty()) {
        return Optional.of(
            "%s: there is no platform \u201c%s\u201d."
                .formatted(machine.title(), machine.platform()));
      }
      if (!layouts.containsKey(machine.layout())) {
        return Optional.of(
            "%s: there is no layout \u201c%s\u201d.".formatted(machine.title(), machine.layout()));
      }
      Optional<String> missing =
          machine.application().filter(a -> catalog.environment(a).isEmpty());
      if (missing.isPresent()) {
        return Optional.of(
            "%s: there is no application \u201c%s\u201d."
                .formatted(machine.title(), missing.get()));
      }
    }
    return Optional.empty();
  }
}
