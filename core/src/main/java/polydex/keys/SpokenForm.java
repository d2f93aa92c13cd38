package polydex.keys;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.keys.SpokenNames.After;
import polydex.keys.SpokenNames.Before;
import polydex.keys.SpokenNames.Holding;
import polydex.keys.SpokenNames.Holds;
import polydex.keys.SpokenTokens.Literal;
import polydex.keys.SpokenTokens.Name;
import polydex.keys.SpokenTokens.Quoted;

/**
 * Gestures as people write them in running text, with signs, and as portable sequences. Names are
 * read by the longest phrase that is known; what joins a stroke may be a plus, a dash, "and" or
 * nothing but a space, and a stroke has one key, so that a second one without a comma or "then"
 * before it is refused rather than guessed at. O(n) in the length of the text.
 */
final class SpokenForm {
  private final SpokenTokens read;
  private final SpokenCursor here;
  private final SpokenKeys keys;

  /**
   * A reading to be made.
   *
   * @param ownWords names of modifiers in an environment's own words, in lower case
   */
  SpokenForm(String text, Map<String, Modifiers> ownWords, KeyLanguage language) {
    read = new SpokenTokens(text, ownWords, language);
    here = new SpokenCursor(text, read.tokens());
    keys = new SpokenKeys(here);
  }

  /** Which of its forms the text turned out to be. */
  Notation form() {
    if (read.sawSign()) {
      return Notation.SYMBOLS;
    }
    boolean portable = !read.sawWords() && here.text.matches("[^ ,]+(, ?[^ ,]+)+");
    return portable ? Notation.SEQUENCE : Notation.PROSE;
  }

  Gesture gesture() {
    read.tokenize();
    List<Step> steps = new ArrayList<>();
    boolean joinedTight = false;
    while (true) {
      here.skipFiller();
      int before = here.at;
      steps.addAll(here.peek() instanceof Name(Holding _, _, _, _) ? hold() : List.of(step()));
      joinedTight = tightly(before);
      here.skipFiller();
      if (here.at >= here.tokens.size()) {
        return made(steps);
      }
      if (!here.acceptSeparator()) {
        boolean nextStroke =
            here.peek() instanceof Name(Holds _, _, _, _) && here.spaceBefore(here.at);
        if (nextStroke && isNothing(steps)) {
          throw here.expected(here.peek().start(), worded("keys.then-if-the-modifier-is-tapped"));
        }
        boolean plainKey = joinedTight && here.spaceBefore(here.at) && isKeyAt(here.at);
        if (!nextStroke && !plainKey) {
          throw here.expected(here.peek().start(), worded("keys.then-or-a-comma-if-this"));
        }
      } else if (here.at >= here.tokens.size()) {
        throw here.expected(here.start(), worded("keys.another-step"));
      }
    }
  }

  /** {@code Meta Meta+E}: a tap and the same modifier again at once is nothing that anyone does. */
  private boolean isNothing(List<Step> steps) {
    if (!(steps.getLast() instanceof Step.Tap(Modifiers tapped, int _))
        || !(here.peek() instanceof Name(Holds(Modifiers again), _, _, _))) {
      return false;
    }
    boolean keyFollows = false;
    for (int i = here.at + 1; i < here.tokens.size() && !here.isSeparator(i); i++) {
      keyFollows |= !(here.tokens.get(i) instanceof Name(Holds _, _, _, _));
    }
    return tapped.and(again).equals(tapped) && keyFollows;
  }

  private Gesture made(List<Step> steps) {
    try {
      return new Gesture(steps);
    } catch (IllegalArgumentException e) {
      throw here.expected(0, worded("keys.at-most-steps", Gesture.MOST_STEPS));
    }
  }

  /** Whether the step was written without spaces, so that a space after it ends the step. */
  private boolean tightly(int from) {
    for (int i = from + 1; i < here.at; i++) {
      if (here.spaceBefore(i)) {
        return false;
      }
    }
    return here.at - from > 1;
  }

