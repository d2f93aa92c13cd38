package polydex.systems;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuForm;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.Platform;
import polydex.catalog.Environment.Reserved;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.setups.Members;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.systems.EnvironmentOutline.ActionChoice;

/** What is special to a platform, line by line. */
final class PlatformLines {
  private static final List<Modifier> NAMED =
      List.of(
          Modifier.CTRL, Modifier.SHIFT, Modifier.ALT, Modifier.ALTGR, Modifier.META, Modifier.FN);

  private final Catalog catalog;
  private final Platform platform;
  private final Function<Platform, Environment> put;
  private final List<OutlineLine<Environment>> lines = new ArrayList<>();

  private PlatformLines(Catalog catalog, Platform platform, Function<Platform, Environment> put) {
    this.catalog = catalog;
    this.platform = platform;
    this.put = put;
  }

  static List<OutlineLine<Environment>> of(
      Catalog catalog, Platform platform, Function<Platform, Environment> put) {
    PlatformLines all = new PlatformLines(catalog, platform, put);
    all.modifiers();
    all.menus();
    all.reserved();
    all.ownBindings();
    return all.lines;
  }

  private void modifiers() {
    lines.add(
        OutlineLine.<Environment>of(
                0, worded("systems.most-keys-hold"), platform.primary().written())
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(Modifier.CTRL, Modifier.META, Modifier.ALT),
                    Modifier::written,
                    m -> with(p -> p.primary = m))));
    lines.add(OutlineLine.of(0, worded("systems.words-for-modifiers"), ""));
    for (Modifier m : NAMED) {
      String word = platform.modifierNames().getOrDefault(m, "");
      lines.add(
          OutlineLine.<Environment>of(
                  1, m.written(), word.isEmpty() ? worded("systems.the-same") : word)
              .changedBy(
                  new Edit.Words<>(
                      word,
                      worded("systems.what-it-is-called-there-empty", m.written()),
                      t -> with(p -> p.name(m, t.strip())))));
    }
    lines.add(
        OutlineLine.<Environment>of(0, "AltGr", altGr(platform.altGrIsCtrlAlt()))
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(false, true), PlatformLines::altGr, b -> with(p -> p.altGr = b))));
    lines.add(
        OutlineLine.<Environment>of(0, "Alt", alt(platform.typing().contains(Modifier.ALT)))
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(false, true),
                    PlatformLines::alt,
                    b -> with(p -> p.typing = b ? Set.of(Modifier.ALT) : Set.of()))));
  }

  private static String altGr(boolean isCtrlAlt) {
    return isCtrlAlt
        ? worded("systems.is-the-same-as-ctrl-alt")
        : worded("systems.is-a-modifier-of-its-own");
  }

  private static String alt(boolean types) {
    return types ? worded("systems.types-symbols-as-altgr-does") : worded("systems.types-nothing");
  }

  private void menus() {
    List<Set<MenuForm>> all =
        List.of(
            Set.of(),
            EnumSet.of(MenuForm.HELD),
            EnumSet.of(MenuForm.TAPPED),
            EnumSet.of(MenuForm.HELD, MenuForm.TAPPED));
    lines.add(
        OutlineLine.<Environment>of(
                0, worded("systems.menus-open-by"), menuForms(platform.menuForms()))
            .changedBy(
                EnvironmentOutline.choice(
                    all, PlatformLines::menuForms, f -> with(p -> p.menuForms = f))));
  }

  private static String menuForms(Set<MenuForm> forms) {
    if (forms.isEmpty()) {
      return worded("systems.no-access-keys");
    }
    return forms.size() == 2
        ? worded("systems.alt-held-with-the-key-or")
        : forms.contains(MenuForm.HELD)
            ? worded("systems.alt-held-with-the-key")
            : worded("systems.alt-tapped-before-the-key");
  }

  private void reserved() {
    List<Reserved> all = platform.reserved();
    Function<List<Reserved>, Environment> changed = list -> with(p -> p.reserved = list);
    lines.add(
        OutlineLine.<Environment>of(
                0, worded("systems.never-let-through"), EnvironmentOutline.count(all.size()))
            .addingBy(
                ActionChoice.of(
                    catalog,
                    a ->
                        gesture(
                            "", g -> changed.apply(Members.with(all, new Reserved(g, a.id())))))));
    for (int i = 0; i < all.size(); i++) {
      Reserved one = all.get(i);
      int at = i;
      lines.add(
          OutlineLine.<Environment>of(1, "", catalog.title(one.action()))
              .about(one.gesture())
              .changedBy(
                  gesture(
                      one.gesture().toString(),
                      g -> changed.apply(Members.replaced(all, at, new Reserved(g, one.action())))))
              .memberOf(all, i, changed));
    }
  }

  private static Edit<Environment> gesture(String now, Function<Gesture, Environment> to) {
    return new Edit.Words<>(
        now,
        worded("systems.one-stroke-as-in-ctrl-alt"),
        t -> {
          Gesture read = Gesture.parse(t.strip());
          if (read.steps().size() != 1) {
            throw new IllegalArgumentException(worded("systems.it-has-more-than-one-step"));
          }
          return to.apply(read);
        });
  }

  private void ownBindings() {
    Optional<OwnBindingRules> rules = platform.ownBindings();
    OwnBindingRules now = rules.orElse(new OwnBindingRules(0, Set.of(), 0, false, Set.of()));
    lines.add(
        OutlineLine.<Environment>of(
                0,
                worded("systems.your-own-bindings"),
                rules.isPresent()
                    ? worded("systems.by-these-rules")
                    : worded("systems.rules-not-known"))
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(true, false),
                    b ->
                        b
                            ? worded("systems.there-are-rules")
                            : worded("systems.the-rules-are-not-known"),
                    b -> with(p -> p.own = b ? Optional.of(now) : Optional.empty()))));
    if (rules.isEmpty()) {
      return;
    }
    lines.add(
        number(
            worded("systems.modifiers-at-least"),
            now.leastModifiers(),
            7,
            n ->
                new OwnBindingRules(
                    n, now.added(), now.mostGestures(), now.needsLauncher(), now.targets())));
    lines.add(
        number(
            worded("systems.gestures-of-one-action"),
            now.mostGestures(),
            100,
            n ->
                new OwnBindingRules(
                    now.leastModifiers(), now.added(), n, now.needsLauncher(), now.targets())));
    lines.add(
        OutlineLine.<Environment>of(
                1,
                worded("systems.a-launcher-file"),
                now.needsLauncher()
                    ? worded("systems.must-exist-first")
                    : worded("systems.is-not-needed"))
            .changedBy(
                EnvironmentOutline.choice(
                    List.of(true, false),
                    b -> b ? worded("systems.must-exist-first") : worded("systems.is-not-needed"),
                    b ->
                        with(
                            p ->
                                p.own =
                                    Optional.of(
                                        new OwnBindingRules(
                                            now.leastModifiers(),
                                            now.added(),
                                            now.mostGestures(),
                                            b,
                                            now.targets()))))));
  }

  private OutlineLine<Environment> number(
      String label, int now, int most, Function<Integer, OwnBindingRules> to) {
    return OutlineLine.<Environment>of(
            1, label, now == 0 ? worded("systems.any-number") : String.valueOf(now))
        .changedBy(
            new Edit.Words<>(
                String.valueOf(now),
                worded("systems.a-number-from-0-for-any", most),
                t -> {
                  int number;
                  try {
                    number = Integer.parseInt(t.strip());
                  } catch (NumberFormatException e) {
                    throw new IllegalArgumentException(
                        worded("systems.that-is-no-whole-number"), e);
                  }
                  if (number < 0 || number > most) {
                    throw new IllegalArgumentException(
                        worded("systems.it-lies-between-0-and", most));
                  }
                  return with(p -> p.own = Optional.of(to.apply(number)));
                }));
  }

  /** What can be changed of a platform, while it is. */
  private static final class Parts {
    final Map<Modifier, String> names;
    List<Reserved> reserved;
    boolean altGr;
    Set<Modifier> typing;
    Modifier primary;
    Optional<OwnBindingRules> own;
    Set<MenuForm> menuForms;

    Parts(Platform of) {
      names = new HashMap<>(of.modifierNames());
      reserved = of.reserved();
      altGr = of.altGrIsCtrlAlt();
      typing = of.typing();
      primary = of.primary();
      own = of.ownBindings();
      menuForms = of.menuForms();
    }

    void name(Modifier modifier, String word) {
      if (word.isEmpty()) {
        names.remove(modifier);
      } else if (names.containsValue(word) && !word.equals(names.get(modifier))) {
        throw new IllegalArgumentException(worded("systems.another-modifier-is-called-so"));
      } else {
        names.put(modifier, word);
      }
    }
  }

  private Environment with(Consumer<Parts> change) {
    Parts parts = new Parts(platform);
    change.accept(parts);
    return put.apply(
        new Platform(
            parts.names,
            parts.reserved,
            parts.altGr,
            parts.typing,
            parts.primary,
            parts.own,
            parts.menuForms,
            platform.changes()));
  }
}
