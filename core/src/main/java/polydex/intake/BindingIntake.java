package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.intake.IntakePlan.Changed;
import polydex.intake.IntakePlan.Gone;
import polydex.intake.IntakePlan.Taken;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.keys.GestureReader;
import polydex.route.Machine;
import polydex.route.Setup;
import polydex.route.Situation.Computer;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/**
 * Works out what a list of bindings from outside would change, without changing anything. Names are
 * compared without regard to case and surrounding space; titles that only resemble a known action
 * are proposed, and made anew until the user has said that they mean it. Gestures are read in any
 * written form, several to a cell. What came from an earlier version of the same list is compared
 * with this one. O(rows + bindings), and a title matched by meaning costs its postings.
 */
public final class BindingIntake {

  private static final int LONGEST_NAME = 200;

  private final Workspace before;
  private final IntakeRequest request;
  private final Map<String, Here> heres = new HashMap<>();
  private final Map<EnvironmentId, Here> heresById = new LinkedHashMap<>();
  private final Optional<Here> own;
  private final Map<GestureReader, CellBook> books = new HashMap<>();
  private final EarlierList earlier;
  private final List<Taken> taken = new ArrayList<>();
  private final List<NewRow> fresh = new ArrayList<>();
  private final IntakeNames names;
  private final IntakeTally tally;
  private final UnbindingRows unbindings = new UnbindingRows();
  private final List<RequestedRow> known = new ArrayList<>();
  private final List<Refused> refused;

  private record NewRow(RequestedRow row, EnvironmentId environment, Binding binding) {}

  private BindingIntake(Workspace before, IntakeRequest request) {
    this.before = before;
    this.request = request;
    refused = new ArrayList<>(request.refused());
    earlier = new EarlierList(before, request.list());
    names = new IntakeNames(before, request);
    tally = new IntakeTally(request);
    own =
        before
            .setup()
            .map(Setup::machine)
            .flatMap(m -> before.catalog().environment(m.platform()).map(e -> own(m, e)));
  }

  /** The user's own bindings on a machine, which are read as its desktop writes them. */
  private Here own(Machine machine, Environment desktop) {
    return new Here(
        desktop, keys(machine.own()), new CellBook(desktop.reader(), tally.dialect()), true);
  }

  /** The plan for a list. */
  public static IntakePlan plan(Workspace before, IntakeRequest request) {
    BindingIntake intake = new BindingIntake(before, request);
    request.rows().forEach(intake::add);
    return intake.plan();
  }

  /** The plan for a list that is not remembered. */
  public static IntakePlan plan(Workspace before, List<RequestedRow> rows, List<Refused> refused) {
    return plan(before, IntakeRequest.of(Optional.empty(), rows, refused));
  }

  /** What a row needs of its environment, found once for all the rows that name it so. */
  private static final class Here {
    final Environment environment;
    final Set<String> present;
    final Map<String, Binding> added = new LinkedHashMap<>();
    final Map<String, Context> contexts;
    final CellBook cells;
    final boolean own;

    Here(Environment environment, Set<String> present, CellBook cells, boolean own) {
      this.environment = environment;
      this.present = present;
      this.contexts = IntakeNames.contextsByName(environment);
      this.cells = cells;
      this.own = own;
    }
  }

  private void add(RequestedRow said) {
    if (said.own() && own.isEmpty()) {
      refuse(said, worded("intake.there-is-no-setup-yet-and"));
    } else if (said.environment().isBlank() && !said.own()) {
      refuse(said, worded("intake.no-platform-or-application-is-named"));
    } else if (said.action().isBlank()) {
      refuse(said, worded("intake.no-action-is-named"));
    } else if (said.gesture().isBlank()) {
      tally.without(said);
    } else {
      RequestedRow row = names.knowsAction(said.action()) ? said : LongTitle.shortened(said);
      Optional<String> problem = problem(row);
      if (problem.isPresent()) {
        refuse(row, problem.get());
        return;
      }
      Here here = here(row);
      CellBook.Entry entry = here.cells.of(row.gesture());
      // Nearly all are read, and a long list has no time for a switch over types.
      if (entry.result() instanceof GestureCell.Read(GestureCell cell)) {
        take(row, here, entry, cell);
      } else {
        leave(row, entry.result());
      }
    }
  }

  private void leave(RequestedRow row, GestureCell.Result result) {
    switch (result) {
      case GestureCell.Read _ -> throw new IllegalStateException("read after all");
      case GestureCell.Nothing _ -> tally.nothing(row);
      case GestureCell.Unclear(ReadingChoice choice, String why) -> tally.ask(row, choice, why);
      case GestureCell.Unreadable(String why) -> refuse(row, why);
    }
  }

