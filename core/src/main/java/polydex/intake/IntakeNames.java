package polydex.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.catalog.TitleMatcher;
import polydex.catalog.TitleMatcher.Match;
import polydex.catalog.Version;
import polydex.intake.IntakePlan.Proposal;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.own.OwnKeymap;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/**
 * What the names in a list mean: actions, environments and contexts that are known, compared
 * without regard to case and space, or that are made for it. Each name is worked out once.
 */
final class IntakeNames {
  private static final int MOST_MATCHED = 1000;
  private static final double ASKED_OF_MENUS = 0.7;

  private final Workspace before;
  private final IntakeRequest request;
  private final Map<String, Action> actionsByTitle = new HashMap<>();
  private final Map<String, Environment> environmentsByTitle = new HashMap<>();
  private final UnusedIds ids = new UnusedIds();
  private final Map<ActionId, Action> newActions = new LinkedHashMap<>();
  private final Map<EnvironmentId, Environment> changedEnvironments = new LinkedHashMap<>();
  private final List<Environment> newEnvironments = new ArrayList<>();
  private final Map<EnvironmentId, NewContexts> newContexts = new HashMap<>();

  /** Contexts that an environment gets; put into it once, since there may be many. */
  private record NewContexts(UnusedIds ids, List<Context> all) {
    static NewContexts of(Environment environment) {
      UnusedIds ids = new UnusedIds();
      environment.contexts().forEach(c -> ids.add(c.id()));
      return new NewContexts(ids, new ArrayList<>(environment.contexts()));
    }
  }

  private final Map<String, ActionId> learnt = new HashMap<>();
  private final Map<String, Proposal> proposals = new LinkedHashMap<>();
  private final List<Proposal> recognised = new ArrayList<>();
  private final TitleMatcher matcher;
  private int matched;
  private @Nullable Set<Set<String>> twice;

  IntakeNames(Workspace before, IntakeRequest request) {
    this.before = before;
    this.request = request;
    Catalog catalog = before.catalog();
    matcher = new TitleMatcher(OwnKeymap.others(catalog));
    for (Action action : OwnKeymap.others(catalog)) {
      actionsByTitle.putIfAbsent(fold(action.title()), action);
      ids.add(action.id().value());
    }
    for (Environment environment : catalog.environments()) {
      environmentsByTitle.putIfAbsent(fold(environment.title()), environment);
      environmentsByTitle.putIfAbsent(fold(environment.id().value()), environment);
      ids.add(environment.id().value());
    }
    for (Environment environment : catalog.environments()) {
      for (String older : catalog.successors().namesOf(environment.id())) {
        environmentsByTitle.putIfAbsent(fold(older), environment);
        ids.add(older);
      }
    }
    before.remembered().titles().forEach(this::means);
    request.meant().forEach((title, action) -> learnt.put(fold(title), action));
    learnt.forEach(this::means);
  }

  private void means(String folded, ActionId action) {
    before.catalog().action(action).ifPresent(a -> actionsByTitle.put(folded, a));
  }

  /** Whether a title was met before, written in the same way. */
  boolean knowsAction(String title) {
    return actionsByTitle.containsKey(title);
  }

  /** Titles that may mean an action that is known. */
  List<Proposal> proposals() {
    return List.copyOf(proposals.values());
  }

  /** Titles whose meaning was said or beyond doubt, with the id of the action. */
  Map<String, ActionId> learnt() {
    return learnt;
  }

  /** Titles that were taken for an action that is called otherwise. */
  List<Proposal> recognised() {
    return List.copyOf(recognised);
  }

  List<Action> newActions() {
    return List.copyOf(newActions.values());
  }

  List<Environment> changedEnvironments() {
    return changedEnvironments.values().stream()
        .map(
            e ->
                newContexts.containsKey(e.id()) ? e.withContexts(newContexts.get(e.id()).all()) : e)
        .toList();
  }

  List<Environment> newEnvironments() {
    return newEnvironments;
  }

  /** Forgets environments that were made for lines none of which was taken. */
  void keep(Set<EnvironmentId> taken) {
    changedEnvironments.keySet().retainAll(taken);
    newEnvironments.removeIf(e -> !taken.contains(e.id()));
  }

  /** The action that a title means; made where none does. */
  Action action(String title) {
    Action match = actionsByTitle.get(title);
    if (match != null) {
      return match;
    }
    Action found =
        actionsByTitle.computeIfAbsent(
            fold(title),
            folded -> {
              List<Match> matches = matches(title);
              if (!matches.isEmpty() && isSure(matches.getFirst(), title)) {
                learnt.put(folded, matches.getFirst().action().id());
                recognised.add(new Proposal(title.strip(), matches));
                return matches.getFirst().action();
              }
              if (!matches.isEmpty() && matches.getFirst().score() >= askedFrom()) {
                proposals.put(folded, new Proposal(title.strip(), matches));
              }
              Action made =
                  Action.of(
                      new ActionId(ids.unused("own." + slug(folded))), title.strip(), "Brought in");
              newActions.put(made.id(), made);
              return made;
            });
    actionsByTitle.put(title, found);
    return found;
  }

