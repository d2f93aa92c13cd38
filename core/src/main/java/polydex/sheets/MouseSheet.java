package polydex.sheets;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import polydex.effort.SpokenTime;
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
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);

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
    byKind.forEach((kind, lines) -> parts.add(new Lines(title(kind), List.of(), "a year", lines)));
    if (parts.isEmpty()) {
      parts.add(new Said("", "Nothing is done with the mouse, or nothing was logged."));
    }
    return drafting.sheet(
        "What the mouse still does",
        byKind.isEmpty()
            ? ""
            : "Keys in its place would save %s a year, at the pace of the last weeks."
                .formatted(SpokenTime.hours(hours)),
        parts);
  }

  private static String title(Kind kind) {
    return switch (kind) {
      case LEARN -> "Learn: a gesture does it";
      case FREE_THE_WAY -> "Free the way: something stops its gesture";
      case BIND -> "Bind: it can be given a gesture";
      case WALK -> "Walk: by menus, arrows or Tab";
      case POINTER_BY_NATURE -> "About a place on the screen";
      case UNKNOWN -> "Not known here";
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
    return "%s: %s; %d presses."
        .formatted(
            walk.means() == Walk.Means.MENUS ? "By menus" : "By Tab",
            String.join(" › ", walk.path()),
            walk.presses());
  }

  private String title(Place place) {
    return switch (place.doing()) {
      case Place.Known(var id) -> drafting.catalog().title(id);
      case Place.Unnamed(String name) -> "“" + name + "”";
    };
  }

  Sheet week() {
    WeeklyReview review = findings.review();
    List<Part> parts = new ArrayList<>();
    parts.add(new Facts("In numbers", facts(review)));
    parts.add(places("Replaced by keys", review.replaced()));
    parts.add(places("Came back", review.cameBack()));
    parts.add(places("Slipped after twenty times by keys", review.slipped()));
    parts.add(rows("Costs most now", review.dearest()));
    parts.add(rows("For the next week", review.proposals()));
    return drafting.sheet(
        "The week from %s to %s"
            .formatted(
                DAY.format(review.days().getStart()),
                DAY.format(review.days().getEnd().minusDays(1))),
        review.now().workingDays() == 0 ? "Nothing was logged in these seven days." : "",
        parts);
  }

  private static List<Fact> facts(WeeklyReview review) {
    WeeklyReview.Totals now = review.now();
    WeeklyReview.Totals before = review.before();
    List<Fact> facts = new ArrayList<>();
    facts.add(new Fact("Uses by keys", "%,d".formatted(now.keys())));
    facts.add(new Fact("Uses by mouse", "%,d".formatted(now.pointer())));
    facts.add(new Fact("By keys", after(now.coverage(), before.coverage(), 100, " %")));
    facts.add(
        new Fact(
            "Trips of the hand to the mouse, an hour",
            after(now.tripsAnHour(), before.tripsAnHour(), 1, "")));
    facts.add(new Fact("Working days", String.valueOf(now.workingDays())));
    return facts;
  }

  private static String after(
      Optional<Double> now, Optional<Double> before, double times, String unit) {
    return now.map(
            n ->
                String.format(Locale.ROOT, "%.0f%s", times * n, unit)
                    + before
                        .map(
                            b ->
                                String.format(
                                    Locale.ROOT, " (the week before: %.0f%s)", times * b, unit))
                        .orElse(""))
        .orElse("–");
  }

  private Part places(String title, List<Place> places) {
    return places.isEmpty()
        ? new Said(title, "Nothing.")
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
        ? new Said(title, "Nothing.")
        : new Lines(title, List.of(), "a year", rows.stream().map(this::line).toList());
  }
}
