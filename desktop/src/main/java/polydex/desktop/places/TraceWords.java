package polydex.desktop.places;

import polydex.catalog.Catalog;
import polydex.desktop.controls.LayerStack;
import polydex.desktop.state.Analysis;
import polydex.route.Machine;
import polydex.route.Trace;

/** Traces in words and as a stack. */
final class TraceWords {
  private TraceWords() {}

  /** Who takes it and what happens. */
  static String outcome(Trace trace, Catalog catalog) {
    return switch (trace.outcome()) {
      case Trace.Acted a ->
          "%s: \u201c%s\u201d%s"
              .formatted(
                  a.layer().title(),
                  catalog.title(a.action()),
                  a.own() ? ", one of your own bindings" : "");
      case Trace.Typed t -> "It types \u201c" + t.text() + "\u201d.";
      case Trace.Nothing n -> "Nothing happens. " + n.why();
    };
  }

  /** Shows the trace in a stack. */
  static void show(LayerStack stack, Analysis analysis, Trace trace, Desk desk) {
    Catalog catalog = analysis.workspace().catalog();
    String taken =
        trace
            .acted()
            .map(a -> catalog.title(a.action()) + (a.own() ? " (your own binding)" : ""))
            .orElse("takes a part of it");
    stack.show(
        analysis.traces().tracer().layers(),
        trace,
        (depth, _) -> {
          Machine machine = analysis.traces().setup().machines().get(depth);
          return desk.words(machine.platform());
        },
        taken);
  }
}
