package polydex.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.function.ToDoubleFunction;
import java.util.stream.DoubleStream;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.store.Store;
import polydex.log.LogEvent;
import polydex.recall.Answer;

/**
 * How long the program takes to start, each time as a program of its own, against an empty window
 * of JavaFX with the same flags and a Java that does nothing. The runs take turns, so that a slow
 * moment hits all alike.
 */
public final class StartBench {
  private static final int RUNS = 7;
  private static final Duration SIX_WEEKS = Duration.ofDays(42);
  private static final int TWO_YEARS = 17;
  private static final long REST_SECONDS = 6;

  private final Path app;
  private final Path work;
  private final String bench = System.getProperty("java.class.path");

  private record Started(double first, double look, double megabytes) {}

  private StartBench(Path app, Path work) {
    this.app = app;
    this.work = work;
  }

  /** Measures what was put together in a folder. */
  public static void main(String[] args) throws Exception {
    new StartBench(Path.of(args[0]), Files.createTempDirectory("polydex-start")).measure();
  }

  private void measure() throws IOException, InterruptedException, FileProblem {
    Path years = work.resolve("two-years.polydex");
    twoYears(years);
    Map<String, List<Started>> windows = new LinkedHashMap<>();
    for (int run = 0; run < RUNS; run++) {
      boolean rests = run == RUNS - 1;
      put(windows, "an empty window", window(List.of("polydex.bench.window.EmptyWindow"), rests));
      put(windows, "the demo", window(List.of("polydex.desktop.Main", "--demo"), rests));
      put(windows, "a file of two years", file(years, rests));
      Path empty = work.resolve("new" + run + ".polydex");
      put(windows, "a new file", file(empty, rests));
    }
    double empty = median(windows.get("an empty window"), Started::first);
    System.out.println("| what | first frame | / empty window | first look at the setup | idle |");
    System.out.println("| --- | ---: | ---: | ---: | ---: |");
    windows.forEach(
        (name, runs) ->
            System.out.printf(
                Locale.ROOT,
                "| %s | %.2f s | %.1f | %s | %.0f MB |%n",
                name,
                median(runs, Started::first),
                median(runs, Started::first) / empty,
                runs.getFirst().look() == 0
                    ? ""
                    : String.format(Locale.ROOT, "%.2f s", median(runs, Started::look)),
                runs.getLast().megabytes()));
    System.out.println();
    commands();
  }

  private static void put(Map<String, List<Started>> all, String name, Started run) {
    all.computeIfAbsent(name, _ -> new ArrayList<>()).add(run);
  }

  private static double median(List<Started> runs, ToDoubleFunction<Started> what) {
    return median(runs.stream().mapToDouble(what));
  }

  private static double median(DoubleStream some) {
    double[] sorted = some.sorted().toArray();
    return sorted[sorted.length / 2];
  }

  private Started file(Path file, boolean rests) throws IOException, InterruptedException {
    return window(List.of("polydex.desktop.Main", "--file", file.toString()), rests);
  }

  private Started window(List<String> main, boolean rests)
      throws IOException, InterruptedException {
    List<String> line = java("desktop");
    boolean empty = main.getFirst().endsWith("EmptyWindow");
    if (empty) {
      // Behind the same path, or the cache would not fit.
      int path = line.indexOf("-cp") + 1;
      line.set(path, line.get(path) + ":" + bench.split(":", -1)[0]);
    }
    line.addAll(main);
    long begun = System.nanoTime();
    ProcessBuilder program =
        new ProcessBuilder(line).redirectError(ProcessBuilder.Redirect.DISCARD);
    // What it keeps for itself is not to be among the things of whoever measures.
    program.environment().put("XDG_STATE_HOME", work.resolve("state").toString());
    Process process = program.start();
    double first = 0;
    double look = 0;
    try (BufferedReader said = process.inputReader(StandardCharsets.UTF_8)) {
      for (String text = said.readLine(); text != null; text = said.readLine()) {
        double now = (System.nanoTime() - begun) / 1e9;
        if (text.equals("window shown")) {
          first = now;
        } else if (text.equals("first look shown")) {
          look = now;
        }
        if (first > 0 && (empty || look > 0)) {
          break;
        }
      }
      if (rests) {
        TimeUnit.SECONDS.sleep(REST_SECONDS);
      }
      return new Started(first, look, rests ? resident(process) : 0);
    } finally {
      process.destroy();
      process.waitFor();
    }
  }

  private static double resident(Process process) throws IOException {
    for (String line :
        Files.readAllLines(Path.of("/proc", String.valueOf(process.pid()), "status"))) {
      if (line.startsWith("VmRSS:")) {
        return Double.parseDouble(line.replaceAll("\\D", "")) / 1024;
      }
    }
    return 0;
  }

  private List<String> java(String part) throws IOException {
    Process flags =
        new ProcessBuilder(
                app.resolve("../../packaging/flags").normalize().toString(), app.toString(), part)
            .start();
    List<String> line = new ArrayList<>(List.of(app.resolve("runtime/bin/java").toString()));
    try (BufferedReader said = flags.inputReader(StandardCharsets.UTF_8)) {
      said.lines().forEach(line::add);
    }
    return line;
  }

  private void commands() throws IOException, InterruptedException {
    Map<String, List<String>> lines = new LinkedHashMap<>();
    List<String> bare = new ArrayList<>(List.of(app.resolve("runtime/bin/java").toString()));
    bare.addAll(List.of("-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1", "--version"));
    lines.put("java --version", bare);
    for (String command : List.of("notation a", "find --demo mute", "mouse remaining --demo")) {
      List<String> line = java("cli");
      line.add("polydex.cli.Main");
      line.addAll(List.of(command.split(" ", -1)));
      lines.put(command, line);
    }
    Map<String, List<Double>> took = new LinkedHashMap<>();
    for (int run = 0; run < RUNS; run++) {
      for (Map.Entry<String, List<String>> line : lines.entrySet()) {
        long begun = System.nanoTime();
        new ProcessBuilder(line.getValue())
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start()
            .waitFor();
        took.computeIfAbsent(line.getKey(), _ -> new ArrayList<>())
            .add((System.nanoTime() - begun) / 1e9);
      }
    }
    System.out.println("| command | whole | / java --version |");
    System.out.println("| --- | ---: | ---: |");
    double least = median(took.get("java --version").stream().mapToDouble(d -> d));
    took.forEach(
        (name, runs) -> {
          double whole = median(runs.stream().mapToDouble(d -> d));
          System.out.printf(Locale.ROOT, "| %s | %.2f s | %.1f |%n", name, whole, whole / least);
        });
  }

  /** The demo's six weeks so often as two years have them, the newest at its end. */
  private static void twoYears(Path file) throws FileProblem {
    DemoHistory history = DemoHistory.of(Shipped.demo());
    try (Store store = DemoFile.demo(file)) {
      for (int before = 1; before <= TWO_YEARS; before++) {
        Duration back = SIX_WEEKS.multipliedBy(before);
        List<Answer> answers =
            history.answers().stream()
                .map(
                    a ->
                        new Answer(
                            a.item(),
                            a.at().minus(back),
                            a.kind(),
                            a.verdict(),
                            a.timing(),
                            a.asked(),
                            a.pressed(),
                            a.mistakenFor()))
                .toList();
        List<LogEvent> events =
            history.events().stream()
                .map(
                    e ->
                        new LogEvent(
                            e.at().minus(back),
                            e.deed(),
                            e.characters(),
                            e.distance(),
                            e.width(),
                            e.seconds()))
                .toList();
        store.addAll(answers, events);
      }
    }
  }
}
