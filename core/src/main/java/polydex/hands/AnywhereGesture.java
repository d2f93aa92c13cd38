package polydex.hands;

import static polydex.language.CoreWords.worded;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import polydex.boards.Presses;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.free.Candidate;
import polydex.free.Candidates;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Step;
import polydex.own.OwnKey;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupTraces;
import polydex.route.Trace;
import polydex.route.Tracer;
import polydex.route.World;

/**
 * A gesture that a recorder takes for itself whatever has the focus: the one that pauses it, and
 * those that answer what it says. It only hears them, and whoever has the focus gets them as well:
 * so nothing may be bound to them anywhere on that computer. Found out by tracing them with each
 * application in focus, in each of its contexts.
 */
public final class AnywhereGesture {
  /** What pauses where nobody has chosen another: the key that has the name of it. */
  public static final Gesture PAUSE = Gesture.parse("Pause");

  private static final Pattern FUNCTION = Pattern.compile("F\\d{1,2}");

  private AnywhereGesture() {}

  /**
   * What stands against a gesture on the outermost machine of a setup, as a sentence; nothing where
   * it is free. O(applications of the platform · their contexts) traces.
   */
  public static Optional<String> problem(World world, Setup setup, Gesture gesture) {
    if (gesture.usesPointer() || gesture.isFamily()) {
      return Optional.of(worded("hands.a-recorder-hears-one-gesture-of"));
    }
    Machine machine = setup.machines().getFirst();
    if (Presses.of(gesture, world.layouts().get(machine.layout()))
        instanceof Presses.Untypable(String reason)) {
      return Optional.of(worded("hands.cant-be-pressed-here", gesture, reason));
    }
    Optional<String> found =
        taken(world, on(setup, new Machine.Bare()), gesture, worded("any.the-desktop"));
    for (Environment e : world.catalog().environments()) {
      if (found.isEmpty() && runs(e, machine)) {
        found = taken(world, setup, e, gesture);
      }
    }
    return found;
  }

  private static boolean runs(Environment environment, Machine machine) {
    return machine.application().equals(Optional.of(environment.id()))
        || (environment.kind() instanceof Application a
            && a.platforms().contains(machine.platform()));
  }

  private static Optional<String> taken(
      World world, Setup setup, Environment application, Gesture gesture) {
    Set<String> options = Set.of();
    List<List<String>> contexts =
        application.contexts().isEmpty()
            ? List.of(List.of())
            : application.contexts().stream().map(Context::id).map(List::of).toList();
    return contexts.stream()
        .map(
            c ->
                on(setup, new Machine.Running(application.id(), application.version(), options, c)))
        .flatMap(s -> taken(world, s, gesture, application.title()).stream())
        .findFirst();
  }

  private static Setup on(Setup setup, Machine.Focus focus) {
    return setup.on(setup.machines().getFirst().with(focus));
  }

  private static Optional<String> taken(World world, Setup setup, Gesture gesture, String where) {
    if (world.problem(setup).isPresent()) {
      return Optional.empty();
    }
    for (Trace.Outcome outcome : Tracer.of(setup, world).results(gesture)) {
      if (outcome instanceof Trace.Acted a && !a.action().equals(OwnKey.PAUSE.action())) {
        return Optional.of(
            worded(
                "hands.is-in-use-with-in-front",
                gesture,
                where,
                world.catalog().title(a.action())));
      }
      if (outcome instanceof Trace.Typed(String text)) {
        return Optional.of(worded("hands.types", gesture, text));
      }
    }
    return Optional.empty();
  }

  /** How likely it is that a program that nobody knows has something on it; the least first. */
  private static int risk(Gesture gesture) {
    if (!(gesture.steps().getLast() instanceof Step.Stroke(Held _, KeyRef.Placed(Key key)))) {
      return 2; // what writes: commands with Ctrl, menus with Alt
    }
    return FUNCTION.matcher(key.name()).matches() ? 0 : 1;
  }

  /** Keys whose lights or letters change when they are pressed are nothing to answer with. */
  private static boolean locks(Gesture gesture) {
    return gesture.steps().getLast() instanceof Step.Stroke(Held _, KeyRef.Placed(Key key))
        && key.name().endsWith("Lock");
  }

  /**
   * Gestures of one stroke against which nothing stands: of function keys first, since programs
   * that nobody knows here have commands and menus on keys that write, and edit with the others;
   * among those the easiest.
   *
   * @param most how many at most
   * @param stopped whether nobody waits for them any more
   */
  public static List<Gesture> free(World world, Setup setup, int most, BooleanSupplier stopped) {
    Setup here = on(setup, new Machine.Bare());
    return Candidates.of(List.of(SetupTraces.of(here, world))).strokes(1).stream()
        .map(Candidate::gesture)
        .filter(g -> !locks(g))
        .sorted(Comparator.comparing(AnywhereGesture::risk))
        .takeWhile(_ -> !stopped.getAsBoolean())
        .filter(g -> problem(world, setup, g).isEmpty())
        .limit(most)
        .toList();
  }
}
