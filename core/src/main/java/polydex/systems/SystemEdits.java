package polydex.systems;

import static polydex.language.CoreWords.worded;
import static polydex.language.Language.quoted;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.WhenBroken;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors;
import polydex.catalog.Successors.Absorbed;
import polydex.catalog.Successors.Called;
import polydex.catalog.Version;
import polydex.recall.DrillItem;
import polydex.route.Machine;
import polydex.route.Remap;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.workspace.Change;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/** Platforms and applications made, changed, joined and taken away, each as an edit. */
public final class SystemEdits {
  private SystemEdits() {}

  /** A new one with nothing in it. */
  public static Change.Edit make(Workspace before, String title, boolean isPlatform) {
    Catalog catalog = before.catalog();
    String name = EnvironmentOutline.named(title);
    String id = Ids.free(name, i -> isTaken(catalog, new EnvironmentId(i)));
    Environment made =
        new Environment(
            new EnvironmentId(id),
            name,
            new Version("1"),
            List.of(Context.ANYWHERE),
            WhenBroken.SWALLOW,
            isPlatform ? Platform.PLAIN : new Application(List.of(), false));
    return new Change.Edit(worded("any.make", name), before, with(before, made));
  }

  /** An id that older records give to another would bring those along. */
  private static boolean isTaken(Catalog catalog, EnvironmentId id) {
    return catalog.environment(catalog.successors().of(id)).isPresent();
  }

  /**
   * One is changed.
   *
   * @param what as the rest of a title
   * @throws IllegalArgumentException where it can't be so, with a sentence
   */
  public static Change.Edit change(Workspace before, Environment after, String what) {
    Workspace changed = with(before, after);
    Optional<String> was =
        before
            .catalog()
            .environment(after.id())
            .map(Environment::title)
            .filter(t -> !t.equals(after.title()));
    return new Change.Edit(
        quoted(after.title()) + ": " + what,
        before,
        was.map(t -> happened(changed, new Called(t, after.id()))).orElse(changed));
  }

  static Workspace happened(Workspace before, Successors.Move... moves) {
    Successors successors = before.catalog().successors();
    for (Successors.Move move : moves) {
      successors = successors.and(move);
    }
    return before.with(before.catalog().with(successors));
  }

  private static Workspace with(Workspace before, Environment environment) {
    return before.with(before.catalog().with(List.of(), List.of(environment), Map.of()));
  }

  /** Why one can't be taken away; none where it can. */
  public static Optional<String> hindrance(Workspace workspace, EnvironmentId id) {
    List<Setup> in = workspace.setupsWith(id);
    if (!in.isEmpty()) {
      return Optional.of(
          worded(
              "systems.it-stands-in-the-setup-remove",
              in.getFirst().title(),
              worded("systems.and-in-more", in.size(), in.size() - 1)));
    }
    return workspace.catalog().environments().stream()
        .filter(e -> e.kind() instanceof Application a && a.platforms().contains(id))
        .findFirst()
        .map(e -> worded("systems.runs-on-it-say-otherwise-there", e.title()));
  }

  /**
   * One is taken away with its bindings.
   *
   * @throws IllegalArgumentException where {@link #hindrance} finds one
   */
  public static Change.Edit remove(Workspace before, Environment environment) {
    hindrance(before, environment.id())
        .ifPresent(
            why -> {
              throw new IllegalArgumentException(why);
            });
    return new Change.Edit(
        worded("systems.take-away", environment.title()),
        before,
        before.with(before.catalog().without(environment.id())));
  }

  /** Those with which one can be joined: of its kind. */
  public static List<Environment> partners(Catalog catalog, Environment of) {
    return catalog.environments().stream()
        .filter(e -> !e.id().equals(of.id()))
        .filter(e -> e.platform().isPresent() == of.platform().isPresent())
        .toList();
  }

  /**
   * One goes into another of its kind: bindings that the other has not, with their contexts, and
   * its menus where the other has none; wherever the one stood the other stands.
   */
  public static Change.Edit join(Workspace before, Environment gone, Environment into) {
    Catalog catalog = before.catalog();
    Map<String, String> contexts = new HashMap<>();
    Environment joined = joined(gone, into, contexts);
    Map<String, String> renamed = new HashMap<>();
    List<Binding> all =
        together(catalog.bindings(into.id()), catalog.bindings(gone.id()), contexts, renamed);
    Joining joining = new Joining(gone.id(), into.id(), contexts);
    Catalog after =
        catalog
            .with(List.of(), joining.platforms(catalog, joined), Map.of())
            .withBindings(into.id(), all)
            .without(gone.id());
    Map<SetupId, Setup> setups = new LinkedHashMap<>(before.setups());
    setups.replaceAll((_, s) -> s.on(joining.machine(s.machine())));
    Workspace now =
        before
            .with(after)
            .with(setups)
            .with(
                remembered(
                    before.remembered(), gone.id(), into.id(), ids(catalog, gone.id()), renamed));
    Said said =
        new Said(i -> i.environment().equals(gone.id()) ? new DrillItem(into.id(), i.action()) : i);
    return new Change.Edit(
        worded("systems.join-with", gone.title(), into.title()),
        before,
        happened(
            now.with(said.learning(before.learning()))
                .with(said.mouse(before.mouse(), UnaryOperator.identity())),
            new Called(gone.title(), gone.id()),
            new Absorbed(gone.id(), into.id())));
  }

  private static Set<String> ids(Catalog catalog, EnvironmentId of) {
    Set<String> ids = new HashSet<>();
    catalog.bindings(of).forEach(b -> ids.add(b.id()));
    return ids;
  }

