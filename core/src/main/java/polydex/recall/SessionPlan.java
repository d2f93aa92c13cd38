package polydex.recall;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.recall.Answer.Kind;
import polydex.route.SetupId;

/**
 * Chooses what a session asks: pairs that are mistaken for each other, side by side; what gains
 * most a second by {@link Gains}; and as many new ones as {@link Intake} has room for, before what
 * gains less than they do. Mixed at the end, so that the environment has to be read each time. O(n
 * log n) in the items known.
 */
public final class SessionPlan {
  /** A new item is asked until it was right so often, with something in between. */
  public static final int RIGHTS_NEW = 2;

  /** How many actions a chain has at most. */
  public static final int CHAIN = 4;

  /** One of so many prompts asks what a gesture does. */
  static final int SAY_EVERY = 8;

  /** What is not kept even so long, in days, is no part of a chain. */
  private static final double CHAIN_STABILITY = 2;

  private static final int CHOICES = 5;
  private static final int PAIRS = 3;

  /** An item that is worth asking. */
  private record Worthy(DrillItem item, double gain) {}

  private final Material material;
  private final Progress progress;
  private final DrillSettings settings;
  private final Gains gains;
  private final Intake intake;
  private final Instant now;
  private final Random random;
  private final List<Map.Entry<DrillItem, ItemState>> known;
  private final List<Worthy> worthAsking;

  /**
   * A plan for now; it looks at what is known once.
   *
   * @param random mixes the prompts and picks members of families
   */
  public SessionPlan(
      Material material,
      Progress progress,
      DrillSettings settings,
      Gains gains,
      Instant now,
      Random random) {
    this.material = material;
    this.progress = progress;
    this.settings = settings;
    this.gains = gains;
    this.intake = new Intake(gains.plan());
    this.now = now;
    this.random = random;
    this.known =
        progress.states().entrySet().stream()
            .filter(e -> material.prompt(e.getKey()).isPresent())
            .toList();
    double least = gains.least(settings.retention());
    long today = progress.days().of(now);
    this.worthAsking =
        known.stream()
            .filter(e -> e.getValue().day() != today)
            .map(e -> new Worthy(e.getKey(), gains.of(e.getKey(), e.getValue(), now)))
            .filter(w -> w.gain() >= least)
            .sorted(Comparator.comparingDouble((Worthy w) -> -w.gain()).thenComparing(Worthy::item))
            .toList();
  }

  /** What is worth asking now and can be asked here, what gains most a second at the front. */
  public List<DrillItem> worthAsking() {
    return worthAsking.stream().map(Worthy::item).toList();
  }

  /** When the next item is worth asking; none where nothing is known. */
  public Optional<Instant> next() {
    double least = gains.least(settings.retention());
    return known.stream()
        .map(
            e ->
                e.getValue()
                    .counted()
                    .plusMillis(
                        (long)
                            (86_400_000.0
                                * gains
                                    .plan()
                                    .wait(
                                        e.getValue().memory(),
                                        least / gains.worth().applyAsDouble(e.getKey())))))
        .min(Comparator.naturalOrder());
  }

  /** How many items were answered for the first time today. */
  public int begunToday() {
    long today = progress.days().of(now);
    return (int)
        progress.states().values().stream()
            .filter(s -> progress.days().of(s.begun()) == today)
            .count();
  }

  /** How many new items may still be begun today. */
  public int roomForNew() {
    int most = settings.newADay() - begunToday();
    double seconds = progress.history().secondsADay(progress.days().of(now), settings);
    return most <= 0 ? 0 : intake.room(progress.states().values(), now, most, seconds);
  }

  /**
   * A session of some minutes.
   *
   * @param next the new ones, what to learn first at the front
   * @return at most as many prompts as fit; fewer where nothing else is worth asking, none where
   *     nothing is at all
   */
  public List<Question> session(Duration time, List<DrillItem> next) {
    int size = DrillSettings.answersIn(time);
    List<List<Question>> groups = new ArrayList<>();
    Set<DrillItem> taken = new HashSet<>();
    contrasts(Math.min(PAIRS, size / 6)).forEach(pair -> add(groups, taken, pair));
    List<DrillItem> first =
        worthAsking.stream()
            .filter(w -> w.gain() >= intake.price())
            .map(Worthy::item)
            .filter(i -> !taken.contains(i))
            .limit(Math.max(0, size - count(groups)))
            .toList();
    int left = size - count(groups) - first.size();
    List<DrillItem> fresh =
        next.stream()
            .filter(i -> progress.state(i).isEmpty() && material.prompt(i).isPresent())
            .limit(Math.min(roomForNew(), Math.max(0, left / Intake.FIRST_ASKINGS)))
            .toList();
    left += first.size() - fresh.size() * Intake.FIRST_ASKINGS;
    worthAsking().stream()
        .filter(i -> !taken.contains(i))
        .limit(Math.max(0, left))
        .forEach(i -> add(groups, taken, List.of(ask(Kind.DO, i, false))));
    fresh.forEach(i -> add(groups, taken, List.of(ask(Kind.DO, i, true))));
    Collections.shuffle(groups, random);
    List<List<Question>> mixed = apart(groups);
    sayWhatSomeDo(mixed);
    again(mixed, fresh);
    if (!mixed.isEmpty()) {
      chain().filter(c -> count(mixed) + c.size() <= size + CHAIN).ifPresent(mixed::add);
    }
    return mixed.stream().flatMap(List::stream).toList();
  }

