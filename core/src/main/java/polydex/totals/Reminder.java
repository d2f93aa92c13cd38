package polydex.totals;

import java.time.Instant;
import polydex.recognition.Place;

/**
 * A moment at which hands rested and something that they had done with the pointer could be named.
 *
 * @param place what it was, the dearest since the rest before
 * @param told whether it was named; in the hours that the lot left out it was not
 */
public record Reminder(Instant at, Place place, boolean told) {}
