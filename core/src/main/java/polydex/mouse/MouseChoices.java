package polydex.mouse;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.recognition.LearntName;
import polydex.recognition.Place;

/**
 * What a person has said about what the mouse still does.
 *
 * @param kept what stays with the pointer, and why
 * @param wishes bindings that are yet to be made
 * @param names what the log's own names mean: the id of an action, or nothing where it is none
 */
public record MouseChoices(
    Map<Place, String> kept, Map<Place, Wish> wishes, Map<LearntName, Optional<ActionId>> names) {
  /** Nothing was said. */
  public static final MouseChoices NOTHING = new MouseChoices(Map.of(), Map.of(), Map.of());

  /** Copies the maps. */
  public MouseChoices {
    kept = Map.copyOf(kept);
    wishes = Map.copyOf(wishes);
    names = Map.copyOf(names);
  }

  /** The same with an action left to the pointer. */
  public MouseChoices keeping(Place place, String reason) {
    Map<Place, String> more = new HashMap<>(kept);
    more.put(place, reason);
    return new MouseChoices(more, wishes, names);
  }

  /** The same with an action that is to be replaced after all. */
  public MouseChoices notKeeping(Place place) {
    Map<Place, String> less = new HashMap<>(kept);
    less.remove(place);
    return new MouseChoices(less, wishes, names);
  }

  /** The same with a wish, in the place of an older one for the same. */
  public MouseChoices wishing(Wish wish) {
    Map<Place, Wish> more = new HashMap<>(wishes);
    more.put(wish.place(), wish);
    return new MouseChoices(kept, more, names);
  }

  /** The same without a wish. */
  public MouseChoices notWishing(Place place) {
    Map<Place, Wish> less = new HashMap<>(wishes);
    less.remove(place);
    return new MouseChoices(kept, less, names);
  }

  /** The same with these names known. */
  public MouseChoices learning(Map<LearntName, Optional<ActionId>> meanings) {
    Map<LearntName, Optional<ActionId>> more = new LinkedHashMap<>(names);
    more.putAll(meanings);
    return new MouseChoices(kept, wishes, more);
  }
}
