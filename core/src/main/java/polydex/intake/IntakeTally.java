package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import polydex.intake.IntakeReading.Asked;
import polydex.intake.IntakeReading.Example;
import polydex.intake.IntakeReading.Partly;
import polydex.intake.IntakeReading.Unbound;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.keys.GestureReader;
import polydex.keys.Visible;

/** Counts by which rules a list is read, and what of it was not. */
final class IntakeTally {
  private static final int LONGEST_EXAMPLE = 60;

  /** Lines whose cells are looked at to find out how the list writes. */
  private static final int MOST_SAMPLED = 20_000;

  private final Dialect dialect;
  private final SystemsWanted systems;
  private final Map<CellRule, Example> rules = new EnumMap<>(CellRule.class);
  private final List<RequestedRow> without = new ArrayList<>();
  private final List<Asked> asked = new ArrayList<>();
  private final List<Partly> partly = new ArrayList<>();
  private final int lines;
  private int understood;

  IntakeTally(IntakeRequest request) {
    dialect =
        Dialect.of(
            request.rows().stream().map(RequestedRow::gesture).limit(MOST_SAMPLED).toList(),
            GestureReader.PLAIN,
            request.ways().named(),
            request.ways().choices());
    systems = new SystemsWanted(request.rows(), request.ways().systems());
    lines = request.rows().size() + request.refused().size();
  }

  Dialect dialect() {
    return dialect;
  }

  void without(RequestedRow row) {
    understood++;
    without.add(row);
  }

  void nothing(RequestedRow row) {
    without(row);
    count(CellRule.NOTHING, row.gesture(), worded("intake.no-gesture"));
  }

  void ask(RequestedRow row, ReadingChoice choice, String why) {
    asked.add(new Asked(row, choice, why));
  }

  void read(RequestedRow row, GestureCell cell) {
    understood += cell.unread().isEmpty() ? 1 : 0;
    systems.count(row, cell);
    if (cell.rules().isEmpty()) {
      return;
    }
    for (CellRule rule : cell.rules()) {
      count(
          rule,
          row.gesture(),
          cell.gestures().stream().map(Object::toString).collect(Collectors.joining(", ")));
    }
    if (!cell.unread().isEmpty()) {
      partly.add(new Partly(row, cell.unread()));
    }
  }

  private void count(CellRule rule, String text, String reading) {
    Example seen = rules.get(rule);
    rules.put(
        rule,
        seen == null
            ? new Example(
                1,
                Visible.of(text.replace('\n', ' '), LONGEST_EXAMPLE),
                Visible.of(reading, LONGEST_EXAMPLE))
            : new Example(seen.count() + 1, seen.text(), seen.reading()));
  }

  SystemsWanted systems() {
    return systems;
  }

  IntakeReading reading(List<Unbound> unbound) {
    return new IntakeReading(
        dialect,
        rules,
        systems.found(),
        systems.passed(),
        without,
        asked,
        partly,
        unbound,
        lines,
        understood + unbound.size());
  }
}
