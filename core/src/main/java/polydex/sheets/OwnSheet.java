package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import polydex.fit.Bench;
import polydex.fit.ChangeSheet;
import polydex.fit.OwnBinding;
import polydex.fit.Target;
import polydex.route.Situation.Computer;
import polydex.sheets.Sheet.Cell;
import polydex.sheets.Sheet.Line;
import polydex.sheets.Sheet.Lines;
import polydex.sheets.Sheet.Part;
import polydex.sheets.Sheet.Steps;
import polydex.sheets.Sheet.Tick;

/** Bindings of one's own, computer by computer, and behind them what is to be changed there. */
final class OwnSheet {
  private final Drafting drafting;

  OwnSheet(Drafting drafting) {
    this.drafting = drafting;
  }

  Sheet make() {
    Bench bench = drafting.workspace().bench();
    List<OwnBinding> own = bench.own(drafting.today());
    Map<Computer, List<Line>> lines = new LinkedHashMap<>();
    own.forEach(
        o -> lines.computeIfAbsent(o.computer(), _ -> new ArrayList<>()).add(line(bench, o)));
    List<Part> parts = new ArrayList<>();
    lines.forEach((computer, all) -> parts.add(new Lines(name(computer), List.of(), "", all)));
    List<ChangeSheet> sheets = ChangeSheet.all(bench, drafting.today());
    for (ChangeSheet sheet : sheets) {
      for (ChangeSheet.Part part : sheet.parts()) {
        parts.add(
            new Steps(
                name(sheet.computer()) + ": " + part.title(),
                part.gesture().map(g -> drafting.shown(g, sheet.computer().platform())),
                part.steps().stream().map(s -> new Tick(s.words(), s.done())).toList()));
      }
    }
    int open = sheets.stream().mapToInt(s -> s.steps() - s.done()).sum();
    return drafting.sheet(
        worded("any.own-bindings"),
        own.isEmpty() && sheets.isEmpty()
            ? worded("sheets.there-is-no-binding-of-your")
            : worded(
                "sheets.of-your-own-to-be-done",
                worded("sheets.bindings", own.size()),
                open == 0 ? worded("sheets.nothing-is") : worded("sheets.steps-to-do", open)),
        parts);
  }

  private String name(Computer computer) {
    return computer.title();
  }

  private Line line(Bench bench, OwnBinding o) {
    List<String> under = new ArrayList<>();
    o.target().map(Target::said).ifPresent(under::add);
    if (bench.isTouched(o)) {
      under.add(worded("sheets.something-that-its-keys-meet-was"));
    }
    return new Line(
        drafting.catalog().title(o.action()),
        o.state().word(),
        List.of(new Cell(List.of(drafting.shown(o.gesture(), o.computer().platform())))),
        "",
        under,
        List.of());
  }
}
