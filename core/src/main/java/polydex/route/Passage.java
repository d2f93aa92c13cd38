package polydex.route;

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
        ? "Nobody takes it, so it types \u201c" + t.text() + "\u201d."
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
    FN("Fn gives this key."),
    NO_SUCH_KEY("This board has no such key."),
    SWITCHED_OFF("This key is switched off here."),
    NEVER_LET_THROUGH("Reserved: nothing further in ever sees it."),
    CAPTURED("The window captures it."),
    NOT_HANDED_ON("The window does not hand it on."),
    LEFT_OUT("The window leaves this key out."),
    HANDED_IN("Handed to the machine inside."),
    OWN("One of your own bindings."),
    LONGER("It begins a longer gesture here."),
    BROKEN_OFF("The longer gesture did not go on."),
    NOT_IN_HOLD("Not used while the modifiers are held."),
    DEAD_KEY("A dead key: it waits for the letter to sit on."),
    TYPED("Nobody takes it, so it types a character."),
    TYPES_NOTHING("Nobody takes it, and it types nothing.");

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
