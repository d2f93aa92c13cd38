package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.Path;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import polydex.desktop.RefusalWindow.Offer;
import polydex.files.FileProblem;
import polydex.files.store.DailyCopies;
import polydex.files.store.DailyCopies.Copy;
import polydex.files.store.Salvage;
import polydex.language.Language;

/** What can be done about a damaged file, which is itself never written to. */
final class Damage {
  private static final DateTimeFormatter DAY = Language.dates(worded("any.d-mmmm"));

  private Damage() {}

  /**
   * The newest copy that is sound in its place, and what can still be read of it in a new file.
   *
   * @param open opens a file, and says something in it
   * @param failed hears why not
   */
  static List<Offer> offers(Path file, BiConsumer<Path, String> open, Consumer<String> failed) {
    List<Offer> offers = new ArrayList<>();
    newest(file)
        .ifPresent(
            copy ->
                offers.add(
                    new Offer(
                        worded("window.take-the-copy-of", day(copy)),
                        () -> trying(() -> take(copy, file, open), failed))));
    Path saved = DailyCopies.beside(file);
    offers.add(
        new Offer(
            worded("window.save-what-can-be-read"),
            () -> trying(() -> save(file, saved, open), failed)));
    return offers;
  }

  /** The day of a copy as people say it. */
  static String day(Copy copy) {
    return copy.day().format(DAY);
  }

  private interface Work {
    void run() throws FileProblem;
  }

  private static void trying(Work work, Consumer<String> failed) {
    try {
      work.run();
    } catch (FileProblem e) {
      failed.accept(e.getMessage());
    }
  }

  private static Optional<Copy> newest(Path file) {
    try {
      return DailyCopies.of(file).stream().filter(DailyCopies::isSound).findFirst();
    } catch (FileProblem _) {
      return Optional.empty(); // there is nothing to offer, then
    }
  }

  private static void take(Copy copy, Path file, BiConsumer<Path, String> open) throws FileProblem {
    Optional<Path> kept = DailyCopies.takeBack(copy, file);
    open.accept(
        file,
        worded(
            "window.the-copy-of-is-in-place",
            day(copy),
            kept.map(k -> worded("window.the-damaged-file-is-kept-as", k.getFileName()))
                .orElse("")));
  }

  private static void save(Path file, Path to, BiConsumer<Path, String> open) throws FileProblem {
    long rows = Salvage.of(file, to).values().stream().mapToLong(Long::longValue).sum();
    open.accept(to, worded("window.things-could-be-read-of-and", rows, file.getFileName()));
  }
}
