package polydex.files;

import polydex.intake.Steps;

/** What a person is told of a mistake in the program: that there was one, never its trace. */
public final class Unexpected {
  private Unexpected() {}

  /** A sentence, and where the details are. */
  public static String said(Throwable mistake) {
    return switch (mistake) {
      case OutOfMemoryError _ -> "There was not enough memory for this. Nothing was changed by it.";
      case StackOverflowError _ ->
          "This is nested too deeply to be read. Nothing was changed by it.";
      case Steps.Stopped stopped -> stopped.getMessage();
      default ->
          "The program made a mistake here%s. Go on, or try it another way."
              .formatted(LogPlace.file().map(f -> ", and has noted it in " + f).orElse(""));
    };
  }
}
