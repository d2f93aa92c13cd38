package polydex.desktop.desk;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.EnvironmentId;
import polydex.desktop.state.Session;
import polydex.keys.GestureReader;
import polydex.keys.Modifier;
import polydex.recognition.Place;
import polydex.route.Setup;
import polydex.route.SetupId;

/** What things are called whose ids are known, and how their keys are written and drawn. */
public final class Titles {
  private static final int LOOKS = 4;

  private final Session session;

  /** Of what is open. */
  public Titles(Session session) {
    this.session = session;
  }

  /** The words of a platform, or of the platform of an application, for modifiers. */
  public Map<Modifier, String> words(EnvironmentId environmentId) {
    Catalog catalog = session.workspace().get().catalog();
    return catalog
        .environment(environmentId)
        .map(
            e ->
                switch (e.kind()) {
                  case Environment.Platform p -> p.modifierNames();
                  case Application a ->
                      a.platforms().stream()
                          .findFirst()
                          .filter(p -> !p.equals(environmentId))
                          .map(this::words)
                          .orElse(Map.of());
                })
        .orElse(Map.of());
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
    return session
        .workspace()
        .get()
        .catalog()
        .environment(environmentId)
        .map(Environment::title)
        .orElse(environmentId.value());
  }

  /** An environment with the platform that it is on: "Timeline on Corvid". */
  public String place(EnvironmentId environmentId) {
    EnvironmentId platform = platform(environmentId);
    return platform.equals(environmentId)
        ? title(environmentId)
        : title(environmentId) + " on " + title(platform);
  }

  /** The platform of an application, as far as it has just one; a platform's own id. */
  private EnvironmentId platform(EnvironmentId environmentId) {
    return session
        .workspace()
        .get()
        .catalog()
        .environment(environmentId)
        .map(Environment::kind)
        .filter(Application.class::isInstance)
        .map(k -> ((Application) k).platforms())
        .filter(p -> p.size() == 1)
        .map(List::getFirst)
        .orElse(environmentId);
  }

  /** The title of a setup. */
  public String setup(SetupId setupId) {
    return Optional.ofNullable(session.workspace().get().setups().get(setupId))
        .map(Setup::title)
        .orElse(setupId.equals(SetupId.NONE) ? "no setup" : setupId.value());
  }

  /** What is done in a place: the title of its action, or the name that nobody knows. */
  public String action(Place place) {
    return switch (place.doing()) {
      case Place.Known(ActionId id) -> action(id);
      case Place.Unnamed(String name) -> "\u201c" + name + "\u201d";
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
    Catalog catalog = session.workspace().get().catalog();
    EnvironmentId platform = platform(environmentId);
    List<EnvironmentId> platforms =
        catalog.environments().stream()
            .filter(e -> e.kind() instanceof Environment.Platform)
            .map(Environment::id)
            .toList();
    return "caps-" + Math.max(0, platforms.indexOf(platform)) % LOOKS;
  }
}
