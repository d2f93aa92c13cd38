package polydex.setups;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Platform;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.SetupCheck;
import polydex.route.SetupCheck.Kind;
import polydex.route.SetupCheck.Mistake;
import polydex.route.SetupCheck.Spot;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;
import polydex.workspace.Workspace;

/**
 * A setup written out, a line for each part, from fingers to focus. Each line knows what is wrong
 * there, and how its part is changed, removed, moved or joined by another.
 */
public final class SetupOutline {
  private final Workspace workspace;
  private final Catalog catalog;
  private final Setup setup;
  private final List<Mistake> mistakes;
  private final List<OutlineLine<Setup>> lines = new ArrayList<>();

  private SetupOutline(Workspace workspace, Setup setup) {
    this.workspace = workspace;
    this.catalog = workspace.catalog();
    this.setup = setup;
    this.mistakes = SetupCheck.of(setup, workspace.world());
  }

  /** The lines of a setup. */
  public static List<OutlineLine<Setup>> of(Workspace workspace, Setup setup) {
    SetupOutline outline = new SetupOutline(workspace, setup);
    outline.whole();
    for (int depth = 0; depth < setup.machines().size(); depth++) {
      outline.machine(depth, setup.machines().get(depth));
    }
    return List.copyOf(outline.lines);
  }

  private List<String> wrong(int machine, Kind kind, String name) {
    return mistakes.stream()
        .filter(m -> m.spot().equals(new Spot(machine, kind, name)))
        .map(Mistake::sentence)
        .toList();
  }

  private void whole() {
    lines.add(
        OutlineLine.<Setup>of(0, worded("any.name"), setup.title())
            .as(OutlineLine.Sort.NAME)
            .changedBy(
                new Edit.Words<>(
                    setup.title(),
                    worded("setups.what-you-call-it"),
                    t -> new Setup(setup.id(), named(t), setup.board(), setup.machine()))));
    var boards = workspace.world().boards();
    lines.add(
        OutlineLine.<Setup>of(
                0,
                worded("setups.board"),
                boards.containsKey(setup.board())
                    ? boards.get(setup.board()).title()
                    : setup.board())
            .wrong(wrong(0, Kind.BOARD, ""))
            .changedBy(
                choice(
                    boards.values(),
                    b -> b.title(),
                    b -> new Setup(setup.id(), setup.title(), b.id(), setup.machine()))));
  }

  /** A name that is not empty. */
  private static String named(String text) {
    if (text.isBlank()) {
      throw new IllegalArgumentException(worded("any.a-name-has-at-least-one"));
    }
    return text.strip();
  }

  private static <T> Edit.Choice<Setup> choice(
      Iterable<T> all, Function<T, String> title, Function<T, Setup> to) {
    List<Option<Setup>> options = new ArrayList<>();
    all.forEach(
        one -> options.add(new Option<>(title.apply(one), new Edit.Done<>(() -> to.apply(one)))));
    return new Edit.Choice<>(() -> options);
  }

  private Stream<Environment> platforms() {
    return catalog.environments().stream().filter(e -> e.kind() instanceof Platform);
  }

  private String title(EnvironmentId environment) {
    return catalog.environment(environment).map(Environment::title).orElse(environment.value());
  }

