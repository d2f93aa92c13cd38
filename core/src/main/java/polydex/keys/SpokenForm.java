package polydex.keys;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.keys.SpokenNames.After;
import polydex.keys.SpokenNames.And;
import polydex.keys.SpokenNames.Before;
import polydex.keys.SpokenNames.Filler;
import polydex.keys.SpokenNames.Holding;
import polydex.keys.SpokenNames.Holds;
import polydex.keys.SpokenNames.Pad;
import polydex.keys.SpokenNames.Points;
import polydex.keys.SpokenNames.Presses;
import polydex.keys.SpokenNames.Then;
import polydex.keys.SpokenTokens.Literal;
import polydex.keys.SpokenTokens.Name;
import polydex.keys.SpokenTokens.Quoted;
import polydex.keys.SpokenTokens.Token;
import polydex.keys.SpokenTokens.Unknown;

/**
 * Gestures as people write them in running text, with signs, and as portable sequences. Names are
 * read by the longest phrase that is known; what joins a stroke may be a plus, a dash, "and" or
 * nothing but a space, and a stroke has one key, so that a second one without a comma or "then"
 * before it is refused rather than guessed at. O(n) in the length of the text.
 */
final class SpokenForm {

  private final String text;
  private final SpokenTokens read;
  private final List<Token> tokens;
  private int at;

  /**
   * A reading to be made.
   *
   * @param ownWords names of modifiers in an environment's own words, in lower case
   */
  SpokenForm(String text, Map<String, Modifiers> ownWords, KeyLanguage language) {
    this.text = text;
    read = new SpokenTokens(text, ownWords, language);
    tokens = read.tokens();
  }

  /** Which of its forms the text turned out to be. */
  Notation form() {
    if (read.sawSign()) {
      return Notation.SYMBOLS;
    }
    boolean portable = !read.sawWords() && text.matches("[^ ,]+(, ?[^ ,]+)+");
    return portable ? Notation.SEQUENCE : Notation.PROSE;
  }

  Gesture gesture() {
    read.tokenize();
    List<Step> steps = new ArrayList<>();
    boolean joinedTight = false;
    while (true) {
      skipFiller();
      int before = at;
      steps.addAll(peek() instanceof Name(Holding _, _, _, _) ? hold() : List.of(step()));
      joinedTight = tightly(before);
      skipFiller();
      if (at >= tokens.size()) {
        return made(steps);
      }
      if (!acceptSeparator()) {
        boolean nextStroke = peek() instanceof Name(Holds _, _, _, _) && spaceBefore(at);
        if (nextStroke && isNothing(steps)) {
          throw expected(peek().start(), "“then”, if the modifier is tapped first");
        }
        boolean plainKey = joinedTight && spaceBefore(at) && isKeyAt(at);
        if (!nextStroke && !plainKey) {
          throw expected(
              peek().start(), "“then” or a comma, if this is another step; a stroke has one key");
        }
      } else if (at >= tokens.size()) {
        throw expected(text.length(), "another step");
      }
    }
  }

  /** {@code Meta Meta+E}: a tap and the same modifier again at once is nothing that anyone does. */
  private boolean isNothing(List<Step> steps) {
    if (!(steps.getLast() instanceof Step.Tap(Modifiers tapped, int _))
        || !(peek() instanceof Name(Holds(Modifiers again), _, _, _))) {
      return false;
    }
    boolean keyFollows = false;
    for (int i = at + 1; i < tokens.size() && !isSeparator(i); i++) {
      keyFollows |= !(tokens.get(i) instanceof Name(Holds _, _, _, _));
    }
    return tapped.and(again).equals(tapped) && keyFollows;
  }

  private Gesture made(List<Step> steps) {
    try {
      return new Gesture(steps);
    } catch (IllegalArgumentException e) {
      throw expected(0, "at most " + Gesture.MOST_STEPS + " steps");
    }
  }

  /** Whether the step was written without spaces, so that a space after it ends the step. */
  private boolean tightly(int from) {
    for (int i = from + 1; i < at; i++) {
      if (spaceBefore(i)) {
        return false;
      }
    }
    return at - from > 1;
  }

  // ---- steps

