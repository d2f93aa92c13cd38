package polydex.files.fit;

import static polydex.files.language.FilesWords.worded;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import polydex.files.FileProblem;
import polydex.files.json.ModelJson;
import polydex.route.Remap;

/** Reads a remap in whichever form its file's name says. */
public final class RemapFiles {
  private RemapFiles() {}

  /** Whether a name is that of a file with a remap in it. */
  public static boolean isOne(String name) {
    return name.endsWith(".json") || name.endsWith(".xkb") || name.endsWith(".hwdb");
  }

  /**
   * The remap in a file.
   *
   * @param path of a {@code .xkb}, {@code .hwdb} or {@code .json} file
   * @throws FileProblem that says what is wrong, and where
   */
  public static Remap read(String path) throws FileProblem {
    Path file;
    try {
      file = Path.of(path.strip());
    } catch (InvalidPathException e) {
      throw new FileProblem(worded("fit.is-no-path", path), e);
    }
    String name = String.valueOf(file.getFileName());
    if (!isOne(name)) {
      throw new FileProblem(worded("fit.is-no-remap-its-name-ends", file));
    }
    if (!Files.isRegularFile(file)) {
      throw FileProblem.missing(file);
    }
    String text;
    try {
      if (Files.size(file) > XkbRemap.LARGEST) {
        throw new FileProblem(worded("fit.is-larger-than-1-mib-nothing", file));
      }
      text = Files.readString(file, StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", file, e.getMessage()), e);
    }
    return name.endsWith(".json")
        ? ModelJson.read(name, text, Remap.class)
        : name.endsWith(".xkb") ? XkbRemap.read(name, text) : HwdbRemap.read(name, text);
  }
}
