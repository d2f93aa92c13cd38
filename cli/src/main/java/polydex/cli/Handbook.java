package polydex.cli;

import static polydex.cli.CliWords.worded;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import picocli.CommandLine;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import polydex.files.ProgramVersion;
import polydex.language.Language;

/**
 * Run by the build: writes the manual page and what shells complete, all from the commands
 * themselves, so that none can tell anything else than the program does.
 */
public final class Handbook {
  /** What opens a window, which the script that starts the program sees to. */
  static final Map<String, String> WINDOWS =
      Map.of(
          "open",
          worded("command.open-a-file-in-a-window"),
          "demo",
          worded("command.open-the-demo-in-a-window"));

  /**
   * A command as shells and readers see it.
   *
   * @param path the words that call it, without the program's name
   * @param about one sentence
   * @param options each with all its names
   */
  record Entry(List<String> path, String about, List<OptionSpec> options, List<String> below) {}

  private Handbook() {}

  /** Writes it into a folder. */
  public static void main(String[] args) throws IOException {
    // The same pages wherever they are built.
    Language.speak(Language.ENGLISH);
    Path folder = Files.createDirectories(Path.of(args[0]));
    List<Entry> entries = entries();
    write(folder.resolve("polydex.1"), ManualPage.of(entries, ProgramVersion.title()));
    write(folder.resolve("polydex.bash"), ShellWords.bash(entries));
    write(folder.resolve("_polydex"), ShellWords.zsh(entries));
    write(folder.resolve("polydex.fish"), ShellWords.fish(entries));
  }

  private static void write(Path file, String text) throws IOException {
    Files.writeString(file, text, StandardCharsets.UTF_8);
  }

  /** All commands and those below them, each with its options. */
  static List<Entry> entries() {
    List<Entry> all = new ArrayList<>();
    add(Main.all().getCommandSpec(), List.of(), all);
    return all;
  }

  private static void add(CommandSpec spec, List<String> path, List<Entry> to) {
    List<OptionSpec> options = spec.options().stream().filter(o -> !o.hidden()).toList();
    String about = String.join(" ", spec.usageMessage().description());
    to.add(new Entry(path, about, options, List.copyOf(spec.subcommands().keySet())));
    for (Map.Entry<String, CommandLine> below : spec.subcommands().entrySet()) {
      List<String> longer = new ArrayList<>(path);
      longer.add(below.getKey());
      add(below.getValue().getCommandSpec(), longer, to);
    }
  }

  /** What an option is for, in one line. */
  static String about(OptionSpec option) {
    return String.join(" ", option.description()).replace("%n", " ").replaceAll("\\s+", " ");
  }

  /** Whether a file comes behind an option. */
  static boolean takesFile(OptionSpec option) {
    return option.type().equals(Path.class);
  }

  /** Whether anything comes behind an option. */
  static boolean takesWord(OptionSpec option) {
    return option.arity().max() > 0;
  }
}
