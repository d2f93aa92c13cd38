package polydex.intake;

import static polydex.language.CoreWords.worded;

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
  COMMAS(worded("intake.what-stands-between-commas"), List.of("sequence", "either")),
  /** {@code ["Ctrl+K", "Ctrl+S"]}. */
  ARRAYS(worded("intake.what-stands-in-one-array"), List.of("either", "sequence")),
  /** {@code Ctrl+Enter/F5}. */
  SLASHES(worded("intake.modifiers-before-a-slash"), List.of("shared", "apart")),
  /** {@code G} beside {@code g}. */
  LETTERS(worded("intake.the-case-of-letters"), List.of("ignored", "shift")),
  /** {@code -}. */
  DASHES(worded("intake.a-dash-by-itself"), List.of("nothing", "key")),
  /** {@code 2}. */
  SINGLES(worded("intake.a-character-by-itself"), List.of("key", "letters", "nothing"));

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
          option.equals("sequence")
              ? worded("intake.reads-one-after-the-other")
              : worded("intake.reads-either-of-them");
      case SLASHES ->
          option.equals("shared")
              ? worded("intake.holds-them-for-both")
              : worded("intake.holds-them-for-the-first-only");
      case LETTERS ->
          option.equals("shift")
              ? worded("intake.takes-a-capital-for-shift")
              : worded("intake.takes-capitals-for-the-plain-key");
      case DASHES ->
          option.equals("key")
              ? worded("intake.takes-it-for-a-key")
              : worded("intake.takes-it-for-no-gesture");
      case SINGLES ->
          switch (option) {
            case "key" -> worded("intake.takes-it-for-a-key");
            case "letters" -> worded("intake.takes-letters-for-keys-and-digits");
            default -> worded("intake.takes-it-for-no-key");
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
