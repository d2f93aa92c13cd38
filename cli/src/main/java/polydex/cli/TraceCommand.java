package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
import polydex.boards.Presses;
import polydex.files.json.ModelJson;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.keys.Visible;
import polydex.route.Passage;
import polydex.route.Setup;
import polydex.route.Trace;
import polydex.route.Tracer;
import polydex.workspace.Workspace;

@Command(
    name = "trace",
    description = "Follow a gesture through a setup to where it is taken.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:it ends in an action or in text",
      "1:nothing happens",
      "2:wrong command line or gesture",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class TraceCommand implements Callable<Integer> {
  private static final String FAMILY = worded("command.a-family-cant-be-pressed-give");

  @Mixin private Source source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(
      names = {"-s", "--setup"},
      paramLabel = "SETUP",
      description = "Id or title of a setup; the one in use if left out.")
  @Nullable
  private String setupName;

  @Parameters(
      paramLabel = "GESTURE",
      description =
          "As in Ctrl+Shift+S or \"Ctrl+K Ctrl+S\"; see docs/notation.md. With - one stands on each"
              + " line of the standard input, and each is answered on a line as JSON, in every setup or"
              + " in the one whose id stands before it and a tab.")
  private String written;

  record PassageRow(
      int press,
      int depth,
      String machine,
      String layer,
      String kind,
      String in,
      String inByPlace,
      Optional<String> out,
      Optional<String> outByPlace,
      String verb,
      String reason,
      String why) {}

  record Result(
      String kind,
      Optional<String> action,
      Optional<String> environment,
      Optional<String> binding,
      Optional<String> text,
      Optional<Integer> depth,
      String sentence) {}

  record Answer(String gesture, String setup, List<PassageRow> passages, List<Result> results) {}

  /** What is answered for a line that can't be followed. */
  record Refusal(String gesture, String error) {}

  @Override
  public Integer call() throws Exception {
    if (written.equals("-")) {
      return answerLines();
    }
    Gesture gesture = gesture(written);
    Workspace workspace = source.workspace();
    Setup setup = source.setup(workspace, setupName);
    Optional<String> problem = workspace.world().problem(setup);
    if (problem.isPresent()) {
      throw new ParameterException(spec.commandLine(), problem.get());
    }
    Trace trace = Tracer.of(setup, workspace.world()).trace(gesture);
    Answer answer = answer(workspace, setup, trace);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(answer));
    } else {
      print(out, answer);
    }
    return trace.outcome() instanceof Trace.Nothing ? Main.NO : Main.DONE;
  }

  /** Every line of the standard input in the setup that it names, or in every one that is meant. */
  private int answerLines() throws Exception {
    Workspace workspace = source.workspace();
    Map<String, Tracer> tracers = new LinkedHashMap<>();
    Map<String, String> problems = new HashMap<>();
    for (Setup setup : source.setups(workspace, setupName)) {
      Optional<String> problem = workspace.world().problem(setup);
      if (problem.isPresent()) {
        problems.put(setup.id().value(), problem.get());
      } else {
        tracers.put(setup.id().value(), Tracer.of(setup, workspace.world()));
      }
    }
    PrintWriter out = spec.commandLine().getOut();
    BufferedReader in =
        new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
    for (String line = in.readLine(); line != null; line = in.readLine()) {
      if (!line.isBlank()) {
        answerLine(workspace, tracers, problems, line, out);
      }
    }
    out.flush();
    return Main.DONE;
  }

  private static void answerLine(
      Workspace workspace,
      Map<String, Tracer> tracers,
      Map<String, String> problems,
      String line,
      PrintWriter out) {
    int tab = line.indexOf('\t');
    String text = line.substring(tab + 1);
    String named = tab < 0 ? "" : line.substring(0, tab).strip();
    Optional<Gesture> gesture = Optional.empty();
    String error = "";
    try {
      gesture = Optional.of(Gesture.parse(text)).filter(g -> !g.isFamily());
      error = gesture.isEmpty() ? FAMILY : "";
    } catch (GestureSyntaxException e) {
      error = String.valueOf(e.getMessage());
    }
    if (error.isEmpty() && tab >= 0 && !tracers.containsKey(named)) {
      error =
          problems.getOrDefault(
              named, worded("command.there-is-no-setup-with-the", Visible.of(named, 80)));
    }
    if (!error.isEmpty() || gesture.isEmpty()) {
      out.println(ModelJson.answerLine(new Refusal(text, error)));
      return;
    }
    for (Map.Entry<String, Tracer> tracer : tracers.entrySet()) {
      if (tab < 0 || tracer.getKey().equals(named)) {
        Tracer t = tracer.getValue();
        out.println(ModelJson.answerLine(answer(workspace, t.setup(), t.trace(gesture.get()))));
      }
    }
    if (tab < 0) {
      for (String problem : problems.values()) {
        out.println(ModelJson.answerLine(new Refusal(text, problem)));
      }
    }
  }

  private static Answer answer(Workspace workspace, Setup setup, Trace trace) {
    return new Answer(
        trace.gesture().toString(),
        setup.id().value(),
        trace.passages().stream().map(TraceCommand::row).toList(),
        trace.results().stream().map(r -> result(workspace, r)).toList());
  }

  private Gesture gesture(String text) {
    try {
      Gesture gesture = Gesture.parse(text);
      if (gesture.isFamily()) {
        throw new ParameterException(spec.commandLine(), FAMILY);
      }
      return gesture;
    } catch (GestureSyntaxException e) {
      throw new ParameterException(spec.commandLine(), e.getMessage(), e);
    }
  }

  private static PassageRow row(Passage p) {
    return new PassageRow(
        p.press(),
        p.layer().depth(),
        p.layer().machine(),
        p.layer().title(),
        lower(p.layer().kind()),
        p.in().toString(),
        Presses.byPlace(p.received()).toString(),
        p.out().map(Object::toString),
        p.sent().map(Presses::byPlace).map(Object::toString),
        lower(p.verb()),
        lower(p.reason()),
        p.why());
  }

  private static String lower(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT);
  }

  private static Result result(Workspace workspace, Trace.Outcome outcome) {
    return switch (outcome) {
      case Trace.Acted a ->
          new Result(
              "action",
              Optional.of(a.action().value()),
              Optional.of(a.environment().value()),
              a.binding(),
              Optional.empty(),
              Optional.of(a.layer().depth()),
              worded("command.does", a.layer().title(), workspace.catalog().title(a.action())));
      case Trace.Typed t ->
          new Result(
              "text",
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              Optional.of(t.text()),
              Optional.empty(),
              worded("command.it-types", t.text()));
      case Trace.Nothing n ->
          new Result(
              "nothing",
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              n.why());
    };
  }

  private static void print(PrintWriter out, Answer answer) {
    List<String> lines = new ArrayList<>();
    for (PassageRow row : answer.passages()) {
      lines.add(
          "%-16s %-28s %-9s %s%s  %s"
              .formatted(
                  row.machine(),
                  row.layer(),
                  row.verb(),
                  row.in(),
                  row.out().filter(o -> !o.equals(row.in())).map(o -> " -> " + o).orElse(""),
                  row.why())
              .stripTrailing());
    }
    lines.forEach(out::println);
    answer.results().forEach(r -> out.println(r.sentence()));
  }
}
