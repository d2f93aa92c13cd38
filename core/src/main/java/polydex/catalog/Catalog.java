package polydex.catalog;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** All actions, environments and bindings that are known; immutable. */
public final class Catalog {
  /** Nothing is known yet. */
  public static final Catalog EMPTY =
      new Catalog(Map.of(), Map.of(), Map.of(), Successors.NONE, Map.of());

  private final Map<ActionId, Action> actions;
  private final Map<EnvironmentId, Environment> environments;
  private final Map<EnvironmentId, List<Binding>> bindings;
  private final Successors successors;

  /** The actions that lose work, made when first asked for. */
  private volatile @Nullable Set<ActionId> losing;

  /** What was made of the bindings of each environment; shared while they are the same list. */
  private final Map<EnvironmentId, MadeOf> made;

  private Catalog(
      Map<ActionId, Action> actions,
      Map<EnvironmentId, Environment> environments,
      Map<EnvironmentId, List<Binding>> bindings,
      Successors successors,
      Map<EnvironmentId, MadeOf> before) {
    this.actions = actions;
    this.environments = environments;
    this.bindings = Map.copyOf(bindings);
    this.successors = successors;
    Map<EnvironmentId, MadeOf> of = new HashMap<>();
    this.bindings.forEach(
        (id, list) -> {
          MadeOf known = before.get(id);
          of.put(id, known != null && known.isOf(list) ? known : new MadeOf(list));
        });
    this.made = Map.copyOf(of);
  }

  /**
   * What something is made of the bindings of an environment, once: it is kept while they stay as
   * they are, for every catalogue that has them.
   *
   * @param what the class of it
   * @param with what it depends on besides, compared by {@code equals}
   * @param maker makes it
   */
  public <T> T made(
      EnvironmentId environment, Class<T> what, Object with, Function<List<Binding>, T> maker) {
    MadeOf of = made.get(environment);
    return of == null ? maker.apply(List.of()) : of.get(what, with, maker);
  }

  /**
   * A catalogue of these.
   *
   * @param bindings by the id of their environment, in the order in which they are shown
   * @throws IllegalArgumentException where a binding names an action, environment or context that
   *     is not there, or an id stands twice
   */
  public static Catalog of(
      List<Action> actions,
      List<Environment> environments,
      Map<EnvironmentId, List<Binding>> bindings) {
    return of(actions, environments, bindings, Successors.NONE, Map.of());
  }

  private static Catalog of(
      List<Action> actions,
      List<Environment> environments,
      Map<EnvironmentId, List<Binding>> bindings,
      Successors successors,
      Map<EnvironmentId, MadeOf> before) {
    Map<EnvironmentId, List<Binding>> copy = new LinkedHashMap<>();
    bindings.forEach((environment, list) -> copy.put(environment, List.copyOf(list)));
    Catalog catalog =
        new Catalog(
            byId(actions, Action::id),
            byId(environments, Environment::id),
            copy,
            successors,
            before);
    catalog.bindings.forEach(catalog::check);
    return catalog;
  }

  /** Whether both have the same actions and environments, one made from the other. */
  @SuppressWarnings("ReferenceEquality") // it is asked whether they are shared
  public boolean sharesWith(Catalog other) {
    return actions == other.actions
        && environments == other.environments
        && successors == other.successors;
  }

  /** Every action, in the order given. */
  public List<Action> actions() {
    return List.copyOf(actions.values());
  }

  /** An action by its id, or by that of one that went into it. */
  public Optional<Action> action(ActionId id) {
    return Optional.ofNullable(actions.get(successors.of(id)));
  }

  /** Whether an action loses work where it happens unasked; asked of every binding that loses. */
  public boolean losesWork(ActionId id) {
    Set<ActionId> known = losing;
    if (known == null) {
      known =
          actions.values().stream()
              .filter(a -> a.harm() == Action.Harm.LOSES_WORK)
              .map(Action::id)
              .collect(Collectors.toUnmodifiableSet());
      losing = known;
    }
    return !known.isEmpty() && known.contains(successors.of(id));
  }

  /** What ids of actions in older records stand for. */
  public Successors successors() {
    return successors;
  }

  /** The same where ids in older records stand for something else. */
  public Catalog with(Successors others) {
    // Whoever brings something of an id in again means that one.
    Successors still = others.without(actions.keySet(), environments.keySet());
    return new Catalog(actions, environments, bindings, still, made);
  }

  /** The same without an action that nothing names. */
  public Catalog without(ActionId action) {
    return of(
        actions().stream().filter(a -> !a.id().equals(action)).toList(),
        environments(),
        bindings,
        successors,
        made);
  }

  /** The title of an action, or its id where it is not known. */
  public String title(ActionId actionId) {
    return action(actionId).map(Action::title).orElse(actionId.value());
  }

  /** Every environment, in the order given. */
  public List<Environment> environments() {
    return List.copyOf(environments.values());
  }

