package polydex.desktop.controls;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.keys.Step;
import polydex.route.Layer;
import polydex.route.Passage;
import polydex.route.Passage.Verb;
import polydex.route.Trace;

/**
 * The layers of a setup as bands from fingers to focus, and a gesture on its way down through them:
 * where it changes old and new stand side by side, the band that takes it is filled, and what lies
 * below is pale.
 */
public final class LayerStack extends VBox {
  private static final int FEWEST_FOLDED = 2;

  private boolean whole;

  /**
   * A band that is still to be drawn.
   *
   * @param saysLittle whether it says no more than many like it together
   */
  private record Row(Layer layer, List<Node> caps, String state, String why, boolean saysLittle) {}

  /** Empty. */
  public LayerStack() {
    getStyleClass().add("layer-stack");
  }

  /** The bands alone. */
  public void show(List<Layer> layers) {
    draw(layers.stream().map(l -> new Row(l, List.of(), "band-passes", "", false)).toList());
  }

  /**
   * The bands with a gesture.
   *
   * @param names the words for modifiers on a machine, by its depth
   * @param taken what a band that takes it does, as words
   */
  public void show(
      List<Layer> layers,
      Trace trace,
      BiFunction<Integer, Layer, Map<Modifier, String>> names,
      String taken) {
    List<Row> rows = new ArrayList<>();
    boolean ended = false;
    int last = lastMet(layers, trace);
    for (int i = 0; i < layers.size(); i++) {
      Layer layer = layers.get(i);
      List<Passage> here = trace.passages().stream().filter(p -> p.layer().equals(layer)).toList();
      Map<Modifier, String> words = names.apply(layer.depth(), layer);
      boolean passedOver = here.isEmpty() && i < last;
      String state = ended ? "band-below" : state(here);
      String why =
          ended
              ? worded("controls.never-sees-it")
              : passedOver ? worded("controls.passed-over") : why(here, taken);
      boolean little =
          state.equals("band-below")
              || (state.equals("band-passes") && here.stream().allMatch(p -> p.why().isEmpty()));
      rows.add(new Row(layer, caps(here, words), state, why, little));
      ended = ended || i >= last;
    }
    draw(rows);
  }

  /** Whether each layer is drawn, or those together that only let it pass, or never see it. */
  public void whole(boolean each) {
    whole = each;
  }

  /** Bands of a machine that stands in a window of another are a band in it. */
  private void draw(List<Row> rows) {
    getChildren().clear();
    Deque<VBox> inside = new ArrayDeque<>(List.of(this));
    int from = 0;
    while (from < rows.size()) {
      Row first = rows.get(from);
      int to = from + 1;
      while (to < rows.size()
          && first.saysLittle()
          && rows.get(to).saysLittle()
          && rows.get(to).state().equals(first.state())) {
        to++;
      }
      if (!whole && to - from >= FEWEST_FOLDED) {
        machine(inside, first).getChildren().add(folded(rows.subList(from, to)));
      } else {
        rows.subList(from, to)
            .forEach(
                r ->
                    machine(inside, r)
                        .getChildren()
                        .add(band(r.layer(), r.caps(), List.of("band", r.state()), r.why())));
      }
      from = to;
    }
  }

  /** The box of a row's machine, which is opened where it is the first of it. */
  private static VBox machine(Deque<VBox> inside, Row row) {
    int depth = row.layer().depth();
    while (inside.size() > depth + 1) {
      inside.pop();
    }
    while (inside.size() < depth + 1) {
      VBox box =
          new VBox(
              Texts.styled(worded("controls.inside-it", row.layer().machine()), "machine-title"));
      box.getStyleClass().add("machine-inside");
      inside.element().getChildren().add(box);
      inside.push(box);
    }
    return inside.element();
  }

