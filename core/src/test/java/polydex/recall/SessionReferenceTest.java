package polydex.recall;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.recall.Answer.Kind;
import polydex.recall.Answer.Verdict;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.route.SetupTraces;
import polydex.route.World;
import polydex.route.Worlds;

/** A session held to its rules, each written out from what is promised, over random histories. */
class SessionReferenceTest {
  private static final Instant DAY = Instant.parse("2031-01-06T09:00:00Z");
  private static final String[] APPS = {"ink", "lamp", "star"};
  private static final World WORLD = world();
  private static final List<Setup> SETUPS =
      IntStream.range(0, APPS.length)
          .mapToObj(
              i ->
                  new Setup(
                      new SetupId("s" + i),
                      "S" + i,
                      "full",
                      Worlds.machine("desk", Worlds.in(APPS[i], "anywhere"))))
          .toList();
  private static final Material MATERIAL =
      Material.of(WORLD, SetupTraces.of(SETUPS.getFirst(), WORLD), SETUPS);

  private static World world() {
    Worlds worlds = new Worlds().platform("desk", Worlds.plain(), "Meta+{1..9} = window");
    for (String app : APPS) {
      String[] bindings =
          IntStream.range(0, 16)
              .mapToObj(i -> "Ctrl+%c = %s%02d".formatted('A' + i, app, i))
              .toArray(String[]::new);
      worlds.app(app, bindings);
    }
    return worlds.build();
  }

  private static Progress progress(Random random) {
    Progress progress = new Progress(ZoneOffset.UTC);
    List<Prompt> prompts = MATERIAL.prompts();
    List<DrillItem> known = new ArrayList<>();
    int size = random.nextInt(prompts.size());
    for (int day = 0; day < 40; day++) {
      for (int i = 0; i < size; i++) {
        Prompt prompt = prompts.get((i * 7) % prompts.size());
        boolean today =
            known.contains(prompt.item()) ? random.nextInt(9) == 0 : random.nextInt(30) == 0;
        if (today) {
          boolean right = random.nextInt(6) > 0;
          Optional<DrillItem> instead =
              right || known.isEmpty() || random.nextInt(3) > 0
                  ? Optional.empty()
                  : Optional.of(known.get(random.nextInt(Math.min(3, known.size()))));
          known.add(prompt.item());
          progress.add(
              new Answer(
                  prompt.item(),
                  DAY.plus(Duration.ofDays(day)).plusSeconds(i),
                  Kind.DO,
                  right ? Verdict.RIGHT : Verdict.WRONG,
                  new Answer.Timing(0.4 + random.nextDouble(), true, 1.6),
                  prompt.preferred(),
                  "",
                  instead));
        }
      }
    }
    return progress;
  }

  private static final AskingPlan PLAN = new AskingPlan(MemoryParameters.USUAL);

  private static Gains gains(Random random) {
    int salt = random.nextInt();
    return new Gains(PLAN, i -> Worth.of(Math.abs((i.hashCode() ^ salt) % 40)));
  }

  private static DrillItem item(Question q) {
    return q.prompt().item();
  }

  private static List<DrillItem> items(Collection<Question> some) {
    return some.stream().map(SessionReferenceTest::item).toList();
  }

  private static List<Question> of(List<Question> asked, Kind kind) {
    return asked.stream().filter(q -> q.kind() == kind).toList();
  }

