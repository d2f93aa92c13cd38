package polydex.conflict;

import static polydex.language.CoreWords.worded;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.route.Layer;
import polydex.route.SetupId;
import polydex.route.Trace.Acted;
import polydex.route.Trace.Nothing;
import polydex.route.Trace.Outcome;
import polydex.route.Trace.Typed;

/**
 * A binding that does not do in a setup, or in a person's habits, what it says.
 *
 * @param kind what is wrong
 * @param setup the id of the setup; none for habits
 * @param loser the binding that loses
 * @param winner the binding that takes the gesture, where one does; of habits the other one
 * @param at the layer where it goes wrong; none for habits
 * @param instead what happens
 * @param cause the same for all conflicts that one thing brings about, whatever the setup
 * @param stillWorks gestures that do reach the losing action on its machine, the easiest first
 * @param severity 0 to 100
 * @param rank what it comes to
 * @param character that the stroke types where nobody takes it, if that is what is wrong; else
 *     empty
 */
public record Conflict(
    Kind kind,
    Optional<SetupId> setup,
    Party loser,
    Optional<Party> winner,
    Optional<Layer> at,
    Outcome instead,
    String cause,
    List<Gesture> stillWorks,
    int severity,
    Rank rank,
    String character) {

  /** What can be wrong. */
  public enum Kind {
    /** Two actions on one gesture in the same context of one keymap. */
    DUPLICATE,
    /** Two contexts that can be active together bind one gesture to different actions. */
    AMBIGUOUS,
    /** Something shorter fires before the gesture is complete. */
    PREFIX,
    /** A layer that is asked before takes the gesture and does something else. */
    INTERCEPTED,
    /** The platform never lets it through. */
    RESERVED,
    /** A remap or translation changes it. */
    ALTERED,
    /** The session window neither captures nor forwards it. */
    BLOCKED,
    /** It can't be pressed here, or only as another stroke. */
    UNTYPABLE,
    /** The stroke is how one types a character here. */
    TYPES_TEXT,
    /** The board gives the key only with Fn. */
    NEEDS_FN,
    /** It starts with a tap that a session window keeps longer than the user waits. */
    DELAYED_TAP,
    /** The keymap's version or options in this setup do not have it. */
    VERSION,
    /** One of the user's own that breaks rules, or is too slight, or covers what all share. */
    THIN,
    /** One gesture, different actions, in two environments of one person. */
    CROSSED_HABIT,
    /** One action, different gestures, in two environments of one person. */
    SPLIT_HABIT;

    private final String written = name().toLowerCase(Locale.ROOT).replace('_', '-');

    /** As it is written in files and on the command line. */
    public String written() {
      return written;
    }

    /** As people say it. */
    public String said() {
      return switch (this) {
        case DUPLICATE -> worded("conflict.kind-duplicate");
        case AMBIGUOUS -> worded("conflict.kind-ambiguous");
        case PREFIX -> worded("conflict.kind-prefix");
        case INTERCEPTED -> worded("conflict.kind-intercepted");
        case RESERVED -> worded("conflict.kind-reserved");
        case ALTERED -> worded("conflict.kind-altered");
        case BLOCKED -> worded("conflict.kind-blocked");
        case UNTYPABLE -> worded("conflict.kind-untypable");
        case TYPES_TEXT -> worded("conflict.kind-types-text");
        case NEEDS_FN -> worded("conflict.kind-needs-fn");
        case DELAYED_TAP -> worded("conflict.kind-delayed-tap");
        case VERSION -> worded("conflict.kind-version");
        case THIN -> worded("conflict.kind-thin");
        case CROSSED_HABIT -> worded("conflict.kind-crossed-habit");
        case SPLIT_HABIT -> worded("conflict.kind-split-habit");
      };
    }

    /** The kind that is written so; none where this program knows no such kind. */
    public static Optional<Kind> of(String written) {
      String name = written.strip().replace('-', '_').toUpperCase(Locale.ROOT);
      return Stream.of(values()).filter(k -> k.name().equals(name)).findFirst();
    }

    /** What brings a conflict about, so that those with one cause can be seen together. */
    enum Source {
      /** Whoever takes the gesture. */
      WINNER,
      /** The keymap that the losing binding stands in, and whoever takes the gesture. */
      KEYMAP,
      /** The losing binding by itself. */
      LOSER
    }

    /** Every kind says what brings it about; the compiler asks for that of a new one. */
    Source source() {
      return switch (this) {
        case NEEDS_FN, THIN -> Source.LOSER;
        case VERSION -> Source.KEYMAP;
        case DUPLICATE,
            AMBIGUOUS,
            PREFIX,
            INTERCEPTED,
            RESERVED,
            ALTERED,
            BLOCKED,
            UNTYPABLE,
            TYPES_TEXT,
            DELAYED_TAP,
            CROSSED_HABIT,
            SPLIT_HABIT ->
            Source.WINNER;
      };
    }
  }

  /**
   * One side of a conflict.
   *
   * @param environment the id of the platform or application
   * @param context the id of the context in it
   * @param action the id of what it does
   * @param documented the gesture as the keymap has it, perhaps a family
   * @param gesture what is pressed of it
   * @param binding the id of the binding; empty for a reserved stroke
   * @param own whether it is one of the user's own
   * @param depth of the machine, 0 the outermost
   */
  public record Party(
      EnvironmentId environment,
      String context,
      ActionId action,
      Gesture documented,
      Gesture gesture,
      String binding,
      boolean own,
      int depth) {}

  /** By rank, then by severity; of the same by the action, since making identities takes longer. */
  public static final Comparator<Conflict> WORST_FIRST =
      Comparator.comparing(Conflict::rank)
          .thenComparingInt(c -> -c.severity())
          .thenComparing(c -> c.loser().action())
          .thenComparing(Conflict::id);

  /** Copies the list. */
  public Conflict {
    stillWorks = List.copyOf(stillWorks);
  }

  /** One of which nobody asks how it compares with others. */
  Conflict(
      Kind kind,
      Optional<SetupId> setup,
      Party loser,
      Optional<Party> winner,
      Optional<Layer> at,
      Outcome instead) {
    this(kind, setup, loser, winner, at, instead, "", List.of(), 0, Rank.MISSED, "");
  }

  /** Stable from run to run: it says which two sides clash, not what else is known of them. */
  public String id() {
    return id(
        kind,
        setup,
        loser.environment(),
        loser.depth(),
        loser.context(),
        loser.action(),
        loser.gesture(),
        winner.map(w -> w.environment().value()).or(() -> at.map(Conflict::where)).orElse(""),
        instead);
  }

  /** A layer as identities have it, where no binding wins. */
  static String where(Layer layer) {
    return layer.kind().name().toLowerCase(Locale.ROOT) + " " + layer.title();
  }

  /** The identity of a conflict of which no more than this is known. */
  static String id(
      Kind kind,
      Optional<SetupId> setup,
      EnvironmentId environment,
      int depth,
      String context,
      ActionId action,
      Gesture gesture,
      String winner,
      Outcome instead) {
    return String.join(
        "|",
        kind.written(),
        setup.orElse(SetupId.NONE).value(),
        depth == 0 ? environment.value() : environment + "@" + depth,
        context,
        action.value(),
        gesture.toString(),
        winner,
        what(instead));
  }

  /**
   * What the two sides say: while it is the same, whoever accepted the conflict has accepted this
   * one.
   */
  public String sides() {
    return side(loser) + " / " + winner.map(Conflict::side).orElse("") + " / " + what(instead);
  }

  private static String side(Party party) {
    return "%s %s %s %s"
        .formatted(party.environment(), party.context(), party.action(), party.documented());
  }

  /** An outcome as a word: the action, the text or nothing. */
  public static String what(Outcome outcome) {
    return switch (outcome) {
      case Acted a -> a.action().value();
      case Typed t -> "types " + t.text();
      case Nothing _ -> "nothing";
    };
  }
}
