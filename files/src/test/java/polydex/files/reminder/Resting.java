package polydex.files.reminder;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.stream.LongStream;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.files.computer.Surroundings;
import polydex.files.demo.DemoFile;
import polydex.files.recorder.SessionRecorder;
import polydex.files.recorder.Wishes;
import polydex.keys.Gesture;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.log.LogLine;
import polydex.person.Knowledge;
import polydex.recall.DrillItem;
import polydex.reminder.Dearest;
import polydex.reminder.Lot;
import polydex.reminder.Rests;
import polydex.route.Setup;
import polydex.totals.Audit;
import polydex.totals.Reminder;
import polydex.workspace.Workspace;

/**
 * A recorder that says at a pause of two seconds what keys would have done, in a program of its
 * own: where it is shown and whether the lot tells are its arguments. F7 takes it into the next
 * drill, F8 leaves it out, F9 pauses. What a keymap of the demo knows of its editor holds for the
 * desk on the display.
 */
final class Resting implements AtRest.Person {
  private static final ActionId UNDO = new ActionId("edit.undo");

  private final Workspace workspace;
  private final Audit audit;
  private Optional<DrillItem> dropped = Optional.empty();

  private Resting(Workspace workspace) {
    this.workspace = workspace;
    audit = Knowledge.audit(workspace, ZoneOffset.UTC, _ -> Optional.empty());
  }

  public static void main(String[] args) throws Exception {
    Workspace demo = DemoFile.withDemo(store -> store.workspace());
    EnvironmentId editor = new EnvironmentId("cue-editor-alder");
    Environment known = demo.catalog().environment(editor).orElseThrow();
    Workspace workspace =
        demo.with(
            demo.catalog()
                .with(
                    List.of(marked(demo.catalog().action(UNDO).orElseThrow())),
                    List.of(known.titled("Cue desk")),
                    Map.of()));
    Setup setup = workspace.setup().orElseThrow();
    boolean tells = Boolean.parseBoolean(args[1]);
    Lot lot =
        LongStream.range(0, 1000)
            .mapToObj(Lot::new)
            .filter(l -> l.tells(Instant.now()) == tells)
            .filter(l -> l.tells(Instant.now().plus(Duration.ofHours(1))) == tells)
            .findFirst()
            .orElseThrow();
    Resting person = new Resting(workspace);
    ReminderChoices.Answers answers =
        new ReminderChoices.Answers(Gesture.parse("F7"), Gesture.parse("F8"));
    try (SessionRecorder recorder =
            SessionRecorder.of(
                Surroundings.here(),
                Wishes.of(workspace, setup, Set.of(), Gesture.parse("F9")),
                Knowledge.recogniser(workspace));
        AtRest atRest =
            AtRest.begin(
                Surroundings.here(),
                recorder,
                workspace,
                setup,
                new ReminderChoices(
                    ReminderChoices.Where.valueOf(args[0]), Optional.empty(), Optional.empty()),
                answers,
                lot,
                person,
                new Rests(Duration.ofSeconds(2)))) {
      LogIntake intake =
          new LogIntake(ZoneOffset.UTC, Instant::now, Knowledge.recogniser(workspace));
      recorder.whenPausedByHand(paused -> say(paused ? "paused" : "goes on"));
      recorder.start(line -> person.take(intake, line, atRest));
      say("listening");
      end();
    }
    say("ended");
  }

  /** With a name that would be markup where markup is read. */
  private static Action marked(Action a) {
    return new Action(
        a.id(), "Undo <b>& all</b>", a.group(), a.words(), a.harm(), a.opposite(), a.toggles());
  }

  private static void end() throws IOException {
    int read = System.in.read();
    while (read >= 0 && read != 'e') {
      read = System.in.read();
    }
  }

  private synchronized void take(LogIntake intake, LogLine line, AtRest atRest) {
    if (intake.take(line) instanceof LogIntake.Event(LogEvent event)) {
      audit.add(event);
      atRest.did(event.deed());
      say("noted " + event.deed().input() + " " + event.deed().target());
    }
  }

  @Override
  public synchronized CompletableFuture<Knowledge> known() {
    Workspace now =
        dropped.map(d -> workspace.with(workspace.learning().dropping(d))).orElse(workspace);
    return CompletableFuture.completedFuture(
        new Knowledge(
            now,
            audit.standing(),
            Knowledge.Practice.NONE,
            _ -> Optional.empty(),
            ZoneOffset.UTC,
            audit.standing().lastDay(ZoneOffset.UTC)));
  }

  @Override
  public void keep(Reminder reminder) {
    say("kept %s %s".formatted(reminder.place().doing().written(), reminder.told()));
  }

  @Override
  public void drill(Dearest dearest) {
    say("drill %s %s %d".formatted(dearest.item().action(), dearest.gesture(), dearest.uses()));
  }

  @Override
  public synchronized void never(Dearest dearest) {
    dropped = Optional.of(dearest.item());
    say("never " + dearest.item().action());
  }

  @Override
  public boolean isInFront() {
    return false;
  }

  private static synchronized void say(String line) {
    System.out.println(line);
    System.out.flush();
  }
}