  private void machine(int depth, Machine machine) {
    Function<Machine, Setup> put = m -> setup.with(depth, m);
    Part part = new Part(workspace, depth, machine, put, this::wrong);
    OutlineLine<Setup> head =
        OutlineLine.<Setup>of(depth, worded("setups.machine"), machine.title())
            .as(OutlineLine.Sort.MACHINE)
            .changedBy(
                new Edit.Words<>(
                    machine.title(),
                    worded("setups.what-you-call-it"),
                    t -> put.apply(machine.titled(named(t)))))
            .addingBy(new HeldMachines(catalog, platforms().toList()).around(machine, put));
    lines.add(withoutMachine(depth, machine).map(head::removedBy).orElse(head));
    lines.add(
        OutlineLine.<Setup>of(depth, worded("setups.platform"), title(machine.platform()))
            .wrong(wrong(depth, Kind.PLATFORM, ""))
            .changedBy(
                choice(
                    platforms().toList(),
                    Environment::title,
                    p ->
                        put.apply(
                            new Machine(
                                machine.title().equals(title(machine.platform()))
                                    ? p.title()
                                    : machine.title(),
                                p.id(),
                                p.version(),
                                machine.layout(),
                                machine.remaps(),
                                machine.own(),
                                Set.of(),
                                Set.of(),
                                machine.focus())))));
    version(depth, Kind.VERSION, machine.version(), v -> put.apply(machine.at(v)));
    var layouts = workspace.world().layouts();
    lines.add(
        OutlineLine.<Setup>of(
                depth,
                worded("setups.layout"),
                layouts.containsKey(machine.layout())
                    ? layouts.get(machine.layout()).title()
                    : machine.layout())
            .wrong(wrong(depth, Kind.LAYOUT, ""))
            .changedBy(
                choice(layouts.values(), l -> l.title(), l -> put.apply(machine.typing(l.id())))));
    options(
        depth,
        Kind.OPTION,
        machine.platform(),
        machine.options(),
        on -> put.apply(machine.withOptions(on)));
    lines.addAll(new RemapLines(part).lines());
    own(depth, machine, put);
    switchedOff(depth, machine, put);
    lines.addAll(new FocusLines(part).lines());
  }

  /** What is left without a machine: the one in its window, or the window's host alone. */
  private Optional<Setup> withoutMachine(int depth, Machine machine) {
    if (machine.focus() instanceof Machine.SessionWindow s) {
      return Optional.of(setup.with(depth, s.inner()));
    }
    return depth == 0
        ? Optional.empty()
        : Optional.of(
            setup.with(depth - 1, setup.machines().get(depth - 1).with(new Machine.Bare())));
  }

  private void version(int depth, Kind kind, Version now, Function<Version, Setup> to) {
    lines.add(versionLine(depth, worded("any.version"), now, to).wrong(wrong(depth, kind, "")));
  }

  static OutlineLine<Setup> versionLine(
      int depth, String label, Version now, Function<Version, Setup> to) {
    return OutlineLine.<Setup>of(depth, label, now.written())
        .changedBy(
            new Edit.Words<>(
                now.written(),
                worded("setups.numbers-as-in-3-1"),
                t -> to.apply(new Version(t.strip()))));
  }

  private void options(
      int depth,
      Kind kind,
      EnvironmentId environment,
      Set<String> on,
      Function<Set<String>, Setup> to) {
    for (OutlineLine<Setup> line : optionLines(catalog, depth, environment, on, to)) {
      lines.add(line.wrong(wrong(depth, kind, line.label())));
    }
  }

  /** A line for each option that a binding asks for or that is on. */
  static List<OutlineLine<Setup>> optionLines(
      Catalog catalog,
      int depth,
      EnvironmentId environment,
      Set<String> on,
      Function<Set<String>, Setup> to) {
    Set<String> all = new TreeSet<>(SetupCheck.options(catalog, environment));
    all.addAll(on);
    List<OutlineLine<Setup>> found = new ArrayList<>();
    for (String option : all) {
      Set<String> other = new TreeSet<>(on);
      if (!other.remove(option)) {
        other.add(option);
      }
      found.add(
          OutlineLine.<Setup>of(
                  depth, option, worded(on.contains(option) ? "setups.on" : "setups.off-2"))
              .changedBy(new Edit.Done<>(() -> to.apply(other))));
    }
    return found;
  }

