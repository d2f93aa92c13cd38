package polydex.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import polydex.cli.ImportAnswer.Table;
import polydex.intake.ListSubject;
import polydex.intake.ReadingChoice;
import polydex.intake.SubjectGuess;

/** What {@code import} prints: what was taken, how it was read, and everything that was not. */
final class ImportWords {
  private ImportWords() {}

  static void print(PrintWriter out, ImportAnswer answer) {
    out.printf(
        "%s: %d %s, %d changed, %d known already, %d gone, %d refused, %d to be asked%n",
        answer.read(),
        answer.taken().size(),
        answer.written() ? "taken" : "would be taken",
        answer.changed().size(),
        answer.known().size(),
        answer.gone().size(),
        answer.refused().size(),
        answer.asked().size());
    out.printf(
        Locale.ROOT,
        "  understood: %,d of %,d lines (%.1f %%), in %d of %d tables%n",
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
      out.printf("  left out: %d entries without a gesture%n", answer.left());
    }
    answer
        .overlooked()
        .forEach(
            o ->
                out.printf(
                    "  not looked at: %s%s%s: %s%n",
                    o.file().isEmpty() ? "" : o.file() + ": ",
                    o.what(),
                    o.line() > 0 ? " on line " + o.line() : "",
                    o.why()));
  }

  private static void about(PrintWriter out, ImportAnswer.About about) {
    boolean unnamed =
        about.subject().equals(ListSubject.OWN.written())
            || about.environment().equals(SubjectGuess.THIS_DESKTOP);
    out.printf(
        "  about %s%s.%s --about says otherwise%n",
        ListSubject.named(about.subject()).orElseThrow().title(),
        unnamed ? "" : ", “" + about.environment() + "”",
        about.why().isEmpty() ? "" : " " + about.why());
  }

  private static void how(PrintWriter out, ImportAnswer answer) {
    answer
        .rules()
        .forEach(
            r ->
                out.printf(
                    "  %d %s %s, such as “%s”: %s%n",
                    r.count(),
                    r.count() == 1 ? "cell" : "cells",
                    r.words(),
                    r.text(),
                    r.reading()));
    if (answer.systems().size() > 1) {
      out.printf(
          "  systems: %s; left: %d; --system says which, and several are an application each%n",
          answer.systems().entrySet().stream()
              .map(
                  e ->
                      "%s (%d%s)"
                          .formatted(
                              e.getKey(),
                              e.getValue().gestures(),
                              e.getValue().taken() ? ", taken" : ""))
              .collect(Collectors.joining(", ")),
          answer.otherSystems());
    }
    if (!answer.language().equals("en")) {
      out.printf("  keys are named as in “%s”%n", answer.language());
    }
    for (Map.Entry<String, String> choice : answer.choices().entrySet()) {
      out.printf("  read with %s=%s; --read says otherwise%n", choice.getKey(), choice.getValue());
    }
  }

  private static void tables(PrintWriter out, List<Table> tables) {
    for (Table t : tables) {
      if (tables.size() > 1 || !t.taken() || !t.why().endsWith(".")) {
        out.printf(
            "  %s %d%s%s%s: %s%n",
            t.taken() ? "table" : "left: table",
            t.number(),
            t.file().isEmpty() ? "" : " of " + t.file(),
            t.line() > 0 ? " on line " + t.line() : "",
            t.title().isBlank() ? "" : " “" + t.title().replace('\n', ' ') + "”",
            t.taken() ? t.why() : t.why() + " --take " + t.number() + " takes it.");
      }
    }
  }

  private static void lines(PrintWriter out, ImportAnswer answer) {
    answer
        .changed()
        .forEach(
            c -> out.printf("  %s: %s, was %s%n", place(c.file(), c.line()), c.text(), c.before()));
    answer.gone().forEach(g -> out.printf("  gone: %s%n", g));
    answer
        .unbound()
        .forEach(
            u ->
                out.printf(
                    "  %s: takes away %s (%s)%n",
                    place(u.file(), u.line()),
                    u.text(),
                    u.bindings() == 0 ? "nothing of it is known here" : "switched off"));
    answer
        .asked()
        .forEach(
            a ->
                out.printf(
                    "  %s: %s Say --read %s%n",
                    place(a.file(), a.line()), a.why(), options(a.choice())));
    answer
        .partly()
        .forEach(
            p ->
                out.printf(
                    "  %s: %s: no gesture in “%s”; the rest is taken%n",
                    place(p.file(), p.line()),
                    p.text().replace('\n', ' '),
                    String.join("”, “", p.unread())));
    if (!answer.withoutGesture().isEmpty()) {
      out.printf("  lines without a gesture: %d%n", answer.withoutGesture().size());
    }
    answer
        .recognised()
        .forEach(
            l ->
                out.printf(
                    "  “%s” is taken for “%s”; --apart keeps them two%n",
                    l.title(), l.actionTitle()));
    answer
        .resembling()
        .forEach(
            l ->
                out.printf(
                    Locale.ROOT,
                    "  “%s” resembles “%s” (%.2f); --match takes it for that%n",
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
        .collect(Collectors.joining(" or "));
  }

  private static String place(String file, int line) {
    return (file.isEmpty() ? "line " : file + ", line ") + line;
  }
}
