package polydex.files.sheets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Naming;
import polydex.keys.Modifier;
import polydex.sheets.Sheet;
import polydex.sheets.SheetKind;
import polydex.sheets.SheetMaker;

/** Keyboards to scale, and cards whose halves are read from two sides. */
class PictureAndCardTest {
  private static List<Sheet.Picture> pictures(String setup) {
    return SheetMaker.make(
            DemoSheets.wish(SheetKind.SETUP, setup).withPictures(true), DemoSheets.MATERIAL)
        .parts()
        .stream()
        .filter(Sheet.Picture.class::isInstance)
        .map(Sheet.Picture.class::cast)
        .toList();
  }

  private static List<Mark.Box> boxes(Piece piece) {
    return piece.elements().getFirst().marks().stream()
        .filter(Mark.Box.class::isInstance)
        .map(Mark.Box.class::cast)
        .toList();
  }

  @ParameterizedTest
  @ValueSource(strings = {"laptop-cues", "studio-timeline", "slate-stars"})
  void keysLieWithinTheWidthAndLettersWithinTheirKeys(String setup) {
    for (Sheet.Picture picture : pictures(setup)) {
      for (double width : new double[] {523, 770}) {
        Piece piece = new PictureSetting(10, width).set(picture);
        List<Mark.Box> keys = boxes(piece);
        assertThat(keys).hasSizeGreaterThan(50);
        assertThat(keys).allMatch(b -> b.x() >= 0 && b.x() + b.width() <= width + 0.01);
        assertThat(keys).allMatch(b -> b.y() + b.height() <= piece.height());
        // Every key that does something is there and grey; what is white does nothing.
        long grey = keys.stream().filter(b -> b.fill() < 1).count();
        assertThat(grey).isGreaterThanOrEqualTo(picture.taken());
        for (Mark mark : piece.elements().getFirst().marks()) {
          if (mark instanceof Mark.Text t) {
            double right = t.x() + t.face().width(t.text()) * t.size();
            assertThat(t.size()).isGreaterThanOrEqualTo(Paper.SMALLEST_TYPE);
            assertThat(keys)
                .as(t.text())
                .anyMatch(
                    b ->
                        t.x() >= b.x()
                            && right <= b.x() + b.width() + 0.5
                            && t.y() > b.y()
                            && t.y() <= b.y() + b.height() + 0.5);
          }
        }
      }
    }
  }

  @Test
  void legendsAreThePlatformsWords() {
    assertThat(pictures("laptop-cues").getFirst().faces().values())
        .extracting(Sheet.Face::legend)
        .contains("Star", "Ctrl", "F2", "Space")
        .doesNotContain("Meta");
    Naming naming = new Naming(DemoSheets.DEMO.catalog());
    EnvironmentId editor = new EnvironmentId("cue-editor-alder");
    assertThat(naming.place(editor)).isEqualTo("Cue editor on Alder");
    assertThat(naming.place(new EnvironmentId("cue-editor-corvid")))
        .isEqualTo("Cue editor for Corvid");
    assertThat(naming.words(editor)).containsEntry(Modifier.META, "Star");
    assertThat(naming.look(editor)).isEqualTo(naming.look(new EnvironmentId("alder")));
    assertThat(naming.title(new EnvironmentId("nowhere"))).isEqualTo("nowhere");
    assertThat(Optional.of(naming.look(new EnvironmentId("corvid"))))
        .isNotEqualTo(Optional.of(naming.look(new EnvironmentId("alder"))));
  }

  /** The upper half stands on its head: what begins its lines is at the right, and turned. */
  @Test
  void theHalvesOfACardAreReadFromTwoSides() throws Exception {
    Pages pages =
        Pages.of(
            DemoSheets.sheet(SheetKind.ENVIRONMENT),
            new Paper(Paper.Size.A4, false, Paper.Form.CARD));
    assertThat(pages.count()).isEqualTo(1);
    assertThat(pages.pages()).hasSize(2);
    int[] turned = new int[2];
    int[] upright = new int[2];
    try (PDDocument document = Loader.loadPDF(SheetFile.pdf(pages))) {
      assertThat(document.getNumberOfPages()).isEqualTo(1);
      PDFTextStripper places =
          new PDFTextStripper() {
            @Override
            protected void processTextPosition(TextPosition at) {
              double y = at.getTextMatrix().getTranslateY();
              int half = y > pages.paper().height() / 2 ? 0 : 1;
              if (at.getTextMatrix().getScaleX() < 0) {
                turned[half]++;
              } else {
                upright[half]++;
              }
            }
          };
      places.getText(document);
    }
    assertThat(turned[0]).isGreaterThan(300);
    assertThat(upright[0]).isZero();
    assertThat(turned[1]).isZero();
    assertThat(upright[1]).isGreaterThan(100);
    assertThat(pages.paper().height()).isCloseTo(841.89, within(0.01));
  }
}
