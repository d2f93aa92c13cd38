package polydex.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine.Model.OptionSpec;
import polydex.cli.Handbook.Entry;

/** What bash, zsh and fish complete behind the program's name. */
final class ShellWords {
  private ShellWords() {}

  private static List<String> first(Entry top) {
    List<String> all = new ArrayList<>(top.below());
    Handbook.WINDOWS.keySet().stream().sorted().forEach(all::add);
    return all;
  }

  private static Stream<String> names(Entry entry) {
    return entry.options().stream().flatMap(o -> Stream.of(o.names()));
  }

  /** For bash: words and options by command, files where an option takes one. */
  static String bash(List<Entry> entries) {
    StringBuilder out = new StringBuilder("# bash completion for polydex\n_polydex() {\n");
    out.append("  local cur=${COMP_WORDS[COMP_CWORD]} prev=${COMP_WORDS[COMP_CWORD-1]} key= i\n");
    out.append("  for ((i = 1; i < COMP_CWORD; i++)); do\n");
    out.append("    case ${COMP_WORDS[i]} in -*) ;; *) case \" ");
    out.append(
        entries.stream().map(e -> String.join("/", e.path())).collect(Collectors.joining(" ")));
    out.append(
        " \" in *\" ${key:+$key/}${COMP_WORDS[i]} \"*) key=${key:+$key/}${COMP_WORDS[i]} ;;");
    out.append(" esac ;; esac\n  done\n");
    out.append("  case $prev in ").append(filed(entries)).append(")\n");
    out.append("    COMPREPLY=($(compgen -f -- \"$cur\")); return ;;\n  esac\n");
    out.append("  case $key in\n");
    for (Entry entry : entries) {
      Stream<String> words =
          Stream.concat(
              entry.path().isEmpty() ? first(entry).stream() : entry.below().stream(),
              names(entry));
      out.append("    '")
          .append(String.join("/", entry.path()))
          .append("') COMPREPLY=($(compgen -W \"");
      out.append(words.collect(Collectors.joining(" "))).append("\" -- \"$cur\")) ;;\n");
    }
    out.append("    *) COMPREPLY=($(compgen -f -- \"$cur\")) ;;\n  esac\n");
    out.append("  [ -n \"${COMPREPLY[*]-}\" ] || COMPREPLY=($(compgen -f -- \"$cur\"))\n");
    return out.append("}\ncomplete -o filenames -F _polydex polydex\n").toString();
  }

  private static String filed(List<Entry> entries) {
    return entries.stream()
        .flatMap(e -> e.options().stream())
        .filter(Handbook::takesFile)
        .flatMap(o -> Stream.of(o.names()))
        .distinct()
        .sorted()
        .collect(Collectors.joining("|"));
  }

  /** For zsh, with what each word is for. */
  static String zsh(List<Entry> entries) {
    StringBuilder out = new StringBuilder("#compdef polydex\n_polydex() {\n");
    out.append(
        "  local key= word\n  for word in ${words[2,CURRENT-1]}; do\n    case \"$key/$word\" in ");
    out.append(
        entries.stream()
            .filter(e -> !e.path().isEmpty())
            .map(e -> "'/" + String.join("/", e.path()) + "'")
            .collect(Collectors.joining("|")));
    out.append(") key=\"$key/$word\" ;; esac\n  done\n  local -a all\n  case $key in\n");
    for (Entry entry : entries) {
      String key = entry.path().isEmpty() ? "" : "/" + String.join("/", entry.path());
      out.append("    '").append(key).append("') all=(\n");
      if (entry.path().isEmpty()) {
        Handbook.WINDOWS.entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .forEach(w -> out.append(described(w.getKey(), w.getValue())));
      }
      entries.stream()
          .filter(e -> e.path().size() == entry.path().size() + 1)
          .filter(e -> e.path().subList(0, entry.path().size()).equals(entry.path()))
          .forEach(e -> out.append(described(e.path().getLast(), e.about())));
      for (OptionSpec option : entry.options()) {
        for (String name : option.names()) {
          out.append(described(name, Handbook.about(option)));
        }
      }
      out.append("    ) ;;\n");
    }
    out.append("  esac\n  _describe polydex all\n  _files\n}\n");
    return out.append("_polydex \"$@\"\n").toString();
  }

  private static String described(String word, String about) {
    return "      " + quoted(word.replace(":", "\\:") + ":" + about.replace(":", "\\:")) + "\n";
  }

  /** For fish, a line for each word and option. */
  static String fish(List<Entry> entries) {
    StringBuilder out = new StringBuilder("# fish completion for polydex\n");
    Handbook.WINDOWS.entrySet().stream()
        .sorted(Map.Entry.comparingByKey())
        .forEach(
            w ->
                out.append(
                    String.format(
                        Locale.ROOT,
                        "complete -c polydex -n __fish_use_subcommand -a %s -d %s%n",
                        w.getKey(),
                        fishQuoted(w.getValue()))));
    for (Entry entry : entries) {
      if (entry.path().isEmpty()) {
        continue;
      }
      String last = entry.path().getLast();
      String where =
          entry.path().size() == 1
              ? "__fish_use_subcommand"
              : "__fish_seen_subcommand_from " + entry.path().getFirst();
      out.append(
          String.format(
              Locale.ROOT,
              "complete -c polydex -n %s -a %s -d %s%n",
              fishQuoted(where),
              last,
              fishQuoted(entry.about())));
      for (OptionSpec option : entry.options()) {
        out.append("complete -c polydex -n ");
        out.append(fishQuoted("__fish_seen_subcommand_from " + last));
        for (String name : option.names()) {
          out.append(
              name.startsWith("--") ? " -l " + name.substring(2) : " -s " + name.substring(1));
        }
        if (Handbook.takesWord(option)) {
          out.append(Handbook.takesFile(option) ? " -r -F" : " -x");
        }
        out.append(" -d ").append(fishQuoted(Handbook.about(option))).append('\n');
      }
    }
    return out.toString();
  }

  /** In single quotes, which nothing ends but another; fish alone reads escapes in them. */
  private static String quoted(String words) {
    return "'" + words.replace("'", "\u2019") + "'";
  }

  private static String fishQuoted(String words) {
    return quoted(words.replace("\\", "\\\\"));
  }
}
