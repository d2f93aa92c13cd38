package polydex.recognition;

/**
 * An action where it is done: what is counted, judged and replaced as one.
 *
 * @param setup the id of the setup; empty where none fits
 * @param environment the id of the application or platform whose action it is; an application that
 *     no keymap knows by the name that the log gives it
 * @param action its id; for something that was not recognised {@value #UNKNOWN} and its plain name
 */
public record Place(String setup, String environment, String action) {
  /** What the id of something unknown begins with. */
  public static final String UNKNOWN = "?";

  /** Whether nobody knows what it is. */
  public boolean isUnknown() {
    return action.startsWith(UNKNOWN);
  }
}
