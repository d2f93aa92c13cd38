package polydex.keys;

import java.util.List;
import polydex.keys.SpokenNames.And;
import polydex.keys.SpokenNames.Filler;
import polydex.keys.SpokenNames.Then;
import polydex.keys.SpokenTokens.Literal;
import polydex.keys.SpokenTokens.Name;
import polydex.keys.SpokenTokens.Token;
import polydex.keys.SpokenTokens.Unknown;

/** Where a reading of tokens stands, and what joins and separates the parts of a gesture. */
final class SpokenCursor {
  final String text;
  final List<Token> tokens;
  int at;

  SpokenCursor(String text, List<Token> tokens) {
    this.text = text;
    this.tokens = tokens;
  }

  /**
   * Passes a plus, a dash, a comma-free "and" between a modifier and what it is held with. A sign
   * such as the looped square needs none, so that a plus at its end is a key.
   */
  boolean acceptJoin(boolean afterSign, int end) {
    if (at >= tokens.size()) {
      return false;
    }
    if (acceptAnd()) {
      return true;
    }
    if (peek() instanceof Literal(int c, _, _) && isJoin(c)) {
      boolean last = at + 1 >= tokens.size() || isSeparator(at + 1) || spaceBefore(at + 1);
      if (last && afterSign && peek().start() == end) {
        return false;
      }
      at++;
      return true;
    }
    return false;
  }

  static boolean isJoin(int c) {
    return c == '+' || c == '\uff0b' || c == '&' || isDash(c);
  }

  static boolean isDash(int c) {
    return c == '-' || c == '\u2010' || c == '\u2011' || c == '\u2013' || c == '\u2014';
  }

  boolean isSeparator(int index) {
    return index < tokens.size() && (isThen(tokens.get(index)) || isComma(tokens.get(index)));
  }

  static boolean isThen(Token token) {
    return token instanceof Name(Then _, _, _, _);
  }

  static boolean isComma(Token token) {
    return token instanceof Literal(int c, _, _) && (c == ',' || c == ';');
  }

  boolean acceptSeparator() {
    boolean accepted = false;
    if (isComma(peek())) {
      at++;
      accepted = true;
      skipFiller();
      if (acceptAnd()) {
        skipFiller();
      }
    }
    if (isThen(peek())) {
      at++;
      accepted = true;
    }
    // ctrl+a>m: without spaces, and with a key before it.
    if (!accepted
        && isLiteral(at, '>')
        && at > 0
        && !spaceBefore(at)
        && at + 1 < tokens.size()
        && !spaceBefore(at + 1)) {
      at++;
      accepted = true;
    }
    return accepted;
  }

  void skipFiller() {
    while (at < tokens.size() && peek() instanceof Name(Filler _, _, _, _)) {
      at++;
    }
  }

  boolean isLiteral(int index, char wanted) {
    return index < tokens.size()
        && tokens.get(index) instanceof Literal(int c, _, _)
        && c == wanted;
  }

  boolean spaceBefore(int index) {
    return index > 0
        && index < tokens.size()
        && tokens.get(index).start() > tokens.get(index - 1).end();
  }

  Token peek() {
    return at < tokens.size() ? tokens.get(at) : new Unknown("", text.length(), text.length());
  }

  GestureSyntaxException expected(int where, String what) {
    return new GestureSyntaxException(text, where + 1, what);
  }

  boolean acceptAnd() {
    if (peek() instanceof Name(And _, _, _, _)) {
      at++;
      return true;
    }
    return false;
  }

  /** Where the next token begins, or the end. */
  int start() {
    return at < tokens.size() ? peek().start() : text.length();
  }
}
