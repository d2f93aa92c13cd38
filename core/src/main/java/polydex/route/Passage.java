package polydex.route;

import java.util.Optional;
import polydex.keys.Step;

/**
 * What happened to one press at one layer.
 *
 * @param press which press of the gesture, counted from 0
 * @param layer where
 * @param in what came in
 * @param out what went on to the next layer, where something did
 * @param verb what the layer did
 * @param why a sentence
 */
public record Passage(int press, Layer layer, Step in, Optional<Step> out, Verb verb, String why) {

  /** What a layer does with what comes in. */
  public enum Verb {
    PASSES,
    CHANGES,
    TAKES,
    HOLDS,
    DROPS,
    TYPES
  }
}
