package polydex.cli;

import static polydex.language.Language.quoted;

import java.util.Locale;
import picocli.CommandLine.Command;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.recognition.Place;
import polydex.route.SetupId;
import polydex.workspace.Workspace;

@Command(
    name = "mouse",
    description = "What is done with the mouse.",
    subcommands = {MouseRemaining.class, MouseReport.class, MouseReview.class, MouseImport.class},
    mixinStandardHelpOptions = true)
final class MouseCommand {
  /** What an action is called; a name that nobody knows is called by itself. */
  static String title(Workspace workspace, String written) {
    return switch (Place.read(SetupId.NONE, EnvironmentId.NONE, written).doing()) {
      case Place.Known(ActionId id) -> workspace.catalog().title(id);
      case Place.Unnamed(String name) -> quoted(name);
    };
  }

  /** A name of the model as it stands in answers. */
  static String word(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** To a thousandth: what comes after is not known anyway. */
  static double rounded(double value) {
    return Math.round(value * 1000) / 1000.0;
  }
}
