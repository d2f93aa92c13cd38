package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.language.Language;
import polydex.recall.Confusions;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.sheets.Sheet.Cell;
import polydex.sheets.Sheet.Line;
import polydex.sheets.Sheet.Lines;
import polydex.sheets.Sheet.Part;

/** What drills say: what is not yet fluent, what is new, and what is taken for what. */
final class DrilledSheet {
  private static final Duration WEEK = Duration.ofDays(7);

  private final Drafting drafting;

  DrilledSheet(Drafting drafting) {
    this.drafting = drafting;
  }

  Sheet notFluent() {
    return drafting.sheet(
        worded("sheets.not-yet-fluent"),
        worded("sheets.fluent-is-what-was-right-and"),
        byEnvironment(s -> !s.isFluent(), worded("sheets.everything-that-was-drilled-is-fluent")));
  }

  Sheet begunThisWeek() {
    Instant since = drafting.material().now().minus(WEEK);
    return drafting.sheet(
        worded("sheets.new-this-week"),
        worded("sheets.answered-for-the-first-time-in"),
        byEnvironment(
            s -> s.begun().isAfter(since), worded("sheets.nothing-new-was-begun-in-seven")));
  }

  private List<Part> byEnvironment(Predicate<ItemState> which, String none) {
    SheetMaterial material = drafting.material();
    Map<EnvironmentId, List<Line>> lines = new LinkedHashMap<>();
    material.states().entrySet().stream()
        .filter(e -> which.test(e.getValue()))
        .filter(e -> !bindings(e.getKey()).isEmpty())
        .sorted(
            Comparator.comparing(
                    (Map.Entry<DrillItem, ItemState> e) -> e.getValue().due(material.retention()))
                .thenComparing(Map.Entry.comparingByKey()))
        .forEach(
            e ->
                lines
                    .computeIfAbsent(e.getKey().environment(), _ -> new ArrayList<>())
                    .add(line(e.getKey(), e.getValue())));
    if (lines.isEmpty()) {
      return List.of(new Sheet.Said("", none));
    }
    return lines.entrySet().stream()
        .<Part>map(
            e ->
                new Lines(
                    drafting.naming().place(e.getKey()),
                    List.of(),
                    worded("sheets.recalled"),
                    e.getValue()))
        .toList();
  }

  private Line line(DrillItem item, ItemState state) {
    return new Line(
        drafting.catalog().title(item.action()),
        "",
        List.of(cell(item)),
        String.format(
            Language.locale(), "%.0f %%", 100 * state.retrievability(drafting.material().now())),
        List.of(),
        drafting.notes().of(bindings(item)));
  }

  private Cell cell(DrillItem item) {
    return new Cell(
        bindings(item).stream()
            .map(b -> drafting.shown(b.gesture(), item.environment()))
            .distinct()
            .toList());
  }

  private List<Binding> bindings(DrillItem item) {
    return drafting.catalog().bindings(item.environment(), item.action());
  }

  Sheet confused() {
    List<Line> open = new ArrayList<>();
    List<Line> once = new ArrayList<>();
    for (Confusions.Count count : drafting.material().confused()) {
      DrillItem one = count.pair().one();
      DrillItem other = count.pair().other();
      if (!bindings(one).isEmpty() && !bindings(other).isEmpty()) {
        (count.isOpen() ? open : once)
            .add(
                new Line(
                    title(one).equals(title(other))
                        ? title(one)
                        : title(one) + " / " + title(other),
                    "",
                    List.of(cell(one), cell(other)),
                    "%,d ×".formatted(count.ever()),
                    List.of(where(one, other)),
                    List.of()));
      }
    }
    List<Part> parts = new ArrayList<>();
    List<String> columns = List.of(worded("sheets.the-one"), worded("sheets.the-other"));
    if (!open.isEmpty()) {
      parts.add(new Lines(worded("sheets.still-mixed-up"), columns, worded("sheets.in-all"), open));
    }
    if (!once.isEmpty()) {
      parts.add(
          new Lines(
              worded("sheets.happened-once-or-settled"), columns, worded("sheets.in-all"), once));
    }
    if (parts.isEmpty()) {
      parts.add(new Sheet.Said("", worded("sheets.no-gesture-was-pressed-for-another")));
    }
    return drafting.sheet(
        worded("sheets.taken-for-one-another"),
        worded("sheets.pressed-in-drills-for-something-else"),
        parts);
  }

  private String title(DrillItem item) {
    return drafting.catalog().title(item.action());
  }

  private String where(DrillItem one, DrillItem other) {
    String here = drafting.naming().place(one.environment());
    String there = drafting.naming().place(other.environment());
    return here.equals(there) ? worded("sheets.both-in", here) : here + " / " + there;
  }
}
