package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.function.ToDoubleBiFunction;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.files.FileProblem;
import polydex.files.fit.HwdbRemap;
import polydex.files.fit.RemapFiles;
import polydex.files.fit.XkbRemap;
import polydex.files.json.ModelJson;
import polydex.fit.CommonRemaps;
import polydex.fit.RemapChanges;
import polydex.fit.RemapDraft;
import polydex.fit.RemapJudge;
import polydex.recall.DrillItem;
import polydex.route.Remap;
import polydex.route.SetupId;
import polydex.route.Situation.Computer;
import polydex.setups.RuleText;
import polydex.workspace.Workspace;

@Command(
    name = "remap",
    description =
        "What a remap would gain, lose and move, tried on a copy; and the remap in open forms.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:nothing is lost",
      "1:something is lost",
      "2:wrong command line",
      "3:file can't be used, or the form can't say it"
    },
    mixinStandardHelpOptions = true)
final class RemapCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(
      names = "--try",
      required = true,
      paramLabel = "REMAP",
      description =
          "A rule such as CapsLock->Ctrl, several of them separated by commas, the title of a common"
              + " remap or of a draft, or a file: .json, .xkb or .hwdb.")
  private String tried;

  @Option(
      names = "--on",
      required = true,
      paramLabel = "COMPUTER",
      description = "The computer that is to have it, by its title.")
  private String on;

  @Option(
      names = "--window",
      description = "The window on it that holds another computer translates by it.")
  private boolean window;

  @Option(
      names = "--as",
      paramLabel = "FORM",
      description = "Print the remap itself instead: xkb, hwdb or json.")
  private @Nullable String form;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  record Reached(
      String setup,
      String in,
      String action,
      Optional<String> before,
      Optional<String> after,
      double usesADay) {
    static Reached of(RemapChanges.Reached r) {
      return new Reached(
          r.setup().value(),
          r.place().environment().value(),
          r.action().value(),
          r.before().map(Object::toString),
          r.after().map(Object::toString),
          FitWords.rounded(r.usesPerDay()));
    }
  }

  record Habit(
      String setup, String in, String action, String gesture, String instead, boolean losesWork) {
    static Habit of(RemapChanges.Habit h) {
      return new Habit(
          h.setup().value(),
          h.item().environment().value(),
          h.item().action().value(),
          h.gesture().toString(),
          h.instead(),
          h.losesWork());
    }
  }

  record Answer(
      String remap,
      String computer,
      List<Reached> gains,
      List<Reached> loses,
      List<Reached> moves,
      List<Habit> habits,
      double effortBefore,
      double effortAfter) {}

  @Override
  public Integer call() throws Exception {
    Workspace workspace = source.workspace();
    Computer computer = FitWords.computer(spec, workspace, on);
    Remap remap = remap(workspace);
    PrintWriter out = spec.commandLine().getOut();
    if (form != null) {
      out.print(written(remap, form));
      return Main.DONE;
    }
    RemapDraft draft;
    try {
      draft = new RemapDraft("tried", computer, window, remap, RemapDraft.Effect.NOW, false);
    } catch (IllegalArgumentException e) {
      throw new ParameterException(spec.commandLine(), e.getMessage() + ".", e);
    }
    var known = source.known(workspace);
    ToDoubleBiFunction<SetupId, ActionId> uses = known.usesInSetup();
    Set<DrillItem> learnt = new HashSet<>(known.learnt());
    RemapChanges changes = new RemapJudge(workspace.situation(), uses, learnt).of(List.of(draft));
    Answer answer =
        new Answer(
            remap.title(),
            computer.title(),
            changes.gains().stream().map(Reached::of).toList(),
            changes.loses().stream().map(Reached::of).toList(),
            changes.moves().stream().map(Reached::of).toList(),
            changes.habits().stream().map(Habit::of).toList(),
            FitWords.rounded(changes.effortBefore()),
            FitWords.rounded(changes.effortAfter()));
    if (json) {
      out.println(ModelJson.answer(answer));
    } else {
      print(out, workspace.catalog(), answer);
    }
    return answer.loses().isEmpty() ? Main.DONE : Main.NO;
  }

  private Remap remap(Workspace workspace) throws FileProblem {
    if (RemapFiles.isOne(tried.strip())) {
      return RemapFiles.read(tried);
    }
    List<Remap> named = new ArrayList<>(CommonRemaps.all());
    workspace.fitting().drafts().values().forEach(d -> named.add(d.remap()));
    Optional<Remap> known =
        named.stream().filter(r -> r.title().equalsIgnoreCase(tried.strip())).findFirst();
    if (known.isPresent()) {
      return known.get();
    }
    Remap made = new Remap(tried.strip(), Optional.empty(), List.of(), List.of());
    try {
      for (String rule : tried.split("[,;](?=[^,;]*(?:->|\u2192))", -1)) {
        made = RuleText.adding(made, rule);
      }
      return made;
    } catch (IllegalArgumentException e) {
      throw new ParameterException(
          spec.commandLine(), worded("command.is-no-remap", tried, e.getMessage()), e);
    }
  }

  private String written(Remap remap, String as) throws FileProblem {
    return switch (as) {
      case "xkb" ->
          XkbRemap.write(remap, "draft")
              + "\n// "
              + XkbRemap.option("polydex", "draft").replace("\n", "\n// ").strip()
              + "\n";
      case "hwdb" -> HwdbRemap.write(remap);
      case "json" -> ModelJson.writePretty(remap) + "\n";
      default ->
          throw new ParameterException(
              spec.commandLine(), worded("command.is-no-form-xkb-hwdb-or", as));
    };
  }

  private static void print(PrintWriter out, Catalog catalog, Answer a) {
    out.printf(worded("command.on"), a.remap(), a.computer());
    list(out, catalog, "gains", a.gains());
    list(out, catalog, "loses", a.loses());
    list(out, catalog, "moves", a.moves());
    out.printf(worded("command.habits-that-mean-something-else"), a.habits().size());
    for (Habit h : a.habits()) {
      out.printf(
          worded("command.instead-of"),
          h.gesture(),
          h.setup(),
          h.instead(),
          catalog.title(new ActionId(h.action())),
          h.losesWork() ? worded("command.which-loses-work") : "");
    }
    out.printf(worded("command.effort-of-what-is-used-points"), a.effortAfter(), a.effortBefore());
  }

  private static void list(PrintWriter out, Catalog catalog, String verb, List<Reached> list) {
    out.printf("%s: %d%n", verb, list.size());
    for (Reached r : list) {
      out.printf(
          "  %-22s %s  %s%n",
          r.after().or(r::before).orElse(""),
          r.setup(),
          catalog.title(new ActionId(r.action()))
              + (r.before().isPresent() && r.after().isPresent()
                  ? worded("command.before", r.before().get())
                  : ""));
    }
  }
}
