package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import javafx.application.Application;
import org.slf4j.LoggerFactory;
import polydex.files.LanguageChoice;
import polydex.files.LogPlace;

/**
 * Starts the program. It is no application itself: Java starts the toolkit of a main class that is
 * one before its main method, which could say nothing then of a display that can't be opened.
 */
public final class Main {
  private static final int NO_DISPLAY = 5;

  private Main() {}

  /** Starts the program. */
  public static void main(String[] args) {
    LogPlace.use();
    LanguageChoice.speak();
    Thread.setDefaultUncaughtExceptionHandler(Windows::noted);
    Runtime.getRuntime()
        .addShutdownHook(Thread.ofPlatform().name("ending").unstarted(Windows::endAll));
    if (System.getenv("DISPLAY") != null || !System.getProperty("os.name").startsWith("Linux")) {
      Windows.begin(args);
    }
    try {
      Application.launch(Windows.class, args);
    } catch (UnsupportedOperationException e) {
      LoggerFactory.getLogger(Main.class).debug("Starting the toolkit", e);
      String display = System.getenv("DISPLAY");
      System.err.println(
          display == null
              ? worded("window.there-is-no-display-here-and")
              : worded("window.the-display-cant-be-opened-is", display));
      System.exit(NO_DISPLAY);
    }
  }
}
