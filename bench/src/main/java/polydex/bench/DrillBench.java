package polydex.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import polydex.catalog.Hooks;
import polydex.effort.KeystrokeLevel;
import polydex.files.store.Store;
import polydex.recall.Answer;
import polydex.recall.AskingPlan;
import polydex.recall.DrillItem;
import polydex.recall.DrillSettings;
import polydex.recall.Gains;
import polydex.recall.Learning;
import polydex.recall.Material;
import polydex.recall.MemoryFitter;
import polydex.recall.MemoryParameters;
import polydex.recall.NextToLearn;
import polydex.recall.Pace;
import polydex.recall.Progress;
import polydex.recall.Prompt;
import polydex.recall.SessionPlan;
import polydex.recall.Worth;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.World;

/** Replaying, choosing and storing with 20,000 items and 1,000,000 answers. */
final class DrillBench {
  private static final int APPLICATIONS = 125;
  private static final int BINDINGS = 175;
  private static final int ANSWERS = 1_000_000;
  private static final int ADDED = 2_000;
  private static final int WARM_UP = 500;
  private static final Instant START = Instant.parse("2031-01-06T08:00:00Z");

  private DrillBench() {}

  static void all() throws Exception {
    World world = Large.applications(APPLICATIONS, BINDINGS);
    List<Setup> setups = Large.setups(APPLICATIONS);
    Material material = Material.of(world, SetupTraces.of(setups.getFirst(), world), setups);
    List<Prompt> prompts = material.prompts();
    List<Answer> answers = answers(prompts);
    Instant now = answers.getLast().at();
    Main.row(
        "replaying answers into states, days and pairs / counting them by item",
        "%,d answers, %,d items".formatted(ANSWERS, prompts.size()),
        () -> replay(answers),
        () -> counted(answers),
        1);
    Progress progress = new Progress(ZoneOffset.UTC);
    answers.forEach(progress::add);
    AskingPlan plan = new AskingPlan(MemoryParameters.USUAL);
    Gains gains = new Gains(plan, i -> Worth.of(Math.abs(i.hashCode() % 30)));
    NextToLearn proposals =
        new NextToLearn(
            world.catalog(),
            new Hooks(world.catalog(), Set.of()),
            Optional.of(i -> Math.abs(i.action().hashCode() % 7)),
            KeystrokeLevel.USUAL,
            12);
    Main.row(
        "choosing a session of 10 minutes / one pass over the items' curves",
        "%,d items".formatted(prompts.size()),
        () ->
            new SessionPlan(material, progress, DrillSettings.USUAL, gains, now, new Random(1))
                .session(Duration.ofMinutes(10), List.of())
                .size(),
        () -> pass(progress, now),
        1);
    Main.row(
        "what to learn next, 8 proposals with reasons / one pass over the items' curves",
        "%,d items, a tenth never drilled".formatted(prompts.size()),
        () ->
            proposals
                .of(
                    material,
                    progress,
                    Learning.NOTHING,
                    now.atZone(ZoneOffset.UTC).toLocalDate(),
                    8)
                .size(),
        () -> pass(progress, now),
        1);
    Main.row(
        "fitting the memory / foretelling the answers once",
        "%,d answers".formatted(progress.latest().size()),
        () -> MemoryFitter.fit(progress.latest(), MemoryParameters.USUAL, now).isPresent() ? 1 : 0,
        () -> (int) MemoryFitter.loss(progress.latest(), MemoryParameters.USUAL),
        1);
    Main.row(
        "when to ask, at all prices / one pass over the items' curves",
        "one person's memory",
        () -> new AskingPlan(MemoryParameters.USUAL).hashCode(),
        () -> pass(progress, now),
        1);
    store(answers);
  }

  private static List<Answer> answers(List<Prompt> prompts) {
    Random random = new Random(1);
    List<Answer> answers = new ArrayList<>(ANSWERS);
    for (int i = 0; i < ANSWERS; i++) {
      Prompt prompt = prompts.get(random.nextInt(prompts.size() * 9 / 10));
      boolean right = random.nextInt(10) > 0;
      answers.add(
          new Answer(
              prompt.item(),
              START.plusSeconds(i * 15L),
              Answer.Kind.DO,
              right ? Answer.Verdict.RIGHT : Answer.Verdict.WRONG,
              new Answer.Timing(
                  0.8 + random.nextDouble(), true, Pace.UNKNOWN.expected(prompt.preferred())),
              prompt.preferred(),
              "",
              right
                  ? Optional.empty()
                  : Optional.of(prompts.get(random.nextInt(prompts.size())).item())));
    }
    return answers;
  }

  private static int replay(List<Answer> answers) {
    Progress progress = new Progress(ZoneOffset.UTC);
    for (Answer answer : answers) {
      progress.add(answer);
    }
    return progress.states().size();
  }

  private static int pass(Progress progress, Instant now) {
    return 1 + (int) progress.states().values().stream().filter(s -> s.isDue(now, 0.9)).count();
  }

  private static int counted(List<Answer> answers) {
    Map<DrillItem, Integer> counts = new HashMap<>();
    answers.forEach(a -> counts.merge(a.item(), 1, Integer::sum));
    return counts.size();
  }

  /** Each answer is one transaction that has reached the disk; against one bare write and sync. */
  private static void store(List<Answer> answers) throws Exception {
    Path folder = Files.createTempDirectory("polydex-bench");
    try (Store store = Store.open(folder.resolve("bench.polydex"))) {
      System.out.println();
      System.out.println("| answers stored before | median | 99th percentile | slowest |");
      System.out.println("| ---: | ---: | ---: | ---: |");
      int before = WARM_UP;
      for (Answer answer : answers.subList(0, WARM_UP)) {
        store.add(answer);
      }
      for (int size : new int[] {0, 100_000, ANSWERS - ADDED}) {
        store.addAll(answers.subList(before, Math.max(before, size)), List.of());
        before = Math.max(before, size);
        double[] millis = new double[ADDED / 2];
        for (int i = 0; i < millis.length; i++) {
          long begin = System.nanoTime();
          store.add(answers.get(before++));
          millis[i] = (System.nanoTime() - begin) / 1e6;
        }
        Arrays.sort(millis);
        System.out.printf(
            "| %,d | %.2f ms | %.2f ms | %.2f ms |%n",
            before - millis.length,
            millis[millis.length / 2],
            millis[millis.length * 99 / 100],
            millis[millis.length - 1]);
      }
      long begin = System.nanoTime();
      int[] read = new int[1];
      store.answers(_ -> read[0]++);
      System.out.printf(
          "%nReading %,d answers back: %.2f s%n", read[0], (System.nanoTime() - begin) / 1e9);
    } finally {
      try (var files = Files.list(folder)) {
        for (Path file : files.toList()) {
          Files.delete(file);
        }
      }
      Files.delete(folder);
    }
  }
}
