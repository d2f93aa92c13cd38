package polydex.sheets;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.decimals;
import static polydex.language.Language.quoted;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.effort.SpokenTime;
import polydex.language.Language;
import polydex.mouse.Remaining.Kind;
import polydex.mouse.Remaining.RemainingRow;
import polydex.mouse.Walk;
import polydex.mouse.WeeklyReview;
import polydex.person.Findings;
import polydex.recognition.Place;
import polydex.sheets.Sheet.Cell;
import polydex.sheets.Sheet.Fact;
import polydex.sheets.Sheet.Facts;
import polydex.sheets.Sheet.Line;
import polydex.sheets.Sheet.Lines;
import polydex.sheets.Sheet.Part;
import polydex.sheets.Sheet.Said;

/** What the mouse log says: what is still done with the pointer, and the last seven days. */
final class MouseSheet {
  private static final DateTimeFormatter DAY = Language.dates(worded("sheets.d-mmmm-uuuu"));

  private final Drafting drafting;
  private final Findings findings;

  MouseSheet(Drafting drafting) {
    this.drafting = drafting;
    this.findings = drafting.material().known().findings();
  }

  Sheet remaining() {
    Map<Kind, List<Line>> byKind = new LinkedHashMap<>();
    double hours = 0;
    for (RemainingRow row : findings.remaining()) {
      if (row.kept().isEmpty()) {
        hours += row.hoursAYear();
        byKind.computeIfAbsent(row.kind(), _ -> new ArrayList<>()).add(line(row));
      }
    }
    List<Part> parts = new ArrayList<>();
    byKind.forEach(
        (kind, lines) ->
            parts.add(new Lines(title(kind), List.of(), worded("sheets.a-year"), lines)));
    if (parts.isEmpty()) {
      parts.add(new Said("", worded("sheets.nothing-is-done-with-the-mouse")));
    }
    return drafting.sheet(
        worded("sheets.what-the-mouse-still-does"),
        byKind.isEmpty()
            ? ""
            : worded("sheets.keys-in-its-place-would-save", SpokenTime.hours(hours)),
        parts);
  }

  private static String title(Kind kind) {
    return switch (kind) {
      case LEARN -> worded("sheets.learn-a-gesture-does-it");
      case FREE_THE_WAY -> worded("sheets.free-the-way-something-stops-its");
      case BIND -> worded("sheets.bind-it-can-be-given-a");
      case WALK -> worded("sheets.walk-by-menus-arrows-or-tab");
      case POINTER_BY_NATURE -> worded("sheets.about-a-place-on-the-screen");
      case UNKNOWN -> worded("sheets.not-known-here");
    };
  }

  private Line line(RemainingRow row) {
    return new Line(
        title(row.place()),
        drafting.naming().place(row.place().environment()),
        List.of(
            new Cell(
                row.gesture().stream()
                    .map(
                        g -> drafting.shown(g, row.environment().orElse(row.place().environment())))
                    .toList())),
        SpokenTime.hours(row.hoursAYear()),
        row.walk().map(MouseSheet::walk).stream().toList(),
        List.of());
  }

  private static String walk(Walk walk) {
    return worded(
        "sheets.presses",
        walk.means() == Walk.Means.MENUS ? worded("sheets.by-menus") : worded("sheets.by-tab"),
        String.join(" › ", walk.path()),
        walk.presses());
  }

  private String title(Place place) {
    return switch (place.doing()) {
      case Place.Known(var id) -> drafting.catalog().title(id);
      case Place.Unnamed(String name) -> quoted(name);
    };
  }

  Sheet week() {
    WeeklyReview review = findings.review();
    List<Part> parts = new ArrayList<>();
    parts.add(new Facts(worded("sheets.in-numbers"), facts(review)));
    parts.add(places(worded("sheets.replaced-by-keys"), review.replaced()));
    parts.add(places(worded("sheets.came-back"), review.cameBack()));
    parts.add(places(worded("sheets.slipped-after-twenty-times-by-keys"), review.slipped()));
    parts.add(rows(worded("sheets.costs-most-now"), review.dearest()));
    parts.add(rows(worded("sheets.for-the-next-week"), review.proposals()));
    return drafting.sheet(
        worded(
            "sheets.the-week-from-to",
            DAY.format(review.days().getStart()),
            DAY.format(review.days().getEnd().minusDays(1))),
        review.now().workingDays() == 0 ? worded("sheets.nothing-was-logged-in-these-seven") : "",
        parts);
  }

  private static List<Fact> facts(WeeklyReview review) {
    WeeklyReview.Totals now = review.now();
    WeeklyReview.Totals before = review.before();
    List<Fact> facts = new ArrayList<>();
    facts.add(new Fact(worded("sheets.uses-by-keys"), "%,d".formatted(now.keys())));
    facts.add(new Fact(worded("sheets.uses-by-mouse"), "%,d".formatted(now.pointer())));
    facts.add(
        new Fact(worded("sheets.by-keys"), after(now.coverage(), before.coverage(), 100, " %")));
    facts.add(
        new Fact(
            worded("sheets.trips-of-the-hand-to-the"),
            after(now.tripsAnHour(), before.tripsAnHour(), 1, "")));
    facts.add(new Fact(worded("sheets.working-days"), String.valueOf(now.workingDays())));
    return facts;
  }

  private static String after(
      Optional<Double> now, Optional<Double> before, double times, String unit) {
    return now.map(
            n ->
                String.format(Language.locale(), "%.0f%s", times * n, unit)
                    + before
                        .map(b -> worded("sheets.the-week-before", decimals(0, times * b), unit))
                        .orElse(""))
        .orElse("–");
  }

  private Part places(String title, List<Place> places) {
    return places.isEmpty()
        ? new Said(title, worded("sheets.nothing"))
        : new Lines(
            title,
            places.stream()
                .map(
                    p ->
                        new Line(
                            title(p),
                            drafting.naming().place(p.environment()),
                            List.of(),
                            "",
                            List.of(),
                            List.of()))
                .toList());
  }

  private Part rows(String title, List<RemainingRow> rows) {
    return rows.isEmpty()
        ? new Said(title, worded("sheets.nothing"))
        : new Lines(
            title, List.of(), worded("sheets.a-year"), rows.stream().map(this::line).toList());
  }
}
