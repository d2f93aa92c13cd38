package polydex.route;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;

/**
 * Keymaps and the setups of a person: what fixes and plans change. A computer that stands in
 * several setups, known by its title and platform, is changed in all of them.
 *
 * @param world keymaps, boards and layouts
 * @param setups by id
 */
public record Situation(World world, Map<SetupId, Setup> setups) {
  /** Keeps the order of the setups. */
  public Situation {
    setups = Collections.unmodifiableMap(new LinkedHashMap<>(setups));
  }

  /** The same with a computer changed, wherever it stands. */
  public Situation withMachine(Computer computer, UnaryOperator<Machine> change) {
    Map<SetupId, Setup> changed = new LinkedHashMap<>();
    setups.forEach((id, s) -> changed.put(id, s.on(with(s.machine(), computer, change))));
    return new Situation(world, changed);
  }

  /** The same with the session window of a computer changed, wherever it stands. */
  public Situation withSession(Computer computer, UnaryOperator<Machine.SessionWindow> change) {
    return withMachine(
        computer, m -> m.focus() instanceof Machine.SessionWindow s ? m.with(change.apply(s)) : m);
  }

  private static Machine with(Machine machine, Computer computer, UnaryOperator<Machine> change) {
    Machine inner =
        machine.focus() instanceof Machine.SessionWindow s
            ? machine.with(s.with(with(s.inner(), computer, change)))
            : machine;
    return computer.is(machine) ? change.apply(inner) : inner;
  }

  /** The same with other bindings of an environment. */
  public Situation withBindings(EnvironmentId environment, UnaryOperator<Binding> change) {
    List<Binding> list = new ArrayList<>();
    world.catalog().bindings(environment).forEach(b -> list.add(change.apply(b)));
    return new Situation(
        new World(world.catalog().withBindings(environment, list), world.boards(), world.layouts()),
        setups);
  }

  /**
   * A computer, whichever setup it stands in.
   *
   * @param title as its user calls it
   * @param platform the id of its platform
   */
  public record Computer(String title, EnvironmentId platform) {
    /** The one that a machine of a setup is. */
    public static Computer of(Machine machine) {
      return new Computer(machine.title(), machine.platform());
    }

    /** Whether a machine of a setup is this computer. */
    public boolean is(Machine machine) {
      return machine.title().equals(title) && machine.platform().equals(platform);
    }
  }
}
