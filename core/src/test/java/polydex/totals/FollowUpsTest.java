package polydex.totals;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.recognition.Place;
import polydex.route.SetupId;

class FollowUpsTest {
  private static final Instant BEGUN = Instant.parse("2031-03-01T09:00:00Z");

  private record Use(Place place, Instant at, boolean byKeys) {}

  /** Written from what is promised: the first five later uses of the place within 14 days. */
  @Property(tries = 300)
  void theNextFiveUsesWithinTwoWeeksCount(@ForAll Random random) {
    List<Use> uses = new ArrayList<>();
    List<Reminder> reminders = new ArrayList<>();
    for (int i = 0; i < 120; i++) {
      Place place =
          Place.of(
              new SetupId("desk"),
              new EnvironmentId("editor"),
              new ActionId("a" + random.nextInt(4)));
      Instant at = BEGUN.plus(Duration.ofMinutes(random.nextInt(60 * 24 * 40)));
      if (random.nextInt(5) == 0) {
        reminders.add(new Reminder(at, place, random.nextBoolean()));
      } else {
        uses.add(new Use(place, at, random.nextBoolean()));
      }
    }
    uses.sort(Comparator.comparing(Use::at));
    FollowUps followUps = new FollowUps();
    // As a file is read: reminders first. As it happens: each when it is its time.
    boolean happens = random.nextBoolean();
    if (!happens) {
      reminders.forEach(followUps::follow);
    }
    reminders.sort(Comparator.comparing(Reminder::at));
    List<Reminder> toCome = new ArrayList<>(reminders);
    for (Use u : uses) {
      while (happens && !toCome.isEmpty() && toCome.getFirst().at().isBefore(u.at())) {
        followUps.follow(toCome.removeFirst());
      }
      followUps.add(u.place(), u.at(), u.byKeys());
    }
    if (happens) {
      toCome.forEach(followUps::follow);
    }
    assertThat(followUps.all())
        .containsExactlyInAnyOrderElementsOf(
            reminders.stream()
                .map(
                    r -> {
                      List<Use> next =
                          uses.stream()
                              .filter(u -> u.place().equals(r.place()) && u.at().isAfter(r.at()))
                              .filter(u -> !u.at().isAfter(r.at().plus(Duration.ofDays(14))))
                              .limit(5)
                              .toList();
                      return new FollowUp(
                          r, next.size(), (int) next.stream().filter(Use::byKeys).count());
                    })
                .toList());
  }
}
