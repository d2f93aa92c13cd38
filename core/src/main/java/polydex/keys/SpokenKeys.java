package polydex.keys;

import static polydex.language.CoreWords.worded;

import java.util.Optional;
import polydex.keys.SpokenNames.Filler;
import polydex.keys.SpokenNames.Holds;
import polydex.keys.SpokenNames.Pad;
import polydex.keys.SpokenNames.Points;
import polydex.keys.SpokenNames.Presses;
import polydex.keys.SpokenTokens.Literal;
import polydex.keys.SpokenTokens.Name;
import polydex.keys.SpokenTokens.Token;

/**
 * One key or act of the pointer of a stroke as people write it: by its name, in brackets, on the
 * number pad, as a range of keys, with a gloss or a modifier behind it.
 */
final class SpokenKeys {
  private final SpokenCursor here;

  SpokenKeys(SpokenCursor here) {
    this.here = here;
  }

  Optional<Step> keyOrPointer(Modifiers held, boolean signAllowed) {
    here.skipFiller();
    if (here.peek() instanceof Name(Pad _, _, _, _)) {
      return Optional.of(new Step.Stroke(Held.of(held), padKey()));
    }
    Optional<Step> bracketed = signAllowed ? bracketed(held) : Optional.empty();
    if (bracketed.isPresent()) {
      return bracketed;
    }
    Token token = here.peek();
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
      here.at++;
      return Optional.of(heldBehind(glossed(range(step.get()))));
    }
    return step;
  }

  /** {@code Num +}, {@code Numpad *}, {@code keypad 5}. */
  private KeyRef padKey() {
    here.at++;
    here.skipFiller();
    Optional<KeyRef> key =
        switch (here.peek()) {
          case Literal l -> Optional.of(new KeyRef.Typed(l.codePoint()));
          case Name(Presses(KeyRef named), _, _, _) -> Optional.of(named);
          default -> Optional.empty();
        };
    KeyRef there =
        key.flatMap(SpokenNames::onPad)
            .orElseThrow(() -> here.expected(here.start(), worded("keys.a-key-of-the-number-pad")));
    here.at++;
    return there;
  }

  /** {@code [1-9]}, a family; {@code (plus)}, a key by its name. */
  private Optional<Step> bracketed(Modifiers held) {
    if (here.isLiteral(here.at, '[')
        && here.at + 4 < here.tokens.size()
        && here.isLiteral(here.at + 4, ']')
        && SpokenTokens.isRangeSign(here.tokens.get(here.at + 2))) {
      int before = here.at;
      here.at++;
      Optional<Step> range = keyOrPointer(held, false);
      if (range.isPresent()
          && range.get() instanceof Step.Stroke(Held _, KeyRef.AnyOf _)
          && here.at == before + 4) {
        here.at++;
        return range;
      }
      here.at = before;
    }
    if (here.isLiteral(here.at, '\'')
        && here.isLiteral(here.at + 2, '\'')
        && here.tokens.get(here.at + 1) instanceof Literal(int code, _, _)) {
      here.at += 3;
      return Optional.of(new Step.Stroke(Held.of(held), new KeyRef.Typed(code)));
    }
    if (!held.isEmpty()
        && here.isLiteral(here.at, '(')
        && here.at + 2 < here.tokens.size()
        && here.tokens.get(here.at + 1) instanceof Name(Presses(KeyRef key), _, _, _)
        && here.isLiteral(here.at + 2, ')')) {
      here.at += 3;
      return Optional.of(new Step.Stroke(Held.of(held), key));
    }
    return Optional.empty();
  }

  /**
   * {@code 1-9}, {@code F1 to F12}, {@code Ctrl+1 to Ctrl+8}: a family, where it can only be one.
   */
  private Step range(Step first) {
    if (!(first instanceof Step.Stroke(Held held, KeyRef from))
        || here.at + 1 >= here.tokens.size()
        || !SpokenTokens.isRangeSign(here.tokens.get(here.at))) {
      return first;
    }
    int end = here.at + 1;
    Modifiers again = Modifiers.NONE;
    while (end < here.tokens.size()
        && here.tokens.get(end) instanceof Name(Holds(Modifiers m), _, _, _)) {
      again = again.and(m);
      end++;
      if (end < here.tokens.size()
          && here.tokens.get(end) instanceof Literal(int code, _, _)
          && SpokenCursor.isJoin(code)) {
        end++;
      }
    }
    if (end >= here.tokens.size() || !(again.isEmpty() || Held.of(again).equals(held))) {
      return first;
    }
    Token last = here.tokens.get(end);
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
      here.at = end + 1;
      return new Step.Stroke(held, ((Step.Stroke) family.steps().getFirst()).key());
    } catch (GestureSyntaxException e) {
      throw here.expected(last.start(), worded("keys.a-key-further-on-as-in"));
    }
  }

  private static boolean isRange(KeyRef from, KeyRef to) {
    if (from instanceof KeyRef.Typed(int a) && to instanceof KeyRef.Typed(int b)) {
      return (Character.isDigit(a) && Character.isDigit(b))
          || (a >= 'a' && a <= 'z' && b >= 'a' && b <= 'z');
    }
    return from.toString().matches("F\\d+|Numpad\\d") && to.toString().matches("F\\d+|Numpad\\d");
  }

  /** What says once more which key was meant: {@code [ (left bracket)}, {@code 5 (keypad)}. */
  private Step glossed(Step step) {
    boolean bracket = here.isLiteral(here.at, '(');
    int inside = bracket ? here.at + 1 : here.at;
    while (bracket
        && inside < here.tokens.size()
        && here.tokens.get(inside) instanceof Name(Filler _, _, _, _)) {
      inside++;
    }
    Token said = inside < here.tokens.size() ? here.tokens.get(inside) : here.peek();
    int behind = inside + 1;
    if (bracket) {
      while (behind < here.tokens.size()
          && here.tokens.get(behind) instanceof Name(Filler _, _, _, _)) {
        behind++;
      }
      if (behind >= here.tokens.size() || !here.isLiteral(behind, ')')) {
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
        here.at = behind;
        return new Step.Stroke(held, there.get());
      }
    } else if (bracket && names(said, key)) {
      here.at = behind;
    }
    return step;
  }

  private static boolean names(Token said, KeyRef key) {
    return switch (said) {
      case Name(Presses(KeyRef named), _, _, _) -> named.equals(key);
      case Literal(int code, _, _) -> key instanceof KeyRef.Typed(int typed) && typed == code;
      default -> false;
    };
  }

  /** {@code Home+Shift}: a modifier that is named behind its key is held all the same. */
  private Step heldBehind(Step step) {
    Step all = step;
    while (all instanceof Step.Stroke(Held held, KeyRef key)
        && here.at + 1 < here.tokens.size()
        && here.isLiteral(here.at, '+')
        && here.tokens.get(here.at + 1) instanceof Name(Holds(Modifiers more), _, _, _)
        && (here.at + 2 >= here.tokens.size()
            || here.isSeparator(here.at + 2)
            || here.isLiteral(here.at + 2, '+'))
        && !held.modifiers().and(more).equals(held.modifiers())) {
      all = new Step.Stroke(held.and(Held.of(more)), key);
      here.at += 2;
    }
    return all;
  }
}