  private void own(int depth, Machine machine, Function<Machine, Setup> put) {
    Supplier<List<Option<Setup>>> actions =
        () ->
            catalog.actions().stream()
                .map(
                    a ->
                        new Option<>(
                            a.title(),
                            gesture(
                                "",
                                g ->
                                    put.apply(
                                        machine.withOwn(
                                            Members.with(
                                                machine.own(),
                                                Binding.of(ownId(machine), a.id(), g)))))))
                .toList();
    lines.add(
        OutlineLine.<Setup>of(depth, worded("any.own-bindings"), count(machine.own().size()))
            .addingBy(new Edit.Choice<>(actions)));
    for (int i = 0; i < machine.own().size(); i++) {
      Binding own = machine.own().get(i);
      int at = i;
      lines.add(
          OutlineLine.<Setup>of(depth + 1, worded("setups.own"), catalog.title(own.action()))
              .about(own.gesture())
              .wrong(wrong(depth, Kind.OWN, String.valueOf(i)))
              .changedBy(
                  gesture(
                      own.gesture().toString(),
                      g ->
                          put.apply(
                              machine.withOwn(
                                  Members.replaced(machine.own(), at, own.with(own.id(), g))))))
              .memberOf(machine.own(), i, list -> put.apply(machine.withOwn(list))));
    }
  }

  private static String ownId(Machine machine) {
    List<String> taken = machine.own().stream().map(Binding::id).toList();
    return Stream.iterate(machine.own().size() + 1, n -> n + 1)
        .map(n -> "own-" + n)
        .filter(id -> !taken.contains(id))
        .findFirst()
        .orElseThrow();
  }

  private static Edit<Setup> gesture(String now, Function<Gesture, Setup> to) {
    return new Edit.Words<>(
        now, worded("setups.a-gesture-as-in-ctrl-alt"), t -> to.apply(Gesture.parse(t.strip())));
  }

  static String count(int members) {
    return members == 0 ? worded("setups.none") : String.valueOf(members);
  }

  private void switchedOff(int depth, Machine machine, Function<Machine, Setup> put) {
    List<Binding> bindings = catalog.bindings(machine.platform());
    Supplier<List<Option<Setup>>> more =
        () ->
            bindings.stream()
                .filter(b -> !machine.switchedOff().contains(b.id()) && !b.remarks().fixed())
                .map(
                    b ->
                        new Option<>(
                            b.gesture() + "  " + catalog.title(b.action()),
                            new Edit.Done<>(
                                () ->
                                    put.apply(
                                        machine.withSwitchedOff(
                                            joined(machine.switchedOff(), b.id(), true))))))
                .toList();
    lines.add(
        OutlineLine.<Setup>of(
                depth, worded("setups.switched-off"), count(machine.switchedOff().size()))
            .addingBy(new Edit.Choice<>(more)));
    for (String id : new TreeSet<>(machine.switchedOff())) {
      Optional<Binding> binding = catalog.binding(machine.platform(), id);
      OutlineLine<Setup> line =
          OutlineLine.<Setup>of(
                  depth + 1,
                  worded("setups.off"),
                  binding.map(b -> catalog.title(b.action())).orElse(id))
              .wrong(wrong(depth, Kind.SWITCHED_OFF, id))
              .removedBy(
                  put.apply(machine.withSwitchedOff(joined(machine.switchedOff(), id, false))));
      lines.add(binding.map(b -> line.about(b.gesture())).orElse(line));
    }
  }

  private static Set<String> joined(Set<String> set, String member, boolean in) {
    Set<String> other = new TreeSet<>(set);
    boolean _ = in ? other.add(member) : other.remove(member);
    return other;
  }

  /**
   * What the lines of a part of a machine are made of.
   *
   * @param put gives the setup with another machine in the place of this one
   */
  record Part(
      Workspace workspace, int depth, Machine machine, Function<Machine, Setup> put, Wrong wrong) {}

  /** Tells what is wrong at a spot. */
  @FunctionalInterface
  interface Wrong {
    List<String> at(int machine, Kind kind, String name);
  }
}
