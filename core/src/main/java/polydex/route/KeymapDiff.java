package polydex.route;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.catalog.Binding;
import polydex.catalog.Catalog;
import polydex.catalog.EnvironmentId;

/**
 * What few bindings differ between two catalogues, one of which was made from the other.
 *
 * @param edits in the order of their environments
 */
record KeymapDiff(List<Edit> edits) {
  private static final int MOST = 16;

  /**
   * A binding that was changed in its place, added at the end of its keymap, or removed.
   *
   * @param environment the id of the environment
   * @param was the binding before; none for one that is new
   * @param now the binding after; none for one that is gone
   */
  record Edit(EnvironmentId environment, Optional<Binding> was, Optional<Binding> now) {}

  /**
   * The difference in some environments, in O(bindings) comparisons of references.
   *
   * @return nothing where more has changed than single bindings
   */
  static Optional<KeymapDiff> of(Catalog before, Catalog now, List<EnvironmentId> environments) {
    if (!before.sharesWith(now)) {
      return Optional.empty();
    }
    List<Edit> edits = new ArrayList<>();
    for (EnvironmentId environment : environments) {
      if (!add(environment, before.bindings(environment), now.bindings(environment), edits)) {
        return Optional.empty();
      }
    }
    return Optional.of(new KeymapDiff(List.copyOf(edits)));
  }

  @SuppressWarnings("ReferenceEquality") // what is the same is shared, and equals would cost more
  private static boolean add(
      EnvironmentId environment, List<Binding> before, List<Binding> now, List<Edit> edits) {
    if (before == now) {
      return true;
    }
    int i = 0;
    int j = 0;
    while (i < before.size() || j < now.size()) {
      if (i < before.size() && j < now.size() && before.get(i) == now.get(j)) {
        i++;
        j++;
        continue;
      }
      if (edits.size() == MOST) {
        return false;
      }
      boolean isGone = i + 1 < before.size() && j < now.size() && before.get(i + 1) == now.get(j);
      if (i >= before.size()) {
        edits.add(new Edit(environment, Optional.empty(), Optional.of(now.get(j++))));
      } else if (isGone || j >= now.size()) {
        edits.add(new Edit(environment, Optional.of(before.get(i++)), Optional.empty()));
      } else {
        edits.add(new Edit(environment, Optional.of(before.get(i++)), Optional.of(now.get(j++))));
      }
    }
    return true;
  }
}
