package polydex.recognition;

import java.util.Map;
import java.util.Optional;

/**
 * What a deed of the log was.
 *
 * @param how it was found out
 * @param place the action and where; none for typing and for what is no action
 * @param inVain the action further in whose gesture it was as well, and which did not happen
 */
public record Recognised(How how, Optional<Place> place, Optional<Place> inVain) {
  /** Nothing was kept from happening. */
  public Recognised(How how, Optional<Place> place) {
    this(how, place, Optional.empty());
  }

  /** How something was recognised. */
  public enum How {
    /** A person has said the action. */
    NOTED,
    /** The pointer's way is just as a keymap has it. */
    EXACT,
    /** It is so but for case, punctuation, dots and access keys. */
    NORMALISED,
    /** A person has said once what this name means. */
    LEARNT,
    /** The gesture does it in the setup that was in use. */
    TRACED,
    /** A person has said that it is no action. */
    NO_ACTION,
    /** Characters were typed, or keys pressed that do nothing of their own. */
    TYPING,
    /** None of these. */
    UNKNOWN
  }

  /**
   * The share of the events that were not typing of which it is known what they were, 0 to 1; 1
   * where there are none.
   *
   * @param events how many were recognised how
   */
  public static double share(Map<How, Long> events) {
    long all =
        events.values().stream().mapToLong(n -> n).sum() - events.getOrDefault(How.TYPING, 0L);
    return all == 0 ? 1 : 1 - events.getOrDefault(How.UNKNOWN, 0L) / (double) all;
  }

  /** Whether it is known what it was. */
  public boolean isKnown() {
    return how != How.UNKNOWN;
  }
}
