package polydex.totals;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import polydex.log.Deed;
import polydex.recognition.Place;

/** What was done last with a pointer in each setup, a few different actions; O(1) an event. */
final class RecentActions {
  private static final int KEPT = 9;

  private final Map<String, Deque<String>> bySetup = new HashMap<>();

  void add(Deed deed, Place place) {
    if (!deed.device().isPointer() || place.isUnknown()) {
      return;
    }
    Deque<String> of = bySetup.computeIfAbsent(place.setup(), _ -> new ArrayDeque<>());
    if (place.action().equals(of.peekFirst())) {
      return;
    }
    of.remove(place.action());
    of.addFirst(place.action());
    if (of.size() > KEPT) {
      of.removeLast();
    }
  }

  List<String> of(String setup) {
    return List.copyOf(bySetup.getOrDefault(setup, new ArrayDeque<>()));
  }
}
