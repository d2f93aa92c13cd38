package polydex.files.lists;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.FileVisitOption;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveInputStream;
import polydex.files.FileProblem;
import polydex.files.lists.ForeignList.Overlooked;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.ListTable;
import polydex.intake.Steps;

/**
 * A folder or an archive ({@code .zip}, {@code .tar.gz}) of lists: one list over all, by file.
 * Nothing is unpacked to disk, so that no path can leave its folder; links are not followed, what
 * is in an archive in an archive is not read, and sizes are bounded.
 */
final class Folders {
  private static final int MOST_FILES = 20_000;
  private static final int DEEPEST = 40;
  private static final long LARGEST_TOTAL = 256L << 20;

  private final List<ListTable> tables = new ArrayList<>();
  private final List<Refused> refused = new ArrayList<>();
  private final List<Overlooked> overlooked = new ArrayList<>();
  private int left;
  private int files;
  private int taken;
  private long total;

  private Folders() {}

  /** The list of a folder or archive; none where a path is neither. */
  static Optional<ForeignList> read(Path path) throws FileProblem {
    Folders folders = new Folders();
    String name = String.valueOf(path.getFileName());
    try {
      if (Files.isDirectory(path)) {
        folders.folder(path);
        return Optional.of(folders.made(name, "a folder"));
      }
      byte[] head = new byte[4];
      try (InputStream in = Files.newInputStream(path)) {
        if (in.readNBytes(head, 0, 4) < 4) {
          return Optional.empty();
        }
      }
      if (head[0] == 'P' && head[1] == 'K' && head[2] == 3 && head[3] == 4) {
        folders.zip(path);
        return Optional.of(folders.made(name, "a ZIP archive"));
      }
      if ((head[0] & 0xff) == 0x1f && (head[1] & 0xff) == 0x8b && isTar(path)) {
        folders.tar(path);
        return Optional.of(folders.made(name, "a tar archive"));
      }
      return Optional.empty();
    } catch (IOException e) {
      throw new FileProblem(
          "%s can't be read: %s. Nothing was taken.".formatted(path, e.getMessage()), e);
    }
  }

  private static boolean isTar(Path path) throws IOException {
    try (InputStream in =
        new GZIPInputStream(new BufferedInputStream(Files.newInputStream(path)))) {
      byte[] block = in.readNBytes(512);
      return block.length == 512
          && new String(block, 257, 5, java.nio.charset.StandardCharsets.US_ASCII).equals("ustar");
    }
  }

  private void folder(Path root) throws IOException, FileProblem {
    List<Path> all;
    try (Stream<Path> walk = Files.walk(root, DEEPEST, new FileVisitOption[0])) {
      all =
          walk.filter(Files::isRegularFile)
              .filter(p -> !Files.isSymbolicLink(p))
              .sorted()
              .limit(MOST_FILES + 1L)
              .toList();
    }
    for (Path file : all) {
      Steps.take(1);
      String name = root.relativize(file).toString();
      if (Files.size(file) > Text.LARGEST_BYTES) {
        overlooked.add(new Overlooked(name, 0, "a file", "It is larger than 64 MiB."));
      } else {
        one(name, Files.readAllBytes(file));
      }
    }
  }

  private void zip(Path path) throws IOException, FileProblem {
    try (ZipInputStream in =
        new ZipInputStream(new BufferedInputStream(Files.newInputStream(path)))) {
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        if (!entry.isDirectory()) {
          entry(entry.getName(), in);
        }
      }
    }
  }

  private void tar(Path path) throws IOException, FileProblem {
    try (TarArchiveInputStream in =
        new TarArchiveInputStream(
            new GZIPInputStream(new BufferedInputStream(Files.newInputStream(path))))) {
      for (TarArchiveEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        if (entry.isFile() && !entry.isLink() && !entry.isSymbolicLink()) {
          entry(entry.getName(), in);
        }
      }
    }
  }

  private void entry(String name, InputStream in) throws IOException, FileProblem {
    byte[] bytes = in.readNBytes((int) Text.LARGEST_BYTES + 1);
    if (bytes.length > Text.LARGEST_BYTES) {
      throw new FileProblem(name + " unpacks to more than 64 MiB. Nothing was taken.");
    }
    one(name, bytes);
  }

  private void one(String name, byte[] bytes) throws FileProblem {
    total += bytes.length;
    if (++files > MOST_FILES || total > LARGEST_TOTAL) {
      throw new FileProblem(
          "There are more than %,d files or 256 MiB in it. Take a part of it. Nothing was taken."
              .formatted(MOST_FILES));
    }
    try {
      ForeignList list = ListReader.read(name, Text.of(name, new ByteArrayInputStream(bytes)));
      taken++;
      list.tables().forEach(t -> tables.add(t.in(name)));
      list.refused().forEach(r -> refused.add(new Refused(r.line(), r.text(), r.reason(), name)));
      list.overlooked()
          .forEach(o -> overlooked.add(new Overlooked(name, o.line(), o.what(), o.why())));
      left += list.left();
      ListReader.checkRows(name, tables.stream().mapToInt(t -> t.rows().size()).sum());
    } catch (FileProblem e) {
      overlooked.add(new Overlooked(name, 0, "a file", e.getMessage()));
    }
  }

  private ForeignList made(String name, String kind) throws FileProblem {
    if (tables.isEmpty()) {
      throw new FileProblem(
          "%s has %,d files, and a list of gestures in none of them. Nothing was taken."
              .formatted(name, files));
    }
    return new ForeignList(
        name,
        "%s, lists in %,d of %,d files".formatted(kind, taken, files),
        tables,
        refused,
        left,
        overlooked,
        "");
  }
}
