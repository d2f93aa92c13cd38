package polydex.mouse;

import java.time.Instant;

/**
 * One use of an action.
 *
 * @param at when
 * @param action its id
 * @param device what it was done with
 * @param setup the id of the setup in which it was done
 */
public record Use(Instant at, String action, Device device, String setup) {

  /** What a use was done with. */
  public enum Device {
    KEYS,
    POINTER
  }
}
