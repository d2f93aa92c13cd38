package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import polydex.computer.Finding;
import polydex.computer.Finding.Launcher;
import polydex.computer.Finding.Launchers;
import polydex.computer.FoundComputer;
import polydex.files.Shipped;

/**
 * A computer of the demo's world, which is read as a real one is, with the time that takes: another
 * borrowed laptop, with two programs running, one of which answers slowly. Nothing of the computer
 * on which the program runs is looked at.
 */
public final class SimulatedComputer {
  /** Which findings come from which source, by what their ids begin with. */
  private static final Map<String, String> SOURCES = sources();

  private static final int QUICK_MILLIS = 150;
  private static final int SLOW_MILLIS = 2500;

  private SimulatedComputer() {}

  private static Map<String, String> sources() {
    Map<String, String> titles = new LinkedHashMap<>();
    titles.put("keyboard", worded("computer.keyboard"));
    titles.put("settings", worded("computer.settings-of-the-desktop"));
    titles.put("file", worded("computer.files-of-programs"));
    titles.put("launchers", worded("computer.launchers"));
    titles.put("program", worded("computer.programs-that-run"));
    return titles;
  }

  /**
   * What is found on it.
   *
   * @param pace how many times slower than at once; 0 for no waiting, 1 for what a real one takes
   */
  public static List<ComputerSource> sources(double pace) {
    FoundComputer found = found();
    List<ComputerSource> all = new ArrayList<>();
    SOURCES.forEach(
        (kind, title) ->
            all.add(
                new Simulated(
                    title,
                    found.findings().stream()
                        .filter(f -> f.id().split(":")[0].equals(kind))
                        .toList(),
                    pace)));
    return all;
  }

  /** All of it at once. */
  public static FoundComputer found() {
    return Shipped.computer("demo/borrowed-laptop.json");
  }

  /** What can be started on it. */
  public static List<Launcher> launchers() {
    return found().findings().stream()
        .flatMap(f -> f.what() instanceof Launchers l ? l.launchers().stream() : Stream.of())
        .toList();
  }

  private record Simulated(String title, List<Finding> findings, double pace)
      implements ComputerSource {
    @Override
    public void read(Listener to) {
      for (Finding f : findings) {
        to.at(f.title());
        boolean slow = f.remarks().stream().anyMatch(r -> r.contains("slowly"));
        if (!waited(slow ? SLOW_MILLIS : QUICK_MILLIS, to)) {
          return;
        }
        to.found(f);
      }
    }

    /** Whether somebody still waits after a time. */
    private boolean waited(int millis, Listener to) {
      long end = System.nanoTime() + (long) (millis * pace * 1e6);
      while (System.nanoTime() < end && !to.stopped()) {
        try {
          Thread.sleep(20);
        } catch (InterruptedException _) {
          Thread.currentThread().interrupt();
          return false;
        }
      }
      return !to.stopped();
    }
  }
}
