package polydex.cli;

import polydex.language.Words;

/** The words of the command line. */
final class CliWords {
  private static final Words WORDS =
      new Words("polydex.cli.words", CliWords.class.getClassLoader());

  private CliWords() {}

  /** The words under a key, with what is filled in. */
  static String worded(String key, Object... filledIn) {
    return WORDS.worded(key, filledIn);
  }
}
