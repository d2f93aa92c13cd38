package polydex.cli;

import static polydex.cli.CliWords.worded;
import static polydex.language.Language.quoted;

import java.io.PrintWriter;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import polydex.cli.ImportAnswer.Table;
import polydex.intake.ListSubject;
import polydex.intake.ReadingChoice;
import polydex.intake.SubjectGuess;
import polydex.language.Language;

/** What {@code import} prints: what was taken, how it was read, and everything that was not. */
final class ImportWords {
  private ImportWords() {}

  static void print(PrintWriter out, ImportAnswer answer) {
    out.printf(
        worded("command.changed-known-already-gone-refused-to"),
        answer.read(),
        answer.taken().size(),
        answer.written() ? worded("command.is-taken") : worded("command.would-be-taken"),
        answer.changed().size(),
        answer.known().size(),
        answer.gone().size(),
        answer.refused().size(),
        answer.asked().size());
    out.printf(
        Language.locale(),
        worded("command.understood-of-lines-in-of-tables"),
        answer.lines().understood(),
        answer.lines().all(),
        Math.floor(answer.lines().share() * 1000) / 10,
        answer.tables().stream().filter(Table::taken).count(),
        answer.tables().size());
    answer.about().forEach(a -> about(out, a));
    how(out, answer);
    tables(out, answer.tables());
    lines(out, answer);
    if (answer.left() > 0) {
      out.printf(worded("command.left-out-entries-without-a-gesture"), answer.left());
    }
    answer
        .overlooked()
        .forEach(
            o ->
                out.printf(
                    worded("command.not-looked-at"),
                    o.file().isEmpty() ? "" : o.file() + ": ",
                    o.what(),
                    o.line() > 0 ? worded("command.on-line", o.line()) : "",
                    o.why()));
  }

  private static void about(PrintWriter out, ImportAnswer.About about) {
    boolean unnamed =
        about.subject().equals(ListSubject.OWN.written())
            || about.environment().equals(SubjectGuess.THIS_DESKTOP);
    out.printf(
        worded("command.about-about-says-otherwise"),
        ListSubject.named(about.subject()).orElseThrow().title(),
        unnamed ? "" : ", " + quoted(about.environment()),
        about.why().isEmpty() ? "" : " " + about.why());
  }

  private static void how(PrintWriter out, ImportAnswer answer) {
    answer
        .rules()
        .forEach(
            r ->
                out.printf(
                    worded("command.such-as-2"),
                    r.count(),
                    worded("command.cells", r.count()),
                    r.words(),
                    r.text(),
                    r.reading()));
    if (answer.systems().size() > 1) {
      out.printf(
          worded("command.systems-left-system-says-which-and"),
          answer.systems().entrySet().stream()
              .map(
                  e ->
                      "%s (%d%s)"
                          .formatted(
                              e.getKey(),
                              e.getValue().gestures(),
                              e.getValue().taken() ? worded("command.taken-2") : ""))
              .collect(Collectors.joining(", ")),
          answer.otherSystems());
    }
    if (!answer.language().equals("en")) {
      out.printf(worded("command.keys-are-named-as-in"), answer.language());
    }
    for (Map.Entry<String, String> choice : answer.choices().entrySet()) {
      out.printf(
          worded("command.read-with-read-says-otherwise"), choice.getKey(), choice.getValue());
    }
  }

  private static void tables(PrintWriter out, List<Table> tables) {
    for (Table t : tables) {
      if (tables.size() > 1 || !t.taken() || !t.why().endsWith(".")) {
        out.printf(
            "  %s %d%s%s%s: %s%n",
            t.taken() ? worded("command.table") : worded("command.left-table"),
            t.number(),
            t.file().isEmpty() ? "" : worded("command.of", t.file()),
            t.line() > 0 ? worded("command.on-line", t.line()) : "",
            t.title().isBlank() ? "" : " " + quoted(t.title().replace('\n', ' ')),
            t.taken() ? t.why() : worded("command.take-takes-it", t.why(), t.number()));
      }
    }
  }

  private static void lines(PrintWriter out, ImportAnswer answer) {
    answer
        .changed()
        .forEach(
            c ->
                out.printf(worded("command.was"), place(c.file(), c.line()), c.text(), c.before()));
    answer.gone().forEach(g -> out.printf(worded("command.gone"), g));
    answer
        .unbound()
        .forEach(
            u ->
                out.printf(
                    worded("command.takes-away"),
                    place(u.file(), u.line()),
                    u.text(),
                    u.bindings() == 0
                        ? worded("command.nothing-of-it-is-known-here")
                        : worded("command.switched-off")));
    answer
        .asked()
        .forEach(
            a ->
                out.printf(
                    worded("command.say-read"),
                    place(a.file(), a.line()),
                    a.why(),
                    options(a.choice())));
    answer
        .partly()
        .forEach(
            p ->
                out.printf(
                    worded("command.no-gesture-in-the-rest-is"),
                    place(p.file(), p.line()),
                    p.text().replace('\n', ' '),
                    Language.list(p.unread())));
    if (!answer.withoutGesture().isEmpty()) {
      out.printf(worded("command.lines-without-a-gesture"), answer.withoutGesture().size());
    }
    answer
        .recognised()
        .forEach(
            l ->
                out.printf(
                    worded("command.is-taken-for-apart-keeps-them"), l.title(), l.actionTitle()));
    answer
        .resembling()
        .forEach(
            l ->
                out.printf(
                    Language.locale(),
                    worded("command.resembles-match-takes-it-for-that"),
                    l.title(),
                    l.actionTitle(),
                    l.score()));
    answer
        .refused()
        .forEach(
            r -> out.printf("  %s: %s  %s%n", place(r.file(), r.line()), r.text(), r.reason()));
  }

  private static String options(String choice) {
    return ReadingChoice.named(choice).orElseThrow().options().stream()
        .map(o -> choice + "=" + o)
        .collect(Collectors.joining(worded("command.or-2")));
  }

  private static String place(String file, int line) {
    return (file.isEmpty() ? worded("command.line") : worded("command.line-2", file)) + line;
  }
}
