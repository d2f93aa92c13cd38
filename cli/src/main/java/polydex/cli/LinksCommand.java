package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.files.fit.LauncherTree;
import polydex.files.json.ModelJson;
import polydex.fit.Compared;
import polydex.route.Situation.Computer;
import polydex.workspace.Workspace;

@Command(
    name = "links",
    description =
        "Read the launcher files below a folder, Shell Links and Desktop Entries, with their keys;"
            + " with --on beside what was planned for that computer. Symbolic links are not followed.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:all were read, and with --on all is as planned",
      "1:some were refused, or not all is as planned",
      "2:wrong command line",
      "3:the folder or file can't be used"
    },
    mixinStandardHelpOptions = true)
final class LinksCommand implements Callable<Integer> {
  @Mixin private OptionalSource source;
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "DIR", description = "A folder, or one launcher file.")
  private Path folder;

  @Option(
      names = "--on",
      paramLabel = "COMPUTER",
      description = "Compare with the plan for this computer; needs --file or --demo.")
  private @Nullable String on;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  record Launcher(
      String path,
      String name,
      String starts,
      String arguments,
      String workingFolder,
      List<String> keys) {}

  record Standing(
      String standing,
      Optional<String> action,
      Optional<String> planned,
      Optional<String> found,
      Optional<String> where) {}

  record Answer(
      List<Launcher> launchers,
      List<String> refused,
      int passedOver,
      boolean complete,
      List<Standing> plan) {}

  @Override
  public Integer call() throws Exception {
    LauncherTree tree = LauncherTree.read(folder, _ -> {}, () -> false);
    List<Standing> plan = new ArrayList<>();
    if (on != null) {
      Workspace workspace = source.workspace();
      Computer computer = FitWords.computer(spec, workspace, on);
      for (Compared c :
          Compared.of(
              workspace.catalog(),
              computer,
              workspace.bench().own(LocalDate.EPOCH),
              tree.found())) {
        plan.add(
            new Standing(
                c.standing().word(),
                c.planned()
                    .map(p -> workspace.catalog().title(p.action()))
                    .or(() -> c.found().map(Compared.Found::title)),
                c.planned().map(p -> p.gesture().toString()),
                c.found().map(f -> f.gesture().toString()),
                c.found().map(Compared.Found::where)));
      }
    }
    Answer answer =
        new Answer(
            tree.launchers().stream()
                .map(
                    l ->
                        new Launcher(
                            l.path(),
                            l.name(),
                            l.starts(),
                            l.arguments(),
                            l.workingFolder(),
                            l.keys().stream().map(Object::toString).toList()))
                .toList(),
            tree.refused(),
            tree.passedOver(),
            tree.complete(),
            plan);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(answer));
    } else {
      print(out, answer);
    }
    boolean asPlanned =
        plan.stream().allMatch(s -> s.standing().equals(Compared.Standing.APPLIED.word()));
    return tree.refused().isEmpty() && tree.complete() && asPlanned ? Main.DONE : Main.NO;
  }

  private static void print(PrintWriter out, Answer answer) {
    for (Launcher l : answer.launchers()) {
      out.printf(
          "%-22s %s  %s%n",
          l.keys().isEmpty() ? worded("command.no-keys") : String.join(", ", l.keys()),
          l.path(),
          l.starts());
    }
    answer.refused().forEach(r -> out.println(worded("command.refused", r)));
    for (Standing s : answer.plan()) {
      out.printf(
          "%-16s %s%s%s%n",
          s.standing(),
          s.action().orElse(""),
          s.planned().map(p -> worded("command.planned", p)).orElse(""),
          s.found().map(f -> worded("command.found", f)).orElse(""));
    }
    out.printf(
        worded("command.read-refused-other-files"),
        answer.launchers().size(),
        answer.refused().size(),
        answer.passedOver(),
        answer.complete() ? "" : worded("command.there-is-more-than-is-looked"));
  }
}
