package polydex.sheets;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import polydex.person.Knowledge;
import polydex.recall.Confusions;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;
import polydex.recall.Progress;
import polydex.workspace.Workspace;

/**
 * What sheets are made from, as it stands at one moment.
 *
 * @param known what was made and chosen, and what the logs come to
 * @param states of every item that was answered
 * @param confused pairs that were mistaken, those mistaken most first
 * @param retention the chance of recall below which an item is due, 0.80 to 0.97
 * @param now the moment
 * @param madeBy this program and its version
 */
public record SheetMaterial(
    Knowledge known,
    Map<DrillItem, ItemState> states,
    List<Confusions.Count> confused,
    double retention,
    Instant now,
    String madeBy) {

  /** Copies the collections: progress goes on while a sheet is made. */
  public SheetMaterial {
    states = Map.copyOf(states);
    confused = List.copyOf(confused);
  }

  /** Of progress as it is now; asked on the thread that keeps it. */
  public static SheetMaterial of(
      Knowledge known, Progress progress, double retention, Instant now, String madeBy) {
    return new SheetMaterial(
        known, progress.states(), progress.confusions().all(), retention, now, madeBy);
  }

  Workspace workspace() {
    return known.workspace();
  }
}
