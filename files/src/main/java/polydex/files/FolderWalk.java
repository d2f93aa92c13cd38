package polydex.files;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Set;
import polydex.keys.Visible;

/**
 * A walk through a folder from outside, or to one file. Symbolic links are never followed, so that
 * nothing outside the folder is opened; how many files and how deep is bounded, and what can't be
 * looked at is told by itself.
 */
public abstract class FolderWalk {
  /** So many folders one inside another. */
  public static final int DEEPEST = 40;

  private final Path top;
  private final int mostFiles;
  private boolean complete = true;

  /**
   * A walk that has not begun.
   *
   * @param mostFiles after how many files it ends
   */
  protected FolderWalk(Path top, int mostFiles) {
    this.top = top;
    this.mostFiles = mostFiles;
  }

  /** Whether somebody still waits for it. */
  protected abstract boolean goesOn(int files);

  /**
   * A file, or a link or whatever else is no folder.
   *
   * @param path as it is called below the folder
   */
  protected abstract void file(Path file, String path, BasicFileAttributes attributes);

  /**
   * Something that could not be looked at.
   *
   * @param reason as the end of a sentence
   */
  protected abstract void failed(String path, String reason);

  /** Whether all was looked at; otherwise there was too much, or nobody waited any more. */
  public final boolean complete() {
    return complete;
  }

  /**
   * Walks.
   *
   * @throws FileProblem where there is no such folder, or it can't be looked into
   */
  public final void walk() throws FileProblem {
    if (!Files.exists(top, LinkOption.NOFOLLOW_LINKS)) {
      throw FileProblem.missing(top);
    }
    if (Files.isSymbolicLink(top)) {
      throw new FileProblem(worded("files.is-a-symbolic-link-and-those", top));
    }
    try {
      Files.walkFileTree(top, Set.of(), DEEPEST, new Visitor());
    } catch (NoSuchFileException e) {
      throw FileProblem.missing(top);
    } catch (IOException e) {
      throw new FileProblem(worded("files.cant-be-looked-into", top, e.getMessage()), e);
    }
  }

  private final class Visitor extends SimpleFileVisitor<Path> {
    private int files;

    @Override
    public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
      if (++files > mostFiles || !goesOn(files)) {
        complete = false;
        return FileVisitResult.TERMINATE;
      }
      if (attributes.isDirectory()) {
        complete = false; // deeper than is looked
      } else {
        file(file, path(file), attributes);
      }
      return FileVisitResult.CONTINUE;
    }

    @Override
    public FileVisitResult visitFileFailed(Path file, IOException e) {
      failed(path(file), reason(e));
      return FileVisitResult.CONTINUE;
    }
  }

  private String path(Path file) {
    String path =
        file.equals(top) ? String.valueOf(file.getFileName()) : top.relativize(file).toString();
    return Visible.of(path.replace('\\', '/'));
  }

  /** Why something can't be read, as the end of a sentence. */
  protected static String reason(IOException e) {
    return e instanceof AccessDeniedException
        ? worded("files.this-user-may-not")
        : Visible.of(String.valueOf(e.getMessage()));
  }
}
