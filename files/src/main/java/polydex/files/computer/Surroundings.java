package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import polydex.files.FileProblem;

/**
 * What tells where things are on a computer: the environment of the session, its folders, and its
 * tools. Folders are those of the XDG Base Directory Specification 0.8.
 *
 * @param variables the environment
 * @param home of the person
 * @param root of the file system
 * @param tools runs what is installed
 */
public record Surroundings(Map<String, String> variables, Path home, Path root, Tools tools) {
  /** Those in which the program runs. */
  public static Surroundings here() {
    return new Surroundings(
        System.getenv(), Path.of(System.getProperty("user.home")), Path.of("/"), Tools.INSTALLED);
  }

  /** A variable of the environment that says something. */
  public Optional<String> variable(String name) {
    return Optional.ofNullable(variables.get(name)).filter(v -> !v.isBlank());
  }

  /**
   * The address of the session's message bus.
   *
   * @throws FileProblem where it has none
   */
  public String messageBus() throws FileProblem {
    return variable("DBUS_SESSION_BUS_ADDRESS")
        .or(() -> variable("XDG_RUNTIME_DIR").map(d -> "unix:path=" + d + "/bus"))
        .orElseThrow(() -> new FileProblem(worded("computer.this-session-has-no-message-bus")));
  }

  /** Where a person's settings are. */
  public Path configHome() {
    return variable("XDG_CONFIG_HOME").map(root::resolve).orElse(home.resolve(".config"));
  }

  /** Where the settings of all are, the most important first. */
  public List<Path> configDirs() {
    return folders("XDG_CONFIG_DIRS", "/etc/xdg");
  }

  /** Where data is, the person's own first. */
  public List<Path> dataDirs() {
    List<Path> all = new ArrayList<>();
    all.add(variable("XDG_DATA_HOME").map(root::resolve).orElse(home.resolve(".local/share")));
    all.addAll(folders("XDG_DATA_DIRS", "/usr/local/share:/usr/share"));
    return all;
  }

  private List<Path> folders(String variable, String usual) {
    List<Path> all = new ArrayList<>();
    for (String folder : variable(variable).orElse(usual).split(":")) {
      if (folder.startsWith("/")) {
        // Below the root, which in tests is not that of the file system.
        all.add(root.resolve(folder.substring(1)));
      }
    }
    return all;
  }

  /** A path below the root. */
  public Path at(String path) {
    return root.resolve(path.substring(1));
  }

  /** What the desktop of the session calls itself; none where it does not say. */
  public Optional<String> desktop() {
    return variable("XDG_CURRENT_DESKTOP")
        .map(d -> d.substring(d.lastIndexOf(':') + 1).strip())
        .filter(d -> !d.isEmpty());
  }

  /** The languages that the person reads, the best first: {@code de_CH}, {@code de}. */
  public List<String> languages() {
    String said =
        variable("LC_ALL").or(() -> variable("LC_MESSAGES")).or(() -> variable("LANG")).orElse("");
    String locale = said.replaceFirst("[.@].*", "");
    int country = locale.indexOf('_');
    return locale.isEmpty() || locale.equals("C") || locale.equals("POSIX")
        ? List.of()
        : country > 0
            ? List.of(locale, locale.substring(0, country).toLowerCase(Locale.ROOT))
            : List.of(locale);
  }
}
