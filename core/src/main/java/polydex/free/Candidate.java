package polydex.free;

import java.util.ArrayList;
import java.util.List;
import polydex.boards.Presses.Made;
import polydex.keys.Gesture;
import polydex.keys.Physical;

/**
 * A gesture that could be bound.
 *
 * @param gesture as it is written on the layout under the fingers
 * @param presses what is pressed for it there
 * @param effort in points, on the board on which it is hardest
 */
public record Candidate(Gesture gesture, List<Made> presses, double effort) {
  /** Copies the list. */
  public Candidate {
    presses = List.copyOf(presses);
  }

  /** The presses without what is held between them, with nothing said of sides. */
  List<Physical> physical() {
    List<Physical> all = new ArrayList<>(presses.size());
    presses.forEach(m -> all.add(m.what().eitherSide()));
    return all;
  }
}
