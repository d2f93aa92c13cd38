package polydex.bench;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.files.sheets.Pages;
import polydex.files.sheets.Paper;
import polydex.files.sheets.SheetFile;
import polydex.person.Knowledge;
import polydex.sheets.Sheet;
import polydex.sheets.SheetKind;
import polydex.sheets.SheetMaker;
import polydex.sheets.SheetMaterial;
import polydex.sheets.SheetWish;
import polydex.workspace.Workspace;

/** How fast sheets are set, and what they leave behind in memory. */
final class SheetsBench {
  /** Bindings of a sheet of some 300 pages. */
  private static final int MANY = 16_000;

  private static final int ROUNDS = 10;

  private SheetsBench() {}

  static void run() throws Exception {
    Sheet thousand = sheet(1_000);
    Main.row(
        "a sheet as PDF, set and written / as HTML by its template",
        "%,d lines, %d pages".formatted(thousand.lines(), Pages.of(thousand, Paper.USUAL).count()),
        () -> SheetFile.pdf(Pages.of(thousand, Paper.USUAL)).length,
        () -> SheetFile.text(thousand, Paper.USUAL, SheetFile.Form.HTML).length(),
        1);
    Main.row(
        "a sheet set on pages / the same once more as PDF",
        "%,d lines".formatted(thousand.lines()),
        () -> Pages.of(thousand, Paper.USUAL).count(),
        () -> SheetFile.pdf(Pages.of(thousand, Paper.USUAL)).length,
        1);
    memory(sheet(MANY));
  }

  /** What is in use once the garbage is gone, after each of some rounds. */
  private static void memory(Sheet sheet) throws InterruptedException {
    long[] used = new long[ROUNDS];
    int pages = 0;
    double slowest = 0;
    for (int i = 0; i < ROUNDS; i++) {
      long begun = System.nanoTime();
      Pages set = Pages.of(sheet, Paper.USUAL);
      pages = set.count();
      if (SheetFile.pdf(set).length == 0) {
        throw new IllegalStateException("nothing was written");
      }
      slowest = Math.max(slowest, (System.nanoTime() - begun) / 1e9);
      set = null;
      used[i] = CatalogBench.used();
    }
    System.out.printf(
        Locale.ROOT,
        "| memory in use after a sheet was written, first to last of %d times; the slowest | %,d"
            + " pages | %.1f to %.1f MB | %.1f s | |%n",
        ROUNDS,
        pages,
        used[1] / 1e6,
        used[ROUNDS - 1] / 1e6,
        slowest);
  }

  /** A keymap of so many bindings as a sheet. */
  private static Sheet sheet(int bindings) {
    Workspace workspace = CatalogBench.workspace(bindings * 10 / 9);
    EnvironmentId largest =
        workspace.catalog().environments().stream()
            .map(Environment::id)
            .max(Comparator.comparingInt(e -> workspace.catalog().bindings(e).size()))
            .orElseThrow();
    Knowledge known =
        new Knowledge(
            workspace,
            Knowledge.audit(workspace, ZoneOffset.UTC, _ -> Optional.empty()).standing(),
            Knowledge.Practice.NONE,
            _ -> Optional.empty(),
            ZoneOffset.UTC,
            LocalDate.of(2031, 3, 14));
    return SheetMaker.make(
        SheetWish.of(SheetKind.ENVIRONMENT, workspace.setup()).about(largest),
        new SheetMaterial(
            known, Map.of(), List.of(), 0.9, Instant.parse("2031-03-14T16:00:00Z"), "Polydex"));
  }
}
