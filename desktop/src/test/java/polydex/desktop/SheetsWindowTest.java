package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.atomic.AtomicReference;
import javafx.application.Platform;
import javafx.scene.image.ImageView;
import javafx.scene.input.Clipboard;
import javafx.stage.Stage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Sheets are chosen, looked at, printed, saved, copied and handed on, by keys alone. */
@ExtendWith(ApplicationExtension.class)
class SheetsWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private Path beside(String name) {
    return session.file().get().toAbsolutePath().resolveSibling(name);
  }

  private ImageView page() {
    return (ImageView) stage.getScene().getRoot().lookup(".page-preview .image-view");
  }

  private double pageWidth() {
    return WaitForAsyncUtils.waitForAsyncFx(
        5_000, () -> page().getImage() == null ? 0 : page().getFitWidth());
  }

  @Test
  void aSheetIsChosenSeenTurnedAndPrinted() throws Exception {
    person.keys("Alt+S");
    person.untilShown("Page 1 of 2 · type of 10 points · A4");
    person.untilShown("It does not fit on one page");
    person.until("the page is drawn", () -> pageWidth() > 100);
    person.keys("Ctrl+PageDown");
    person.untilShown("Page 2 of 2");
    // Another sheet is there at once, and is looked at from its beginning.
    person.keys("Down");
    person.untilShown("Page 1 of 3");
    person.keys("Up");
    person.keys("Up");
    person.untilShown("Page 1 of 1");
    person.keys("Alt+H");
    person.keys("Right");
    person.untilShown("Of");
    person.keys("End");
    person.keys("Right");
    person.keys("Right");
    person.untilShown("type of 18 points");
    person.keys("Left");
    person.untilShown("desk card");
    person.keys("Left");
    // The page whose width counts is the new one.
    person.untilShown("type of 11 points \u00b7 A4");
    // The frame that shows where the keys go leaves the page as large as it is.
    double whole = pageWidth();
    person.keys("Alt+P");
    person.keys("=");
    person.until("larger", () -> pageWidth() > whole * 1.3);
    person.keys("-");
    person.until("the whole page", () -> pageWidth() == whole);
    person.keys("Ctrl+P");
    person.untilShown("The simulated printer wrote 1 page into");
    Path printed;
    try (var files = Files.list(beside("x").getParent())) {
      printed =
          files
              .filter(f -> f.getFileName().toString().startsWith("Printed "))
              .findFirst()
              .orElseThrow();
    }
    try (PDDocument pdf = Loader.loadPDF(printed.toFile())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(1);
      assertThat(new PDFTextStripper().getText(pdf)).contains("14 March 2031");
    }
  }

  @Test
  void wordsFindWhatIsOnASheetAndItIsSavedAndCopied() throws Exception {
    person.keys("Alt+S");
    person.keys("Home");
    person.keys("Down");
    person.keys("Down");
    person.keys("Down");
    person.untilShown("Enter types them");
    person.keys("Alt+H");
    person.keys("Home");
    person.keys("Enter");
    person.type("duplicate line");
    person.keys("Enter");
    person.untilShown("duplicate line");
    person.untilShown("Page 1 of 1");
    person.keys("Ctrl+S");
    person.untilShown("Save the sheet as .pdf, .html, .md, .csv, .json");
    person.keys("Ctrl+A");
    person.type(beside("found.md").toString());
    person.keys("Enter");
    person.untilShown("Saved ");
    assertThat(beside("found.md")).content().contains("Duplicate the line", "`Ctrl+Shift+D`");
    person.keys("Ctrl+S");
    person.keys("Ctrl+A");
    person.type(beside("found.md").toString());
    person.keys("Enter");
    person.untilShown("is there already. It was left as it is.");
    person.keys("Ctrl+C");
    person.untilShown("Copied ““duplicate line””.");
    AtomicReference<String> copied = new AtomicReference<>("");
    Platform.runLater(() -> copied.set(String.valueOf(Clipboard.getSystemClipboard().getHtml())));
    person.until("it was copied", () -> copied.get().contains("<kbd"));
  }

  @Test
  void whatIsHandedOnComesBackThroughThePreview() throws Exception {
    person.keys("Alt+S");
    person.keys("F5");
    person.untilShown("Hand on keymaps");
    person.keys("Ctrl+A");
    person.type(beside("given.json").toString());
    person.keys("Enter");
    person.untilShown("given.json has it.");
    byte[] bytes = Files.readAllBytes(beside("given.json"));
    assertThat(new String(bytes, StandardCharsets.UTF_8))
        .contains("polydex-bundle/1")
        .doesNotContain(session.file().get().getParent().toString());
    person.keys("F4");
    person.type(beside("given.json").toString());
    person.keys("Enter");
    person.untilShown("16 keymaps with");
    assertThat(Arrays.hashCode(bytes))
        .isEqualTo(Arrays.hashCode(Files.readAllBytes(beside("given.json"))));
  }
}
