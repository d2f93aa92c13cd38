package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;
import polydex.files.FileProblem;

/**
 * A store that could not be read or written, told by what it was: by the database's own result code
 * ("Result and Error Codes", sqlite.org/rescode.html), never by the text of its message.
 */
public final class StoreProblem extends FileProblem {
  private static final long serialVersionUID = 1L;

  /** The lower byte of a code names its kind, whatever the rest says in detail. */
  private static final int KIND = 0xff;

  /** What it was. */
  public enum Cause {
    /** There is no room on the disk. */
    FULL(worded("store.there-is-no-room-on-the")),
    /** Another program holds it. */
    BUSY(worded("store.it-is-open-in-another-running")),
    /** It may not be written. */
    FORBIDDEN(worded("store.it-may-not-be-written-to")),
    /** It is not there any more, or not what it was. */
    GONE(worded("store.it-cant-be-opened-look-whether")),
    /** Another file stands in its place, or none. */
    REPLACED(worded("store.it-was-deleted-or-replaced-while")),
    /** The disk or the network under it fails. */
    DEVICE(worded("store.the-disk-does-not-answer-as")),
    /** What is in it is no longer sound. */
    DAMAGED(worded("store.it-is-damaged-bring-back-a")),
    /** It does not take just this, and never will. */
    REFUSED(worded("store.it-does-not-take-this-which"));

    private final String words;

    Cause(String words) {
      this.words = words;
    }
  }

  private final Cause why;

  private StoreProblem(Cause why, Path file, @Nullable Throwable cause) {
    super(worded("store.could-not-be-used", file.getFileName(), why.words), cause);
    this.why = why;
  }

  /** What a failure of the database under a store was. */
  static StoreProblem of(Path file, Throwable failure) {
    return new StoreProblem(cause(failure), file, ofTheDatabase(failure).orElse(failure));
  }

  /** A failure that was found without asking the database. */
  static StoreProblem of(Path file, Cause why) {
    return new StoreProblem(why, file, null);
  }

  private static Cause cause(Throwable failure) {
    for (Throwable t = failure; t != null; t = t.getCause()) {
      if (t instanceof SQLiteException sqlite) {
        return cause(sqlite.getResultCode());
      }
    }
    return Cause.REFUSED;
  }

  private static Cause cause(SQLiteErrorCode code) {
    return switch (code.code & KIND) {
      case 13 -> Cause.FULL; // SQLITE_FULL
      case 5, 6 -> Cause.BUSY; // SQLITE_BUSY, SQLITE_LOCKED
      case 3, 8, 23 -> Cause.FORBIDDEN; // SQLITE_PERM, SQLITE_READONLY, SQLITE_AUTH
      case 14 -> Cause.GONE; // SQLITE_CANTOPEN
      case 11, 26 -> Cause.DAMAGED; // SQLITE_CORRUPT, SQLITE_NOTADB
      case 18, 19, 20, 1 -> Cause.REFUSED; // SQLITE_TOOBIG, _CONSTRAINT, _MISMATCH, _ERROR
      default -> Cause.DEVICE; // SQLITE_IOERR and what else goes wrong below
    };
  }

  /** What it was. */
  public Cause why() {
    return why;
  }

  /** Whether the same may succeed later. */
  public boolean mayPass() {
    return why != Cause.REFUSED;
  }

  /** Whether a failure came from the database at all. */
  static boolean isOfTheDatabase(Throwable failure) {
    return ofTheDatabase(failure).isPresent();
  }

  /** What the database itself said; what is around it repeats the statement and what was in it. */
  private static Optional<Throwable> ofTheDatabase(Throwable failure) {
    for (Throwable t = failure; t != null; t = t.getCause()) {
      if (t instanceof SQLException) {
        return Optional.of(t);
      }
    }
    return Optional.empty();
  }
}
