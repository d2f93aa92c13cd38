package polydex.files.sheets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static polydex.files.sheets.DemoSheets.DEMO;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.files.lists.Intake;
import polydex.files.lists.ListReader;
import polydex.intake.BindingIntake;
import polydex.keys.Gesture;
import polydex.sheets.Sheet;
import polydex.sheets.SheetKind;
import polydex.sheets.SheetMaker;

/** Sheets as files: read back by readers that know nothing of sheets. */
class SheetFormsTest {
  @TempDir Path folder;

  private static String letters(String text) {
    return text.replaceAll("[^\\p{L}\\p{N}]", "");
  }

  @ParameterizedTest
  @EnumSource(SheetKind.class)
  void aPdfHasEveryWordEveryFontAndATagForEachPart(SheetKind kind) throws Exception {
    Sheet sheet = DemoSheets.sheet(kind);
    byte[] bytes = SheetFile.pdf(Pages.of(sheet, Paper.USUAL));
    try (PDDocument document = Loader.loadPDF(bytes)) {
      String text = letters(new PDFTextStripper().getText(document));
      for (Sheet.Part part : sheet.parts()) {
        assertThat(text).contains(letters(part.title()));
        if (part instanceof Sheet.Lines l && l.columns().isEmpty() && l.figure().isEmpty()) {
          // Where nothing stands beside a title it is in one piece.
          l.lines().stream()
              .filter(x -> x.title().length() < 12)
              .forEach(x -> assertThat(text).contains(letters(x.title())));
        }
      }
      isTagged(document, sheet);
      assertThat(document.getDocumentInformation().getTitle()).isEqualTo(sheet.title());
      assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("en");
      for (PDPage page : document.getPages()) {
        for (COSName name : page.getResources().getFontNames()) {
          assertThat(page.getResources().getFont(name).isEmbedded()).isTrue();
        }
      }
      assertThat(document.getDocumentCatalog().getOpenAction()).isNull();
      assertThat(document.getDocumentCatalog().getNames()).isNull();
    }
  }

  /** Each number on each page leads to one element, and each element has its number on a page. */
  private static void isTagged(PDDocument document, Sheet sheet) throws IOException {
    Map<Integer, Set<Integer>> onPages = new HashMap<>();
    for (PDPage page : document.getPages()) {
      PDFMarkedContentExtractor marks = new PDFMarkedContentExtractor();
      marks.processPage(page);
      marks
          .getMarkedContents()
          .forEach(
              m -> {
                if (m.getMCID() >= 0) {
                  boolean first =
                      onPages
                          .computeIfAbsent(page.getStructParents(), _ -> new HashSet<>())
                          .add(m.getMCID());
                  assertThat(first).as("a number stands once on a page").isTrue();
                }
              });
    }
    COSDictionary tree =
        document
            .getDocumentCatalog()
            .getStructureTreeRoot()
            .getCOSObject()
            .getCOSDictionary(COSName.PARENT_TREE);
    COSArray nums = tree.getCOSArray(COSName.NUMS);
    for (int i = 0; i < nums.size(); i += 2) {
      int page = ((COSNumber) nums.getObject(i)).intValue();
      assertThat(((COSArray) nums.getObject(i + 1)).size()).isEqualTo(onPages.get(page).size());
    }
    Set<String> kinds = new TreeSet<>();
    document.getDocumentCatalog().getStructureTreeRoot().getKids().forEach(k -> collect(k, kinds));
    assertThat(kinds).contains("Document", "H1", "H2");
    if (sheet.lines() > 0) {
      assertThat(kinds).contains("Table", "TR", "TH");
    }
  }

  private static void collect(Object node, Set<String> kinds) {
    if (node instanceof PDStructureElement e) {
      kinds.add(e.getStructureType());
      e.getKids().forEach(k -> collect(k, kinds));
    } else if (node instanceof COSObject) {
      throw new AssertionError("not read: " + node);
    }
  }

  @ParameterizedTest
  @EnumSource(Paper.Form.class)
  void hostileNamesMakeAPageLikeAnyOther(Paper.Form form) throws Exception {
    for (Paper.Size size : Paper.Size.values()) {
      Pages pages = Pages.of(DemoSheets.hostile(), new Paper(size, false, form));
      byte[] bytes = SheetFile.pdf(pages);
      try (PDDocument document = Loader.loadPDF(bytes)) {
        assertThat(document.getNumberOfPages()).isEqualTo(pages.count());
        String text = letters(new PDFTextStripper().getText(document));
        assertThat(text).contains("alert1").contains("onerroralert1");
      }
      assertThat(pages.told()).anyMatch(t -> t.contains("too long for the paper"));
    }
  }

  @Test
  void hostileNamesAreWordsInHtml() {
    Document page = Jsoup.parse(HtmlSheet.write(DemoSheets.hostile(), Paper.USUAL));
    assertThat(page.select("script, img, iframe, object, link, form, base")).isEmpty();
    for (Element e : page.getAllElements()) {
      e.attributes()
          .forEach(
              a -> {
                assertThat(a.getKey()).doesNotStartWith("on").isNotEqualTo("src");
                if (a.getKey().equals("href")) {
                  assertThat(a.getValue()).startsWith("#note-");
                }
              });
    }
    assertThat(page.select("style").html()).doesNotContain("http", "@import");
    for (String name : DemoSheets.HOSTILE) {
      assertThat(page.body().wholeText()).contains(Typeface.shown(name).strip());
    }
    assertThat(page.body().wholeText()).doesNotContain("\u202E", "\u001b", "\u0000", "\u2066");
    assertThat(page.select("meta[http-equiv=Content-Security-Policy]").attr("content"))
        .startsWith("default-src 'none'");
  }

