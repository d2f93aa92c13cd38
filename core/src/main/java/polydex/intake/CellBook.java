package polydex.intake;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import polydex.keys.GestureReader;

/** The cells of a list that were read already: lists repeat themselves. */
final class CellBook {
  /**
   * A cell that was read.
   *
   * @param written its gestures as they are written in ids; empty where it has none
   */
  record Entry(GestureCell.Result result, List<String> written) {}

  private final Map<String, Entry> read = new HashMap<>();
  private final CellReader reader;

  CellBook(GestureReader plain, Dialect dialect) {
    reader = new CellReader(plain, dialect);
  }

  Entry of(String text) {
    return read.computeIfAbsent(
        text,
        t -> {
          GestureCell.Result result = reader.read(t);
          return new Entry(
              result,
              result instanceof GestureCell.Read(GestureCell cell)
                  ? cell.alternatives().stream().map(a -> a.gesture().toString()).toList()
                  : List.of());
        });
  }
}
