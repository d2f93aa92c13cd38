package polydex.catalog;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Environment.MenuForm;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.Platform;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Step;

/**
 * The ways through an application's menus by access keys, as bindings: {@code Alt+F S} and {@code
 * Alt F S}, in the forms that a platform knows. Only entries count whose whole path has access
 * keys, each of which is that of one entry of its menu only: pressing one that two share goes from
 * one to the other and chooses neither.
 */
public final class MenuKeys {
  /** The context that these bindings are said to be in; it is asked after all others. */
  public static final String CONTEXT = "menus";

  private MenuKeys() {}

  /** Whether a binding is one of these. */
  public static boolean isOne(Binding binding) {
    return binding.context().equals(CONTEXT);
  }

  /** The bindings of an application on a platform, in the order of the menus. */
  public static List<Binding> of(Environment application, Platform platform) {
    List<Binding> found = new ArrayList<>();
    Set<Integer> shared = shared(application.menus());
    for (MenuForm form : MenuForm.values()) {
      if (platform.menuForms().contains(form)) {
        for (MenuItem menu : application.menus()) {
          opening(menu, shared, form)
              .ifPresent(steps -> add(menu, menu.title(), steps, form, found));
        }
      }
    }
    return List.copyOf(found);
  }

  /** What opens each menu of the bar, by its title, in the first form that the platform knows. */
  public static Map<String, Gesture> openers(Environment application, Platform platform) {
    Map<String, Gesture> openers = new LinkedHashMap<>();
    Set<Integer> shared = shared(application.menus());
    MenuForm form = platform.menuForms().contains(MenuForm.HELD) ? MenuForm.HELD : MenuForm.TAPPED;
    if (platform.menuForms().contains(form)) {
      for (MenuItem menu : application.menus()) {
        opening(menu, shared, form).ifPresent(s -> openers.put(menu.title(), new Gesture(s)));
      }
    }
    return openers;
  }

  private static Optional<List<Step>> opening(MenuItem menu, Set<Integer> shared, MenuForm form) {
    return key(menu, shared)
        .map(
            key ->
                switch (form) {
                  case HELD -> List.of(new Step.Stroke(Held.of(Modifier.ALT), key));
                  case TAPPED ->
                      List.of(
                          new Step.Tap(Modifiers.of(Modifier.ALT), 1),
                          new Step.Stroke(Held.NOTHING, key));
                });
  }

  private static void add(
      MenuItem item, String path, List<Step> steps, MenuForm form, List<Binding> found) {
    item.action()
        .ifPresent(
            action ->
                found.add(
                    Binding.of(
                        "menu:" + form.name().toLowerCase(Locale.ROOT) + ":" + path,
                        action,
                        new Gesture(steps),
                        CONTEXT)));
    Set<Integer> shared = shared(item.items());
    for (MenuItem inner : item.items()) {
      key(inner, shared)
          .ifPresent(
              key -> {
                List<Step> more = new ArrayList<>(steps);
                more.add(new Step.Stroke(Held.NOTHING, key));
                add(inner, path + " > " + inner.title(), more, form, found);
              });
    }
  }

  private static Optional<KeyRef> key(MenuItem item, Set<Integer> shared) {
    return letter(item).filter(l -> !shared.contains(l)).map(KeyRef.Typed::new);
  }

  /** The access keys that several entries of a menu have. */
  private static Set<Integer> shared(List<MenuItem> menu) {
    Set<Integer> seen = new HashSet<>();
    Set<Integer> shared = new HashSet<>();
    menu.forEach(i -> letter(i).filter(l -> !seen.add(l)).ifPresent(shared::add));
    return shared;
  }

  private static Optional<Integer> letter(MenuItem item) {
    return item.accessKey()
        .map(k -> Character.toLowerCase(k.codePointAt(0)))
        .filter(k -> !Character.isWhitespace(k));
  }
}
