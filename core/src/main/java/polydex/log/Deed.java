package polydex.log;

/**
 * What was done, with what and where, as the log has it; the same thing done again is the same
 * deed. Nothing that was typed is in it.
 *
 * @param machine the id or title of a setup, a platform or a machine; may be empty
 * @param application the id or title of an application; empty for the desktop itself
 * @param device what it was done with
 * @param input the gesture in the notation of {@link polydex.keys.Gesture}, with keys or a pointer;
 *     empty where it is not known, and for characters typed
 * @param target what was pointed at; empty for keys
 * @param path the menus and windows that lead there, with {@value #STEP} between; empty for keys
 * @param action the id of the action where a person has said it; empty where it is to be recognised
 */
public record Deed(
    String machine,
    String application,
    Device device,
    String input,
    String target,
    String path,
    String action) {
  /** What stands between the parts of a path. */
  public static final String STEP = " > ";

  /** What a person notes in so many words: an action in a setup, by keys or with the mouse. */
  public static Deed noted(String setup, String action, boolean byKeys) {
    return new Deed(setup, "", byKeys ? Device.KEYBOARD : Device.MOUSE, "", "", "", action);
  }

  /** Characters that were typed, of which nothing is kept but their number. */
  public static Deed typing(String machine, String application) {
    return new Deed(machine, application, Device.KEYBOARD, "", "", "", "");
  }

  /** Whether it is the typing of characters. */
  public boolean isTyping() {
    return device == Device.KEYBOARD && input.isEmpty() && action.isEmpty();
  }

  /** Whether a person has noted it by hand. */
  public boolean isNoted() {
    return !action.isEmpty() && input.isEmpty();
  }
}
