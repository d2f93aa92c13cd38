package polydex.recall;

import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** The state of every item, kept up as answers come in, each in O(1). Not thread-safe. */
public final class Progress {
  private final ZoneId zone;
  private final Map<DrillItem, ItemState> states = new HashMap<>();

  /**
   * Nothing answered yet.
   *
   * @param zone where the user's days begin and end
   */
  public Progress(ZoneId zone) {
    this.zone = zone;
  }

  /** Takes in an answer that is not older than those before; its item's new state. */
  public ItemState add(Answer answer) {
    return states.compute(
        answer.item(), (_, before) -> ItemState.after(Optional.ofNullable(before), answer, zone));
  }

  /** The state of an item; none if it was never answered. */
  public Optional<ItemState> state(DrillItem item) {
    return Optional.ofNullable(states.get(item));
  }
}
