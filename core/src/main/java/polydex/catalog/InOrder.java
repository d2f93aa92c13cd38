package polydex.catalog;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/**
 * Sets that are gone through in the same order in every run, so that what is written of them is the
 * same, too; those of {@link Set#copyOf} are in another one each time.
 */
final class InOrder {
  private InOrder() {}

  /** A copy that nobody can change. */
  static <E extends Enum<E>> Set<E> of(Set<E> some) {
    return some.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(some));
  }
}