  private Step step() {
    int times = 1;
    if (peek() instanceof Name(Before(int n), _, _, _)) {
      times = n;
      at++;
      skipFiller();
    }
    int start = at < tokens.size() ? peek().start() : text.length();
    Modifiers held = Modifiers.NONE;
    boolean joined = false;
    boolean bySign = false;
    while (true) {
      skipFiller();
      if (peek() instanceof Name(Holds(Modifiers more), _, int end, boolean isSign)) {
        boolean again = held.and(more).equals(held);
        if (again && (joined || isSign == bySign)) {
          if (joined) {
            throw expected(peek().start(), "each modifier once");
          }
          break; // the same modifier again: another tap
        }
        held = held.and(more); // the sign beside the word is the same modifier
        bySign = isSign;
        at++;
        joined = acceptJoin(isSign, end);
      } else {
        break;
      }
    }
    if (held.isEmpty() && peek() instanceof Quoted(String typed, _, _)) {
      at++;
      return textStep(typed, start);
    }
    Optional<Step> stroke = keyOrPointer(held, joined || bySign || held.isEmpty());
    if (stroke.isEmpty()) {
      if (held.isEmpty() || joined) {
        throw expected(at < tokens.size() ? peek().start() : text.length(), "a key");
      }
      return tap(held, times);
    }
    if (times > 1 || peek() instanceof Name(After _, _, _, _)) {
      throw expected(start, "a modifier, where something is pressed several times");
    }
    return stroke.get();
  }

  /** What says once more which key was meant: {@code [ (left bracket)}, {@code 5 (keypad)}. */
  private Step glossed(Step step) {
    boolean bracket = isLiteral(at, '(');
    int inside = bracket ? at + 1 : at;
    while (bracket
        && inside < tokens.size()
        && tokens.get(inside) instanceof Name(Filler _, _, _, _)) {
      inside++;
    }
    Token said = inside < tokens.size() ? tokens.get(inside) : peek();
    int behind = inside + 1;
    if (bracket) {
      while (behind < tokens.size() && tokens.get(behind) instanceof Name(Filler _, _, _, _)) {
        behind++;
      }
      if (behind >= tokens.size() || !isLiteral(behind, ')')) {
        return step;
      }
      behind++;
    }
    if (!(step instanceof Step.Stroke(Held held, KeyRef key))) {
      return step;
    }
    if (said instanceof Name(Pad _, _, _, _)) {
      Optional<KeyRef> there = SpokenNames.onPad(key);
      if (there.isPresent()) {
        at = behind;
        return new Step.Stroke(held, there.get());
      }
    } else if (bracket && names(said, key)) {
      at = behind;
    }
    return step;
  }

  private static boolean names(Token said, KeyRef key) {
    return switch (said) {
      case Name(Presses(KeyRef named), _, _, _) -> named.equals(key);
      case Literal(int c, _, _) -> key instanceof KeyRef.Typed(int typed) && typed == c;
      default -> false;
    };
  }

  /** {@code Home+Shift}: a modifier that is named behind its key is held all the same. */
  private Step heldBehind(Step step) {
    Step all = step;
    while (all instanceof Step.Stroke(Held held, KeyRef key)
        && at + 1 < tokens.size()
        && isLiteral(at, '+')
        && tokens.get(at + 1) instanceof Name(Holds(Modifiers more), _, _, _)
        && (at + 2 >= tokens.size() || isSeparator(at + 2) || isLiteral(at + 2, '+'))
        && !held.modifiers().and(more).equals(held.modifiers())) {
      all = new Step.Stroke(held.and(Held.of(more)), key);
      at += 2;
    }
    return all;
  }

  private Step tap(Modifiers held, int timesBefore) {
    int times = timesBefore;
    if (peek() instanceof Name(After(int n), _, _, _)) {
      times = n;
      at++;
    } else if (isLiteral(at, '(')
        && at + 2 < tokens.size()
        && tokens.get(at + 1) instanceof Name(After(int n), _, _, _)
        && isLiteral(at + 2, ')')) {
      times = n;
      at += 3;
    }
    return new Step.Tap(held, times);
  }

  private Step textStep(String typed, int start) {
    try {
      return new Step.Text(typed);
    } catch (IllegalArgumentException e) {
      throw expected(start, "text that can be typed between the quotes");
    }
  }

