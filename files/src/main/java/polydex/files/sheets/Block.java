package polydex.files.sheets;

import java.util.List;
import java.util.Optional;

/**
 * Pieces that follow each other.
 *
 * @param heading of them; none where they have none
 * @param again what stands over them where they go on in another column
 * @param pieces in order
 * @param wide whether they take the whole page, not a column
 */
record Block(Optional<Piece> heading, Optional<Piece> again, List<Piece> pieces, boolean wide) {
  /** Copies the list. */
  Block {
    pieces = List.copyOf(pieces);
  }
}
