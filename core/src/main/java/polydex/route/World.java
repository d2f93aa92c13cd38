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

  /** What keeps a setup from being traced, as a sentence that says where; none where nothing. */
  public Optional<String> problem(Setup setup) {
    return SetupCheck.of(setup, this).stream()
        .filter(SetupCheck.Mistake::stops)
        .findFirst()
        .map(
            m ->
                "%s, %s: %s"
                    .formatted(
                        setup.title(),
                        setup.machines().get(m.spot().machine()).title(),
                        m.sentence()));
  }
}