  /** What an action is in an environment: it may be one of its own there. */
  Action there(Action action, Environment environment) {
    Catalog catalog = before.catalog();
    ActionId there = catalog.successors().of(environment.id(), action.id());
    return there.equals(action.id()) ? action : catalog.action(there).orElse(action);
  }

  /**
   * Menus have hundreds of short names, most of which resemble some other: of those below this one
   * in forty was the same where it was measured, of those above one in five.
   */
  private double askedFrom() {
    return request.surface().isPresent() ? ASKED_OF_MENUS : 0;
  }

  /** Notes that an action which was made just now takes itself back. */
  void toggles(ActionId action) {
    newActions.computeIfPresent(action, (_, a) -> a.toggling(true));
  }

  /** Puts an environment in the place of one of the same id. */
  void put(Environment environment) {
    changedEnvironments.put(environment.id(), environment);
  }

  /** An environment as far as it was changed. */
  Environment current(Environment environment) {
    return changedEnvironments.getOrDefault(environment.id(), environment);
  }

  private boolean isSure(Match best, String title) {
    return best.score() >= request.sureFrom()
        || (best.sure()
            && !request.apart().contains(title.strip())
            && !twice().contains(TitleMatcher.certain(title)));
  }

  /** Words of which a program of the list has two titles: it tells them apart, and so do we. */
  private Set<Set<String>> twice() {
    if (twice == null) {
      twice = new HashSet<>();
      Map<String, Map<Set<String>, String>> seen = new HashMap<>();
      Set<String> titles = new HashSet<>();
      for (RequestedRow row : request.rows()) {
        if (titles.size() >= 2 * MOST_MATCHED) {
          break; // no more titles than these are compared with what is known
        }
        String folded = fold(row.action());
        if (titles.add(row.environment() + "\n" + folded)) {
          Set<String> words = TitleMatcher.certain(row.action());
          String other =
              seen.computeIfAbsent(row.environment(), _ -> new HashMap<>())
                  .putIfAbsent(words, folded);
          if (other != null) {
            twice.add(words);
          }
        }
      }
    }
    return twice;
  }

  /** Nobody looks through more proposals than this, so no more are made. */
  private List<Match> matches(String title) {
    boolean wanted = matched++ < MOST_MATCHED || request.sureFrom() <= 1;
    return wanted ? matcher.match(title) : List.of();
  }

  /** The environment that a row names; made where there is none. */
  Environment environment(RequestedRow row) {
    return environmentsByTitle.computeIfAbsent(
        fold(row.environment()),
        folded -> {
          Environment made =
              new Environment(
                  new EnvironmentId(ids.unused("own-" + slug(folded))),
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

  /** The context of a name in an environment; made where there is none. */
  Context context(Environment environment, Map<String, Context> known, String title) {
    if (title.isEmpty()) {
      return Context.ANYWHERE;
    }
    Context seen = known.get(title);
    if (seen != null) {
      return seen;
    }
    String folded = fold(title);
    if (folded.isEmpty()) {
      return Context.ANYWHERE;
    }
    Context match = known.get(folded);
    if (match == null) {
      match = makeContext(environment, known, title, folded);
    }
    known.put(title, match);
    return match;
  }

  /** The contexts of an environment by title and id, folded. */
  static Map<String, Context> contextsByName(Environment environment) {
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
    NewContexts made =
        newContexts.computeIfAbsent(environment.id(), _ -> NewContexts.of(environment));
    changedEnvironments.putIfAbsent(environment.id(), environment);
    Context context =
        new Context(
            made.ids().unused(slug(folded)), title.strip(), Optional.of(Context.ANYWHERE.id()));
    made.all().add(context);
    known.put(folded, context);
    return context;
  }

  static String fold(String name) {
    Steps.take(name.length());
    return isFolded(name) ? name : Remembered.folded(name);
  }

  /** Most names of a long list have been seen before, and many are folded as they stand. */
  private static boolean isFolded(String name) {
    char before = ' ';
    for (int i = 0; i < name.length(); i++) {
      char c = name.charAt(i);
      boolean plain = (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') || c == '-' || c == '.';
      if (!plain && (c != ' ' || before == ' ')) {
        return false;
      }
      before = c;
    }
    return before != ' ';
  }

  private static String slug(String folded) {
    StringBuilder slug = new StringBuilder(folded.length());
    for (int i = 0; i < folded.length(); i++) {
      char c = folded.charAt(i);
      if (Character.isLetterOrDigit(c) || Character.isSurrogate(c)) {
        slug.append(c);
      } else if (!slug.isEmpty() && slug.charAt(slug.length() - 1) != '-') {
        slug.append('-');
      }
    }
    if (!slug.isEmpty() && slug.charAt(slug.length() - 1) == '-') {
      slug.setLength(slug.length() - 1);
    }
    return slug.isEmpty() ? "unnamed" : slug.toString();
  }
}
