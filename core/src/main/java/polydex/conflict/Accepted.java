package polydex.conflict;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Conflicts that a person has decided to live with, each with the reason. An acceptance holds while
 * both sides say what they said then: when either changes, the conflict is back.
 *
 * @param byId by the identity of the conflict
 */
public record Accepted(Map<String, Acceptance> byId) {
  /** None. */
  public static final Accepted NONE = new Accepted(Map.of());

  /**
   * One of them.
   *
   * @param sides what both sides said, as {@link Conflict#sides} puts it
   * @param reason why; may be empty
   * @param day when
   */
  public record Acceptance(String sides, String reason, LocalDate day) {}

  /** Copies the map. */
  public Accepted {
    byId = Map.copyOf(byId);
  }

  /** The acceptance of a conflict, while it holds. */
  public Optional<Acceptance> of(Conflict conflict) {
    return Optional.ofNullable(byId.get(conflict.id()))
        .filter(a -> a.sides().equals(conflict.sides()));
  }

  /** The same with a conflict accepted. */
  public Accepted accepting(Conflict conflict, String reason, LocalDate day) {
    Map<String, Acceptance> more = new HashMap<>(byId);
    more.put(conflict.id(), new Acceptance(conflict.sides(), reason, day));
    return new Accepted(more);
  }

  /** The same with a conflict no longer accepted. */
  public Accepted withdrawing(Conflict conflict) {
    Map<String, Acceptance> less = new HashMap<>(byId);
    less.remove(conflict.id());
    return new Accepted(less);
  }
}
