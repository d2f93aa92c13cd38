package polydex.conflict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.catalog.Binding;
import polydex.catalog.Context;
import polydex.conflict.Conflict.Kind;
import polydex.conflict.Conflict.Party;
import polydex.free.Proposals;
import polydex.keys.Gesture;
import polydex.keys.Step;
import polydex.route.Layer;
import polydex.route.Machine;
import polydex.route.Machine.Capture;
import polydex.route.Remap;
import polydex.route.Setup;
import polydex.route.Situation;
import polydex.route.Situation.Computer;

/**
 * Proposes fixes for a conflict by its kind. What is proposed is only worth offering once a {@link
 * Trial} has shown that it ends the conflict; {@link #offered} does both.
 */
public final class FixFinder {
  private static final int FREE_OFFERED = 2;
  private static final int MOST_PAIRS = 24;

  private final Situation situation;
  private final Trial trial;

  /** What proposes gestures that are free, made when a computer first needs one. */
  private final Map<Computer, Proposals> free = new HashMap<>();

  /** Fixes that are tried from the situation of these trials. */
  public FixFinder(Trial trial) {
    this.trial = trial;
    this.situation = trial.situation();
  }

  /** The fixes that do end the conflict, what costs and breaks least first. */
  public List<Trial.Outcome> offered(Conflict conflict, Fix.Weights weights) {
    return offered(conflict, weights, FREE_OFFERED, () -> false);
  }

  /**
   * The same with more gestures to choose from.
   *
   * @param free how many free gestures are looked at
   * @param stop asked before each trial
   */
  List<Trial.Outcome> offered(
      Conflict conflict, Fix.Weights weights, int free, BooleanSupplier stop) {
    List<Fix> proposed = proposed(conflict, free).stream().distinct().toList();
    List<Trial.Outcome> found = new ArrayList<>();
    for (Fix fix : proposed) {
      if (!stop.getAsBoolean()) {
        Trial.Outcome outcome = trial.of(fix);
        if (ends(outcome, conflict)) {
          found.add(outcome);
        }
      }
    }
    if (found.stream().allMatch(o -> !o.makes().isEmpty())) {
      found.addAll(pairs(conflict, proposed, stop));
    }
    found.sort(
        Comparator.comparingInt((Trial.Outcome o) -> o.makes().size() + o.robs().size())
            .thenComparingDouble(o -> o.fix().cost(weights)));
    return found;
  }

  /**
   * Two changes of which neither ends it alone: the second is proposed for what the first leaves of
   * it, or makes. At most {@value #MOST_PAIRS} are tried.
   */
  private List<Trial.Outcome> pairs(Conflict conflict, List<Fix> proposed, BooleanSupplier stop) {
    List<Trial.Outcome> found = new ArrayList<>();
    int tried = 0;
    for (Fix first : proposed) {
      if (first instanceof Fix.UseOther || conflict.setup().isEmpty()) {
        continue;
      }
      Situation then = first.applyTo(situation);
      Setup setup = then.setups().get(conflict.setup().get());
      if (stop.getAsBoolean() || then.world().problem(setup).isPresent()) {
        continue;
      }
      Trial after = new Trial(then, trial.person());
      FixFinder finder = new FixFinder(after);
      for (Conflict left : after.losing(conflict, trial.of(first).makes())) {
        for (Fix second : finder.proposed(left, 1)) {
          boolean apart =
              !(second instanceof Fix.UseOther)
                  && first.once().stream().noneMatch(second.once()::contains);
          if (apart && tried < MOST_PAIRS && !stop.getAsBoolean()) {
            tried++;
            Trial.Outcome both = trial.of(new Fix.Both(first, second));
            if (ends(both, conflict) && both.makes().isEmpty()) {
              found.add(both);
            }
          }
        }
      }
    }
    return found;
  }

