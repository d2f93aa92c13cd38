package polydex.catalog;

import static polydex.language.CoreWords.worded;

import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import polydex.keys.Gesture;
import polydex.keys.GestureReader;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Visible;

/**
 * A platform, or an application on a platform: whatever has a keymap.
 *
 * @param id short and stable
 * @param title as people call it
 * @param version the newest that the keymap describes
 * @param contexts the tree, parents before their children, the outermost first
 * @param whenBroken what happens to held steps of a sequence that does not go on
 * @param kind what it is besides
 * @param pointerRoutes how actions are done with a pointer, the usual way first
 * @param menus the menu bar
 * @param tabOrder what Tab reaches, in order, from the content on; empty where that is not known
 * @param source where the keymap is from, for one that describes a standard; may be empty
 */
public record Environment(
    EnvironmentId id,
    String title,
    Version version,
    List<Context> contexts,
    WhenBroken whenBroken,
    Kind kind,
    List<PointerRoute> pointerRoutes,
    List<MenuItem> menus,
    List<Control> tabOrder,
    String source) {

  /** One whose controls are not known. */
  public Environment(
      EnvironmentId id,
      String title,
      Version version,
      List<Context> contexts,
      WhenBroken whenBroken,
      Kind kind,
      List<PointerRoute> pointerRoutes,
      List<MenuItem> menus,
      String source) {
    this(id, title, version, contexts, whenBroken, kind, pointerRoutes, menus, List.of(), source);
  }

  /** One of which only the keys are known. */
  public Environment(
      EnvironmentId id,
      String title,
      Version version,
      List<Context> contexts,
      WhenBroken whenBroken,
      Kind kind) {
    this(id, title, version, contexts, whenBroken, kind, List.of(), List.of(), "");
  }

  /**
   * How an action is done with a pointer.
   *
   * @param action the id
   * @param path what is pointed at, one after the other: {@code File}, {@code Save}
   * @param operators the work of it in letters of the Keystroke-Level Model: {@code M H P BB P BB
   *     H}; may be empty
   */
  public record PointerRoute(ActionId action, List<String> path, String operators) {
    private static final Pattern OPERATORS = Pattern.compile("[KPBHMWD ]*");

    /**
     * Copies the path.
     *
     * @throws IllegalArgumentException for an empty path or an operator that there is not
     */
    public PointerRoute {
      if (path.isEmpty() || !OPERATORS.matcher(operators).matches()) {
        throw new IllegalArgumentException(worded("catalog.a-pointer-route-has-a-path"));
      }
      path = List.copyOf(path);
    }
  }

  /**
   * An entry of a menu bar or menu.
   *
   * @param title as it stands there
   * @param accessKey the letter that opens it while its menu is open
   * @param action the id of what it does, for one that does something
   * @param items what opens from it
   */
  public record MenuItem(
      String title, Optional<String> accessKey, Optional<ActionId> action, List<MenuItem> items) {
    /**
     * Copies the items.
     *
     * @throws IllegalArgumentException for an access key that is not one character
     */
    public MenuItem {
      if (accessKey.filter(k -> k.codePointCount(0, k.length()) != 1).isPresent()) {
        throw new IllegalArgumentException(worded("catalog.an-access-key-is-one-character"));
      }
      items = List.copyOf(items);
    }
  }

  /**
   * Something that Tab reaches.
   *
   * @param title as it stands there
   * @param action the id of what it does
   */
  public record Control(String title, ActionId action) {}

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
   * @param primary the modifier that most gestures of its applications hold
   * @param ownBindings its rules for bindings of the user's own, where they are known
   * @param menuForms how its applications' menus are opened by their access keys; empty where they
   *     are not
   * @param changes how changes are made on it, step by step
   */
  public record Platform(
      Map<Modifier, String> modifierNames,
      List<Reserved> reserved,
      boolean altGrIsCtrlAlt,
      Set<Modifier> typing,
      Modifier primary,
      Optional<OwnBindingRules> ownBindings,
      Set<MenuForm> menuForms,
      Optional<ChangeSteps> changes)
      implements Kind {
    private static final Modifiers CTRL_ALT = Modifiers.of(Modifier.CTRL, Modifier.ALT);

    /** Nothing special about it. */
    public static final Platform PLAIN =
        new Platform(
            Map.of(),
            List.of(),
            false,
            Set.of(),
            Modifier.CTRL,
            Optional.empty(),
            Set.of(),
            Optional.empty());

    /** One with Ctrl as its primary modifier, and no rules that are known. */
    public Platform(
        Map<Modifier, String> modifierNames,
        List<Reserved> reserved,
        boolean altGrIsCtrlAlt,
        Set<Modifier> typing) {
      this(
          modifierNames,
          reserved,
          altGrIsCtrlAlt,
          typing,
          Modifier.CTRL,
          Optional.empty(),
          Set.of(),
          Optional.empty());
    }

    /** One of which nobody said how changes are made on it. */
    public Platform(
        Map<Modifier, String> modifierNames,
        List<Reserved> reserved,
        boolean altGrIsCtrlAlt,
        Set<Modifier> typing,
        Modifier primary,
        Optional<OwnBindingRules> ownBindings,
        Set<MenuForm> menuForms) {
      this(
          modifierNames,
          reserved,
          altGrIsCtrlAlt,
          typing,
          primary,
          ownBindings,
          menuForms,
          Optional.empty());
    }

    /** The same with other steps for changes. */
    public Platform changedBy(ChangeSteps steps) {
      return new Platform(
          modifierNames,
          reserved,
          altGrIsCtrlAlt,
          typing,
          primary,
          ownBindings,
          menuForms,
          Optional.of(steps));
    }

    /** The same taking other strokes whatever runs. */
    public Platform reserving(List<Reserved> others) {
      return new Platform(
          modifierNames, others, altGrIsCtrlAlt, typing, primary, ownBindings, menuForms, changes);
    }

    /** The same whose applications' menus are opened in these ways too. */
    public Platform opening(Set<MenuForm> more) {
      Set<MenuForm> all = new HashSet<>(menuForms);
      all.addAll(more);
      return new Platform(
          modifierNames, reserved, altGrIsCtrlAlt, typing, primary, ownBindings, all, changes);
    }

    /** Copies the collections. */
    public Platform {
      modifierNames = Collections.unmodifiableMap(new TreeMap<>(modifierNames));
      reserved = List.copyOf(reserved);
      typing = InOrder.of(typing);
      menuForms = InOrder.of(menuForms);
    }

    /** What is held as its keymaps see it: AltGr may be Ctrl and Alt to them. */
    public Modifiers asMatched(Modifiers held) {
      return altGrIsCtrlAlt && held.has(Modifier.ALTGR)
          ? held.without(Modifier.ALTGR).and(Modifier.CTRL, Modifier.ALT)
          : held;
    }

    /** What is held as its layouts see it: what types symbols here is AltGr to them. */
    public Modifiers asTyped(Modifiers held) {
      Modifiers found = held;
      for (Modifier m : typing) {
        if (found.has(m)) {
          found = found.without(m).and(Modifier.ALTGR);
        }
      }
      return altGrIsCtrlAlt && found.hasAll(CTRL_ALT)
          ? found.without(Modifier.CTRL).without(Modifier.ALT).and(Modifier.ALTGR)
          : found;
    }

    /** Whether a character may be typed with more than Shift held so. */
    public boolean mayType(Modifiers held) {
      return held.has(Modifier.ALTGR)
          || typing.stream().anyMatch(held::has)
          || (altGrIsCtrlAlt && held.hasAll(CTRL_ALT));
    }

    /** What else, held instead, is the same to its keymaps; without what is asked about. */
    public List<Modifiers> sameAs(Modifiers held) {
      if (!altGrIsCtrlAlt || !(held.has(Modifier.ALTGR) || held.hasAll(CTRL_ALT))) {
        return List.of();
      }
      Modifiers rest = held.without(Modifier.ALTGR).without(Modifier.CTRL).without(Modifier.ALT);
      return List.of(
          rest.and(CTRL_ALT),
          rest.and(Modifier.ALTGR),
          rest.and(Modifier.ALTGR, Modifier.CTRL),
          rest.and(Modifier.ALTGR, Modifier.ALT));
    }

    /** Whether to its keymaps every press is just itself. */
    public boolean tellsAllApart() {
      return !altGrIsCtrlAlt;
    }
  }

  /** How a menu is opened by its access key. */
  public enum MenuForm {
    /** Alt is held with the key: {@code Alt+F S}. */
    HELD,
    /** Alt is tapped, and the key follows: {@code Alt F S}. */
    TAPPED
  }

  /** What a binding of the user's own can be for. */
  public enum OwnTarget {
    APPLICATION,
    FOLDER,
    DOCUMENT,
    ADDRESS,
    COMMAND,
    MENU_ENTRY,
    TEXT
  }

  /**
   * What a platform asks of bindings of the user's own.
   *
   * @param leastModifiers how many modifiers at least, 0 to 7
   * @param added modifiers that the platform adds by itself
   * @param mostGestures how many gestures an action may have; 0 for any number
   * @param needsLauncher whether a launcher file must exist first
   * @param targets what can be bound; empty where not known
   */
  public record OwnBindingRules(
      int leastModifiers,
      Set<Modifier> added,
      int mostGestures,
      boolean needsLauncher,
      Set<OwnTarget> targets) {
    /**
     * Copies the sets and checks the ranges.
     *
     * @throws IllegalArgumentException for a number below 0
     */
    public OwnBindingRules {
      if (leastModifiers < 0 || mostGestures < 0) {
        throw new IllegalArgumentException(worded("catalog.numbers-in-rules-for-own-bindings"));
      }
      added = InOrder.of(added);
      targets = InOrder.of(targets);
    }
  }

  /**
   * A stroke that a platform never lets through.
   *
   * @param gesture one stroke
   * @param action the id of what it does
   */
  public record Reserved(Gesture gesture, ActionId action) {}

  /**
   * An application.
   *
   * @param platforms the ids of the platforms that it exists on; empty where not known
   * @param holdsMachine whether its window can hold another machine
   */
  public record Application(List<EnvironmentId> platforms, boolean holdsMachine) implements Kind {
    /** Copies the list. */
    public Application {
      platforms = List.copyOf(platforms);
    }
  }

  /** Copies the lists. */
  public Environment {
    title = Visible.of(title);
    contexts = List.copyOf(contexts);
    pointerRoutes = List.copyOf(pointerRoutes);
    menus = List.copyOf(menus);
    tabOrder = List.copyOf(tabOrder);
  }

  /** The same with other contexts. */
  public Environment withContexts(List<Context> others) {
    return new Environment(
        id, title, version, others, whenBroken, kind, pointerRoutes, menus, tabOrder, source);
  }

  /** The same with other menus, pointer routes, and controls that Tab reaches. */
  public Environment showing(
      List<MenuItem> otherMenus, List<PointerRoute> routes, List<Control> controls) {
    return new Environment(
        id, title, version, contexts, whenBroken, kind, routes, otherMenus, controls, source);
  }

  /** The same under another name. */
  public Environment titled(String other) {
    return new Environment(
        id, other, version, contexts, whenBroken, kind, pointerRoutes, menus, tabOrder, source);
  }

  /** The same in another version. */
  public Environment at(Version other) {
    return new Environment(
        id, title, other, contexts, whenBroken, kind, pointerRoutes, menus, tabOrder, source);
  }

  /** The same doing something else with steps that do not go on. */
  public Environment breaking(WhenBroken other) {
    return new Environment(
        id, title, version, contexts, other, kind, pointerRoutes, menus, tabOrder, source);
  }

  /** The same of another kind. */
  public Environment withKind(Kind other) {
    return new Environment(
        id, title, version, contexts, whenBroken, other, pointerRoutes, menus, tabOrder, source);
  }

  /** What is special to it as a platform, if it is one. */
  public Optional<Platform> platform() {
    return kind instanceof Platform p ? Optional.of(p) : Optional.empty();
  }

  /** Reads gestures as they are written for this environment. */
  public GestureReader reader() {
    return platform()
        .map(p -> new GestureReader(p.primary(), p.modifierNames()))
        .orElse(GestureReader.PLAIN);
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
