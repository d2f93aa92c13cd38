package polydex.catalog;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.stream.Stream;

/** Words that say nothing of what an action does, of {@code small-words.properties}. */
public final class SmallWords {
  private static final ResourceBundle SHIPPED =
      ResourceBundle.getBundle("polydex.catalog.small-words", Locale.ROOT);

  /** Those of titles. */
  static final Set<String> OF_TITLES = Set.of(words("titles"));

  /** Those of questions: the same and more. */
  static final Set<String> OF_QUESTIONS = ofQuestions();

  private SmallWords() {}

  /** The stems of those words of a title that say something. */
  public static Stream<String> without(List<String> words) {
    return words.stream().filter(w -> !OF_TITLES.contains(w)).map(Words::stem);
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
