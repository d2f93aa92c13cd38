package polydex.catalog;

import static polydex.language.CoreWords.worded;

import java.util.List;
import java.util.Map;
import polydex.catalog.Environment.Application;
import polydex.keys.Modifier;

/**
 * How the environments of a catalogue are called, and how their keys are written and drawn.
 *
 * @param catalog theirs
 */
public record Naming(Catalog catalog) {
  /** How many looks of caps there are. */
  public static final int LOOKS = 4;

  /** The title of an environment. */
  public String title(EnvironmentId environment) {
    return catalog.environment(environment).map(Environment::title).orElse(environment.value());
  }

  /**
   * An environment with the platform that it is on, unless its title says it: "Timeline on Corvid".
   */
  public String place(EnvironmentId environment) {
    EnvironmentId platform = platform(environment);
    return platform.equals(environment) || title(environment).contains(title(platform))
        ? title(environment)
        : worded("any.on", title(environment), title(platform));
  }

  /** The words of a platform, or of the platform of an application, for modifiers. */
  public Map<Modifier, String> words(EnvironmentId environment) {
    return catalog
        .environment(environment)
        .map(
            e ->
                switch (e.kind()) {
                  case Environment.Platform p -> p.modifierNames();
                  case Application a ->
                      a.platforms().stream()
                          .findFirst()
                          .filter(p -> !p.equals(environment))
                          .map(this::words)
                          .orElse(Map.of());
                })
        .orElse(Map.of());
  }

  /**
   * Which look the caps of an environment have, 0 to {@link #LOOKS} - 1: each platform has one of
   * its own, so that where one is can be told from the keys.
   */
  public int look(EnvironmentId environment) {
    EnvironmentId platform = platform(environment);
    List<EnvironmentId> platforms =
        catalog.environments().stream()
            .filter(e -> e.kind() instanceof Environment.Platform)
            .map(Environment::id)
            .toList();
    return Math.max(0, platforms.indexOf(platform)) % LOOKS;
  }

  /** The platform of an application, as far as it has just one; a platform's own id. */
  private EnvironmentId platform(EnvironmentId environment) {
    return catalog
        .environment(environment)
        .map(Environment::kind)
        .filter(Application.class::isInstance)
        .map(k -> ((Application) k).platforms())
        .filter(p -> p.size() == 1)
        .map(List::getFirst)
        .orElse(environment);
  }
}
