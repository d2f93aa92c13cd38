package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static polydex.cli.Ran.run;

import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import polydex.files.sheets.SheetFile;
import polydex.sheets.SheetKind;

class SheetCommandTest {
  @TempDir Path folder;

  @ParameterizedTest
  @EnumSource(SheetKind.class)
  void everySheetIsWritten(SheetKind kind) throws Exception {
    String[] found = kind == SheetKind.FOUND ? new String[] {"cut", "line"} : new String[0];
    // Every form of one, since the forms differ in nothing but what is on them.
    SheetFile.Form[] forms =
        kind == SheetKind.OWN ? SheetFile.Form.values() : new SheetFile.Form[] {SheetFile.Form.PDF};
    for (SheetFile.Form form : forms) {
      Path to = folder.resolve("a" + form.end());
      Ran ran = run(with(found, "sheet", kind.word(), "--demo", "--to", to.toString()));
      assertThat(ran.code()).as(ran.err()).isIn(Main.DONE, Main.NO);
      assertThat(ran.code() == Main.NO).isEqualTo(ran.err().contains("does not fit"));
      assertThat(Files.size(to)).isPositive();
    }
    try (PDDocument pdf = Loader.loadPDF(folder.resolve("a.pdf").toFile())) {
      assertThat(new PDFTextStripper().getText(pdf)).contains("14 March 2031", "Polydex 0.");
    }
    if (forms.length > 1) {
      assertThat(Files.readString(folder.resolve("a.md"))).contains("# Own bindings", "- [ ] ");
    }
  }

  private static String[] with(String[] more, String... first) {
    String[] all = new String[first.length + more.length];
    // The words come right behind the kind.
    System.arraycopy(first, 0, all, 0, 2);
    System.arraycopy(more, 0, all, 2, more.length);
    System.arraycopy(first, 2, all, 2 + more.length, first.length - 2);
    return all;
  }

  @Test
  void whatIsAskedWronglyIsRefused() throws Exception {
    Path there = Files.writeString(folder.resolve("there.pdf"), "mine");
    String path = there.toString();
    assertThat(run("sheet", "poster", "--demo").err()).contains("There are: environment, setup");
    assertThat(run("sheet", "environment", "nowhere", "--demo").code()).isEqualTo(Main.USAGE);
    assertThat(run("sheet", "find", "--demo").code()).isEqualTo(Main.USAGE);
    assertThat(run("sheet", "week", "alder", "--demo").code()).isEqualTo(Main.USAGE);
    Ran taken = run("sheet", "week", "--demo", "--to", path);
    assertThat(taken.code()).isEqualTo(Main.FILE);
    assertThat(taken.err()).contains("is there already");
    assertThat(there).hasContent("mine");
    assertThat(run("sheet", "week", "--demo", "--to", path, "--replace").code())
        .isEqualTo(Main.DONE);
    assertThat(run("sheet", "week", "--demo", "--to", "sheet.doc").code()).isEqualTo(Main.FILE);
  }

  @Test
  void aCardAPageAcrossAndLargePrintDifferInTheirPages() throws Exception {
    String to = folder.resolve("a.pdf").toString();
    assertThat(run("sheet", "environment", "--demo", "--form", "card", "--to", to).out())
        .contains("1 side of A4");
    assertThat(
            run(
                    "sheet",
                    "environment",
                    "--demo",
                    "--form",
                    "large",
                    "--paper",
                    "letter",
                    "--across",
                    "--keyboards",
                    "--replace",
                    "--to",
                    to)
                .out())
        .contains("sides of Letter across, type of 18 points");
    assertThat(run("sheet", "compare", "alder", "corvid", "--demo").out())
        .contains("# Alder and Corvid", "## One modifier away", "`Ctrl+Meta+J`");
  }

  @Test
  void aBundleIsWrittenAndBroughtInElsewhere() throws Exception {
    Path bundle = folder.resolve("for-you.json");
    assertThat(run("bundle", "--demo", "--to", bundle.toString()).out())
        .contains("16 keymaps and 5 setups");
    Path file = folder.resolve("theirs.polydex");
    Ran brought = run("import", bundle.toString(), "--file", file.toString());
    assertThat(brought.code()).as(brought.err() + brought.out()).isEqualTo(Main.DONE);
    assertThat(run("trace", "Ctrl+Shift+D", "--file", file.toString(), "-s", "laptop-cues").out())
        .contains("Type the show stamp");
  }
}
