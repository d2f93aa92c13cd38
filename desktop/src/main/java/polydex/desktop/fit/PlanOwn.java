package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.OwnTarget;
import polydex.catalog.EnvironmentId;
import polydex.computer.Finding.Launcher;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Beside;
import polydex.files.computer.SimulatedComputer;
import polydex.files.computer.Surroundings;
import polydex.files.computer.ThisComputer;
import polydex.files.demo.DemoFile;
import polydex.fit.Target;
import polydex.keys.Gesture;
import polydex.route.Situation.Computer;

/** Planning a binding of one's own, question by question. */
final class PlanOwn {
  private final Desk desk;
  private final FitEdits edits;

  PlanOwn(Desk desk) {
    this.desk = desk;
    this.edits = new FitEdits(desk);
  }

  /** From the beginning: what for, where, what it starts, on which keys. */
  void begin() {
    desk.dialogs().chooseAction(worded("fit.plan-a-binding-what-should-it"), a -> on(a.id()));
  }

  private void on(ActionId action) {
    computer(c -> target(c, t -> keys(action, c, t)));
  }

  /** For an action and a gesture that was found free already. */
  void begin(Gesture gesture, Optional<Computer> computer) {
    desk.dialogs()
        .chooseAction(
            worded("fit.what-should-do", gesture),
            a -> {
              Consumer<Computer> then = c -> target(c, t -> edits.plan(a.id(), c, gesture, t));
              computer.ifPresentOrElse(then, () -> computer(then));
            });
  }

  private void keys(ActionId action, Computer computer, Optional<Target> target) {
    new GestureChoice(desk, action, computer, target, g -> edits.plan(action, computer, g, target))
        .open();
  }

  /** Lets a computer be chosen, if there are several. */
  void computer(Consumer<Computer> chosen) {
    List<Computer> all = edits.bench().computers();
    if (all.isEmpty()) {
      desk.session().say(worded("any.there-is-no-setup-yet-setups"));
    } else if (all.size() == 1) {
      chosen.accept(all.getFirst());
    } else {
      desk.dialogs()
          .choose(
              worded("fit.on-which-computer"),
              all,
              c -> "%s (%s)".formatted(c.title(), desk.titles().title(c.platform())),
              chosen);
    }
  }

  /** Asks what a binding starts, among what the platform can bind. */
  void target(Computer computer, Consumer<Optional<Target>> said) {
    Catalog catalog = desk.session().workspace().get().catalog();
    Set<OwnTarget> can =
        catalog
            .environment(computer.platform())
            .flatMap(Environment::platform)
            .flatMap(Environment.Platform::ownBindings)
            .map(Environment.OwnBindingRules::targets)
            .orElse(Set.of());
    List<Optional<OwnTarget>> kinds = new ArrayList<>();
    for (OwnTarget kind : OwnTarget.values()) {
      if (can.isEmpty() || can.contains(kind)) {
        kinds.add(Optional.of(kind));
      }
    }
    kinds.add(Optional.empty());
    desk.dialogs()
        .choose(
            worded("fit.what-does-it-start"),
            worded("fit.can-bind-these", desk.titles().title(computer.platform())),
            kinds,
            k -> k.map(Target::word).orElse(worded("fit.not-said-yet")),
            k ->
                k.ifPresentOrElse(
                    kind -> what(kind, computer, said), () -> said.accept(Optional.empty())));
  }

  private void what(OwnTarget kind, Computer computer, Consumer<Optional<Target>> said) {
    if (kind == OwnTarget.MENU_ENTRY) {
      menuEntry(computer, said);
      return;
    }
    if (kind == OwnTarget.APPLICATION || kind == OwnTarget.COMMAND) {
      launcher(kind, said);
    } else {
      write(kind, said);
    }
  }

  private void write(OwnTarget kind, Consumer<Optional<Target>> said) {
    desk.dialogs()
        .ask(
            worded("fit.which", Target.word(kind)),
            hint(kind),
            what -> said.accept(Optional.of(Target.of(kind, limited(what)))));
  }

