package polydex.desktop.state;

/** What a person is told of a mistake in the program: that there was one, never its trace. */
public final class Unexpected {
  private Unexpected() {}

  /** A sentence. */
  public static String said(Throwable mistake) {
    return switch (mistake) {
      case OutOfMemoryError _ -> "There was not enough memory for this. Nothing was changed by it.";
      case StackOverflowError _ ->
          "This is nested too deeply to be read. Nothing was changed by it.";
      default ->
          "The program made a mistake here, and has noted it in its log. Go on, or try it another"
              + " way.";
    };
  }
}
