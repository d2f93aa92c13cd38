package polydex.free;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;

/**
 * Which actions are to have gestures that belong together: those whose titles differ in a number or
 * a direction only, and an action and its opposite. O(actions).
 */
public final class Families {
  private static final Pattern VARYING =
      Pattern.compile("\\b(?:\\d{1,3}|left|right|up|down|next|previous|first|last)\\b");

  private Families() {}

  /** A title without what varies in a family. */
  static String name(String title) {
    return VARYING.matcher(title.toLowerCase(Locale.ROOT)).replaceAll("#");
  }

  /** The families among some actions, each with at least two, in the order of the actions. */
  public static List<List<ActionId>> of(Catalog catalog, List<ActionId> actions) {
    Map<String, List<ActionId>> byName = new LinkedHashMap<>();
    for (ActionId action : actions) {
      String title = catalog.title(action).toLowerCase(Locale.ROOT);
      String name = name(title);
      String family =
          name.equals(title)
              ? catalog
                  .action(action)
                  .flatMap(Action::opposite)
                  .filter(actions::contains)
                  .map(o -> pair(action, o))
                  .orElse(worded("free.only", action))
              : name;
      byName.computeIfAbsent(family, _ -> new ArrayList<>()).add(action);
    }
    return byName.values().stream().filter(f -> f.size() > 1).toList();
  }

  private static String pair(ActionId one, ActionId other) {
    boolean ordered = one.value().compareTo(other.value()) < 0;
    return worded("free.pair", (ordered ? one : other), (ordered ? other : one));
  }
}
