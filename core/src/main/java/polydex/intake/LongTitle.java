package polydex.intake;

import polydex.intake.IntakeRequest.RequestedRow;

/**
 * Titles that are whole paragraphs: the action gets the first sentence or as many words as have
 * room, and the note keeps the whole.
 */
final class LongTitle {
  /** What a person still reads as a title. */
  private static final int LONGEST = 120;

  private LongTitle() {}

  static RequestedRow shortened(RequestedRow row) {
    String title = row.action().strip();
    if (title.length() <= LONGEST && title.indexOf('\n') < 0) {
      return row;
    }
    String whole = title.replaceAll("\\s+", " ");
    Steps.take(title.length());
    String short1 = first(title);
    if (short1.equals(whole)) {
      return row.titled(whole, row.note());
    }
    String note = row.note().isEmpty() ? whole : whole + "; " + row.note();
    return row.titled(short1, note.length() <= 2000 ? note : note.substring(0, 1997) + "...");
  }

  private static String first(String title) {
    int end = title.indexOf('\n');
    String line = (end < 0 ? title : title.substring(0, end)).strip().replaceAll("\\s+", " ");
    if (line.length() <= LONGEST) {
      return line;
    }
    int sentence = line.indexOf(". ");
    if (sentence > 0 && sentence < LONGEST) {
      return line.substring(0, sentence);
    }
    int space = line.lastIndexOf(' ', LONGEST - 3);
    return line.substring(0, space > LONGEST / 2 ? space : LONGEST - 3) + "...";
  }
}
