package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.computer.Finding;
import polydex.computer.Finding.Launcher;
import polydex.files.FileProblem;

/** The computer on which the program runs. */
public final class ThisComputer {
  private ThisComputer() {}

  /** Where things are found on it, in the order in which they are brought in. */
  public static List<ComputerSource> sources(Surroundings here) {
    return List.of(
        new KeyboardSource(here),
        new SettingsSource(here),
        new ConfigSource(here),
        new LauncherSource(here),
        new ProgramSource(here));
  }

  /**
   * What can be started on it, by name.
   *
   * @throws FileProblem where that can't be looked at
   */
  public static List<Launcher> launchers(Surroundings here) throws FileProblem {
    List<Launcher> all = new ArrayList<>();
    new LauncherSource(here)
        .read(
            new ComputerSource.Listener() {
              @Override
              public void found(Finding finding) {
                if (finding.what() instanceof Finding.Launchers l) {
                  all.addAll(l.launchers());
                }
              }

              @Override
              public void at(String what) {}

              @Override
              public void remark(String sentence) {}

              @Override
              public boolean stopped() {
                return Thread.currentThread().isInterrupted();
              }
            });
    return all;
  }

  /** What it is called: as its user named it, or else on the network; nobody is asked for it. */
  public static String title(Surroundings here) {
    return pretty(here.at("/etc/machine-info"))
        .or(() -> line(here.at("/etc/hostname")))
        .or(() -> here.variable("COMPUTERNAME"))
        .orElse(worded("computer.this-computer"));
  }

  private static Optional<String> pretty(Path file) {
    return lines(file).stream()
        .filter(l -> l.startsWith("PRETTY_HOSTNAME="))
        .map(l -> l.substring(l.indexOf('=') + 1).strip().replaceAll("^([\"'])(.*)\\1$", "$2"))
        .filter(l -> !l.isBlank())
        .findFirst();
  }

  private static Optional<String> line(Path file) {
    return lines(file).stream()
        .map(String::strip)
        .filter(l -> !l.isEmpty() && !l.startsWith("#"))
        .findFirst();
  }

  private static List<String> lines(Path file) {
    try {
      return Files.isRegularFile(file) && Files.size(file) < 1 << 16
          ? Files.readAllLines(file)
          : List.of();
    } catch (IOException | java.io.UncheckedIOException _) {
      return List.of();
    }
  }
}
