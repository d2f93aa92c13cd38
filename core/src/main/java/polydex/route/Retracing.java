package polydex.route;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Layout;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.MenuKeys;
import polydex.keys.Gesture;

/**
 * The traces of a setup after few bindings were changed, made from those before: only what an edit
 * can concern is traced anew, see {@link Touched}. O(bindings) to pass over the rest, with a small
 * constant; the result is the same as tracing all.
 *
 * @param traces of every binding
 * @param fresh those that were traced anew
 * @param stale those of before that were traced anew or are gone
 */
public record Retracing(SetupTraces traces, List<TracedBinding> fresh, List<TracedBinding> stale) {

  /** Something that was traced, and whether it stands among what exists or what is absent. */
  private static final class Lists {
    final List<TracedBinding> all;
    final List<TracedBinding> fresh = new ArrayList<>();
    final List<TracedBinding> stale = new ArrayList<>();

    Lists(int size) {
      all = new ArrayList<>(size + 8);
    }
  }

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
    if (diff.isEmpty() || opensHolds(diff.get(), was.catalog(), now.catalog())) {
      return Optional.empty();
    }
    List<KeymapDiff.Edit> edits = diff.get().edits();
    return before
        .tracer()
        .after(now, edits)
        .flatMap(tracer -> new Work(before, now, tracer, edits).done());
  }

  /** What is within holds is traced behind what opens it, which then may be another one. */
  private static boolean opensHolds(KeymapDiff diff, Catalog was, Catalog now) {
    Set<String> environments = new HashSet<>();
    diff.edits().forEach(e -> environments.add(e.environment()));
    Set<String> held = new HashSet<>();
    for (String environment : environments) {
      for (Catalog catalog : List.of(was, now)) {
        for (Binding b : catalog.bindings(environment)) {
          b.heldContext().ifPresent(c -> held.add(environment + " " + c));
        }
      }
    }
    return diff.edits().stream()
        .anyMatch(
            e ->
                e.was().or(e::now).stream().anyMatch(b -> isHeld(b, e.environment(), held))
                    || e.now().stream().anyMatch(b -> isHeld(b, e.environment(), held)));
  }

  private static boolean isHeld(Binding b, String environment, Set<String> held) {
    return b.heldContext().isPresent() || held.contains(environment + " " + b.context());
  }

  @SuppressWarnings("ReferenceEquality") // tracers and bindings that are shared are the same
  private static final class Work {
    private final SetupTraces before;
    private final World now;
    private final Tracer tracer;
    private final Touched touched;
    private final IdentityHashMap<Binding, KeymapDiff.Edit> edited = new IdentityHashMap<>();
    private final List<KeymapDiff.Edit> added = new ArrayList<>();
    private final IdentityHashMap<Tracer, Tracer> tracers = new IdentityHashMap<>();
    private final Layout fingers;

    Work(SetupTraces before, World now, Tracer tracer, List<KeymapDiff.Edit> edits) {
      this.before = before;
      this.now = now;
      this.tracer = tracer;
      this.touched = new Touched(tracer.stations(), edits);
      this.fingers = tracer.layout();
      for (KeymapDiff.Edit edit : edits) {
        edit.was().ifPresentOrElse(b -> edited.put(b, edit), () -> added.add(edit));
      }
    }

    Optional<Retracing> done() {
      Lists all = new Lists(before.all().size());
      Lists absent = new Lists(before.absent().size());
      if (!go(before.all(), all, true) || !go(before.absent(), absent, false)) {
        return Optional.empty();
      }
      all.fresh.addAll(absent.fresh);
      all.stale.addAll(absent.stale);
      return Optional.of(
          new Retracing(new SetupTraces(now, tracer, all.all, absent.all), all.fresh, all.stale));
    }

    private boolean go(List<TracedBinding> from, Lists to, boolean exist) {
      Set<String> replaced = new HashSet<>();
      for (int i = 0; i < from.size(); i++) {
        TracedBinding t = from.get(i);
        KeymapDiff.Edit edit = t.own() ? null : edited.get(t.binding());
        if (edit != null) {
          to.stale.add(t);
          boolean first = replaced.add(t.layer().depth() + " " + t.binding().id());
          if (edit.now().isPresent() && exists(t, edit.now().get()) != exist) {
            return false;
          }
          if (first && edit.now().isPresent()) {
            fresh(t, edit.now().get(), to);
          }
        } else if (concerns(t)) {
          to.stale.add(t);
          TracedBinding again =
              SetupTraces.traced(
                  with(t),
                  t.layer(),
                  t.environment(),
                  t.binding(),
                  t.own(),
                  t.gesture(),
                  t.opening());
          to.fresh.add(again);
          to.all.add(again);
        } else {
          to.all.add(t.with(with(t)));
        }
        if (!added.isEmpty() && endsSection(from, i) && !addHere(t, to, exist)) {
          return false;
        }
      }
      return added.isEmpty() || !exist || hasPlaceForAll(from);
    }

    private boolean concerns(TracedBinding t) {
      return touched.concerns(t, fingers, tracer.stations().get(t.layer().depth()).layout);
    }

    /** The tracer with the same contexts active. */
    private Tracer with(TracedBinding t) {
      if (t.tracer() == before.tracer()) {
        return tracer;
      }
      return tracers.computeIfAbsent(
          t.tracer(),
          old ->
              old.setup().innermost().focus() instanceof Machine.Running r
                  ? tracer.withContexts(r.contexts())
                  : tracer);
    }

    private void fresh(TracedBinding like, Binding binding, Lists to) {
      Tracer with =
          like.tracer() == before.tracer() || like.binding().context().equals(binding.context())
              ? with(like)
              : tracer.withContexts(List.of(binding.context()));
      for (Gesture member : binding.gesture().expand()) {
        TracedBinding t =
            SetupTraces.traced(with, like.layer(), like.environment(), binding, false, member, 0);
        to.fresh.add(t);
        to.all.add(t);
      }
    }

    private boolean exists(TracedBinding like, Binding binding) {
      Machine machine = before.setup().machines().get(like.layer().depth());
      if (like.layer().kind() == Layer.Kind.DESKTOP) {
        return binding.when().holds(machine.version(), machine.options());
      }
      return switch (machine.focus()) {
        case Machine.Bare _ -> false;
        case Machine.Running r -> binding.when().holds(r.version(), r.options());
        case Machine.Session s -> binding.when().holds(s.version(), Set.of());
      };
    }

    /** Whether the bindings of a layer's keymap end here. */
    private static boolean endsSection(List<TracedBinding> from, int i) {
      TracedBinding t = from.get(i);
      if (t.own() || MenuKeys.isOne(t.binding())) {
        return false;
      }
      return i + 1 == from.size()
          || !from.get(i + 1).layer().equals(t.layer())
          || MenuKeys.isOne(from.get(i + 1).binding());
    }

    private boolean addHere(TracedBinding last, Lists to, boolean exist) {
      for (KeymapDiff.Edit edit : added) {
        Binding binding = edit.now().orElseThrow();
        if (!edit.environment().equals(last.environment()) || isSwitchedOff(last, binding)) {
          continue;
        }
        if (exists(last, binding) != exist) {
          if (!exist) {
            continue;
          }
          return false;
        }
        if (last.layer().kind() == Layer.Kind.APPLICATION) {
          Tracer with = tracer.withContexts(List.of(binding.context()));
          for (Gesture member : binding.gesture().expand()) {
            TracedBinding t =
                SetupTraces.traced(
                    with, last.layer(), last.environment(), binding, false, member, 0);
            to.fresh.add(t);
            to.all.add(t);
          }
        } else {
          fresh(last, binding, to);
        }
      }
      return true;
    }

    private boolean isSwitchedOff(TracedBinding last, Binding binding) {
      return last.layer().kind() == Layer.Kind.DESKTOP
          && before
              .setup()
              .machines()
              .get(last.layer().depth())
              .switchedOff()
              .contains(binding.id());
    }

    /** A keymap that had no binding yet has no end behind which one could be added. */
    private boolean hasPlaceForAll(List<TracedBinding> from) {
      for (KeymapDiff.Edit edit : added) {
        List<Machine> machines = before.setup().machines();
        for (int depth = 0; depth < machines.size(); depth++) {
          int at = depth;
          boolean isHere =
              machines.get(depth).platform().equals(edit.environment())
                  || machines
                      .get(depth)
                      .application()
                      .filter(edit.environment()::equals)
                      .isPresent();
          if (isHere
              && from.stream()
                  .noneMatch(
                      t ->
                          t.layer().depth() == at
                              && !t.own()
                              && !MenuKeys.isOne(t.binding())
                              && t.environment().equals(edit.environment()))) {
            return false;
          }
        }
      }
      return true;
    }
  }
}
