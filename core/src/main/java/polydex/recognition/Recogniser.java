package polydex.recognition;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Physical;
import polydex.keys.Step;
import polydex.log.Deed;
import polydex.log.Interpreter;
import polydex.recognition.Recognised.How;
import polydex.recognition.Whereabouts.Where;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.Trace;
import polydex.route.Tracer;
import polydex.route.World;

/**
 * Finds out what deeds of the log were. What a pointer did is looked up in the pointer routes and
 * menus of the keymaps, the focused application's first and then outward: as it is written, then by
 * plain names, then by what the person has said of the name. Keys, and pointers with modifiers
 * held, are traced in the setup that was in use, in the contexts of the application one after the
 * other, since a log does not say which was active. Each deed is looked into once. Not thread-safe.
 */
public final class Recogniser implements Interpreter {
  private record Here(Setup setup, List<String> contexts) {}

  /** A keymap as it is pressed on a layout. */
  private record Fingers(EnvironmentId environment, String layout) {}

  private final World world;
  private final Map<LearntName, Optional<ActionId>> names;
  private final Whereabouts whereabouts;
  private final Map<EnvironmentId, PointerRoutes> routes = new HashMap<>();
  private final Map<Here, Tracer> tracers = new HashMap<>();
  private final Map<Fingers, Map<List<Physical>, ActionId>> bound = new HashMap<>();
  private final Map<Deed, Recognised> known = new HashMap<>();

  /**
   * Ready to look.
   *
   * @param setups those that are likelier to be meant first
   * @param names what the person has said of names
   */
  public Recogniser(
      World world, Collection<Setup> setups, Map<LearntName, Optional<ActionId>> names) {
    this.world = world;
    this.names = names;
    this.whereabouts = new Whereabouts(world, setups);
  }

  /** What a deed was. */
  public Recognised of(Deed deed) {
    // Not computeIfAbsent, which must not be entered again while a deed is traced.
    Recognised found = known.get(deed);
    if (found == null) {
      found = find(deed);
      known.put(deed, found);
    }
    return found;
  }

  private Recognised find(Deed deed) {
    Where where = whereabouts.of(deed);
    if (deed.action().isPresent()) {
      return at(deed.isNoted() ? How.NOTED : How.TRACED, where, deed.action().get());
    }
    if (deed.isTyping()) {
      return new Recognised(How.TYPING, Optional.empty());
    }
    if (!deed.device().isPointer()) {
      return traced(deed, where).orElseGet(() -> pressed(deed, where));
    }
    if (deed.target().isEmpty() && deed.path().isEmpty()) {
      return traced(deed, where).orElseGet(() -> new Recognised(How.UNKNOWN, Optional.empty()));
    }
    if (deed.isPlace()) {
      return traced(deed, where).orElseGet(() -> new Recognised(How.NO_ACTION, Optional.empty()));
    }
    return pointed(deed, where);
  }

  /** Keys that nobody is known to take: typing, but for commands of a program that nobody knows. */
  private static Recognised pressed(Deed deed, Where where) {
    if (where.stranger().isEmpty() || !isCommand(Gesture.parse(deed.input()))) {
      return new Recognised(How.TYPING, Optional.empty());
    }
    return new Recognised(How.UNKNOWN, Optional.of(unnamed(where, deed.input())));
  }

  private static boolean isCommand(Gesture gesture) {
    return gesture.steps().stream()
        .anyMatch(
            s ->
                s instanceof Step.Stroke(Held held, KeyRef key)
                    && (held.modifiers().has(Modifier.CTRL)
                        || held.modifiers().has(Modifier.META)
                        || held.modifiers().has(Modifier.ALT)
                        || (key instanceof KeyRef.Placed(Key k) && k.name().matches("F\\d+"))));
  }

  private static Place unnamed(Where where, String name) {
    EnvironmentId environment =
        where.application().equals(EnvironmentId.NONE)
            ? where.setup().map(s -> s.innermost().platform()).orElse(EnvironmentId.NONE)
            : where.application();
    return new Place(where.setupId(), environment, new Place.Unnamed(name));
  }

