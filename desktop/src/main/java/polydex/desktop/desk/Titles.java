package polydex.desktop.desk;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.quoted;

import java.util.Map;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Naming;
import polydex.desktop.state.Session;
import polydex.keys.GestureReader;
import polydex.keys.Modifier;
import polydex.recognition.Place;
import polydex.route.Setup;
import polydex.route.SetupId;

/** What things are called whose ids are known, and how their keys are written and drawn. */
public final class Titles {
  private final Session session;

  /** Of what is open. */
  public Titles(Session session) {
    this.session = session;
  }

  /** The words of a platform, or of the platform of an application, for modifiers. */
  public Map<Modifier, String> words(EnvironmentId environmentId) {
    return naming().words(environmentId);
  }

  /** Reads gestures as they are written for an environment. */
  public GestureReader reader(EnvironmentId environmentId) {
    return session
        .workspace()
        .get()
        .catalog()
        .environment(environmentId)
        .map(Environment::reader)
        .orElse(GestureReader.PLAIN);
  }

  /** The title of an environment. */
  public String title(EnvironmentId environmentId) {
    return naming().title(environmentId);
  }

  /** An environment with the platform that it is on: "Timeline on Corvid". */
  public String place(EnvironmentId environmentId) {
    return naming().place(environmentId);
  }

  /** The title of a setup. */
  public String setup(SetupId setupId) {
    return Optional.ofNullable(session.workspace().get().setups().get(setupId))
        .map(Setup::title)
        .orElse(setupId.equals(SetupId.NONE) ? worded("any.no-setup") : setupId.value());
  }

  /** What is done in a place: the title of its action, or the name that nobody knows. */
  public String action(Place place) {
    return switch (place.doing()) {
      case Place.Known(ActionId id) -> action(id);
      case Place.Unnamed(String name) -> quoted(name);
    };
  }

  /** The title of an action. */
  public String action(ActionId actionId) {
    return session.workspace().get().catalog().title(actionId);
  }

  /**
   * The style class of the caps of an environment: each platform has a look of its own, so that
   * where one is can be told from the keys.
   */
  public String caps(EnvironmentId environmentId) {
    return "caps-" + naming().look(environmentId);
  }

  private Naming naming() {
    return new Naming(session.workspace().get().catalog());
  }
}
