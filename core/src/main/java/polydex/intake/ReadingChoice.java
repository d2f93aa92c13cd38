package polydex.intake;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What a list may mean in two ways: found out from the list as a whole, shown, and switched by the
 * user where it was found out wrongly.
 */
public enum ReadingChoice {
  /** {@code Ctrl+K, Ctrl+S}. */
  COMMAS("What stands between commas", List.of("sequence", "either")),
  /** {@code ["Ctrl+K", "Ctrl+S"]}. */
  ARRAYS("What stands in one array", List.of("either", "sequence")),
  /** {@code Ctrl+Enter/F5}. */
  SLASHES("Modifiers before a slash", List.of("shared", "apart")),
  /** {@code G} beside {@code g}. */
  LETTERS("The case of letters", List.of("ignored", "shift")),
  /** {@code -}. */
  DASHES("A dash by itself", List.of("nothing", "key")),
  /** {@code 2}. */
  SINGLES("A character by itself", List.of("key", "letters", "nothing"));

  private final String title;
  private final List<String> options;

  ReadingChoice(String title, List<String> options) {
    this.title = title;
    this.options = options;
  }

  /** As it is called in sentences. */
  public String title() {
    return title;
  }

  /** What can be chosen, each a word. */
  public List<String> options() {
    return options;
  }

  /** As it is written where it is said: {@code commas}. */
  public String written() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The choice of a name. */
  public static Optional<ReadingChoice> named(String name) {
    return Arrays.stream(values()).filter(c -> c.written().equalsIgnoreCase(name)).findFirst();
  }
}
