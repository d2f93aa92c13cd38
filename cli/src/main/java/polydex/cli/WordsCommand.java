package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.catalog.SameWords;
import polydex.catalog.Words;
import polydex.files.FileProblem;
import polydex.files.json.ModelJson;
import polydex.files.store.Store;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

@Command(
    name = "words",
    description = {
      "Words that mean the same when actions are looked for: shows your own groups, adds one, or"
          + " takes one away.",
      "A phrase of several words stands in quotes: lamp luminaire \"light fitting\"."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:done",
      "1:there is no such group",
      "2:wrong command line",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class WordsCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(
      names = "--remove",
      paramLabel = "WORD",
      description = "Take away the group that begins with this word.")
  private @Nullable String remove;

  @Parameters(
      arity = "0..*",
      paramLabel = "WORD",
      description = "Two words or more that mean the same.")
  private List<String> words = List.of();

  record Answer(int shipped, Map<String, String> own) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    if (remove != null || !words.isEmpty()) {
      return change(workspace);
    }
    PrintWriter out = spec.commandLine().getOut();
    Answer answer =
        new Answer(SameWords.SHIPPED.groups(), new TreeMap<>(workspace.remembered().sameWords()));
    if (json) {
      out.println(ModelJson.answer(answer));
    } else {
      out.printf(
          worded("command.groups-ship"),
          answer.shipped(),
          answer.own().isEmpty()
              ? worded("command.none-are-your-own")
              : worded("command.your-own"));
      answer.own().values().forEach(g -> out.println("  " + g));
    }
    return Main.DONE;
  }

  private int change(Workspace workspace) throws Exception {
    if (remove != null) {
      String first = String.join(" ", Words.of(remove));
      if (!workspace.remembered().sameWords().containsKey(first)) {
        spec.commandLine().getErr().printf(worded("command.no-group-of-your-own-begins"), first);
        return Main.NO;
      }
      save(first, "", worded("command.no-words-that-mean-the-same"));
      spec.commandLine().getOut().println(worded("command.taken-away", first));
      return Main.DONE;
    }
    Optional<SameWords.Group> group = SameWords.Group.parse(String.join(",", words));
    if (group.isEmpty()) {
      throw new ParameterException(spec.commandLine(), worded("command.name-two-words-or-more-of"));
    }
    save(group.get().first(), group.get().group(), worded("command.words-that-mean-the-same"));
    spec.commandLine().getOut().println(worded("command.these-mean-the-same", group.get().group()));
    return Main.DONE;
  }

  private void save(String first, String group, String title) throws FileProblem {
    if (source.file().isPresent()) {
      try (Store store = Store.open(source.file().get())) {
        Workspace before = store.workspace();
        Workspace after = before.with(before.remembered().withSameWords(first, group));
        Source.copy(store, spec.commandLine().getErr());
        store.save(new Change.Edit(title, before, after), Instant.now());
      }
    }
  }
}
