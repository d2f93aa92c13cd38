package polydex.files.recorder;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.apache.commons.io.FileUtils;

/**
 * A display of its own with a window manager, an accessibility bus and a program that says what was
 * done on it; and hands on that display's keyboard and mouse.
 */
public final class Desk implements AutoCloseable {
  private final Process display;
  private final Process session;
  private final Path folder;
  private final Spoken said;
  private final Writer to;
  private final List<String> did = new ArrayList<>();
  public final String number;
  public final String bus;

  /** What a program says, line by line, read as it comes. */
  public static final class Spoken {
    private final BlockingQueue<String> lines = new LinkedBlockingQueue<>();

    public Spoken(Process from) {
      Thread.ofVirtual().start(() -> read(from));
    }

    private void read(Process from) {
      try (BufferedReader in = from.inputReader(StandardCharsets.UTF_8)) {
        for (String line = in.readLine(); line != null; line = in.readLine()) {
          lines.add(line);
        }
      } catch (IOException _) {
        // It has ended.
      }
    }

    public String next() throws InterruptedException {
      String line = lines.poll(30, TimeUnit.SECONDS);
      if (line == null) {
        throw new IllegalStateException("Nothing was said for half a minute");
      }
      return line;
    }

    /** All that was said until now. */
    public List<String> all() {
      List<String> found = new ArrayList<>();
      lines.drainTo(found);
      return found;
    }
  }

  private Desk(Process display, String number, Process session, Path folder) throws Exception {
    this.display = display;
    this.number = number;
    this.session = session;
    this.folder = folder;
    said = new Spoken(session);
    to = session.outputWriter(StandardCharsets.UTF_8);
    String first = said.next();
    bus = first.substring("bus ".length());
    until("ready");
  }

  /** Why it can't be set up on this machine; nothing where it can. */
  public static Optional<String> missing() {
    for (String program :
        List.of(
            "/usr/bin/Xvfb",
            "/usr/bin/openbox",
            "/usr/bin/xdotool",
            "/usr/bin/dbus-run-session",
            "/usr/libexec/at-spi-bus-launcher",
            "/usr/lib/python3/dist-packages/gi/__init__.py")) {
      if (!Files.exists(Path.of(program))) {
        return Optional.of("Skipped: a session to record needs " + program + ".");
      }
    }
    return Optional.empty();
  }

  public static Desk open() throws Exception {
    Process display =
        new ProcessBuilder(
                "Xvfb", "-displayfd", "1", "-screen", "0", "1280x800x24", "-r", "-nolisten", "tcp")
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    String number = ":" + new Spoken(display).next().strip();
    Path folder =
        Files.createTempDirectory(
            "polydex-desk",
            PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx------")));
    Path script = Path.of(Desk.class.getResource("desk.sh").toURI());
    ProcessBuilder session =
        new ProcessBuilder("dbus-run-session", "--", "sh", script.toString(), folder.toString())
            .redirectError(ProcessBuilder.Redirect.DISCARD);
    session.environment().put("DISPLAY", number);
    session.environment().remove("WAYLAND_DISPLAY");
    return new Desk(display, number, session.start(), folder);
  }

  /** Waits for a line that begins so; what was done until then is kept. */
  private String until(String beginning) throws InterruptedException {
    while (true) {
      String line = said.next();
      if (line.startsWith("did ") || line.startsWith("pressed ")) {
        did.add(line.substring(line.indexOf(' ') + 1));
      }
      if (line.startsWith(beginning)) {
        return line;
      }
    }
  }

  private String ask(String question, String beginning) throws Exception {
    to.write(question + "\n");
    to.flush();
    return until(beginning).substring(beginning.length());
  }

  /** Where something is; none while it is not shown. */
  public Optional<int[]> where(String name) throws Exception {
    String[] at = ask("where " + name, "at ").split(" ");
    return at.length < 2
        ? Optional.empty()
        : Optional.of(new int[] {Integer.parseInt(at[0]), Integer.parseInt(at[1])});
  }

  /** How many characters its script has. */
  public int characters() throws Exception {
    return Integer.parseInt(ask("count", "typed "));
  }

  /** Has it fill the screen, or not. */
  public void full(boolean on) throws Exception {
    to.write(on ? "full on\n" : "full off\n");
    to.flush();
    Thread.sleep(500);
  }

  /** What was done on it since this was asked last, as it says itself. */
  public List<String> did() throws Exception {
    characters();
    List<String> all = List.copyOf(did);
    did.clear();
    return all;
  }

  /** Starts another program on it, a script of this folder. */
  public Process start(String script, String... with) throws Exception {
    ProcessBuilder builder =
        new ProcessBuilder(
                "/usr/bin/python3", Path.of(Desk.class.getResource(script).toURI()).toString())
            .redirectError(ProcessBuilder.Redirect.DISCARD);
    builder.command().addAll(List.of(with));
    builder
        .environment()
        .putAll(
            Map.of(
                "DISPLAY",
                number,
                "DBUS_SESSION_BUS_ADDRESS",
                bus,
                "XDG_RUNTIME_DIR",
                folder.toString(),
                "GSETTINGS_BACKEND",
                "memory",
                "GSK_RENDERER",
                "cairo"));
    builder.environment().remove("WAYLAND_DISPLAY");
    return builder.start();
  }

  /** The process whose window lies at a spot; 0 for the desktop. */
  public int processAt(int x, int y) throws Exception {
    try (XWindows windows = XWindows.connect(number)) {
      return windows.at(x, y).window().process();
    }
  }

  /** Has hands do something, as xdotool writes it. */
  public void hands(String... words) throws Exception {
    List<String> command = new ArrayList<>(List.of("xdotool"));
    command.addAll(List.of(words));
    ProcessBuilder builder = new ProcessBuilder(command).inheritIO();
    builder.environment().put("DISPLAY", number);
    if (builder.start().waitFor() != 0) {
      throw new IllegalStateException("xdotool " + String.join(" ", words));
    }
  }

  @Override
  public void close() {
    session.descendants().forEach(ProcessHandle::destroy);
    session.destroy();
    display.destroy();
    FileUtils.deleteQuietly(folder.toFile());
  }
}
