package polydex.files.store;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.sqlite.SQLiteConnection;
import polydex.files.FileProblem;

/**
 * Copies of a file, in a folder beside it: one a day for a week, one a week for two months. Each is
 * made by the database's own online backup and checked as a whole before an older one goes.
 */
public final class DailyCopies {
  static final int DAYS = 7;
  static final int DAYS_OF_WEEKS = 61;
  private static final String END = ".polydex";
  private static final int PAGES_A_STEP = 2000;

  /**
   * A copy.
   *
   * @param day the day on which it was made
   * @param bytes its size
   */
  public record Copy(Path file, LocalDate day, long bytes) {}

  private DailyCopies() {}

  /** Where the copies of a file are. */
  public static Path folder(Path file) {
    Path whole = file.toAbsolutePath().normalize();
    return whole.resolveSibling(whole.getFileName() + ".copies");
  }

  /**
   * The copies of a file, the newest first.
   *
   * @throws FileProblem if their folder can't be read
   */
  public static List<Copy> of(Path file) throws FileProblem {
    Path folder = folder(file);
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    List<Copy> found = new ArrayList<>();
    try (Stream<Path> all = Files.list(folder)) {
      for (Path one : all.toList()) {
        Optional<LocalDate> day = day(one);
        if (day.isPresent()) {
          found.add(new Copy(one, day.get(), Files.size(one)));
        }
      }
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", folder, e.getMessage()), e);
    }
    found.sort(Comparator.comparing(Copy::day).reversed());
    return found;
  }

  private static Optional<LocalDate> day(Path file) {
    String name = file.getFileName().toString();
    if (!name.endsWith(END)) {
      return Optional.empty();
    }
    try {
      return Optional.of(LocalDate.parse(name.substring(0, name.length() - END.length())));
    } catch (DateTimeParseException _) {
      return Optional.empty();
    }
  }

  /** Which days' copies are kept: those of a week, and the first of each week of two months. */
  static Set<LocalDate> kept(Set<LocalDate> days, LocalDate today) {
    Set<LocalDate> kept = new HashSet<>();
    Set<Integer> weeks = new HashSet<>();
    days.stream()
        .sorted()
        .forEach(
            day -> {
              boolean inWeeks = day.isAfter(today.minusDays(DAYS_OF_WEEKS));
              int week =
                  day.get(IsoFields.WEEK_BASED_YEAR) * 100
                      + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
              if (day.isAfter(today.minusDays(DAYS)) || (inWeeks && weeks.add(week))) {
                kept.add(day);
                weeks.add(week);
              }
            });
    return kept;
  }

  /**
   * Makes the copy of a day, if there is none yet, and lets go of those that are no longer kept.
   *
   * @return the copy, if one was made
   * @throws FileProblem if it could not be made; the older ones are all there then
   */
  static Optional<Copy> make(Connection from, Path file, LocalDate today) throws FileProblem {
    Path folder = folder(file);
    Path copy = folder.resolve(today + END);
    if (Files.exists(copy)) {
      return Optional.empty();
    }
    Path part = folder.resolve(today + ".part");
    try {
      Files.createDirectories(folder);
      Files.deleteIfExists(part);
      from.unwrap(SQLiteConnection.class)
          .getDatabase()
          .backup("main", part.toString(), null, 0, 1, PAGES_A_STEP);
      if (!FileGate.isWhole(part)) {
        throw new FileProblem(worded("store.the-copy-of-today-in-could", folder));
      }
      Copies.sync(part);
      Files.move(part, copy, StandardCopyOption.ATOMIC_MOVE);
      Copy made = new Copy(copy, today, Files.size(copy));
      letGo(file, today);
      return Optional.of(made);
    } catch (SQLException e) {
      throw StoreProblem.of(copy, e);
    } catch (IOException e) {
      throw new FileProblem(worded("store.cant-be-written", copy, e.getMessage()), e);
    } finally {
      part.toFile().delete();
    }
  }

  private static void letGo(Path file, LocalDate today) throws FileProblem, IOException {
    List<Copy> all = of(file);
    Set<LocalDate> days = new HashSet<>();
    all.forEach(c -> days.add(c.day()));
    Set<LocalDate> kept = kept(days, today);
    for (Copy one : all) {
      if (!kept.contains(one.day()) && !one.day().isAfter(today)) {
        Files.delete(one.file());
      }
    }
  }

  /** A name beside a file that nobody has yet: {@code mine-kept.polydex}. */
  public static Path beside(Path file) {
    return Copies.beside(file.toAbsolutePath().normalize());
  }

  /** Whether all of a copy is sound. */
  public static boolean isSound(Copy copy) {
    return FileGate.isWhole(copy.file());
  }

  /**
   * Puts a copy in the place of the file; what was there is kept beside it under another name.
   *
   * @return where what was there is now, if there was a file
   * @throws FileProblem if the file is open, or the copy is not sound; nothing was changed then
   */
  public static Optional<Path> takeBack(Copy copy, Path file) throws FileProblem {
    if (!isSound(copy)) {
      throw new FileProblem(worded("store.is-damaged-take-another-copy", copy.file()));
    }
    Path whole = file.toAbsolutePath().normalize();
    Path part = whole.resolveSibling(whole.getFileName() + ".part");
    try {
      Files.copy(copy.file(), part, StandardCopyOption.REPLACE_EXISTING);
      Copies.sync(part);
      Optional<Path> aside = Optional.empty();
      if (Files.exists(whole)) {
        if (HeldFile.isOpenHere(whole)) {
          throw FileGate.openElsewhere(whole);
        }
        FileGate.refuseWhereOpen(whole);
        aside = Optional.of(Copies.beside(whole));
        move(whole, aside.get());
      }
      Files.move(part, whole, StandardCopyOption.ATOMIC_MOVE);
      return aside;
    } catch (IOException e) {
      throw new FileProblem(worded("store.cant-be-written", whole, e.getMessage()), e);
    } finally {
      part.toFile().delete();
    }
  }

  /** With the log that a program left beside it that ended suddenly. */
  private static void move(Path from, Path to) throws IOException {
    Path log = Path.of(from + "-wal");
    if (Files.exists(log)) {
      Files.move(log, Path.of(to + "-wal"));
    }
    Files.deleteIfExists(Path.of(from + "-shm"));
    Files.move(from, to, StandardCopyOption.ATOMIC_MOVE);
  }
}
