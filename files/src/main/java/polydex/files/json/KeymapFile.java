package polydex.files.json;

import java.util.List;
import polydex.catalog.Action;
import polydex.catalog.Binding;
import polydex.catalog.Environment;

/**
 * A keymap as a file.
 *
 * @param format {@code polydex-keymap/1}
 * @param environment the platform or application
 * @param actions what its bindings name and nobody else may know; may be empty
 * @param bindings its bindings, in the order in which they are shown
 */
public record KeymapFile(
    String format, Environment environment, List<Action> actions, List<Binding> bindings) {}
