package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.computer.Finding;
import polydex.computer.Finding.Launcher;
import polydex.computer.Finding.Launchers;
import polydex.files.FileProblem;
import polydex.files.fit.DesktopEntry;

/** What can be started here: the Desktop Entries of the person and of all, each file name once. */
final class LauncherSource implements ComputerSource {
  private static final int MOST_FILES = 5000;

  private final Surroundings here;

  LauncherSource(Surroundings here) {
    this.here = here;
  }

  @Override
  public String title() {
    return worded("computer.launchers");
  }

  @Override
  public void read(Listener to) throws FileProblem {
    Map<String, Optional<Launcher>> byFile = new LinkedHashMap<>();
    List<String> unread = new ArrayList<>();
    for (Path folder : here.dataDirs()) {
      Path applications = folder.resolve("applications");
      if (!Files.isDirectory(applications)) {
        continue;
      }
      try (var files = Files.find(applications, 3, (f, a) -> a.isRegularFile())) {
        for (Path file : files.limit(MOST_FILES).sorted().toList()) {
          String name = applications.relativize(file).toString().replace('/', '-');
          if (name.endsWith(".desktop") && !byFile.containsKey(name) && !to.stopped()) {
            to.at(name);
            byFile.put(name, launcher(file, name, unread));
          }
        }
      } catch (IOException | java.io.UncheckedIOException _) {
        unread.add(worded("computer.cant-be-looked-into", applications));
      }
    }
    List<Launcher> launchers =
        byFile.values().stream()
            .flatMap(Optional::stream)
            .sorted(Comparator.comparing(Launcher::name))
            .toList();
    unread.stream().limit(20).forEach(to::remark);
    if (!launchers.isEmpty()) {
      to.found(
          new Finding(
              "launchers",
              worded("computer.launchers"),
              worded("computer.desktop-entries-in-files", byFile.size()),
              new Launchers(launchers),
              List.of(),
              true));
    }
  }

  private Optional<Launcher> launcher(Path file, String name, List<String> unread) {
    try (InputStream in = Files.newInputStream(file)) {
      DesktopEntry entry =
          DesktopEntry.read(name, in.readNBytes(DesktopEntry.LARGEST + 1), here.languages());
      return entry.shown() && entry.type().equals("Application")
          ? Optional.of(new Launcher(entry.name(), entry.starts()))
          : Optional.empty();
    } catch (FileProblem e) {
      unread.add(e.getMessage());
    } catch (IOException e) {
      unread.add(worded("computer.cant-be-read", name));
    }
    return Optional.empty();
  }
}
