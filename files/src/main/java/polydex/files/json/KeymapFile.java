package polydex.files.json;

import java.util.List;
import polydex.catalog.Binding;
import polydex.catalog.Environment;

/**
 * A keymap as a file.
 *
 * @param format {@code polydex-keymap/1}
 * @param environment the platform or application
 * @param bindings its bindings, in the order in which they are shown
 */
public record KeymapFile(String format, Environment environment, List<Binding> bindings) {}
