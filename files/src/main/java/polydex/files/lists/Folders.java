package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.zip.GZIPInputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveInputStream;
import polydex.files.FileProblem;
import polydex.files.FolderWalk;
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
  private static final int TAR_BLOCK = 512;
  private static final int TAR_MAGIC = 257;
  private static final long LARGEST_TOTAL = 256L << 20;

  private final List<ListTable> tables = new ArrayList<>();
  private final List<Refused> refused = new ArrayList<>();
  private final List<Overlooked> overlooked = new ArrayList<>();
  private int left;
  private int files;
  private int taken;
  private int entries;
  private long total;

  private Folders() {}

  /** What holds several lists. */
  private enum Kind {
    FOLDER(worded("lists.a-folder")),
    ZIP(worded("lists.a-zip-archive")),
    TAR(worded("lists.a-tar-archive")),
    NONE("");

    private final String words;

    Kind(String words) {
      this.words = words;
    }
  }

  /** Whether a path is a folder or an archive, by its first bytes. */
  static boolean isOne(Path path) throws FileProblem {
    return kind(path) != Kind.NONE;
  }

  private static Kind kind(Path path) throws FileProblem {
    if (Files.isDirectory(path)) {
      return Kind.FOLDER;
    }
    try (InputStream in = new BufferedInputStream(Files.newInputStream(path))) {
      in.mark(4);
      byte[] head = in.readNBytes(4);
      in.reset();
      if (head.length == 4 && head[0] == 'P' && head[1] == 'K' && head[2] == 3 && head[3] == 4) {
        return Kind.ZIP;
      }
      return Text.isPacked(head) && isTar(in) ? Kind.TAR : Kind.NONE;
    } catch (IOException e) {
      throw unreadable(path, e);
    }
  }

  private static FileProblem unreadable(Path path, Exception e) {
    return new FileProblem(worded("any.cant-be-read-nothing-was-taken", path, e.getMessage()), e);
  }

  private static boolean isTar(InputStream packed) {
    try (InputStream in = new GZIPInputStream(packed)) {
      byte[] block = in.readNBytes(TAR_BLOCK);
      return block.length == TAR_BLOCK
          && new String(block, TAR_MAGIC, 5, StandardCharsets.US_ASCII).equals("ustar");
    } catch (IOException _) {
      return false; // who reads it as a text says what is wrong with it
    }
  }

  /**
   * The list of a folder or archive.
   *
   * @throws FileProblem where it can't be read, or holds no list
   */
  static ForeignList read(Path path) throws FileProblem {
    Folders folders = new Folders();
    Kind kind = kind(path);
    try {
      switch (kind) {
        case FOLDER -> folders.folder(path);
        case ZIP -> folders.zip(path);
        case TAR -> folders.tar(path);
        case NONE -> throw new IllegalArgumentException(worded("lists.is-one-file", path));
      }
    } catch (IOException e) {
      throw unreadable(path, e);
    }
    return folders.made(String.valueOf(path.getFileName()), kind.words);
  }

  private void folder(Path root) throws IOException, FileProblem {
    List<Path> all = new ArrayList<>();
    FolderWalk walk =
        new FolderWalk(root, MOST_FILES) {
          @Override
          protected boolean goesOn(int seen) {
            Steps.take(1);
            return true;
          }

          @Override
          protected void file(Path file, String path, BasicFileAttributes attributes) {
            if (attributes.isRegularFile()) {
              all.add(file);
            } else {
              overlooked.add(
                  new Overlooked(
                      path, 0, worded("lists.a-link"), worded("lists.links-are-not-followed")));
            }
          }

          @Override
          protected void failed(String path, String reason) {
            overlooked.add(
                new Overlooked(
                    path, 0, worded("lists.a-file"), worded("lists.it-cant-be-read", reason)));
          }
        };
    walk.walk();
    if (!walk.complete()) {
      overlooked.add(
          new Overlooked(
              "",
              0,
              worded("lists.the-rest-of-the-folder"),
              worded("lists.there-is-too-much-in-it")));
    }
    all.sort(Comparator.naturalOrder());
    for (Path file : all) {
      String path = root.relativize(file).toString();
      try (InputStream in = Files.newInputStream(file, LinkOption.NOFOLLOW_LINKS)) {
        one(path, in.readNBytes((int) Text.LARGEST_BYTES + 1));
      } catch (IOException e) {
        overlooked.add(
            new Overlooked(
                path, 0, worded("lists.a-file"), worded("lists.it-cant-be-read", e.getMessage())));
      }
    }
  }

  private void zip(Path path) throws IOException, FileProblem {
    try (ZipInputStream in =
        new ZipInputStream(new BufferedInputStream(Files.newInputStream(path)))) {
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        counted();
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
        counted();
        if (entry.isFile() && !entry.isLink() && !entry.isSymbolicLink()) {
          entry(entry.getName(), in);
        }
      }
    }
  }

  private void entry(String name, InputStream in) throws IOException, FileProblem {
    one(name, in.readNBytes((int) Text.LARGEST_BYTES + 1));
  }

  /** What has no end ends here: entries that hold nothing count as well. */
  private void counted() throws FileProblem {
    Steps.take(1);
    if (++entries > MOST_FILES) {
      throw tooMuch();
    }
  }

  private static FileProblem tooMuch() {
    return new FileProblem(worded("lists.there-are-more-than-files-or", MOST_FILES));
  }

  private void one(String name, byte[] bytes) throws FileProblem {
    files++;
    total += bytes.length;
    if (total > LARGEST_TOTAL) {
      throw tooMuch();
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
      overlooked.add(new Overlooked(name, 0, worded("lists.a-file"), e.getMessage()));
    }
  }

  private ForeignList made(String name, String kind) throws FileProblem {
    if (tables.isEmpty()) {
      throw new FileProblem(worded("lists.has-files-and-a-list-of", name, files));
    }
    return new ForeignList(
        name,
        worded("lists.lists-in-of-files", kind, taken, files),
        tables,
        refused,
        left,
        overlooked,
        "");
  }
}
