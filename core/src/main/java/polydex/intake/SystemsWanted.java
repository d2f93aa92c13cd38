package polydex.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Supplier;
import java.util.stream.Stream;
import polydex.intake.GestureCell.Alternative;
import polydex.intake.IntakeRequest.RequestedRow;

/**
 * Which of several systems side by side are taken. Systems stand beside each other in the columns
 * of a line, or in a cell; the two are told apart, since who wants one system of the columns says
 * nothing of "Ctrl/Cmd" in another line's cell. Where none of the systems that stand beside each
 * other is wanted, the first is taken. Several wanted systems of the columns are an environment
 * each, or else several of the cells.
 */
final class SystemsWanted {
  /** Stands for an environment that is of no system in particular. */
  static final String ANY = "";

  private record Line(String file, int number) {}

  private final Set<String> ofColumns = new HashSet<>();
  private final Set<String> wantedColumns;
  private final Set<String> wantedInCells;
  private final List<String> apart;
  private final Map<Line, Set<String>> columns = new HashMap<>();
  private final Map<String, Integer> counts = new LinkedHashMap<>();
  private final Set<String> taken = new HashSet<>();
  private int passed;

  SystemsWanted(List<RequestedRow> rows, Set<String> wanted) {
    for (RequestedRow row : rows) {
      if (!row.system().isEmpty()) {
        columns.computeIfAbsent(line(row), _ -> new LinkedHashSet<>()).add(row.system());
        ofColumns.add(row.system());
      }
    }
    wantedColumns = new TreeSet<>(wanted);
    wantedColumns.retainAll(ofColumns);
    wantedInCells = new TreeSet<>(wanted);
    wantedInCells.removeAll(ofColumns);
    apart =
        Stream.of(wantedColumns, wantedInCells)
            .filter(several -> several.size() > 1)
            .findFirst()
            .map(List::copyOf)
            .orElse(List.of(ANY));
  }

  private static Line line(RequestedRow row) {
    return new Line(row.file(), row.line());
  }

  /** The environment of a row where systems are an environment each. */
  static RequestedRow in(String system, RequestedRow row) {
    return system.equals(ANY) ? row : row.in("%s (%s)".formatted(row.environment(), system));
  }

  void count(RequestedRow row, GestureCell cell) {
    if (!row.system().isEmpty()) {
      counts.merge(row.system(), cell.alternatives().size(), Integer::sum);
    }
    for (Alternative a : cell.alternatives()) {
      if (!a.system().isEmpty()) {
        counts.merge(a.system(), 1, Integer::sum);
      }
    }
  }

  /** The systems into whose environments an alternative goes; {@link #ANY} where they share one. */
  List<String> takers(RequestedRow row, GestureCell cell, Alternative alternative) {
    if (row.system().isEmpty() && alternative.system().isEmpty()) {
      return apart;
    }
    List<String> takers = new ArrayList<>();
    for (String one : apart) {
      boolean column = ofColumns.contains(one);
      boolean inCells = !column && !one.equals(ANY);
      if (isTaken(row.system(), () -> columns.get(line(row)), column ? Set.of(one) : wantedColumns)
          && isTaken(
              alternative.system(), () -> ofCell(cell), inCells ? Set.of(one) : wantedInCells)) {
        takers.add(one);
      }
    }
    if (takers.isEmpty()) {
      passed++;
    } else {
      taken.add(row.system());
      taken.add(alternative.system());
    }
    return takers;
  }

  private static Set<String> ofCell(GestureCell cell) {
    Set<String> all = new LinkedHashSet<>();
    for (Alternative a : cell.alternatives()) {
      if (!a.system().isEmpty()) {
        all.add(a.system());
      }
    }
    return all;
  }

  private boolean isTaken(String system, Supplier<Set<String>> beside, Set<String> here) {
    if (system.isEmpty()) {
      return true;
    }
    Set<String> all = beside.get();
    return all.stream().anyMatch(here::contains)
        ? here.contains(system)
        : system.equals(first(all));
  }

  /** The first of the list, where it stands here. */
  private String first(Set<String> all) {
    for (String system : counts.keySet()) {
      if (all.contains(system)) {
        return system;
      }
    }
    return all.iterator().next();
  }

  /** What became of each system, in the order of the list. */
  Map<String, IntakeReading.OfSystem> found() {
    Map<String, IntakeReading.OfSystem> all = new LinkedHashMap<>();
    counts.forEach(
        (system, gestures) ->
            all.put(
                system,
                new IntakeReading.OfSystem(
                    gestures, ofColumns.contains(system), taken.contains(system))));
    return all;
  }

  /** How many gestures were left out because they are of another system. */
  int passed() {
    return passed;
  }
}