  private Here here(RequestedRow row) {
    if (row.own()) {
      return own.orElseThrow();
    }
    Here last = heres.get(row.environment());
    if (last != null) {
      return last;
    }
    Environment environment = names.environment(row);
    Here here = heresById.get(environment.id());
    if (here == null) {
      here =
          new Here(
              environment,
              keys(before.catalog().bindings(environment.id())),
              books.computeIfAbsent(
                  environment.reader(), reader -> new CellBook(reader, tally.dialect())),
              false);
      heresById.put(environment.id(), here);
    }
    heres.put(row.environment(), here);
    return here;
  }

  /** What is wrong with its names; those that were seen before are known to be right. */
  private Optional<String> problem(RequestedRow row) {
    Optional<String> found =
        heres.containsKey(row.environment()) ? Optional.empty() : problem(row.environment());
    if (found.isEmpty() && !row.context().isEmpty()) {
      found = problem(row.context());
    }
    return found.isEmpty() && !names.knowsAction(row.action()) ? problem(row.action()) : found;
  }

  private static Optional<String> problem(String name) {
    if (name.length() > LONGEST_NAME) {
      return Optional.of(worded("any.a-name-is-longer-than-characters", LONGEST_NAME));
    }
    for (int i = 0; i < name.length(); i++) {
      if (Character.isISOControl(name.charAt(i))) {
        return Optional.of(worded("intake.a-name-has-control-characters-in"));
      }
    }
    return Optional.empty();
  }

  private void refuse(RequestedRow row, String reason) {
    refused.add(new Refused(row.line(), row.action() + ": " + row.gesture(), reason, row.file()));
  }

  private void take(RequestedRow row, Here here, CellBook.Entry entry, GestureCell cell) {
    if (UnbindingRows.isOne(row)) {
      unbindings.add(
          row, here.environment, UnbindingRows.context(row, here.contexts), cell.gestures());
      return;
    }
    tally.read(row, cell);
    Action action = names.action(row.action());
    for (int i = 0; i < cell.alternatives().size(); i++) {
      GestureCell.Alternative alternative = cell.alternatives().get(i);
      String written = entry.written().get(i);
      for (String system : tally.systems().takers(row, cell, alternative)) {
        RequestedRow there = SystemsWanted.in(system, row);
        take(there, system.isEmpty() ? here : here(there), action, written, cell, alternative);
      }
    }
  }

  private void take(
      RequestedRow row,
      Here here,
      Action said,
      String written,
      GestureCell cell,
      GestureCell.Alternative alternative) {
    Context context =
        here.own ? Context.ANYWHERE : names.context(here.environment, here.contexts, row.context());
    Action action = names.there(said, here.environment);
    String key = context.id() + ":" + action.id() + ":" + written;
    String id = here.own ? EarlierList.OWN + key : key;
    boolean wasThere = !here.present.isEmpty() && here.present.contains(key);
    if (wasThere) {
      known.add(row);
      earlier.still(here.environment.id(), id);
    } else {
      Binding binding = binding(id, action, context, row, cell, alternative);
      if (here.added.putIfAbsent(key, binding) != null) {
        known.add(row);
      } else if (earlier.isFirst()) {
        taken.add(new Taken(row, binding.gesture()));
      } else {
        fresh.add(new NewRow(row, here.environment.id(), binding));
      }
    }
  }

  private static Binding binding(
      String id,
      Action action,
      Context context,
      RequestedRow row,
      GestureCell cell,
      GestureCell.Alternative alternative) {
    String note =
        row.note().isEmpty()
            ? alternative.note()
            : alternative.note().isEmpty() ? row.note() : alternative.note() + "; " + row.note();
    boolean always = cell.since().isEmpty() && cell.until().isEmpty();
    return new Binding(
        id,
        action.id(),
        alternative.gesture(),
        context.id(),
        always
            ? Binding.Condition.ALWAYS
            : new Binding.Condition(cell.since(), cell.until(), Optional.empty(), Optional.empty()),
        Optional.empty(),
        note.isEmpty() ? Binding.Remarks.NONE : new Binding.Remarks(note, "", "", false));
  }

  /** The ids that the program makes of context, action and gesture, whatever ids files gave. */
  private static Set<String> keys(List<Binding> bindings) {
    Set<String> keys = new HashSet<>();
    bindings.forEach(b -> keys.add(EarlierList.key(b)));
    return keys;
  }

  // ---- the earlier version of the same list

  private IntakePlan plan() {
    // Of one action in one context the first that went is what the first new one was before.
    Map<ActionThere, Deque<Gone>> left = new LinkedHashMap<>();
    List<Gone> earlierOnes = earlier.gone();
    earlierOnes.forEach(g -> left.computeIfAbsent(there(g), _ -> new ArrayDeque<>()).add(g));
    Set<Gone> replaced = new HashSet<>();
    List<Changed> changed = new ArrayList<>();
    Map<EnvironmentId, Set<String>> dropped = new LinkedHashMap<>();
    for (NewRow row : fresh) {
      Optional<Gone> was = Optional.ofNullable(left.get(there(row))).map(Deque::poll);
      if (was.isPresent()) {
        changed.add(new Changed(row.row(), was.get().binding().gesture(), row.binding().gesture()));
        drop(dropped, was.get());
        replaced.add(was.get());
      } else {
        taken.add(new Taken(row.row(), row.binding().gesture()));
      }
    }
    List<Gone> gone = earlierOnes.stream().filter(g -> !replaced.contains(g)).toList();
    if (request.dropGone()) {
      gone.forEach(g -> drop(dropped, g));
    }
    Workspace after = after(dropped);
    return new IntakePlan(
        taken,
        changed,
        known,
        gone,
        refused,
        names.proposals(),
        names.recognised(),
        new Change.Edit(
            title(taken.size(), changed.size(), request.dropGone() ? gone.size() : 0),
            before,
            after),
        tally.reading(unbindings.found()));
  }

