package polydex.desktop.route;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Function;
import polydex.catalog.EnvironmentId;
import polydex.conflict.Conflict;
import polydex.route.Layer;

/**
 * Which conflicts are shown.
 *
 * @param where of which setups
 * @param kind only this kind, or all
 * @param layer only those that go wrong at this layer, or at any
 * @param environment only those whose losing binding is of this environment, or of any
 */
record ConflictFilter(
    Where where,
    Optional<Conflict.Kind> kind,
    Optional<Layer> layer,
    Optional<EnvironmentId> environment) {
  static final ConflictFilter FIRST = of(Where.HERE);

  /** Where conflicts are looked for. */
  enum Where {
    HERE(worded("route.in-this-setup")),
    EVERYWHERE(worded("route.in-all-setups")),
    HABITS(worded("route.between-environments-habits")),
    ACCEPTED(worded("route.in-all-setups-lived-with"));

    private final String words;

    Where(String words) {
      this.words = words;
    }
  }

  private static ConflictFilter of(Where where) {
    return new ConflictFilter(where, Optional.empty(), Optional.empty(), Optional.empty());
  }

  /**
   * As a person would say it.
   *
   * @param title of an environment, by its id
   */
  String words(Function<EnvironmentId, String> title) {
    return kind.map(k -> name(k) + " ").orElse("")
        + where.words
        + layer.map(l -> worded("route.at", at(l))).orElse("")
        + environment.map(e -> worded("route.of", title.apply(e))).orElse("");
  }

  private static String at(Layer layer) {
    return layer.title().equals(layer.machine())
        ? layer.said()
        : layer.said() + " (" + layer.machine() + ")";
  }

  boolean shows(Conflict conflict) {
    return (kind.isEmpty() || kind.get() == conflict.kind())
        && (layer.isEmpty() || layer.equals(conflict.at()))
        && (environment.isEmpty() || environment.get().equals(conflict.loser().environment()));
  }

  /** A kind in words. */
  static String name(Conflict.Kind kind) {
    return kind.said();
  }

  /**
   * What can be chosen: every place, and what of kinds, layers and environments there is in this
   * one, each joined to what was chosen already.
   */
  List<ConflictFilter> choices(Collection<Conflict> loaded) {
    List<ConflictFilter> all = new ArrayList<>();
    for (Where other : Where.values()) {
      all.add(of(other));
    }
    List<Conflict> left = loaded.stream().filter(this::shows).toList();
    for (Conflict.Kind k : new TreeSet<>(left.stream().map(Conflict::kind).toList())) {
      all.add(new ConflictFilter(where, Optional.of(k), layer, environment));
    }
    left.stream()
        .flatMap(c -> c.at().stream())
        .distinct()
        .forEach(l -> all.add(new ConflictFilter(where, kind, Optional.of(l), environment)));
    left.stream()
        .map(c -> c.loser().environment())
        .distinct()
        .forEach(e -> all.add(new ConflictFilter(where, kind, layer, Optional.of(e))));
    return all.stream().distinct().filter(f -> !f.equals(this)).toList();
  }
}