  /** What is known but not fluent, the least stable first, as many as fit into the time. */
  public List<Question> slow(Duration time) {
    List<List<Question>> groups =
        new ArrayList<>(
            slowest().stream()
                .limit(DrillSettings.answersIn(time))
                .map(i -> List.of(ask(Kind.DO, i, false)))
                .toList());
    Collections.shuffle(groups, random);
    return apart(groups).stream().flatMap(List::stream).toList();
  }

  /** Fluent items only, in a random order, as many as fit into the time. */
  public List<Question> sprint(Duration time) {
    List<DrillItem> fluent =
        new ArrayList<>(
            known(ItemState::isFluent).stream().map(Map.Entry::getKey).sorted().toList());
    Collections.shuffle(fluent, random);
    int size = DrillSettings.answersIn(time);
    if (fluent.isEmpty()) {
      return List.of();
    }
    return IntStream.range(0, size)
        .mapToObj(i -> ask(Kind.SPRINT, fluent.get(i % fluent.size()), false))
        .toList();
  }

  /** These items and nothing else, each so many times, mixed. */
  public List<Question> only(Collection<DrillItem> items, int times) {
    List<List<Question>> groups = new ArrayList<>();
    for (DrillItem item : items) {
      for (int i = 0; i < times && material.prompt(item).isPresent(); i++) {
        groups.add(List.of(ask(Kind.DO, item, progress.state(item).isEmpty())));
      }
    }
    Collections.shuffle(groups, random);
    return apart(groups).stream().flatMap(List::stream).toList();
  }

  /** Two items in turn, until each was asked so often. */
  public List<Question> sideBySide(Confusions.Pair pair, int times) {
    List<Question> asked = new ArrayList<>();
    for (int i = 0; i < times && bothAskable(pair); i++) {
      asked.addAll(contrast(pair));
    }
    return List.copyOf(asked);
  }

  private boolean bothAskable(Confusions.Pair pair) {
    return material.prompt(pair.one()).isPresent() && material.prompt(pair.other()).isPresent();
  }

  private static void add(List<List<Question>> groups, Set<DrillItem> taken, List<Question> group) {
    groups.add(group);
    group.forEach(q -> taken.add(q.prompt().item()));
  }

  private static int count(List<List<Question>> groups) {
    return groups.stream().mapToInt(List::size).sum();
  }

  private List<List<Question>> contrasts(int most) {
    Set<DrillItem> used = new HashSet<>();
    List<List<Question>> chosen = new ArrayList<>();
    for (Confusions.Count count : progress.confusions().open()) {
      Confusions.Pair pair = count.pair();
      boolean isFree = !used.contains(pair.one()) && !used.contains(pair.other());
      if (chosen.size() < most && isFree && bothAskable(pair)) {
        used.add(pair.one());
        used.add(pair.other());
        chosen.add(contrast(pair));
      }
    }
    return chosen;
  }

  /** Which of the two comes first is left to chance, or the order would be learnt. */
  private List<Question> contrast(Confusions.Pair pair) {
    boolean turned = random.nextBoolean();
    DrillItem first = turned ? pair.other() : pair.one();
    DrillItem second = turned ? pair.one() : pair.other();
    return List.of(
        ask(Kind.CONTRAST, first, false).asPart(1, 2),
        ask(Kind.CONTRAST, second, false).asPart(2, 2));
  }

  private Question ask(Kind kind, DrillItem item, boolean isNew) {
    Prompt prompt = material.prompt(item).orElseThrow();
    List<Map.Entry<String, Gesture>> members = List.copyOf(material.members(item).entrySet());
    if (!members.isEmpty()) {
      Map.Entry<String, Gesture> member = members.get(random.nextInt(members.size()));
      prompt = prompt.askingFor(member.getValue(), member.getKey());
    }
    return Question.alone(kind, prompt, isNew);
  }

  private List<Map.Entry<DrillItem, ItemState>> known(Predicate<ItemState> which) {
    return known.stream().filter(e -> which.test(e.getValue())).toList();
  }

