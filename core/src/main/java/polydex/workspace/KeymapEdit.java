package polydex.workspace;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.route.Machine;
import polydex.route.Setup;

/** Edits of a keymap by hand, each as a change that can be undone. */
public final class KeymapEdit {
  private KeymapEdit() {}

  /**
   * A binding is added; nothing if the same is there already.
   *
   * @param environment the id of the environment that gets it
   */
  public static Optional<Change.Edit> add(
      Workspace before, EnvironmentId environment, Binding binding) {
    Catalog catalog = before.catalog();
    boolean known = catalog.bindings(environment).stream().anyMatch(b -> says(b, binding));
    if (known) {
      return Optional.empty();
    }
    List<Binding> list = new ArrayList<>(catalog.bindings(environment));
    list.add(withUnusedId(binding, list));
    return Optional.of(
        edit(
            "workspace.add-for-in",
            before,
            environment,
            binding,
            catalog.withBindings(environment, list)));
  }

  /** A binding says something else, in its place. */
  public static Change.Edit change(
      Workspace before, EnvironmentId environment, Binding was, Binding now) {
    Catalog catalog = before.catalog();
    List<Binding> list =
        catalog.bindings(environment).stream().map(b -> b.id().equals(was.id()) ? now : b).toList();
    return edit(
        "workspace.change-for-in",
        before,
        environment,
        now,
        catalog.withBindings(environment, list));
  }

  /** A binding goes. */
  public static Change.Edit remove(Workspace before, EnvironmentId environment, Binding binding) {
    return edit(
        "workspace.remove-for-in",
        before,
        environment,
        binding,
        before.catalog().without(environment, Set.of(binding.id())));
  }

  /**
   * A built-in binding of a platform is switched off on the machine of a setup that runs it, or on
   * again.
   *
   * @return none where the setup has no machine of that platform, or the binding can't be switched
   *     off
   */
  public static Optional<Change.Edit> switchOff(
      Workspace before, Setup setup, EnvironmentId platform, Binding binding) {
    if (binding.remarks().fixed()
        || setup.machines().stream().noneMatch(m -> m.platform().equals(platform))) {
      return Optional.empty();
    }
    Machine changed = setup.machine().ofPlatform(platform, m -> switched(m, binding.id()));
    boolean off =
        setup.machines().stream()
            .filter(m -> m.platform().equals(platform))
            .noneMatch(m -> m.switchedOff().contains(binding.id()));
    Workspace after = before.with(setup.on(changed));
    String title =
        worded(
            off ? "workspace.switch-off" : "workspace.switch-on",
            before.catalog().title(binding.action()),
            binding.gesture());
    return Optional.of(new Change.Edit(title, before, after));
  }

  private static Machine switched(Machine machine, String binding) {
    Set<String> off = new HashSet<>(machine.switchedOff());
    if (!off.add(binding)) {
      off.remove(binding);
    }
    return machine.withSwitchedOff(off);
  }

  private static boolean says(Binding a, Binding b) {
    return a.action().equals(b.action())
        && a.context().equals(b.context())
        && a.gesture().equals(b.gesture());
  }

  private static Binding withUnusedId(Binding binding, List<Binding> among) {
    Set<String> ids = new HashSet<>();
    among.forEach(b -> ids.add(b.id()));
    String id = binding.id();
    for (int i = 2; ids.contains(id); i++) {
      id = binding.id() + "#" + i;
    }
    return binding.with(id, binding.gesture());
  }

  private static Change.Edit edit(
      String said, Workspace before, EnvironmentId environment, Binding binding, Catalog after) {
    String where =
        before
            .catalog()
            .environment(environment)
            .map(Environment::title)
            .orElse(environment.value());
    String title = worded(said, binding.gesture(), before.catalog().title(binding.action()), where);
    return new Change.Edit(title, before, before.with(after));
  }
}
