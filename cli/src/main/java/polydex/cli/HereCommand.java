package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import polydex.catalog.ActionId;
import polydex.computer.ComputerIntake;
import polydex.computer.ComputerPlan;
import polydex.computer.FoundComputer;
import polydex.files.computer.AccessibilitySwitch;
import polydex.files.computer.ComputerReading.Stage;
import polydex.files.computer.Tools;
import polydex.files.json.ModelJson;
import polydex.workspace.Workspace;

@Command(
    name = "here",
    description = {
      "Look at this computer: its keyboard, the keys of its desktop, what programs keep in files,"
          + " launchers, and the menus of programs that run. What is wanted of it is brought in as"
          + " one change. A new file is made where there is none.",
      "Nothing is written to the computer, and nothing leaves it."
    },
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:all was looked at",
      "1:something could not be looked at; the rest was taken",
      "2:wrong command line",
      "3:a file can't be used; nothing was taken"
    },
    mixinStandardHelpOptions = true)
final class HereCommand implements Callable<Integer> {
  @Mixin private Source source;
  @Mixin private Looking looking;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(names = "--dry-run", description = "Only say what would be taken.")
  private boolean dryRun;

  @Option(
      names = "--drop-gone",
      description = "Remove what an earlier reading found and this one does not.")
  private boolean dropGone;

  @Option(
      names = "--documents",
      description = "Take menu entries that look like documents or windows as commands.")
  private boolean documents;

  @Option(
      names = "--same",
      paramLabel = "TITLE",
      description =
          "Take a name that was asked about for the action that it resembles most; may be given"
              + " several times.")
  private List<String> same = List.of();

  @Option(
      names = "--apart",
      paramLabel = "TITLE",
      description = "A name that is not what it was taken for; may be given several times.")
  private List<String> apart = List.of();

  @Option(
      names = "--accessibility",
      paramLabel = "on|off",
      description =
          "Switch on, before looking, that programs show their menus; or off again. They notice when"
              + " they start.")
  private @Nullable String accessibility;

  /** What {@code --json} answers. */
  record Answer(
      String computer, boolean written, List<Place> sources, List<Found> findings, Sums sums) {}

  record Place(String title, String stage, String words, List<String> remarks) {}

  record Found(
      String id,
      String title,
      String where,
      String amount,
      Optional<String> example,
      boolean wanted,
      int taken,
      int changed,
      int gone,
      int refused,
      List<String> asked,
      List<String> remarks) {}

  record Sums(int taken, int changed, int gone) {}

  @Override
  public Integer call() throws Exception {
    if (accessibility != null && !Set.of("on", "off").contains(accessibility)) {
      throw new ParameterException(
          spec.commandLine(), worded("command.is-neither-on-nor-off", accessibility));
    }
    boolean switched = accessibility == null || switchAccessibility(accessibility);
    Looking.Result looked = looking.look();
    boolean write = !dryRun && source.file().isPresent();
    ComputerPlan plan = source.planned(write, w -> plan(w, wanted(looked)), ComputerPlan::change);
    Answer answer = answer(looked, plan, write);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(answer));
    } else {
      print(out, answer, plan);
    }
    boolean all = looked.sources().stream().allMatch(s -> s.stage() == Stage.DONE);
    return all && switched ? Main.DONE : Main.NO;
  }

  private ComputerPlan plan(Workspace before, FoundComputer found) {
    ComputerIntake.Wishes wishes =
        ComputerIntake.Wishes.HERE
            .droppingGone(dropGone)
            .withDocuments(documents)
            .saying(Map.of(), Set.copyOf(apart));
    if (same.isEmpty()) {
      return ComputerIntake.plan(before, found, wishes);
    }
    // What a name resembles is known once it was asked about.
    Map<String, ActionId> asked = new HashMap<>();
    for (ComputerPlan.Part part : ComputerIntake.plan(before, found, wishes).parts()) {
      part.bindings()
          .ifPresent(
              b ->
                  b.proposals()
                      .forEach(p -> asked.put(p.title(), p.matches().getFirst().action().id())));
    }
    for (String title : same) {
      if (!asked.containsKey(title)) {
        throw new ParameterException(
            spec.commandLine(), worded("command.was-not-asked-about", title));
      }
    }
    asked.keySet().retainAll(Set.copyOf(same));
    return ComputerIntake.plan(before, found, wishes.saying(asked, Set.copyOf(apart)));
  }

  private FoundComputer wanted(Looking.Result looked) {
    return looked.found().only(f -> looking.wants(looked.found(), f));
  }

  private boolean switchAccessibility(String wanted) {
    boolean on = wanted.equals("on");
    boolean done = AccessibilitySwitch.set(Tools.INSTALLED, on);
    spec.commandLine()
        .getErr()
        .println(
            done
                ? worded("command.accessibility-is-programs-notice-when-they", wanted)
                : worded("command.accessibility-cant-be-switched-the-tool"));
    return done;
  }

  private Answer answer(Looking.Result looked, ComputerPlan plan, boolean written) {
    return new Answer(
        looked.found().title(),
        written,
        looked.sources().stream()
            .map(s -> new Place(s.title(), s.stage().name(), s.words(), s.remarks()))
            .toList(),
        looked.found().findings().stream()
            .map(
                f -> {
                  Optional<ComputerPlan.Part> part =
                      plan.parts().stream().filter(p -> p.finding().equals(f)).findFirst();
                  return new Found(
                      f.id(),
                      f.title(),
                      f.where(),
                      f.amount(),
                      f.example(),
                      looking.wants(looked.found(), f),
                      part.map(ComputerPlan.Part::taken).orElse(0),
                      part.map(ComputerPlan.Part::changed).orElse(0),
                      part.map(ComputerPlan.Part::gone).orElse(0),
                      part.flatMap(ComputerPlan.Part::bindings)
                          .map(b -> b.refused().size())
                          .orElse(0),
                      part.flatMap(ComputerPlan.Part::bindings)
                          .map(b -> b.proposals().stream().map(p -> p.title()).toList())
                          .orElse(List.of()),
                      f.remarks());
                })
            .toList(),
        new Sums(
            plan.parts().stream().mapToInt(ComputerPlan.Part::taken).sum(),
            plan.parts().stream().mapToInt(ComputerPlan.Part::changed).sum(),
            plan.parts().stream().mapToInt(ComputerPlan.Part::gone).sum()));
  }

  private void print(PrintWriter out, Answer answer, ComputerPlan plan) {
    out.println(answer.computer());
    for (Found f : answer.findings()) {
      out.println(
          "%s %s (%s): %s%s"
              .formatted(
                  f.wanted() ? "+" : "-",
                  f.title(),
                  f.id(),
                  f.amount(),
                  f.example().map(e -> worded("command.such-as", e)).orElse("")));
      if (f.taken() + f.changed() + f.gone() + f.refused() > 0) {
        out.println(
            worded(
                "command.new-changed-gone",
                f.taken(),
                f.changed(),
                f.gone(),
                f.refused() == 0 ? "" : worded("command.cant-be-read", f.refused())));
      }
      f.remarks().forEach(r -> out.println("    " + r));
    }
    for (Place place : answer.sources()) {
      place.remarks().forEach(r -> out.println(place.title() + ": " + r));
    }
    out.println(
        (answer.written() ? worded("command.taken") : worded("command.nothing-was-written"))
            + plan.summary());
  }
}
