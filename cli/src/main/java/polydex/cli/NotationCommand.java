package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Environment;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.json.ModelJson;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.GestureReader.Reading;
import polydex.keys.GestureSyntaxException;
import polydex.keys.KeyLanguage;
import polydex.keys.Physical;
import polydex.keys.Step;
import polydex.keys.Visible;
import polydex.workspace.Workspace;

@Command(
    name = "notation",
    description = "Read written gestures, whatever their form, and say what hands do for them.",
    exitCodeListHeading = "%nExit codes:%n",
    exitCodeList = {
      "0:every text was read",
      "1:some text was refused",
      "2:wrong command line",
      "3:file can't be used"
    },
    mixinStandardHelpOptions = true)
final class NotationCommand implements Callable<Integer> {
  @Mixin private OptionalSource source;
  @Spec private CommandSpec spec;

  @Option(names = "--json", description = "Answer as JSON.")
  private boolean json;

  @Option(
      names = "--layout",
      paramLabel = "LAYOUT",
      defaultValue = "us",
      description =
          "The layout under the fingers: its id or title, or xkb: and the name of an installed one; us if left out.")
  private String layout;

  @Option(
      names = "--board",
      paramLabel = "BOARD",
      description = "The board under the fingers, by id or title: what needs Fn, what it lacks.")
  private @Nullable String board;

  @Option(
      names = "--platform",
      paramLabel = "PLATFORM",
      description = "Read its own words for modifiers, and what Primary means there.")
  private @Nullable String platform;

  private static final int LONGEST = 200;

  @Parameters(arity = "1..*", paramLabel = "TEXT", description = "One gesture each.")
  private List<String> texts;

  record Refusal(int column, String expected, String message) {}

  record Answer(
      String text,
      Optional<String> form,
      Optional<String> gesture,
      List<List<String>> members,
      List<String> strokes,
      Optional<String> untypable,
      Optional<Refusal> refusal) {}

  @Override
  public Integer call() throws Exception {
    Layout under = LayoutCommand.layout(spec, source, layout);
    GestureReader reader = reader().in(KeyLanguage.of(texts));
    Optional<Board> fingers = board();
    List<Answer> answers = texts.stream().map(t -> answer(t, reader, under, fingers)).toList();
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(ModelJson.answer(answers));
    } else {
      answers.forEach(a -> print(out, a));
    }
    return answers.stream().allMatch(a -> a.refusal().isEmpty()) ? Main.DONE : Main.NO;
  }

  private Optional<Board> board() throws FileProblem {
    if (board == null) {
      return Optional.empty();
    }
    Workspace workspace = source.workspace();
    String wanted = board.strip().toLowerCase(Locale.ROOT);
    return Optional.of(
        workspace.world().boards().values().stream()
            .filter(b -> b.id().equals(wanted) || b.title().toLowerCase(Locale.ROOT).equals(wanted))
            .findFirst()
            .orElseThrow(
                () ->
                    new ParameterException(
                        spec.commandLine(),
                        worded(
                            "command.there-is-no-board-there-are",
                            board,
                            String.join(", ", workspace.world().boards().keySet())))));
  }

  private GestureReader reader() throws FileProblem {
    if (platform == null) {
      return GestureReader.PLAIN;
    }
    Workspace workspace = source.workspace();
    String wanted = platform.strip().toLowerCase(Locale.ROOT);
    // The demo's platforms have names of their own, so that they can be meant without it, too.
    return Stream.of(workspace, Shipped.demo())
        .flatMap(w -> w.catalog().environments().stream())
        .filter(e -> e.platform().isPresent())
        .filter(
            e -> e.id().value().equals(wanted) || e.title().toLowerCase(Locale.ROOT).equals(wanted))
        .findFirst()
        .map(Environment::reader)
        .orElseThrow(
            () ->
                new ParameterException(
                    spec.commandLine(), worded("command.there-is-no-platform", platform)));
  }

  private static Answer answer(
      String text, GestureReader reader, Layout layout, Optional<Board> board) {
    try {
      Reading reading = reader.read(text);
      Gesture gesture = reading.gesture();
      List<Gesture> members = gesture.expand();
      Presses presses = Presses.of(members.getFirst(), layout);
      return new Answer(
          text,
          Optional.of(reading.form().name().toLowerCase(Locale.ROOT)),
          Optional.of(gesture.toString()),
          gesture.isFamily()
              ? members.stream().map(m -> strokes(Presses.of(m, layout), board)).toList()
              : List.of(),
          gesture.isFamily() ? List.of() : strokes(presses, board),
          untypable(presses, board),
          Optional.empty());
    } catch (GestureSyntaxException e) {
      return new Answer(
          text,
          Optional.empty(),
          Optional.empty(),
          List.of(),
          List.of(),
          Optional.empty(),
          Optional.of(new Refusal(e.column(), e.expected(), e.getMessage())));
    }
  }

  /** Why it can't be done, if it can't: the layout or the board has nothing for it. */
  private static Optional<String> untypable(Presses presses, Optional<Board> board) {
    return switch (presses) {
      case Presses.Untypable u -> Optional.of(u.reason());
      case Presses.Typable t ->
          t.physical().stream()
              .filter(p -> board.isPresent() && board.get().press(p).isEmpty())
              .map(p -> worded("command.has-no-key-for", board.get().title(), written(p)))
              .findFirst();
    };
  }

  /** Each press by position: {@code Ctrl+<KeyS>}; on a board as its keys are. */
  private static List<String> strokes(Presses presses, Optional<Board> board) {
    if (!(presses instanceof Presses.Typable t) || untypable(presses, board).isPresent()) {
      return List.of();
    }
    return t.physical().stream()
        .map(p -> board.flatMap(b -> b.press(p)).orElse(p))
        .map(NotationCommand::written)
        .toList();
  }

  private static String written(Physical press) {
    return switch (press) {
      case Physical.Press p -> {
        String key = "<" + p.key().name() + ">";
        yield p.held().isNothing() ? key : p.held() + "+" + key;
      }
      case Physical.ModifierTap t -> t.modifiers().toString();
      case Physical.PointerPress p -> new Step.Pointing(p.held(), p.act()).toString();
    };
  }

  private static void print(PrintWriter out, Answer a) {
    out.println(Visible.of(a.text(), LONGEST));
    a.refusal().ifPresent(r -> out.println(worded("command.refused-2", r.message())));
    a.gesture().ifPresent(g -> out.printf("  %-12s %s%n", a.form().orElse(""), g));
    if (!a.strokes().isEmpty()) {
      out.printf("  %-12s %s%n", worded("command.strokes"), String.join("  ", a.strokes()));
    }
    a.members()
        .forEach(m -> out.printf("  %-12s %s%n", worded("command.member"), String.join("  ", m)));
    a.untypable().ifPresent(u -> out.printf("  %-12s %s%n", worded("command.untypable"), u));
  }
}
