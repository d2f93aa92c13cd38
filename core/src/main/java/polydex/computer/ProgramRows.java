package polydex.computer;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.computer.Program.Entry;
import polydex.computer.Program.Sort;
import polydex.intake.IntakeRequest;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.IntakeRequest.Ways;
import polydex.intake.ReadingChoice;
import polydex.intake.RequestedSurface;
import polydex.intake.RequestedSurface.Place;

/**
 * A program as what is asked of bringing it in. What its entries do is called as they are; where
 * several are called the same, the menus before them tell them apart. O(entries).
 */
final class ProgramRows {
  /** Accelerators are written by toolkits, in one way each: nothing has to be found out. */
  private static final Ways AS_TOOLKITS_WRITE =
      new Ways(
          Map.of(
              ReadingChoice.COMMAS, "sequence",
              ReadingChoice.SINGLES, "key",
              ReadingChoice.DASHES, "key",
              ReadingChoice.LETTERS, "ignored"),
          Set.of(),
          true);

  private final Program program;
  private final Map<String, Integer> leaves = new HashMap<>();
  private final Set<String> taken = new HashSet<>();
  private final List<RequestedRow> rows = new ArrayList<>();

  private ProgramRows(Program program) {
    this.program = program;
    program
        .entries(e -> e.items().isEmpty() && e.sort() != Sort.MENU)
        .forEach(e -> leaves.merge(e.title(), 1, Integer::sum));
  }

  /**
   * The request for a program.
   *
   * @param list under which it is remembered
   */
  static IntakeRequest of(String list, Program program) {
    ProgramRows rows = new ProgramRows(program);
    RequestedSurface surface = rows.surface();
    return IntakeRequest.of(Optional.of(list), rows.rows, List.of())
        .in(AS_TOOLKITS_WRITE)
        .showing(surface);
  }

  private RequestedSurface surface() {
    List<RequestedSurface.Entry> menus = new ArrayList<>();
    program.menus().forEach(m -> menus.add(entry(m, List.of())));
    List<Place> pressed = new ArrayList<>();
    for (List<String> path : program.pressed()) {
      pressed.add(new Place(path.getLast(), path));
      row(path.getLast(), "");
    }
    program.tabOrder().forEach(t -> row(t, ""));
    return new RequestedSurface(program.title(), menus, pressed, program.tabOrder());
  }

  private RequestedSurface.Entry entry(Entry entry, List<String> above) {
    List<String> path = new ArrayList<>(above);
    path.add(entry.title());
    String action = entry.sort() == Sort.MENU ? "" : action(path);
    if (!action.isEmpty()) {
      row(action, entry.accelerator().orElse(""));
    }
    List<RequestedSurface.Entry> items = new ArrayList<>();
    entry.items().forEach(e -> items.add(entry(e, path)));
    return new RequestedSurface.Entry(
        entry.title(), entry.accessKey(), action, entry.sort() == Sort.SWITCH, items);
  }

  private void row(String action, String accelerator) {
    rows.add(new RequestedRow(rows.size() + 1, program.title(), false, "", action, accelerator));
  }

  /** As short as tells it apart: {@code Left}, {@code Align: Left}, {@code Edit: Align: Left}. */
  private String action(List<String> path) {
    boolean alone = leaves.getOrDefault(path.getLast(), 0) < 2;
    for (int from = path.size() - (alone ? 1 : 2); from > 0; from--) {
      String title = String.join(": ", path.subList(from, path.size()));
      if (taken.add(title)) {
        return title;
      }
    }
    String whole = String.join(": ", path);
    taken.add(whole);
    return whole;
  }
}
