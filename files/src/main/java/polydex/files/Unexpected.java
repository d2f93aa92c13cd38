package polydex.files;

import static polydex.files.language.FilesWords.worded;

import polydex.intake.Steps;

/** What a person is told of a mistake in the program: that there was one, never its trace. */
public final class Unexpected {
  private Unexpected() {}

  /** A sentence, and where the details are. */
  public static String said(Throwable mistake) {
    return switch (mistake) {
      case OutOfMemoryError _ -> worded("files.there-was-not-enough-memory-for");
      case StackOverflowError _ -> worded("files.this-is-nested-too-deeply-to");
      case Steps.Stopped stopped -> stopped.getMessage();
      default ->
          worded(
              "files.the-program-made-a-mistake-here",
              LogPlace.file().map(f -> worded("files.and-has-noted-it-in", f)).orElse(""));
    };
  }
}
