package polydex.systems;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.mouse.MouseChoices;
import polydex.mouse.Wish;
import polydex.recall.DrillItem;
import polydex.recall.Learning;
import polydex.recognition.LearntName;
import polydex.recognition.Place;

/**
 * What a person has said of actions in environments, where those are others now.
 *
 * @param now what an item is
 */
record Said(UnaryOperator<DrillItem> now) {
  private static final ActionId NO_ACTION = new ActionId("");

  Learning learning(Learning before) {
    Map<DrillItem, LocalDate> putOff = new HashMap<>();
    before.putOff().forEach((i, day) -> putOff.putIfAbsent(now.apply(i), day));
    Set<DrillItem> marked = all(before.marked());
    Set<DrillItem> dropped = all(before.dropped());
    // An item is in one of the three; what is wanted outweighs.
    dropped.removeAll(marked);
    putOff.keySet().removeAll(marked);
    putOff.keySet().removeAll(dropped);
    return new Learning(marked, putOff, dropped);
  }

  private Set<DrillItem> all(Collection<DrillItem> items) {
    Set<DrillItem> all = new HashSet<>();
    items.forEach(i -> all.add(now.apply(i)));
    return all;
  }

  MouseChoices mouse(MouseChoices before, UnaryOperator<ActionId> named) {
    Map<Place, String> kept = new HashMap<>();
    before.kept().forEach((p, why) -> kept.putIfAbsent(place(p), why));
    Map<Place, Wish> wishes = new HashMap<>();
    before
        .wishes()
        .forEach((p, w) -> wishes.putIfAbsent(place(p), new Wish(place(p), w.gesture(), w.day())));
    Map<LearntName, Optional<ActionId>> names = new HashMap<>();
    before
        .names()
        .forEach(
            (n, a) ->
                names.putIfAbsent(
                    new LearntName(environment(n.environment()), n.name()), a.map(named)));
    return new MouseChoices(kept, wishes, names);
  }

  private Place place(Place p) {
    return p.action()
        .map(a -> now.apply(new DrillItem(p.environment(), a)))
        .map(i -> Place.of(p.setup(), i.environment(), i.action()))
        .orElseGet(() -> new Place(p.setup(), environment(p.environment()), p.doing()));
  }

  /** Where what has no action is now. */
  private EnvironmentId environment(EnvironmentId before) {
    return now.apply(new DrillItem(before, NO_ACTION)).environment();
  }
}
