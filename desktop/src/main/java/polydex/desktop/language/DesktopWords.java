package polydex.desktop.language;

import polydex.language.Words;

/** The words of the window. */
public final class DesktopWords {
  private static final Words WORDS =
      new Words("polydex.desktop.language.words", DesktopWords.class.getClassLoader());

  private DesktopWords() {}

  /** The words under a key, with what is filled in. */
  public static String worded(String key, Object... filledIn) {
    return WORDS.worded(key, filledIn);
  }
}
