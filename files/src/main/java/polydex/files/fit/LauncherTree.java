package polydex.files.fit;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import polydex.files.FileProblem;
import polydex.fit.Compared.Found;
import polydex.keys.Gesture;
import polydex.keys.Visible;

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

  /** So many folders one inside another. */
  public static final int DEEPEST = 40;

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
    if (!Files.exists(top, LinkOption.NOFOLLOW_LINKS)) {
      throw FileProblem.missing(top);
    }
    if (Files.isSymbolicLink(top)) {
      throw new FileProblem(
          "%s is a symbolic link, and those are not followed. Name the folder itself."
              .formatted(top));
    }
    Visitor visitor = new Visitor(top, looked, stopped);
    try {
      Files.walkFileTree(top, Set.of(), DEEPEST, visitor);
    } catch (NoSuchFileException e) {
      throw FileProblem.missing(top);
    } catch (IOException e) {
      throw new FileProblem("%s can't be looked into: %s.".formatted(top, e.getMessage()), e);
    }
    visitor.launchers.sort(Comparator.comparing(Launcher::path));
    visitor.refused.sort(Comparator.naturalOrder());
    return new LauncherTree(
        visitor.launchers, visitor.refused, visitor.passedOver, visitor.complete);
  }

  private static final class Visitor extends SimpleFileVisitor<Path> {
    final List<Launcher> launchers = new ArrayList<>();
    final List<String> refused = new ArrayList<>();
    int passedOver;
    boolean complete = true;
    private final Path top;
    private final IntConsumer looked;
    private final BooleanSupplier stopped;
    private int files;

    Visitor(Path top, IntConsumer looked, BooleanSupplier stopped) {
      this.top = top;
      this.looked = looked;
      this.stopped = stopped;
    }

    @Override
    public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
      if (++files > MOST_FILES || stopped.getAsBoolean()) {
        complete = false;
        return FileVisitResult.TERMINATE;
      }
      looked.accept(files);
      String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
      boolean link = name.endsWith(".lnk");
      if (attributes.isDirectory()) {
        complete = false; // deeper than is looked
      } else if (!isLauncher(file)) {
        passedOver++;
      } else if (!attributes.isRegularFile()) {
        refused.add(path(file) + " is a symbolic link or no plain file. It was not opened.");
      } else {
        take(file, link);
      }
      return FileVisitResult.CONTINUE;
    }

    @Override
    public FileVisitResult visitFileFailed(Path file, IOException e) {
      refused.add("%s can't be read: %s.".formatted(path(file), reason(e)));
      return FileVisitResult.CONTINUE;
    }

    private static String reason(IOException e) {
      return e.getClass().getSimpleName().startsWith("AccessDenied")
          ? "this user may not"
          : Visible.of(String.valueOf(e.getMessage()));
    }

    private String path(Path file) {
      String path =
          file.equals(top) ? file.getFileName().toString() : top.relativize(file).toString();
      return Visible.of(path.replace('\\', '/'));
    }

    private void take(Path file, boolean link) {
      try {
        byte[] bytes = bytes(file);
        launchers.addAll(link ? link(file, bytes) : entry(file, bytes));
      } catch (FileProblem e) {
        refused.add(e.getMessage());
      } catch (IOException e) {
        refused.add("%s can't be read: %s.".formatted(path(file), reason(e)));
      }
    }

    /** One byte more than is read at most, so that a file that is too large shows as such. */
    private static byte[] bytes(Path file) throws IOException {
      try (InputStream in = Files.newInputStream(file, LinkOption.NOFOLLOW_LINKS)) {
        return in.readNBytes(ShellLink.LARGEST + 1);
      }
    }

    private List<Launcher> link(Path file, byte[] bytes) throws FileProblem {
      ShellLink link = ShellLink.read(path(file), bytes);
      return List.of(
          new Launcher(
              path(file),
              fileName(path(file)),
              link.target(),
              link.arguments(),
              link.workingFolder(),
              link.hotKey().stream().toList()));
    }

    private List<Launcher> entry(Path file, byte[] bytes) throws FileProblem {
      DesktopEntry entry = DesktopEntry.read(path(file), bytes);
      List<Launcher> found = new ArrayList<>();
      found.add(
          new Launcher(
              path(file), entry.name(), entry.starts(), "", entry.workingFolder(), entry.keys()));
      for (DesktopEntry.Action a : entry.actions()) {
        found.add(
            new Launcher(
                path(file),
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
