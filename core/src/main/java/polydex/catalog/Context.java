package polydex.catalog;

import java.util.Optional;

/**
 * Where in a keymap a binding holds.
 *
 * @param id unique in its keymap
 * @param title as people call it
 * @param parent the context around it; none for the outermost
 */
public record Context(String id, String title, Optional<String> parent) {
  /** The outermost context, which every keymap has. */
  public static final Context ANYWHERE = new Context("anywhere", "anywhere", Optional.empty());
}
