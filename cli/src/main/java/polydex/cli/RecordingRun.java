package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.files.computer.Surroundings;
import polydex.files.log.EventWriter;
import polydex.files.recorder.RecordingChoices;
import polydex.files.recorder.RecordingMark;
import polydex.files.recorder.ScreenSign;
import polydex.files.recorder.SessionRecorder;
import polydex.files.recorder.Wishes;
import polydex.files.reminder.AtRest;
import polydex.files.reminder.ReminderChoices;
import polydex.files.store.Store;
import polydex.files.store.StoreLine;
import polydex.log.LogEvent;
import polydex.log.LogIntake;
import polydex.log.LogLine;
import polydex.person.Knowledge;
import polydex.recognition.Recognised;
import polydex.recognition.Recogniser;
import polydex.reminder.Lot;
import polydex.route.Setup;
import polydex.workspace.Workspace;

/** A recording without a window, from its beginning to its end. */
final class RecordingRun {
  /** An event is on its way to the disk so soon. */
  private static final long WITHIN_MILLIS = 150;

  private final Workspace workspace;
  private final Setup here;
  private final RecordingChoices choices;
  private final ReminderChoices reminder;
  private final Lot lot;
  private final PrintWriter err;
  private final Recogniser recogniser;
  private final LogIntake intake;
  private final Map<Recognised.How, Long> how = new EnumMap<>(Recognised.How.class);
  private volatile Optional<ScreenSign> sign = Optional.empty();
  private final Ending end;
  private long events;
  private long characters;

  RecordingRun(
      Workspace workspace,
      Setup here,
      RecordingChoices choices,
      ReminderChoices reminder,
      Lot lot,
      PrintWriter err,
      Ending end) {
    this.end = end;
    this.reminder = reminder;
    this.lot = lot;
    this.workspace = workspace;
    this.here = here;
    this.choices = choices;
    this.err = err;
    recogniser = Knowledge.recogniser(workspace);
    intake = new LogIntake(ZoneId.systemDefault(), Instant::now, recogniser);
  }

  /** What came in. */
  record Came(long events, long characters, double recognisedShare) {}

  /** Records until the time is over or the program is told to end; closes the store. */
  Came into(Store store, Path file, Optional<Duration> time) throws FileProblem {
    try (StoreLine line = new StoreLine(store, new MouseImport.Telling(err))) {
      String title = worded("command.record", SessionRecorder.TITLE);
      try (EventWriter writer = new EventWriter(line, Instant::now, title, WITHIN_MILLIS);
          SessionRecorder recorder =
              SessionRecorder.of(
                  Surroundings.here(),
                  Wishes.of(workspace, here, choices.leftOut(), choices.pause()),
                  Knowledge.recogniser(workspace))) {
        line.write(s -> s.setting(RecordingMark.SETTING, RecordingMark.begun(Instant.now())));
        recorder.whenPausedByHand(this::tellPaused);
        sign = ScreenSign.show(worded("command.polydex-is-recording-pauses", choices.pause()));
        if (sign.isEmpty()) {
          say(worded("command.there-is-no-screen-here-to"));
        }
        Optional<AtRest> atRest = atRest(recorder, line);
        recorder.start(l -> take(l, writer, atRest));
        say(
            worded(
                "command.recording-into-pauses-and-goes-on",
                SessionRecorder.TITLE,
                file,
                choices.pause()));
        if (!recorder.remark().isEmpty()) {
          say(recorder.remark());
        }
        end.await(time.orElse(Duration.ofDays(3650)));
        atRest.ifPresent(AtRest::close);
        sign.ifPresent(ScreenSign::close);
      }
      line.write(s -> s.setting(RecordingMark.SETTING, RecordingMark.ended()));
    }
    return new Came(events, characters, Recognised.share(how));
  }

  private Optional<AtRest> atRest(SessionRecorder recorder, StoreLine line) {
    if (reminder.where() == ReminderChoices.Where.OFF) {
      return Optional.empty();
    }
    try {
      return Optional.of(begun(recorder, line));
    } catch (FileProblem e) {
      say(worded("command.no-line-is-shown-when-your", e.getMessage()));
      return Optional.empty();
    }
  }

  private AtRest begun(SessionRecorder recorder, StoreLine line) throws FileProblem {
    AtRest atRest =
        AtRest.begin(
            Surroundings.here(),
            recorder,
            workspace,
            here,
            choices.pause(),
            reminder,
            lot,
            new WhoseFile(line));
    say(
        worded(
            "command.when-your-hands-rest-a-line",
            atRest.answers().drill(),
            atRest.answers().never()));
    return atRest;
  }

  private void take(LogLine line, EventWriter writer, Optional<AtRest> atRest) {
    if (intake.take(line) instanceof LogIntake.Event(LogEvent event)) {
      atRest.ifPresent(r -> r.did(event.deed()));
      events++;
      characters += event.characters();
      how.merge(recogniser.of(event.deed()).how(), 1L, Long::sum);
      writer.take(event);
    }
  }

  private void tellPaused(boolean paused) {
    String keys = choices.pause().toString();
    sign.ifPresent(
        s ->
            s.say(
                (paused
                        ? worded("command.polydex-is-paused-goes-on")
                        : worded("command.polydex-is-recording-pauses-2"))
                    .formatted(keys),
                !paused));
    say(
        paused
            ? worded("command.paused-nothing-is-noted-goes-on", keys)
            : worded("command.recording-again-pauses", keys));
  }

  private void say(String sentence) {
    err.println(sentence);
    err.flush();
  }
}
