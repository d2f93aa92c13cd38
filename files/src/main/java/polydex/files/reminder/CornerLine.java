package polydex.files.reminder;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Dimension;
import java.awt.Font;
import java.awt.FontMetrics;
import java.awt.Graphics2D;
import java.util.List;
import java.util.Optional;
import polydex.files.recorder.CornerWindow;
import polydex.files.recorder.ScreenSign;
import polydex.keys.CapMark;

/** In a small window of our own, above the sign that something is recorded. */
final class CornerLine implements ReminderLine {
  private static final int MARGIN = 14;
  private static final int ROW = 30;
  private static final int GAP = 8;
  private static final int LONGEST = 320;
  private static final Font WORDS = new Font(Font.SANS_SERIF, Font.PLAIN, 14);
  private static final Font NAME = WORDS.deriveFont(Font.BOLD, 15f);
  private static final Color QUIET = new Color(0xD0D0D0);

  /** What is on the window: rows of words and caps. */
  private static final class Rows implements CornerWindow.Drawing {
    private volatile Optional<ReminderWords> words = Optional.empty();
    private volatile String sentence = "";

    @Override
    public Dimension size(Graphics2D g) {
      Pen pen = new Pen(g);
      draw(pen);
      return new Dimension(pen.widest + MARGIN, pen.y + ROW / 2 + MARGIN);
    }

    @Override
    public void on(Graphics2D g, Dimension size) {
      g.setColor(Color.BLACK);
      g.fillRect(0, 0, size.width, size.height);
      g.setColor(Color.WHITE);
      g.drawRect(0, 0, size.width - 1, size.height - 1);
      draw(new Pen(g));
    }

    private void draw(Pen pen) {
      Optional<ReminderWords> now = words;
      if (now.isEmpty()) {
        pen.words(sentence, WORDS, Color.WHITE);
        return;
      }
      ReminderWords said = now.get();
      pen.name(said.action(), NAME, Color.WHITE);
      pen.name(said.application(), WORDS, QUIET);
      pen.caps(said.keys().caps());
      pen.next();
      pen.words(said.cost(), WORDS, QUIET);
      pen.next();
      for (ReminderWords.Answer answer : said.answers()) {
        pen.caps(answer.keys().caps());
        pen.words(answer.does(), WORDS, QUIET);
        pen.x += GAP;
      }
    }
  }

  /** Writes from left to right; a point on the middle of the row is where it stands. */
  private static final class Pen {
    private final Graphics2D g;
    private int x = MARGIN;
    private int y = MARGIN + ROW / 2;
    private int widest;

    Pen(Graphics2D g) {
      this.g = g;
    }

    /** A name, cut where it is too long for a line in a corner. */
    void name(String text, Font font, Color color) {
      FontMetrics letters = g.getFontMetrics(font);
      String shown = text;
      while (letters.stringWidth(shown) > LONGEST) {
        shown = shown.substring(0, shown.length() - 2).stripTrailing() + "\u2026";
      }
      words(shown, font, color);
    }

    void words(String text, Font font, Color color) {
      FontMetrics letters = g.getFontMetrics(font);
      g.setFont(font);
      g.setColor(color);
      g.drawString(text, x, y + (letters.getAscent() - letters.getDescent()) / 2);
      move(letters.stringWidth(text) + GAP);
    }

    void caps(List<CapMark> marks) {
      for (CapMark mark : marks) {
        switch (mark) {
          case CapMark.Cap(String text, CapMark.Sort _) -> cap(text);
          case CapMark.Times(int count) -> words("\u00d7" + count, WORDS, Color.WHITE);
          case CapMark.Next _ -> words("\u2192", WORDS, QUIET);
          case CapMark.Opens _ -> words("(", WORDS, QUIET);
          case CapMark.Closes _ -> words(")", WORDS, QUIET);
          case CapMark.Pointer(String act) -> words(act, WORDS, Color.WHITE);
        }
      }
      x += GAP - 3;
    }

    private void cap(String text) {
      FontMetrics letters = g.getFontMetrics(WORDS);
      int width = letters.stringWidth(text) + 14;
      int height = ROW - 6;
      g.setColor(Color.WHITE);
      g.setStroke(new BasicStroke(1.2f));
      g.drawRoundRect(x, y - height / 2, width, height, 7, 7);
      g.setFont(WORDS);
      g.drawString(text, x + 7, y + (letters.getAscent() - letters.getDescent()) / 2);
      move(width + 3);
    }

    private void move(int by) {
      x += by;
      widest = Math.max(widest, x);
    }

    void next() {
      x = MARGIN;
      y += ROW;
    }
  }

  private final Rows rows;
  private final CornerWindow window;

  private CornerLine(Rows rows, CornerWindow window) {
    this.rows = rows;
    this.window = window;
  }

  /** A hidden one; nothing where there is no screen to show it on. */
  static Optional<ReminderLine> make() {
    Rows rows = new Rows();
    return CornerWindow.make("polydex-reminder", rows, ScreenSign.HEIGHT)
        .map(w -> new CornerLine(rows, w));
  }

  @Override
  public void show(ReminderWords shown) {
    rows.words = Optional.of(shown);
    window.changed();
    window.show(true);
  }

  @Override
  public void say(String said) {
    rows.sentence = said;
    rows.words = Optional.empty();
    window.changed();
    window.show(true);
  }

  @Override
  public void hide() {
    window.show(false);
  }

  @Override
  public void close() {
    window.close();
  }
}
