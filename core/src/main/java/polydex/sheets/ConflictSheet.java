package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.conflict.Conflict;
import polydex.conflict.ConflictFinder;
import polydex.conflict.ConflictGroup;
import polydex.conflict.ConflictSentence;
import polydex.conflict.Fix;
import polydex.conflict.FixFinder;
import polydex.conflict.Person;
import polydex.conflict.Severity;
import polydex.conflict.Trial;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.sheets.Sheet.Cell;
import polydex.sheets.Sheet.Line;
import polydex.sheets.Sheet.Lines;
import polydex.sheets.Sheet.Part;

/**
 * What stands in the way in a setup, the worst first, each with fixes that were tried on a copy.
 * Conflicts that one thing brings about stand together under the worst of them.
 */
final class ConflictSheet {
  /** Fixes of so many groups are looked for; trying one traces every setup anew. */
  private static final int WITH_FIXES = 40;

  private static final int FIXES = 3;
  private static final int SEVERE = 50;
  private static final int SLIGHT = 10;

  private final Drafting drafting;
  private final Catalog catalog;

  ConflictSheet(Drafting drafting) {
    this.drafting = drafting;
    this.catalog = drafting.catalog();
  }

  Sheet of(Setup setup) {
    Map<ActionId, Double> uses = drafting.material().known().usesADay();
    Person person = Person.of(a -> uses.getOrDefault(a, Severity.UNKNOWN_USES_PER_DAY));
    List<Conflict> all =
        ConflictFinder.find(SetupTraces.of(setup, drafting.workspace().world()), person);
    List<Conflict> open =
        all.stream().filter(c -> drafting.workspace().accepted().of(c).isEmpty()).toList();
    FixFinder fixes = new FixFinder(new Trial(drafting.workspace().situation(), person));
    Map<String, List<Line>> byHarm = new LinkedHashMap<>();
    int looked = 0;
    for (ConflictGroup group : ConflictGroup.of(open)) {
      boolean look = looked++ < WITH_FIXES;
      byHarm
          .computeIfAbsent(weight(group.worst().severity()), _ -> new ArrayList<>())
          .add(line(group, look ? fixes(fixes, group.worst()) : List.of()));
    }
    List<Part> parts = new ArrayList<>();
    byHarm.forEach((title, lines) -> parts.add(new Lines(title, List.of(), "0–100", lines)));
    if (open.isEmpty()) {
      parts.add(new Sheet.Said("", worded("sheets.nothing-stands-in-the-way-here")));
    }
    int accepted = all.size() - open.size();
    return drafting.sheet(
        worded("sheets.what-stands-in-the-way", setup.title()),
        worded(
            "sheets.the-number-says-how-bad-one",
            worded("sheets.conflicts", open.size()),
            (accepted == 0 ? "." : worded("sheets.and-that-you-accepted", accepted))),
        parts);
  }

  private static String weight(int severity) {
    return severity >= SEVERE
        ? worded("sheets.bad")
        : severity >= SLIGHT ? worded("sheets.in-the-way") : worded("sheets.slight");
  }

  private List<String> fixes(FixFinder finder, Conflict conflict) {
    return finder.offered(conflict, Fix.Weights.USUAL).stream()
        .limit(FIXES)
        .map(
            o ->
                worded(
                    "sheets.helps",
                    o.fix().title(catalog),
                    o.makes().isEmpty()
                        ? "."
                        : worded(
                            "sheets.which-brings",
                            worded("sheets.new-conflicts", o.makes().size()))))
        .toList();
  }

  private Line line(ConflictGroup group, List<String> fixes) {
    Conflict worst = group.worst();
    int more = group.conflicts().size() - 1;
    List<String> under =
        Stream.concat(
                more == 0
                    ? Stream.of()
                    : Stream.of(
                        worded(
                            "sheets.the-same-brings-about-more", worded("sheets.conflicts", more))),
                fixes.stream())
            .toList();
    return new Line(
        ConflictSentence.withoutGesture(worst, catalog),
        worst.kind().said(),
        List.of(
            new Cell(
                List.of(drafting.shown(worst.loser().gesture(), worst.loser().environment())))),
        String.valueOf(worst.severity()),
        under,
        List.of());
  }
}
