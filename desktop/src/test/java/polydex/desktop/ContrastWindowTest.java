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
import javafx.scene.image.Image;
import javafx.scene.paint.Color;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/**
 * How well text stands out from what is really painted behind it, by the contrast ratio of WCAG
 * 2.2: 4.5 in every theme, 7 in that of high contrast. What can't be used now is left out, as
 * there.
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
    for (int i = 0; i < themes; i++) {
      person.keys("Ctrl+T");
    }
    Set<String> faint = new TreeSet<>();
    int seen = 0;
    for (PlaceName place : PlaceName.values()) {
      person.keys("Alt+" + place.letter());
      TimeUnit.MILLISECONDS.sleep(600); // what is found out beside comes in
      Driver.settle();
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