  @Property(tries = 600)
  void aSessionKeepsEveryRule(@ForAll long seed, @ForAll @IntRange(min = 2, max = 12) int minutes) {
    Random random = new Random(seed);
    Progress progress = progress(random);
    Instant now = DAY.plus(Duration.ofDays(40 + random.nextInt(30)));
    DrillSettings settings = new DrillSettings(0.9, random.nextInt(6), 10);
    List<DrillItem> next =
        MATERIAL.prompts().stream().map(Prompt::item).filter(_ -> random.nextInt(4) == 0).toList();
    Gains gains = gains(random);
    SessionPlan plan = new SessionPlan(MATERIAL, progress, settings, gains, now, random);
    List<Question> asked = plan.session(Duration.ofMinutes(minutes), next);
    int size = minutes * 60 / 4;

    List<Question> pairs = of(asked, Kind.CONTRAST);
    List<DrillItem> inPairs = items(pairs);
    checkPairs(progress, pairs, Math.min(3, size / 6));

    // What is worth asking: what gains as much as a typical item does at half-way to certainty.
    double least = gains.plan().index(new Memory(5, 20), new Memory(5, 20).daysUntil(0.95));
    Map<DrillItem, Double> gain = new HashMap<>();
    progress
        .states()
        .forEach(
            (item, state) -> {
              double days = (now.toEpochMilli() - state.counted().toEpochMilli()) / 864e5;
              double g =
                  gains.worth().applyAsDouble(item) * gains.plan().index(state.memory(), days);
              if (g >= least && MATERIAL.prompt(item).isPresent()) {
                gain.put(item, g);
              }
            });
    assertThat(plan.worthAsking()).containsExactlyInAnyOrderElementsOf(gain.keySet());
    for (int i = 1; i < plan.worthAsking().size(); i++) {
      assertThat(gain.get(plan.worthAsking().get(i)))
          .isLessThanOrEqualTo(gain.get(plan.worthAsking().get(i - 1)));
    }

    // What is new: the first that may be, as many as there is room for beside what gains more.
    Intake intake = new Intake(gains.plan());
    long before =
        plan.worthAsking().stream()
            .filter(i -> gain.get(i) >= intake.price() && !inPairs.contains(i))
            .limit(Math.max(0, size - pairs.size()))
            .count();
    double seconds = progress.history().secondsADay(progress.days().of(now), settings);
    int room =
        (int)
            Math.min(
                intake.room(progress.states().values(), now, settings.newADay(), seconds),
                Math.max(0, size - pairs.size() - before) / 3);
    List<DrillItem> fresh =
        next.stream().filter(i -> progress.state(i).isEmpty()).limit(room).toList();
    List<Question> does = of(asked, Kind.DO);
    assertThat(items(does.stream().filter(Question::isNew).toList()))
        .containsExactlyInAnyOrderElementsOf(fresh);

    // What is worth asking comes in its order, as far as there is room; nothing else does.
    int left = size - pairs.size() - 3 * fresh.size();
    List<DrillItem> once = new ArrayList<>();
    plan.worthAsking().stream()
        .filter(i -> !inPairs.contains(i))
        .limit(Math.max(0, left))
        .forEach(once::add);
    Map<DrillItem, Integer> wanted = new HashMap<>();
    once.forEach(i -> wanted.put(i, 1));
    fresh.forEach(i -> wanted.put(i, 2));
    Map<DrillItem, Integer> found = new HashMap<>();
    items(does).forEach(i -> found.merge(i, 1, Integer::sum));
    assertThat(found).isEqualTo(wanted);
    assertThat(pairs.size() + does.size()).isLessThanOrEqualTo(Math.max(size, pairs.size()));
    for (DrillItem i : fresh) {
      List<Question> times = does.stream().filter(q -> item(q).equals(i)).toList();
      assertThat(times.getFirst().isNew()).isTrue();
      int first = asked.indexOf(times.getFirst());
      int others = asked.size() - first > 15 ? 2 : 0;
      assertThat(asked.indexOf(times.get(1))).isGreaterThan(first + others);
    }
    List<Question> known = does.stream().filter(q -> !fresh.contains(item(q))).toList();
    checkSaid(asked, does, known, pairs.size() / 2 + once.size() + fresh.size());
    checkChain(progress, asked, size);
    // How many there are is no matter of chance: it is promised before they are mixed.
    SessionPlan again =
        new SessionPlan(MATERIAL, progress, settings, gains, now, new Random(seed + 1));
    assertThat(again.session(Duration.ofMinutes(minutes), next)).hasSameSizeAs(asked);
  }

