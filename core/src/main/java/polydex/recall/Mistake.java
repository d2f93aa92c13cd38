package polydex.recall;

import static polydex.language.CoreWords.worded;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import polydex.boards.Presses.Made;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/**
 * In what way an answer was wrong, told from its last press.
 *
 * @param kind in what way
 * @param modifiers those that are meant; none where it is not about modifiers
 * @param step which press it was, from 1
 */
public record Mistake(Kind kind, Modifiers modifiers, int step) {

  /** In what way an answer can be wrong. */
  public enum Kind {
    /** A later step came first. */
    WRONG_ORDER,
    MISSING_MODIFIER,
    EXTRA_MODIFIER,
    /** One modifier for another. */
    OTHER_MODIFIER,
    LET_GO_EARLY,
    OTHER_KEY
  }

  /**
   * What is wrong with the last press, given those before it were right.
   *
   * @param wanted the presses that it came nearest to
   * @param made what was pressed
   * @param letGo modifiers that were pressed and let go just before
   */
  static Mistake of(List<Made> wanted, List<Made> made, Modifiers letGo) {
    int at = made.size() - 1;
    if (at >= wanted.size()) {
      return new Mistake(Kind.OTHER_KEY, Modifiers.NONE, at + 1);
    }
    Physical asked = wanted.get(at).what().eitherSide();
    Physical came = made.get(at).what().eitherSide();
    if (asked.equals(came)) {
      return new Mistake(Kind.LET_GO_EARLY, asked.held().modifiers(), at + 1);
    }
    Modifiers missing = minus(asked.held().modifiers(), came.held().modifiers());
    Modifiers extra = minus(came.held().modifiers(), asked.held().modifiers());
    if (wanted.get(at).stillHeld() && !made.get(at).stillHeld() && !missing.isEmpty()) {
      return new Mistake(Kind.LET_GO_EARLY, missing, at + 1);
    }
    if (asked.with(came.held().modifiers()).equals(came)) {
      if (!missing.isEmpty() && letGo.hasAll(missing)) {
        return new Mistake(Kind.LET_GO_EARLY, missing, at + 1);
      }
      if (!missing.isEmpty() && !extra.isEmpty()) {
        return new Mistake(Kind.OTHER_MODIFIER, extra, at + 1);
      }
      return missing.isEmpty()
          ? new Mistake(Kind.EXTRA_MODIFIER, extra, at + 1)
          : new Mistake(Kind.MISSING_MODIFIER, missing, at + 1);
    }
    if (came instanceof Physical.ModifierTap
        && came.held().modifiers().equals(asked.held().modifiers())) {
      return new Mistake(Kind.LET_GO_EARLY, came.held().modifiers(), at + 1);
    }
    boolean comesLater =
        wanted.subList(at + 1, wanted.size()).stream()
            .anyMatch(w -> w.what().eitherSide().equals(came));
    return new Mistake(comesLater ? Kind.WRONG_ORDER : Kind.OTHER_KEY, Modifiers.NONE, at + 1);
  }

  private static Modifiers minus(Modifiers from, Modifiers some) {
    Modifiers left = from;
    for (Modifier m : some.list()) {
      left = left.without(m);
    }
    return left;
  }

  /**
   * A sentence.
   *
   * @param names what the environment calls the modifiers; those left out by their usual names
   */
  public String say(Map<Modifier, String> names) {
    String which = modifiers.words(names).stream().collect(Collectors.joining(worded("any.and")));
    return switch (kind) {
      case WRONG_ORDER -> worded("recall.the-right-steps-in-another-order");
      case MISSING_MODIFIER -> worded("recall.without", which);
      case EXTRA_MODIFIER -> worded("recall.too-many", which);
      case OTHER_MODIFIER -> worded("recall.with-instead", which);
      case LET_GO_EARLY -> worded("recall.let-go-too-early", which);
      case OTHER_KEY -> worded("recall.another-key-in-step", step);
    };
  }
}
