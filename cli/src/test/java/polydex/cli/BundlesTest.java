package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine;
import picocli.CommandLine.Model.CommandSpec;

/**
 * Every word of the program stands in a bundle of each language, and no bundle has words that
 * nobody says. Read from the sources as text, so that a slip in how they are looked up is seen.
 */
class BundlesTest {
  private static final String MODULES =
      """
      core,    polydex/language/words
      files,   polydex/files/language/words
      desktop, polydex/desktop/language/words
      cli,     polydex/cli/words
      """;

  private static final Pattern SAID =
      Pattern.compile("\\b(?:worded|wording)\\(\\s*\"([^\"]+)\"\\s*([,)])");
  private static final Pattern FILLED = Pattern.compile("\\{(\\d)[,}]");
  private static final Pattern KEYS = Pattern.compile("(?<!one|other)\\{[A-Za-z_]{2,}\\}");
  private static final Pattern PRINTED = Pattern.compile("%(\\d\\$)?[-+,0-9.]*[a-z]");

  /** Words in a row, as people write them. */
  private static final Pattern SENTENCE =
      Pattern.compile(
          "\"(?:\\\\.|[^\"\\\\\n])*\\b[a-z]{2,} (?:a|an|the|is|are|it|its|of|to|in|no|not) [a-z]"
              + "(?:\\\\.|[^\"\\\\\n])*\"");

  /** A plain word where there is a choice. */
  private static final Pattern CHOSEN =
      Pattern.compile("\\?\\s*\"([A-Za-z][a-z]+(?: [a-z]+)*)\"\\s*:");

  private static final Pattern STYLE = Pattern.compile("\\.([a-z][a-z-]+)");

  /** Names of keys, ids, settings, and what forms of files have. */
  private static final Set<String> NO_WORDS =
      Set.of(
          "Tab",
          "Right",
          "Down",
          "unnamed",
          "key",
          "letters",
          "sequence",
          "before",
          "reserved",
          "yes",
          "gestures",
          "machine");

  /** Said to no one, to who works on the program, or by a library; the names of threads. */
  private static final Pattern OTHERWISE =
      Pattern.compile(
          "LOG\\.|log\\(\\)\\.|\\.debug\\(|IllegalArgumentException|IllegalStateException|UncheckedIO"
              + "|NoSuchElement|SELECT|DELETE|CREATE|PRAGMA|@Command|@Option|@Parameters|@SuppressWarn"
              + "|new Beside\\(|\\blook\\(");

  /**
   * Names that are kept in files, words that are read, the demo's people's, and the manual page.
   */
  private static final Set<String> KEPT =
      Set.of(
          "Deed.java",
          "DemoDay.java",
          "DocumentName.java",
          "HandLines.java",
          "ManualPage.java",
          "ModelFiles.java",
          "ProgramReading.java",
          "Seen.java",
          "SpokenNames.java",
          "Words.java");

  private static Path module(String name) {
    return Path.of("..", name, "src", "main");
  }

  private static Map<String, String> bundle(String module, String name, String ending) {
    Path file = module(module).resolve("resources/" + name + ending + ".properties");
    Properties read = new Properties();
    try (Reader text = Files.newBufferedReader(file)) {
      read.load(text);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return read.stringPropertyNames().stream()
        .collect(Collectors.toMap(k -> k, read::getProperty, (a, _) -> a, TreeMap::new));
  }

  private static Map<Path, String> sources(String module) throws IOException {
    Map<Path, String> all = new LinkedHashMap<>();
    try (Stream<Path> files = Files.walk(module(module).resolve("java"))) {
      for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
        all.put(file, Files.readString(file));
      }
    }
    return all;
  }

  @ParameterizedTest
  @CsvSource(textBlock = MODULES)
  void noWordIsMissingAndNoneIsUnused(String module, String name) throws IOException {
    Map<String, String> english = bundle(module, name, "");
    Map<String, String> german = bundle(module, name, "_de");
    assertThat(german.keySet()).isEqualTo(english.keySet());
    assertThat(english).hasSizeGreaterThan(200);
    Set<String> said = new TreeSet<>();
    Set<String> written = new HashSet<>();
    for (String source : sources(module).values()) {
      SAID.matcher(source).results().forEach(m -> said.add(m.group(1)));
      Pattern.compile("\"([a-z]+\\.[a-z0-9-]+)\"")
          .matcher(source)
          .results()
          .forEach(m -> written.add(m.group(1)));
    }
    assertThat(english.keySet()).as("missing").containsAll(said);
    assertThat(written).as("said by nobody").containsAll(english.keySet());
  }

  @ParameterizedTest
  @CsvSource(textBlock = MODULES)
  void bothLanguagesFillInTheSame(String module, String name) {
    Map<String, String> german = bundle(module, name, "_de");
    List<String> wrong = new ArrayList<>();
    bundle(module, name, "")
        .forEach(
            (key, words) -> {
              String other = german.getOrDefault(key, "");
              for (Pattern what : List.of(FILLED, KEYS)) {
                if (!found(what, words).equals(found(what, other))) {
                  wrong.add(key + ": " + found(what, words) + " " + found(what, other));
                }
              }
              // What is printed by position comes in the same order.
              if (!words.contains("%1$") && !printed(words).equals(printed(other))) {
                wrong.add(key + ": " + printed(words) + " " + printed(other));
              }
              for (String one : List.of(words, other)) {
                if (one.contains(",plural,")) {
                  assertThat(
                          new MessageFormat(KEYS.matcher(one).replaceAll("'$0'"), Locale.GERMAN)
                              .format(new Object[] {1, "a", "b", "c"}))
                      .as(key)
                      .doesNotContain("#", "plural");
                }
              }
            });
    assertThat(wrong).isEmpty();
  }

