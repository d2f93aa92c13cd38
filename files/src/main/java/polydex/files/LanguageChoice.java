package polydex.files;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.language.Language;

/**
 * Which language a person chose, in a small file of theirs; without one, or where it can't be read,
 * the computer's is spoken as far as it is known here.
 */
public final class LanguageChoice {
  private static final long LARGEST_BYTES = 16;

  private LanguageChoice() {}

  /** Speak what was chosen, from the first word on. */
  public static void speak() {
    Language.speak(
        chosen().orElseGet(() -> Language.of(Locale.getDefault(Locale.Category.DISPLAY))));
    // Numbers that are written without a bundle, too.
    Locale.setDefault(Locale.Category.FORMAT, Language.locale());
  }

  /** What was chosen, if anything was. */
  public static Optional<Language> chosen() {
    try {
      Optional<Path> file = place().filter(Files::isRegularFile);
      return file.isPresent() && Files.size(file.get()) <= LARGEST_BYTES
          ? Language.ofCode(Files.readString(file.get()).strip())
          : Optional.empty();
    } catch (IOException e) {
      log().warn("Which language was chosen can't be read", e);
      return Optional.empty();
    }
  }

  /**
   * Keeps a choice for the next start, or that none was made.
   *
   * @throws FileProblem if it can't be kept
   */
  public static void choose(Optional<Language> language) throws FileProblem {
    Optional<Path> file = place();
    if (file.isEmpty()) {
      throw new FileProblem(worded("files.no-folder-keeps-what-is-chosen"));
    }
    if (language.isPresent()) {
      byte[] code = (language.get().code() + "\n").getBytes(StandardCharsets.UTF_8);
      WholeFile.write(code, file.get(), true);
      return;
    }
    try {
      Files.deleteIfExists(file.get());
    } catch (IOException e) {
      throw new FileProblem(
          worded("files.cant-be-written-nothing-was-changed", file.get(), e.getMessage()), e);
    }
  }

  private static Optional<Path> place() {
    return StatePlace.folder().map(f -> f.resolve("language"));
  }

  /** Only where something went wrong, since logging takes its time to start. */
  private static Logger log() {
    return LoggerFactory.getLogger(LanguageChoice.class);
  }
}
