package polydex.desktop.state;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.quoted;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.language.Language;
import polydex.recall.AskingPlan;
import polydex.recall.DrillItem;
import polydex.recall.DrillSettings;
import polydex.recall.Gains;
import polydex.recall.Learning;
import polydex.recall.MemoryParameters;
import polydex.recall.NextToLearn.Proposal;
import polydex.recall.Question;
import polydex.recall.SessionPlan;
import polydex.recall.Worth;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** What the places ask about drills, answered from the session and what was found out about it. */
public final class Drills {
  private static final DateTimeFormatter DAY = Language.dates(worded("state.eeee-d-mmmm"));
  private static final int MOST_NEW = 20;
  private static final String MINUTES = "drill.minutes";
  private static final String NEW_A_DAY = "drill.new-a-day";
  private static final String RETENTION = "drill.retention";

  private final Session session;
  private final Analyst analyst;
  private DrillSettings settings;
  private @Nullable CompletableFuture<AskingPlan> asking;
  private MemoryParameters askingFor;

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
    askingFor = session.progress().parameters();
    session.whenShown(this::begin);
    session.logged().addListener((_, _, _) -> askAnew());
  }

  /** Takes a fifth of a second, and is there by the time that the setup has been looked into. */
  private synchronized CompletableFuture<AskingPlan> begun() {
    if (asking == null) {
      MemoryParameters parameters = askingFor;
      asking = CompletableFuture.supplyAsync(() -> new AskingPlan(parameters));
    }
    return asking;
  }

  private void begin() {
    var _ = begun();
  }

  private synchronized void askAnew() {
    MemoryParameters now = session.progress().parameters();
    if (!now.equals(askingFor)) {
      askingFor = now;
      asking = null;
      begin();
    }
  }

  private Gains gains() {
    Map<ActionId, Double> uses = session.knowledge().usesADay();
    return uses.isEmpty()
        ? Gains.of(begun().join())
        : new Gains(begun().join(), i -> Worth.of(uses.getOrDefault(i.action(), 0.0)));
  }

  /**
   * A drill as it would be begun now.
   *
   * @param plan what it was chosen by
   * @param questions in the order in which they are asked
   * @param known how many items are asked that are known
   * @param fresh how many new ones
   */
  public record Drill(SessionPlan plan, List<Question> questions, int known, int fresh) {
    /** Copies the list. */
    public Drill {
      questions = List.copyOf(questions);
    }

    /** How many questions it has and what they take; where there are none, when there will be. */
    public String says(Instant now, ZoneId zone) {
      int count = questions.size();
      if (count > 0) {
        Duration time = DrillSettings.timeOf(count);
        return worded(
            "state.about",
            count,
            worded("state.questions", count),
            time.toSeconds() < 60
                ? worded("state.seconds", time.toSeconds())
                : worded("any.min", Math.round(time.toSeconds() / 60.0)));
      }
      return worded(
          "state.nothing-is-worth-asking-now",
          plan.next().map(at -> worded("state.the-next-is-on", on(at, now, zone))).orElse(""));
    }

    /** What was asked today moves nothing any more before tomorrow. */
    private static String on(Instant next, Instant now, ZoneId zone) {
      LocalDate today = now.atZone(zone).toLocalDate();
      LocalDate day = next.atZone(zone).toLocalDate();
      return DAY.format(day.isAfter(today) ? day : today.plusDays(1));
    }
  }

  /** The drill of now; none while the setup is looked into, or where it can't be. */
  public Optional<Drill> drill(Random random) {
    return plan(random)
        .map(
            plan -> {
              List<DrillItem> next = next(MOST_NEW).stream().map(Proposal::item).toList();
              Duration time = Duration.ofMinutes(settings.minutesADay());
              List<Question> questions = plan.session(time, next);
              Set<DrillItem> fresh = new HashSet<>();
              Set<DrillItem> all = new HashSet<>();
              for (Question q : questions) {
                all.add(q.prompt().item());
                if (q.isNew()) {
                  fresh.add(q.prompt().item());
                }
              }
              return new Drill(plan, questions, all.size() - fresh.size(), fresh.size());
            });
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
                new SessionPlan(
                    a.material(), session.progress(), settings, gains(), session.now(), random));
  }

  /**
   * What to learn next, the best first.
   *
   * @param most how many
   */
  public List<Proposal> next(int most) {
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
        (all ? worded("state.no-longer-marked-for-drills") : worded("state.marked-for-drills"))
            + named(items),
        all ? said.forgetting(items) : said.marking(items));
  }

  /** Leaves an item alone for a week. */
  public void putOff(DrillItem item) {
    LocalDate until = session.today().plusDays(Learning.PUT_OFF_DAYS);
    say(
        worded("state.put-off-for-a-week", named(List.of(item))),
        session.workspace().get().learning().puttingOff(item, until));
  }

  /** Never proposes an item again. */
  public void drop(DrillItem item) {
    say(
        worded("state.dropped-from-what-to-learn", named(List.of(item))),
        session.workspace().get().learning().dropping(item));
  }

  private void say(String title, Learning after) {
    Workspace before = session.workspace().get();
    session.apply(new Change.Edit(title, before, before.with(after)));
  }

  private String named(Collection<DrillItem> items) {
    Catalog catalog = session.workspace().get().catalog();
    return items.size() > 3
        ? worded("state.actions", items.size())
        : items.stream()
            .map(i -> quoted(catalog.title(i.action())))
            .collect(Collectors.joining(", "));
  }
}