  private static Set<String> found(Pattern what, String in) {
    return what.matcher(in)
        .results()
        .map(MatchResult::group)
        .map(BundlesTest::bare)
        .collect(Collectors.toCollection(TreeSet::new));
  }

  private static String bare(String place) {
    return place.replace(",", "}");
  }

  private static List<String> printed(String in) {
    return PRINTED
        .matcher(in.replace("%%", ""))
        .results()
        .map(m -> m.group().replaceAll("[-0-9]", ""))
        .toList();
  }

  @ParameterizedTest
  @CsvSource(textBlock = MODULES)
  void whatIsSaidFillsInEveryPlace(String module, String name) throws IOException {
    Map<String, String> english = bundle(module, name, "");
    List<String> wrong = new ArrayList<>();
    for (Map.Entry<Path, String> source : sources(module).entrySet()) {
      SAID.matcher(source.getValue())
          .results()
          .forEach(
              m -> {
                int given = m.group(2).equals(")") ? 0 : arguments(source.getValue(), m.end());
                int wanted =
                    FILLED
                        .matcher(english.getOrDefault(m.group(1), ""))
                        .results()
                        .mapToInt(f -> Integer.parseInt(f.group(1)) + 1)
                        .max()
                        .orElse(0);
                if (given != wanted) {
                  wrong.add(source.getKey().getFileName() + " " + m.group(1) + ": " + given);
                }
              });
    }
    assertThat(wrong).isEmpty();
  }

  /** How many arguments stand from a place to the bracket that closes them. */
  private static int arguments(String source, int from) {
    int commas = 0;
    int deep = 0;
    for (int i = from; deep >= 0; i++) {
      char c = source.charAt(i);
      if (c == '"') {
        do {
          i += source.charAt(i) == '\\' ? 2 : 1;
        } while (source.charAt(i) != '"');
      } else if (c == '\'') {
        i += source.charAt(i + 1) == '\\' ? 3 : 2;
      } else if ("([{".indexOf(c) >= 0) {
        deep++;
      } else if (")]}".indexOf(c) >= 0) {
        deep--;
      } else if (c == ',' && deep == 0) {
        commas++;
      }
    }
    return commas + 1;
  }

  /** No sentence is left in a source, but for what stands for itself. */
  @ParameterizedTest
  @ValueSource(strings = {"core", "files", "desktop", "cli"})
  void noSentenceStandsInASource(String module) throws IOException {
    List<String> found = new ArrayList<>();
    for (Map.Entry<Path, String> source : sources(module).entrySet()) {
      String name = source.getKey().getFileName().toString();
      String code = source.getValue().replaceAll("(?m)^\\s*(//|\\*|/\\*).*$", "");
      SENTENCE
          .matcher(code)
          .results()
          .filter(m -> !OTHERWISE.matcher(statement(code, m.start())).find())
          .filter(_ -> !KEPT.contains(name))
          .forEach(m -> found.add(name + " " + m.group()));
    }
    assertThat(found).isEmpty();
  }

  /** Nor a word of which one is chosen, but for styles and what stands for itself. */
  @ParameterizedTest
  @ValueSource(strings = {"core", "files", "desktop", "cli"})
  void noWordIsChosenInASource(String module) throws IOException {
    Set<String> plain = new HashSet<>(NO_WORDS);
    STYLE
        .matcher(
            Files.readString(module("desktop").resolve("resources/polydex/desktop/polydex.css")))
        .results()
        .forEach(m -> plain.add(m.group(1)));
    List<String> found = new ArrayList<>();
    for (Map.Entry<Path, String> source : sources(module).entrySet()) {
      String name = source.getKey().getFileName().toString();
      CHOSEN
          .matcher(source.getValue())
          .results()
          .filter(m -> !plain.contains(m.group(1)) && !KEPT.contains(name))
          .forEach(m -> found.add(name + " " + m.group(1)));
    }
    assertThat(found).isEmpty();
  }

  /** What stands before a place in its statement. */
  private static String statement(String code, int at) {
    return code.substring(Math.max(0, code.lastIndexOf(";\n", at)), at);
  }

  @Test
  void helpIsCompleteInGerman() {
    Map<String, String> german = bundle("cli", "polydex/cli/commands", "_de");
    Set<String> unused = new TreeSet<>(german.keySet());
    List<String> missing = new ArrayList<>();
    help(Main.all().getCommandSpec(), german, unused, missing);
    assertThat(missing).isEmpty();
    assertThat(unused).isEmpty();
  }

  private static void help(
      CommandSpec spec, Map<String, String> german, Set<String> unused, List<String> missing) {
    String prefix = spec.qualifiedName(".") + ".";
    List<String> keys = new ArrayList<>(List.of("usage.description", "usage.synopsisHeading"));
    if (!spec.usageMessage().exitCodeList().isEmpty()) {
      keys.add("usage.exitCodeListHeading");
    }
    for (int i = 0; i < spec.usageMessage().exitCodeList().size(); i++) {
      keys.add("usage.exitCodeList." + i);
    }
    if (!spec.subcommands().isEmpty()) {
      keys.add("usage.commandListHeading");
    }
    spec.options().forEach(o -> keys.add(o.longestName().replaceFirst("^-+", "")));
    spec.positionalParameters().forEach(p -> keys.add(p.paramLabel() + "[" + p.index() + "]"));
    for (String key : keys) {
      String used = german.containsKey(prefix + key) ? prefix + key : key;
      unused.remove(used);
      if (!german.containsKey(used)) {
        missing.add(prefix + key);
      }
    }
    for (CommandLine sub : spec.subcommands().values()) {
      help(sub.getCommandSpec(), german, unused, missing);
    }
  }
}
