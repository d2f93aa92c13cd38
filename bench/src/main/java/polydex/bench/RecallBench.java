package polydex.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import polydex.bench.Schedules.Schedule;
import polydex.bench.Study.Run;

/**
 * Simulated persons learn 300 actions by several schedules, each with the same minutes a day, the
 * same askings of new ones and the same rule for how many there are; the plan is held to the best
 * of the fixed intervals and to somebody who sees into the person's head.
 */
final class RecallBench {
  private static final int SEEDS = 20;
  private static final int AWAY_FROM = 60;
  private static final double[] FACTORS = {1.5, 2, 2.5, 3, 4};
  private static final double[] BELOW = {0.5, 0.6, 0.7, 0.8, 0.9};

  /** What is measured of a run. */
  private enum Measure {
    KNOWN(Run::known),
    BY_USE(Run::byUse),
    LATER(Run::later),
    LATER_BY_USE(Run::laterByUse);

    private final Function<Run, Double> of;

    Measure(Function<Run, Double> of) {
      this.of = of;
    }
  }

  /** Who learns. */
  private enum Person {
    HALF_LIFE("loses at a rate", HalfLife::new),
    ACTIVATION("activation", Activation::new),
    MIXED("mixed, reported only", Mixed::new);

    private final String title;
    private final BiFunction<Integer, Random, Learner> make;

    Person(String title, BiFunction<Integer, Random, Learner> make) {
      this.title = title;
      this.make = make;
    }
  }

  /** How much time there is, and for how many days nothing is drilled. */
  private record Cell(Person person, int minutes, int away) {
    List<Run> runs(Function<Study, Schedule> schedule, double minutesADay, int seeds) {
      return IntStream.range(0, seeds)
          .parallel()
          .mapToObj(
              seed -> new Study(person.make, schedule, minutesADay, seed).run(AWAY_FROM, away))
          .toList();
    }

    String title() {
      return "%s | %d%s".formatted(person.title, minutes, away > 0 ? ", 30 days away" : "");
    }
  }

  private RecallBench() {}

  private static List<Cell> cells() {
    return Stream.of(Person.values())
        .flatMap(
            p ->
                Stream.of(
                    new Cell(p, 10, 0), new Cell(p, 2, 0), new Cell(p, 10, 30), new Cell(p, 2, 30)))
        .toList();
  }

  static void schedules() {
    System.out.println();
    System.out.println(
        "| person | minutes a day | schedule | known | by use | 90 days after | by use | minutes |"
            + " begun | of the best fixed |");
    System.out.println("| --- | --- | --- | ---: | ---: | ---: | ---: | ---: | ---: | --- |");
    List<Double> ofFixed = new ArrayList<>();
    List<Double> ofOracle = new ArrayList<>();
    for (Cell cell : cells()) {
      Map<String, List<Run>> found = new LinkedHashMap<>();
      for (double factor : FACTORS) {
        found.put(
            "fixed \u00d7" + factor,
            cell.runs(_ -> new Schedules.Fixed(factor), cell.minutes, SEEDS));
      }
      double[] fixed = best(found);
      Map<String, List<Run>> oracles = new LinkedHashMap<>();
      for (double below : BELOW) {
        oracles.put(
            "sees what is known, asks below " + below,
            cell.runs(s -> new Schedules.Oracle(s, below), cell.minutes, SEEDS));
      }
      double[] oracle = best(oracles);
      found.put("as it was before", cell.runs(_ -> new Schedules.Former(), cell.minutes, SEEDS));
      found.put(
          "by chance",
          cell.runs(
              _ -> new Schedules.ByChance(new Random(1), new ArrayList<>(), new Schedules.Fixed(2)),
              cell.minutes,
              SEEDS));
      found.putAll(oracles);
      found.put(
          "plan, not fitted", cell.runs(s -> new Schedules.Ours(s, false), cell.minutes, SEEDS));
      List<Run> ours = cell.runs(s -> new Schedules.Ours(s, true), cell.minutes, SEEDS);
      found.put("**plan, fitted**", ours);
      found.forEach((title, runs) -> print(cell, title, runs, fixed));
      for (Measure m : Measure.values()) {
        ofFixed.add(median(ours, m.of) / fixed[m.ordinal()]);
        ofOracle.add(median(ours, m.of) / oracle[m.ordinal()]);
      }
    }
    System.out.printf(
        "%nOf the best fixed: least %.2f, mean of cells %.2f. Of whoever sees what is known: least"
            + " %.2f, mean %.2f.%n",
        least(ofFixed), mean(ofFixed), least(ofOracle), mean(ofOracle));
  }

