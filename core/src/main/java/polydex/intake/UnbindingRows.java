package polydex.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.intake.IntakeReading.Unbound;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.workspace.Workspace;

/**
 * Lines that take a binding away: a dash before the name of the action. What they name is switched
 * off on the machines of a platform, and goes from the keymap of an application.
 */
final class UnbindingRows {
  private record Wanted(RequestedRow row, Environment environment, List<Gesture> gestures) {}

  private final List<Wanted> wanted = new ArrayList<>();
  private final Map<EnvironmentId, Set<String>> ids = new LinkedHashMap<>();
  private final List<Unbound> found = new ArrayList<>();

  static boolean isOne(RequestedRow row) {
    String action = row.action().strip();
    return action.length() > 1 && action.charAt(0) == '-' && Character.isLetter(action.charAt(1));
  }

  void add(RequestedRow row, Environment environment, List<Gesture> gestures) {
    wanted.add(new Wanted(row, environment, gestures));
  }

  /** What each line takes away, once it was applied. */
  List<Unbound> found() {
    return found;
  }

  private void find(Catalog catalog) {
    Map<EnvironmentId, Map<String, List<String>>> there = new HashMap<>();
    for (Wanted one : wanted) {
      EnvironmentId id = one.environment().id();
      Map<String, List<String>> bindings =
          there.computeIfAbsent(id, environment -> byTitleAndGesture(catalog, environment));
      List<String> gone = new ArrayList<>();
      for (Gesture gesture : one.gestures()) {
        gone.addAll(
            bindings.getOrDefault(
                key(one.row().action().strip().substring(1), gesture), List.of()));
      }
      ids.computeIfAbsent(id, _ -> new HashSet<>()).addAll(gone);
      found.add(new Unbound(one.row(), id, gone));
    }
  }

  private static Map<String, List<String>> byTitleAndGesture(Catalog catalog, EnvironmentId id) {
    Map<String, List<String>> all = new HashMap<>();
    for (Binding binding : catalog.bindings(id)) {
      if (!binding.remarks().fixed()) {
        all.computeIfAbsent(
                key(catalog.title(binding.action()), binding.gesture()), _ -> new ArrayList<>())
            .add(binding.id());
      }
    }
    return all;
  }

  private static String key(String title, Gesture gesture) {
    return IntakeNames.fold(title) + "\n" + gesture;
  }

  /** The workspace without what was found. */
  Workspace applied(Workspace before) {
    if (wanted.isEmpty()) {
      return before;
    }
    find(before.catalog());
    Catalog catalog = before.catalog();
    Map<SetupId, Setup> setups = new LinkedHashMap<>(before.setups());
    for (Wanted one : wanted) {
      EnvironmentId id = one.environment().id();
      Set<String> gone = ids.getOrDefault(id, Set.of());
      if (gone.isEmpty()) {
        continue;
      }
      if (one.environment().platform().isEmpty()) {
        catalog = catalog.without(id, gone);
      } else {
        setups.replaceAll(
            (_, s) -> new Setup(s.id(), s.title(), s.board(), without(s.machine(), id, gone)));
      }
    }
    return before.with(catalog).with(setups);
  }

  private static Machine without(Machine machine, EnvironmentId platform, Set<String> gone) {
    Machine here = machine;
    if (machine.platform().equals(platform)) {
      Set<String> off = new HashSet<>(machine.switchedOff());
      off.addAll(gone);
      here = machine.withSwitchedOff(off);
    }
    return here.focus() instanceof Machine.SessionWindow s
        ? here.with(s.with(without(s.inner(), platform, gone)))
        : here;
  }
}
