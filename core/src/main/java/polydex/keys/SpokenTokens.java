package polydex.keys;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.quoted;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import polydex.keys.SpokenNames.Holds;
import polydex.keys.SpokenNames.Meaning;
import polydex.keys.SpokenNames.Presses;

/**
 * A text cut into names, signs, characters and quoted texts: the longest phrase that is known
 * counts as one name. O(n) in the length of the text.
 */
final class SpokenTokens {

  /** A piece of the text: a name, a sign, a character, or what joins and separates. */
  sealed interface Token {
    int start();

    int end();
  }

  record Name(Meaning meaning, int start, int end, boolean isSign) implements Token {}

  record Literal(int codePoint, int start, int end) implements Token {}

  record Quoted(String text, int start, int end) implements Token {}

  record Unknown(String word, int start, int end) implements Token {}

  private final String text;
  private final Map<String, Modifiers> ownWords;
  private final KeyLanguage language;
  private final List<Token> tokens = new ArrayList<>();
  private boolean sawSign;
  private boolean sawWords;

  SpokenTokens(String text, Map<String, Modifiers> ownWords, KeyLanguage language) {
    this.text = text;
    this.ownWords = ownWords;
    this.language = language;
  }

  /** The tokens, filled by {@link #tokenize}. */
  List<Token> tokens() {
    return tokens;
  }

  /** Whether there was a sign for a modifier or key. */
  boolean sawSign() {
    return sawSign;
  }

  /** Whether there was a word that no program writes: "then", "the", "Page Down". */
  boolean sawWords() {
    return sawWords;
  }

  /** What may stand between the ends of a range. */
  static boolean isRangeSign(Token token) {
    return switch (token) {
      case Unknown u -> u.word().matches("(?i)to|through|bis|\\.\\.\\.?|…");
      case Literal l -> "-\u2013\u2026".indexOf(l.codePoint()) >= 0;
      case Name _, Quoted _ -> false;
    };
  }

  /**
   * Cuts the text up.
   *
   * @throws GestureSyntaxException for a word that is no name
   */
  void tokenize() {
    int i = 0;
    while (i < text.length()) {
      int c = text.codePointAt(i);
      int next = i + Character.charCount(c);
      Optional<Meaning> sign = SpokenNames.sign(c);
      if (Character.isWhitespace(c) || c == '\u00a0' || c == '\ufe0f' || c == '\u200b') {
        i = next;
      } else if (Character.isISOControl(c)) {
        throw expected(i, worded("keys.text-without-control-characters"));
      } else if (sign.isPresent()) {
        sawSign = true;
        tokens.add(new Name(sign.get(), i, next, true));
        i = next;
      } else if (c == '"' || c == '\u201c' || c == '\u201e') {
        i = quoted(i);
      } else if (Character.isLetterOrDigit(c) || text.startsWith("$mod", i)) {
        i = word(i);
      } else if (text.startsWith("..", i)) {
        int end = text.startsWith("...", i) ? i + 3 : i + 2;
        tokens.add(new Unknown(text.substring(i, end), i, end));
        i = end;
      } else {
        tokens.add(new Literal(c, i, next));
        i = next;
      }
    }
    if (tokens.isEmpty()) {
      throw expected(0, worded("any.a-gesture"));
    }
    for (Token token : tokens) {
      if (token instanceof Unknown unknown && !isRangeSign(unknown)) {
        throw expected(unknown.start(), worded("keys.a-key-or-modifier-is-none", unknown.word()));
      }
    }
  }

  private int quoted(int start) {
    int end = start + 1;
    while (end < text.length() && "\"\u201d\u201c".indexOf(text.charAt(end)) < 0) {
      end++;
    }
    if (end >= text.length() || end == start + 1) {
      tokens.add(new Literal(text.codePointAt(start), start, start + 1));
      return start + 1;
    }
    tokens.add(new Quoted(text.substring(start + 1, end), start, end + 1));
    return end + 1;
  }

  /**
   * The longest phrase from here on that is known, or a single character, or a word that is not.
   */
  private int word(int start) {
    List<Integer> ends = new ArrayList<>();
    int i = start;
    while (ends.size() < SpokenNames.LONGEST_PHRASE) {
      int end = endOfWord(i);
      if (end == i) {
        break;
      }
      ends.add(end);
      i = end;
      if (i < text.length() && (" -_\u2011/.\u00a0'\u2019".indexOf(text.charAt(i)) >= 0)) {
        i += text.startsWith(". ", i) ? 2 : 1;
      }
    }
    for (int n = ends.size(); n > 0; n--) {
      int end = ends.get(n - 1);
      Optional<Meaning> meaning = meaning(text.substring(start, end), n);
      if (meaning.isEmpty() && text.substring(start, end).equalsIgnoreCase("the menu")) {
        tokens.add(new Unknown("the menu", start, end)); // one on the screen, no key
        return end;
      }
      if (meaning.isPresent()) {
        sawWords |= !(meaning.get() instanceof Presses || meaning.get() instanceof Holds) || n > 1;
        int behind = isShortened(start, end) ? end + 1 : end;
        tokens.add(new Name(meaning.get(), start, behind, false));
        return behind;
      }
    }
    int end = ends.getFirst();
    String word = text.substring(start, end);
    if (word.codePointCount(0, word.length()) == 1) {
      tokens.add(new Literal(word.codePointAt(0), start, end));
    } else {
      tokens.add(new Unknown(word, start, end));
    }
    return end;
  }

  /** "Maj." and its like: the dot belongs to a name of another language. */
  private boolean isShortened(int start, int end) {
    return end - start > 2
        && text.startsWith(".", end)
        && (end + 1 == text.length() || " +-,".indexOf(text.charAt(end + 1)) >= 0)
        && language.phrase(KeyLanguage.fold(text.substring(start, end))).isPresent();
  }

  private Optional<Meaning> meaning(String phrase, int words) {
    Optional<Meaning> foreign = language.phrase(KeyLanguage.fold(phrase));
    if (foreign.isPresent()) {
      return foreign;
    }
    String folded = phrase.toLowerCase(Locale.ROOT).replaceAll("[-_\u2011\u00a0 ]+", " ");
    // "Ctrl-Left" and "Alt-Right Shift": a dash after a modifier joins; it never makes a phrase.
    if (words > 1) {
      String firstWord = folded.substring(0, Math.max(folded.indexOf(' '), 0));
      boolean dashed = phrase.indexOf('-') >= 0 || phrase.indexOf('\u2011') >= 0;
      if (dashed && SpokenNames.phrase(firstWord).filter(Holds.class::isInstance).isPresent()) {
        return Optional.empty();
      }
      if (phrase.contains("/") && !folded.equals("pause/break") && !folded.equals("play/pause")) {
        return Optional.empty();
      }
    }
    Modifiers own = ownWords.get(folded);
    return own != null ? Optional.of(new Holds(own)) : SpokenNames.phrase(folded);
  }

  /** An arrow ends a word of its own, as in "Page ↑", and a dollar sign begins one. */
  private int endOfWord(int start) {
    int i = start;
    if (text.startsWith("$", i)) {
      i++;
    } else if (i < text.length() && "↑↓←→".indexOf(text.charAt(i)) >= 0) {
      return i + 1;
    }
    while (i < text.length()
        && Character.isLetterOrDigit(text.codePointAt(i))
        && SpokenNames.sign(text.codePointAt(i)).isEmpty()) {
      i += Character.charCount(text.codePointAt(i));
    }
    return i;
  }

  private GestureSyntaxException expected(int where, String what) {
    return new GestureSyntaxException(text, where + 1, what);
  }
}
