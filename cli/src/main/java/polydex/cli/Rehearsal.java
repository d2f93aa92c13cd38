package polydex.cli;

import java.io.PrintWriter;
import java.io.Writer;
import java.util.List;
import polydex.files.LanguageChoice;
import polydex.files.LogPlace;

/**
 * Run by the build: goes through some commands once, so that Java can note which classes they need
 * and have them ready from then on (JEP 483 and JEP 514).
 */
public final class Rehearsal {
  private static final List<String> LINES =
      List.of(
          "notation Ctrl+Shift+A",
          "notation Ctrl+1..9 --json",
          "find --demo mute",
          "find --demo mute --json",
          "layout us",
          "trace Ctrl+S --demo",
          "reach mute --demo",
          "conflicts --demo",
          "free --demo",
          "drill --due --demo",
          "mouse remaining --demo",
          "--help");

  private Rehearsal() {}

  /** Runs it. */
  public static void main(String[] args) {
    LanguageChoice.speak();
    LogPlace.use();
    PrintWriter nobody = new PrintWriter(Writer.nullWriter());
    for (String line : LINES) {
      Main.run(nobody, nobody, line.split(" ", -1));
    }
  }
}
