package polydex.desktop.keys;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Gives each line of a menu a letter of its own: an initial of its words where one is left. */
public final class AccessLetters {
  private static final String REST = "abcdefghijklmnopqrstuvwxyz0123456789";

  private AccessLetters() {}

  /** For titles in order, each the first that suits and is left; none when all are taken. */
  public static List<Optional<Character>> of(List<String> titles) {
    Set<Character> taken = new HashSet<>();
    List<Optional<Character>> letters = new ArrayList<>();
    for (String title : titles) {
      String low = title.toLowerCase(Locale.ROOT);
      StringBuilder wanted = new StringBuilder();
      for (String word : low.split("[^a-z0-9]+")) {
        wanted.append(word.isEmpty() ? "" : word.substring(0, 1));
      }
      wanted.append(low.replaceAll("[^a-z0-9]", "")).append(REST);
      Optional<Character> letter =
          wanted.chars().mapToObj(c -> (char) c).filter(c -> !taken.contains(c)).findFirst();
      letter.ifPresent(taken::add);
      letters.add(letter);
    }
    return letters;
  }
}