  private static void checkPairs(Progress progress, List<Question> pairs, int most) {
    Set<DrillItem> used = new HashSet<>();
    List<Set<DrillItem>> wanted = new ArrayList<>();
    for (Confusions.Count c : progress.confusions().open()) {
      boolean askable =
          MATERIAL.prompt(c.pair().one()).isPresent()
              && MATERIAL.prompt(c.pair().other()).isPresent();
      if (wanted.size() < most
          && askable
          && !used.contains(c.pair().one())
          && !used.contains(c.pair().other())) {
        used.addAll(List.of(c.pair().one(), c.pair().other()));
        wanted.add(Set.of(c.pair().one(), c.pair().other()));
      }
    }
    List<Set<DrillItem>> found = new ArrayList<>();
    for (int i = 0; i < pairs.size(); i += 2) {
      assertThat(pairs.get(i).part()).isEqualTo(1);
      assertThat(pairs.get(i + 1).part()).isEqualTo(2);
      found.add(Set.of(item(pairs.get(i)), item(pairs.get(i + 1))));
    }
    assertThat(found).containsExactlyInAnyOrderElementsOf(wanted);
  }

  /** One in eight is asked the other way round as well, later than it was asked for. */
  private static void checkSaid(
      List<Question> asked, List<Question> does, List<Question> known, int groups) {
    List<Question> said = of(asked, Kind.SAY);
    // What is new comes three times already, and of a family the member would be told.
    long may = known.stream().filter(q -> q.prompt().member().isEmpty()).count();
    assertThat(said).hasSize((int) Math.min(groups / 8, may));
    for (Question q : said) {
      Question itself =
          does.stream().filter(d -> item(d).equals(item(q))).findFirst().orElseThrow();
      assertThat(asked.indexOf(q)).isGreaterThan(asked.indexOf(itself));
      assertThat(q.choices()).doesNotHaveDuplicates().hasSize(5).contains(item(q).action());
      assertThat(MATERIAL.actions(item(q).environment())).containsAll(q.choices());
    }
    assertThat(asked).allMatch(q -> q.choices().isEmpty() == (q.kind() != Kind.SAY));
  }

  /** At the end, and only of what is kept for two days at least, all of one setup. */
  private static void checkChain(Progress progress, List<Question> asked, int size) {
    List<Question> chain = of(asked, Kind.CHAIN);
    Map<SetupId, Integer> able = new HashMap<>();
    progress
        .states()
        .forEach(
            (item, state) -> {
              if (MATERIAL.prompt(item).isPresent() && state.memory().stability() >= 2) {
                MATERIAL.setup(item).ifPresent(s -> able.merge(s, 1, Integer::sum));
              }
            });
    boolean possible = able.values().stream().anyMatch(n -> n >= SessionPlan.CHAIN);
    boolean fits = asked.size() - chain.size() <= size;
    boolean any = asked.size() > chain.size();
    assertThat(chain).hasSize(possible && fits && any ? SessionPlan.CHAIN : 0);
    assertThat(asked.subList(asked.size() - chain.size(), asked.size())).isEqualTo(chain);
    assertThat(items(chain)).doesNotHaveDuplicates();
    Set<Optional<SetupId>> setups = new HashSet<>();
    for (int i = 0; i < chain.size(); i++) {
      assertThat(chain.get(i).part()).isEqualTo(i + 1);
      assertThat(chain.get(i).parts()).isEqualTo(SessionPlan.CHAIN);
      assertThat(progress.state(item(chain.get(i))).orElseThrow().memory().stability())
          .isGreaterThanOrEqualTo(2);
      setups.add(MATERIAL.setup(item(chain.get(i))));
    }
    assertThat(setups).hasSizeLessThanOrEqualTo(1);
  }

