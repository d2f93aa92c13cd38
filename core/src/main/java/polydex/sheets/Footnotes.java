package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import polydex.catalog.Binding;
import polydex.catalog.Version;

/** Counts footnotes as lines come to need them; the same words have one number. */
final class Footnotes {
  private final Map<String, Integer> numbers = new LinkedHashMap<>();

  int number(String words) {
    return numbers.computeIfAbsent(words, _ -> numbers.size() + 1);
  }

  /** What is to be known of these bindings besides what they do. */
  List<Integer> of(List<Binding> bindings) {
    return bindings.stream()
        .flatMap(b -> Stream.concat(conditions(b.when()), remarks(b.remarks())))
        .map(this::number)
        .distinct()
        .sorted()
        .toList();
  }

  private static Stream<String> remarks(Binding.Remarks remarks) {
    return Stream.of(remarks.caveat(), remarks.note())
        .filter(w -> !w.isBlank())
        .map(Footnotes::sentence);
  }

  private static Stream<String> conditions(Binding.Condition when) {
    List<String> said = new ArrayList<>();
    when.since()
        .map(Version::written)
        .ifPresent(v -> said.add(worded("sheets.from-version-on", v)));
    when.until()
        .map(Version::written)
        .ifPresent(v -> said.add(worded("sheets.before-version-only", v)));
    when.option().ifPresent(o -> said.add(worded("sheets.only-where-the-option-is-on", o)));
    when.device().ifPresent(d -> said.add(worded("sheets.needs", d)));
    return said.stream();
  }

  private static String sentence(String words) {
    String all = words.strip();
    return all.matches("(?s).*[.!?…)]") ? all : all + ".";
  }

  List<String> all() {
    return List.copyOf(numbers.keySet());
  }
}
