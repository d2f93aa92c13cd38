package polydex.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicInteger;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.lifecycle.AfterContainer;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.IntakeRequest.Ways;
import polydex.route.Worlds;
import polydex.workspace.Workspace;

/**
 * Lists with systems in columns, in cells, in both and in neither, against what is said of them:
 * each environment gets, of what stands beside each other, what is wanted there, or else the first.
 */
class SystemsWantedTest {
  private static final List<String> COLUMNS = List.of("Elm", "Fir", "Oak");
  private static final List<String> KEYS = List.of("B", "D", "G", "J", "P", "U");
  private static final AtomicInteger APART = new AtomicInteger();
  private static final AtomicInteger PASSED = new AtomicInteger();
  private static final AtomicInteger FALLEN_BACK = new AtomicInteger();

  /** A cell: the gestures by system; the system is empty where it has only one. */
  private record Cell(int line, String column, Map<String, String> gestures) {
    String written() {
      return String.join(" / ", gestures.values());
    }
  }

  private static List<Cell> cells(Random random) {
    List<Cell> all = new ArrayList<>();
    for (int line = 2; line < 4 + random.nextInt(6); line++) {
      List<String> columns = new ArrayList<>(COLUMNS);
      columns.removeIf(_ -> random.nextInt(3) == 0);
      if (random.nextInt(3) == 0 || columns.size() < 2) {
        columns = List.of("");
      }
      for (String column : columns) {
        String key = KEYS.get(random.nextInt(KEYS.size()));
        Map<String, String> gestures = new LinkedHashMap<>();
        if (random.nextBoolean()) {
          boolean ctrlFirst = random.nextInt(4) > 0;
          gestures.put(ctrlFirst ? "Ctrl" : "Meta", (ctrlFirst ? "Ctrl+" : "Cmd+") + key);
          gestures.put(ctrlFirst ? "Meta" : "Ctrl", (ctrlFirst ? "Cmd+" : "Ctrl+") + key);
        } else {
          gestures.put("", "Alt+" + key);
        }
        all.add(new Cell(line, column, gestures));
      }
    }
    return all;
  }

  @Property(tries = 800, shrinking = ShrinkingMode.OFF)
  void whatIsWantedIsTaken(@ForAll long seed) {
    Random random = new Random(seed);
    List<Cell> cells = cells(random);
    Set<String> wanted = new TreeSet<>();
    for (String system : List.of("Elm", "Fir", "Oak", "Ctrl", "Meta")) {
      if (random.nextInt(3) == 0) {
        wanted.add(system);
      }
    }
    List<RequestedRow> rows =
        cells.stream()
            .map(
                c ->
                    new RequestedRow(
                        c.line(),
                        "App",
                        false,
                        "",
                        "Do " + c.line(),
                        c.written(),
                        "",
                        c.column(),
                        "",
                        false))
            .toList();
    IntakePlan plan =
        BindingIntake.plan(
            Workspace.of(
                new Worlds().platform("Desk", Worlds.plain()).build().catalog(),
                List.of(),
                List.of(),
                List.of()),
            IntakeRequest.of(Optional.empty(), rows, List.of())
                .in(new Ways(Map.of(), wanted, true)));
    Map<String, Set<String>> found = new TreeMap<>();
    plan.taken()
        .forEach(
            t ->
                found
                    .computeIfAbsent(t.row().environment(), _ -> new TreeSet<>())
                    .add(t.row().line() + " " + t.gesture()));
    assertThat(found).isEqualTo(expected(cells, wanted));
    PASSED.addAndGet(plan.reading().passed());
  }

  private static Map<String, Set<String>> expected(List<Cell> cells, Set<String> wanted) {
    Set<String> columns = new TreeSet<>();
    cells.forEach(c -> columns.add(c.column()));
    columns.remove("");
    Set<String> ofColumns = new TreeSet<>(wanted);
    ofColumns.retainAll(columns);
    Set<String> ofCells = new TreeSet<>(wanted);
    ofCells.removeAll(columns);
    List<String> apart =
        ofColumns.size() > 1
            ? List.copyOf(ofColumns)
            : ofCells.size() > 1 ? List.copyOf(ofCells) : List.of("");
    APART.addAndGet(apart.size() > 1 ? 1 : 0);
    Map<String, Set<String>> all = new TreeMap<>();
    for (String one : apart) {
      Set<String> bindings = new TreeSet<>();
      for (Cell cell : cells) {
        Set<String> beside = new LinkedHashSet<>();
        cells.stream().filter(c -> c.line() == cell.line()).forEach(c -> beside.add(c.column()));
        Set<String> here = columns.contains(one) ? Set.of(one) : ofColumns;
        if (!takes(cells, true, cell.column(), beside, here)) {
          continue;
        }
        Set<String> inCells = columns.contains(one) || one.isEmpty() ? ofCells : Set.of(one);
        cell.gestures()
            .forEach(
                (system, gesture) -> {
                  if (takes(cells, false, system, cell.gestures().keySet(), inCells)) {
                    bindings.add(cell.line() + " " + gesture.replace("Cmd", "Meta"));
                  }
                });
      }
      if (!bindings.isEmpty()) {
        all.put(one.isEmpty() ? "App" : "App (" + one + ")", bindings);
      }
    }
    return all;
  }

  private static boolean takes(
      List<Cell> cells, boolean column, String system, Set<String> beside, Set<String> wanted) {
    if (system.isEmpty()) {
      return true;
    }
    if (beside.stream().anyMatch(wanted::contains)) {
      return wanted.contains(system);
    }
    FALLEN_BACK.incrementAndGet();
    // The first that the list has up to here, if it stands here, and so on.
    for (Cell cell : cells) {
      for (String one : column ? List.of(cell.column()) : cell.gestures().keySet()) {
        if (beside.contains(one) && !one.isEmpty()) {
          return one.equals(system);
        }
      }
    }
    return false;
  }

  @AfterContainer
  static void everyRuleWasReached() {
    assertThat(APART.get()).isGreaterThan(100);
    assertThat(PASSED.get()).isGreaterThan(500);
    assertThat(FALLEN_BACK.get()).isGreaterThan(500);
  }
}
