package polydex.files.language;

import polydex.language.Words;

/** The words of what reads and writes files. */
public final class FilesWords {
  private static final Words WORDS =
      new Words("polydex.files.language.words", FilesWords.class.getClassLoader());

  private FilesWords() {}

  /** The words under a key, with what is filled in. */
  public static String worded(String key, Object... filledIn) {
    return WORDS.worded(key, filledIn);
  }
}
