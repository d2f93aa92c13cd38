package polydex.files.sheets;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.files.Shipped;
import polydex.files.demo.DemoHistory;
import polydex.keys.Gesture;
import polydex.person.Knowledge;
import polydex.recall.ItemState;
import polydex.recall.Progress;
import polydex.route.SetupId;
import polydex.sheets.Sheet;
import polydex.sheets.SheetKind;
import polydex.sheets.SheetMaker;
import polydex.sheets.SheetMaterial;
import polydex.sheets.SheetWish;
import polydex.totals.Audit;
import polydex.workspace.Workspace;

/** Sheets of the demo, and sheets of names that nobody would want on one. */
final class DemoSheets {
  static final Workspace DEMO = Shipped.demo();
  static final SheetMaterial MATERIAL = material();

  /** Markup, formulas, marks, control and bidirectional characters, other scripts, too much. */
  static final List<String> HOSTILE =
      List.of(
          "<script>alert(1)</script>",
          "<img src=x onerror=alert(1)>",
          "${1+1} <#include \"/etc/passwd\"> ${.data_model}",
          "=cmd|' /C calc'!A0",
          "@SUM(A1)",
          "[click](javascript:alert(1)) `a` **b** | c | ~~d~~",
          "\u001b]0;title\u0007 red \u0000 nul",
          "safe\u202Egnp.exe\u2066 \u200f",
          "&lt;b&gt; &amp;amp; ]]> -->",
          "\u0416\u0443\u0440\u043d\u0430\u043b \u2192 \u65e5\u672c\u8a9e \u0627\u0644\u0639\u0631\u0628\u064a\u0629 \ud83d\ude00",
          "\\",
          "x".repeat(10_000),
          "many words ".repeat(1_000));

  private DemoSheets() {}

  private static SheetMaterial material() {
    DemoHistory history = DemoHistory.of(DEMO);
    Progress progress = new Progress(DemoHistory.ZONE);
    history.answers().forEach(progress::add);
    Audit audit =
        Knowledge.audit(DEMO, DemoHistory.ZONE, item -> progress.state(item).map(ItemState::begun));
    history.events().forEach(audit::add);
    Knowledge known =
        new Knowledge(
            DEMO,
            audit.standing(),
            Knowledge.Practice.of(progress.history()),
            item -> progress.state(item).map(ItemState::begun),
            DemoHistory.ZONE,
            LocalDate.of(2031, 3, 14));
    return SheetMaterial.of(known, progress, 0.9, DemoHistory.NOW, "Polydex test");
  }

  static SheetWish wish(SheetKind kind, String setup) {
    return SheetWish.of(kind, Optional.of(DEMO.setups().get(new SetupId(setup))))
        .finding("line cut");
  }

  static Sheet sheet(SheetKind kind) {
    return SheetMaker.make(wish(kind, "laptop-cues"), MATERIAL);
  }

  /** Hostile names at every place of a sheet where a name can stand. */
  static Sheet hostile() {
    List<Sheet.Part> parts = new ArrayList<>();
    for (String name : HOSTILE) {
      Sheet.Cell cell =
          new Sheet.Cell(
              List.of(
                  new Sheet.Shown(Gesture.parse("Ctrl+Shift+Space"), Map.of(), 0),
                  new Sheet.Shown(Gesture.parse("\"=1+1 | `x` <b>\" Ctrl+="), Map.of(), 1)));
      parts.add(
          new Sheet.Lines(
              name,
              List.of(name, "b"),
              name,
              List.of(
                  new Sheet.Line(
                      name,
                      name,
                      List.of(cell, new Sheet.Cell(List.of())),
                      name,
                      List.of(name),
                      List.of(1)))));
      parts.add(new Sheet.Facts(name, List.of(new Sheet.Fact(name, name))));
      parts.add(new Sheet.Steps(name, Optional.empty(), List.of(new Sheet.Tick(name, true))));
      parts.add(new Sheet.Said(name, name));
    }
    return new Sheet(
        HOSTILE.getFirst(),
        String.join(" ", HOSTILE.subList(0, 8)),
        parts,
        List.of(String.join(" ", HOSTILE)),
        new Sheet.Foot(LocalDate.of(2031, 3, 14), HOSTILE.get(7), HOSTILE.get(1)));
  }
}
