package polydex.route;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import polydex.boards.Layout;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;

/**
 * The traces of a setup after few bindings were changed, made from those before: only what an edit
 * can concern is traced anew, see {@link Touched}. Passing over the rest costs a bit test each; the
 * result is the same as tracing all.
 *
 * @param traces of every binding
 * @param fresh those that were traced anew and exist
 * @param freshAbsent those that were traced anew and do not exist in the versions of the setup
 * @param stale those of before that were traced anew or are gone
 */
public record Retracing(
    SetupTraces traces,
    List<TracedBinding> fresh,
    List<TracedBinding> freshAbsent,
    List<TracedBinding> stale) {

  /**
   * The traces after a change of the keymaps.
   *
   * @return nothing where so much has changed that all has to be traced
   */
  public static Optional<Retracing> of(SetupTraces before, World now) {
    World was = before.world();
    boolean same = was.boards().equals(now.boards()) && was.layouts().equals(now.layouts());
    if (!same) {
      return Optional.empty();
    }
    Optional<KeymapDiff> diff =
        KeymapDiff.of(was.catalog(), now.catalog(), before.setup().environments());
    if (diff.isEmpty() || isInHolds(diff.get(), before.held())) {
      return Optional.empty();
    }
    List<KeymapDiff.Edit> edits = diff.get().edits();
    return before
        .tracer()
        .after(now, edits)
        .flatMap(tracer -> new Work(before, now, tracer, edits).done());
  }

  /** What is within holds is traced behind what opens it, which then may be another one. */
  private static boolean isInHolds(KeymapDiff diff, Set<String> held) {
    for (KeymapDiff.Edit edit : diff.edits()) {
      List<Binding> both = new ArrayList<>(edit.was().stream().toList());
      edit.now().ifPresent(both::add);
      for (Binding b : both) {
        if (b.heldContext().isPresent() || held.contains(edit.environment() + " " + b.context())) {
          return true;
        }
      }
    }
    return false;
  }

  @SuppressWarnings("ReferenceEquality") // bindings and layers that are shared are the same
  private static final class Work {
    private final SetupTraces before;
    private final SetupTraces tracing;
    private final World now;
    private Signs signs;
    private final Touched touched;
    private final Optional<Set<String>> contexts;
    private final IdentityHashMap<Binding, KeymapDiff.Edit> edited = new IdentityHashMap<>();
    private final List<KeymapDiff.Edit> added = new ArrayList<>();
    private final List<TracedBinding> all;
    private final List<TracedBinding> absent;
    private final List<TracedBinding> stale = new ArrayList<>();
    private final Layout fingers;

    Work(SetupTraces before, World now, Tracer tracer, List<KeymapDiff.Edit> edits) {
      this.before = before;
      this.now = now;
      this.signs = before.signs();
      this.all = new ArrayList<>(before.all());
      this.absent = new ArrayList<>(before.absent());
      this.tracing = new SetupTraces(now, tracer, all, absent, before.held(), before.signs());
      this.touched = new Touched(tracer.stations(), edits);
      this.contexts = concernedContexts(before.setup(), now.catalog(), edits);
      this.fingers = tracer.layout();
      for (KeymapDiff.Edit edit : edits) {
        edit.was().ifPresentOrElse(b -> edited.put(b, edit), () -> added.add(edit));
      }
    }

    Optional<Retracing> done() {
      List<TracedBinding> fresh = new ArrayList<>();
      List<TracedBinding> freshAbsent = new ArrayList<>();
      return go(all, fresh, true) && go(absent, freshAbsent, false)
          ? Optional.of(
              new Retracing(
                  new SetupTraces(now, tracing.tracer(), all, absent, before.held(), signs),
                  fresh,
                  freshAbsent,
                  stale))
          : Optional.empty();
    }

    /** Goes through a list and brings it up to date in its place; whether that could be done. */
    private boolean go(List<TracedBinding> list, List<TracedBinding> fresh, boolean exist) {
      TreeMap<Integer, List<TracedBinding>> instead = new TreeMap<>();
      Set<String> replaced = new HashSet<>();
      List<Integer> places = new ArrayList<>();
      (exist ? before.signs() : Signs.of(list)).touching(touched.bits(), places::add);
      for (int i : places) {
        TracedBinding t = list.get(i);
        KeymapDiff.Edit edit = t.own() ? null : edited.get(t.binding());
        if (edit != null) {
          stale.add(t);
          if (edit.now().isPresent() && exists(t, edit.now().get()) != exist) {
            return false;
          }
          boolean first = replaced.add(t.layer().depth() + " " + t.binding().id());
          instead.put(i, first && edit.now().isPresent() ? traced(t, edit.now().get()) : List.of());
        } else if (isWhereItCounts(t) && touched.concerns(t, fingers, layout(t.layer().depth()))) {
          stale.add(t);
          instead.put(
              i,
              List.of(
                  tracing.traced(
                      t.active(),
                      t.layer(),
                      t.environment(),
                      t.binding(),
                      t.own(),
                      t.gesture(),
                      t.opening())));
        }
      }
      if (!added.isEmpty() && !add(list, instead, exist)) {
        return false;
      }
      if (exist) {
        signs = before.signs().replacing(instead);
      }
      for (var e : instead.entrySet()) {
        TracedBinding there = list.get(e.getKey());
        e.getValue().stream().filter(t -> t != there).forEach(fresh::add);
      }
      for (var e : instead.descendingMap().entrySet()) {
        List<TracedBinding> now = e.getValue();
        if (now.size() == 1) {
          list.set(e.getKey(), now.getFirst());
        } else {
          list.remove((int) e.getKey());
          list.addAll(e.getKey(), now);
        }
      }
      return true;
    }

    private Layout layout(int depth) {
      return tracing.tracer().stations().get(depth).layout;
    }

    /**
     * Of the focused application the contexts in which an edit is active, where every edit is of
     * its bindings: what is traced in another one never meets them. None where that is not so, or
     * where contexts can be active side by side.
     */
    private static Optional<Set<String>> concernedContexts(
        Setup setup, Catalog catalog, List<KeymapDiff.Edit> edits) {
      if (!(setup.innermost().focus() instanceof Machine.Running r) || r.contexts().size() > 1) {
        return Optional.empty();
      }
      Environment application = catalog.environment(r.application()).orElseThrow();
      boolean others =
          edits.stream().anyMatch(e -> !e.environment().equals(application.id()))
              || setup.machines().stream()
                      .filter(m -> m.application().filter(application.id()::equals).isPresent())
                      .count()
                  != 1
              || application.contexts().stream().anyMatch(c -> !c.together().isEmpty());
      if (others) {
        return Optional.empty();
      }
      Set<String> edited = new HashSet<>();
      edits.forEach(e -> edited.add(e.was().or(e::now).orElseThrow().context()));
      if (edited.contains(Context.ANYWHERE.id())) {
        return Optional.empty();
      }
      Map<String, String> parents = new HashMap<>();
      application.contexts().forEach(c -> c.parent().ifPresent(p -> parents.put(c.id(), p)));
      Set<String> concerned = new HashSet<>();
      for (Context c : application.contexts()) {
        String at = c.id();
        for (int i = 0; at != null && i <= parents.size(); i++, at = parents.get(at)) {
          if (edited.contains(at)) {
            concerned.add(c.id());
          }
        }
      }
      return Optional.of(concerned);
    }

    private boolean isWhereItCounts(TracedBinding t) {
      return contexts.isEmpty()
          || t.active()
              .map(contexts.get()::contains)
              .orElseGet(
                  () ->
                      before.setup().innermost().focus() instanceof Machine.Running r
                          && r.contexts().stream().anyMatch(contexts.get()::contains));
    }

    private List<TracedBinding> traced(TracedBinding like, Binding binding) {
      Optional<String> active =
          like.layer().kind() == Layer.Kind.APPLICATION
              ? Optional.of(binding.context())
              : Optional.empty();
      List<TracedBinding> found = new ArrayList<>();
      for (Gesture member : binding.gesture().expand()) {
        found.add(
            tracing.traced(active, like.layer(), like.environment(), binding, false, member, 0));
      }
      return found;
    }

    private boolean exists(TracedBinding like, Binding binding) {
      return machine(like).exists(like.layer().kind(), binding);
    }

    private Machine machine(TracedBinding like) {
      return before.setup().machines().get(like.layer().depth());
    }

    /** Puts new bindings behind the last of their keymap, wherever it stands in the setup. */
    private boolean add(
        List<TracedBinding> list, Map<Integer, List<TracedBinding>> instead, boolean exist) {
      for (KeymapDiff.Edit edit : added) {
        Binding binding = edit.now().orElseThrow();
        int places = 0;
        for (int i = 0; i < list.size(); i++) {
          TracedBinding t = list.get(i);
          if (t.environment().equals(edit.environment()) && endsSection(list, i)) {
            places++;
            if (exists(t, binding) == exist && !isSwitchedOff(t, binding)) {
              List<TracedBinding> more = new ArrayList<>(instead.getOrDefault(i, List.of(t)));
              more.addAll(traced(t, binding));
              instead.put(i, more);
            } else if (exist && !isSwitchedOff(t, binding)) {
              return false; // it belongs to the absent ones, whose list may have no such place
            }
          }
        }
        if (exist && places != places(edit.environment())) {
          return false;
        }
      }
      return true;
    }

    /** How many keymaps of an environment a setup has. */
    private int places(EnvironmentId environment) {
      int places = 0;
      for (Machine m : before.setup().machines()) {
        places += m.platform().equals(environment) ? 1 : 0;
        places += m.application().filter(environment::equals).isPresent() ? 1 : 0;
      }
      return places;
    }

    /** Whether the bindings of a layer's keymap end here. */
    private static boolean endsSection(List<TracedBinding> list, int i) {
      TracedBinding t = list.get(i);
      if (t.own() || MenuKeys.isOne(t.binding())) {
        return false;
      }
      return i + 1 == list.size()
          || list.get(i + 1).layer() != t.layer()
          || MenuKeys.isOne(list.get(i + 1).binding());
    }

    private boolean isSwitchedOff(TracedBinding last, Binding binding) {
      return machine(last).isSwitchedOff(last.layer().kind(), binding);
    }
  }
}
