package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Pattern;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.util.Duration;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Beside;
import polydex.desktop.state.Recording;
import polydex.files.FileProblem;
import polydex.files.computer.Surroundings;
import polydex.files.demo.SimulatedRecorder;
import polydex.files.recorder.RecordingChoices;
import polydex.files.recorder.SessionRecorder;
import polydex.files.recorder.Wishes;
import polydex.files.reminder.AtRest;
import polydex.files.reminder.ReminderChoices;
import polydex.hands.AnywhereGesture;
import polydex.keys.Gesture;
import polydex.person.Knowledge;
import polydex.reminder.Lot;
import polydex.route.Setup;
import polydex.route.World;
import polydex.workspace.Workspace;

/**
 * Asks what is to be recorded and how, and begins: what hands do on this computer, or a simulated
 * day. Which applications are left out and which gesture pauses is kept in the file.
 */
final class RecordingStart {
  private static final Pattern COMMAS = Pattern.compile("\\s*,\\s*");
  private static final long SEED = 1;

  /** So many seconds of the simulated day in one. */
  private record Speed(String title, double times) {}

  private static final List<Speed> SPEEDS =
      List.of(
          new Speed(worded("mouse.as-fast-as-the-day-itself"), 1),
          new Speed(worded("mouse.ten-times-as-fast"), 10),
          new Speed(worded("mouse.a-minute-in-a-second"), 60),
          new Speed(worded("mouse.an-hour-in-six-seconds"), 600));

  /**
   * A recorder.
   *
   * @param atRest says something when the hands rest, where that is wanted
   * @param problem why it can't, as a sentence; empty where nothing is in its way
   */
  private record Begun(SessionRecorder recorder, Optional<AtRest> atRest, String problem) {}

  /** Something that can be chosen. */
  private record Choice(String title, Runnable act) {}

  private final Desk desk;
  private final Runnable begins;
  private final Beside beside = new Beside("recorder");
  private final AnywhereKeys keys;
  private final LineAtRest line;

  /**
   * Nothing asked yet.
   *
   * @param begins told just before a recording begins
   */
  RecordingStart(Desk desk, Runnable begins) {
    this.desk = desk;
    this.begins = begins;
    keys = new AnywhereKeys(desk, beside);
    line = new LineAtRest(desk, this::ask, this::setup, () -> choices().pause());
  }

  private RecordingChoices choices() {
    return RecordingChoices.of(
        Map.of(
            RecordingChoices.PAUSE,
            desk.session().setting(RecordingChoices.PAUSE).orElse(AnywhereGesture.PAUSE.toString()),
            RecordingChoices.LEFT_OUT,
            desk.session().setting(RecordingChoices.LEFT_OUT).orElse("")));
  }

  /** Asks what is to be recorded. */
  void ask() {
    RecordingChoices now = choices();
    List<Choice> all = new ArrayList<>();
    all.add(new Choice(worded("mouse.this-computer-until-i-end-it"), () -> here(Optional.empty())));
    all.add(
        new Choice(
            worded("mouse.this-computer-for-an-hour"), () -> here(Optional.of(Duration.hours(1)))));
    all.add(
        new Choice(
            worded("mouse.this-computer-for-four-hours"),
            () -> here(Optional.of(Duration.hours(4)))));
    all.add(new Choice(worded("mouse.a-simulated-day-to-see-how"), this::simulated));
    all.add(
        new Choice(
            now.leftOut().isEmpty()
                ? worded("mouse.first-leave-applications-out")
                : worded("mouse.left-out", String.join(", ", now.leftOut())),
            this::leaveOut));
    all.add(new Choice(worded("mouse.keys-that-pause-it-in-any", now.pause()), this::choosePause));
    all.add(new Choice(worded("mouse.a-line-when-your-hands-rest-2", line.now()), line::ask));
    desk.dialogs()
        .choose(
            worded("mouse.record-what-hands-do"),
            worded("mouse.what-is-typed-is-counted-and"),
            all,
            Choice::title,
            c -> c.act().run());
  }

