package polydex.desktop.route;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.MenuKeys;
import polydex.desktop.desk.Desk;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.route.Tracer;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * What of a setup changes from moment to moment: full screen, the context that is active, and a
 * menu that stands open. The first two are the setup's own; a menu is only looked at.
 */
final class WhereYouAre {
  /** Somewhere to be: a context, or a menu that stands open, by its title. */
  private record Spot(String title, Optional<Context> context, Optional<String> menu) {}

  private final Desk desk;
  private final Runnable looked;
  private Optional<String> menu = Optional.empty();

  /**
   * Nowhere special.
   *
   * @param looked runs when another menu stands open
   */
  WhereYouAre(Desk desk, Runnable looked) {
    this.desk = desk;
    this.looked = looked;
  }

  /** The menu that stands open, by its title, as far as the keymap in focus has it. */
  Optional<String> menu() {
    return menu.filter(openers()::containsKey);
  }

  /** The tracer of the setup in use as one stands. */
  Tracer tracer(Tracer plain) {
    return menu().map(m -> plain.withMenuOpen(openers().get(m))).orElse(plain);
  }

  /** What opens each menu of the focused application, by the menu's title. */
  private Map<String, Gesture> openers() {
    Catalog catalog = desk.session().workspace().get().catalog();
    return desk.session()
        .workspace()
        .get()
        .setup()
        .map(Setup::innermost)
        .flatMap(
            m ->
                m.application()
                    .flatMap(catalog::environment)
                    .flatMap(
                        a ->
                            catalog
                                .environment(m.platform())
                                .flatMap(Environment::platform)
                                .map(p -> MenuKeys.openers(a, p))))
        .orElse(Map.of());
  }

  /** Windows that hold machines fill the screen, or no longer do. */
  void fullScreen() {
    Workspace before = desk.session().workspace().get();
    Optional<Setup> setup = before.setup().filter(Setup::hasWindow);
    if (setup.isEmpty()) {
      desk.session().say(worded("route.no-window-of-this-setup-holds"));
      return;
    }
    boolean full = !setup.get().fillsTheScreen();
    desk.session()
        .apply(
            new Change.Edit(
                full ? worded("route.full-screen") : worded("route.no-full-screen"),
                before,
                before.with(setup.get().withFullScreen(full))));
  }

  /** Which context of the focused application is active. */
  void chooseContext() {
    Workspace before = desk.session().workspace().get();
    Optional<Setup> setup = before.setup();
    List<Context> contexts =
        setup
            .flatMap(s -> s.innermost().application())
            .flatMap(before.catalog()::environment)
            .map(Environment::contexts)
            .orElse(List.of());
    List<Spot> spots = new ArrayList<>();
    contexts.forEach(c -> spots.add(new Spot(c.title(), Optional.of(c), Optional.empty())));
    openers()
        .keySet()
        .forEach(
            m ->
                spots.add(
                    new Spot(
                        worded("route.the-menu-is-open", m), Optional.empty(), Optional.of(m))));
    if (spots.size() < 2) {
      desk.session().say(worded("route.the-keymap-in-focus-has-one"));
      return;
    }
    desk.dialogs()
        .choose(
            worded("route.where-you-are"),
            spots,
            Spot::title,
            chosen -> {
              menu = chosen.menu();
              looked.run();
              chosen
                  .context()
                  .ifPresent(
                      c ->
                          desk.session()
                              .apply(
                                  new Change.Edit(
                                      worded("route.be-at", c.title()),
                                      before,
                                      before.with(
                                          setup.orElseThrow().withContexts(List.of(c.id()))))));
            });
  }
}
