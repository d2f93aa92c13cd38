package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.boards.Layout;
import polydex.boards.Layout.Symbol;
import polydex.files.FileProblem;
import polydex.files.json.ModelJson;
import polydex.files.xkb.XkbLayouts;
import polydex.keys.Key;

@Command(
    name = "layout",
    description = {
      "What each key of a keyboard layout types: plain, Shift, AltGr, Shift+AltGr.",
      "With --json as a layout file, which the program can bring in."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {"0:shown", "2:wrong command line", "3:it can't be read"},
    mixinStandardHelpOptions = true)
final class LayoutCommand implements Callable<Integer> {
  @Mixin private OptionalSource source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(names = "--installed", description = "List the layouts of the installed xkb-data.")
  private boolean installed;

  @Option(names = "--id", paramLabel = "ID", description = "Give it another id.")
  private @Nullable String id;

  @Option(names = "--title", paramLabel = "TITLE", description = "Give it another title.")
  private @Nullable String title;

  @Parameters(
      arity = "0..1",
      paramLabel = "NAME",
      description =
          "Its id or title, or xkb: and the name of an installed one: xkb:de(nodeadkeys).")
  private @Nullable String name;

  @Override
  public Integer call() throws Exception {
    PrintWriter out = spec.commandLine().getOut();
    if (installed) {
      new XkbLayouts(XkbLayouts.USUAL)
          .titles()
          .forEach((n, t) -> out.printf("xkb:%-32s %s%n", n, t));
    } else if (name == null) {
      source
          .workspace()
          .world()
          .layouts()
          .values()
          .forEach(l -> out.printf("%-12s %s%n", l.id(), l.title()));
    } else {
      Layout found = layout(spec, source, name);
      Layout shown =
          new Layout(
              id == null ? found.id() : id, title == null ? found.title() : title, found.symbols());
      if (json) {
        out.println(ModelJson.writeFile("polydex-layout/1", shown));
      } else {
        out.println(shown.title());
        shown.symbols().forEach((key, levels) -> print(out, key, levels));
      }
    }
    return Main.DONE;
  }

  private static void print(PrintWriter out, Key key, List<Optional<Symbol>> levels) {
    out.printf("  %-14s", key.name());
    for (Optional<Symbol> symbol : levels) {
      out.printf(" %-6s", symbol.map(LayoutCommand::shown).orElse(""));
    }
    out.println();
  }

  private static String shown(Symbol symbol) {
    String sign = Character.toString(symbol.codePoint());
    return symbol.dead()
        ? worded("command.dead", sign)
        : sign.isBlank() ? worded("command.space") : sign;
  }

  static Layout layout(CommandSpec spec, OptionalSource source, String wanted) throws FileProblem {
    Optional<Layout> found = source.layout(wanted);
    if (found.isEmpty()) {
      throw new ParameterException(
          spec.commandLine(),
          worded(
              "command.there-is-no-layout-there-are",
              wanted,
              String.join(", ", source.workspace().world().layouts().keySet())));
    }
    return found.get();
  }
}
