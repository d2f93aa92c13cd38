package polydex.files.fit;

import static polydex.files.language.FilesWords.worded;

import java.util.List;
import java.util.Optional;
import polydex.catalog.ChangeSteps;
import polydex.files.FileProblem;
import polydex.fit.OwnBinding;
import polydex.fit.Target;
import polydex.keys.Accelerators;
import polydex.keys.Gesture;
import polydex.keys.Visible;

/**
 * The settings that make a binding of one's own, on platforms whose settings are open text. They
 * are shown, copied or saved, never run.
 *
 * @param fileName as it may be saved
 * @param text what it holds
 * @param how what is done with it
 */
public record SettingsText(String fileName, String text, String how) {

  /**
   * The settings of a binding.
   *
   * @param title of its action
   * @param gesture as it will be, with what the platform adds
   * @throws FileProblem where this form can't say it
   */
  public static SettingsText of(
      ChangeSteps.Form form, Optional<String> at, OwnBinding own, String title, Gesture gesture)
      throws FileProblem {
    Target target =
        own.target()
            .orElseThrow(() -> new FileProblem(worded("fit.it-is-not-said-what-starts", title)));
    String name = fileName(own.id());
    return switch (form) {
      case DCONF -> {
        String where = at.orElse("/");
        yield new SettingsText(
            name + ".dconf",
            "[%s]\nbinding=%s\ncommand=%s\nname=%s\n"
                .formatted(
                    name,
                    variant(accelerator(gesture)),
                    variant(commandLine(target)),
                    variant(title)),
            "dconf load %s < %s.dconf".formatted(where, name));
      }
      case DESKTOP_ENTRY ->
          new SettingsText(
              name + ".desktop",
              switch (target.kind()) {
                case ADDRESS -> DesktopEntry.opening(title, target.what());
                default -> DesktopEntry.starting(title, command(target));
              },
              worded("fit.it-goes-into-the-folder", at.orElse(worded("fit.of-the-launchers"))));
      case ACCELERATOR_MAP ->
          new SettingsText(
              name + ".accels",
              "(gtk_accel_path \"%s\" \"%s\")\n"
                  .formatted(quoted(menuPath(target)), quoted(accelerator(gesture))),
              worded("fit.the-line-goes-into-the-accelerator", at.map(a -> " " + a).orElse("")));
    };
  }

  private static String accelerator(Gesture gesture) throws FileProblem {
    return Accelerators.of(gesture)
        .orElseThrow(() -> new FileProblem(worded("fit.is-not-one-stroke-and-this", gesture)));
  }

  private static String fileName(String id) {
    String plain = id.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    return plain.length() > 60 ? plain.substring(0, 60) : plain;
  }

  private static List<String> command(Target target) throws FileProblem {
    return switch (target.kind()) {
      case APPLICATION -> List.of(target.what());
      case FOLDER, DOCUMENT, ADDRESS -> List.of("xdg-open", target.what());
      case COMMAND -> List.of("sh", "-c", target.what());
      case MENU_ENTRY, TEXT ->
          throw new FileProblem(worded("fit.a-launcher-cant-be-for-a", Target.word(target.kind())));
    };
  }

  private static String commandLine(Target target) throws FileProblem {
    StringBuilder line = new StringBuilder();
    for (String part : command(target)) {
      line.append(line.isEmpty() ? "" : " ")
          .append(
              part.matches("[A-Za-z0-9_./:=@%+,-]+")
                  ? part
                  : "'" + part.replace("'", "'\\''") + "'");
    }
    return line.toString();
  }

  private static String menuPath(Target target) throws FileProblem {
    if (target.application().isEmpty()) {
      throw new FileProblem(worded("fit.an-accelerator-map-is-of-one"));
    }
    return "<%s>/%s"
        .formatted(target.application().get().value(), target.what().replace(Target.BETWEEN, "/"));
  }

  /** A text as GVariant writes it. */
  private static String variant(String text) {
    return "'" + Visible.of(text).replace("\\", "\\\\").replace("'", "\\'") + "'";
  }

  private static String quoted(String text) {
    return Visible.of(text).replace("\\", "\\\\").replace("\"", "\\\"");
  }
}
