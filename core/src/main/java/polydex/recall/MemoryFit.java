package polydex.recall;

import java.time.Duration;
import java.time.Instant;

/**
 * A fit of the memory model to a person, and how well it foretold answers that it did not see.
 *
 * @param at when it was made
 * @param parameters what came of it
 * @param answers how many first answers of a day it is made from
 * @param heldOut how many later ones it was tried on
 * @param before how badly those were foretold by what was in use until then: the mean of −ln of the
 *     chance that was given to what happened, 0 at best
 * @param after the same by this fit
 */
public record MemoryFit(
    Instant at,
    MemoryParameters parameters,
    int answers,
    int heldOut,
    double before,
    double after) {
  /** A fit is made anew after so long. */
  public static final Duration EVERY = Duration.ofDays(14);

  /** Whether it is used: only what foretells better is. */
  public boolean isUsed() {
    return after < before;
  }
}
