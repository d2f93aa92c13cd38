package polydex.systems;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.Control;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.PointerRoute;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.setups.Members;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;

/**
 * A platform or an application written out, a line for each part; what is done with a line gives
 * the environment with that part changed. O(parts).
 */
public final class EnvironmentOutline {
  private static final String ARROW = " > ";

  /** Between what is around something and that, where both are shown. */
  static final String INSIDE = " \u203a ";

  private final Catalog catalog;
  private final Environment environment;
  private final List<OutlineLine<Environment>> lines = new ArrayList<>();

  private EnvironmentOutline(Catalog catalog, Environment environment) {
    this.catalog = catalog;
    this.environment = environment;
  }

  /** The lines of an environment. */
  public static List<OutlineLine<Environment>> of(Catalog catalog, Environment environment) {
    EnvironmentOutline outline = new EnvironmentOutline(catalog, environment);
    outline.whole();
    switch (environment.kind()) {
      case Platform p -> outline.lines.addAll(PlatformLines.of(catalog, p, environment::withKind));
      case Application a -> outline.application(a);
    }
    outline.contexts();
    outline.lines.addAll(MenuLines.of(catalog, environment));
    outline.routes();
    outline.tabOrder();
    return List.copyOf(outline.lines);
  }

  private void whole() {
    lines.add(
        OutlineLine.<Environment>of(0, worded("any.name"), environment.title())
            .changedBy(
                new Edit.Words<>(
                    environment.title(),
                    worded("systems.as-people-call-it"),
                    t -> environment.titled(named(t)))));
    lines.add(
        OutlineLine.<Environment>of(0, worded("any.version"), environment.version().toString())
            .changedBy(
                new Edit.Words<>(
                    environment.version().toString(),
                    worded("systems.the-newest-that-its-keys-are"),
                    t -> environment.at(new Version(named(t))))));
    lines.add(
        OutlineLine.<Environment>of(
                0,
                worded("systems.a-sequence-that-breaks-off"),
                environment.whenBroken() == WhenBroken.REPLAY
                    ? worded("systems.is-typed-again")
                    : worded("systems.is-lost"))
            .changedBy(
                choice(
                    List.of(WhenBroken.values()),
                    w ->
                        w == WhenBroken.REPLAY
                            ? worded("systems.is-typed-again")
                            : worded("systems.is-lost"),
                    environment::breaking)));
  }

  /** A name that is not empty. */
  static String named(String text) {
    if (text.isBlank()) {
      throw new IllegalArgumentException(worded("any.a-name-has-at-least-one"));
    }
    if (text.strip().length() > 200) {
      throw new IllegalArgumentException(worded("systems.a-name-has-at-most-200"));
    }
    return text.strip();
  }

  static <T, R> Edit<R> choice(Iterable<T> all, Function<T, String> title, Function<T, R> to) {
    Supplier<List<Option<R>>> made =
        () -> {
          List<Option<R>> options = new ArrayList<>();
          all.forEach(
              one ->
                  options.add(
                      new Option<>(title.apply(one), new Edit.Done<>(() -> to.apply(one)))));
          return options;
        };
    return new Edit.Choice<>(made);
  }

  static String count(int members) {
    return members == 0 ? worded("setups.none") : String.valueOf(members);
  }

  // ---- where an application runs

  private void application(Application app) {
    Function<Application, Environment> put = environment::withKind;
    List<EnvironmentId> on = app.platforms();
    List<Environment> others =
        catalog.environments().stream()
            .filter(e -> e.platform().isPresent() && !on.contains(e.id()))
            .toList();
    lines.add(
        OutlineLine.<Environment>of(
                0,
                worded("systems.runs-on"),
                on.isEmpty() ? worded("systems.not-said") : count(on.size()))
            .addingBy(
                choice(
                    others,
                    Environment::title,
                    e ->
                        put.apply(new Application(Members.with(on, e.id()), app.holdsMachine())))));
    for (int i = 0; i < on.size(); i++) {
      EnvironmentId id = on.get(i);
      lines.add(
          OutlineLine.<Environment>of(
                  1, "", catalog.environment(id).map(Environment::title).orElse(id.value()))
              .memberOf(on, i, list -> put.apply(new Application(list, app.holdsMachine()))));
    }
    lines.add(
        OutlineLine.<Environment>of(
                0,
                worded("systems.its-window"),
                app.holdsMachine()
                    ? worded("systems.can-hold-a-machine")
                    : worded("systems.holds-no-machine"))
            .changedBy(
                choice(
                    List.of(true, false),
                    h ->
                        h
                            ? worded("systems.can-hold-a-machine")
                            : worded("systems.holds-no-machine"),
                    h -> put.apply(new Application(on, h)))));
  }

  // ---- contexts

  private void contexts() {
    Set<String> used = new HashSet<>();
    catalog.bindings(environment.id()).stream().map(Binding::context).forEach(used::add);
    lines.add(
        OutlineLine.<Environment>of(
                0, worded("systems.contexts"), count(environment.contexts().size()))
            .addingBy(underneath(Context.ANYWHERE.id())));
    environment.contexts().stream()
        .filter(c -> c.parent().isEmpty())
        .forEach(c -> context(c, 1, "", used));
  }

