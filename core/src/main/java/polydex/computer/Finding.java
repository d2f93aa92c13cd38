package polydex.computer;

import static polydex.language.CoreWords.worded;

import java.util.List;
import java.util.Optional;
import polydex.boards.Layout;
import polydex.computer.Program.Sort;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListSubject;
import polydex.keys.Visible;
import polydex.route.Remap;

/**
 * Something that was found on a computer and can be brought in, or left, by itself.
 *
 * @param id stable from one reading to the next, and another for each
 * @param title as it is called in a list
 * @param where it was found, for people: a file, a tool
 * @param what it is
 * @param remarks sentences about what could not be read, or only guessed
 * @param suggested whether it is what the person most likely wants
 */
public record Finding(
    String id, String title, String where, What what, List<String> remarks, boolean suggested) {

  /** What was found. */
  public sealed interface What {}

  /**
   * How the keyboard is set.
   *
   * @param layout the one that is in use
   * @param others that can be switched to
   * @param remaps keys that were moved, in their order
   */
  public record Keyboard(Layout layout, List<Layout> others, List<Remap> remaps) implements What {
    /** What the title of a remap begins with that is read from the settings of a keyboard. */
    public static final String SETTING = "Keyboard setting ";

    /** Copies the lists. */
    public Keyboard {
      others = List.copyOf(others);
      remaps = List.copyOf(remaps);
    }
  }

  /**
   * Bindings.
   *
   * @param about what they are of
   * @param environment the title of the desktop or application
   * @param rows one for each action and context; those of the user's own say so themselves
   * @param refused what could not be read
   */
  public record Keys(
      ListSubject about, String environment, List<RequestedRow> rows, List<Refused> refused)
      implements What {
    /** Copies the lists. */
    public Keys {
      rows = List.copyOf(rows);
      refused = List.copyOf(refused);
    }
  }

  /**
   * A program that runs.
   *
   * @param program what it shows
   */
  public record Running(Program program) implements What {}

  /**
   * What can be started.
   *
   * @param launchers by name
   */
  public record Launchers(List<Launcher> launchers) implements What {
    /** Copies the list. */
    public Launchers {
      launchers = List.copyOf(launchers);
    }
  }

  /**
   * A launcher.
   *
   * @param name in the person's language
   * @param starts its command or address; may be empty
   */
  public record Launcher(String name, String starts) {}

  /** Nothing in it acts on who shows it. */
  public Finding {
    title = Visible.of(title);
    where = Visible.of(where);
    remarks = Visible.all(remarks);
  }

  /** How much there is of it, in words: {@code 46 bindings}. */
  public String amount() {
    return switch (what) {
      case Keyboard k ->
          k.layout().title() + (k.remaps().isEmpty() ? "" : worded("computer.keys-moved"));
      case Keys k -> worded("computer.lines", k.rows().size());
      case Running r -> {
        int commands =
            r.program().entries(e -> e.items().isEmpty() && e.sort() != Sort.MENU).size();
        int keys = r.program().entries(e -> e.accelerator().isPresent()).size();
        yield worded("computer.menu-entries", commands)
            + ", "
            + worded("computer.with-gestures", keys);
      }
      case Launchers l -> worded("computer.launchers", l.launchers().size());
    };
  }

  /** An example of what is in it; none where there is nothing. */
  public Optional<String> example() {
    return switch (what) {
      case Keyboard k -> k.remaps().stream().findFirst().map(Remap::title);
      case Keys k ->
          k.rows().stream()
              .filter(r -> !r.gesture().isBlank())
              .findFirst()
              .map(r -> r.action() + ": " + r.gesture().replace('\n', ' '));
      case Running r ->
          r.program().entries(e -> e.accelerator().isPresent()).stream()
              .findFirst()
              .map(e -> e.title() + ": " + e.accelerator().orElseThrow());
      case Launchers l -> l.launchers().stream().findFirst().map(Launcher::name);
    };
  }
}
