package polydex.desktop.controls;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import polydex.desktop.controls.Plot.Point;

/** Charts as they are laid out in a window. */
@ExtendWith(ApplicationExtension.class)
class PlotTest {
  private final StackPane pane = new StackPane();
  private Stage stage;

  @Start
  void start(Stage shown) {
    stage = shown;
    stage.setScene(new Scene(pane, 480, 210));
    stage.show();
  }

  private void show(Plot plot) {
    WaitForAsyncUtils.waitForAsyncFx(
        5000,
        () -> {
          pane.getChildren().setAll(plot);
          pane.applyCss();
          pane.layout();
        });
    WaitForAsyncUtils.waitForFxEvents();
  }

  private static <T extends Node> List<T> all(Plot plot, Class<T> type) {
    return plot.getChildrenUnmodifiable().stream()
        .filter(type::isInstance)
        .map(type::cast)
        .toList();
  }

  private static List<String> words(Plot plot) {
    return all(plot, Label.class).stream().map(Label::getText).toList();
  }

  private static List<Point> points(double... values) {
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < values.length; i++) {
      points.add(new Point(i + 1.0, values[i]));
    }
    return points;
  }

  /** However low it is, the numbers at its side do not run into each other. */
  @ParameterizedTest
  @ValueSource(ints = {70, 90, 110, 140, 200})
  void numbersStandApart(int height) {
    for (double most : new double[] {4, 39, 98, 199, 560}) {
      Plot plot = new Plot("Minutes", "").line("", "plot-own", points(1, most));
      plot.setMinHeight(height);
      plot.setMaxHeight(height);
      show(plot);
      List<Label> numbers =
          all(plot, Label.class).stream()
              .filter(l -> l.getStyleClass().contains("plot-number"))
              .sorted(Comparator.comparingDouble(Label::getLayoutY))
              .toList();
      assertThat(numbers).hasSizeGreaterThan(1);
      for (int i = 1; i < numbers.size(); i++) {
        Label above = numbers.get(i - 1);
        assertThat(numbers.get(i).getLayoutY())
            .isGreaterThan(above.getLayoutY() + above.getFont().getSize());
      }
    }
  }

  @Test
  void barsStandOnNothingAndAreAsHighAsTheirValues() {
    Plot plot = new Plot("Minutes", "").bars("", "plot-own", points(1, 2, 0, 4)).whole();
    show(plot);
    List<Rectangle> bars = all(plot, Rectangle.class);
    assertThat(bars).hasSize(4);
    double bottom = bars.getFirst().getY() + bars.getFirst().getHeight();
    assertThat(bars).allMatch(b -> Math.abs(b.getY() + b.getHeight() - bottom) < 1e-6);
    double unit = bars.getFirst().getHeight();
    assertThat(bars.get(1).getHeight()).isEqualTo(2 * unit);
    assertThat(bars.get(2).getHeight()).isZero();
    assertThat(bars.get(3).getHeight()).isEqualTo(4 * unit);
    assertThat(words(plot)).contains("Minutes", "0", "4").doesNotContain("1.5");
  }

  @Test
  void everythingStaysInsideWhateverTheValuesAndTheSize() {
    Random random = new Random(5);
    for (int i = 0; i < 20; i++) {
      double[] values = random.doubles(2 + i, 0, Math.pow(10, i % 5)).toArray();
      Plot plot =
          new Plot("Anything, s", "answers")
              .line("fit", "plot-own", points(values))
              .dots("plot-own", points(values))
              .level("goal", "plot-due", values[0])
              .upright("today", "plot-today", 2);
      double width = 300.0 + 40 * i;
      double height = 140.0 + 5 * i;
      WaitForAsyncUtils.waitForAsyncFx(5000, () -> plot.setMaxSize(width, height));
      show(plot);
      for (Node node : plot.getChildrenUnmodifiable()) {
        Bounds bounds = node.getBoundsInParent();
        assertThat(bounds.getMinY()).isGreaterThanOrEqualTo(-2);
        assertThat(bounds.getMaxY()).isLessThanOrEqualTo(plot.getHeight() + 2);
        if (!(node instanceof Label)) {
          assertThat(bounds.getMinX()).isGreaterThanOrEqualTo(0);
          assertThat(bounds.getMaxX()).isLessThanOrEqualTo(plot.getWidth());
        }
      }
      assertThat(all(plot, Circle.class)).hasSize(values.length);
    }
  }

  @Test
  void namesOfLinesThatEndTogetherDoNotOverlap() {
    Plot plot = new Plot("Fluent", "");
    for (String name : List.of("one", "two", "three", "four")) {
      plot.line(name, "plot-own", points(0, 3, name.length()));
    }
    show(plot);
    List<Bounds> names =
        all(plot, Label.class).stream()
            .filter(l -> List.of("one", "two", "three", "four").contains(l.getText()))
            .map(Node::getBoundsInParent)
            .toList();
    assertThat(names).hasSize(4);
    for (int i = 0; i < names.size(); i++) {
      for (int j = 0; j < i; j++) {
        double apart = Math.abs(names.get(i).getMinY() - names.get(j).getMinY());
        assertThat(apart).isGreaterThan(names.get(i).getHeight() / 2);
      }
    }
  }

  @Test
  void itIsDrawnAnewOnlyWhenSomethingChanged() {
    Plot plot = new Plot("Recall, %", "days").upTo(100).line("", "plot-own", points(90, 80));
    show(plot);
    List<Node> before = List.copyOf(plot.getChildrenUnmodifiable());
    WaitForAsyncUtils.waitForAsyncFx(5000, plot::requestLayout);
    WaitForAsyncUtils.waitForFxEvents();
    assertThat(plot.getChildrenUnmodifiable()).isEqualTo(before);
    WaitForAsyncUtils.waitForAsyncFx(5000, () -> plot.level("ask", "plot-due", 90));
    show(plot);
    assertThat(words(plot)).contains("ask");
    assertThat(all(plot, Polyline.class)).hasSize(1);
    show(new Plot("Empty", ""));
    assertThat(words((Plot) pane.getChildren().getFirst())).containsExactly("Empty");
  }
}
