package polydex.desktop.paths;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.quoted;

import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.catalog.Catalog;
import polydex.desktop.controls.LayerStack;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.Trace;
import polydex.route.Tracer;

/** The way of a gesture through one setup: the setup's name, what comes of it, and the layers. */
public final class PathView extends VBox {
  private final Desk desk;
  private final Label title = Texts.part("");
  private final Label outcome = Texts.words("");
  private final LayerStack stack = new LayerStack();

  /** Nothing to be seen yet. */
  public PathView(Desk desk) {
    this.desk = desk;
    ScrollPane scroll = new ScrollPane(stack);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("stack-scroll");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    setSpacing(6);
    setMinWidth(0);
    getChildren().addAll(title, outcome, scroll);
    named("");
  }

  /** The name over the layers, where there is more than one setup to be told apart. */
  public void named(String name) {
    title.setText(name);
    for (Label label : new Label[] {title, outcome}) {
      label.setVisible(!name.isEmpty());
      label.setManaged(!name.isEmpty());
    }
  }

  /** Whether each layer is drawn, or those together in which nothing happens. */
  public void whole(boolean each) {
    stack.whole(each);
  }

  /** Instead of a way, why there is none. */
  public void say(String words) {
    stack.getChildren().clear();
    outcome.setText(words);
  }

  /** Shows a way. */
  public void show(Tracer tracer, Trace trace) {
    outcome.setText(outcome(trace, desk.session().workspace().get().catalog()));
    show(stack, tracer, trace, desk);
  }

  /** Shows a way in a stack of its own. */
  public static void show(LayerStack stack, Tracer tracer, Trace trace, Desk desk) {
    Catalog catalog = desk.session().workspace().get().catalog();
    Setup setup = tracer.setup();
    String taken =
        trace
            .acted()
            .map(a -> catalog.title(a.action()) + (a.own() ? worded("paths.your-own-binding") : ""))
            .orElse(worded("paths.takes-a-part-of-it"));
    stack.show(
        tracer.layers(),
        trace,
        (depth, _) -> {
          Machine machine = setup.machines().get(depth);
          return desk.titles().words(machine.platform());
        },
        taken);
  }

  /** Who takes it and what happens. */
  public static String outcome(Trace trace, Catalog catalog) {
    return switch (trace.outcome()) {
      case Trace.Acted a ->
          a.layer().said()
              + ": "
              + quoted(catalog.title(a.action()))
              + (a.own() ? worded("paths.one-of-your-own-bindings") : "");
      case Trace.Typed t -> worded("paths.it-types", t.text());
      case Trace.Nothing n -> worded("paths.nothing-happens", n.why());
    };
  }
}
