package polydex.desktop.state;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import polydex.catalog.Catalog;
import polydex.recall.DrillItem;
import polydex.recall.DrillSettings;
import polydex.recall.Learning;
import polydex.recall.NextToLearn;
import polydex.recall.SessionPlan;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** What the places ask about drills, answered from the session and what was found out about it. */
public final class Drills {
  private static final String MINUTES = "drill.minutes";
  private static final String NEW_A_DAY = "drill.new-a-day";
  private static final String RETENTION = "drill.retention";

  private final Session session;
  private final Analyst analyst;
  private DrillSettings settings;

  /** For a session and what is found out about it. */
  public Drills(Session session, Analyst analyst) {
    this.session = session;
    this.analyst = analyst;
    DrillSettings usual = DrillSettings.USUAL;
    settings =
        new DrillSettings(
            number(RETENTION, usual.retention()),
            (int) number(NEW_A_DAY, usual.newADay()),
            (int) number(MINUTES, usual.minutesADay()));
  }

  private double number(String name, double usual) {
    try {
      return session.setting(name).map(Double::parseDouble).orElse(usual);
    } catch (NumberFormatException e) {
      return usual;
    }
  }

  /** What the person wants of the drills. */
  public DrillSettings settings() {
    return settings;
  }

  /** Wants something else from now on. */
  public void settings(DrillSettings wanted) {
    settings = wanted;
    session.setting(MINUTES, String.valueOf(wanted.minutesADay()));
    session.setting(NEW_A_DAY, String.valueOf(wanted.newADay()));
    session.setting(RETENTION, String.valueOf(wanted.retention()));
  }

  /** A plan for now; none while the setup is looked into, or where it can't be. */
  public Optional<SessionPlan> plan(Random random) {
    return analyst
        .found()
        .get()
        .map(
            a ->
                new SessionPlan(a.material(), session.progress(), settings, session.now(), random));
  }

  /**
   * What to learn next, the best first.
   *
   * @param most how many
   */
  public List<NextToLearn.Proposal> next(int most) {
    Optional<Analysis> found = analyst.found().get();
    if (found.isEmpty()) {
      return List.of();
    }
    return session
        .knowledge()
        .nextToLearn(found.get().hooks())
        .of(
            found.get().material(),
            session.progress(),
            session.workspace().get().learning(),
            session.today(),
            most);
  }

  /** Marks items as wanted, or takes the marks away where all have one. */
  public void mark(Collection<DrillItem> items) {
    Learning said = session.workspace().get().learning();
    boolean all = said.marked().containsAll(items);
    say(
        (all ? "No longer marked for drills: " : "Marked for drills: ") + named(items),
        all ? said.forgetting(items) : said.marking(items));
  }

  /** Leaves an item alone for a week. */
  public void putOff(DrillItem item) {
    LocalDate until = session.today().plusDays(Learning.PUT_OFF_DAYS);
    say(
        "Put off for a week: " + named(List.of(item)),
        session.workspace().get().learning().puttingOff(item, until));
  }

  /** Never proposes an item again. */
  public void drop(DrillItem item) {
    say(
        "Dropped from what to learn: " + named(List.of(item)),
        session.workspace().get().learning().dropping(item));
  }

  private void say(String title, Learning after) {
    Workspace before = session.workspace().get();
    session.apply(new Change.Edit(title, before, before.with(after)));
  }

  private String named(Collection<DrillItem> items) {
    Catalog catalog = session.workspace().get().catalog();
    return items.size() > 3
        ? "%,d actions".formatted(items.size())
        : items.stream()
            .map(i -> "\u201c" + catalog.title(i.action()) + "\u201d")
            .collect(Collectors.joining(", "));
  }
}
