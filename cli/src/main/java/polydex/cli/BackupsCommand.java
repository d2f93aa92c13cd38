package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import polydex.files.FileProblem;
import polydex.files.json.ModelJson;
import polydex.files.store.DailyCopies;
import polydex.files.store.DailyCopies.Copy;
import polydex.files.store.Salvage;

@Command(
    name = "backups",
    description = {
      "List the copies of a file, one a day for a week and one a week for two months; put one in"
          + " the file's place; or save what can still be read of a damaged file.",
      "Nothing is lost by it: what stood in the file's place is kept beside it."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:done",
      "1:there are no copies, or a copy that is listed is damaged",
      "2:wrong command line",
      "3:a file can't be used; nothing was changed"
    },
    mixinStandardHelpOptions = true)
final class BackupsCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;

  @Option(
      names = {"-f", "--file"},
      paramLabel = "FILE",
      required = true,
      description = "The .polydex file whose copies are meant.")
  private Path file;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @ArgGroup private @Nullable Doing doing;

  private static final class Doing {
    @Option(
        names = "--take",
        paramLabel = "DAY",
        description = "Put the copy of this day (2031-03-14) in the file's place.")
    @Nullable LocalDate day;

    @Option(
        names = "--save-into",
        paramLabel = "NEW",
        description = "Save what can be read of a damaged file into a new one.")
    @Nullable Path saved;
  }

  record Listed(String day, String file, long bytes, boolean sound) {}

  record Taken(String day, Optional<String> keptAs) {}

  @Override
  public Integer call() throws FileProblem {
    if (doing != null && doing.day != null) {
      return take(doing.day);
    }
    return doing != null && doing.saved != null ? save(doing.saved) : list();
  }

  private int list() throws FileProblem {
    List<Listed> all =
        DailyCopies.of(file).stream()
            .map(
                c ->
                    new Listed(
                        c.day().toString(), c.file().toString(), c.bytes(), DailyCopies.isSound(c)))
            .toList();
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(all));
    } else if (all.isEmpty()) {
      out.println(worded("command.there-is-no-copy-of-yet", file));
    } else {
      all.forEach(
          l ->
              out.printf(
                  worded("command.bytes"),
                  l.day(),
                  l.bytes(),
                  worded(l.sound() ? "command.sound" : "command.damaged")));
      out.printf(worded("command.take-puts-the-newest-in-the"), all.getFirst().day(), file);
    }
    return !all.isEmpty() && all.stream().allMatch(Listed::sound) ? Main.DONE : Main.NO;
  }

  private int take(LocalDate day) throws FileProblem {
    List<Copy> all = DailyCopies.of(file);
    Copy wanted =
        all.stream()
            .filter(c -> c.day().equals(day))
            .findFirst()
            .orElseThrow(
                () ->
                    new FileProblem(
                        worded(
                            "command.there-is-no-copy-of-of",
                            file,
                            day,
                            all.isEmpty()
                                ? worded("command.none")
                                : String.join(
                                    ", ", all.stream().map(c -> c.day().toString()).toList()))));
    Optional<String> kept = DailyCopies.takeBack(wanted, file).map(Path::toString);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(new Taken(day.toString(), kept)));
    } else {
      out.printf(
          worded("command.is-as-it-was-on"),
          file,
          day,
          kept.map(k -> worded("command.what-was-there-is-kept-as", k)).orElse(""));
    }
    return Main.DONE;
  }

  private int save(Path into) throws FileProblem {
    Map<String, Long> saved = Salvage.of(Source.existing(file), into);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(saved));
    } else {
      out.printf(
          worded("command.saved-into-actions-bindings-setups-answers"),
          into,
          saved.get("action"),
          saved.get("binding"),
          saved.get("setup"),
          saved.get("answer"),
          saved.get("event"));
    }
    return Main.DONE;
  }
}
