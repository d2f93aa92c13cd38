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

  /** What an option does, as the end of a sentence: "reads one after the other". */
  public String does(String option) {
    return switch (this) {
      case COMMAS, ARRAYS ->
          option.equals("sequence") ? "reads one after the other" : "reads either of them";
      case SLASHES ->
          option.equals("shared") ? "holds them for both" : "holds them for the first only";
      case LETTERS ->
          option.equals("shift") ? "takes a capital for Shift" : "takes capitals for the plain key";
      case DASHES -> option.equals("key") ? "takes it for a key" : "takes it for no gesture";
      case SINGLES ->
          switch (option) {
            case "key" -> "takes it for a key";
            case "letters" -> "takes letters for keys and digits for none";
            default -> "takes it for no key";
          };
    };
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