  /** The minutes a day with which the plan knows as much on average as the best fixed does. */
  static void minutes() {
    System.out.println();
    System.out.println("| person | minutes a day | the plan knows as much with | of them |");
    System.out.println("| --- | ---: | ---: | ---: |");
    int seeds = SEEDS / 4;
    for (Cell cell : cells().stream().filter(c -> c.away == 0).toList()) {
      double wanted = 0;
      double spent = 0;
      for (double factor : FACTORS) {
        List<Run> runs = cell.runs(_ -> new Schedules.Fixed(factor), cell.minutes, seeds);
        if (median(runs, Run::known) > wanted) {
          wanted = median(runs, Run::known);
          spent = median(runs, Run::minutes);
        }
      }
      double low = 0.1 * cell.minutes;
      double high = 2 * cell.minutes;
      double minutes = 0;
      for (int i = 0; i < 6; i++) {
        double middle = (low + high) / 2;
        List<Run> runs = cell.runs(s -> new Schedules.Ours(s, true), middle, seeds);
        if (median(runs, Run::known) < wanted) {
          low = middle;
        } else {
          high = middle;
          minutes = median(runs, Run::minutes);
        }
      }
      System.out.printf(
          "| %s | %d | %.1f a day at most; %.0f in all, fixed %.0f | %.2f |%n",
          cell.person.title, cell.minutes, high, minutes, spent, minutes / spent);
    }
  }

  /** How well what happened was foretold, before and after a person was fitted to. */
  static void calibration() {
    System.out.println();
    System.out.println(
        "| person | minutes a day | log loss on held-out answers, published numbers | fitted |"
            + " binned error, published | fitted |");
    System.out.println("| --- | ---: | ---: | ---: | ---: | ---: |");
    for (Cell cell : cells().stream().filter(c -> c.away == 0).toList()) {
      List<double[]> found =
          IntStream.range(0, SEEDS)
              .parallel()
              .mapToObj(
                  seed -> {
                    Study study =
                        new Study(
                            cell.person.make,
                            s -> new Schedules.Ours(s, false),
                            cell.minutes,
                            seed);
                    study.run(AWAY_FROM, 0);
                    return study.calibration();
                  })
              .toList();
      System.out.printf("| %s | %d |", cell.person.title, cell.minutes);
      for (int i = 0; i < 4; i++) {
        int column = i;
        System.out.printf(
            " %s |", spread(found.stream().mapToDouble(f -> f[column]).toArray(), "%.3f"));
      }
      System.out.println();
    }
  }

  private static double[] best(Map<String, List<Run>> of) {
    return Stream.of(Measure.values())
        .mapToDouble(m -> of.values().stream().mapToDouble(r -> median(r, m.of)).max().orElse(1))
        .toArray();
  }

  private static double median(List<Run> runs, Function<Run, Double> of) {
    double[] values = runs.stream().mapToDouble(of::apply).sorted().toArray();
    return values[values.length / 2];
  }

  private static double least(List<Double> values) {
    return values.stream().mapToDouble(v -> v).min().orElse(0);
  }

  private static double mean(List<Double> values) {
    return values.stream().mapToDouble(v -> v).average().orElse(0);
  }

  private static void print(Cell cell, String title, List<Run> runs, double... fixed) {
    System.out.printf("| %s | %s |", cell.title(), title);
    StringBuilder ratios = new StringBuilder();
    for (Measure m : Measure.values()) {
      System.out.printf(" %s |", spread(runs.stream().mapToDouble(m.of::apply).toArray(), "%.0f"));
      ratios.append("%.2f ".formatted(median(runs, m.of) / fixed[m.ordinal()]));
    }
    System.out.printf(
        " %.0f | %.0f | %s|%n",
        median(runs, Run::minutes), median(runs, r -> (double) r.begun()), ratios);
  }

  /** The median and the whole spread over the seeds. */
  private static String spread(double[] of, String form) {
    double[] values = of.clone();
    Arrays.sort(values);
    return (form + " (" + form + " to " + form + ")")
        .formatted(values[values.length / 2], values[0], values[values.length - 1]);
  }
}
