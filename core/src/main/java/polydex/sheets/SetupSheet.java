package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;
import polydex.sheets.Sheet.Cell;
import polydex.sheets.Sheet.Line;
import polydex.sheets.Sheet.Lines;
import polydex.sheets.Sheet.Part;
import polydex.sheets.Sheet.Said;

/**
 * What really works in a setup: every binding is traced as a person would press it, and stands here
 * only if its action happens. O(bindings · layers).
 */
final class SetupSheet {
  private final Drafting drafting;

  SetupSheet(Drafting drafting) {
    this.drafting = drafting;
  }

  /** An action in one environment, and where in it if that is not anywhere. */
  private record Found(EnvironmentId environment, ActionId action, String where) {}

  Sheet of(Setup setup, boolean pictures) {
    SetupTraces traces = SetupTraces.of(setup, drafting.workspace().world());
    Map<String, Map<Found, List<TracedBinding>>> groups = new LinkedHashMap<>();
    Set<String> fails = new LinkedHashSet<>();
    for (TracedBinding t : traces.all()) {
      if (MenuKeys.isOne(t.binding())) {
        continue;
      }
      if (!t.works()) {
        fails.add(t.environment().value() + " " + t.binding().id());
        continue;
      }
      groups
          .computeIfAbsent(title(t), _ -> new LinkedHashMap<>())
          .computeIfAbsent(
              new Found(t.environment(), t.binding().action(), where(t)), _ -> new ArrayList<>())
          .add(t);
    }
    List<Part> parts = new ArrayList<>();
    groups.forEach(
        (title, found) ->
            parts.add(
                new Lines(title, found.entrySet().stream().map(e -> line(setup, e)).toList())));
    if (pictures) {
      parts.addAll(Pictures.ofSetup(traces));
    }
    if (!fails.isEmpty()) {
      parts.add(
          new Said(
              worded("sheets.what-does-not"),
              worded(
                  "sheets.of-the-keymaps-not-do-here",
                  worded("sheets.bindings", fails.size()),
                  worded("sheets.do", fails.size()),
                  worded("sheets.they-say", fails.size()),
                  SheetKind.CONFLICTS.title())));
    }
    int works = groups.values().stream().mapToInt(Map::size).sum();
    return drafting.sheet(
        setup.title(),
        worded("sheets.can-be-done-by-keys-here", worded("sheets.actions", works)),
        parts);
  }

  private String title(TracedBinding t) {
    String group = drafting.catalog().action(t.binding().action()).map(Action::group).orElse("");
    return drafting.naming().title(t.environment())
        + (t.own() ? worded("sheets.your-own") : group.isBlank() ? "" : ": " + group);
  }

  /** In which context of the application, where that has to be entered first. */
  private String where(TracedBinding t) {
    return t.active()
        .flatMap(
            context ->
                drafting
                    .catalog()
                    .environment(t.environment())
                    .filter(e -> !e.contexts().getFirst().id().equals(context))
                    .flatMap(e -> e.context(context)))
        .map(c -> worded("sheets.in", c.title()))
        .orElse("");
  }

  private Line line(Setup setup, Map.Entry<Found, List<TracedBinding>> found) {
    Map<Binding, List<TracedBinding>> byBinding = new LinkedHashMap<>();
    found
        .getValue()
        .forEach(t -> byBinding.computeIfAbsent(t.binding(), _ -> new ArrayList<>()).add(t));
    Set<Gesture> gestures = new LinkedHashSet<>();
    byBinding.forEach((binding, ways) -> gestures.addAll(pressed(binding, ways)));
    // Whatever runs inside, the keys under the fingers are those of the outermost machine.
    EnvironmentId under = setup.machine().platform();
    return new Line(
        drafting.catalog().title(found.getKey().action()),
        found.getKey().where(),
        List.of(new Cell(gestures.stream().map(g -> drafting.shown(g, under)).toList())),
        "",
        List.of(),
        drafting.notes().of(List.copyOf(byBinding.keySet())));
  }

  /** A family stands as one where every member of it works as it is written. */
  private static Collection<Gesture> pressed(Binding binding, List<TracedBinding> ways) {
    Set<Gesture> all = new LinkedHashSet<>(ways.stream().map(TracedBinding::gesture).toList());
    return binding.gesture().isFamily() && all.containsAll(binding.gesture().expand())
        ? List.of(binding.gesture())
        : all;
  }
}