  @Test
  void noFieldOfCsvIsAFormulaAndGesturesReadBack() throws Exception {
    for (Sheet sheet :
        List.of(
            DemoSheets.hostile(),
            DemoSheets.sheet(SheetKind.SETUP),
            DemoSheets.sheet(SheetKind.COMPARE))) {
      List<CSVRecord> rows =
          CSVFormat.RFC4180
              .builder()
              .setHeader()
              .setSkipHeaderRecord(true)
              .get()
              .parse(new StringReader(CsvSheet.write(sheet)))
              .getRecords();
      assertThat(rows).isNotEmpty();
      Set<String> read = new HashSet<>();
      for (CSVRecord row : rows) {
        assertThat(row.toList()).noneMatch(f -> f.matches("(?s)[=+\\-@\t\r].*"));
        row.toMap()
            .forEach(
                (name, field) -> {
                  if (name.startsWith("gestures") && !field.isEmpty()) {
                    for (String one : field.split(" \\| (?=[^\"]*(?:\"[^\"]*\"[^\"]*)*$)")) {
                      read.add(Gesture.parse(one).toString());
                    }
                  }
                });
      }
      Set<String> wanted =
          sheet.parts().stream()
              .filter(Sheet.Lines.class::isInstance)
              .flatMap(p -> ((Sheet.Lines) p).lines().stream())
              .flatMap(l -> l.cells().stream())
              .flatMap(c -> c.gestures().stream())
              .map(g -> g.gesture().toString())
              .collect(Collectors.toSet());
      assertThat(read).isEqualTo(wanted);
    }
  }

  /** A keymap's sheet brought in again by the reader of foreign lists changes no binding of it. */
  @ParameterizedTest
  @EnumSource(
      value = SheetFile.Form.class,
      names = {"HTML", "MARKDOWN", "CSV"})
  void whatWasWrittenIsReadAgainAsAListOfBindings(SheetFile.Form form) throws Exception {
    EnvironmentId id = new EnvironmentId("cue-editor-alder");
    String title = DEMO.catalog().environment(id).orElseThrow().title();
    Sheet sheet =
        SheetMaker.make(
            DemoSheets.wish(SheetKind.ENVIRONMENT, "laptop-cues").about(id), DemoSheets.MATERIAL);
    Path file =
        Files.writeString(
            folder.resolve("sheet" + form.end()), SheetFile.text(sheet, Paper.USUAL, form));
    Intake intake = Intake.of(DEMO, ListReader.read(file), Intake.Said.NOTHING.titled(title));
    var plan = BindingIntake.plan(DEMO.with(intake.remembered()), intake.request());
    // What holds in a context only says so in words, which are no name of a context.
    Set<String> somewhere =
        DEMO.catalog().bindings(id).stream()
            .filter(b -> !b.context().equals("anywhere"))
            .map(b -> b.gesture().toString())
            .collect(Collectors.toSet());
    assertThat(plan.taken())
        .as(form.title())
        .hasSizeLessThanOrEqualTo(somewhere.size())
        .allMatch(t -> somewhere.contains(t.gesture().toString()));
    assertThat(plan.changed()).as(form.title()).isEmpty();
    assertThat(plan.refused()).as(form.title()).isEmpty();
    assertThat(plan.known())
        .as(form.title())
        .hasSizeGreaterThan(DEMO.catalog().bindings(id).size() * 9 / 10);
  }

  @Test
  void jsonIsAsItsSchemaSays() throws Exception {
    JsonNode schema =
        new ObjectMapper().readTree(Path.of("../docs/schemas/sheet.schema.json").toFile());
    for (SheetKind kind : SheetKind.values()) {
      String json = SheetFile.text(DemoSheets.sheet(kind), Paper.USUAL, SheetFile.Form.JSON);
      JsonNode written = new ObjectMapper().readTree(json);
      assertThat(
              JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                  .getSchema(schema)
                  .validate(written))
          .as(kind.word())
          .isEmpty();
      assertThat(written.get("lines").size())
          .isGreaterThanOrEqualTo(DemoSheets.sheet(kind).lines());
    }
  }

  @Test
  void whatCantBeWrittenLeavesEverythingAsItWas() throws Exception {
    Pages pages = Pages.of(DemoSheets.sheet(SheetKind.WEEK), Paper.USUAL);
    Path there = Files.writeString(folder.resolve("there.pdf"), "mine");
    assertThatThrownBy(() -> SheetFile.write(pages, there, false))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("is there already");
    assertThat(there).hasContent("mine");
    assertThatThrownBy(() -> SheetFile.write(pages, folder.resolve("no/where.pdf"), false))
        .hasMessageContaining("no folder");
    assertThatThrownBy(() -> SheetFile.write(pages, folder.resolve("a.doc"), false))
        .hasMessageContaining(".pdf, .html, .md, .csv, .json");
    SheetFile.write(pages, there, true);
    assertThat(Files.readAllBytes(there)).startsWith("%PDF-1.".getBytes(StandardCharsets.US_ASCII));
    try (var files = Files.list(folder)) {
      assertThat(files).containsExactly(there);
    }
  }

  @Test
  void aPageIsDrawnAsItIsWritten() {
    Pages pages = Pages.of(DemoSheets.sheet(SheetKind.SETUP), Paper.USUAL);
    PageImage drawn = PageImage.of(pages, 1, 1);
    assertThat(drawn.width()).isEqualTo(595);
    assertThat(drawn.height()).isEqualTo(841);
    long dark = Arrays.stream(drawn.argb()).filter(p -> (p & 0xff) < 128).count();
    assertThat(dark).isBetween(2_000L, 100_000L);
    assertThat(PageImage.of(pages, 0, 1000).height()).isLessThanOrEqualTo(6001);
  }
}
