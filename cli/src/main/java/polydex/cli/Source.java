package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import polydex.catalog.ActionId;
import polydex.conflict.Severity;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.demo.DemoFile;
import polydex.files.demo.DemoHistory;
import polydex.files.json.WorldFile;
import polydex.files.store.Store;
import polydex.person.Knowledge;
import polydex.recall.DrillSettings;
import polydex.recall.MemoryParameters;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.sheets.SheetMaterial;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** Where a command gets its data from: a file, or the demo. */
final class Source {
  @Spec(Spec.Target.MIXEE)
  private CommandSpec command;

  @ArgGroup(multiplicity = "1")
  private Choice choice;

  private static final class Choice {
    @Option(
        names = {"-f", "--file"},
        paramLabel = "FILE",
        description = "A .polydex file. It must not be open elsewhere.")
    @Nullable Path file;

    @Option(names = "--demo", description = "The demo that ships.")
    boolean demo;

    @Option(
        names = "--world",
        paramLabel = "JSON",
        description = "A file with keymaps and setups of your own; see docs/formats.md.")
    @Nullable Path world;
  }

  /** The file that was named, if it was not the demo. */
  Optional<Path> file() {
    return choice.demo ? Optional.empty() : Optional.ofNullable(choice.file);
  }

  Workspace workspace() throws FileProblem {
    if (choice.world != null) {
      return WorldFile.read(existing(choice.world), Shipped.boards(), Shipped.layouts());
    }
    return choice.file == null ? Shipped.demo() : withStore(choice.file, Store::workspace);
  }

  /** Uses a working day of each action, from the log. */
  ToDoubleFunction<ActionId> usesPerDay(Workspace workspace) throws FileProblem {
    if (choice.world != null) {
      return _ -> Severity.UNKNOWN_USES_PER_DAY;
    }
    Map<ActionId, Double> known = known(workspace).usesADay();
    return action -> known.getOrDefault(action, Severity.UNKNOWN_USES_PER_DAY);
  }

  /** Where days begin and end: the demo's are its own. */
  ZoneId zone() {
    return choice.file == null ? DemoHistory.ZONE : ZoneId.systemDefault();
  }

  /** What is known by the two logs; nothing is in either for a world without them. */
  Knowledge known(Workspace workspace) throws FileProblem {
    return logged(workspace).known();
  }

  /** What sheets are made from; the demo's moment is the end of its history. */
  SheetMaterial material(Workspace workspace, String madeBy) throws FileProblem {
    Logged read = logged(workspace);
    return SheetMaterial.of(
        read.known(), read.progress(), DrillSettings.USUAL.retention(), now(), madeBy);
  }

  /** The moment that counts: of the demo, also in a file of its own, the end of its history. */
  private Instant now() throws FileProblem {
    return choice.file == null
        ? DemoHistory.NOW
        : withStore(choice.file, s -> s.setting(DemoFile.NOW))
            .map(Instant::parse)
            .orElseGet(Instant::now);
  }

  private Logged logged(Workspace workspace) throws FileProblem {
    DemoFile.Work<Logged> reading = store -> Logged.of(store, workspace, zone());
    if (choice.demo) {
      return DemoFile.withDemo(reading);
    }
    return choice.file == null
        ? new Logged(workspace, zone(), MemoryParameters.USUAL)
        : withStore(choice.file, reading);
  }

  /** Something planned on a workspace. */
  interface Plan<T> {
    T with(Workspace workspace) throws FileProblem;
  }

  /**
   * Plans on the workspace, and writes the change where it is to be written; a new file is begun
   * where there is none.
   */
  <T> T planned(boolean write, Plan<T> plan, Function<T, Change.Edit> edit) throws FileProblem {
    if (!write) {
      boolean isNew = file().filter(f -> !Files.exists(f)).isPresent();
      return plan.with(isNew ? Shipped.start() : workspace());
    }
    try (Store store = DemoFile.openOrStart(file().orElseThrow(), Instant.now())) {
      T made = plan.with(store.workspace());
      if (!edit.apply(made).before().equals(edit.apply(made).after())) {
        copy(store, command.commandLine().getErr());
        store.save(edit.apply(made), Instant.now());
      }
      return made;
    }
  }

  <T> T withStore(Path file, DemoFile.Work<T> work) throws FileProblem {
    try (Store store = Store.open(existing(file))) {
      return work.with(store);
    }
  }

  /** Makes the copy of today before something is changed; what hinders it hinders nothing else. */
  static void copy(Store store, PrintWriter err) {
    try {
      store.copy(LocalDate.now(ZoneId.systemDefault()));
    } catch (FileProblem e) {
      err.println(worded("command.no-copy-was-made-today", e.getMessage()));
    }
  }

  /** The path again, if there is a file. */
  static Path existing(Path file) throws FileProblem {
    if (!Files.isRegularFile(file)) {
      throw FileProblem.missing(file);
    }
    return file;
  }

  /** The setups that were meant, by one id or title, or else all; those with a mistake are told. */
  List<Setup> setups(Workspace workspace, @Nullable String name) {
    List<Setup> wanted =
        name == null ? List.copyOf(workspace.setups().values()) : List.of(setup(workspace, name));
    return wanted.stream()
        .filter(
            s -> {
              Optional<String> problem = workspace.world().problem(s);
              problem.ifPresent(p -> command.commandLine().getErr().println(p));
              return problem.isEmpty();
            })
        .toList();
  }

  /** The setup that was named by id or title, or else the one in use. */
  Setup setup(Workspace workspace, @Nullable String name) {
    return setup(command, workspace, name);
  }

  /** The same for a command that has its data from elsewhere. */
  static Setup setup(CommandSpec command, Workspace workspace, @Nullable String name) {
    if (name == null) {
      return workspace
          .setup()
          .orElseThrow(
              () ->
                  new ParameterException(
                      command.commandLine(), worded("command.there-is-no-setup")));
    }
    String wanted = name.strip().toLowerCase(Locale.ROOT);
    return workspace.setups().values().stream()
        .filter(
            s -> s.id().value().equals(wanted) || s.title().toLowerCase(Locale.ROOT).equals(wanted))
        .findFirst()
        .orElseThrow(
            () ->
                new ParameterException(
                    command.commandLine(),
                    worded(
                        "command.there-is-no-setup-there-are",
                        name,
                        workspace.setups().keySet().stream()
                            .map(SetupId::value)
                            .collect(Collectors.joining(", ")))));
  }
}
