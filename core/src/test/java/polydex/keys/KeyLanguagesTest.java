package polydex.keys;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.DynamicTest.dynamicTest;

import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/** Every name of every language, read as the table of languages has it, by itself and held. */
class KeyLanguagesTest {
  private static final Set<String> MODIFIERS =
      Set.of("Ctrl", "Shift", "Alt", "Meta", "AltGr", "Fn");

  private static Properties table() throws Exception {
    Properties all = new Properties();
    try (InputStream in =
        KeyLanguage.class.getResourceAsStream("/polydex/keys/languages.properties")) {
      all.load(new InputStreamReader(in, StandardCharsets.UTF_8));
    }
    return all;
  }

  /** The lines of a language: what is meant, and its names. */
  private static Map<String, List<String>> of(KeyLanguage language, Properties table) {
    Map<String, List<String>> all = new HashMap<>();
    String prefix = language.code() + ".";
    for (String name : table.stringPropertyNames()) {
      if (name.startsWith(prefix)) {
        all.put(name.substring(prefix.length()), List.of(table.getProperty(name).split(";")));
      }
    }
    return all;
  }

  @TestFactory
  Stream<DynamicTest> everyNameOfAKeyIsRead() throws Exception {
    Properties table = table();
    return Stream.of(KeyLanguage.values())
        .filter(l -> l != KeyLanguage.ENGLISH)
        .map(l -> dynamicTest(l.name(), () -> readsAll(l, of(l, table))));
  }

  private static void readsAll(KeyLanguage language, Map<String, List<String>> table) {
    GestureReader reader = GestureReader.PLAIN.in(language);
    assertThat(table.keySet()).contains("Delete", "Space", "ArrowLeft", "ArrowUp", "PageDown");
    List<String> wrong = new ArrayList<>();
    int keys = 0;
    for (Map.Entry<String, List<String>> line : table.entrySet()) {
      for (String name : line.getValue()) {
        String meant = meant(line.getKey());
        if (meant.isEmpty()) {
          continue;
        }
        keys++;
        for (List<String> pair :
            List.of(
                List.of(name, meant),
                List.of("Ctrl+" + name, "Ctrl+" + meant),
                List.of("Ctrl+Alt+" + name.toUpperCase(Locale.ROOT), "Ctrl+Alt+" + meant))) {
          String read = read(reader, pair.getFirst());
          if (!read.equals(Gesture.parse(pair.getLast()).toString())) {
            wrong.add(pair.getFirst() + " is " + pair.getLast() + ", read " + read);
          }
        }
      }
    }
    assertThat(wrong).isEmpty();
    assertThat(keys).isGreaterThan(25);
  }

  private static String read(GestureReader reader, String text) {
    try {
      return reader.read(text).gesture().toString();
    } catch (GestureSyntaxException e) {
      return e.getMessage();
    }
  }

  /** Our own name of a key of the table; nothing for what is no key. */
  private static String meant(String what) {
    if (MODIFIERS.contains(what)) {
      return "";
    }
    return Stream.of(Key.values())
        .filter(k -> k.name().equals(what))
        .findFirst()
        .map(k -> new KeyRef.Placed(k).toString())
        .orElse("");
  }

  /** A name that two lines have would be read by chance. */
  @TestFactory
  Stream<DynamicTest> noNameMeansTwoThings() throws Exception {
    Properties table = table();
    return Stream.of(KeyLanguage.values())
        .map(
            language ->
                dynamicTest(
                    language.name(),
                    () -> {
                      Set<String> seen = new HashSet<>();
                      of(language, table)
                          .forEach(
                              (what, names) -> {
                                if (!what.equals("suffix")) {
                                  names.forEach(
                                      n -> assertThat(seen.add(n)).as(what + ": " + n).isTrue());
                                }
                              });
                    }));
  }
}
