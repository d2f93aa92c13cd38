package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.state.Beside;
import polydex.files.sheets.PageImage;
import polydex.files.sheets.Pages;
import polydex.language.Language;

/**
 * The pages of a sheet as they will be: turned and zoomed by keys, with what does not fit in words
 * below.
 */
final class PagePreview extends VBox {
  /** Pixels for a point; 0 stands for the whole page. */
  private static final List<Double> ZOOMS = List.of(0.0, 1.0, 1.5, 2.0, 3.0);

  private static final double SCROLL = 0.15;

  private final Beside drawing = new Beside("page");
  private final ImageView image = new ImageView();
  private final Label instead = Texts.quiet("");
  private final StackPane sheet = new StackPane(image, instead);
  private final ScrollPane scroll = new ScrollPane(sheet);
  private final Label where = Texts.styled("", "words");
  private final Label told = Texts.words("");
  private Optional<Pages> shown = Optional.empty();
  private int side;
  private int zoom;

  PagePreview() {
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    getStyleClass().add("page-preview");
    scroll.setFocusTraversable(false);
    scroll.setFitToWidth(true);
    scroll.setFitToHeight(true);
    scroll.getStyleClass().add("page-ground");
    sheet.setAlignment(Pos.CENTER);
    instead.setMaxWidth(420);
    told.setVisible(false);
    told.managedProperty().bind(told.visibleProperty());
    told.getStyleClass().add("problem");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    HBox below = new HBox(16, where);
    below.setAlignment(Pos.CENTER_LEFT);
    setSpacing(8);
    getChildren().addAll(scroll, below, told);
    addEventHandler(KeyEvent.KEY_PRESSED, this::walk);
    setOnMousePressed(_ -> requestFocus());
    scroll.viewportBoundsProperty().addListener((_, _, _) -> redraw());
  }

  /** There are no pages yet, or none could be made; in words why. */
  void showNone(String words) {
    drawing.stop();
    shown = Optional.empty();
    image.setImage(null);
    instead.setText(words);
    where.setText("");
    told.setVisible(false);
    setAccessibleText(words);
  }

  /** These are its pages; the page that was looked at is, as far as there is one. */
  void show(Pages pages) {
    shown = Optional.of(pages);
    side = Math.min(side, pages.count() - 1);
    instead.setText("");
    told.setText(String.join(" ", pages.told()));
    told.setVisible(!pages.told().isEmpty());
    // What is told below takes room from the page, or gives it back: the page is drawn once, for
    // the room that it has then, not first for the room of the page before.
    layout();
    redraw();
  }

  /** The next sheet is another one, and looked at from its first page. */
  void begin() {
    side = 0;
    scroll.setVvalue(0);
  }

  /** So many sides on, or back. */
  void turn(int by) {
    if (shown.isPresent()) {
      side = Math.clamp(side + by, 0, shown.orElseThrow().count() - 1);
      scroll.setVvalue(0);
      redraw();
    }
  }

  /** Larger or smaller by some steps. */
  void zoom(int by) {
    zoom = Math.clamp(zoom + by, 0, ZOOMS.size() - 1);
    redraw();
  }

  private double scale(Pages pages) {
    double chosen = ZOOMS.get(zoom);
    double width = Math.max(100, scroll.getViewportBounds().getWidth() - 8);
    double height = Math.max(100, scroll.getViewportBounds().getHeight() - 8);
    return chosen > 0
        ? chosen
        : Math.min(width / pages.paper().width(), height / pages.paper().height());
  }

  private void redraw() {
    if (shown.isEmpty()) {
      return;
    }
    Pages pages = shown.orElseThrow();
    double scale = scale(pages);
    // A screen of two pixels for one gets both.
    double fine = getScene() == null ? 1 : Math.max(1, getScene().getWindow().getOutputScaleX());
    int now = side;
    if (image.getImage() == null) {
      instead.setText(worded("sheets.drawing-the-page"));
    }
    drawing.ask(
        _ -> PageImage.of(pages, now, scale * fine),
        drawn -> {
          instead.setText("");
          image.setImage(Pictures.of(drawn));
          image.setFitWidth(drawn.width() / fine);
          image.setFitHeight(drawn.height() / fine);
          say(pages, now);
        },
        this::showNone);
  }

  private void say(Pages pages, int now) {
    String type =
        pages.type() == Math.rint(pages.type())
            ? String.format(Language.locale(), "%.0f", pages.type())
            : String.format(Language.locale(), "%.1f", pages.type());
    where.setText(
        worded(
            "sheets.page-of-type-of-points",
            now + 1,
            pages.count(),
            type,
            pages.paper().size().title(),
            ZOOMS.get(zoom) == 0
                ? ""
                : String.format(Language.locale(), " · %.0f %%", 100 * ZOOMS.get(zoom))));
    setAccessibleText(
        "%s. %s %s".formatted(pages.sheet().title(), where.getText(), told.getText()));
  }

  /**
   * Along a page that is wider than what is seen of it; else to the next one, or the one before.
   */
  private void aside(int by) {
    if (image.getFitWidth() > scroll.getViewportBounds().getWidth()) {
      scroll.setHvalue(scroll.getHvalue() + by * SCROLL);
    } else {
      turn(by);
    }
  }

  private void walk(KeyEvent event) {
    if (event.isControlDown() || event.isAltDown() || event.isMetaDown()) {
      return;
    }
    boolean taken = true;
    switch (event.getCode()) {
      case PAGE_DOWN -> turn(1);
      case PAGE_UP -> turn(-1);
      case RIGHT -> aside(1);
      case LEFT -> aside(-1);
      case HOME -> turn(-Integer.MAX_VALUE / 2);
      case END -> turn(Integer.MAX_VALUE / 2);
      case DOWN -> scroll.setVvalue(scroll.getVvalue() + SCROLL);
      case UP -> scroll.setVvalue(scroll.getVvalue() - SCROLL);
      case PLUS, ADD, EQUALS -> zoom(1);
      case MINUS, SUBTRACT -> zoom(-1);
      case DIGIT0, NUMPAD0 -> zoom(-ZOOMS.size());
      default -> taken = false;
    }
    if (taken) {
      event.consume();
    }
  }
}
