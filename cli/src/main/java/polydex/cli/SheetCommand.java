package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import picocli.CommandLine.TypeConversionException;
import polydex.catalog.EnvironmentId;
import polydex.files.ProgramVersion;
import polydex.files.sheets.Pages;
import polydex.files.sheets.Paper;
import polydex.files.sheets.SheetFile;
import polydex.route.Setup;
import polydex.sheets.Sheet;
import polydex.sheets.SheetKind;
import polydex.sheets.SheetMaker;
import polydex.sheets.SheetWish;
import polydex.workspace.Workspace;

@Command(
    name = "sheet",
    description = {
      "Something to print or hand on: PDF, HTML, Markdown, CSV or JSON by the end of the file's name;"
          + " Markdown to the terminal without one."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:written",
      "1:written, but not all fits on the paper as it was wished",
      "2:wrong command line",
      "3:a file can't be used"
    },
    mixinStandardHelpOptions = true)
final class SheetCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Parameters(
      index = "0",
      paramLabel = "WHAT",
      converter = Kinds.class,
      completionCandidates = Kinds.class,
      description = "One of: ${COMPLETION-CANDIDATES}.")
  private SheetKind kind;

  @Parameters(
      index = "1..*",
      arity = "0..*",
      paramLabel = "OF",
      description =
          "For environment its id or title; for compare two of them; for find words. Left out, it is"
              + " what has the focus in the setup.")
  private List<String> of = List.of();

  @Option(
      names = {"-s", "--setup"},
      paramLabel = "SETUP",
      description = "Id or title of a setup; the one in use if left out.")
  private @Nullable String setupName;

  @Option(names = "--to", paramLabel = "NAME", description = "The file to write.")
  private @Nullable Path to;

  @Option(names = "--replace", description = "Write over a file of that name.")
  private boolean replace;

  @Option(
      names = "--paper",
      paramLabel = "SIZE",
      defaultValue = "A4",
      description = "${COMPLETION-CANDIDATES}; ${DEFAULT-VALUE} if left out.")
  private Paper.Size size;

  @Option(names = "--across", description = "The longer side of the paper lies.")
  private boolean across;

  @Option(
      names = "--form",
      paramLabel = "FORM",
      defaultValue = "PAGES",
      description =
          "${COMPLETION-CANDIDATES}: one page where it fits, a card to fold, or large print.")
  private Paper.Form form;

  @Option(
      names = "--keyboards",
      description = "With a picture of the keyboard for each layer of modifiers.")
  private boolean keyboards;

  /** Kinds by the words that name them. */
  static final class Kinds implements ITypeConverter<SheetKind>, Iterable<String> {
    @Override
    public SheetKind convert(String word) {
      return Arrays.stream(SheetKind.values())
          .filter(k -> k.word().equalsIgnoreCase(word))
          .findFirst()
          .orElseThrow(
              () ->
                  new TypeConversionException(
                      worded(
                          "command.there-is-no-sheet-there-are",
                          word,
                          Arrays.stream(SheetKind.values())
                              .map(SheetKind::word)
                              .collect(Collectors.joining(", ")))));
    }

    @Override
    public Iterator<String> iterator() {
      return Arrays.stream(SheetKind.values()).map(SheetKind::word).iterator();
    }
  }

  @Override
  public Integer call() throws Exception {
    if (to != null) {
      SheetFile.form(to);
    }
    Workspace workspace = source.workspace();
    Sheet sheet =
        SheetMaker.make(wish(workspace), source.material(workspace, ProgramVersion.title()));
    Paper paper = new Paper(size, across, form);
    PrintWriter out = spec.commandLine().getOut();
    if (to == null) {
      out.print(SheetFile.text(sheet, paper, SheetFile.Form.MARKDOWN));
      return Main.DONE;
    }
    Pages pages = Pages.of(sheet, paper);
    SheetFile.write(pages, to, replace);
    out.printf(worded("command.is-in"), sheet.title(), to);
    if (SheetFile.form(to) != SheetFile.Form.PDF) {
      return Main.DONE;
    }
    out.printf(
        worded("command.of-type-of-points"),
        worded("command.sides", pages.count()),
        paper.size().title(),
        across ? worded("command.across") : "",
        pages.type() == Math.rint(pages.type())
            ? "%.0f".formatted(pages.type())
            : String.valueOf(pages.type()));
    pages.told().forEach(spec.commandLine().getErr()::println);
    return pages.told().isEmpty() ? Main.DONE : Main.NO;
  }

  private SheetWish wish(Workspace workspace) {
    Optional<Setup> setup =
        setupName == null ? workspace.setup() : Optional.of(source.setup(workspace, setupName));
    SheetWish wish = SheetWish.of(kind, setup).withPictures(keyboards);
    int most = kind == SheetKind.ENVIRONMENT ? 1 : kind == SheetKind.COMPARE ? 2 : 0;
    if (kind == SheetKind.FOUND) {
      if (of.isEmpty()) {
        throw new ParameterException(
            spec.commandLine(), worded("command.say-which-words-are-to-be"));
      }
      return wish.finding(String.join(" ", of));
    }
    if (of.size() > most) {
      throw new ParameterException(
          spec.commandLine(), worded("command.a-sheet-is-not-of", kind.word(), of.get(most)));
    }
    if (!of.isEmpty()) {
      wish = wish.about(environment(workspace, of.getFirst()));
    }
    return of.size() > 1 ? wish.beside(environment(workspace, of.get(1))) : wish;
  }

  private EnvironmentId environment(Workspace workspace, String name) {
    return CompareCommand.environment(spec, workspace.catalog(), name).id();
  }
}
