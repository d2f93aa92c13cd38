package polydex.catalog;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import polydex.keys.Gesture;
import polydex.keys.Modifier;

/**
 * A platform, or an application on a platform: whatever has a keymap.
 *
 * @param id short and stable
 * @param title as people call it
 * @param version the newest that the keymap describes
 * @param contexts the tree, parents before their children, the outermost first
 * @param whenBroken what happens to held steps of a sequence that does not go on
 * @param kind what it is besides
 */
public record Environment(
    String id,
    String title,
    Version version,
    List<Context> contexts,
    WhenBroken whenBroken,
    Kind kind) {

  /** What a taker does with the steps it holds when the next one does not go on with them. */
  public enum WhenBroken {
    SWALLOW,
    REPLAY
  }

  /** What an environment is. */
  public sealed interface Kind {}

  /**
   * A desktop.
   *
   * @param modifierNames its own words for modifiers
   * @param reserved strokes that it takes whatever runs
   * @param altGrIsCtrlAlt whether AltGr and Ctrl+Alt are the same to it
   * @param typing modifiers that type symbols here, as AltGr does
   */
  public record Platform(
      Map<Modifier, String> modifierNames,
      List<Reserved> reserved,
      boolean altGrIsCtrlAlt,
      Set<Modifier> typing)
      implements Kind {
    /** Nothing special about it. */
    public static final Platform PLAIN = new Platform(Map.of(), List.of(), false, Set.of());

    /** Copies the collections. */
    public Platform {
      modifierNames = Map.copyOf(modifierNames);
      reserved = List.copyOf(reserved);
      typing = Set.copyOf(typing);
    }
  }

  /**
   * A stroke that a platform never lets through.
   *
   * @param gesture one stroke
   * @param action the id of what it does
   */
  public record Reserved(Gesture gesture, String action) {}

  /**
   * An application.
   *
   * @param platforms the ids of the platforms that it exists on; empty where not known
   * @param holdsMachine whether its window can hold another machine
   */
  public record Application(List<String> platforms, boolean holdsMachine) implements Kind {
    /** Copies the list. */
    public Application {
      platforms = List.copyOf(platforms);
    }
  }

  /** Copies the contexts. */
  public Environment {
    contexts = List.copyOf(contexts);
  }

  /** What is special to it as a platform, if it is one. */
  public Optional<Platform> platform() {
    return kind instanceof Platform p ? Optional.of(p) : Optional.empty();
  }

  /** A context by its id. */
  public Optional<Context> context(String contextId) {
    return contexts.stream().filter(c -> c.id().equals(contextId)).findFirst();
  }

  /** The ids of a context and those around it, innermost first. */
  public List<String> outward(String contextId) {
    // The bound keeps a tree that bites its own tail from turning for ever.
    return Stream.iterate(
            context(contextId),
            Optional::isPresent,
            c -> c.flatMap(Context::parent).flatMap(this::context))
        .limit(contexts.size())
        .map(c -> c.orElseThrow().id())
        .toList();
  }
}
