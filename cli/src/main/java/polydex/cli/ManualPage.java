package polydex.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Model.OptionSpec;
import polydex.cli.Handbook.Entry;

/** The manual page, in the macros of man(7). */
final class ManualPage {
  private ManualPage() {}

  static String of(List<Entry> entries, String version) {
    StringBuilder page = new StringBuilder();
    line(page, ".TH POLYDEX 1 \"\" \"" + text(version) + "\" \"User commands\"");
    line(page, ".SH NAME");
    line(page, "polydex \\- learn, drill and audit keyboard shortcuts");
    line(page, ".SH SYNOPSIS");
    line(page, ".B polydex");
    line(page, "[\\fIFILE\\fR]");
    line(page, ".br");
    line(page, ".B polydex");
    line(page, "\\fICOMMAND\\fR [\\fIOPTION\\fR]... [\\fIWORD\\fR]...");
    line(page, ".SH DESCRIPTION");
    line(page, text(SHOWS));
    line(page, ".SH COMMANDS");
    Handbook.WINDOWS.entrySet().stream()
        .sorted(Map.Entry.comparingByKey())
        .forEach(
            w -> {
              line(page, ".TP");
              line(
                  page,
                  ".B polydex "
                      + text(w.getKey())
                      + (w.getKey().equals("open") ? " \\fIFILE\\fR" : ""));
              line(page, text(w.getValue()));
            });
    for (Entry entry : entries) {
      if (!entry.path().isEmpty()) {
        command(page, entry);
      }
    }
    line(page, ".SH EXIT STATUS");
    for (String status : STATUS) {
      line(page, ".TP");
      line(page, ".B " + status.substring(0, status.indexOf(' ')));
      line(page, text(status.substring(status.indexOf(' ') + 1)));
    }
    line(page, ".SH FILES");
    line(page, ".TP");
    line(page, ".I ~/.local/share/polydex/mine.polydex");
    line(page, "Where a first start keeps what is yours, unless XDG_DATA_HOME says otherwise.");
    line(page, ".TP");
    line(page, ".I ~/.local/state/polydex");
    line(page, "What went wrong, which files were open lately, and where the window was.");
    return page.toString();
  }

  private static final String SHOWS =
      "Without a word it opens the file that was open last in a window, or makes a first one; with"
          + " the path of a file it opens that. The commands below need no window.";

  private static final List<String> STATUS =
      List.of(
          Main.DONE + " All went well.",
          Main.NO + " The answer is no: nothing was found, not taken, or refused.",
          Main.USAGE + " The command line was not understood.",
          Main.FILE + " A file can't be used.",
          Main.MISTAKE + " The program made a mistake.");

  private static void command(StringBuilder page, Entry entry) {
    line(page, ".SS polydex " + text(String.join(" ", entry.path())));
    line(page, text(entry.about()));
    for (OptionSpec option : entry.options()) {
      line(page, ".TP");
      String names = "\\fB" + text(String.join(", ", option.names())) + "\\fR";
      line(
          page,
          Handbook.takesWord(option)
              ? names + " \\fI" + text(option.paramLabel()) + "\\fR"
              : names);
      line(page, text(Handbook.about(option)));
    }
  }

  private static void line(StringBuilder page, String text) {
    page.append(text).append('\n');
  }

  /** Nothing in it is taken for a macro or an escape, and a minus is one that can be copied. */
  private static String text(String words) {
    String escaped = words.replace("\\", "\\e").replace("-", "\\-");
    return escaped.startsWith(".") || escaped.startsWith("'") ? "\\&" + escaped : escaped;
  }
}