  /** Several layers in which nothing happens, as one line. */
  private static Node folded(List<Row> rows) {
    boolean below = rows.getFirst().state().equals("band-below");
    Label title =
        Texts.styled(
            worded(
                "controls.layers",
                rows.size(),
                below ? worded("controls.never-see-it") : worded("controls.let-it-pass")),
            "band-title");
    Label names =
        Texts.styled(
            String.join(" \u203a ", rows.stream().map(r -> r.layer().said()).toList()),
            "band-kind");
    names.setWrapText(true);
    names.setMinHeight(Region.USE_PREF_SIZE);
    VBox name = new VBox(title, names);
    HBox.setHgrow(name, Priority.ALWAYS);
    HBox band = new HBox(name);
    band.getStyleClass().addAll("band", rows.getFirst().state());
    band.setAccessibleText(title.getText() + ": " + names.getText());
    return band;
  }

  private static int lastMet(List<Layer> layers, Trace trace) {
    return trace.passages().stream()
        .mapToInt(p -> layers.indexOf(p.layer()))
        .max()
        .orElse(layers.size());
  }

  private static String state(List<Passage> here) {
    for (Verb verb : List.of(Verb.TAKES, Verb.TYPES, Verb.DROPS, Verb.HOLDS, Verb.CHANGES)) {
      if (here.stream().anyMatch(p -> p.verb() == verb)) {
        return switch (verb) {
          case TAKES -> "band-takes";
          case TYPES -> "band-types";
          case DROPS -> "band-drops";
          case HOLDS -> "band-holds";
          case CHANGES -> "band-changes";
          case PASSES -> "band-passes";
        };
      }
    }
    return "band-passes";
  }

  private static String why(List<Passage> here, String taken) {
    if (here.stream().anyMatch(p -> p.verb() == Verb.TAKES)) {
      return taken;
    }
    Optional<Passage> said = here.stream().filter(p -> !p.why().isEmpty()).reduce((_, b) -> b);
    return said.map(Passage::why).orElse(here.isEmpty() ? "" : worded("controls.passes"));
  }

  private static List<Node> caps(List<Passage> here, Map<Modifier, String> names) {
    if (here.isEmpty()) {
      return List.of();
    }
    List<Step> in = here.stream().map(Passage::in).toList();
    List<Step> out = here.stream().flatMap(p -> p.out().stream()).toList();
    List<Node> nodes = new ArrayList<>();
    nodes.add(new GestureView(new Gesture(in), names));
    if (!out.isEmpty() && !out.equals(in)) {
      nodes.add(Texts.styled(worded("controls.becomes"), "gesture-note"));
      nodes.add(new GestureView(new Gesture(out), names));
    }
    return nodes;
  }

  private static HBox band(Layer layer, List<Node> caps, List<String> styles, String why) {
    Label title = Texts.styled(layer.said(), "band-title");
    Label kind = Texts.styled(kind(layer), "band-kind");
    VBox name = new VBox(title, kind);
    name.getStyleClass().add("band-name");
    HBox path = new HBox(caps.toArray(new Node[0]));
    path.setAlignment(Pos.CENTER_LEFT);
    path.getStyleClass().add("band-path");
    Label reason = Texts.styled(why, "band-why");
    reason.setWrapText(true);
    reason.setMinHeight(Region.USE_PREF_SIZE);
    // Where both do not fit side by side, the reason goes below the caps.
    FlowPane events = new FlowPane(path, reason);
    events.getStyleClass().add("band-events");
    events.setAlignment(Pos.CENTER_LEFT);
    events.setMinWidth(0);
    events.setPrefWidth(200);
    reason.maxWidthProperty().bind(events.widthProperty());
    HBox.setHgrow(events, Priority.ALWAYS);
    HBox band = new HBox(name, events);
    band.setAlignment(Pos.CENTER_LEFT);
    band.getStyleClass().add("band");
    styles.stream().filter(s -> !s.equals("band")).forEach(band.getStyleClass()::add);
    band.setAccessibleText(layer.said() + ": " + why);
    return band;
  }

  private static String kind(Layer layer) {
    return switch (layer.kind()) {
      case BOARD -> worded("controls.board-under-the-fingers");
      case REMAP -> worded("controls.remap-on", layer.machine());
      case RESERVED -> worded("controls.never-let-through-on", layer.machine());
      case DESKTOP -> worded("controls.desktop-of", layer.machine());
      case SESSION -> worded("controls.window-that-holds-the-next-machine");
      case APPLICATION -> worded("controls.application-on", layer.machine());
      case TYPING -> worded("controls.types-what-nobody-takes");
    };
  }
}
