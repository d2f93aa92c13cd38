package polydex.recall;

import java.util.Comparator;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;

/**
 * An action in one environment: what is asked and remembered.
 *
 * @param environment the id of a platform or application
 * @param action the id of the action
 */
public record DrillItem(EnvironmentId environment, ActionId action)
    implements Comparable<DrillItem> {
  private static final Comparator<DrillItem> ORDER =
      Comparator.comparing(DrillItem::environment).thenComparing(DrillItem::action);

  /** Ids are often alike but for a number at the end, which the usual mix brings together. */
  @Override
  public int hashCode() {
    return environment.hashCode() * 0x9E3779B1 + action.hashCode();
  }

  @Override
  public int compareTo(DrillItem other) {
    return ORDER.compare(this, other);
  }
}
