package polydex.route;

import static polydex.language.CoreWords.worded;

import java.util.Optional;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.keys.Physical;
import polydex.keys.Step;
import polydex.route.Trace.Outcome;

/**
 * What happened to one press at one layer. Presses are kept as they are and named only when someone
 * reads them, since most traces are never read.
 *
 * @param press which press of the gesture, counted from 0
 * @param layer where
 * @param layout the layout by which keys are named there
 * @param received what came in
 * @param sent what went on to the next layer, where something did
 * @param verb what the layer did
 * @param reason why
 * @param came what came of it there, where it ended
 * @param by the binding that took it, where one did
 */
public record Passage(
    int press,
    Layer layer,
    Layout layout,
    Physical received,
    Optional<Physical> sent,
    Verb verb,
    Reason reason,
    Optional<Outcome> came,
    Optional<Binding> by) {

  /** What came in, its key named by what it types there. */
  public Step in() {
    return Presses.describe(received, layout);
  }

  /** What went on, where something did. */
  public Optional<Step> out() {
    return sent.map(p -> Presses.describe(p, layout));
  }

  /** The reason as a sentence; empty where there is nothing to say. */
  public String why() {
    return reason == Reason.TYPED && came.isPresent() && came.get() instanceof Trace.Typed t
        ? worded("route.nobody-takes-it-so-it-types", t.text())
        : reason.sentence();
  }

  /** What a layer does with what comes in. */
  public enum Verb {
    PASSES,
    CHANGES,
    TAKES,
    HOLDS,
    DROPS,
    TYPES
  }

  /** Why a layer does it. */
  public enum Reason {
    NOTHING_SPECIAL(""),
    FN(worded("route.fn-gives-this-key")),
    NO_SUCH_KEY(worded("route.this-board-has-no-such-key")),
    SWITCHED_OFF(worded("route.this-key-is-switched-off-here")),
    NEVER_LET_THROUGH(worded("route.reserved-nothing-further-in-ever-sees")),
    CAPTURED(worded("route.the-window-captures-it")),
    NOT_HANDED_ON(worded("route.the-window-does-not-hand-it")),
    LEFT_OUT(worded("route.the-window-leaves-this-key-out")),
    HANDED_IN(worded("route.handed-to-the-machine-inside")),
    OWN(worded("route.one-of-your-own-bindings")),
    LONGER(worded("route.it-begins-a-longer-gesture-here")),
    BROKEN_OFF(worded("route.the-longer-gesture-did-not-go")),
    NOT_IN_HOLD(worded("route.not-used-while-the-modifiers-are")),
    DEAD_KEY(worded("route.a-dead-key-it-waits-for")),
    TYPED(worded("route.nobody-takes-it-so-it-types-2")),
    TYPES_NOTHING(worded("route.nobody-takes-it-and-it-types"));

    private final String sentence;

    Reason(String sentence) {
      this.sentence = sentence;
    }

    /** As a sentence; empty where there is nothing to say. */
    public String sentence() {
      return sentence;
    }
  }
}
