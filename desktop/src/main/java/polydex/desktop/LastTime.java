package polydex.desktop;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;
import polydex.files.StatePlace;
import polydex.files.WholeFile;

/**
 * What the program knows of the last time it ran: where its window was and how it looked, and which
 * files were open. In a small file of the person's; what can't be read of it is as if it had never
 * been.
 */
final class LastTime {
  private static final Logger LOG = LoggerFactory.getLogger(LastTime.class);
  private static final int MOST = 9;
  private static final long LARGEST_BYTES = 1 << 16;

  /**
   * A window on the screen, in pixels.
   *
   * @param full whether it filled the screen
   */
  record Bounds(double x, double y, double width, double height, boolean full) {}

  private LastTime() {}

  private static Optional<Path> place() {
    return StatePlace.folder().map(f -> f.resolve("window.properties"));
  }

  private static Properties read() {
    Properties found = new Properties();
    try {
      Optional<Path> file = place().filter(Files::isRegularFile);
      if (file.isPresent() && Files.size(file.get()) < LARGEST_BYTES) {
        found.load(new StringReader(Files.readString(file.get())));
      }
    } catch (IOException | IllegalArgumentException e) {
      LOG.warn("What was kept of the window can't be read", e);
    }
    return found;
  }

  private static void write(Properties kept) {
    Optional<Path> file = place();
    if (file.isEmpty()) {
      return;
    }
    try (StringWriter text = new StringWriter()) {
      kept.store(text, null);
      WholeFile.write(text.toString().getBytes(StandardCharsets.UTF_8), file.get(), true);
    } catch (IOException | FileProblem e) {
      LOG.warn("The place of the window can't be kept", e);
    }
  }

  /** Where the window was, if that is known. */
  static Optional<Bounds> bounds() {
    Properties kept = read();
    try {
      return Optional.of(
          new Bounds(
              number(kept, "x"),
              number(kept, "y"),
              number(kept, "width"),
              number(kept, "height"),
              Boolean.parseBoolean(kept.getProperty("full"))));
    } catch (NumberFormatException e) {
      return Optional.empty(); // never kept, or not by us
    }
  }

  private static double number(Properties kept, String name) {
    double number = Double.parseDouble(kept.getProperty(name, "none"));
    if (!Double.isFinite(number)) {
      throw new NumberFormatException(name);
    }
    return number;
  }

  /** Which theme it had. */
  static String theme() {
    return Optional.ofNullable(read().getProperty("theme"))
        .filter(t -> Stream.of(Look.Theme.values()).anyMatch(one -> one.style().equals(t)))
        .orElse(Look.Theme.LIGHT.style());
  }

  /** Keeps where a window is and how it looks. */
  static void keep(Bounds bounds, String theme) {
    Properties kept = read();
    kept.setProperty("x", String.valueOf(bounds.x()));
    kept.setProperty("y", String.valueOf(bounds.y()));
    kept.setProperty("width", String.valueOf(bounds.width()));
    kept.setProperty("height", String.valueOf(bounds.height()));
    kept.setProperty("full", String.valueOf(bounds.full()));
    kept.setProperty("theme", theme);
    write(kept);
  }

  /** The files that were open lately and are still there, the newest first. */
  static List<Path> files() {
    Properties kept = read();
    List<Path> found = new ArrayList<>();
    for (int i = 1; i <= MOST; i++) {
      String path = kept.getProperty("file." + i);
      if (path != null) {
        try {
          Optional.of(Path.of(path)).filter(Files::isRegularFile).ifPresent(found::add);
        } catch (InvalidPathException e) {
          LOG.warn("Not by us: {}", path, e);
        }
      }
    }
    return found;
  }

  /** Keeps that a file was opened. */
  static void opened(Path file) {
    Path whole = file.toAbsolutePath().normalize();
    List<Path> all = new ArrayList<>(List.of(whole));
    files().stream().filter(f -> !f.equals(whole)).limit(MOST - 1L).forEach(all::add);
    Properties kept = read();
    IntStream.rangeClosed(1, MOST).forEach(i -> kept.remove("file." + i));
    IntStream.range(0, all.size())
        .forEach(i -> kept.setProperty("file." + (i + 1), all.get(i).toString()));
    write(kept);
  }
}
