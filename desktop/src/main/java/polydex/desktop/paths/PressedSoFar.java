package polydex.desktop.paths;

import java.util.ArrayList;
import java.util.List;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.route.Passage;
import polydex.route.Trace;

/**
 * The gesture that is being pressed: a press begins a new one, unless a layer holds what came
 * before or the modifiers have stayed down.
 */
public final class PressedSoFar {
  private final List<Made> made = new ArrayList<>();
  private boolean held;

  /** Begins anew. */
  public void clear() {
    made.clear();
    held = false;
  }

  /** Takes in a press; the gesture that there is then. */
  public Gesture add(Made press, Analysis analysis) {
    if (!held && !press.stillHeld()) {
      made.clear();
    }
    made.add(press);
    return Presses.gesture(made, analysis.traces().tracer().layout());
  }

  /** Learns from the trace of that gesture whether it may go on. */
  public void traced(Trace trace) {
    held = !trace.passages().isEmpty() && trace.passages().getLast().verb() == Passage.Verb.HOLDS;
  }
}