  /** What nobody knows of where a deed was done: its machine, or its application. */
  public Optional<Whereabouts.Stranger> stranger(Deed deed) {
    return whereabouts.of(deed).stranger();
  }

  private Recognised pointed(Deed deed, Where where) {
    List<String> path = deed.way();
    for (Environment e : around(where)) {
      Optional<ActionId> exact = routes(e).exact(path);
      if (exact.isPresent()) {
        return at(How.EXACT, where, exact.get());
      }
    }
    for (Environment e : around(where)) {
      Optional<ActionId> normalised = routes(e).normalised(path);
      if (normalised.isPresent()) {
        return at(How.NORMALISED, where, normalised.get());
      }
    }
    LearntName name = name(deed);
    if (names.containsKey(name)) {
      return names
          .get(name)
          .map(a -> at(How.LEARNT, where, a))
          .orElseGet(() -> new Recognised(How.NO_ACTION, Optional.empty()));
    }
    return traced(deed, where)
        .orElseGet(() -> new Recognised(How.UNKNOWN, Optional.of(unnamed(where, name.joined()))));
  }

  /** What a person is asked to explain for a deed that no keymap knows. */
  public LearntName name(Deed deed) {
    return new LearntName(
        whereabouts.of(deed).application(), deed.way().stream().map(PlainName::of).toList());
  }

  private List<Environment> around(Where where) {
    return where.setup().map(s -> Whereabouts.outward(s, world.catalog())).orElse(List.of());
  }

  private PointerRoutes routes(Environment environment) {
    return routes.computeIfAbsent(environment.id(), _ -> new PointerRoutes(environment));
  }

  /**
   * An action is of the innermost environment that knows it, however it was done; where none does,
   * of one where it has become an action of its own.
   */
  private Recognised at(How how, Where where, ActionId said) {
    Successors meant = world.catalog().successors();
    ActionId action = meant.of(said);
    List<Environment> around = around(where);
    for (Environment e : around) {
      if (knows(e, action)) {
        return at(how, where, e.id(), action);
      }
    }
    for (Environment e : around) {
      ActionId there = meant.of(e.id(), said);
      if (!there.equals(action) && knows(e, there)) {
        return at(how, where, e.id(), there);
      }
    }
    EnvironmentId environment =
        where.application().equals(EnvironmentId.NONE)
            ? where.setup().map(s -> s.innermost().platform()).orElse(EnvironmentId.NONE)
            : where.application();
    return at(how, where, environment, action);
  }

  private boolean knows(Environment environment, ActionId action) {
    return routes(environment).actions().contains(action)
        || !world.catalog().bindings(environment.id(), action).isEmpty();
  }

  private static Recognised at(How how, Where where, EnvironmentId environment, ActionId action) {
    return new Recognised(how, Optional.of(Place.of(where.setupId(), environment, action)));
  }

  /**
   * What a gesture came to there: it counts where it went, whatever had the focus. Where an outer
   * layer took what a keymap further in has as well, that was pressed in vain.
   */
  private Optional<Recognised> traced(Deed deed, Where where) {
    if (deed.input().isEmpty()) {
      return Optional.empty();
    }
    Gesture gesture = Gesture.parse(deed.input());
    return acted(gesture, where)
        .map(
            a ->
                new Recognised(
                    How.TRACED,
                    Optional.of(Place.of(where.setupId(), a.environment(), a.action())),
                    where.setup().flatMap(s -> inVain(gesture, s, a))));
  }