  /** An action in a context of an environment, or of one's own, whichever gesture does it. */
  private record ActionThere(
      EnvironmentId environment, boolean own, ActionId action, String context) {}

  private static ActionThere there(Gone gone) {
    return there(gone.environment(), gone.binding());
  }

  private static ActionThere there(NewRow row) {
    return there(row.environment(), row.binding());
  }

  private static ActionThere there(EnvironmentId environment, Binding binding) {
    return new ActionThere(
        environment, binding.id().startsWith(EarlierList.OWN), binding.action(), binding.context());
  }

  private static void drop(Map<EnvironmentId, Set<String>> dropped, Gone gone) {
    dropped
        .computeIfAbsent(gone.environment(), _ -> new LinkedHashSet<>())
        .add(gone.binding().id());
  }

  /** What is bound by the user goes to the computer, wherever it stands, and no keymap changes. */
  private Workspace withOwn(Workspace all, Map<EnvironmentId, Set<String>> dropped) {
    if (own.isEmpty()) {
      return all;
    }
    Here here = own.get();
    Set<String> gone = dropped.getOrDefault(here.environment.id(), Set.of());
    if (here.added.isEmpty() && gone.stream().noneMatch(g -> g.startsWith(EarlierList.OWN))) {
      return all;
    }
    Computer computer = Computer.of(all.setup().orElseThrow().machine());
    return all.with(
        all.situation()
            .withMachine(
                computer,
                m ->
                    m.withOwn(
                        Stream.concat(
                                m.own().stream().filter(b -> !gone.contains(b.id())),
                                here.added.values().stream())
                            .toList())));
  }

  private Workspace after(Map<EnvironmentId, Set<String>> dropped) {
    // An environment none of whose lines was taken is not made.
    Map<EnvironmentId, Map<String, Binding>> newBindings = new LinkedHashMap<>();
    heresById.forEach(
        (id, here) -> {
          if (!here.added.isEmpty()) {
            newBindings.put(id, here.added);
          }
        });
    Set<EnvironmentId> kept = new HashSet<>(newBindings.keySet());
    Optional<Environment> shown = request.surface().map(this::shown);
    shown.ifPresent(e -> kept.add(e.id()));
    names.keep(kept);
    Catalog catalog = before.catalog();
    for (Map.Entry<EnvironmentId, Set<String>> d : dropped.entrySet()) {
      catalog = catalog.without(d.getKey(), d.getValue());
    }
    Map<EnvironmentId, List<Binding>> added = new LinkedHashMap<>();
    newBindings.forEach((e, list) -> added.put(e, List.copyOf(list.values())));
    catalog = catalog.with(names.newActions(), names.changedEnvironments(), added);
    Workspace after =
        NewSetups.with(
            before.with(catalog).with(before.remembered().withTitles(names.learnt())),
            names.newEnvironments());
    return remembering(withOwn(unbindings.applied(after), dropped), newBindings);
  }

  private Workspace remembering(
      Workspace after, Map<EnvironmentId, Map<String, Binding>> newBindings) {
    Map<EnvironmentId, Set<String>> added = new HashMap<>();
    newBindings.forEach((e, list) -> added.put(e, new HashSet<>(list.keySet())));
    own.filter(h -> !h.added.isEmpty())
        .ifPresent(
            h -> {
              Set<String> ids = added.computeIfAbsent(h.environment.id(), _ -> new HashSet<>());
              h.added.values().forEach(b -> ids.add(b.id()));
            });
    return request.list().isEmpty() || (added.isEmpty() && earlier.knowsNothing())
        ? after
        : after.with(
            after.remembered().withList(request.list().get(), earlier.source(after, added)));
  }

  /** The application with what it shows of itself. */
  private Environment shown(RequestedSurface surface) {
    RequestedRow line = new RequestedRow(0, surface.environment(), false, "", "", "");
    Environment application =
        SurfaceIntake.with(names.current(here(line).environment), surface, names);
    names.put(application);
    return application;
  }

  private static String title(int taken, int changed, int dropped) {
    if (changed == 0 && dropped == 0) {
      return worded("intake.bring-in-bindings", taken);
    }
    return worded("intake.bring-in-new-changed-gone", taken, changed, dropped);
  }
}
