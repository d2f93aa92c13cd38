package polydex.catalog;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.keys.Gesture;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Step;

/**
 * What a gesture can be remembered by: found by computation from the gesture, the title, and what
 * else the catalogue has. A question costs O(bindings of the action and of its environment's keys),
 * after an index is built in O(bindings).
 */
public final class Hooks {

  /** What kind of help it is. */
  public enum Kind {
    /** What the user wrote. */
    OWN,
    /** The letter begins a word of the title. */
    INITIAL,
    /** With Shift it does the opposite. */
    REVERSES,
    /** The same gesture again takes it back, or goes on. */
    AGAIN,
    /** Its neighbours do the same with other keys. */
    FAMILY,
    /** It is the same in an environment that the user knows. */
    SAME_ELSEWHERE,
    /** Only the primary modifier differs from an environment that the user knows. */
    ONE_CHANGE
  }

  /**
   * A hook.
   *
   * @param text a sentence
   */
  public record Hook(Kind kind, String text) {}

  private final Catalog catalog;
  private final Set<EnvironmentId> known;
  private final Map<EnvironmentId, Map<Gesture, Binding>> byGesture = new HashMap<>();

  /**
   * The hooks of a catalogue.
   *
   * @param known the ids of the environments that the user works in
   */
  public Hooks(Catalog catalog, Set<EnvironmentId> known) {
    this.catalog = catalog;
    this.known = Set.copyOf(known);
    for (Environment environment : catalog.environments()) {
      Map<Gesture, Binding> gestures = new HashMap<>();
      catalog.bindings(environment.id()).forEach(b -> gestures.putIfAbsent(b.gesture(), b));
      byGesture.put(environment.id(), gestures);
    }
  }

  /** What a binding can be remembered by, the user's own first. */
  public List<Hook> of(EnvironmentId environment, Binding binding) {
    List<Hook> found = new ArrayList<>();
    if (!binding.remarks().hook().isEmpty()) {
      found.add(new Hook(Kind.OWN, binding.remarks().hook()));
    }
    Optional<Action> action = catalog.action(binding.action());
    action.flatMap(a -> initial(a, binding)).ifPresent(found::add);
    action.flatMap(a -> reverses(environment, a, binding)).ifPresent(found::add);
    action
        .filter(Action::toggles)
        .ifPresent(
            _ -> found.add(new Hook(Kind.AGAIN, worded("catalog.the-same-again-takes-it-back"))));
    if (binding.gesture().isFamily()) {
      found.add(new Hook(Kind.FAMILY, worded("catalog.one-of-a-family", binding.gesture())));
    }
    elsewhere(environment, binding).ifPresent(found::add);
    return found;
  }

  private static Optional<Hook> initial(Action action, Binding binding) {
    if (!(binding.gesture().steps().getLast() instanceof Step.Stroke(_, KeyRef.Typed(int c)))
        || !Character.isLetter(c)) {
      return Optional.empty();
    }
    List<String> words = Words.of(action.title());
    for (int i = 0; i < words.size(); i++) {
      if (words.get(i).codePointAt(0) == c) {
        String letter = Character.toString(Character.toUpperCase(c));
        return Optional.of(new Hook(Kind.INITIAL, worded("catalog.as-in", letter, words.get(i))));
      }
    }
    return Optional.empty();
  }

  /** Adding or dropping Shift gives the opposite. */
  private Optional<Hook> reverses(EnvironmentId environment, Action action, Binding binding) {
    if (action.opposite().isEmpty()) {
      return Optional.empty();
    }
    return shifted(binding.gesture())
        .map(byGesture.getOrDefault(environment, Map.of())::get)
        .filter(b -> b.action().equals(action.opposite().get()))
        .map(
            b ->
                new Hook(
                    Kind.REVERSES,
                    worded(
                        "catalog.does-the-opposite",
                        holdsShift(binding.gesture())
                            ? worded("catalog.without-shift-it")
                            : worded("catalog.with-shift-it"),
                        catalog.title(b.action()))));
  }

  private static boolean holdsShift(Gesture gesture) {
    return gesture.steps().getLast() instanceof Step.Stroke s
        && s.held().modifiers().has(Modifier.SHIFT);
  }

  private static Optional<Gesture> shifted(Gesture gesture) {
    if (!(gesture.steps().getLast() instanceof Step.Stroke last)) {
      return Optional.empty();
    }
    Modifiers held = last.held().modifiers();
    Modifiers other =
        held.has(Modifier.SHIFT) ? held.without(Modifier.SHIFT) : held.and(Modifier.SHIFT);
    List<Step> steps = new ArrayList<>(gesture.steps());
    steps.set(steps.size() - 1, new Step.Stroke(last.held().with(other), last.key()));
    return Optional.of(new Gesture(steps));
  }

  private Optional<Hook> elsewhere(EnvironmentId environment, Binding binding) {
    Optional<Hook> near = Optional.empty();
    for (Environment other : catalog.environments()) {
      if (other.id().equals(environment) || !known.contains(other.id())) {
        continue;
      }
      for (Binding there : catalog.bindings(other.id(), binding.action())) {
        if (there.gesture().equals(binding.gesture())) {
          return Optional.of(
              new Hook(Kind.SAME_ELSEWHERE, worded("catalog.the-same-as-in", other.title())));
        }
        if (near.isEmpty() && differsInPrimary(environment, binding, other.id(), there)) {
          near =
              Optional.of(
                  new Hook(
                      Kind.ONE_CHANGE,
                      worded(
                          "catalog.as-in-with-for",
                          other.title(),
                          primary(environment).written(),
                          primary(other.id()).written())));
        }
      }
    }
    return near;
  }

  private boolean differsInPrimary(
      EnvironmentId here, Binding binding, EnvironmentId elsewhere, Binding there) {
    Modifier mine = primary(here);
    Modifier theirs = primary(elsewhere);
    if (mine == theirs) {
      return false;
    }
    List<Step> steps = new ArrayList<>();
    for (Step step : there.gesture().steps()) {
      steps.add(
          step instanceof Step.Stroke s && s.held().modifiers().has(theirs)
              ? new Step.Stroke(
                  s.held().with(s.held().modifiers().without(theirs).and(mine)), s.key())
              : step);
    }
    return new Gesture(steps).equals(binding.gesture());
  }

  /** The primary modifier of a platform, or of the first platform that an application is on. */
  private Modifier primary(EnvironmentId environmentId) {
    return catalog
        .environment(environmentId)
        .map(
            e ->
                switch (e.kind()) {
                  case Environment.Platform p -> p.primary();
                  case Environment.Application a ->
                      a.platforms().stream()
                          .findFirst()
                          .filter(p -> !p.equals(environmentId))
                          .map(this::primary)
                          .orElse(Modifier.CTRL);
                })
        .orElse(Modifier.CTRL);
  }
}
