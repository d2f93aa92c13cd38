package polydex.hands;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterContainer;
import polydex.hands.Done.Spot;
import polydex.hands.MenuTrail.Alive;
import polydex.hands.MenuTrail.Answer;
import polydex.hands.MenuTrail.Area;
import polydex.hands.MenuTrail.Chose;
import polydex.hands.MenuTrail.Closed;
import polydex.hands.MenuTrail.Event;
import polydex.hands.MenuTrail.Front;
import polydex.hands.MenuTrail.Gone;

/**
 * A window with a menu of ten entries below its title, used over and over. What the menu tells
 * arrives late, as over a bus; what somebody meant by each click is known.
 */
class MenuTrailTest {
  private static final Map<String, Integer> REACHED = new TreeMap<>();
  private static final String TITLE = "title";
  private static final String MENU = "menu";

  private static final Area NOWHERE = new Area(Integer.MIN_VALUE, Integer.MIN_VALUE, 1, 1);

  private record Clicked(long millis, Spot spot, String meant) {}

  private static Area area(String item) {
    return item.equals(TITLE)
        ? new Area(100, 50, 60, 20)
        : new Area(100, 70 + 20 * Integer.parseInt(item), 200, 20);
  }

  private static Spot on(String item) {
    Area a = area(item);
    return new Spot(a.x() + 30, a.y() + 10);
  }

  @Property(tries = 300)
  void eachClickIsWhatWasMeant(@ForAll long seed) {
    Random random = new Random(seed);
    List<Event<String>> told = new ArrayList<>();
    List<Clicked> clicks = new ArrayList<>();
    long now = 10_000;
    for (int use = 0; use < 25; use++) {
      boolean fast = random.nextBoolean();
      String how =
          List.of("chooses", "chooses", "clicks beside", "escapes", "goes to another window")
              .get(random.nextInt(5));
      // A menu may be gone before anybody could ask where its entry was.
      boolean unseen = fast && how.equals("chooses") && random.nextInt(3) == 0;
      now += 700 + random.nextInt(3000);
      now = alive(told, random, now, TITLE, true);
      clicks.add(new Clicked(now, on(TITLE), TITLE));
      int visits = 1 + random.nextInt(3);
      String at = TITLE;
      for (int v = 0; v < visits; v++) {
        now += fast ? 40 : 200 + random.nextInt(900);
        String next = String.valueOf(random.nextInt(10));
        if (!next.equals(at)) {
          alive(told, random, now, at, false);
          boolean lost = unseen && v == visits - 1;
          told.add(
              new Alive<>(
                  late(told, random, now),
                  next,
                  List.of(MENU),
                  false,
                  lost ? NOWHERE : area(next),
                  true));
          at = next;
        }
      }
      now += fast ? random.nextInt(3) : 200 + random.nextInt(3000);
      REACHED.merge(how + (unseen ? ", unseen" : fast ? ", fast" : ", slowly"), 1, Integer::sum);
      switch (how) {
        case "chooses" -> clicks.add(new Clicked(now, on(at), at));
        case "clicks beside" -> clicks.add(new Clicked(now, new Spot(700, 500), "closed"));
        default -> {
          // Then a click where the entry was, once menus have had the time to say so.
          if (how.equals("escapes")) {
            gone(told, random, now, at);
          } else {
            told.add(new Front<>(late(told, random, now)));
          }
          now += 400 + random.nextInt(500);
          clicks.add(new Clicked(now, on(at), "nothing"));
        }
      }
      if (clicks.getLast().meant().equals("closed") || how.equals("chooses")) {
        gone(told, random, now, at);
      }
    }
    List<String> found = new ArrayList<>();
    // Each button that goes down is known at once, between what comes late.
    clicks.forEach(c -> told.add(new MenuTrail.Press<>(c.millis())));
    told.sort(Comparator.comparingLong(Event::millis));
    MenuTrail<String> trail = new MenuTrail<>();
    int next = 0;
    for (Clicked click : clicks) {
      while (next < told.size()
          && told.get(next).millis() <= click.millis() + MenuTrail.GONE_MILLIS) {
        trail.take(told.get(next++));
      }
      found.add(said(trail.at(click.millis(), click.spot())));
    }
    assertThat(found).isEqualTo(clicks.stream().map(Clicked::meant).toList());
  }

  private static String said(Optional<Answer<String>> answer) {
    return answer
        .map(
            a ->
                switch (a) {
                  case Chose<String> c -> c.item();
                  case Closed<String> _ -> "closed";
                })
        .orElse("nothing");
  }

  /** What one program tells arrives in order. */
  private static long late(List<Event<String>> told, Random random, long now) {
    long before = told.isEmpty() ? 0 : told.getLast().millis();
    return Math.max(before, now + 5 + random.nextInt(25));
  }

  private static long alive(
      List<Event<String>> told, Random random, long now, String item, boolean on) {
    boolean title = item.equals(TITLE);
    told.add(
        new Alive<>(
            late(told, random, now),
            item,
            title ? List.of() : List.of(MENU),
            title,
            area(item),
            on));
    return now;
  }

  /** A menu that closes says so of its entry, or only of itself. */
  private static void gone(List<Event<String>> told, Random random, long now, String item) {
    if (random.nextBoolean()) {
      alive(told, random, now, item, false);
    }
    told.add(new Gone<>(late(told, random, now), MENU));
    alive(told, random, now, TITLE, false);
  }

  @Example
  void whatIsOnlyJustShownDoesNotKnowWhereItIs() {
    MenuTrail<String> trail = new MenuTrail<>();
    trail.take(new Alive<>(1000, "3", List.of(MENU), false, NOWHERE, true));
    assertThat(said(trail.at(995, on("3")))).isEqualTo("3");
    assertThat(said(trail.at(1100, on("3")))).isEqualTo("nothing");
    // It belongs to the click that it is nearest to.
    trail.take(new MenuTrail.Press<>(900));
    trail.take(new MenuTrail.Press<>(995));
    assertThat(said(trail.at(900, on("3")))).isEqualTo("nothing");
    assertThat(said(trail.at(995, on("3")))).isEqualTo("3");
  }

  @AfterContainer
  static void everythingWasReachedOften() {
    assertThat(REACHED).hasSize(9).allSatisfy((how, n) -> assertThat(n).as(how).isGreaterThan(300));
  }
}