  private void context(Context context, int depth, String above, Set<String> used) {
    List<Context> inside =
        environment.contexts().stream()
            .filter(c -> c.parent().equals(Optional.of(context.id())))
            .toList();
    OutlineLine<Environment> line =
        OutlineLine.<Environment>of(depth, "", above + context.title())
            .addingBy(underneath(context.id()))
            .changedBy(
                new Edit.Words<>(
                    context.title(),
                    worded("systems.where-that-is-as-people-say"),
                    t ->
                        environment.withContexts(
                            environment.contexts().stream()
                                .map(
                                    c ->
                                        c.id().equals(context.id())
                                            ? new Context(
                                                c.id(), named(t), c.parent(), c.together())
                                            : c)
                                .toList())));
    // What bindings hold in can't go before they do, and the outermost never.
    boolean free = inside.isEmpty() && !used.contains(context.id()) && context.parent().isPresent();
    lines.add(
        free
            ? line.removedBy(
                environment.withContexts(
                    environment.contexts().stream()
                        .filter(c -> !c.id().equals(context.id()))
                        .toList()))
            : line);
    String path = context.parent().isEmpty() ? "" : above + context.title() + INSIDE;
    inside.forEach(c -> context(c, depth + 1, path, used));
  }

  private Edit<Environment> underneath(String parent) {
    return new Edit.Words<>(
        "",
        worded("systems.where-that-is-as-people-say-2"),
        t ->
            environment.withContexts(
                Members.with(
                    environment.contexts(),
                    new Context(freeContext(named(t)), named(t), Optional.of(parent)))));
  }

  private String freeContext(String title) {
    Set<String> taken = new HashSet<>();
    environment.contexts().forEach(c -> taken.add(c.id()));
    return Ids.free(title, taken::contains);
  }

  // ---- what is pointed at, and what Tab reaches

  private void routes() {
    List<PointerRoute> routes = environment.pointerRoutes();
    Function<List<PointerRoute>, Environment> put =
        list -> environment.showing(environment.menus(), list, environment.tabOrder());
    lines.add(
        OutlineLine.<Environment>of(0, worded("systems.done-by-pointing"), count(routes.size()))
            .addingBy(
                ActionChoice.of(
                    catalog,
                    a ->
                        new Edit.Words<>(
                            "",
                            worded("systems.what-is-pointed-at-one-after"),
                            t ->
                                put.apply(
                                    Members.with(
                                        routes, new PointerRoute(a.id(), path(t), "")))))));
    for (int i = 0; i < routes.size(); i++) {
      PointerRoute route = routes.get(i);
      int at = i;
      String written = String.join(ARROW, route.path());
      lines.add(
          OutlineLine.<Environment>of(1, "", shown(route.path(), catalog.title(route.action())))
              .changedBy(
                  new Edit.Words<>(
                      written,
                      worded("systems.what-is-pointed-at-one-after"),
                      t ->
                          put.apply(
                              Members.replaced(
                                  routes,
                                  at,
                                  new PointerRoute(route.action(), path(t), route.operators())))))
              .memberOf(routes, i, put));
    }
  }

  /** A path, and what it does if that is not its end. */
  static String shown(List<String> path, String does) {
    return String.join(INSIDE, path)
        + (does.isEmpty() || does.equals(path.getLast()) ? "" : worded("systems.does-2", does));
  }

  private static List<String> path(String text) {
    List<String> path = new ArrayList<>();
    for (String part : text.split(">")) {
      path.add(named(part));
    }
    return path;
  }

  private void tabOrder() {
    List<Control> order = environment.tabOrder();
    Function<List<Control>, Environment> put =
        list -> environment.showing(environment.menus(), environment.pointerRoutes(), list);
    lines.add(
        OutlineLine.<Environment>of(
                0,
                worded("systems.reached-by-tab"),
                order.isEmpty() ? worded("systems.not-known") : count(order.size()))
            .addingBy(
                ActionChoice.of(
                    catalog,
                    a ->
                        new Edit.Done<>(
                            () ->
                                put.apply(Members.with(order, new Control(a.title(), a.id())))))));
    for (int i = 0; i < order.size(); i++) {
      Control control = order.get(i);
      int at = i;
      lines.add(
          OutlineLine.<Environment>of(
                  1, "", shown(List.of(control.title()), catalog.title(control.action())))
              .changedBy(
                  new Edit.Words<>(
                      control.title(),
                      worded("systems.as-it-stands-there"),
                      t ->
                          put.apply(
                              Members.replaced(
                                  order, at, new Control(named(t), control.action())))))
              .memberOf(order, i, put));
    }
  }

  /** Every action, by its title. */
  static final class ActionChoice {
    private ActionChoice() {}

    static <R> Edit<R> of(Catalog catalog, Function<Action, Edit<R>> next) {
      return new Edit.Choice<>(
          () ->
              catalog.actions().stream()
                  .map(a -> new Option<R>(a.title(), next.apply(a)))
                  .toList());
    }

    static <R> Edit<R> id(Catalog catalog, Function<ActionId, R> to) {
      return of(catalog, a -> new Edit.Done<>(() -> to.apply(a.id())));
    }
  }
}
