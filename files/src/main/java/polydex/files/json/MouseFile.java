package polydex.files.json;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.mouse.MouseChoices;
import polydex.recognition.LearntName;
import polydex.recognition.Place;
import polydex.route.SetupId;

/**
 * What was said about what the mouse still does, as a file.
 *
 * @param format {@code polydex-mouse/1}
 * @param kept what stays with the pointer
 * @param names what names in the log mean
 */
public record MouseFile(String format, List<Keep> kept, List<Name> names) {

  /** Something that stays with the pointer, and why. */
  public record Keep(String setup, String environment, String action, String reason) {}

  /** A name, and the id of the action that it means; none where it is no action. */
  public record Name(String environment, String name, Optional<String> action) {}

  /** The same as the program has it. */
  public MouseChoices choices() {
    Map<Place, String> reasons = new HashMap<>();
    kept.forEach(
        k ->
            reasons.put(
                Place.read(new SetupId(k.setup()), new EnvironmentId(k.environment()), k.action()),
                k.reason()));
    Map<LearntName, Optional<ActionId>> meanings = new HashMap<>();
    names.forEach(
        n ->
            meanings.put(
                LearntName.read(new EnvironmentId(n.environment()), n.name()),
                n.action().map(ActionId::new)));
    return new MouseChoices(reasons, Map.of(), meanings);
  }
}