  /** What is known but not fluent, the least stable first. */
  private List<DrillItem> slowest() {
    return known(s -> !s.isFluent()).stream()
        .sorted(
            Comparator.comparingDouble(
                    (Map.Entry<DrillItem, ItemState> e) -> e.getValue().memory().stability())
                .thenComparing(Map.Entry.comparingByKey()))
        .map(Map.Entry::getKey)
        .toList();
  }

  /**
   * One in eight of what is asked alone is asked the other way round as well: later, in the second
   * half, since a gesture that was shown before it is asked for would be no recall.
   */
  private void sayWhatSomeDo(List<List<Question>> mixed) {
    List<Question> alone =
        new ArrayList<>(
            mixed.stream()
                .filter(g -> g.size() == 1 && !g.getFirst().isNew())
                .map(List::getFirst)
                .filter(q -> q.prompt().member().isEmpty())
                .filter(q -> material.actions(q.prompt().item().environment()).size() > 2)
                .toList());
    int some = mixed.size() / SAY_EVERY;
    Collections.shuffle(alone, random);
    for (Question question : alone.subList(0, Math.min(some, alone.size()))) {
      List<ActionId> choices = choices(question.prompt().item());
      int earliest = Math.max(mixed.indexOf(List.of(question)) + 1, mixed.size() / 2);
      mixed.add(
          earliest + random.nextInt(mixed.size() - earliest + 1),
          List.of(new Question(Kind.SAY, question.prompt(), 1, 1, false, choices)));
    }
  }

  /** The right action and others of the same environment, by chance. */
  private List<ActionId> choices(DrillItem item) {
    List<ActionId> others = new ArrayList<>(material.actions(item.environment()));
    others.remove(item.action());
    Collections.shuffle(others, random);
    List<ActionId> choices = new ArrayList<>(others.stream().limit(CHOICES - 1L).toList());
    choices.add(item.action());
    Collections.shuffle(choices, random);
    return choices;
  }

  /** New ones come again after a few others: remembering a moment later is what makes them stay. */
  private void again(List<List<Question>> mixed, List<DrillItem> fresh) {
    for (DrillItem item : fresh) {
      int at = 0;
      while (!mixed.get(at).getFirst().prompt().item().equals(item)) {
        at++;
      }
      mixed.add(
          Math.min(mixed.size(), at + DrillQueue.COMES_AGAIN_AFTER),
          List.of(ask(Kind.DO, item, false)));
    }
  }

  /** A small task: known actions of one setup, one after the other, from different environments. */
  private Optional<List<Question>> chain() {
    Map<SetupId, List<DrillItem>> bySetup = new HashMap<>();
    known(s -> s.memory().stability() >= CHAIN_STABILITY)
        .forEach(
            e ->
                material
                    .setup(e.getKey())
                    .ifPresent(
                        s -> bySetup.computeIfAbsent(s, _ -> new ArrayList<>()).add(e.getKey())));
    List<List<DrillItem>> enough =
        bySetup.entrySet().stream()
            .filter(e -> e.getValue().size() >= CHAIN)
            .sorted(Map.Entry.comparingByKey())
            .map(Map.Entry::getValue)
            .toList();
    if (enough.isEmpty()) {
      return Optional.empty();
    }
    List<DrillItem> items = enough.get(random.nextInt(enough.size()));
    Collections.sort(items);
    Collections.shuffle(items, random);
    List<Question> steps = items.stream().limit(CHAIN).map(i -> ask(Kind.CHAIN, i, false)).toList();
    return Optional.of(
        IntStream.range(0, CHAIN).mapToObj(i -> steps.get(i).asPart(i + 1, CHAIN)).toList());
  }

  /** The same groups with none in the environment of the one before, where that can be. */
  private static List<List<Question>> apart(List<List<Question>> shuffled) {
    Map<EnvironmentId, ArrayList<List<Question>>> left = new LinkedHashMap<>();
    for (List<Question> group : shuffled) {
      left.computeIfAbsent(environment(group.getFirst()), _ -> new ArrayList<>()).add(group);
    }
    List<List<Question>> ordered = new ArrayList<>();
    EnvironmentId last = EnvironmentId.NONE;
    while (ordered.size() < shuffled.size()) {
      EnvironmentId before = last;
      EnvironmentId next =
          left.entrySet().stream()
              .filter(e -> !e.getValue().isEmpty())
              .max(
                  Comparator.comparing(
                          (Map.Entry<EnvironmentId, ?> e) -> !e.getKey().equals(before))
                      .thenComparing(e -> left.get(e.getKey()).size()))
              .orElseThrow()
              .getKey();
      List<Question> group = left.get(next).removeLast();
      ordered.add(group);
      last = environment(group.getLast());
    }
    return ordered;
  }

  private static EnvironmentId environment(Question question) {
    return question.prompt().item().environment();
  }
}
