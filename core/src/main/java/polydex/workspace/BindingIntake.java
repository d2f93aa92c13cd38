package polydex.workspace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import polydex.catalog.Action;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.route.Machine;
import polydex.route.Setup;

/**
 * Works out what a list of bindings from outside would change, without changing anything. Names are
 * compared without regard to case and surrounding space; what is not known is made. O(rows +
 * bindings).
 */
public final class BindingIntake {

  /**
   * A line of the list.
   *
   * @param line counted from 1, as an editor shows it
   * @param environment the name of a platform or application
   * @param isPlatform whether it was given as a platform
   * @param context the name of a context; empty for anywhere
   * @param action the title of an action
   * @param gesture in notation
   */
  public record Row(
      int line,
      String environment,
      boolean isPlatform,
      String context,
      String action,
      String gesture) {}

  /**
   * A line that is taken.
   *
   * @param row the line
   * @param gesture what its gesture was read as
   */
  public record Taken(Row row, Gesture gesture) {}

  /**
   * A line that is not taken.
   *
   * @param line counted from 1
   * @param text what stood there
   * @param reason a sentence
   */
  public record Refused(int line, String text, String reason) {}

  /**
   * What would happen.
   *
   * @param taken new bindings
   * @param known lines that say what is known already
   * @param refused lines that can't be taken
   * @param change what bringing them in does
   */
  public record Plan(
      List<Taken> taken, List<Row> known, List<Refused> refused, Change.Edit change) {
    /** Copies the lists. */
    public Plan {
      taken = List.copyOf(taken);
      known = List.copyOf(known);
      refused = List.copyOf(refused);
    }
  }

  private static final int LONGEST_NAME = 200;
  private static final Pattern SPACES = Pattern.compile("\\s+");

  private final Workspace before;
  private final Map<String, Action> actionsByTitle = new HashMap<>();
  private final Map<String, Environment> environmentsByTitle = new HashMap<>();
  private final Set<String> ids = new HashSet<>();
  private final Map<String, Action> newActions = new LinkedHashMap<>();
  private final Map<String, Environment> changedEnvironments = new LinkedHashMap<>();
  private final List<Environment> newEnvironments = new ArrayList<>();
  private final Map<String, List<Binding>> newBindings = new LinkedHashMap<>();
  private final Map<String, Set<String>> present = new HashMap<>();
  private final Map<String, Map<String, Context>> contexts = new HashMap<>();
  private final List<Taken> taken = new ArrayList<>();
  private final List<Row> known = new ArrayList<>();
  private final List<Refused> refused;

  private BindingIntake(Workspace before, List<Refused> refusedBefore) {
    this.before = before;
    refused = new ArrayList<>(refusedBefore);
    Catalog catalog = before.catalog();
    for (Action action : catalog.actions()) {
      actionsByTitle.putIfAbsent(fold(action.title()), action);
      ids.add(action.id());
    }
    for (Environment environment : catalog.environments()) {
      environmentsByTitle.putIfAbsent(fold(environment.title()), environment);
      environmentsByTitle.putIfAbsent(fold(environment.id()), environment);
      ids.add(environment.id());
    }
  }

  /**
   * The plan for a list.
   *
   * @param rows the lines that could be read
   * @param refused the lines that could not, which the plan repeats
   */
  public static Plan plan(Workspace before, List<Row> rows, List<Refused> refused) {
    BindingIntake intake = new BindingIntake(before, refused);
    rows.forEach(intake::add);
    return intake.plan();
  }

  private void add(Row row) {
    Optional<String> problem = problem(row);
    if (problem.isPresent()) {
      refuse(row, problem.get());
      return;
    }
    try {
      take(row, Gesture.parse(row.gesture()));
    } catch (GestureSyntaxException e) {
      refuse(row, e.getMessage());
    }
  }

  private static Optional<String> problem(Row row) {
    if (row.environment().isBlank()) {
      return Optional.of("No platform or application is named.");
    }
    if (row.action().isBlank()) {
      return Optional.of("No action is named.");
    }
    if (row.gesture().isBlank()) {
      return Optional.of("No gesture is given.");
    }
    for (String name : List.of(row.environment(), row.context(), row.action())) {
      if (name.length() > LONGEST_NAME) {
        return Optional.of("A name is longer than " + LONGEST_NAME + " characters.");
      }
      if (name.codePoints().anyMatch(Character::isISOControl)) {
        return Optional.of("A name has control characters in it.");
      }
    }
    return Optional.empty();
  }

  private void refuse(Row row, String reason) {
    refused.add(new Refused(row.line(), row.action() + ": " + row.gesture(), reason));
  }

  private void take(Row row, Gesture gesture) {
    Environment environment = environment(row);
    Context context = context(environment, row.context());
    Action action = action(row.action());
    String key = key(context.id(), action.id(), gesture);
    Set<String> here =
        present.computeIfAbsent(environment.id(), e -> presentIn(before.catalog(), e));
    if (!here.add(key)) {
      known.add(row);
      return;
    }
    newBindings
        .computeIfAbsent(environment.id(), _ -> new ArrayList<>())
        .add(Binding.of(key, action.id(), gesture, context.id()));
    taken.add(new Taken(row, gesture));
  }

