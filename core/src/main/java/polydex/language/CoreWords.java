package polydex.language;

/** The words of the core. */
public final class CoreWords {
  private static final Words WORDS =
      new Words("polydex.language.words", CoreWords.class.getClassLoader());

  private CoreWords() {}

  /** The words under a key, with what is filled in. */
  public static String worded(String key, Object... filledIn) {
    return WORDS.worded(key, filledIn);
  }

  /** The words under a key, to be had in each language. */
  public static Wording wording(String key) {
    return new Wording(WORDS, key);
  }
}
