package polydex.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.intake.IntakeReading.Unbound;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.workspace.Workspace;

/**
 * Lines that take a binding away: a dash before the name of the action. What they name, in the
 * context of the line where it names one, is switched off on the machines of a platform, and goes
 * from the keymap of an application.
 */
final class UnbindingRows {
  /** The line of a number, with the id of its context; none where it names none. */
  private record Wanted(
      int number, RequestedRow row, Optional<String> context, List<Gesture> gestures) {}

  private final Map<Environment, List<Wanted>> wanted = new LinkedHashMap<>();
  private final SortedMap<Integer, Unbound> found = new TreeMap<>();
  private int lines;

  static boolean isOne(RequestedRow row) {
    String action = row.action().strip();
    return action.length() > 1 && action.charAt(0) == '-' && Character.isLetter(action.charAt(1));
  }

  void add(RequestedRow row, Environment of, Optional<String> context, List<Gesture> gestures) {
    wanted
        .computeIfAbsent(of, _ -> new ArrayList<>())
        .add(new Wanted(lines++, row, context, gestures));
  }

  /** What each line takes away, in their order, once they were applied. */
  List<Unbound> found() {
    return List.copyOf(found.values());
  }

  /** The workspace without what the lines name. */
  Workspace applied(Workspace before) {
    Catalog catalog = before.catalog();
    Map<SetupId, Setup> setups = new LinkedHashMap<>(before.setups());
    for (Map.Entry<Environment, List<Wanted>> of : wanted.entrySet()) {
      EnvironmentId id = of.getKey().id();
      Set<String> gone = gone(before.catalog(), id, of.getValue());
      if (of.getKey().platform().isEmpty()) {
        catalog = catalog.without(id, gone);
      } else {
        setups.replaceAll((_, s) -> s.on(s.machine().ofPlatform(id, m -> m.switchingOff(gone))));
      }
    }
    return wanted.isEmpty() ? before : before.with(catalog).with(setups);
  }

  private Set<String> gone(Catalog catalog, EnvironmentId id, List<Wanted> lines) {
    Map<String, List<Binding>> there = new HashMap<>();
    for (Binding binding : catalog.bindings(id)) {
      if (!binding.remarks().fixed()) {
        String key = key(catalog.title(binding.action()), binding.gesture());
        there.computeIfAbsent(key, _ -> new ArrayList<>()).add(binding);
      }
    }
    Set<String> all = new LinkedHashSet<>();
    for (Wanted line : lines) {
      String title = line.row().action().strip().substring(1);
      List<String> gone =
          line.gestures().stream()
              .flatMap(g -> there.getOrDefault(key(title, g), List.of()).stream())
              .filter(b -> line.context().isEmpty() || line.context().get().equals(b.context()))
              .map(Binding::id)
              .distinct()
              .toList();
      all.addAll(gone);
      found.put(line.number(), new Unbound(line.row(), id, gone));
    }
    return all;
  }

  private static String key(String title, Gesture gesture) {
    return IntakeNames.fold(title) + "\n" + gesture;
  }

  /** The context that a line names; one that nobody knows has no binding in it. */
  static Optional<String> context(RequestedRow row, Map<String, Context> byName) {
    if (row.context().isBlank()) {
      return Optional.empty();
    }
    Context known = byName.get(IntakeNames.fold(row.context()));
    return Optional.of(known == null ? "" : known.id());
  }
}