  private static Set<String> presentIn(Catalog catalog, String environment) {
    Set<String> keys = new HashSet<>();
    catalog.bindings(environment).forEach(b -> keys.add(key(b.context(), b.action(), b.gesture())));
    return keys;
  }

  private static String key(String context, String action, Gesture gesture) {
    return context + ":" + action + ":" + gesture;
  }

  private Action action(String title) {
    return actionsByTitle.computeIfAbsent(
        fold(title),
        folded -> {
          Action made = Action.of(unused("own." + slug(folded)), title.strip(), "Brought in");
          newActions.put(made.id(), made);
          return made;
        });
  }

  private Environment environment(Row row) {
    return environmentsByTitle.computeIfAbsent(
        fold(row.environment()),
        folded -> {
          Environment made =
              new Environment(
                  unused("own-" + slug(folded)),
                  row.environment().strip(),
                  new Version("1"),
                  List.of(Context.ANYWHERE),
                  WhenBroken.SWALLOW,
                  row.isPlatform() ? Platform.PLAIN : new Application(List.of(), false));
          newEnvironments.add(made);
          changedEnvironments.put(made.id(), made);
          return made;
        });
  }

  private Context context(Environment environment, String title) {
    if (title.isBlank()) {
      return Context.ANYWHERE;
    }
    Map<String, Context> known =
        contexts.computeIfAbsent(environment.id(), _ -> contextsByName(environment));
    String folded = fold(title);
    Context match = known.get(folded);
    return match == null ? makeContext(environment, known, title, folded) : match;
  }

  private static Map<String, Context> contextsByName(Environment environment) {
    Map<String, Context> byName = new HashMap<>();
    for (Context context : environment.contexts()) {
      byName.putIfAbsent(fold(context.title()), context);
    }
    for (Context context : environment.contexts()) {
      byName.putIfAbsent(fold(context.id()), context);
    }
    return byName;
  }

  private Context makeContext(
      Environment environment, Map<String, Context> known, String title, String folded) {
    Environment now = changedEnvironments.getOrDefault(environment.id(), environment);
    String id = slug(folded);
    for (int i = 2; now.context(id).isPresent(); i++) {
      id = slug(folded) + "-" + i;
    }
    Context made = new Context(id, title.strip(), Optional.of(Context.ANYWHERE.id()));
    known.put(folded, made);
    List<Context> all = new ArrayList<>(now.contexts());
    all.add(made);
    changedEnvironments.put(now.id(), now.withContexts(all));
    return made;
  }

  private Plan plan() {
    // An environment none of whose lines was taken is not made.
    changedEnvironments.keySet().retainAll(newBindings.keySet());
    newEnvironments.removeIf(e -> !newBindings.containsKey(e.id()));
    Catalog catalog =
        before
            .catalog()
            .with(
                List.copyOf(newActions.values()),
                List.copyOf(changedEnvironments.values()),
                newBindings);
    Workspace after = before.with(catalog);
    for (Environment made : newEnvironments) {
      Optional<Setup> setup = setupFor(after, made);
      if (setup.isPresent()) {
        after = after.with(setup.get());
      }
    }
    String title =
        taken.size() == 1 ? "Bring in 1 binding" : "Bring in %,d bindings".formatted(taken.size());
    return new Plan(taken, known, refused, new Change.Edit(title, before, after));
  }

  /** A setup in which what was brought in can be traced and drilled at once. */
  private static Optional<Setup> setupFor(Workspace workspace, Environment made) {
    Optional<Setup> like = workspace.setup();
    String title = "To try " + made.title();
    if (made.kind() instanceof Platform) {
      Optional<String> board =
          like.map(Setup::board).or(workspace.world().boards().keySet().stream()::findFirst);
      Optional<String> layout =
          like.map(s -> s.machine().layout())
              .or(workspace.world().layouts().keySet().stream()::findFirst);
      return board.flatMap(
          b ->
              layout.map(
                  l ->
                      new Setup(
                          "setup-" + made.id(),
                          title,
                          b,
                          new Machine(
                              made.title(),
                              made.id(),
                              made.version(),
                              l,
                              List.of(),
                              List.of(),
                              Set.of(),
                              Set.of(),
                              new Machine.Bare()))));
    }
    return like.map(
        s ->
            new Setup(
                "setup-" + made.id(),
                title,
                s.board(),
                s.machine()
                    .with(
                        new Machine.Running(
                            made.id(), made.version(), Set.of(), List.of(Context.ANYWHERE.id())))));
  }

  private String unused(String wanted) {
    String id = wanted;
    for (int i = 2; !ids.add(id); i++) {
      id = wanted + "-" + i;
    }
    return id;
  }

  private static String fold(String name) {
    return SPACES.matcher(name.strip()).replaceAll(" ").toLowerCase(Locale.ROOT);
  }

  private static String slug(String folded) {
    String slug = folded.replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
    return slug.isEmpty() ? "unnamed" : slug;
  }
}