  /** Modifiers stay down while what follows is done. */
  private List<Step> hold() {
    at++;
    Modifiers held = Modifiers.NONE;
    skipFiller();
    while (peek() instanceof Name(Holds(Modifiers more), _, int end, boolean isSign)) {
      held = held.and(more);
      at++;
      if (!acceptJoin(isSign, end) && !(peek() instanceof Name(Holds _, _, _, _))) {
        break;
      }
      skipFiller();
    }
    if (held.isEmpty()) {
      throw expected(
          at < tokens.size() ? peek().start() : text.length(), "a modifier that is held");
    }
    if (acceptSeparator()) {
      skipFiller();
    }
    List<Step> inner = new ArrayList<>();
    do {
      skipFiller();
      int times = 1;
      if (peek() instanceof Name(Before(int n), _, _, _)) {
        times = n;
        at++;
        skipFiller();
      }
      Step step =
          keyOrPointer(Modifiers.NONE, true)
              .orElseThrow(
                  () -> expected(at < tokens.size() ? peek().start() : text.length(), "a key"));
      if (peek() instanceof Name(After(int n), _, _, _)) {
        times = n;
        at++;
      }
      for (int i = 0; i < times; i++) {
        inner.add(step);
      }
      skipFiller();
    } while (acceptSeparator() || acceptAnd());
    if (inner.size() > Gesture.MOST_STEPS) {
      throw expected(0, "at most " + Gesture.MOST_STEPS + " steps");
    }
    return List.of(new Step.Hold(Held.of(held), inner));
  }

  private boolean acceptAnd() {
    if (peek() instanceof Name(And _, _, _, _)) {
      at++;
      return true;
    }
    return false;
  }

  private Optional<Step> keyOrPointer(Modifiers held, boolean signAllowed) {
    skipFiller();
    if (peek() instanceof Name(Pad _, _, _, _)) {
      return Optional.of(new Step.Stroke(Held.of(held), padKey()));
    }
    Optional<Step> bracketed = signAllowed ? bracketed(held) : Optional.empty();
    if (bracketed.isPresent()) {
      return bracketed;
    }
    Token token = peek();
    Optional<Step> step =
        switch (token) {
          case Name(Presses(KeyRef key), _, _, _) ->
              Optional.of(new Step.Stroke(Held.of(held), key));
          case Name(Points(PointerAct act), _, _, _) ->
              Optional.of(new Step.Pointing(Held.of(held), act));
          case Literal l when signAllowed || Character.isLetterOrDigit(l.codePoint()) ->
              Optional.of(new Step.Stroke(Held.of(held), new KeyRef.Typed(l.codePoint())));
          case null, default -> Optional.empty();
        };
    if (step.isPresent()) {
      at++;
      return Optional.of(heldBehind(glossed(range(step.get()))));
    }
    return step;
  }

  /** {@code Num +}, {@code Numpad *}, {@code keypad 5}. */
  private KeyRef padKey() {
    at++;
    skipFiller();
    Optional<KeyRef> key =
        switch (peek()) {
          case Literal l -> Optional.of(new KeyRef.Typed(l.codePoint()));
          case Name(Presses(KeyRef named), _, _, _) -> Optional.of(named);
          default -> Optional.empty();
        };
    KeyRef there =
        key.flatMap(SpokenNames::onPad)
            .orElseThrow(
                () ->
                    expected(
                        at < tokens.size() ? peek().start() : text.length(),
                        "a key of the number pad, such as 5 or plus"));
    at++;
    return there;
  }

  /** {@code [1-9]}, a family; {@code (plus)}, a key by its name. */
  private Optional<Step> bracketed(Modifiers held) {
    if (isLiteral(at, '[')
        && at + 4 < tokens.size()
        && isLiteral(at + 4, ']')
        && SpokenTokens.isRangeSign(tokens.get(at + 2))) {
      int before = at;
      at++;
      Optional<Step> range = keyOrPointer(held, false);
      if (range.isPresent()
          && range.get() instanceof Step.Stroke(Held _, KeyRef.AnyOf _)
          && at == before + 4) {
        at++;
        return range;
      }
      at = before;
    }
    if (isLiteral(at, '\'')
        && isLiteral(at + 2, '\'')
        && tokens.get(at + 1) instanceof Literal(int c, _, _)) {
      at += 3;
      return Optional.of(new Step.Stroke(Held.of(held), new KeyRef.Typed(c)));
    }
    if (!held.isEmpty()
        && isLiteral(at, '(')
        && at + 2 < tokens.size()
        && tokens.get(at + 1) instanceof Name(Presses(KeyRef key), _, _, _)
        && isLiteral(at + 2, ')')) {
      at += 3;
      return Optional.of(new Step.Stroke(Held.of(held), key));
    }
    return Optional.empty();
  }