  /** Offers what can be started on the computer that one sits at; in the demo on a made-up one. */
  private void launcher(OwnTarget kind, Consumer<Optional<Target>> said) {
    boolean demo = desk.session().setting(DemoFile.NOW).isPresent();
    Beside looking = new Beside("launchers");
    looking.ask(
        _ -> demo ? SimulatedComputer.launchers() : ThisComputer.launchers(Surroundings.here()),
        found -> {
          looking.close();
          launcher(kind, found, said);
        },
        why -> {
          looking.close();
          desk.session().problem(why);
          write(kind, said);
        });
  }

  private void launcher(OwnTarget kind, List<Launcher> found, Consumer<Optional<Target>> said) {
    Map<String, String> starts = new LinkedHashMap<>();
    for (Launcher l : found) {
      if (kind == OwnTarget.APPLICATION) {
        starts.putIfAbsent(l.name(), l.name());
      } else if (!l.starts().isEmpty()) {
        starts.putIfAbsent("%s: %s".formatted(l.name(), l.starts()), l.starts());
      }
    }
    if (starts.isEmpty()) {
      write(kind, said);
      return;
    }
    desk.dialogs()
        .chooseOrWrite(
            worded("fit.which", Target.word(kind)),
            worded("fit.one-that-can-be-started-on"),
            List.copyOf(starts.keySet()),
            one ->
                said.accept(Optional.of(Target.of(kind, limited(starts.getOrDefault(one, one))))));
  }

  private static String limited(String what) {
    return what.length() > Target.LONGEST ? what.substring(0, Target.LONGEST) : what;
  }

  private static String hint(OwnTarget kind) {
    return switch (kind) {
      case APPLICATION -> worded("fit.its-name-as-the-launcher-has");
      case FOLDER, DOCUMENT -> worded("fit.its-path");
      case ADDRESS -> worded("fit.the-address");
      case COMMAND -> worded("fit.the-command-line");
      case TEXT -> worded("fit.the-text");
      case MENU_ENTRY -> worded("fit.the-exact-path-its-parts-with");
    };
  }

  private void menuEntry(Computer computer, Consumer<Optional<Target>> said) {
    Catalog catalog = desk.session().workspace().get().catalog();
    List<Optional<EnvironmentId>> where = new ArrayList<>();
    where.add(Optional.empty());
    for (Environment e : catalog.environments()) {
      if (e.kind() instanceof Environment.Application a
          && (a.platforms().isEmpty() || a.platforms().contains(computer.platform()))) {
        where.add(Optional.of(e.id()));
      }
    }
    desk.dialogs()
        .choose(
            worded("fit.a-menu-entry-of-which-application"),
            where,
            w -> w.map(desk.titles()::title).orElse(worded("fit.all-applications")),
            w -> menuEntry(w, said));
  }

  /** One of those that the application is known to have, or another. */
  private void menuEntry(Optional<EnvironmentId> of, Consumer<Optional<Target>> said) {
    Consumer<String> chosen =
        path -> said.accept(Optional.of(new Target(OwnTarget.MENU_ENTRY, limited(path), of)));
    List<String> paths = new ArrayList<>();
    of.flatMap(desk.session().workspace().get().catalog()::environment)
        .ifPresent(e -> paths(e.menus(), "", paths));
    if (paths.isEmpty()) {
      desk.dialogs().ask(worded("fit.which-menu-entry"), hint(OwnTarget.MENU_ENTRY), chosen);
    } else {
      desk.dialogs()
          .chooseOrWrite(
              worded("fit.which-menu-entry"),
              worded("fit.one-of-these-or-type-its"),
              paths,
              chosen);
    }
  }

  private static void paths(List<Environment.MenuItem> items, String above, List<String> to) {
    for (Environment.MenuItem item : items) {
      if (item.action().isPresent()) {
        to.add(above + item.title());
      }
      paths(item.items(), above + item.title() + Target.BETWEEN, to);
    }
  }
}