  private static boolean ends(Trial.Outcome outcome, Conflict conflict) {
    return outcome.ends().stream().anyMatch(c -> c.id().equals(conflict.id()));
  }

  private Proposals free(Setup setup, int depth) {
    return free.computeIfAbsent(
        Computer.of(setup.machines().get(depth)), c -> Proposals.on(situation, c));
  }

  private List<Fix> proposed(Conflict c, int most) {
    List<Fix> fixes = new ArrayList<>();
    for (Gesture other :
        c.stillWorks().stream().filter(g -> !isAsBad(c, g)).limit(FREE_OFFERED).toList()) {
      fixes.add(
          new Fix.UseOther(
              c.id(), c.loser().environment(), c.loser().context(), c.loser().action(), other));
    }
    if (c.setup().isEmpty()) {
      c.winner()
          .ifPresent(
              w -> {
                if (c.kind() == Kind.SPLIT_HABIT) {
                  moveInKeymap(c.loser(), w, fixes);
                } else {
                  moveApart(c.loser(), most, fixes);
                  moveApart(w, most, fixes);
                }
              });
      return fixes;
    }
    Setup setup = situation.setups().get(c.setup().get());
    List<Gesture> free = free(setup, c.loser().depth()).best(c.loser().action(), most);
    move(setup, c.loser(), free, fixes);
    c.winner().filter(w -> !isSame(w, c.loser())).ifPresent(w -> winner(setup, w, most, fixes));
    c.at().ifPresent(at -> atLayer(setup, c, at, fixes));
    if (c.loser().depth() > 0 || c.kind() == Kind.UNTYPABLE || c.kind() == Kind.NEEDS_FN) {
      Computer computer = Computer.of(setup.machines().get(c.loser().depth()));
      if (isStroke(c.loser().gesture())) {
        free.forEach(f -> fixes.add(new MachineFix.AddRemap(computer, f, c.loser().gesture())));
      }
    }
    return fixes;
  }

  /** Whether the other gesture needs Fn as well, where that is what is wrong. */
  private boolean isAsBad(Conflict c, Gesture other) {
    if (c.kind() != Kind.NEEDS_FN) {
      return false;
    }
    Setup setup = situation.setups().get(c.setup().orElseThrow());
    Board board = situation.world().boards().get(setup.board());
    Layout layout = situation.world().layouts().get(setup.machine().layout());
    return Presses.physical(other, layout).stream()
        .flatMap(List::stream)
        .anyMatch(p -> p.pressedKey().filter(k -> !board.has(k)).isPresent());
  }

  private static boolean isSame(Party one, Party other) {
    return one.binding().equals(other.binding()) && one.environment().equals(other.environment());
  }

  private void moveInKeymap(Party one, Party other, List<Fix> fixes) {
    for (List<Party> pair : List.of(List.of(one, other), List.of(other, one))) {
      binding(pair.get(0))
          .filter(b -> !b.remarks().fixed())
          .ifPresent(
              b ->
                  fixes.add(
                      new KeymapFix.MoveInKeymap(
                          pair.get(0).environment(), b, pair.get(1).documented())));
    }
  }

  /** One side of a crossed habit gets a gesture that is free where it stands. */
  private void moveApart(Party party, int most, List<Fix> fixes) {
    for (Setup setup : situation.setups().values()) {
      List<Machine> machines = setup.machines();
      for (int depth = 0; depth < machines.size(); depth++) {
        Machine machine = machines.get(depth);
        boolean stands =
            machine.platform().equals(party.environment())
                || machine.application().filter(party.environment()::equals).isPresent();
        if (stands && situation.world().problem(setup).isEmpty()) {
          Party there =
              new Party(
                  party.environment(),
                  party.context(),
                  party.action(),
                  party.documented(),
                  party.gesture(),
                  party.binding(),
                  party.own(),
                  depth);
          move(setup, there, free(setup, depth).best(party.action(), most), fixes);
          return;
        }
      }
    }
  }

