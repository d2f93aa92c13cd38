package polydex.totals;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import polydex.recognition.Place;

/**
 * How things went on after reminders: of the next {@value FollowUp#NEXT} uses of the same place
 * within {@value FollowUp#DAYS} days, how many came by keys. Kept up as events come in, each
 * O(reminders of its place that still wait for uses), at most a few.
 */
final class FollowUps {
  private static final class Watched {
    final Reminder reminder;
    int uses;
    int byKeys;

    Watched(Reminder reminder) {
      this.reminder = reminder;
    }

    boolean isOver(Instant at) {
      return uses >= FollowUp.NEXT
          || at.isAfter(reminder.at().plus(Duration.ofDays(FollowUp.DAYS)));
    }
  }

  private final List<Watched> all = new ArrayList<>();
  private final Map<Place, List<Watched>> waiting = new HashMap<>();

  /** From now on its uses count, those after it. */
  void follow(Reminder reminder) {
    Watched watched = new Watched(reminder);
    all.add(watched);
    waiting.computeIfAbsent(reminder.place(), _ -> new ArrayList<>()).add(watched);
  }

  void add(Place place, Instant at, boolean byKeys) {
    List<Watched> here = waiting.get(place);
    if (here == null) {
      return;
    }
    here.removeIf(w -> w.isOver(at));
    for (Watched w : here) {
      if (at.isAfter(w.reminder.at())) {
        w.uses++;
        w.byKeys += byKeys ? 1 : 0;
      }
    }
  }

  List<FollowUp> all() {
    return all.stream().map(w -> new FollowUp(w.reminder, w.uses, w.byKeys)).toList();
  }
}
