package polydex.catalog;

import java.util.Optional;
import java.util.Set;
import polydex.keys.Visible;

/**
 * Where in a keymap a binding holds.
 *
 * @param id unique in its keymap
 * @param title as people call it
 * @param parent the context around it; none for the outermost
 * @param together the ids of contexts on other branches of the tree that can be active at the same
 *     time; said on either side
 */
public record Context(String id, String title, Optional<String> parent, Set<String> together) {
  /** The outermost context, which every keymap has. */
  public static final Context ANYWHERE = new Context("anywhere", "anywhere", Optional.empty());

  /** Copies the set. */
  public Context {
    title = Visible.of(title);
    together = Set.copyOf(together);
  }

  /** One of which nothing is said about others. */
  public Context(String id, String title, Optional<String> parent) {
    this(id, title, parent, Set.of());
  }
}
