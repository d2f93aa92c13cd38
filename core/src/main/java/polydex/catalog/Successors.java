package polydex.catalog;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What ids and names in older records stand for now. Actions that mean the same are joined, one
 * that means two things is taken apart, platforms and applications are joined, divided and renamed,
 * while answers and the mouse log stay as they were written; so nothing is lost, and actions that
 * were joined can be put back. A record goes through what happened since, in the order in which it
 * did, which can't go round in a circle; O(moves) for each record.
 *
 * @param moves the oldest first
 */
public record Successors(List<Move> moves) {
  /** Every id stands for itself. */
  public static final Successors NONE = new Successors(List.of());

  /** Something that happened. */
  public sealed interface Move {}

  /** An action in an environment. */
  public record Doing(EnvironmentId environment, ActionId action) {}

  /**
   * It went into another.
   *
   * @param action as it was
   * @param into the id of the other
   * @param spots where it stood
   */
  public record Joined(Action action, ActionId into, Set<Spot> spots) implements Move {
    /** Copies the set. */
    public Joined {
      spots = Set.copyOf(spots);
    }
  }

  /**
   * What it does in one environment became an action of its own.
   *
   * @param from its id
   * @param to the id of the new one
   * @param at when; what is recorded later means what it says
   */
  public record Parted(EnvironmentId environment, ActionId from, ActionId to, Instant at)
      implements Move {}

  /** A platform or application went into another. */
  public record Absorbed(EnvironmentId gone, EnvironmentId into) implements Move {}

  /**
   * Some actions are done in another environment.
   *
   * @param at when; what is recorded later means what it says
   */
  public record Moved(EnvironmentId from, Set<ActionId> actions, EnvironmentId to, Instant at)
      implements Move {
    /** Copies the set. */
    public Moved {
      actions = Set.copyOf(actions);
    }
  }

  /** An environment was called so, which logs of that time do. */
  public record Called(String name, EnvironmentId environment) implements Move {}

  /**
   * A place in a keymap where an action stands.
   *
   * @param which the id of a binding, a path, a name, or a gesture, by the sort
   */
  public record Spot(EnvironmentId environment, Sort sort, List<String> which) {
    /** Copies the list. */
    public Spot {
      which = List.copyOf(which);
    }
  }

  /** What of a keymap names an action. */
  public enum Sort {
    BINDING,
    /** A binding of the user's own on that platform. */
    OWN,
    RESERVED,
    ROUTE,
    ENTRY,
    CONTROL
  }

  /** Copies the list. */
  public Successors {
    moves = List.copyOf(moves);
  }

  /** What an id stands for where nobody said an environment. */
  public ActionId of(ActionId id) {
    ActionId now = id;
    for (Move move : moves) {
      now = move instanceof Joined j && j.action().id().equals(now) ? j.into() : now;
    }
    return now;
  }

  /** What an environment went into; itself where it is still there. */
  public EnvironmentId of(EnvironmentId id) {
    EnvironmentId now = id;
    for (Move move : moves) {
      now = move instanceof Absorbed a && a.gone().equals(now) ? a.into() : now;
    }
    return now;
  }

  /** What an action of an environment is there, in whatever is older than all that happened. */
  public ActionId of(EnvironmentId environment, ActionId id) {
    return of(new Doing(environment, id), Instant.MIN).action();
  }

  /**
   * What an action in an environment stands for.
   *
   * @param at when it was recorded
   */
  public Doing of(Doing recorded, Instant at) {
    EnvironmentId environment = recorded.environment();
    ActionId action = recorded.action();
    for (Move move : moves) {
      switch (move) {
        // What is gone can mean nothing else, whenever it was recorded.
        case Joined j -> action = j.action().id().equals(action) ? j.into() : action;
        case Absorbed a -> environment = a.gone().equals(environment) ? a.into() : environment;
        case Parted p -> {
          if (p.from().equals(action)
              && p.environment().equals(environment)
              && at.isBefore(p.at())) {
            action = p.to();
          }
        }
        case Moved m -> {
          if (m.from().equals(environment) && m.actions().contains(action) && at.isBefore(m.at())) {
            environment = m.to();
          }
        }
        case Called _ -> {}
      }
    }
    return new Doing(environment, action);
  }

  /** All that may stand for an action in an environment, with that itself. */
  public Set<Doing> standingFor(Doing wanted) {
    Set<Doing> all = new HashSet<>();
    all.add(wanted);
    // From the newest back, what leads to one of those leads there.
    for (Move move : moves.reversed()) {
      Set<Doing> more = new HashSet<>();
      for (Doing d : all) {
        switch (move) {
          case Joined j when j.into().equals(d.action()) ->
              more.add(new Doing(d.environment(), j.action().id()));
          case Absorbed a when a.into().equals(d.environment()) ->
              more.add(new Doing(a.gone(), d.action()));
          case Parted p when p.to().equals(d.action()) && p.environment().equals(d.environment()) ->
              more.add(new Doing(d.environment(), p.from()));
          case Moved m when m.to().equals(d.environment()) && m.actions().contains(d.action()) ->
              more.add(new Doing(m.from(), d.action()));
          default -> {}
        }
      }
      all.addAll(more);
    }
    return all;
  }

  /** What an environment was called, and those that went into it, ids among the names. */
  public List<String> namesOf(EnvironmentId environment) {
    List<String> names = new ArrayList<>();
    for (Move move : moves) {
      switch (move) {
        case Called c when of(c.environment()).equals(environment) -> names.add(c.name());
        case Absorbed a when of(a.into()).equals(environment) -> names.add(a.gone().value());
        default -> {}
      }
    }
    return names;
  }

  /** Actions that went into others, in the order in which they did. */
  public List<Joined> joined() {
    return moves.stream().flatMap(m -> m instanceof Joined j ? Stream.of(j) : Stream.of()).toList();
  }

  /** The same after something more happened. */
  public Successors and(Move move) {
    return new Successors(Stream.concat(moves.stream(), Stream.of(move)).toList());
  }

  /** The same where these actions and environments stand for themselves again. */
  Successors without(Set<ActionId> actions, Set<EnvironmentId> environments) {
    List<Move> less = new ArrayList<>(moves);
    return less.removeIf(
            m ->
                (m instanceof Joined j && actions.contains(j.action().id()))
                    || (m instanceof Absorbed a && environments.contains(a.gone())))
        ? new Successors(less)
        : this;
  }
}
