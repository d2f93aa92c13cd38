package polydex.recall;

/**
 * An action in one environment: what is asked and remembered.
 *
 * @param environment the id of a platform or application
 * @param action the id of the action
 */
public record DrillItem(String environment, String action) {}