  /** An environment by its id. */
  public Optional<Environment> environment(EnvironmentId id) {
    return Optional.ofNullable(environments.get(id));
  }

  /** The bindings of an environment, in order. */
  public List<Binding> bindings(EnvironmentId environment) {
    return bindings.getOrDefault(environment, List.of());
  }

  /** The bindings of an action in an environment, the preferred one first. */
  public List<Binding> bindings(EnvironmentId environment, ActionId action) {
    return made(environment, ByAction.class, "", ByAction::of)
        .map()
        .getOrDefault(action, List.of());
  }

  /** A binding of an environment by its id. */
  public Optional<Binding> binding(EnvironmentId environment, String id) {
    return Optional.ofNullable(made(environment, ById.class, "", ById::of).map().get(id));
  }

  private record ByAction(Map<ActionId, List<Binding>> map) {
    static ByAction of(List<Binding> list) {
      return new ByAction(list.stream().collect(Collectors.groupingBy(Binding::action)));
    }
  }

  private record ById(Map<String, Binding> map) {
    static ById of(List<Binding> list) {
      return new ById(
          list.stream().collect(Collectors.toMap(Binding::id, Function.identity(), (a, _) -> a)));
    }
  }

  /** How many bindings there are in all. */
  public int size() {
    return bindings.values().stream().mapToInt(List::size).sum();
  }

  /**
   * This catalogue and more; what has the id of something here replaces it in its place.
   *
   * @param more bindings to add, by the id of their environment
   * @throws IllegalArgumentException as {@link #of}
   */
  public Catalog with(
      List<Action> moreActions,
      List<Environment> moreEnvironments,
      Map<EnvironmentId, List<Binding>> more) {
    Map<EnvironmentId, List<Binding>> all = new LinkedHashMap<>(bindings);
    more.forEach(
        (environment, list) ->
            all.put(
                environment,
                bindings(environment).isEmpty()
                    ? list
                    : merged(bindings(environment), list, Binding::id)));
    return of(
            merged(actions(), moreActions, Action::id),
            merged(environments(), moreEnvironments, Environment::id),
            all,
            Successors.NONE,
            made)
        .with(successors);
  }

  /** This catalogue without an environment and its bindings. */
  public Catalog without(EnvironmentId environment) {
    Map<EnvironmentId, List<Binding>> others = new LinkedHashMap<>(bindings);
    others.remove(environment);
    return of(
        actions(),
        environments().stream().filter(e -> !e.id().equals(environment)).toList(),
        others,
        successors,
        made);
  }

  /** This catalogue without some bindings of an environment. */
  public Catalog without(EnvironmentId environment, Set<String> ids) {
    if (ids.isEmpty()) {
      return this;
    }
    return withBindings(
        environment, bindings(environment).stream().filter(b -> !ids.contains(b.id())).toList());
  }

  /**
   * This catalogue with other bindings for an environment.
   *
   * @throws IllegalArgumentException as {@link #of}
   */
  public Catalog withBindings(EnvironmentId environment, List<Binding> list) {
    Map<EnvironmentId, List<Binding>> all = new LinkedHashMap<>(bindings);
    all.put(environment, List.copyOf(list));
    Catalog changed = new Catalog(actions, environments, all, successors, made);
    changed.check(environment, list);
    return changed;
  }

  private static <K, T> List<T> merged(List<T> here, List<T> more, Function<T, K> id) {
    Map<K, T> all = new LinkedHashMap<>();
    Stream.concat(here.stream(), more.stream()).forEach(t -> all.put(id.apply(t), t));
    return new ArrayList<>(all.values());
  }

  private static <K, T> Map<K, T> byId(List<T> list, Function<T, K> id) {
    return Collections.unmodifiableMap(
        list.stream()
            .collect(
                Collectors.toMap(
                    id,
                    Function.identity(),
                    (a, _) -> {
                      throw new IllegalArgumentException(
                          worded("catalog.twice-the-same-id", id.apply(a)));
                    },
                    LinkedHashMap::new)));
  }

  private void check(EnvironmentId environmentId, List<Binding> list) {
    Environment environment =
        environment(environmentId)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(worded("catalog.no-environment", environmentId)));
    Set<String> contexts = new HashSet<>();
    environment.contexts().forEach(c -> contexts.add(c.id()));
    Set<String> ids = HashSet.newHashSet(list.size());
    for (Binding binding : list) {
      if (!actions.containsKey(binding.action())) {
        throw new IllegalArgumentException(worded("catalog.no-action", binding.action()));
      }
      if (!ids.add(binding.id())) {
        throw new IllegalArgumentException(worded("catalog.twice-the-same-id", binding.id()));
      }
      if (!contexts.contains(binding.context())) {
        throw new IllegalArgumentException(
            worded("catalog.no-context-in", binding.context(), environmentId));
      }
    }
  }
}
