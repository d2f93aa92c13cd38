package polydex.files.sheets;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import polydex.boards.Board.KeyPlace;
import polydex.files.sheets.Piece.Element;
import polydex.files.sheets.Piece.Role;
import polydex.keys.Key;
import polydex.sheets.Sheet.Face;
import polydex.sheets.Sheet.Picture;

/** A keyboard drawn to scale, with what its keys do as far as there is room on them. */
final class PictureSetting {
  private static final double GAP = 1.2;
  private static final double LETTERS = Paper.SMALLEST_TYPE;
  private static final double GREY = 0.9;

  /** Wider keys help nobody, in points of a key of 19 mm. */
  private static final double LARGEST_UNIT = 60;

  private static final Face FREE = new Face("", "", false);
  private static final Set<Key> LETTER_BLOCK_ENDS =
      EnumSet.of(Key.Backspace, Key.Enter, Key.ShiftRight, Key.ControlRight);

  private final double size;
  private final double width;

  PictureSetting(double size, double width) {
    this.size = size;
    this.width = width;
  }

  Piece set(Picture picture) {
    double wide = wide(picture);
    double high =
        picture.board().places().stream().mapToDouble(p -> p.y() + p.height()).max().orElse(1);
    double scale = Math.min(width / wide, LARGEST_UNIT / 19.05);
    List<Mark> marks = new ArrayList<>();
    Set<Key> drawn = EnumSet.noneOf(Key.class);
    for (KeyPlace place : picture.board().places()) {
      if (place.x() + place.width() > wide + 1) {
        continue;
      }
      Face face = picture.faces().getOrDefault(place.key(), FREE);
      // Of a key that is no rectangle only the first part bears letters.
      key(marks, place, scale, drawn.add(place.key()) ? face : new Face("", face.does(), false));
    }
    return new Piece(
        0, high * scale + 0.4 * size, List.of(new Element(Role.FIGURE, said(picture), marks)));
  }

  /** Blocks of keys to the right of the letters are left away where none of their keys is used. */
  private static double wide(Picture picture) {
    return picture.board().places().stream()
        .filter(
            p ->
                LETTER_BLOCK_ENDS.contains(p.key())
                    || !picture.faces().getOrDefault(p.key(), FREE).does().isEmpty())
        .mapToDouble(p -> p.x() + p.width())
        .max()
        .orElseGet(
            () ->
                picture.board().places().stream()
                    .mapToDouble(p -> p.x() + p.width())
                    .max()
                    .orElse(1));
  }

  private void key(List<Mark> marks, KeyPlace place, double scale, Face face) {
    double x = place.x() * scale + GAP / 2;
    double y = place.y() * scale + GAP / 2;
    double w = place.width() * scale - GAP;
    double h = place.height() * scale - GAP;
    boolean taken = !face.does().isEmpty();
    marks.add(new Mark.Box(x, y, w, h, 2, taken ? GREY : 1, face.losesWork()));
    double at = y + 0.5;
    double room = (w - 3) / LETTERS;
    if (!face.legend().isEmpty() && h > LETTERS * 1.2) {
      String legend = Lettering.cut(Typeface.KEYS, face.legend(), room);
      marks.addAll(
          Lettering.set(
              Typeface.KEYS, legend, LETTERS, x + 2, at + Lettering.ASCENT * LETTERS, !taken));
      at += 1.1 * LETTERS;
    }
    int lines = (int) ((y + h - at - 0.5) / (1.02 * LETTERS));
    if (taken && lines > 0 && !face.legend().isEmpty()) {
      for (String line : Lettering.lines(Typeface.TEXT, face.does(), room, lines)) {
        marks.addAll(
            Lettering.set(
                Typeface.TEXT, line, LETTERS, x + 2, at + Lettering.ASCENT * LETTERS, false));
        at += 1.02 * LETTERS;
      }
    }
  }

  private static String said(Picture picture) {
    return worded(
        "sheets.keys-do-something",
        picture.title(),
        picture.taken(),
        picture.faces().entrySet().stream()
            .filter(e -> !e.getValue().does().isEmpty())
            .sorted(Map.Entry.comparingByKey())
            .map(e -> e.getValue().legend() + ": " + e.getValue().does())
            .collect(Collectors.joining("; ")));
  }
}
