package polydex.desktop.controls;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.DoubleFunction;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import polydex.language.Language;

/**
 * A small chart: lines labelled where they end, bars that start at nothing, points, and marks at a
 * place of either axis. Colours are style classes; every series has a mark or a dash beside them.
 */
public final class Plot extends Region {
  /** A point in the units of the axes. */
  public record Point(double x, double y) {}

  private enum Form {
    LINE,
    BARS,
    DOTS,
    UPRIGHT,
    LEVEL,
    BAND
  }

  private record Series(Form form, String label, String style, List<Point> points) {}

  /** Distances in heights of a line of text, so that larger text gets more room. */
  private static final double LEFT_LINES = 2.8;

  private static final double RIGHT_LINES = 5.2;
  private static final double LITTLE = 1.3;
  private static final int TICKS = 4;
  private static final double LINES_A_TICK = 1.4;

  private final String title;
  private final String xUnit;
  private final List<Series> series = new ArrayList<>();
  private DoubleFunction<String> xTick = Plot::number;
  private double leastTop;
  private boolean whole;
  private double line;
  private double left;
  private double right;
  private double top;
  private double bottom;
  private double drawnWidth = -1;
  private double drawnHeight = -1;

  /**
   * An empty chart.
   *
   * @param title what stands above it, with the unit of the upright axis
   * @param xUnit what stands below it; empty where the places say enough
   */
  public Plot(String title, String xUnit) {
    this.title = title;
    this.xUnit = xUnit;
    getStyleClass().add("plot");
    setAccessibleText(title);
    setPrefSize(480, 210);
    setMinSize(120, 120);
  }

  /** Names the places of the lower axis. */
  public Plot xTicks(DoubleFunction<String> words) {
    xTick = words;
    return this;
  }

  /** Between whole numbers of the lower axis there is nothing to name. */
  public Plot whole() {
    whole = true;
    return this;
  }

  /** The upright axis reaches at least so far. */
  public Plot upTo(double y) {
    leastTop = y;
    return this;
  }

  /** A line with its name at its end. */
  public Plot line(String label, String style, List<Point> points) {
    return add(Form.LINE, label, style, points);
  }

  /** Bars from nothing up, one for each whole number of the lower axis. */
  public Plot bars(String label, String style, List<Point> points) {
    return add(Form.BARS, label, style, points);
  }

  /** Points. */
  public Plot dots(String style, List<Point> points) {
    return add(Form.DOTS, "", style, points);
  }

  /** An upright mark, such as today. */
  public Plot upright(String label, String style, double x) {
    return add(Form.UPRIGHT, label, style, List.of(new Point(x, 0)));
  }

  /** A level mark, such as a goal. */
  public Plot level(String label, String style, double y) {
    return add(Form.LEVEL, label, style, List.of(new Point(Double.NaN, y)));
  }

  /** A filled area, as of an interval; the points go round it. */
  public Plot band(String style, List<Point> around) {
    return add(Form.BAND, "", style, around);
  }

  private Plot add(Form form, String label, String style, List<Point> points) {
    series.add(new Series(form, label, style, List.copyOf(points)));
    drawnWidth = -1;
    requestLayout();
    return this;
  }

  /** The picture is made anew only when its size or content has changed. */
  @Override
  protected void layoutChildren() {
    if (getWidth() != drawnWidth || getHeight() != drawnHeight) {
      drawnWidth = getWidth();
      drawnHeight = getHeight();
      draw();
    }
  }

  private void draw() {
    getChildren().clear();
    line = text(title, 0, 0, "plot-title").getHeight();
    left = LEFT_LINES * line;
    // The numbers at the side stand beside their lines, the highest below the title.
    top = (LITTLE + 0.5) * line;
    double highest = Math.max(leastTop, 1e-9);
    double least = Double.POSITIVE_INFINITY;
    double most = Double.NEGATIVE_INFINITY;
    for (Series s : series) {
      for (Point p : s.points()) {
        highest = Math.max(highest, p.y());
        if (!Double.isNaN(p.x())) {
          double half = s.form() == Form.BARS ? 0.5 : 0;
          least = Math.min(least, p.x() - half);
          most = Math.max(most, p.x() + half);
        }
      }
    }
    if (least > most) {
      return;
    }
    boolean labels =
        series.stream().anyMatch(s -> !s.label().isEmpty() && s.form() != Form.UPRIGHT);
    right = (labels ? RIGHT_LINES : LITTLE) * line;
    bottom = (xUnit.isEmpty() ? LITTLE : 1 + LITTLE) * line;
    // A low picture has fewer numbers at its side, so that they stand apart.
    int room = (int) ((getHeight() - bottom - top) / (LINES_A_TICK * line));
    double step = step(highest / Math.clamp(room, 1, TICKS));
    left = Math.max(LEFT_LINES * line, widest(highest, step) + 12);
    Scale scale =
        new Scale(least, Math.max(most, least + 1e-9), step * Math.ceil(highest / step - 1e-9));
    axes(scale, step);
    series.forEach(s -> draw(s, scale));
    lineLabels(scale);
  }

  /** The width of the numbers of the upright axis. */
  private double widest(double highest, double step) {
    double widest = 0;
    for (double y = 0; y < highest + step; y += step) {
      Label label = text(number(y), 0, 0, "plot-number");
      widest = Math.max(widest, label.getWidth());
      getChildren().remove(label);
    }
    return widest;
  }

