package polydex.language;

import java.util.Arrays;

/** What is called by other words in each language, with nothing to be filled in. */
public record Wording(Words words, String key) {
  /** In the language that is spoken. */
  public String now() {
    return in(Language.now());
  }

  /** In a language. */
  public String in(Language language) {
    return words.in(language, key);
  }

  /** Whether it is called so in any language; those of others are read only where it is not. */
  public boolean is(String called) {
    return now().equals(called)
        || Arrays.stream(Language.values()).anyMatch(l -> in(l).equals(called));
  }
}
