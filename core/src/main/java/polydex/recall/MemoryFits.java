package polydex.recall;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Every fit of the memory to a person that was ever made, the oldest first. The newest that is used
 * holds for all answers, those before it too, so that the same answers and fits give the same
 * states for ever.
 */
public record MemoryFits(List<MemoryFit> list) {
  /** None was made yet. */
  public static final MemoryFits NONE = new MemoryFits(List.of());

  /** Copies the list. */
  public MemoryFits {
    list = List.copyOf(list);
  }

  /** The one that is in use. */
  public Optional<MemoryFit> inUse() {
    return list.reversed().stream().filter(MemoryFit::isUsed).findFirst();
  }

  /** By which numbers memory moves. */
  public MemoryParameters parameters() {
    return inUse().map(MemoryFit::parameters).orElse(MemoryParameters.USUAL);
  }

  /** The same with one more. */
  public MemoryFits and(MemoryFit fit) {
    List<MemoryFit> more = new ArrayList<>(list);
    more.add(fit);
    return new MemoryFits(more);
  }

  /** Whether one is to be made: the last is two weeks old, and there are answers enough. */
  public boolean isDue(int answers, Instant now) {
    return answers >= MemoryFitter.LEAST_ANSWERS
        && (list.isEmpty() || !now.isBefore(list.getLast().at().plus(MemoryFit.EVERY)));
  }
}
