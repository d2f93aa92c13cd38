package polydex.mouse;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Words;

/**
 * Two letters for each action of a list, by which it is noted: the initials of its first two words
 * if they are free, or else its first letter with a later one, or any two letters of it, or the
 * first that are free at all. Who stands earlier in the list chooses first. O(actions · letters²).
 */
public final class TwoLetters {
  private static final String ALPHABET = "abcdefghijklmnopqrstuvwxyz";

  private final Map<String, Action> byLetters = new LinkedHashMap<>();
  private final Map<ActionId, String> byAction = new LinkedHashMap<>();

  /** Letters for these; what is beyond 676 gets none. */
  public TwoLetters(List<Action> actions) {
    for (Action action : actions) {
      if (!byAction.containsKey(action.id())) {
        letters(action)
            .ifPresent(
                l -> {
                  byLetters.put(l, action);
                  byAction.put(action.id(), l);
                });
      }
    }
  }

  private Optional<String> letters(Action action) {
    List<String> wanted = new ArrayList<>();
    List<String> words =
        Words.of(action.title()).stream().map(TwoLetters::latin).filter(w -> !w.isEmpty()).toList();
    for (int i = 1; i < words.size(); i++) {
      wanted.add("" + words.getFirst().charAt(0) + words.get(i).charAt(0));
    }
    String all = String.join("", words);
    for (int i = 0; i < all.length(); i++) {
      for (int j = i + 1; j < all.length(); j++) {
        wanted.add("" + all.charAt(i) + all.charAt(j));
      }
    }
    for (int i = 0; i < ALPHABET.length(); i++) {
      for (int j = 0; j < ALPHABET.length(); j++) {
        wanted.add("" + ALPHABET.charAt(i) + ALPHABET.charAt(j));
      }
    }
    return wanted.stream().filter(l -> !byLetters.containsKey(l)).findFirst();
  }

  private static String latin(String word) {
    return word.toLowerCase(Locale.ROOT).replaceAll("[^a-z]", "");
  }

  /** The letters of an action, by its id. */
  public Optional<String> of(ActionId action) {
    return Optional.ofNullable(byAction.get(action));
  }

  /** The action of two letters, whatever their case. */
  public Optional<Action> action(String letters) {
    return Optional.ofNullable(byLetters.get(letters.toLowerCase(Locale.ROOT)));
  }

  /** The actions whose letters begin so, in the order in which they were given. */
  public List<Action> beginning(String letter) {
    String wanted = letter.toLowerCase(Locale.ROOT);
    return byLetters.entrySet().stream()
        .filter(e -> e.getKey().startsWith(wanted))
        .map(Map.Entry::getValue)
        .toList();
  }
}