  /** The innermost binding of the same presses that a taker further out keeps from being asked. */
  private Optional<Place> inVain(Gesture gesture, Setup setup, Trace.Acted taken) {
    Layout fingers = tracer(setup).layout();
    Optional<List<Physical>> presses = Presses.physical(gesture, fingers);
    if (presses.isEmpty()) {
      return Optional.empty();
    }
    List<Machine> machines = setup.machines();
    for (int depth = machines.size() - 1; depth >= taken.layer().depth(); depth--) {
      Machine machine = machines.get(depth);
      boolean here = depth == taken.layer().depth();
      Optional<EnvironmentId> application = machine.application();
      if (here && taken.environment().equals(application.orElse(EnvironmentId.NONE))) {
        return Optional.empty();
      }
      List<EnvironmentId> inner =
          here
              ? application.stream().toList()
              : Stream.concat(application.stream(), Stream.of(machine.platform())).toList();
      for (EnvironmentId e : inner) {
        ActionId action = bound(e, fingers).get(presses.get());
        if (action != null) {
          return Optional.of(Place.of(setup.id(), e, action));
        }
      }
    }
    return Optional.empty();
  }

  /** What the presses of a keymap's bindings do under the fingers; of several the first counts. */
  private Map<List<Physical>, ActionId> bound(EnvironmentId environment, Layout fingers) {
    return bound.computeIfAbsent(
        new Fingers(environment, fingers.id()),
        _ -> {
          Map<List<Physical>, ActionId> found = new HashMap<>();
          for (Binding b : world.catalog().bindings(environment)) {
            for (Gesture member : b.gesture().expand()) {
              Presses.physical(member, fingers).ifPresent(p -> found.putIfAbsent(p, b.action()));
            }
          }
          return found;
        });
  }

  /** The first action that a gesture causes there, in one of the contexts that there are. */
  private Optional<Trace.Acted> acted(Gesture gesture, Where where) {
    if (where.setup().isEmpty()) {
      return Optional.empty();
    }
    Setup setup = where.setup().get();
    for (List<String> contexts : contexts(setup)) {
      for (Trace.Outcome outcome : tracer(setup, contexts).results(gesture)) {
        if (outcome instanceof Trace.Acted a) {
          return Optional.of(a);
        }
      }
    }
    return Optional.empty();
  }

  @Override
  public boolean binds(Deed deed, Gesture gesture) {
    return acted(gesture, whereabouts.of(deed)).isPresent();
  }

  @Override
  public boolean writes(Deed deed, Gesture gesture) {
    Where where = whereabouts.of(deed);
    if (where.setup().isEmpty()) {
      return mayBeAltGr(gesture);
    }
    return acted(gesture, where).isEmpty()
        && tracer(where.setup().get()).results(gesture).stream()
            .anyMatch(Trace.Typed.class::isInstance);
  }

  /** Ctrl+Alt is AltGr on some platforms, and this may have been one of them. */
  private static boolean mayBeAltGr(Gesture gesture) {
    return gesture.steps().stream()
        .anyMatch(
            s ->
                s instanceof Step.Stroke(Held held, KeyRef key)
                    && held.modifiers().hasAll(Modifiers.of(Modifier.CTRL, Modifier.ALT))
                    && !(key instanceof KeyRef.Placed(Key k) && k.keyName().isPresent()));
  }

  @Override
  public Optional<ActionId> does(Deed deed, Gesture gesture) {
    Where where = whereabouts.of(deed);
    return where
        .setup()
        .map(s -> tracer(s).results(gesture))
        .filter(r -> r.size() == 1 && r.getFirst() instanceof Trace.Acted)
        .map(r -> ((Trace.Acted) r.getFirst()).action());
  }

  /** As the setup stands, its own contexts active. */
  private Tracer tracer(Setup setup) {
    return tracer(setup, contexts(setup).getFirst());
  }

  private Tracer tracer(Setup setup, List<String> contexts) {
    return tracers.computeIfAbsent(
        new Here(setup, contexts), h -> Tracer.of(h.setup().withContexts(h.contexts()), world));
  }

  private List<List<String>> contexts(Setup setup) {
    Set<List<String>> found = new LinkedHashSet<>();
    if (setup.innermost().focus() instanceof Machine.Running r) {
      found.add(r.contexts());
      world
          .catalog()
          .environment(r.application())
          .ifPresent(
              e -> e.contexts().stream().map(Context::id).forEach(c -> found.add(List.of(c))));
    } else {
      found.add(List.of());
    }
    return List.copyOf(found);
  }
}