  /** From the units of the axes to places in the picture. */
  private final class Scale {
    private final double least;
    private final double most;
    private final double top;

    Scale(double least, double most, double top) {
      this.least = least;
      this.most = most;
      this.top = top;
    }

    double x(double value) {
      return left + (value - least) / (most - least) * (getWidth() - left - right);
    }

    double y(double value) {
      return getHeight() - bottom - value / top * (getHeight() - bottom - Plot.this.top);
    }
  }

  private void axes(Scale scale, double step) {
    line(left, scale.y(0), getWidth() - right, scale.y(0), "plot-axis");
    for (double y = 0; y <= scale.top + step / 2; y += step) {
      if (y > 0) {
        line(left, scale.y(y), getWidth() - right, scale.y(y), "plot-grid");
      }
      Label label = text(number(y), 0, scale.y(y) - line / 2, "plot-number");
      label.setPrefWidth(left - 8);
    }
    double places = step((scale.most - scale.least) / TICKS);
    if (whole) {
      places = Math.max(1, Math.rint(places));
    }
    for (double x = Math.ceil(scale.least / places) * places; x <= scale.most; x += places) {
      Label below =
          text(xTick.apply(x), scale.x(x) - 2 * line, getHeight() - bottom + 3, "plot-place");
      below.setPrefWidth(4 * line);
    }
    Label unit = text(xUnit, left, getHeight() - line, "plot-place");
    unit.setPrefWidth(getWidth() - left - right);
  }

  /** The names of lines stand at their ends, moved apart where the lines end close together. */
  private void lineLabels(Scale scale) {
    List<Series> named =
        series.stream()
            .filter(s -> s.form() == Form.LINE && !s.points().isEmpty())
            .sorted(Comparator.comparingDouble(s -> -s.points().getLast().y()))
            .toList();
    double lowest = Double.NEGATIVE_INFINITY;
    for (Series s : named) {
      Point end = s.points().getLast();
      double y = Math.max(scale.y(end.y()) - line / 2, lowest + line - 3);
      text(s.label(), scale.x(end.x()) + 6, y, "plot-label");
      lowest = y;
    }
  }

  private void draw(Series s, Scale scale) {
    switch (s.form()) {
      case LINE -> {
        Polyline line = new Polyline();
        s.points().forEach(p -> line.getPoints().addAll(scale.x(p.x()), scale.y(p.y())));
        line.getStyleClass().addAll("plot-line", s.style());
        add(line);
      }
      case BARS -> {
        double width = Math.max(2, (scale.x(1) - scale.x(0)) * 0.7);
        for (Point p : s.points()) {
          double y = scale.y(p.y());
          Rectangle bar = new Rectangle(scale.x(p.x()) - width / 2, y, width, scale.y(0) - y);
          bar.getStyleClass().addAll("plot-bar", s.style());
          add(bar);
        }
        if (!s.points().isEmpty()) {
          text(s.label(), getWidth() - right + 6, top, "plot-label");
        }
      }
      case DOTS -> {
        for (Point p : s.points()) {
          Circle dot = new Circle(scale.x(p.x()), scale.y(p.y()), 3);
          dot.getStyleClass().addAll("plot-dot", s.style());
          add(dot);
        }
      }
      case UPRIGHT -> {
        double x = scale.x(s.points().getFirst().x());
        line(x, top, x, scale.y(0), s.style());
        Label name = text(s.label(), x + 4, scale.y(0) - line - 2, "plot-label");
        if (x + 4 + name.getWidth() > getWidth()) {
          name.setLayoutX(x - 4 - name.getWidth());
        }
      }
      case BAND -> {
        Polygon area = new Polygon();
        s.points()
            .forEach(p -> area.getPoints().addAll(scale.x(p.x()), scale.y(Math.max(0, p.y()))));
        area.getStyleClass().addAll("plot-area", s.style());
        add(area);
      }
      case LEVEL -> {
        double y = scale.y(s.points().getFirst().y());
        line(left, y, getWidth() - right, y, s.style());
        text(s.label(), getWidth() - right + 6, y - line / 2, "plot-label");
      }
    }
  }

  private void line(double x1, double y1, double x2, double y2, String style) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().addAll("plot-rule", style);
    add(line);
  }

  private Label text(String words, double x, double y, String style) {
    Label label = new Label(words);
    label.getStyleClass().addAll("small", style);
    add(label);
    label.applyCss();
    label.relocate(Math.rint(x), Math.rint(y));
    double height = label.prefHeight(-1);
    label.resize(label.prefWidth(-1), height);
    label.prefWidthProperty().addListener((_, _, w) -> label.resize(w.doubleValue(), height));
    return label;
  }

  private void add(Node node) {
    node.setManaged(false);
    getChildren().add(node);
  }

  /** The next number of the kind 1, 2, 5 times a power of ten. */
  private static double step(double value) {
    double power = Math.pow(10, Math.floor(Math.log10(Math.max(value, 1e-9))));
    for (double factor : new double[] {1, 2, 5}) {
      if (value <= factor * power * (1 + 1e-9)) {
        return factor * power;
      }
    }
    return 10 * power;
  }

  private static String number(double value) {
    return Math.abs(value - Math.rint(value)) < 1e-9
        ? String.format(Language.locale(), "%,.0f", value)
        : String.format(Language.locale(), value < 1 ? "%.2f" : "%.1f", value);
  }
}
