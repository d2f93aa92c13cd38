package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Cell;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.image.Image;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.paint.Color;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/**
 * How well text stands out from what is really painted behind it, by the contrast ratio of WCAG
 * 2.2: 4.5 in every theme, 7 in that of high contrast; and the outlines of what can be used, the
 * frame of what has the focus, and marks: 3. What can't be used now is left out, as there. Marks
 * differ without their colours, too.
 */
@ExtendWith(ApplicationExtension.class)
class ContrastWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private record Seen(String text, Bounds at, Color fill) {}

  @ParameterizedTest
  @CsvSource({"0, 4.5", "1, 4.5", "2, 7"})
  void textStandsOut(int themes, double least, FxRobot robot) throws Exception {
    turn(themes);
    Set<String> faint = new TreeSet<>();
    int seen = 0;
    for (PlaceName place : PlaceName.values()) {
      go(place);
      seen += look(place.title(), least, faint);
    }
    for (String over : List.of("F1", "F10", "Ctrl+U", "Ctrl+M")) {
      person.keys(over);
      Driver.settle();
      seen += look(over, least, faint);
      person.keys("Esc");
      Driver.settle();
    }
    assertThat(faint).isEmpty();
    assertThat(seen).isGreaterThan(400);
  }

  private void turn(int themes) {
    for (int i = 0; i < themes; i++) {
      person.keys("Ctrl+T");
    }
  }

  private void go(PlaceName place) throws InterruptedException {
    person.keys("Alt+" + place.letter());
    TimeUnit.MILLISECONDS.sleep(600); // what is found out beside comes in
    Driver.settle();
  }

  private int look(String where, double least, Set<String> faint) throws Exception {
    List<Seen> all = new ArrayList<>();
    Image picture =
        WaitForAsyncUtils.asyncFx(
                () -> {
                  gather(stage.getScene().getRoot(), 1, all);
                  return (Image) stage.getScene().snapshot(null);
                })
            .get(30, TimeUnit.SECONDS);
    int measured = 0;
    for (Seen text : all) {
      Optional<Color> behind = behind(picture, text);
      if (behind.isPresent()) {
        measured++;
        double ratio = ratio(over(text.fill(), behind.get()), behind.get());
        if (ratio < least) {
          faint.add(
              String.format(
                  Locale.ROOT, "%s: \"%s\" %.1f on %s", where, text.text(), ratio, behind.get()));
        }
      }
    }
    return measured;
  }

  private record Outlined(String what, Bounds at) {}

  @ParameterizedTest
  @ValueSource(ints = {0, 1, 2})
  void outlinesStandOut(int themes) throws Exception {
    turn(themes);
    Set<String> faint = new TreeSet<>();
    int seen = 0;
    for (PlaceName place : PlaceName.values()) {
      go(place);
      List<Outlined> all = new ArrayList<>();
      Image picture =
          WaitForAsyncUtils.asyncFx(
                  () -> {
                    outlined(stage.getScene().getRoot(), all);
                    return (Image) stage.getScene().snapshot(null);
                  })
              .get(30, TimeUnit.SECONDS);
      for (Outlined o : all) {
        Optional<Double> ratio = outline(picture, o.at());
        seen += ratio.isPresent() ? 1 : 0;
        ratio
            .filter(r -> r < 3)
            .ifPresent(
                r -> faint.add(String.format(Locale.ROOT, "%s: %s %.1f", place, o.what(), r)));
      }
    }
    assertThat(faint).isEmpty();
    assertThat(seen).isGreaterThan(120);
  }

  private static void outlined(Node node, List<Outlined> to) {
    if (!node.isVisible() || node.isDisabled()) {
      return;
    }
    boolean button = node instanceof Button b && !b.isDefaultButton();
    if (button
        || node instanceof TextField
        || node instanceof ComboBox<?>
        // Of a line in a list the list's own frame says so, and a bar.
        || (node.isFocused() && !(node instanceof Cell<?>))
        || node.getStyleClass().contains("keycap")) {
      to.add(
          new Outlined(
              node.getClass().getSimpleName() + " " + node.getStyleClass(),
              node.localToScene(node.getLayoutBounds())));
    }
    if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(n -> outlined(n, to));
    }
  }

  /**
   * The strongest line about the middle of the upper edge against what lies outside; none where
   * that is out of sight. At the left one key stands close to another.
   */
  private static Optional<Double> outline(Image picture, Bounds at) {
    int x = (int) Math.round(at.getCenterX());
    int y = (int) Math.round(at.getMinY());
    if (x < 0 || y < 6 || x >= picture.getWidth() || y + 4 >= picture.getHeight()) {
      return Optional.empty();
    }
    Color outside = color(picture.getPixelReader().getArgb(x, y - 5));
    double most = 1;
    for (int i = y - 4; i <= y + 3; i++) {
      most = Math.max(most, ratio(color(picture.getPixelReader().getArgb(x, i)), outside));
    }
    return Optional.of(most);
  }

  private static final List<List<String>> MARKS =
      List.of(
          List.of("dot", "dot-replaced"),
          List.of("dot", "dot-learning"),
          List.of("dot", "dot-open"),
          List.of("dot", "dot-hole"),
          List.of("dot", "dot-kept"),
          List.of("notch"));

  @ParameterizedTest
  @ValueSource(strings = {"light", "dark", "contrast"})
  void marksDifferInGrey(String theme) throws Exception {
    List<boolean[]> shapes = new ArrayList<>();
    for (List<String> mark : MARKS) {
      Image picture =
          WaitForAsyncUtils.asyncFx(
                  () -> {
                    Region region = new Region();
                    region.getStyleClass().addAll(mark);
                    StackPane root = new StackPane(region);
                    root.getStyleClass().add(theme);
                    Scene scene = new Scene(root, 20, 20);
                    scene.getStylesheets().setAll(stage.getScene().getStylesheets());
                    return (Image) scene.snapshot(null);
                  })
              .get(30, TimeUnit.SECONDS);
      Color ground = color(picture.getPixelReader().getArgb(0, 0));
      boolean[] shape = new boolean[400];
      for (int i = 0; i < 400; i++) {
        shape[i] = ratio(color(picture.getPixelReader().getArgb(i % 20, i / 20)), ground) >= 3;
      }
      shapes.add(shape);
    }
    for (int a = 0; a < MARKS.size(); a++) {
      int ink = differing(shapes.get(a), new boolean[400]);
      assertThat(ink).as("%s in %s is seen", MARKS.get(a), theme).isGreaterThan(20);
      for (int b = 0; b < a; b++) {
        assertThat(differing(shapes.get(a), shapes.get(b)))
            .as("%s and %s in %s", MARKS.get(a), MARKS.get(b), theme)
            .isGreaterThan(20);
      }
    }
  }

  private static int differing(boolean[] a, boolean[] b) {
    int n = 0;
    for (int i = 0; i < a.length; i++) {
      n += a[i] != b[i] ? 1 : 0;
    }
    return n;
  }

  private static void gather(Node node, double opacity, List<Seen> to) {
    if (!node.isVisible() || node.isDisabled()) {
      return;
    }
    double here = opacity * node.getOpacity();
    if (node instanceof Text text
        && !text.getText().isBlank()
        && text.getFill() instanceof Color fill) {
      Color faded = fill.deriveColor(0, 1, 1, here);
      to.add(new Seen(text.getText(), text.localToScene(text.getBoundsInLocal()), faded));
    } else if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(n -> gather(n, here, to));
    }
  }

  /** What most of the pixels are on which a text stands; none where it is scrolled out of sight. */
  private static Optional<Color> behind(Image picture, Seen text) {
    Bounds at = text.at();
    Map<Integer, Integer> counted = new HashMap<>();
    for (int y = (int) at.getMinY(); y < at.getMaxY(); y++) {
      for (int x = (int) at.getMinX() - 2; x < at.getMaxX() + 2; x++) {
        if (x >= 0 && y >= 0 && x < picture.getWidth() && y < picture.getHeight()) {
          counted.merge(picture.getPixelReader().getArgb(x, y), 1, Integer::sum);
        }
      }
    }
    Optional<Color> most =
        counted.entrySet().stream().max(Map.Entry.comparingByValue()).map(e -> color(e.getKey()));
    return most.filter(
        ground -> {
          Color painted = over(text.fill(), ground);
          return counted.keySet().stream().anyMatch(c -> distance(color(c), painted) < 0.2);
        });
  }

  private static Color color(int argb) {
    return Color.rgb(argb >> 16 & 255, argb >> 8 & 255, argb & 255);
  }

  private static double distance(Color a, Color b) {
    return Math.abs(a.getRed() - b.getRed())
        + Math.abs(a.getGreen() - b.getGreen())
        + Math.abs(a.getBlue() - b.getBlue());
  }

  private static Color over(Color text, Color ground) {
    return ground.interpolate(
        Color.color(text.getRed(), text.getGreen(), text.getBlue()), text.getOpacity());
  }

  /** Contrast ratio, 1 to 21 (WCAG 2.2). */
  private static double ratio(Color one, Color other) {
    double a = luminance(one);
    double b = luminance(other);
    return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
  }

  private static double luminance(Color c) {
    return 0.2126 * linear(c.getRed())
        + 0.7152 * linear(c.getGreen())
        + 0.0722 * linear(c.getBlue());
  }

  private static double linear(double s) {
    return s <= 0.04045 ? s / 12.92 : Math.pow((s + 0.055) / 1.055, 2.4);
  }
}
