package polydex.files.xkb;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import polydex.files.FileProblem;

/** Cuts an XKB file into tokens; O(n). */
final class XkbScanner {

  /** What a token is. */
  enum Kind {
    WORD,
    TEXT,
    KEY,
    SIGN,
    END
  }

  /**
   * A token.
   *
   * @param text without the quotes of a text or the angles of a key name
   * @param line counted from 1
   */
  record Token(Kind kind, String text, int line) {
    boolean is(String wanted) {
      return kind != Kind.TEXT && kind != Kind.KEY && text.equals(wanted);
    }
  }

  private final String name;
  private final String text;
  private int at;
  private int line = 1;

  private XkbScanner(String name, String text) {
    this.name = name;
    this.text = text;
  }

  static List<Token> scan(String name, String text) throws FileProblem {
    return new XkbScanner(name, text).tokens();
  }

  private List<Token> tokens() throws FileProblem {
    List<Token> tokens = new ArrayList<>();
    while (true) {
      skipSpaceAndComments();
      if (at >= text.length()) {
        tokens.add(new Token(Kind.END, "", line));
        return tokens;
      }
      char c = text.charAt(at);
      if (c == '"') {
        tokens.add(enclosed(Kind.TEXT, '"'));
      } else if (c == '<') {
        tokens.add(enclosed(Kind.KEY, '>'));
      } else if (isWordPart(c)) {
        int start = at;
        while (at < text.length() && isWordPart(text.charAt(at))) {
          at++;
        }
        tokens.add(new Token(Kind.WORD, text.substring(start, at), line));
      } else {
        tokens.add(new Token(Kind.SIGN, String.valueOf(c), line));
        at++;
      }
    }
  }

  private static boolean isWordPart(char c) {
    return Character.isLetterOrDigit(c) || c == '_';
  }

  private Token enclosed(Kind kind, char close) throws FileProblem {
    int start = ++at;
    while (at < text.length() && text.charAt(at) != close) {
      if (text.charAt(at) == '\n') {
        throw new FileProblem(worded("xkb.line-is-missing", name, line, close));
      }
      at++;
    }
    if (at >= text.length()) {
      throw new FileProblem(worded("xkb.line-is-missing", name, line, close));
    }
    return new Token(kind, text.substring(start, at++), line);
  }

  private void skipSpaceAndComments() {
    while (at < text.length()) {
      char c = text.charAt(at);
      if (c == '\n') {
        line++;
        at++;
      } else if (Character.isWhitespace(c)) {
        at++;
      } else if (c == '#' || text.startsWith("//", at)) {
        while (at < text.length() && text.charAt(at) != '\n') {
          at++;
        }
      } else {
        return;
      }
    }
  }
}
