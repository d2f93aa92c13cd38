package polydex.intake;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * Ids that are taken, and such as are not; however often the same is wanted, each is found once.
 */
final class UnusedIds {
  private final Set<String> taken = new HashSet<>();
  private final Map<String, Integer> last = new HashMap<>();

  void add(String id) {
    taken.add(id);
  }

  /** The id that is wanted, with a number behind it where it is taken; taken from now on. */
  String unused(String wanted) {
    int number = last.getOrDefault(wanted, 1);
    String id = wanted;
    while (!taken.add(id)) {
      Steps.take(1);
      number++;
      id = wanted + "-" + number;
    }
    if (number > 1) {
      last.put(wanted, number);
    }
    return id;
  }
}
