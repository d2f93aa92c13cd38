package polydex.bench;

import java.util.Arrays;
import java.util.Set;
import java.util.concurrent.Callable;

/**
 * Measures speed as ratios within one run: each row is the median of several rounds of ours and of
 * a named baseline, taken in turn, so that whatever else the machine does falls on both.
 */
public final class Main {
  static final int ROUNDS = 5;

  /** Rounds that do not count. */
  static final int WARM = 2;

  private Main() {}

  /**
   * Runs the benchmarks that are named (catalog, intake, lists, route, fit, drill, mouse, recall),
   * or all, and prints a table.
   */
  public static void main(String[] args) throws Exception {
    Set<String> wanted = Set.of(args);
    if (!Set.of("recall", "mouse").containsAll(wanted) || wanted.isEmpty()) {
      System.out.println("| what | size | ours | baseline | baseline / ours |");
      System.out.println("| --- | ---: | ---: | ---: | ---: |");
    }
    if (wanted.isEmpty() || wanted.contains("catalog")) {
      CatalogBench.all();
    }
    if (wanted.isEmpty() || wanted.contains("intake")) {
      CatalogBench.intake();
    }
    if (wanted.isEmpty() || wanted.contains("lists")) {
      ListsBench.run();
    }
    if (wanted.isEmpty() || wanted.contains("sheets")) {
      SheetsBench.run();
    }
    if (wanted.isEmpty() || wanted.contains("route")) {
      RouteBench.all();
    }
    if (wanted.isEmpty() || wanted.contains("fit")) {
      FitBench.all();
    }
    if (wanted.isEmpty() || wanted.contains("drill")) {
      DrillBench.all();
    }
    if (wanted.isEmpty() || wanted.contains("mouse")) {
      MouseBench.all();
    }
    if (wanted.isEmpty() || wanted.contains("recall")) {
      RecallBench.calibration();
      RecallBench.minutes();
      RecallBench.schedules();
    }
  }

  static int repeat(int times, Callable<?> work) throws Exception {
    int done = 0;
    for (int i = 0; i < times; i++) {
      done += work.call() == null ? 0 : 1;
    }
    return done;
  }

  static void row(
      String what, String size, Callable<Integer> ours, Callable<Integer> baseline, int each)
      throws Exception {
    double[] mine = new double[ROUNDS];
    double[] theirs = new double[ROUNDS];
    int seen = 0;
    for (int round = -WARM; round < ROUNDS; round++) {
      long begin = System.nanoTime();
      seen += ours.call();
      long middle = System.nanoTime();
      seen += baseline.call();
      long end = System.nanoTime();
      if (round >= 0) {
        mine[round] = (middle - begin) / 1e3 / each;
        theirs[round] = (end - middle) / 1e3 / each;
      }
    }
    if (seen == 0) {
      throw new IllegalStateException(what + " found nothing, so nothing was measured.");
    }
    Arrays.sort(mine);
    Arrays.sort(theirs);
    double a = mine[ROUNDS / 2];
    double b = theirs[ROUNDS / 2];
    System.out.printf("| %s | %s | %s | %s | %.2f |%n", what, size, time(a), time(b), b / a);
  }

  private static String time(double micros) {
    return micros < 1000 ? "%.1f µs".formatted(micros) : "%,.1f ms".formatted(micros / 1000);
  }
}
