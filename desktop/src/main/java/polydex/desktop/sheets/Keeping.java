package polydex.desktop.sheets;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Beside;
import polydex.files.store.DailyCopies;
import polydex.files.store.DailyCopies.Copy;

/** What is kept besides the file: copies that can be taken back, and an archive of everything. */
final class Keeping {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEEE, d MMMM uuuu", Locale.ENGLISH);

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
              copy.day().format(DAY), size(copy.bytes()), sound ? "" : ": damaged, can't be taken");
    }

    private static String size(long bytes) {
      return bytes < 1 << 20
          ? "%d kB".formatted(Math.max(1, bytes >> 10))
          : String.format(Locale.ROOT, "%.1f MB", bytes / 1048576.0);
    }
  }

  /** Shows the copies of the file, one of which can be put in its place. */
  void copies() {
    Path file = desk.session().file().get();
    desk.session().say("Looking at the copies ...");
    beside.ask(
        _ -> DailyCopies.of(file).stream().map(c -> new Shown(c, DailyCopies.isSound(c))).toList(),
        all -> show(file, all),
        desk.session()::problem);
  }

  private void show(Path file, List<Shown> all) {
    if (all.isEmpty()) {
      desk.session()
          .say("There is no copy of %s yet. One is made each day.".formatted(file.getFileName()));
      return;
    }
    desk.session().say("");
    desk.dialogs()
        .choose(
            "Copies of " + file.getFileName(),
            "One a day for a week, one a week for two months. The one that you choose is put in"
                + " the file's place; what is there now is kept beside it.",
            all,
            Shown::title,
            shown -> {
              if (shown.sound()) {
                desk.keys().takeBack(shown.copy());
              } else {
                desk.session().problem("This copy is damaged. Take another one.");
              }
            });
  }

  /** Asks for a name, and writes everything into an archive of open formats. */
  void archive() {
    Path file = desk.session().file().get();
    String name = file.getFileName().toString().replaceFirst("\\.polydex$", "");
    desk.dialogs()
        .ask(
            "Write everything out",
            "Folder and name of a new archive",
            file.resolveSibling(name + "-" + desk.session().today() + ".zip").toString(),
            this::archive);
  }

  private void archive(String said) {
    Path to;
    try {
      to = Path.of(said).toAbsolutePath();
    } catch (InvalidPathException e) {
      desk.session().problem("“%s” can't be the name of a file.".formatted(said));
      return;
    }
    desk.session().say("Writing everything out ...");
    desk.session()
        .archive(
            to,
            () ->
                desk.session()
                    .say(
                        "Everything is in %s. To open that makes a file of it again."
                            .formatted(to)));
  }
}
