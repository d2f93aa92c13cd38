package polydex.files.json;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.boards.Layout;
import polydex.computer.Finding;
import polydex.computer.FoundComputer;
import polydex.computer.Program;
import polydex.files.FileProblem;
import polydex.files.WholeFile;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListSubject;
import polydex.route.Remap;

/**
 * What was found on a computer, as a file that is carried to another.
 *
 * @param format {@code polydex-computer/1}
 * @param title of the computer
 * @param findings each with one of keyboard, keys, program and launchers
 */
public record ComputerFile(String format, String title, List<Form> findings) {
  /** What the file calls itself. */
  public static final String FORMAT = "polydex-computer/1";

  /** A finding; which of the four it has says what it is. */
  record Form(
      String id,
      String title,
      @JsonSetter(nulls = Nulls.AS_EMPTY) String where,
      boolean suggested,
      List<String> remarks,
      Optional<KeyboardForm> keyboard,
      Optional<KeysForm> keys,
      Optional<ProgramForm> program,
      List<LauncherForm> launchers) {

    static Form of(Finding f) {
      return new Form(
          f.id(),
          f.title(),
          f.where(),
          f.suggested(),
          f.remarks(),
          f.what() instanceof Finding.Keyboard k
              ? Optional.of(KeyboardForm.of(k))
              : Optional.empty(),
          f.what() instanceof Finding.Keys k ? Optional.of(KeysForm.of(k)) : Optional.empty(),
          f.what() instanceof Finding.Running r
              ? Optional.of(ProgramForm.of(r.program()))
              : Optional.empty(),
          f.what() instanceof Finding.Launchers l
              ? l.launchers().stream().map(x -> new LauncherForm(x.name(), x.starts())).toList()
              : List.of());
    }

    Finding finding() {
      Finding.What what =
          keyboard
              .<Finding.What>map(KeyboardForm::keyboard)
              .or(() -> keys.map(KeysForm::keys))
              .or(() -> program.map(p -> new Finding.Running(p.program())))
              .orElseGet(
                  () ->
                      new Finding.Launchers(
                          launchers.stream()
                              .map(l -> new Finding.Launcher(l.name(), l.starts()))
                              .toList()));
      return new Finding(id, title, where, what, remarks, suggested);
    }
  }

  record KeyboardForm(Layout layout, List<Layout> others, List<Remap> remaps) {
    static KeyboardForm of(Finding.Keyboard k) {
      return new KeyboardForm(k.layout(), k.others(), k.remaps());
    }

    Finding.Keyboard keyboard() {
      return new Finding.Keyboard(layout, others, remaps);
    }
  }

  /** Bindings of a desktop, an application, or the person. */
  record KeysForm(
      ListSubject about,
      @JsonSetter(nulls = Nulls.AS_EMPTY) String environment,
      List<RowForm> bindings) {
    static KeysForm of(Finding.Keys k) {
      return new KeysForm(k.about(), k.environment(), k.rows().stream().map(RowForm::of).toList());
    }

    Finding.Keys keys() {
      List<RequestedRow> rows = new ArrayList<>();
      for (RowForm r : bindings) {
        RequestedRow row =
            new RequestedRow(
                rows.size() + 1,
                environment,
                about != ListSubject.APPLICATION,
                r.context(),
                r.action(),
                r.gesture(),
                r.note());
        rows.add(about == ListSubject.OWN ? row.asOwn() : row);
      }
      return new Finding.Keys(about, environment, rows, List.<Refused>of());
    }
  }

  record RowForm(
      String action,
      String gesture,
      @JsonSetter(nulls = Nulls.AS_EMPTY) String context,
      @JsonSetter(nulls = Nulls.AS_EMPTY) String note) {
    static RowForm of(RequestedRow r) {
      return new RowForm(r.action(), r.gesture(), r.context(), r.note());
    }
  }

  record ProgramForm(
      String title,
      List<EntryForm> menus,
      List<List<String>> pressed,
      List<String> tabOrder,
      boolean byAlt,
      boolean incomplete) {
    static ProgramForm of(Program p) {
      return new ProgramForm(
          p.title(),
          p.menus().stream().map(EntryForm::of).toList(),
          p.pressed(),
          p.tabOrder(),
          p.byAlt(),
          !p.complete());
    }

    Program program() {
      return new Program(
          title,
          menus.stream().map(EntryForm::entry).toList(),
          pressed,
          tabOrder,
          byAlt,
          !incomplete);
    }
  }

  record EntryForm(
      String title,
      Optional<String> accessKey,
      Optional<String> accelerator,
      Program.Sort sort,
      boolean guessed,
      List<EntryForm> items) {
    static EntryForm of(Program.Entry e) {
      return new EntryForm(
          e.title(),
          e.accessKey(),
          e.accelerator(),
          e.sort(),
          e.guessed(),
          e.items().stream().map(EntryForm::of).toList());
    }

    Program.Entry entry() {
      return new Program.Entry(
          title,
          accessKey,
          accelerator,
          sort,
          guessed,
          items.stream().map(EntryForm::entry).toList());
    }
  }

  record LauncherForm(String name, @JsonSetter(nulls = Nulls.AS_EMPTY) String starts) {}

  /** A computer as the text of such a file. */
  public static String write(FoundComputer computer) {
    return ModelJson.writePretty(
            new ComputerFile(
                FORMAT, computer.title(), computer.findings().stream().map(Form::of).toList()))
        + "\n";
  }

  /**
   * Writes such a file, whole or not at all. One that is there is written over only if it is such a
   * file itself.
   *
   * @throws FileProblem that says why it was not written
   */
  public static void write(Path file, FoundComputer computer) throws FileProblem {
    try {
      if (Files.exists(file) && !isOne(file)) {
        throw new FileProblem(worded("json.is-there-and-is-no-gathered", file));
      }
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", file, e.getMessage()), e);
    }
    WholeFile.write(write(computer).getBytes(StandardCharsets.UTF_8), file, true);
  }

  private static boolean isOne(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      return new String(in.readNBytes(200), StandardCharsets.UTF_8).contains(FORMAT);
    }
  }

  /**
   * Reads such a file.
   *
   * @param name of the file, for messages
   * @throws FileProblem that names file, line and path
   */
  public static FoundComputer read(String name, String text) throws FileProblem {
    JsonNode tree = ModelJson.tree(name, text);
    Schemas.check("computer", name, text, tree);
    ComputerFile file = ModelJson.readLenient(name, text, ComputerFile.class);
    try {
      return new FoundComputer(file.title(), file.findings().stream().map(Form::finding).toList());
    } catch (IllegalArgumentException e) {
      throw new FileProblem(worded("json.holds-something-that-cant-be", name, e.getMessage()), e);
    }
  }
}
