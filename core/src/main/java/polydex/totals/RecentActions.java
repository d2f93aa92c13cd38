package polydex.totals;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import polydex.catalog.ActionId;
import polydex.log.Deed;
import polydex.recognition.Place;
import polydex.route.SetupId;

/** What was done last with a pointer in each setup, a few different actions; O(1) an event. */
final class RecentActions {
  private static final int KEPT = 9;

  private final Map<SetupId, Deque<ActionId>> bySetup = new HashMap<>();

  void add(Deed deed, Place place) {
    if (!deed.device().isPointer() || place.isUnknown()) {
      return;
    }
    ActionId action = place.action().orElseThrow();
    Deque<ActionId> of = bySetup.computeIfAbsent(place.setup(), _ -> new ArrayDeque<>());
    if (action.equals(of.peekFirst())) {
      return;
    }
    of.remove(action);
    of.addFirst(action);
    if (of.size() > KEPT) {
      of.removeLast();
    }
  }

  List<ActionId> of(SetupId setup) {
    return List.copyOf(bySetup.getOrDefault(setup, new ArrayDeque<>()));
  }
}
