package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import polydex.catalog.Comparison;
import polydex.catalog.Comparison.Likeness;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.sheets.Sheet.Cell;
import polydex.sheets.Sheet.Line;
import polydex.sheets.Sheet.Lines;
import polydex.sheets.Sheet.Part;

/** What is different where one is going, what differs first. */
final class CompareSheet {
  private static final List<Likeness> ORDER =
      List.of(
          Likeness.ONE_MODIFIER_AWAY,
          Likeness.DIFFERENT,
          Likeness.MISSING,
          Likeness.NEW,
          Likeness.SAME);

  private final Drafting drafting;

  CompareSheet(Drafting drafting) {
    this.drafting = drafting;
  }

  Sheet of(EnvironmentId from, EnvironmentId to) {
    Comparison comparison = Comparison.of(drafting.catalog(), from, to);
    String here = drafting.naming().place(from);
    String there = drafting.naming().place(to);
    Map<Likeness, List<Comparison.Line>> by = new EnumMap<>(Likeness.class);
    for (Likeness likeness : Likeness.values()) {
      by.put(likeness, comparison.lines().stream().filter(l -> l.likeness() == likeness).toList());
    }
    List<Part> parts =
        ORDER.stream()
            .filter(l -> !by.get(l).isEmpty())
            .<Part>map(
                l ->
                    new Lines(
                        title(l, here, there),
                        List.of(here, there),
                        "",
                        by.get(l).stream().map(line -> line(line, from, to)).toList()))
            .toList();
    int differ = by.get(Likeness.ONE_MODIFIER_AWAY).size() + by.get(Likeness.DIFFERENT).size();
    return drafting.sheet(
        worded("sheets.and", here, there),
        worded(
            "sheets.the-same-with-other-keys-only",
            worded("sheets.actions", comparison.lines().size()),
            by.get(Likeness.SAME).size(),
            differ,
            by.get(Likeness.MISSING).size(),
            here,
            by.get(Likeness.NEW).size(),
            there),
        parts);
  }

  private static String title(Likeness likeness, String here, String there) {
    return switch (likeness) {
      case SAME -> worded("sheets.the-same-in-both");
      case ONE_MODIFIER_AWAY -> worded("sheets.one-modifier-away");
      case DIFFERENT -> worded("sheets.other-keys");
      case MISSING -> worded("sheets.only-in", here);
      case NEW -> worded("sheets.only-in", there);
    };
  }

  private Line line(Comparison.Line line, EnvironmentId from, EnvironmentId to) {
    return new Line(
        drafting.catalog().title(line.action()),
        "",
        List.of(cell(line.from(), from), cell(line.to(), to)),
        "",
        List.of(),
        List.of());
  }

  private Cell cell(List<Gesture> gestures, EnvironmentId environment) {
    return new Cell(gestures.stream().map(g -> drafting.shown(g, environment)).toList());
  }
}
