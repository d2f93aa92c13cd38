package polydex.files.json;

import java.util.List;
import polydex.catalog.Action;

/**
 * Actions as a file.
 *
 * @param format {@code polydex-actions/1}
 * @param actions in the order in which they are shown
 */
public record ActionsFile(String format, List<Action> actions) {}
