package polydex.files.fit;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import polydex.files.FileProblem;
import polydex.files.FolderWalk;
import polydex.fit.Compared.Found;
import polydex.keys.Gesture;

/**
 * Every launcher file below a folder: Shell Links and Desktop Entries. Symbolic links are never
 * followed, so that nothing outside the folder is opened; a file that can't be read is refused by
 * itself. O(bytes).
 *
 * @param launchers what was read, by path
 * @param refused what could not be read, each with the reason
 * @param passedOver how many files are neither
 * @param complete whether all was looked at; otherwise the folder has too much in it
 */
public record LauncherTree(
    List<Launcher> launchers, List<String> refused, int passedOver, boolean complete) {
  /** So many files are looked at, at most. */
  public static final int MOST_FILES = 50_000;

  /**
   * A launcher file.
   *
   * @param path below the folder
   * @param name what it is called
   * @param starts what it starts
   * @param arguments what is handed to that; may be empty
   * @param workingFolder in which it starts; may be empty
   * @param keys what is pressed for it
   */
  public record Launcher(
      String path,
      String name,
      String starts,
      String arguments,
      String workingFolder,
      List<Gesture> keys) {
    /** Copies the list. */
    public Launcher {
      keys = List.copyOf(keys);
    }

    /** What of it can be compared with a plan: one for each gesture. */
    public List<Found> found() {
      return keys.stream()
          .map(k -> new Found(name, List.of(fileName(path), starts), k, path))
          .toList();
    }
  }

  /** Copies the lists. */
  public LauncherTree {
    launchers = List.copyOf(launchers);
    refused = List.copyOf(refused);
  }

  /** Whether a file is a launcher by its name. */
  public static boolean isLauncher(Path file) {
    String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
    return name.endsWith(".lnk") || name.endsWith(".desktop");
  }

  /** What of all of them can be compared with a plan. */
  public List<Found> found() {
    return launchers.stream().flatMap(l -> l.found().stream()).toList();
  }

  private static String fileName(String path) {
    String last = path.substring(path.lastIndexOf('/') + 1);
    int dot = last.lastIndexOf('.');
    return dot > 0 ? last.substring(0, dot) : last;
  }

  /**
   * Reads a folder, or one file.
   *
   * @param looked hears how many files were looked at so far
   * @param stopped whether nobody waits for it any more; what was read so far is given then
   * @throws FileProblem where there is no such folder, or it can't be looked into
   */
  public static LauncherTree read(Path top, IntConsumer looked, BooleanSupplier stopped)
      throws FileProblem {
    Walk walk = new Walk(top, looked, stopped);
    walk.walk();
    walk.launchers.sort(Comparator.comparing(Launcher::path));
    walk.refused.sort(Comparator.naturalOrder());
    return new LauncherTree(walk.launchers, walk.refused, walk.passedOver, walk.complete());
  }

  private static final class Walk extends FolderWalk {
    final List<Launcher> launchers = new ArrayList<>();
    final List<String> refused = new ArrayList<>();
    int passedOver;
    private final IntConsumer looked;
    private final BooleanSupplier stopped;

    Walk(Path top, IntConsumer looked, BooleanSupplier stopped) {
      super(top, MOST_FILES);
      this.looked = looked;
      this.stopped = stopped;
    }

    @Override
    protected boolean goesOn(int files) {
      looked.accept(files);
      return !stopped.getAsBoolean();
    }

    @Override
    protected void file(Path file, String path, BasicFileAttributes attributes) {
      if (!isLauncher(file)) {
        passedOver++;
      } else if (!attributes.isRegularFile()) {
        refused.add(worded("fit.is-a-symbolic-link-or-no", path));
      } else {
        take(file, path);
      }
    }

    @Override
    protected void failed(String path, String reason) {
      refused.add(worded("any.cant-be-read", path, reason));
    }

    private void take(Path file, String path) {
      try {
        byte[] bytes = bytes(file);
        boolean link = path.toLowerCase(Locale.ROOT).endsWith(".lnk");
        launchers.addAll(link ? link(path, bytes) : entry(path, bytes));
      } catch (FileProblem e) {
        refused.add(e.getMessage());
      } catch (IOException e) {
        failed(path, reason(e));
      }
    }

    /** One byte more than is read at most, so that a file that is too large shows as such. */
    private static byte[] bytes(Path file) throws IOException {
      try (InputStream in = Files.newInputStream(file, LinkOption.NOFOLLOW_LINKS)) {
        return in.readNBytes(ShellLink.LARGEST + 1);
      }
    }

    private List<Launcher> link(String path, byte[] bytes) throws FileProblem {
      ShellLink link = ShellLink.read(path, bytes);
      return List.of(
          new Launcher(
              path,
              fileName(path),
              link.target(),
              link.arguments(),
              link.workingFolder(),
              link.hotKey().stream().toList()));
    }

    private List<Launcher> entry(String path, byte[] bytes) throws FileProblem {
      DesktopEntry entry = DesktopEntry.read(path, bytes);
      List<Launcher> found = new ArrayList<>();
      found.add(
          new Launcher(
              path, entry.name(), entry.starts(), "", entry.workingFolder(), entry.keys()));
      for (DesktopEntry.Action a : entry.actions()) {
        found.add(
            new Launcher(
                path,
                "%s: %s".formatted(entry.name(), a.name()),
                a.starts(),
                "",
                entry.workingFolder(),
                a.keys()));
      }
      return found;
    }
  }
}
