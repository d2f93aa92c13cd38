package polydex.own;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Binding.Remarks;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.keys.Gesture;

/**
 * The program's own keys as a keymap of a catalogue, which its user changes like any other. What
 * was changed stays when the table grows: a command that a file does not know yet comes in with its
 * usual keys, and the keys of all others are the file's.
 */
public final class OwnKeymap {
  /** The program, as an application. */
  public static final EnvironmentId ID = new EnvironmentId("polydex-keys");

  private static final Environment ENVIRONMENT =
      new Environment(
          ID,
          "Polydex",
          new Version("1"),
          Arrays.stream(OwnContext.values()).map(OwnContext::context).toList(),
          Environment.WhenBroken.SWALLOW,
          new Environment.Application(List.of(), false));

  private OwnKeymap() {}

  /** The usual keys in a catalogue of their own. */
  public static Catalog usual() {
    return in(Catalog.EMPTY);
  }

  /**
   * A catalogue with the program's keys; itself where nothing is missing. What its user called
   * otherwise, joined or changed stays so; only a keymap of another version is brought up to date.
   */
  public static Catalog in(Catalog catalog) {
    Optional<Environment> there = catalog.environment(ID);
    List<OwnKey> unknown =
        Stream.of(OwnKey.values()).filter(k -> catalog.action(k.action()).isEmpty()).toList();
    boolean isNow = there.filter(e -> e.version().equals(ENVIRONMENT.version())).isPresent();
    if (isNow && unknown.isEmpty()) {
      return catalog;
    }
    List<Action> actions =
        Stream.of(OwnKey.values())
            .filter(k -> unknown.contains(k) || (!isNow && id(catalog, k).equals(k.action())))
            .map(OwnKeymap::action)
            .toList();
    Catalog with = catalog.with(actions, List.of(), Map.of());
    List<Binding> bindings = new ArrayList<>(kept(catalog));
    // Without its environment a file has no keys of it, whatever actions were left behind.
    List<OwnKey> usual = there.isEmpty() ? List.of(OwnKey.values()) : unknown;
    usual.forEach(k -> bindings.addAll(bindings(with, k, k.usual())));
    return with.without(ID)
        .with(List.of(), List.of(OwnTitles.said(ENVIRONMENT)), Map.of(ID, distinct(bindings)));
  }

  /** The action that a command is in a catalogue, where it may have been joined with another. */
  static ActionId id(Catalog catalog, OwnKey key) {
    return catalog.action(key.action()).map(Action::id).orElse(key.action());
  }

  /** What a file has of it, as far as it is still there. */
  private static List<Binding> kept(Catalog catalog) {
    Set<ActionId> still = new HashSet<>();
    Arrays.stream(OwnKey.values()).map(OwnKey::action).forEach(still::add);
    return catalog.bindings(ID).stream()
        .filter(b -> !b.action().value().startsWith(OwnKey.ID) || still.contains(b.action()))
        .filter(b -> ENVIRONMENT.context(b.context()).isPresent())
        .toList();
  }

  private static List<Binding> distinct(List<Binding> bindings) {
    Set<String> ids = new HashSet<>();
    return bindings.stream().filter(b -> ids.add(b.id())).toList();
  }

  private static Action action(OwnKey key) {
    return new Action(key.action(), key.title(), "Polydex", List.of(), Action.Harm.VISIBLE);
  }

  private static List<Binding> bindings(Catalog in, OwnKey key, List<Gesture> gestures) {
    List<Binding> found = new ArrayList<>();
    for (OwnContext context : key.contexts()) {
      for (Gesture gesture : gestures) {
        Binding binding =
            Binding.of(
                "%s.%s.%s".formatted(key.word(), context.id(), gesture),
                id(in, key),
                gesture,
                context.id());
        found.add(key.isFixed() ? binding.remarked(new Remarks("", "", "", true)) : binding);
      }
    }
    return found;
  }

  /**
   * The actions that are not the program's own: those by which titles from outside are understood.
   */
  public static List<Action> others(Catalog catalog) {
    return catalog.actions().stream().filter(a -> !a.id().value().startsWith(OwnKey.ID)).toList();
  }

  /** The command that an action of the catalogue is, if it is one. */
  public static Optional<OwnKey> key(ActionId action) {
    return Arrays.stream(OwnKey.values()).filter(k -> k.action().equals(action)).findFirst();
  }

  /**
   * The single strokes of every command, the one that is shown first; none for one whose user took
   * its keys away. O(bindings of the program).
   */
  public static Map<OwnKey, List<Gesture>> gestures(Catalog catalog) {
    Map<OwnKey, List<Gesture>> found = new EnumMap<>(OwnKey.class);
    boolean isThere = catalog.environment(ID).isPresent();
    for (OwnKey key : OwnKey.values()) {
      found.put(
          key,
          key.isFixed() || !isThere
              ? key.usual()
              : catalog.bindings(ID, id(catalog, key)).stream()
                  .map(Binding::gesture)
                  .filter(g -> g.isStroke() && !g.isFamily())
                  .distinct()
                  .toList());
    }
    return found;
  }

  /**
   * The same with other keys for a command, in each context in which it works.
   *
   * @param gestures single strokes, the one that is shown first
   * @throws IllegalArgumentException for a command whose keys are fixed, or more than a stroke
   */
  public static Catalog with(Catalog catalog, OwnKey key, List<Gesture> gestures) {
    if (key.isFixed() || !gestures.stream().allMatch(g -> g.isStroke() && !g.isFamily())) {
      throw new IllegalArgumentException(worded("own.only-single-strokes-and-not-for", key));
    }
    Catalog whole = in(catalog);
    List<Binding> bindings = new ArrayList<>();
    boolean isPlaced = false;
    for (Binding b : whole.bindings(ID)) {
      if (!b.action().equals(id(whole, key))) {
        bindings.add(b);
      } else if (!isPlaced) {
        bindings.addAll(bindings(whole, key, gestures));
        isPlaced = true;
      }
    }
    if (!isPlaced) {
      bindings.addAll(bindings(whole, key, gestures));
    }
    return whole.withBindings(ID, distinct(bindings));
  }

  /** The same with all keys as they usually are. */
  public static Catalog reset(Catalog catalog) {
    Catalog whole = in(catalog);
    List<Binding> bindings = new ArrayList<>();
    for (OwnKey key : OwnKey.values()) {
      bindings.addAll(bindings(whole, key, key.usual()));
    }
    return whole.withBindings(ID, bindings);
  }

  /** The commands whose keys are not the usual ones. */
  public static List<OwnKey> changed(Catalog catalog) {
    Map<OwnKey, List<Gesture>> now = gestures(catalog);
    return Stream.of(OwnKey.values()).filter(k -> !now.get(k).equals(k.usual())).toList();
  }
}
