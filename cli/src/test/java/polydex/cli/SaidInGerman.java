package polydex.cli;

import java.io.PrintStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import polydex.files.LanguageChoice;

/** A program of its own that runs command lines in the language of its machine, one by one. */
final class SaidInGerman {
  /** Ends what a command line said. */
  static final String END = "\u001e";

  private SaidInGerman() {}

  /** Runs the lines. */
  public static void main(String[] lines) {
    LanguageChoice.speak();
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    for (String line : lines) {
      out.print(said(line) + END);
    }
    System.exit(0);
  }

  /** What a command line says. */
  static String said(String line) {
    StringWriter said = new StringWriter();
    PrintWriter to = new PrintWriter(said, true);
    Main.run(to, to, line.split(" "));
    return said.toString();
  }
}
