package polydex.files.sheets;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.files.sheets.Page.Placed;

/**
 * Fills pages column by column. A heading is never last in a column, and a group leaves no single
 * line behind or ahead: what must stay together is joined into runs first, and columns are broken
 * between runs only. The columns of the last page are made as low as they can be.
 *
 * <p>O(pieces), and on the last page O(pieces · log of the height).
 */
final class ColumnFlow {
  /** So few lines of a group stay together. */
  private static final int TOGETHER = 4;

  private static final int SIDE = 2;

  /** Between what takes the whole width and what is below it, in points. */
  private static final double BELOW_WIDE = 12;

  /** Steps of the search for the lowest columns; a page is some 800 points high. */
  private static final int HALVINGS = 10;

  private final Page.Frame frame;
  private final List<Page> pages = new ArrayList<>();
  private List<Placed> page = new ArrayList<>();
  private double top;
  private int groups;

  /**
   * Pieces that stay together.
   *
   * @param again what stands above them where they begin a column
   * @param group the number of what they are part of
   */
  private record Run(List<Piece> pieces, Optional<Piece> again, int group) {
    double height() {
      double height = pieces.getFirst().height();
      for (Piece p : pieces.subList(1, pieces.size())) {
        height += p.whole();
      }
      return height;
    }

    double againHeight() {
      return again.map(Piece::height).orElse(0.0);
    }
  }

  ColumnFlow(Page.Frame frame) {
    this.frame = frame;
  }

  /** The pages of some blocks, under a head that the first page has. */
  List<Page> pages(Piece head, List<Block> blocks) {
    page.add(new Placed(head, 0, 0));
    top = head.height();
    List<Run> waiting = new ArrayList<>();
    for (Block block : blocks) {
      if (block.wide()) {
        columns(waiting);
        waiting.clear();
        wide(block);
      } else {
        waiting.addAll(runs(block));
      }
    }
    columns(waiting);
    turn();
    return pages;
  }

  private void turn() {
    if (!page.isEmpty()) {
      pages.add(new Page(List.copyOf(page)));
      page = new ArrayList<>();
    }
    top = 0;
  }

  /** Keyboards stand under their title, as many on a page as there is room for. */
  private void wide(Block block) {
    double height =
        block.heading().map(Piece::whole).orElse(0.0)
            + block.pieces().stream().mapToDouble(Piece::whole).sum();
    if (top > 0 && top + height > frame.height()) {
      turn();
    }
    List<Piece> all = new ArrayList<>();
    block.heading().ifPresent(all::add);
    all.addAll(block.pieces());
    for (Piece piece : all) {
      top += top == 0 ? 0 : piece.before();
      page.add(new Placed(piece, 0, top));
      top += piece.height();
    }
    top += BELOW_WIDE;
  }

  private List<Run> runs(Block block) {
    groups++;
    int group = groups;
    List<Run> runs = new ArrayList<>();
    List<Piece> pieces = block.pieces();
    List<Piece> first = new ArrayList<>();
    block.heading().ifPresent(first::add);
    int from = pieces.size() <= TOGETHER ? pieces.size() : SIDE;
    first.addAll(pieces.subList(0, from));
    add(runs, new Run(first, Optional.empty(), group), block);
    int until = Math.max(from, pieces.size() - SIDE);
    for (Piece piece : pieces.subList(from, until)) {
      runs.add(new Run(List.of(piece), block.again(), group));
    }
    if (until < pieces.size()) {
      add(runs, new Run(pieces.subList(until, pieces.size()), block.again(), group), block);
    }
    return runs;
  }

  /** What is higher than a column is broken nevertheless, but never behind its heading. */
  private void add(List<Run> runs, Run run, Block block) {
    List<Piece> pieces = run.pieces();
    if (pieces.isEmpty()) {
      return;
    }
    if (run.height() + run.againHeight() <= frame.height() || pieces.size() == 1) {
      runs.add(run);
      return;
    }
    boolean headed = run.again().isEmpty() && block.heading().isPresent();
    int head = headed ? 2 : 1;
    runs.add(new Run(pieces.subList(0, head), run.again(), run.group()));
    for (Piece piece : pieces.subList(head, pieces.size())) {
      runs.add(new Run(List.of(piece), block.again(), run.group()));
    }
  }

  /** Where a run comes to stand. */
  private record Spot(Run run, int column, double y) {}

  private void columns(List<Run> all) {
    int from = 0;
    while (from < all.size()) {
      List<Run> rest = all.subList(from, all.size());
      List<Spot> spots = fill(rest, frame.height() - top);
      if (top > 0 && (spots.isEmpty() || leavesOneAlone(spots))) {
        turn();
        continue;
      }
      if (spots.size() == rest.size()) {
        spots = lowest(rest, frame.height() - top);
      }
      put(spots);
      from += spots.size();
      if (from < all.size()) {
        turn();
      }
    }
  }

  private void put(List<Spot> spots) {
    double lowest = top;
    for (Spot spot : spots) {
      double x = spot.column() * (frame.column() + frame.gap());
      double y = top + spot.y();
      boolean opens = spot.y() == 0;
      if (opens && spot.run().again().isPresent()) {
        Piece again = spot.run().again().get();
        page.add(new Placed(again, x, y));
        y += again.height();
      }
      boolean first = opens;
      for (Piece piece : spot.run().pieces()) {
        y += first ? 0 : piece.before();
        first = false;
        page.add(new Placed(piece, x, y));
        y += piece.height();
      }
      lowest = Math.max(lowest, y);
    }
    top = lowest;
  }

  /** As many runs as fit into columns of a height, at least one on an empty page. */
  private List<Spot> fill(List<Run> runs, double height) {
    List<Spot> spots = new ArrayList<>();
    int column = 0;
    double so = 0;
    for (Run run : runs) {
      double needed =
          so == 0
              ? run.againHeight() + run.height()
              : run.pieces().getFirst().before() + run.height();
      if (so > 0 && so + needed > height) {
        column++;
        so = 0;
        needed = run.againHeight() + run.height();
      }
      if (column == frame.columns() || (so == 0 && needed > height && top > 0)) {
        return spots;
      }
      spots.add(new Spot(run, column, so));
      so += needed;
    }
    return spots;
  }

  private List<Spot> lowest(List<Run> runs, double height) {
    double low = 0;
    double high = height;
    List<Spot> best = fill(runs, height);
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (low + high) / 2;
      List<Spot> tried = tried(runs, middle);
      if (tried.size() == runs.size()) {
        best = tried;
        high = middle;
      } else {
        low = middle;
      }
    }
    return best;
  }

  private List<Spot> tried(List<Run> runs, double height) {
    boolean fits = runs.stream().allMatch(r -> r.height() + r.againHeight() <= height);
    List<Spot> spots = fits ? fill(runs, height) : List.of();
    return leavesOneAlone(spots) ? List.of() : spots;
  }

  /** Whether a group that goes on in a column has a single line there. */
  private static boolean leavesOneAlone(List<Spot> spots) {
    for (int i = 0; i < spots.size(); i++) {
      Spot spot = spots.get(i);
      boolean alone =
          spot.y() == 0 && spot.run().again().isPresent() && spot.run().pieces().size() == 1;
      boolean next =
          i + 1 < spots.size()
              && spots.get(i + 1).column() == spot.column()
              && spots.get(i + 1).run().group() == spot.run().group();
      if (alone && !next) {
        return true;
      }
    }
    return false;
  }
}
