package polydex.files.bus;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import polydex.computer.Program;
import polydex.computer.ProgramReading;
import polydex.files.FileProblem;
import polydex.files.bus.Bus.Call;
import polydex.files.bus.Bus.Silent;
import polydex.files.bus.Bus.Target;
import polydex.keys.Visible;

/** The accessibility bus of a session: which programs run, and what each of them shows. */
public final class AccessibilityBus implements AutoCloseable {
  private static final Target REGISTRY =
      new Target("org.a11y.atspi.Registry", "/org/a11y/atspi/accessible/root");
  private static final Target DAEMON = new Target("org.freedesktop.DBus", "/org/freedesktop/DBus");
  private static final int MOST_PROGRAMS = 200;
  private static final int LONGEST_TITLE = 60;

  private final Bus bus;

  private AccessibilityBus(Bus bus) {
    this.bus = bus;
  }

  /**
   * A program that is on the bus.
   *
   * @param title as it calls itself
   * @param toolkit with which it is written, as that calls itself; may be empty
   * @param process its process id; 0 where not known
   */
  public record Running(String title, String toolkit, int process, String bus, String path) {}

  /**
   * What a program shows.
   *
   * @param left why not all of it was read; empty where it was
   */
  public record Shown(Program program, String left) {}

  /**
   * Connects.
   *
   * @param session the address of the session's message bus
   * @throws FileProblem that says what is missing
   */
  public static AccessibilityBus connect(String session) throws FileProblem {
    String address;
    try (Bus first = Bus.connect(session)) {
      address =
          first
              .call(new Target("org.a11y.Bus", "/org/a11y/bus"), "org.a11y.Bus", "GetAddress")
              .text();
    } catch (Silent e) {
      throw new FileProblem(worded("bus.the-accessibility-bus-did-not-start"), e);
    }
    if (address.isEmpty()) {
      throw new FileProblem(worded("bus.there-is-no-accessibility-bus-in"));
    }
    return new AccessibilityBus(Bus.connect(address));
  }

  /**
   * The programs that run and can be read.
   *
   * @throws FileProblem where the registry does not answer
   */
  public List<Running> programs() throws FileProblem {
    try {
      List<Target> targets =
          bus.call(REGISTRY, "org.a11y.atspi.Accessible", "GetChildren").targets(MOST_PROGRAMS);
      List<Call> names = new ArrayList<>();
      List<Call> toolkits = new ArrayList<>();
      List<Call> processes = new ArrayList<>();
      for (Target t : targets) {
        names.add(bus.property(t, "org.a11y.atspi.Accessible", "Name"));
        toolkits.add(bus.property(t, "org.a11y.atspi.Application", "ToolkitName"));
        processes.add(
            bus.call(DAEMON, "org.freedesktop.DBus", "GetConnectionUnixProcessID", t.name()));
      }
      List<Running> found = new ArrayList<>();
      for (int i = 0; i < targets.size(); i++) {
        String title = orSilent(names.get(i));
        found.add(
            new Running(
                title(title, found.size() + 1),
                Visible.of(orSilent(toolkits.get(i)), LONGEST_TITLE),
                processes.get(i).number(),
                targets.get(i).name(),
                targets.get(i).path()));
      }
      return found;
    } catch (Silent e) {
      throw new FileProblem(worded("bus.the-registry-of-the-accessibility-bus"), e);
    }
  }

  /** A stopped program still has a place in the list, without a name. */
  private static String orSilent(Call call) {
    try {
      return call.text();
    } catch (Silent _) {
      return "";
    }
  }

  /** {@code cue-editor} as people say it. */
  private static String title(String name, int number) {
    String plain = Visible.of(name.strip(), LONGEST_TITLE);
    if (plain.isEmpty()) {
      return "Program " + number;
    }
    return readable(plain);
  }

  /** The name of a program's file or class, as people say it. */
  public static String readable(String name) {
    String plain = Visible.of(name.strip(), LONGEST_TITLE);
    boolean file = plain.indexOf(' ') < 0 && plain.equals(plain.toLowerCase(java.util.Locale.ROOT));
    String words = file ? plain.replace('-', ' ').replace('_', ' ').strip() : plain;
    return words.isEmpty() ? plain : Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }

  /**
   * Reads what a program shows. It may take up to ten seconds.
   *
   * @throws FileProblem where the bus is gone
   */
  public Shown read(Running program, BooleanSupplier stopped) throws FileProblem {
    ProgramWalk.Result result =
        ProgramWalk.of(bus, new Target(program.bus(), program.path()), stopped);
    return new Shown(
        ProgramReading.of(program.title(), result.windows(), result.left().isEmpty()),
        result.left());
  }

  /** What it talks over. */
  Bus bus() {
    return bus;
  }

  @Override
  public void close() {
    bus.close();
  }
}
