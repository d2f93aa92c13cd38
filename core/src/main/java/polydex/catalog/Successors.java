package polydex.catalog;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What the ids of actions in older records stand for now. Two actions that mean the same are
 * joined, and one that means two things is taken apart, while answers and the mouse log stay as
 * they were written; so nothing is lost, and what was joined can be put back. A record goes through
 * what happened to its action since, in the order in which it did, which can't go round in a
 * circle; O(moves) for each record.
 *
 * @param moves the oldest first
 */
public record Successors(List<Move> moves) {
  /** Every id stands for itself. */
  public static final Successors NONE = new Successors(List.of());

  /** Something that happened to an action. */
  public sealed interface Move {}

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
    return followed(id, Optional.empty(), Instant.MAX);
  }

  /** What an id stands for in an environment, in whatever is older than all that happened. */
  public ActionId of(EnvironmentId environment, ActionId id) {
    return of(environment, id, Instant.MIN);
  }

  /**
   * What an id stands for in an environment.
   *
   * @param at when it was recorded
   */
  public ActionId of(EnvironmentId environment, ActionId id, Instant at) {
    return followed(id, Optional.of(environment), at);
  }

  private ActionId followed(ActionId id, Optional<EnvironmentId> environment, Instant at) {
    ActionId now = id;
    for (Move move : moves) {
      switch (move) {
        // An action that is gone can mean nothing else, whenever it was recorded.
        case Joined j -> now = j.action().id().equals(now) ? j.into() : now;
        case Parted p -> {
          if (p.from().equals(now)
              && at.isBefore(p.at())
              && environment.equals(Optional.of(p.environment()))) {
            now = p.to();
          }
        }
      }
    }
    return now;
  }

  /** Every id that may stand for an action in an environment, its own among them. */
  public Set<ActionId> standingFor(EnvironmentId environment, ActionId action) {
    Set<ActionId> ids = new HashSet<>();
    ids.add(action);
    // From the newest back, what leads to one of those leads to the action.
    for (Move move : moves.reversed()) {
      switch (move) {
        case Joined j -> {
          if (ids.contains(j.into())) {
            ids.add(j.action().id());
          }
        }
        case Parted p -> {
          if (ids.contains(p.to()) && p.environment().equals(environment)) {
            ids.add(p.from());
          }
        }
      }
    }
    return ids;
  }

  /** Actions that went into others, in the order in which they did. */
  public List<Joined> joined() {
    return moves.stream().flatMap(m -> m instanceof Joined j ? Stream.of(j) : Stream.of()).toList();
  }

  /** The same after something more happened. */
  public Successors and(Move move) {
    return new Successors(Stream.concat(moves.stream(), Stream.of(move)).toList());
  }

  /** The same with an action that stands for itself again. */
  public Successors without(ActionId id) {
    List<Move> less = new ArrayList<>(moves);
    return less.removeIf(m -> m instanceof Joined j && j.action().id().equals(id))
        ? new Successors(less)
        : this;
  }
}