  private Optional<Binding> binding(Party party) {
    return situation.world().catalog().bindings(party.environment()).stream()
        .filter(b -> b.id().equals(party.binding()))
        .findFirst();
  }

  /** The binding gets a free gesture. */
  private void move(Setup setup, Party party, List<Gesture> free, List<Fix> fixes) {
    if (party.documented().isFamily()) {
      // One free gesture can't stand for all the members.
      return;
    }
    Machine machine = setup.machines().get(party.depth());
    Computer computer = Computer.of(machine);
    if (party.own()) {
      machine.own().stream()
          .filter(b -> b.id().equals(party.binding()))
          .forEach(b -> free.forEach(f -> fixes.add(new KeymapFix.MoveOwn(computer, b, f))));
      return;
    }
    Optional<Binding> binding = binding(party).filter(b -> !b.remarks().fixed());
    if (binding.isEmpty()) {
      return;
    }
    boolean ofPlatform = party.environment().equals(machine.platform());
    if (ofPlatform && !party.context().equals(Context.ANYWHERE.id())) {
      // A binding of one's own holds anywhere, so it can't stand for one of an inner context.
      return;
    }
    for (Gesture f : free) {
      fixes.add(
          ofPlatform
              ? new KeymapFix.Replace(computer, binding.get(), f)
              : new KeymapFix.MoveInKeymap(party.environment(), binding.get(), f));
    }
  }

  private void winner(Setup setup, Party winner, int most, List<Fix> fixes) {
    Machine machine = setup.machines().get(winner.depth());
    if (!winner.own() && winner.environment().equals(machine.platform())) {
      binding(winner)
          .filter(b -> !b.remarks().fixed())
          .ifPresent(b -> fixes.add(new KeymapFix.SwitchOff(Computer.of(machine), b)));
    }
    move(setup, winner, free(setup, winner.depth()).best(winner.action(), most), fixes);
  }

  private void atLayer(Setup setup, Conflict c, Layer at, List<Fix> fixes) {
    Machine machine = setup.machines().get(at.depth());
    Computer computer = Computer.of(machine);
    if (c.kind() == Kind.DELAYED_TAP) {
      fixes.add(new MachineFix.NoTapDelay(computer));
    }
    if (at.kind() == Layer.Kind.REMAP) {
      for (Remap remap : machine.remaps()) {
        if (remap.title().equals(at.title())) {
          fixes.add(new MachineFix.DropRemap(computer, remap));
        }
      }
    }
    first(c.loser().gesture())
        .ifPresent(
            stroke -> {
              for (int depth = 0; depth <= c.loser().depth(); depth++) {
                if (setup.machines().get(depth).focus() instanceof Machine.SessionWindow s) {
                  Computer host = Computer.of(setup.machines().get(depth));
                  fixes.add(new MachineFix.Direct(host, stroke, depth < c.loser().depth()));
                  Stream.of(Capture.values())
                      .filter(capture -> capture != s.capture())
                      .forEach(capture -> fixes.add(new MachineFix.SetCapture(host, capture)));
                }
              }
            });
  }

  /** The stroke that a gesture begins with, as lists of session windows hold it. */
  private static Optional<Gesture> first(Gesture gesture) {
    return switch (gesture.steps().getFirst()) {
      case Step.Stroke s -> Optional.of(Gesture.of(s));
      case Step.Tap t -> Optional.of(Gesture.of(new Step.Tap(t.modifiers(), 1)));
      case Step.Hold h when h.inner().getFirst() instanceof Step.Stroke s ->
          Optional.of(Gesture.of(new Step.Stroke(h.held().and(s.held()), s.key())));
      case Step.Hold _, Step.Text _, Step.Pointing _ -> Optional.empty();
    };
  }

  private static boolean isStroke(Gesture gesture) {
    return gesture.steps().size() == 1 && gesture.steps().getFirst() instanceof Step.Stroke;
  }
}
