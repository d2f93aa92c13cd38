package polydex.computer;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.boards.Layout;
import polydex.catalog.ActionId;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuForm;
import polydex.catalog.EnvironmentId;
import polydex.computer.Finding.Keyboard;
import polydex.computer.Finding.Keys;
import polydex.computer.Finding.Launchers;
import polydex.computer.Finding.Running;
import polydex.intake.BindingIntake;
import polydex.intake.IntakePlan;
import polydex.intake.IntakeRequest;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListSubject;
import polydex.intake.SubjectGuess;
import polydex.route.Machine;
import polydex.route.Remap;
import polydex.route.Setup;
import polydex.route.Situation.Computer;
import polydex.workspace.Change;
import polydex.workspace.Remembered;
import polydex.workspace.Workspace;

/**
 * Works out what bringing in a computer would change, without changing anything. Each finding is a
 * list of its own, so that one that is missing next time takes nothing away; they are brought in
 * one after the other, each on what the one before left, and all of them are one change. The cost
 * is that of {@link BindingIntake} for each.
 */
public final class ComputerIntake {
  /** What the ids of findings begin with that stand in files of programs. */
  public static final String FILE = "file:";

  /**
   * What is wished of it.
   *
   * @param elsewhere whether it is another computer than the one under the hands
   * @param dropGone whether what is gone from a finding goes from here too
   * @param documents whether menu entries that look like documents are taken as commands
   * @param meant for names that were found the id of the action that the person says they mean
   * @param apart names that are not the known action of the same words
   */
  public record Wishes(
      boolean elsewhere,
      boolean dropGone,
      boolean documents,
      Map<String, ActionId> meant,
      Set<String> apart) {
    /** This computer, as it was found. */
    public static final Wishes HERE = new Wishes(false, false, false, Map.of(), Set.of());

    /** Another computer, as it was found there. */
    public static final Wishes ELSEWHERE = new Wishes(true, false, false, Map.of(), Set.of());

    /** Copies both. */
    public Wishes {
      meant = Map.copyOf(meant);
      apart = Set.copyOf(apart);
    }

    /** The same where what is gone goes, or stays. */
    public Wishes droppingGone(boolean drop) {
      return new Wishes(elsewhere, drop, documents, meant, apart);
    }

    /** The same where entries that look like documents are taken, or left. */
    public Wishes withDocuments(boolean with) {
      return new Wishes(elsewhere, dropGone, with, meant, apart);
    }

    /** The same where the person has said of names what they mean and what they don't. */
    public Wishes saying(Map<String, ActionId> mean, Set<String> not) {
      return new Wishes(elsewhere, dropGone, documents, mean, not);
    }
  }

  private final FoundComputer found;
  private final Wishes wishes;
  private final List<ComputerPlan.Part> parts = new ArrayList<>();
  private Workspace now;

  private ComputerIntake(Workspace before, FoundComputer found, Wishes wishes) {
    now = before;
    this.found = found;
    this.wishes = wishes;
  }

  /**
   * The plan for what was found.
   *
   * @param found only what is wanted of it
   */
  public static ComputerPlan plan(Workspace before, FoundComputer found, Wishes wishes) {
    ComputerIntake intake = new ComputerIntake(before, found, wishes);
    intake.now = Machines.under(before, found.title(), wishes.elsewhere());
    found.findings().forEach(intake::take);
    Workspace after = Machines.withoutStandIn(intake.now, before);
    if (wishes.elsewhere() && before.current().isPresent()) {
      after = after.using(before.current());
    }
    // With nothing to bring in there is no reason for a computer either.
    boolean nothing = intake.parts.stream().noneMatch(ComputerPlan.Part::changesSomething);
    return new ComputerPlan(
        intake.parts,
        new Change.Edit(
            worded("computer.bring-in-the-computer", found.title()),
            before,
            nothing ? before : after));
  }

  private void take(Finding finding) {
    Workspace before = now;
    Optional<IntakePlan> plan =
        switch (finding.what()) {
          case Keyboard k -> {
            now = keyboard(k);
            yield Optional.empty();
          }
          case Launchers _ -> Optional.empty();
          case Keys k -> Optional.of(keys(finding, k));
          case Running r -> Optional.of(program(finding, r.program()));
        };
    boolean changes =
        plan.filter(IntakePlan::changesSomething).isPresent() || isAnother(before, now);
    if (!changes) {
      now = before;
    }
    parts.add(new ComputerPlan.Part(finding, plan, changes));
  }

  /** Whether anything but bindings is another. */
  private static boolean isAnother(Workspace some, Workspace other) {
    return !some.setups().equals(other.setups())
        || !some.world().layouts().keySet().equals(other.world().layouts().keySet())
        || !some.catalog().environments().equals(other.catalog().environments());
  }

  private String list(Finding finding) {
    return found.title() + ": " + finding.id();
  }

  // ---- keyboard

