package polydex.recall;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * The state of every item and what adds up beside it, kept up as answers come in, each in O(1). Not
 * thread-safe.
 */
public final class Progress {
  private final Days days;
  private final Map<DrillItem, ItemState> states = new HashMap<>();
  private final Map<DrillItem, Instant> fluentSince = new HashMap<>();
  private final Confusions confusions = new Confusions();
  private final DrillHistory history = new DrillHistory();

  /**
   * Nothing answered yet.
   *
   * @param zone where the user's days begin and end
   */
  public Progress(ZoneId zone) {
    days = Days.in(zone);
  }

  /**
   * Takes in an answer that is not older than those before.
   *
   * @return its item's new state; none if the answer says nothing of memory and was the first
   */
  public Optional<ItemState> add(Answer answer) {
    confusions.add(answer);
    if (!answer.countsForMemory()) {
      history.add(answer, days.of(answer.at()));
      return state(answer.item());
    }
    long today = days.of(answer.at());
    return Optional.of(
        states.compute(
            answer.item(),
            (_, before) -> {
              ItemState after =
                  before == null ? ItemState.first(answer, today) : before.next(answer, today);
              history.add(answer, today, before, after);
              if (after.isFluent() && (before == null || !before.isFluent())) {
                fluentSince.putIfAbsent(answer.item(), answer.at());
              }
              return after;
            }));
  }

  /** The state of an item; none if it was never answered. */
  public Optional<ItemState> state(DrillItem item) {
    return Optional.ofNullable(states.get(item));
  }

  /** Every item that was answered, with its state; a view, in no order. */
  public Map<DrillItem, ItemState> states() {
    return Collections.unmodifiableMap(states);
  }

  /** When each item that ever was fluent became so; a view, in no order. */
  public Map<DrillItem, Instant> fluentSince() {
    return Collections.unmodifiableMap(fluentSince);
  }

  /** What is mistaken for what. */
  public Confusions confusions() {
    return confusions;
  }

  /** Answers by day, and what was fluent when. */
  public DrillHistory history() {
    return history;
  }

  /** Where the user's days begin and end. */
  public Days days() {
    return days;
  }
}