  /** Neighbours differ in their environment while another one has anything left to ask. */
  @Property(tries = 200)
  void whatIsMixedStandsApart(@ForAll long seed, @ForAll @IntRange(min = 1, max = 3) int times) {
    Random random = new Random(seed);
    List<DrillItem> some =
        MATERIAL.prompts().stream().map(Prompt::item).filter(_ -> random.nextInt(3) == 0).toList();
    SessionPlan plan =
        new SessionPlan(
            MATERIAL, progress(random), DrillSettings.USUAL, gains(random), DAY, random);
    List<Question> asked = plan.only(some, times);
    assertThat(asked).hasSize(some.size() * times);
    assertThat(new LinkedHashSet<>(items(asked))).containsExactlyInAnyOrderElementsOf(some);
    for (int i = 1; i < asked.size(); i++) {
      EnvironmentId environment = item(asked.get(i)).environment();
      if (environment.equals(item(asked.get(i - 1)).environment())) {
        assertThat(items(asked.subList(i, asked.size())))
            .allMatch(rest -> rest.environment().equals(environment));
      }
    }
  }

  /** Another drill after it trains what is known but slow, the least stable first. */
  @Property(tries = 100)
  void whatIsSlowIsWhatIsNotFluentTheLeastStableFirst(@ForAll long seed) {
    Random random = new Random(seed);
    Progress progress = progress(random);
    Instant now = DAY.plus(Duration.ofDays(60));
    SessionPlan plan =
        new SessionPlan(MATERIAL, progress, DrillSettings.USUAL, gains(random), now, random);
    List<DrillItem> wanted =
        progress.states().entrySet().stream()
            .filter(e -> MATERIAL.prompt(e.getKey()).isPresent() && !e.getValue().isFluent())
            .sorted(
                Comparator.comparingDouble(
                        (Map.Entry<DrillItem, ItemState> e) -> e.getValue().memory().stability())
                    .thenComparing(Map.Entry::getKey))
            .map(Map.Entry::getKey)
            .limit(15)
            .toList();
    assertThat(items(plan.slow(Duration.ofMinutes(1)))).containsExactlyInAnyOrderElementsOf(wanted);
  }

  @Property(tries = 100)
  void aSprintAsksTheFluentOnesInTurnAndAPairIsAskedSideBySide(@ForAll long seed) {
    Random random = new Random(seed);
    Progress progress = progress(random);
    Instant now = DAY.plus(Duration.ofDays(60));
    SessionPlan plan =
        new SessionPlan(MATERIAL, progress, DrillSettings.USUAL, gains(random), now, random);
    Set<DrillItem> fluent = new TreeSet<>();
    progress
        .states()
        .forEach(
            (item, state) -> {
              if (state.isFluent() && MATERIAL.prompt(item).isPresent()) {
                fluent.add(item);
              }
            });
    List<Question> sprint = plan.sprint(Duration.ofMinutes(2));
    assertThat(sprint).hasSize(fluent.isEmpty() ? 0 : 30);
    for (int i = 0; i + fluent.size() <= sprint.size() && !fluent.isEmpty(); i += fluent.size()) {
      assertThat(items(sprint.subList(i, i + fluent.size())))
          .containsExactlyInAnyOrderElementsOf(fluent);
    }
    List<Prompt> all = MATERIAL.prompts();
    Confusions.Pair pair = new Confusions.Pair(all.get(0).item(), all.get(5).item());
    List<Question> beside = plan.sideBySide(pair, 3);
    assertThat(beside).hasSize(6).allMatch(q -> q.kind() == Kind.CONTRAST);
    for (int i = 0; i < beside.size(); i += 2) {
      assertThat(items(beside.subList(i, i + 2)))
          .containsExactlyInAnyOrder(pair.one(), pair.other());
    }
    DrillItem gone = new DrillItem(new EnvironmentId("nowhere"), new ActionId("nothing"));
    assertThat(plan.sideBySide(new Confusions.Pair(pair.one(), gone), 3)).isEmpty();
  }
}
