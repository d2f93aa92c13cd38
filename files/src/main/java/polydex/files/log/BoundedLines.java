package polydex.files.log;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.io.Reader;

/**
 * The lines of a text of any length, none of them longer than {@value #LONGEST}: a line that is, or
 * that no log could have, is handed on as an empty one and told of. So a parser behind it keeps its
 * line numbers, and a quotation mark that was never closed costs one line and not the rest.
 */
final class BoundedLines extends Reader {
  /** The longest line, in characters. */
  static final int LONGEST = 64 * 1024;

  private static final int CHUNK = 1 << 16;

  /** Is told of lines that were left out. */
  interface Problems {
    /** A line by its number, counted from 1, and a sentence. */
    void leftOut(long line, String reason);
  }

  private final Reader in;
  private final boolean quoted;
  private final Problems problems;
  private final char[] chunk = new char[CHUNK];
  private int next;
  private int end;
  private final char[] line = new char[LONGEST + 1];
  private int given;
  private int length;
  private long number;
  private boolean done;

  /**
   * Lines of a text.
   *
   * @param quoted whether quotation marks have to come in pairs within a line
   */
  BoundedLines(Reader in, boolean quoted, Problems problems) {
    this.in = in;
    this.quoted = quoted;
    this.problems = problems;
  }

  @Override
  public int read(char[] to, int from, int most) throws IOException {
    int filled = 0;
    while (filled < most) {
      if (given == length) {
        if (filled > 0 && next == end && !in.ready()) {
          return filled; // what is there now is not kept back for what may come
        }
        if (!nextLine()) {
          return filled == 0 ? -1 : filled;
        }
      }
      int some = Math.min(most - filled, length - given);
      System.arraycopy(line, given, to, from + filled, some);
      given += some;
      filled += some;
    }
    return filled;
  }

  /** Fills the line with the next one that can be handed on, its end included. */
  private boolean nextLine() throws IOException {
    if (done) {
      return false;
    }
    given = 0;
    length = 0;
    int marks = 0;
    boolean tooLong = false;
    boolean strange = false;
    boolean broken = false;
    number++;
    while (true) {
      if (next == end) {
        end = Math.max(0, in.read(chunk, 0, CHUNK));
        next = 0;
        if (end == 0) {
          done = true;
          if (length == 0 && !tooLong) {
            return false;
          }
          break;
        }
      }
      char c = chunk[next++];
      if (c == '\n') {
        break;
      }
      marks += c == '"' ? 1 : 0;
      strange |= c == '\0';
      broken |= c == '\uFFFD';
      if (length < LONGEST) {
        line[length++] = c;
      } else {
        tooLong = true;
      }
    }
    String reason =
        tooLong
            ? worded("log.the-line-is-longer-than-characters", LONGEST)
            : strange
                ? worded("log.the-line-holds-zero-bytes-this")
                : broken
                    ? worded("log.the-line-is-not-in-utf")
                    : quoted && marks % 2 == 1 ? worded("log.a-quotation-mark-is-not-closed") : "";
    if (!reason.isEmpty()) {
      problems.leftOut(number, reason);
      length = 0;
    }
    line[length++] = '\n';
    return true;
  }

  /** The number of the line that was handed on last. */
  long number() {
    return number;
  }

  @Override
  public void close() throws IOException {
    in.close();
  }
}
