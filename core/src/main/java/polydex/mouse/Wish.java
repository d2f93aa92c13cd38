package polydex.mouse;

import java.time.LocalDate;
import polydex.keys.Gesture;
import polydex.recognition.Place;

/**
 * A binding that a person would like to have.
 *
 * @param place what it is for
 * @param gesture one that was free in the setup when it was wished for
 * @param day when that was
 */
public record Wish(Place place, Gesture gesture, LocalDate day) {}