  private Step step() {
    int times = 1;
    if (here.peek() instanceof Name(Before(int n), _, _, _)) {
      times = n;
      here.at++;
      here.skipFiller();
    }
    int start = here.start();
    Modifiers held = Modifiers.NONE;
    boolean joined = false;
    boolean bySign = false;
    while (true) {
      here.skipFiller();
      if (here.peek() instanceof Name(Holds(Modifiers more), _, int end, boolean isSign)) {
        boolean again = held.and(more).equals(held);
        if (again && (joined || isSign == bySign)) {
          if (joined) {
            throw here.expected(here.peek().start(), worded("keys.each-modifier-once"));
          }
          break; // the same modifier again: another tap
        }
        held = held.and(more); // the sign beside the word is the same modifier
        bySign = isSign;
        here.at++;
        joined = here.acceptJoin(isSign, end);
      } else {
        break;
      }
    }
    if (held.isEmpty() && here.peek() instanceof Quoted(String typed, _, _)) {
      here.at++;
      return textStep(typed, start);
    }
    Optional<Step> stroke = keys.keyOrPointer(held, joined || bySign || held.isEmpty());
    if (stroke.isEmpty()) {
      if (held.isEmpty() || joined) {
        throw here.expected(here.start(), worded("keys.a-key"));
      }
      return tap(held, times);
    }
    if (times > 1 || here.peek() instanceof Name(After _, _, _, _)) {
      throw here.expected(start, worded("keys.a-modifier-where-something-is-pressed"));
    }
    return stroke.get();
  }

  private Step tap(Modifiers held, int timesBefore) {
    int times = timesBefore;
    if (here.peek() instanceof Name(After(int n), _, _, _)) {
      times = n;
      here.at++;
    } else if (here.isLiteral(here.at, '(')
        && here.at + 2 < here.tokens.size()
        && here.tokens.get(here.at + 1) instanceof Name(After(int n), _, _, _)
        && here.isLiteral(here.at + 2, ')')) {
      times = n;
      here.at += 3;
    }
    return new Step.Tap(held, times);
  }

  private Step textStep(String typed, int start) {
    try {
      return new Step.Text(typed);
    } catch (IllegalArgumentException e) {
      throw here.expected(start, worded("keys.text-that-can-be-typed-between"));
    }
  }

  /** Modifiers stay down while what follows is done. */
  private List<Step> hold() {
    here.at++;
    Modifiers held = Modifiers.NONE;
    here.skipFiller();
    while (here.peek() instanceof Name(Holds(Modifiers more), _, int end, boolean isSign)) {
      held = held.and(more);
      here.at++;
      if (!here.acceptJoin(isSign, end) && !(here.peek() instanceof Name(Holds _, _, _, _))) {
        break;
      }
      here.skipFiller();
    }
    if (held.isEmpty()) {
      throw here.expected(here.start(), worded("keys.a-modifier-that-is-held"));
    }
    if (here.acceptSeparator()) {
      here.skipFiller();
    }
    List<Step> inner = new ArrayList<>();
    do {
      here.skipFiller();
      int times = 1;
      if (here.peek() instanceof Name(Before(int n), _, _, _)) {
        times = n;
        here.at++;
        here.skipFiller();
      }
      Step step =
          keys.keyOrPointer(Modifiers.NONE, true)
              .orElseThrow(() -> here.expected(here.start(), worded("keys.a-key")));
      if (here.peek() instanceof Name(After(int n), _, _, _)) {
        times = n;
        here.at++;
      }
      for (int i = 0; i < times; i++) {
        inner.add(step);
      }
      here.skipFiller();
    } while (here.acceptSeparator() || here.acceptAnd());
    if (inner.size() > Gesture.MOST_STEPS) {
      throw here.expected(0, worded("keys.at-most-steps", Gesture.MOST_STEPS));
    }
    return List.of(new Step.Hold(Held.of(held), inner));
  }

  /** A letter or digit; a name may be part of what was not understood, as in "scroll up". */
  private boolean isKeyAt(int index) {
    return index < here.tokens.size()
        && here.tokens.get(index) instanceof Literal(int code, _, _)
        && Character.isLetterOrDigit(code);
  }
}