  /**
   * Bindings with others that come from another keymap, each once.
   *
   * @param contexts what the contexts of the others are here, by their ids
   * @param renamed gets the ids that had to change
   */
  static List<Binding> together(
      List<Binding> here,
      List<Binding> others,
      Map<String, String> contexts,
      Map<String, String> renamed) {
    Set<List<Object>> there = new HashSet<>();
    Set<String> ids = new HashSet<>();
    for (Binding b : here) {
      there.add(List.of(b.context(), b.action(), b.gesture()));
      ids.add(b.id());
    }
    List<Binding> all = new ArrayList<>(here);
    for (Binding b : others) {
      String context = contexts.get(b.context());
      if (there.add(List.of(context, b.action(), b.gesture()))) {
        String id = b.id();
        for (int i = 2; !ids.add(id); i++) {
          id = b.id() + "#" + i;
        }
        renamed.put(b.id(), id);
        all.add(b.with(id, b.gesture()).in(context).opening(b.heldContext().map(contexts::get)));
      }
    }
    return all;
  }

  /** The contexts of both, and what can be seen of the one that stays, else of the other. */
  static Environment joined(Environment gone, Environment into, Map<String, String> contexts) {
    List<Context> all = new ArrayList<>(into.contexts());
    List<Context> made = new ArrayList<>();
    for (Context c : gone.contexts()) {
      Optional<Context> same =
          into.contexts().stream().filter(x -> x.title().equalsIgnoreCase(c.title())).findFirst();
      if (same.isPresent()) {
        contexts.put(c.id(), same.get().id());
      } else {
        contexts.put(
            c.id(),
            Ids.free(
                c.title(),
                i ->
                    contexts.containsValue(i)
                        || into.contexts().stream().anyMatch(x -> x.id().equals(i))));
        made.add(c);
      }
    }
    // Only now is it known what all of them are called.
    for (Context c : made) {
      Set<String> together = new HashSet<>();
      c.together().forEach(t -> together.add(contexts.getOrDefault(t, t)));
      all.add(
          new Context(contexts.get(c.id()), c.title(), c.parent().map(contexts::get), together));
    }
    return into.withContexts(all)
        .showing(
            into.menus().isEmpty() ? gone.menus() : into.menus(),
            into.pointerRoutes().isEmpty() ? gone.pointerRoutes() : into.pointerRoutes(),
            into.tabOrder().isEmpty() ? gone.tabOrder() : into.tabOrder());
  }

  /** Where lists are from whose bindings went from one keymap into another. */
  static Remembered remembered(
      Remembered before,
      EnvironmentId from,
      EnvironmentId into,
      Set<String> moved,
      Map<String, String> renamed) {
    Remembered after = before;
    for (Map.Entry<String, Remembered.Source> list : before.lists().entrySet()) {
      Set<String> stay = new HashSet<>(list.getValue().bindings().getOrDefault(from, Set.of()));
      Set<String> go = new HashSet<>(stay);
      go.retainAll(moved);
      if (!go.isEmpty()) {
        stay.removeAll(go);
        Map<EnvironmentId, Set<String>> all = new HashMap<>(list.getValue().bindings());
        if (stay.isEmpty()) {
          all.remove(from);
        } else {
          all.put(from, stay);
        }
        Set<String> now = new HashSet<>(all.getOrDefault(into, Set.of()));
        go.forEach(i -> now.add(renamed.getOrDefault(i, i)));
        all.put(into, now);
        after = after.withList(list.getKey(), new Remembered.Source(all));
      }
    }
    return after;
  }

  /** Puts one in the place of another, wherever that stands. */
  private record Joining(EnvironmentId gone, EnvironmentId into, Map<String, String> contexts) {
    private EnvironmentId id(EnvironmentId id) {
      return id.equals(gone) ? into : id;
    }

    List<Environment> platforms(Catalog catalog, Environment joined) {
      List<Environment> changed = new ArrayList<>();
      changed.add(joined);
      for (Environment e : catalog.environments()) {
        if (e.kind() instanceof Application a
            && a.platforms().contains(gone)
            && !e.id().equals(joined.id())) {
          changed.add(
              e.withKind(
                  new Application(
                      a.platforms().stream().map(this::id).distinct().toList(), a.holdsMachine())));
        }
      }
      return changed;
    }

    Machine machine(Machine before) {
      Machine there =
          before.platform().equals(gone)
              // What was switched off are bindings of a keymap that is no more.
              ? before.on(into, before.version())
              : before;
      List<Remap> remaps =
          there.remaps().stream()
              .map(
                  r ->
                      new Remap(r.title(), r.onlyIn().map(this::id), r.strokeRules(), r.keyRules()))
              .toList();
      Machine.Focus focus =
          switch (there.focus()) {
            case Machine.Bare b -> b;
            case Machine.Running r ->
                r.application().equals(gone)
                    ? new Machine.Running(
                        into,
                        r.version(),
                        r.options(),
                        r.contexts().stream().map(c -> contexts.getOrDefault(c, c)).toList())
                    : r;
            case Machine.SessionWindow s ->
                new Machine.SessionWindow(
                    id(s.application()),
                    s.version(),
                    s.capture(),
                    s.fullScreen(),
                    s.kept(),
                    s.sent(),
                    s.forwards(),
                    s.translation(),
                    s.tapDelayMillis(),
                    machine(s.inner()));
          };
      return there.withRemaps(remaps).with(focus);
    }
  }
}