  /**
   * {@code 1-9}, {@code F1 to F12}, {@code Ctrl+1 to Ctrl+8}: a family, where it can only be one.
   */
  private Step range(Step first) {
    if (!(first instanceof Step.Stroke(Held held, KeyRef from))
        || at + 1 >= tokens.size()
        || !SpokenTokens.isRangeSign(tokens.get(at))) {
      return first;
    }
    int end = at + 1;
    Modifiers again = Modifiers.NONE;
    while (end < tokens.size() && tokens.get(end) instanceof Name(Holds(Modifiers m), _, _, _)) {
      again = again.and(m);
      end++;
      if (end < tokens.size() && tokens.get(end) instanceof Literal(int c, _, _) && isJoin(c)) {
        end++;
      }
    }
    if (end >= tokens.size() || !(again.isEmpty() || Held.of(again).equals(held))) {
      return first;
    }
    Token last = tokens.get(end);
    Optional<KeyRef> to =
        switch (last) {
          case Literal l -> Optional.of(new KeyRef.Typed(l.codePoint()));
          case Name(Presses(KeyRef key), _, _, _) -> Optional.of(key);
          default -> Optional.empty();
        };
    if (to.isEmpty() || !isRange(from, to.get())) {
      return first;
    }
    String written = from + ".." + to.get();
    try {
      Gesture family = Gesture.parse("{" + written + "}");
      at = end + 1;
      return new Step.Stroke(held, ((Step.Stroke) family.steps().getFirst()).key());
    } catch (GestureSyntaxException e) {
      throw expected(last.start(), "a key further on, as in 1 to 9");
    }
  }

  private static boolean isRange(KeyRef from, KeyRef to) {
    if (from instanceof KeyRef.Typed(int a) && to instanceof KeyRef.Typed(int b)) {
      return (Character.isDigit(a) && Character.isDigit(b))
          || (a >= 'a' && a <= 'z' && b >= 'a' && b <= 'z');
    }
    return from.toString().matches("F\\d+|Numpad\\d") && to.toString().matches("F\\d+|Numpad\\d");
  }

  // ---- what joins and separates

  /**
   * Passes a plus, a dash, a comma-free "and" between a modifier and what it is held with. A sign
   * such as the looped square needs none, so that a plus at its end is a key.
   */
  private boolean acceptJoin(boolean afterSign, int end) {
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

  private static boolean isJoin(int c) {
    return c == '+' || c == '\uff0b' || c == '&' || isDash(c);
  }

  private static boolean isDash(int c) {
    return c == '-' || c == '\u2010' || c == '\u2011' || c == '\u2013' || c == '\u2014';
  }

  private boolean isSeparator(int index) {
    return index < tokens.size() && (isThen(tokens.get(index)) || isComma(tokens.get(index)));
  }

  private static boolean isThen(Token token) {
    return token instanceof Name(Then _, _, _, _);
  }

  private static boolean isComma(Token token) {
    return token instanceof Literal(int c, _, _) && (c == ',' || c == ';');
  }

  private boolean acceptSeparator() {
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

  private void skipFiller() {
    while (at < tokens.size() && peek() instanceof Name(Filler _, _, _, _)) {
      at++;
    }
  }

  /** A letter or digit; a name may be part of what was not understood, as in "scroll up". */
  private boolean isKeyAt(int index) {
    return index < tokens.size()
        && tokens.get(index) instanceof Literal(int c, _, _)
        && Character.isLetterOrDigit(c);
  }

  private boolean isLiteral(int index, char wanted) {
    return index < tokens.size()
        && tokens.get(index) instanceof Literal(int c, _, _)
        && c == wanted;
  }

  private boolean spaceBefore(int index) {
    return index > 0
        && index < tokens.size()
        && tokens.get(index).start() > tokens.get(index - 1).end();
  }

  private Token peek() {
    return at < tokens.size() ? tokens.get(at) : new Unknown("", text.length(), text.length());
  }

  private GestureSyntaxException expected(int where, String what) {
    return new GestureSyntaxException(text, where + 1, what);
  }
}
