package polydex.catalog;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Words that say nothing of what an action does, of {@code small-words.properties}. */
public final class SmallWords {
  private static final ResourceBundle SHIPPED =
      ResourceBundle.getBundle("polydex.catalog.small-words", Locale.ROOT);

  /** Those of titles. */
  static final Set<String> OF_TITLES = Set.of(words("titles"));

  /** Those of questions: the same and more. */
  static final Set<String> OF_QUESTIONS = ofQuestions();

  private static final Map<String, String> CERTAIN = certain();

  private SmallWords() {}

  /** Those that no title needs; "in", "to" and "on" often tell two titles apart. */
  private static final Set<String> ARTICLES = Set.of(words("articles"));

  private static final Set<String> NOT_ON_KEYS = Set.of(words("captions"));

  private static Map<String, String> certain() {
    Map<String, String> all = new HashMap<>();
    for (String group : SHIPPED.getString("certain").split(";")) {
      String[] words = group.split(" ");
      for (String word : words) {
        all.put(word, words[0]);
      }
    }
    return all;
  }

  /**
   * The words of a title for which no other is taken, each as it stands ("Column" and "Columns" are
   * two), or as the one that nobody tells apart from it.
   */
  static Set<String> certain(List<String> words) {
    return words.stream()
        .filter(w -> words.size() == 1 || !ARTICLES.contains(w))
        .map(w -> CERTAIN.getOrDefault(w, w))
        .collect(Collectors.toSet());
  }

  /** The stems of those words of a title that say something. */
  public static Stream<String> without(List<String> words) {
    return words.stream().filter(w -> !OF_TITLES.contains(w)).map(Words::stem);
  }

  /** A title as it fits on a key: without the words that no title needs. */
  public static String shortened(String title) {
    String without =
        Stream.of(title.split(" "))
            .filter(w -> !ARTICLES.contains(w.toLowerCase(Locale.ROOT)))
            .filter(w -> !NOT_ON_KEYS.contains(w.toLowerCase(Locale.ROOT)))
            .collect(Collectors.joining(" "));
    return without.isEmpty() ? title : without;
  }

  private static String[] words(String of) {
    return SHIPPED.getString(of).split(" ");
  }

  private static Set<String> ofQuestions() {
    Set<String> all = new HashSet<>(OF_TITLES);
    all.addAll(List.of(words("questions")));
    return Set.copyOf(all);
  }
}
