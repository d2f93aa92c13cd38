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
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.boards.Layout;
import polydex.catalog.Action;
import polydex.catalog.ActionFinder;
import polydex.catalog.ActionFinder.Answer;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.GestureSearch;
import polydex.catalog.SameWords;
import polydex.files.json.ModelJson;
import polydex.keys.GestureReader;
import polydex.workspace.Workspace;

@Command(
    name = "find",
    description = "Find actions by words or a gesture, with their gestures in each environment.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {"0:found", "1:nothing found", "2:wrong command line", "3:file can't be used"},
    mixinStandardHelpOptions = true)
final class FindCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(
      names = "--in",
      paramLabel = "ENVIRONMENT",
      description = "Only in this platform or application: id or title.")
  private @Nullable String in;

  @Parameters(
      arity = "1..*",
      paramLabel = "WORD",
      description = "Words or their beginnings; or a gesture, perhaps not finished: ctrl+shift+.")
  private List<String> words;

  record Found(String id, String title, String group, boolean partial, List<FoundIn> places) {}

  record FoundIn(String environment, String title, List<String> gestures) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    Catalog catalog = workspace.catalog();
    Answer answer = answer(workspace);
    List<Found> found =
        answer.actions().stream()
            .map(a -> found(catalog, a, answer.partial()))
            .filter(f -> in == null || !f.places().isEmpty())
            .toList();
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(found));
    } else if (found.isEmpty()) {
      out.println(worded("command.nothing-found-for", String.join(" ", words)));
    } else {
      if (answer.partial()) {
        out.println(worded("command.no-action-has-all-of-these"));
      }
      found.forEach(f -> print(out, f));
    }
    return found.isEmpty() ? Main.NO : Main.DONE;
  }

  /** By the gesture that is written, if it is one; otherwise by words. */
  private Answer answer(Workspace workspace) {
    String text = String.join(" ", words);
    Catalog catalog = workspace.catalog();
    Optional<Layout> layout =
        workspace.setup().map(s -> s.machine().layout()).map(workspace.world().layouts()::get);
    return layout
        .flatMap(l -> GestureSearch.of(catalog, l).find(text, GestureReader.PLAIN))
        .map(
            hits ->
                hits.stream()
                    .filter(
                        h ->
                            in == null
                                || h.owner()
                                    .environment()
                                    .equals(CompareCommand.environment(spec, catalog, in).id()))
                    .flatMap(h -> catalog.action(h.owner().binding().action()).stream())
                    .distinct()
                    .toList())
        .map(actions -> new Answer(actions, false))
        .orElseGet(
            () ->
                ActionFinder.of(
                        catalog.actions(),
                        SameWords.with(workspace.remembered().sameWords().values()))
                    .find(text, catalog.actions().size()));
  }

  private Found found(Catalog catalog, Action action, boolean partial) {
    return new Found(
        action.id().value(),
        action.title(),
        action.group(),
        partial,
        catalog.environments().stream()
            .filter(e -> in == null || e.equals(CompareCommand.environment(spec, catalog, in)))
            .map(e -> place(catalog, e, action))
            .filter(p -> !p.gestures().isEmpty())
            .toList());
  }

  private static FoundIn place(Catalog catalog, Environment environment, Action action) {
    return new FoundIn(
        environment.id().value(),
        environment.title(),
        catalog.bindings(environment.id(), action.id()).stream()
            .map(b -> b.gesture().toString())
            .toList());
  }

  private static void print(PrintWriter out, Found found) {
    out.println(found.title());
    for (FoundIn place : found.places()) {
      out.printf(
          "  %-28s %s%n", place.title(), String.join(worded("command.or"), place.gestures()));
    }
  }
}
