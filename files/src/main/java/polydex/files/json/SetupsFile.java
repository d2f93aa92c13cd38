package polydex.files.json;

import java.util.List;
import polydex.route.Setup;

/**
 * Setups as a file.
 *
 * @param format {@code polydex-setups/1}
 * @param setups in the order in which they are shown
 */
public record SetupsFile(String format, List<Setup> setups) {}
