package polydex.cli;

import java.io.PrintWriter;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.catalog.SameWords;
import polydex.catalog.Words;
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
  private static final int LONGEST = 200;

  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(
      names = "--remove",
      paramLabel = "WORD",
      description = "Take away the group that begins with this word.")
  private @Nullable String remove;

  @Parameters(paramLabel = "WORD", description = "Two words or more that mean the same.")
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
      out.println(ModelJson.writePretty(answer));
    } else {
      out.printf(
          "%d groups ship; %s%n",
          answer.shipped(), answer.own().isEmpty() ? "none are your own" : "your own:");
      answer.own().values().forEach(g -> out.println("  " + g));
    }
    return Main.DONE;
  }

  private int change(Workspace workspace) throws Exception {
    String first = fold(remove == null ? words.getFirst() : remove);
    if (remove != null && !workspace.remembered().sameWords().containsKey(first)) {
      spec.commandLine().getErr().printf("No group of your own begins with “%s”.%n", first);
      return Main.NO;
    }
    String group =
        remove == null
            ? words.stream().map(WordsCommand::fold).collect(Collectors.joining(", "))
            : "";
    if (remove == null
        && (words.size() < 2 || group.length() > LONGEST || Words.of(group).size() < 2)) {
      spec.commandLine()
          .getErr()
          .println("Name two words or more, of at most 200 characters together.");
      return spec.exitCodeOnInvalidInput();
    }
    if (source.file().isPresent()) {
      try (Store store = Store.open(source.file().get())) {
        Workspace before = store.workspace();
        Workspace after = before.with(before.remembered().withSameWords(first, group));
        Source.copy(store, spec.commandLine().getErr());
        store.save(
            new Change.Edit(
                remove == null ? "Words that mean the same" : "No words that mean the same",
                before,
                after),
            Instant.now());
      }
    }
    spec.commandLine()
        .getOut()
        .println(remove == null ? "These mean the same: " + group : "Taken away: " + first);
    return Main.DONE;
  }

  private static String fold(String word) {
    return word.strip().toLowerCase(Locale.ROOT).replaceAll("[,;\\s]+", " ");
  }
}
