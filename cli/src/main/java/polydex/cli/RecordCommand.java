package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.files.demo.DemoFile;
import polydex.files.json.ModelJson;
import polydex.files.recorder.RecordingChoices;
import polydex.files.recorder.RecordingMark;
import polydex.files.reminder.ReminderChoices;
import polydex.files.store.Store;
import polydex.hands.AnywhereGesture;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.language.Language;
import polydex.reminder.Lot;
import polydex.route.Setup;
import polydex.workspace.Workspace;

@Command(
    name = "record",
    description = {
      "Record what your hands do on this computer into a file, until Ctrl+C or for a time: gestures"
          + " of keys, clicks by what was clicked, drags, the wheel, and how long the hand took.",
      "What is typed is counted and never kept; while a field for a password has the focus, nothing"
          + " is. For sessions of the X Window System. A small sign stays on the screen meanwhile."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:recorded",
      "1:the gesture that pauses is in use there; nothing was recorded",
      "2:wrong command line",
      "3:a file can't be used, or nothing can be recorded here"
    },
    mixinStandardHelpOptions = true)
final class RecordCommand implements Callable<Integer> {
  private static final Pattern LENGTH = Pattern.compile("(\\d{1,5})(s|m|h)");

  @Spec private CommandSpec spec;

  @Parameters(
      paramLabel = "FILE",
      description =
          "A .polydex file, which must not be open elsewhere; a new one where there is none.")
  private Path file;

  @Option(
      names = "--for",
      paramLabel = "TIME",
      description = "So long, such as 2h, 90m or 30s; until Ctrl+C if not said.")
  private @Nullable String length;

  @Option(
      names = {"-s", "--setup"},
      paramLabel = "SETUP",
      description = "The setup that this computer is, by id or title; the one in use if not said.")
  private @Nullable String setup;

  @Option(
      names = "--without",
      paramLabel = "APPLICATION",
      description =
          "Note nothing of an application, by its title; may be given several times. Kept in the"
              + " file for the next time; --without \"\" takes them in again.")
  private @Nullable List<String> without;

  @Option(
      names = "--pause",
      paramLabel = "GESTURE",
      description =
          "The gesture that pauses and goes on, whatever has the focus: the Pause key if not said."
              + " Kept in the file for the next time.")
  private @Nullable String pause;

  @Option(
      names = "--at-rest",
      paramLabel = "WHERE",
      description =
          "When your hands have rested for a minute, say which one thing the mouse did would have"
              + " been quickest by keys: in a small \"window\" or as a \"notice\" of the desktop;"
              + " \"off\" if never said. Kept in the file for the next time.")
  private ReminderChoices.@Nullable Where atRest;

  @Option(names = "--json", description = "Answer as JSON at the end.")
  private boolean json;

  record Answer(String file, long events, long characters, double recognisedShare) {}

  @Override
  public Integer call() throws Exception {
    Optional<Duration> time = Optional.ofNullable(length).map(this::time);
    PrintWriter err = spec.commandLine().getErr();
    try (Ending ending = new Ending();
        Store store = DemoFile.openOrStart(file, Instant.now())) {
      Workspace workspace = store.workspace();
      Setup here = Source.setup(spec, workspace, setup);
      Optional<String> mistake = workspace.world().problem(here);
      if (mistake.isPresent()) {
        throw new FileProblem(mistake.get());
      }
      RecordingChoices choices = choices(RecordingChoices.of(store.settings()));
      Optional<String> taken = AnywhereGesture.problem(workspace.world(), here, choices.pause());
      if (taken.isPresent()) {
        err.println(taken.get() + " " + others(workspace, here));
        return Main.NO;
      }
      RecordingMark.cut(
              store.setting(RecordingMark.SETTING).orElse(""),
              store.newest(),
              ZoneId.systemDefault())
          .ifPresent(err::println);
      Source.copy(store, err);
      store.setting(RecordingChoices.PAUSE, choices.pause().toString());
      store.setting(RecordingChoices.LEFT_OUT, choices.leftOutLines());
      if (atRest != null) {
        store.setting(ReminderChoices.WHERE, atRest.name().toLowerCase(Locale.ROOT));
      }
      RecordingRun.Came came =
          new RecordingRun(
                  workspace,
                  here,
                  choices,
                  ReminderChoices.of(store.settings()),
                  lot(store),
                  err,
                  ending)
              .into(store, file, time);
      tell(new Answer(file.toString(), came.events(), came.characters(), came.recognisedShare()));
      return Main.DONE;
    }
  }

  private static Lot lot(Store store) throws FileProblem {
    Optional<Lot> drawn = store.setting(ReminderChoices.LOT).flatMap(Lot::read);
    if (drawn.isPresent()) {
      return drawn.get();
    }
    Lot lot = new Lot(new SecureRandom().nextLong());
    store.setting(ReminderChoices.LOT, lot.written());
    return lot;
  }

  private Duration time(String written) {
    Matcher matcher = LENGTH.matcher(written.strip().toLowerCase(Locale.ROOT));
    if (!matcher.matches() || Integer.parseInt(matcher.group(1)) == 0) {
      throw new ParameterException(spec.commandLine(), worded("command.for-takes-a-time-such-as"));
    }
    int count = Integer.parseInt(matcher.group(1));
    return switch (matcher.group(2)) {
      case "s" -> Duration.ofSeconds(count);
      case "m" -> Duration.ofMinutes(count);
      default -> Duration.ofHours(count);
    };
  }

  private RecordingChoices choices(RecordingChoices kept) {
    TreeSet<String> leftOut = new TreeSet<>(without == null ? kept.leftOut() : without);
    leftOut.removeIf(String::isBlank);
    return new RecordingChoices(pause == null ? kept.pause() : gesture(pause), leftOut);
  }

  private Gesture gesture(String written) {
    try {
      return Gesture.parse(written);
    } catch (GestureSyntaxException e) {
      throw new ParameterException(spec.commandLine(), e.getMessage(), e);
    }
  }

  private static String others(Workspace workspace, Setup here) {
    List<Gesture> free = AnywhereGesture.free(workspace.world(), here, 3, () -> false);
    return free.isEmpty()
        ? worded("command.name-another-with-pause")
        : worded(
            "command.name-another-with-pause-such-as",
            free.stream().map(g -> '"' + g.toString() + '"').collect(Collectors.joining(", ")));
  }

  private void tell(Answer answer) {
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(answer));
    } else {
      out.printf(
          Language.locale(),
          worded("command.events-recorded-recognised-characters-typed"),
          answer.file(),
          answer.events(),
          100 * answer.recognisedShare(),
          answer.characters());
    }
  }
}
