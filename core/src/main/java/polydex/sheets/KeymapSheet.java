package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.sheets.Sheet.Cell;
import polydex.sheets.Sheet.Line;
import polydex.sheets.Sheet.Lines;
import polydex.sheets.Sheet.Part;

/** What the keymap of a platform or application says, group by group. O(bindings). */
final class KeymapSheet {
  /** What an action does, where in the keymap. */
  private record Spot(ActionId action, String context) {}

  private final Drafting drafting;
  private final Catalog catalog;

  KeymapSheet(Drafting drafting) {
    this.drafting = drafting;
    this.catalog = drafting.catalog();
  }

  Sheet of(EnvironmentId id, boolean pictures) {
    Environment environment = catalog.environment(id).orElseThrow();
    List<Binding> bindings = catalog.bindings(id);
    List<Part> parts = new ArrayList<>(parts(environment, bindings, ""));
    if (pictures) {
      parts.addAll(Pictures.ofKeymap(drafting.workspace().world(), drafting.wish().setup(), id));
    }
    String about =
        bindings.isEmpty()
            ? worded("sheets.nothing-is-known-of-its-keys")
            : worded(
                "sheets.what-its-list-of-keys-says", worded("sheets.bindings", bindings.size()));
    return drafting.sheet(drafting.naming().place(id), about, parts);
  }

  /**
   * Some bindings of an environment by the groups of their actions.
   *
   * @param before stands before the title of each group
   */
  List<Part> parts(Environment environment, List<Binding> some, String before) {
    Map<String, Map<Spot, List<Binding>>> groups = new LinkedHashMap<>();
    for (Binding binding : some) {
      String group = catalog.action(binding.action()).map(Action::group).orElse("");
      groups
          .computeIfAbsent(
              group.isBlank() ? worded("sheets.others") : group, _ -> new LinkedHashMap<>())
          .computeIfAbsent(new Spot(binding.action(), binding.context()), _ -> new ArrayList<>())
          .add(binding);
    }
    return groups.entrySet().stream()
        .<Part>map(
            g ->
                new Lines(
                    before + g.getKey(),
                    g.getValue().entrySet().stream()
                        .map(e -> line(environment, e.getKey(), e.getValue()))
                        .toList()))
        .toList();
  }

  private Line line(Environment environment, Spot spot, List<Binding> bindings) {
    boolean anywhere = spot.context().equals(environment.contexts().getFirst().id());
    String aside =
        anywhere
            ? ""
            : environment
                .context(spot.context())
                .map(c -> worded("sheets.in", c.title()))
                .orElse("");
    return new Line(
        catalog.title(spot.action()),
        aside,
        List.of(
            new Cell(
                bindings.stream()
                    .map(b -> drafting.shown(b.gesture(), environment.id()))
                    .distinct()
                    .toList())),
        "",
        hooks(bindings),
        drafting.notes().of(bindings));
  }

  /** What the person wrote to remember it by. */
  private static List<String> hooks(List<Binding> bindings) {
    return bindings.stream()
        .flatMap(b -> Stream.of(b.remarks().hook()))
        .filter(h -> !h.isBlank())
        .distinct()
        .toList();
  }
}