  private Workspace keyboard(Keyboard keyboard) {
    // A layout that is known under another name is that one.
    Layout layout =
        now.world().layouts().values().stream()
            .filter(l -> l.symbols().equals(keyboard.layout().symbols()))
            .findFirst()
            .orElse(keyboard.layout());
    Workspace with = now.with(layout);
    for (Layout other : keyboard.others()) {
      with = with.with(other);
    }
    Optional<Setup> setup = with.setup();
    if (setup.isEmpty()) {
      return with;
    }
    Computer computer = Computer.of(setup.get().machine());
    return with.with(
        with.situation()
            .withMachine(
                computer, m -> m.typing(layout.id()).withRemaps(remaps(m, keyboard.remaps()))));
  }

  /** Those that were read, in the place of those that were read before; others stay behind them. */
  private static List<Remap> remaps(Machine machine, List<Remap> read) {
    List<Remap> all = new ArrayList<>(read);
    machine.remaps().stream()
        .filter(r -> !r.title().startsWith(Keyboard.SETTING))
        .filter(r -> !read.contains(r))
        .forEach(all::add);
    return all;
  }

  // ---- bindings

  private IntakePlan keys(Finding finding, Keys keys) {
    List<RequestedRow> rows = keys.rows();
    if (keys.about() == ListSubject.DESKTOP) {
      String desktop = desktop(finding, keys.environment());
      rows = rows.stream().map(r -> r.in(desktop)).toList();
    }
    IntakePlan plan = bindings(IntakeRequest.of(Optional.of(list(finding)), rows, keys.refused()));
    if (keys.about() == ListSubject.APPLICATION) {
      now = Machines.running(now, keys.environment());
    }
    return plan;
  }

  /**
   * What the desktop is called to which keys go: the one of this computer, as it is known or else
   * as it was found. Another computer may have the same one with other settings, and is not to be
   * mixed with it; nor is another desktop that is installed here and does not run.
   */
  private String desktop(Finding finding, String asFound) {
    Optional<Environment> before = wentTo(finding);
    Optional<Environment> known = SubjectGuess.desktopOf(now);
    if (before.isPresent()) {
      return before.get().title();
    }
    if (finding.suggested() && known.isPresent()) {
      return known.get().title();
    }
    return Machines.environment(now, asFound).isPresent()
        ? worded("any.on", asFound, found.title())
        : asFound;
  }

  /** The platform to which a finding went when it was read before. */
  private Optional<Environment> wentTo(Finding finding) {
    return Optional.ofNullable(now.remembered().lists().get(list(finding))).stream()
        .flatMap(s -> s.bindings().keySet().stream())
        .flatMap(id -> now.catalog().environment(id).stream())
        .filter(e -> e.platform().isPresent())
        .findFirst();
  }

  private IntakePlan bindings(IntakeRequest request) {
    IntakePlan plan =
        BindingIntake.plan(
            now, request.dropGone(wishes.dropGone()).meaning(wishes.meant()).apart(wishes.apart()));
    now = plan.change().after();
    return plan;
  }

  private IntakePlan program(Finding finding, Program program) {
    now = withoutFiles(now, program.title());
    Program wanted = wishes.documents() ? program : program.withoutDocuments();
    IntakePlan plan = bindings(ProgramRows.of(list(finding), wanted));
    now = Machines.running(program.byAlt() ? menusByAlt(now) : now, program.title());
    return plan;
  }

  /**
   * Without what came from files of a program that is now seen itself: it shows the same keys by
   * the names that people know.
   */
  private Workspace withoutFiles(Workspace workspace, String title) {
    Optional<EnvironmentId> of =
        Machines.environment(workspace, title)
            .filter(e -> e.platform().isEmpty())
            .map(Environment::id);
    Workspace after = workspace;
    for (Map.Entry<String, Remembered.Source> list : workspace.remembered().lists().entrySet()) {
      Set<String> ids = of.map(list.getValue().bindings()::get).orElse(Set.of());
      if (list.getKey().startsWith(found.title() + ": " + FILE) && !ids.isEmpty()) {
        after =
            after
                .with(after.catalog().without(of.orElseThrow(), ids))
                .with(after.remembered().withList(list.getKey(), new Remembered.Source(Map.of())));
      }
    }
    return after;
  }

  /** The desktop of the computer, whose programs open their menus with Alt held. */
  private static Workspace menusByAlt(Workspace workspace) {
    Optional<Environment> desktop =
        workspace
            .setup()
            .flatMap(s -> workspace.catalog().environment(s.machine().platform()))
            .filter(
                e -> e.platform().filter(p -> !p.menuForms().contains(MenuForm.HELD)).isPresent());
    return desktop
        .map(
            e ->
                workspace.with(
                    workspace
                        .catalog()
                        .with(
                            List.of(),
                            List.of(
                                e.withKind(
                                    e.platform().orElseThrow().opening(Set.of(MenuForm.HELD)))),
                            Map.of())))
        .orElse(workspace);
  }
}
