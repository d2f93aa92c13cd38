package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.format.DateTimeFormatter;
import java.util.List;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Beside;
import polydex.files.store.DailyCopies;
import polydex.files.store.DailyCopies.Copy;
import polydex.language.Language;

/** What is kept besides the file: copies that can be taken back, and an archive of everything. */
final class Keeping {
  private static final DateTimeFormatter DAY = Language.dates(worded("sheets.eeee-d-mmmm-uuuu"));

  private final Desk desk;
  private final Beside beside = new Beside("copies");

  Keeping(Desk desk) {
    this.desk = desk;
  }

  /** A copy, and whether it can be read. */
  private record Shown(Copy copy, boolean sound) {
    String title() {
      return "%s, %s%s"
          .formatted(
              copy.day().format(DAY),
              size(copy.bytes()),
              sound ? "" : worded("sheets.damaged-cant-be-taken"));
    }

    private static String size(long bytes) {
      return bytes < 1 << 20
          ? "%d kB".formatted(Math.max(1, bytes >> 10))
          : worded("sheets.mb", decimals(1, bytes / 1048576.0));
    }
  }

  /** Shows the copies of the file, one of which can be put in its place. */
  void copies() {
    Path file = desk.session().file().get();
    desk.session().say(worded("sheets.looking-at-the-copies"));
    beside.ask(
        _ -> DailyCopies.of(file).stream().map(c -> new Shown(c, DailyCopies.isSound(c))).toList(),
        all -> show(file, all),
        desk.session()::problem);
  }

  private void show(Path file, List<Shown> all) {
    if (all.isEmpty()) {
      desk.session().say(worded("sheets.there-is-no-copy-of-yet", file.getFileName()));
      return;
    }
    desk.session().say("");
    desk.dialogs()
        .choose(
            worded("sheets.copies-of", file.getFileName()),
            worded("sheets.one-a-day-for-a-week"),
            all,
            Shown::title,
            shown -> {
              if (shown.sound()) {
                desk.keys().takeBack(shown.copy());
              } else {
                desk.session().problem(worded("sheets.this-copy-is-damaged-take-another"));
              }
            });
  }

  /** Asks for a name, and writes everything into an archive of open formats. */
  void archive() {
    Path file = desk.session().file().get();
    String name = file.getFileName().toString().replaceFirst("\\.polydex$", "");
    desk.dialogs()
        .ask(
            worded("sheets.write-everything-out"),
            worded("sheets.folder-and-name-of-a-new-2"),
            file.resolveSibling(name + "-" + desk.session().today() + ".zip").toString(),
            this::archive);
  }

  private void archive(String said) {
    Path to;
    try {
      to = Path.of(said).toAbsolutePath();
    } catch (InvalidPathException e) {
      desk.session().problem(worded("any.cant-be-the-name-of-a", said));
      return;
    }
    desk.session().say(worded("sheets.writing-everything-out"));
    desk.session()
        .archive(to, () -> desk.session().say(worded("sheets.everything-is-in-to-open-that", to)));
  }
}
