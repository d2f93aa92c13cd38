package polydex.recall;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The state of every item and what adds up beside it, kept up as answers come in, each in O(1). Not
 * thread-safe.
 */
public final class Progress {
  private final Days days;
  private final MemoryParameters parameters;
  private final Deque<FirstAnswer> latest = new ArrayDeque<>();
  private final Map<DrillItem, ItemState> states = new HashMap<>();
  private final Map<DrillItem, Instant> fluentSince = new HashMap<>();
  private final Confusions confusions = new Confusions();
  private final DrillHistory history = new DrillHistory();
  private final Overdue overdue = new Overdue();

  /**
   * Nothing answered yet.
   *
   * @param zone where the user's days begin and end
   */
  public Progress(ZoneId zone) {
    this(zone, MemoryParameters.USUAL);
  }

  /**
   * Nothing answered yet.
   *
   * @param zone where the user's days begin and end
   * @param parameters of the memory of whoever answers, for all answers
   */
  public Progress(ZoneId zone, MemoryParameters parameters) {
    days = Days.in(zone);
    this.parameters = parameters;
  }

  /**
   * Takes in an answer that is not older than those before.
   *
   * @return its item's new state; none if the answer says nothing of memory and was the first
   */
  public Optional<ItemState> add(Answer answer) {
    confusions.add(answer);
    closeDayBefore(answer);
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
                  before == null
                      ? ItemState.first(answer, today, parameters)
                      : before.next(answer, today, parameters);
              if (before == null || before.day() != today) {
                note(answer, before);
                overdue.moved(before, after);
              }
              history.add(answer, today, before, after);
              if (after.isFluent() && (before == null || !before.isFluent())) {
                fluentSince.putIfAbsent(answer.item(), answer.at());
              }
              return after;
            }));
  }

  /** The first answer of a day says that the one before has ended, and with what still due. */
  private void closeDayBefore(Answer answer) {
    if (history.closes(days.of(answer.at()))) {
      history.close(overdue.on(days.of(history.last())));
    }
  }

  private void note(Answer answer, @Nullable ItemState before) {
    latest.addLast(
        before == null
            ? new FirstAnswer(answer.item(), Optional.empty(), 0, answer.grade())
            : new FirstAnswer(
                answer.item(),
                Optional.of(before.memory()),
                Days.between(before.counted(), answer.at()),
                answer.grade()));
    if (latest.size() > MemoryFitter.MOST_ANSWERS) {
      latest.removeFirst();
    }
  }

  /** The latest answers that moved memory, {@value MemoryFitter#MOST_ANSWERS} at most, in order. */
  public List<FirstAnswer> latest() {
    return List.copyOf(latest);
  }

  /** By which numbers memory moves here. */
  public MemoryParameters parameters() {
    return parameters;
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
