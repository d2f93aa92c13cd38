package polydex.bench.window;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicReference;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.desktop.Shell;
import polydex.desktop.state.Session;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.log.LogEvent;
import polydex.recall.Answer;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * A year in one sitting: 30,000 answers, 500,000 events and 2,000 edits, each taken back, in the
 * real window, which is looked at all the while. Says for each month how long each thing takes on
 * the window's thread and until what it changed is painted, and what memory is in use; and at the
 * end how much processor an idle window takes.
 */
final class Soak {
  private static final int MONTHS = 12;
  private static final int ANSWERS = 30_000;
  private static final int EVENTS = 500_000;
  private static final int EDITS = 2000;
  private static final int ANSWERS_AT_ONCE = 25;
  private static final int EVENTS_AT_ONCE = 500;

  /** What is timed; letters are the places that are gone to. */
  private static final List<String> TITLES =
      List.of("25 answers", "500 events", "edit", "undo", "T", "L", "D", "R", "M", "S");

  private static final Duration IDLE = Duration.ofSeconds(20);

  /** The session's time goes with what happens in it. */
  private static final class Calendar extends Clock {
    private final AtomicReference<Instant> now;
    private final ZoneId zone;

    Calendar(AtomicReference<Instant> now, ZoneId zone) {
      this.now = now;
      this.zone = zone;
    }

    @Override
    public Instant instant() {
      return now.get();
    }

    @Override
    public ZoneId getZone() {
      return zone;
    }

    @Override
    public Clock withZone(ZoneId other) {
      return new Calendar(now, other);
    }
  }

  private final AtomicReference<Instant> now = new AtomicReference<>(DemoHistory.NOW);
  private final Clock clock = new Calendar(now, DemoHistory.ZONE);
  private final Session session;
  private final Shell shell;
  private final Scene scene;
  private final List<Answer> answers;
  private final List<LogEvent> events;
  private final Map<String, List<Double>> took = new LinkedHashMap<>();
  private final Deque<Runnable> todo = new ArrayDeque<>();
  private int answered;
  private int logged;
  private int edited;

  Soak(Stage stage) throws FileProblem {
    Workspace demo = Shipped.demo();
    DemoHistory history = DemoHistory.of(demo);
    answers = history.answers();
    events = history.events();
    try {
      Path file = Files.createTempDirectory("polydex-soak").resolve("year.polydex");
      session = new Session(DemoFile.demo(file), clock);
    } catch (IOException e) {
      throw new FileProblem("There is no room for a file: " + e.getMessage(), e);
    }
    shell =
        new Shell(session, demo.world().layouts().get("us"), new Random(1), () -> {}, stage::close);
    scene = shell.scene(1280, 800);
    stage.setScene(scene);
    stage.show();
  }

  void run() {
    System.out.println("| month | " + String.join(" | ", TITLES) + " | memory |");
    for (int month = 1; month <= MONTHS; month++) {
      month(month);
    }
    todo.add(this::idle);
    new AnimationTimer() {
      @Override
      public void handle(long now) {
        if (todo.isEmpty()) {
          stop();
        } else if (session.writing().waiting() < 200) {
          todo.remove().run();
        }
      }
    }.start();
  }

  private void month(int month) {
    int rounds = EDITS / MONTHS;
    for (int i = 0; i < rounds; i++) {
      boolean answersToo =
          i * (ANSWERS / ANSWERS_AT_ONCE / MONTHS) / rounds
              != (i + 1) * (ANSWERS / ANSWERS_AT_ONCE / MONTHS) / rounds;
      boolean eventsToo =
          i * (EVENTS / EVENTS_AT_ONCE / MONTHS) / rounds
              != (i + 1) * (EVENTS / EVENTS_AT_ONCE / MONTHS) / rounds;
      if (answersToo) {
        todo.add(() -> timed("25 answers", this::answer));
      }
      if (eventsToo) {
        todo.add(() -> timed("500 events", this::log));
      }
      todo.add(() -> timed("edit", this::edit));
      todo.add(() -> timed("undo", session::undo));
    }
    for (int round = 0; round < 5; round++) {
      for (char place : "TLDRMS".toCharArray()) {
        todo.add(() -> timed(String.valueOf(place), () -> shell.go(place)));
        for (int pulse = 0; pulse < 20; pulse++) {
          todo.add(() -> {});
        }
      }
    }
    todo.add(() -> say(month));
  }

  /** On the window's thread, with the layout and the styles that it brings about. */
  private void timed(String what, Runnable work) {
    long begin = System.nanoTime();
    work.run();
    scene.getRoot().applyCss();
    scene.getRoot().layout();
    took.computeIfAbsent(what, _ -> new ArrayList<>()).add((System.nanoTime() - begin) / 1e6);
  }

  private void answer() {
    for (int i = 0; i < ANSWERS_AT_ONCE; i++, answered++) {
      Answer like = answers.get(answered % answers.size());
      now.set(DemoHistory.NOW.plusSeconds(1050L * answered));
      session.answer(
          new Answer(
              like.item(),
              now.get(),
              like.kind(),
              like.verdict(),
              like.timing(),
              like.asked(),
              like.pressed(),
              like.mistakenFor()));
    }
  }

  private void log() {
    List<LogEvent> arrived = new ArrayList<>();
    for (int i = 0; i < EVENTS_AT_ONCE; i++, logged++) {
      LogEvent like = events.get(logged % events.size());
      Instant at = DemoHistory.NOW.plusMillis(63_000L * logged);
      arrived.add(
          new LogEvent(
              at, like.deed(), like.characters(), like.distance(), like.width(), like.seconds()));
    }
    session.arrived(arrived, 0);
  }

  private void edit() {
    Workspace before = session.workspace().get();
    Action more = Action.of(new ActionId("soak" + edited), "Soaked " + edited, "Soak");
    edited++;
    session.apply(
        new Change.Edit(
            "Soak",
            before,
            before.with(before.catalog().with(List.of(more), List.of(), Map.of()))));
  }

  private void say(int month) {
    StringBuilder row = new StringBuilder("| %2d |".formatted(month));
    for (String title : TITLES) {
      List<Double> times = took.getOrDefault(title, List.of());
      Collections.sort(times);
      row.append(
          " %.1f ms |".formatted(times.isEmpty() ? Double.NaN : times.get(times.size() / 2)));
    }
    took.clear();
    System.gc();
    Runtime machine = Runtime.getRuntime();
    System.out.printf("%s %,d MB |%n", row, (machine.totalMemory() - machine.freeMemory()) >> 20);
  }

  private void idle() {
    System.out.printf("%,d answers, %,d events, %,d edits%n", answered, logged, edited);
    Fingers.after(
        javafx.util.Duration.seconds(10),
        () -> {
          Duration before = processor();
          Fingers.after(
              javafx.util.Duration.seconds((double) IDLE.toSeconds()),
              () -> {
                Duration used = processor().minus(before);
                System.out.printf(
                    "idle: %d ms of a processor in %d s%n", used.toMillis(), IDLE.toSeconds());
                shell.end();
                Platform.exit();
              });
        });
  }

  private static Duration processor() {
    return ProcessHandle.current().info().totalCpuDuration().orElse(Duration.ZERO);
  }
}
