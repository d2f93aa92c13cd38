package polydex.conflict;

import static polydex.language.CoreWords.worded;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.Platform;
import polydex.free.Proposals;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;

/** What can be wrong with the gesture of a binding of one's own, the worst first. */
public enum OwnFault {
  COVERS(worded("conflict.it-covers-what-every-program-uses-2")),
  TOO_FEW_FOR_PLATFORM(worded("conflict.the-platform-asks-for-more-modifiers")),
  TOO_MANY_GESTURES(worded("conflict.the-platform-lets-an-action-have")),
  SLIGHT(worded("conflict.it-holds-fewer-than-two-modifiers"));

  /** Keys that all programs use alike with the primary modifier: copy, paste, undo, save ... */
  private static final List<String> WITH_PRIMARY =
      List.of("C", "X", "V", "Z", "S", "F", "A", "P", "N", "O");

  /** Keys that all programs use alike alone. */
  private static final Set<Key> ALONE =
      EnumSet.of(
          Key.Tab,
          Key.Enter,
          Key.Escape,
          Key.Space,
          Key.Backspace,
          Key.Delete,
          Key.F1,
          Key.ArrowUp,
          Key.ArrowDown,
          Key.ArrowLeft,
          Key.ArrowRight,
          Key.Home,
          Key.End,
          Key.PageUp,
          Key.PageDown);

  private final String sentence;

  OwnFault(String sentence) {
    this.sentence = sentence;
  }

  /** As a sentence. */
  public String sentence() {
    return sentence;
  }

  /**
   * What is wrong with a gesture; of several faults the first counts. O(1).
   *
   * @param layout of the computer
   * @param platform on which it is bound
   * @param so the how manieth gesture of its action it is
   */
  public static Optional<OwnFault> of(Gesture gesture, Layout layout, Platform platform, int so) {
    if (covers(gesture, platform, layout)) {
      return Optional.of(COVERS);
    }
    Modifiers held =
        Presses.physical(gesture, layout)
            .map(p -> p.getFirst().held().modifiers())
            .orElse(Modifiers.NONE);
    Optional<OwnBindingRules> rules = platform.ownBindings();
    Modifiers added =
        rules.map(r -> Modifiers.of(r.added().toArray(new Modifier[0]))).orElse(Modifiers.NONE);
    int count = held.and(added).count();
    if (rules.filter(r -> count < r.leastModifiers()).isPresent()) {
      return Optional.of(TOO_FEW_FOR_PLATFORM);
    }
    if (rules.filter(r -> r.mostGestures() > 0 && so > r.mostGestures()).isPresent()) {
      return Optional.of(TOO_MANY_GESTURES);
    }
    return count < Proposals.MODIFIERS ? Optional.of(SLIGHT) : Optional.empty();
  }

  private static boolean covers(Gesture gesture, Platform platform, Layout layout) {
    Optional<List<Physical>> presses = Presses.physical(gesture, layout);
    if (presses.isEmpty() || presses.get().size() != 1) {
      return false;
    }
    Physical press = presses.get().getFirst();
    if (press.held().isNothing()) {
      return press.pressedKey().filter(ALONE::contains).isPresent();
    }
    return WITH_PRIMARY.stream()
        .map(key -> Gesture.parse(platform.primary().written() + "+" + key))
        .anyMatch(
            g ->
                Presses.physical(g, layout)
                    .filter(p -> p.getFirst().equals(press.eitherSide()))
                    .isPresent());
  }
}
