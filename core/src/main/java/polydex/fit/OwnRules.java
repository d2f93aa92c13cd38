package polydex.fit;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import polydex.boards.Layout;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuItem;
import polydex.catalog.Environment.OwnBindingRules;
import polydex.catalog.Environment.OwnTarget;
import polydex.catalog.Environment.Platform;
import polydex.catalog.EnvironmentId;
import polydex.conflict.OwnFault;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Step;
import polydex.route.Machine;

/**
 * What a platform asks of a binding of one's own, and what it does to it by itself. O(menu entries)
 * for a menu entry, else O(own bindings).
 *
 * @param platform its title
 * @param broken rules that the binding breaks, each as a sentence
 * @param remarks what the platform does by itself, or what has to be done first
 * @param gesture the gesture as it will be, with the modifiers that the platform adds
 */
public record OwnRules(
    String platform, List<String> broken, List<String> remarks, Gesture gesture) {
  /** Copies the lists. */
  public OwnRules {
    broken = List.copyOf(broken);
    remarks = List.copyOf(remarks);
  }

  /** Whether it can be made as it is. */
  public boolean isKept() {
    return broken.isEmpty();
  }

  /**
   * What the platform of a binding's computer says of it.
   *
   * @param wanted planned, or there already
   * @param own all bindings of one's own, of which those on the same computer count
   */
  public static OwnRules of(Bench bench, OwnBinding wanted, List<OwnBinding> own) {
    Catalog catalog = bench.situation().world().catalog();
    Optional<Machine> machine = bench.machine(wanted.computer());
    Optional<Environment> environment = catalog.environment(wanted.computer().platform());
    Optional<Platform> platform = environment.flatMap(Environment::platform);
    if (machine.isEmpty() || platform.isEmpty()) {
      return new OwnRules(
          wanted.computer().platform().value(),
          List.of(worded("fit.the-computer-stands-in-no-setup")),
          List.of(),
          wanted.gesture());
    }
    Layout layout = bench.situation().world().layouts().get(machine.get().layout());
    Optional<OwnBindingRules> rules = platform.get().ownBindings();
    String title = environment.get().title();
    List<String> broken = new ArrayList<>();
    List<String> remarks = new ArrayList<>();
    Gesture gesture = rules.map(r -> adding(wanted.gesture(), r)).orElse(wanted.gesture());
    if (!gesture.equals(wanted.gesture())) {
      remarks.add(
          worded(
              "fit.adds-by-itself-so-that-becomes",
              title,
              Modifiers.of(rules.orElseThrow().added().toArray(new Modifier[0])),
              wanted.gesture(),
              gesture));
    }
    int so =
        1
            + (int)
                own.stream()
                    .filter(o -> !o.id().equals(wanted.id()))
                    .filter(o -> o.computer().equals(wanted.computer()))
                    .filter(o -> o.action().equals(wanted.action()))
                    .filter(o -> o.state() != OwnBinding.State.TO_BE_REMOVED)
                    .count();
    if (layout != null && !gesture.isFamily()) {
      OwnFault.of(gesture, layout, platform.get(), so)
          .ifPresent(f -> broken.add(sentence(f, title, rules)));
    }
    wanted.target().ifPresent(t -> target(t, catalog, title, rules, broken));
    if (rules.filter(OwnBindingRules::needsLauncher).isPresent()
        && wanted.target().filter(t -> t.kind() != OwnTarget.MENU_ENTRY).isPresent()) {
      remarks.add(worded("fit.wants-a-launcher-file-first", title));
    }
    return new OwnRules(title, broken, remarks, gesture);
  }

  private static String sentence(OwnFault fault, String title, Optional<OwnBindingRules> rules) {
    return switch (fault) {
      case COVERS, SLIGHT -> fault.sentence();
      case TOO_FEW_FOR_PLATFORM ->
          worded(
              "fit.asks-for-at-least-modifiers",
              title,
              rules.map(OwnBindingRules::leastModifiers).orElse(0));
      case TOO_MANY_GESTURES -> {
        int most = rules.map(OwnBindingRules::mostGestures).orElse(0);
        yield worded("fit.lets-an-action-have-of-ones", title, worded("fit.gestures", most));
      }
    };
  }

  private static void target(
      Target target,
      Catalog catalog,
      String title,
      Optional<OwnBindingRules> rules,
      List<String> broken) {
    if (rules
        .filter(r -> !r.targets().isEmpty() && !r.targets().contains(target.kind()))
        .isPresent()) {
      broken.add(
          worded(
              "fit.cant-bind-a-it-can-bind",
              title,
              Target.word(target.kind()),
              rules.orElseThrow().targets().stream()
                  .sorted()
                  .map(Target::word)
                  .collect(Collectors.joining(", "))));
    }
    if (target.kind() == OwnTarget.MENU_ENTRY) {
      menuEntry(target, catalog).ifPresent(broken::add);
    } else if (target.what().isEmpty()) {
      broken.add(worded("fit.it-is-not-said-which", Target.word(target.kind())));
    }
  }

  /** A menu entry is found by its exact path, so that a slip in it means that nothing happens. */
  private static Optional<String> menuEntry(Target target, Catalog catalog) {
    if (target.application().isEmpty()) {
      return target.what().isEmpty()
          ? Optional.of(worded("fit.a-menu-entry-is-found-by"))
          : Optional.empty();
    }
    EnvironmentId id = target.application().get();
    Optional<Environment> application = catalog.environment(id);
    if (application.isEmpty()) {
      return Optional.of(worded("any.there-is-no-application", id));
    }
    List<String> known = new ArrayList<>();
    paths(application.get().menus(), "", known);
    if (known.isEmpty() || known.contains(target.what())) {
      return Optional.empty();
    }
    String near =
        known.stream()
            .filter(p -> p.toLowerCase(Locale.ROOT).equals(target.what().toLowerCase(Locale.ROOT)))
            .findFirst()
            .map(p -> worded("fit.it-is-written", p))
            .orElse("");
    return Optional.of(
        worded("fit.has-no-menu-entry", application.get().title(), target.what(), near));
  }

  private static void paths(List<MenuItem> items, String before, List<String> into) {
    for (MenuItem item : items) {
      String path = before + item.title();
      if (item.items().isEmpty()) {
        into.add(path);
      }
      paths(item.items(), path + Target.BETWEEN, into);
    }
  }

  /** The gesture with what the platform adds to its first stroke. */
  private static Gesture adding(Gesture gesture, OwnBindingRules rules) {
    if (rules.added().isEmpty()
        || !(gesture.steps().getFirst() instanceof Step.Stroke(Held held, var key))) {
      return gesture;
    }
    Modifiers with = held.modifiers();
    for (Modifier m : rules.added()) {
      with = with.has(m) ? with : with.and(m);
    }
    List<Step> steps = new ArrayList<>(gesture.steps());
    steps.set(0, new Step.Stroke(held.with(with), key));
    return new Gesture(steps);
  }
}