  private void leaveOut() {
    desk.dialogs()
        .ask(
            worded("mouse.leave-applications-out"),
            worded("mouse.their-titles-with-commas-between"),
            String.join(", ", choices().leftOut()),
            said -> {
              TreeSet<String> titles = new TreeSet<>(List.of(COMMAS.split(said)));
              titles.removeIf(String::isBlank);
              desk.session()
                  .setting(
                      RecordingChoices.LEFT_OUT,
                      new RecordingChoices(choices().pause(), titles).leftOutLines());
              ask();
            });
  }

  private void choosePause() {
    setup()
        .ifPresent(
            here ->
                keys.ask(
                    worded("mouse.pause-with-which-keys"),
                    here,
                    List.of(AnywhereGesture.PAUSE),
                    _ -> false,
                    this::pauseWith));
  }

  private void pauseWith(Gesture gesture) {
    Workspace workspace = desk.session().workspace().get();
    Optional<Setup> setup = setup();
    if (setup.isEmpty()) {
      return;
    }
    beside.ask(
        _ -> free(workspace.world(), setup.get(), gesture),
        free -> {
          desk.session().setting(RecordingChoices.PAUSE, free.toString());
          ask();
        },
        desk.session()::problem);
  }

  private Optional<Setup> setup() {
    Workspace workspace = desk.session().workspace().get();
    Optional<Setup> setup = workspace.setup();
    Optional<String> problem =
        setup.isEmpty()
            ? Optional.of(worded("mouse.there-is-no-setup-yet-make"))
            : workspace.world().problem(setup.get());
    problem.ifPresent(desk.session()::problem);
    return setup.filter(_ -> problem.isEmpty());
  }

  private void here(Optional<Duration> time) {
    Optional<Setup> setup = setup();
    if (setup.isEmpty()) {
      return;
    }
    Workspace workspace = desk.session().workspace().get();
    RecordingChoices choices = choices();
    desk.session().say(worded("mouse.beginning-to-listen"));
    ReminderChoices reminder = line.choices();
    Lot lot = line.lot();
    beside.ask(
        _ -> {
          free(workspace.world(), setup.get(), choices.pause());
          SessionRecorder recorder =
              SessionRecorder.of(
                  Surroundings.here(),
                  Wishes.of(workspace, setup.get(), choices.leftOut(), choices.pause()),
                  Knowledge.recogniser(workspace));
          if (reminder.where() == ReminderChoices.Where.OFF) {
            return new Begun(recorder, Optional.empty(), "");
          }
          try {
            return new Begun(
                recorder,
                Optional.of(
                    AtRest.begin(
                        Surroundings.here(),
                        recorder,
                        workspace,
                        setup.get(),
                        choices.pause(),
                        reminder,
                        lot,
                        new WhoseHands(desk))),
                "");
          } catch (FileProblem e) {
            return new Begun(recorder, Optional.empty(), e.getMessage());
          } catch (RuntimeException e) {
            recorder.close();
            throw e;
          }
        },
        begun -> begin(begun, choices.pause(), time),
        desk.session()::problem);
  }

  private static Gesture free(World world, Setup setup, Gesture pause) throws FileProblem {
    Optional<String> problem = AnywhereGesture.problem(world, setup, pause);
    if (problem.isPresent()) {
      throw new FileProblem(worded("mouse.choose-other-keys-that-pause", problem.get()));
    }
    return pause;
  }

  private void begin(Begun begun, Gesture pause, Optional<Duration> time) {
    SessionRecorder recorder = begun.recorder();
    Recording recording = desk.recording();
    recorder.whenPausedByHand(
        paused -> Platform.runLater(() -> recording.pausedByHand(recorder, paused)));
    begins.run();
    recording.start(recorder, pause.toString(), begun.atRest());
    String remark = (recorder.remark() + " " + begun.problem()).strip();
    if (!remark.isEmpty()) {
      desk.session().problem(remark);
    }
    time.ifPresent(
        t -> {
          PauseTransition over = new PauseTransition(t);
          over.setOnFinished(_ -> recording.end(recorder));
          over.play();
        });
  }

  private void simulated() {
    desk.dialogs()
        .choose(
            worded("mouse.play-a-simulated-day"),
            SPEEDS,
            Speed::title,
            speed -> {
              begins.run();
              desk.recording()
                  .start(
                      new SimulatedRecorder(
                          desk.session().workspace().get(),
                          desk.session().clock(),
                          speed.times(),
                          SEED));
            });
  }
}
