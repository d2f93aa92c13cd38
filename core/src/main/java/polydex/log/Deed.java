package polydex.log;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import polydex.catalog.ActionId;
import polydex.keys.Visible;
import polydex.route.SetupId;

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
 * @param path the menus and windows that lead there, the outermost first; empty for keys
 * @param action what it was, where a person has said it; none where it is to be recognised
 */
public record Deed(
    String machine,
    String application,
    Device device,
    String input,
    String target,
    List<String> path,
    Optional<ActionId> action) {

  /** The target of what is about a place in text, a picture or rows, whatever is there. */
  public static final String PLACE = "a place in what is shown";

  /** Copies the path. */
  public Deed {
    machine = Visible.of(machine);
    application = Visible.of(application);
    target = Visible.of(target);
    path = List.copyOf(Visible.all(path));
  }

  /** Something of which nobody has said what it was. */
  public static Deed seen(
      String machine,
      String application,
      Device device,
      String input,
      String target,
      List<String> path) {
    return new Deed(machine, application, device, input, target, path, Optional.empty());
  }

  /** What a person notes in so many words: an action in a setup, by keys or with the mouse. */
  public static Deed noted(SetupId setup, ActionId action, boolean byKeys) {
    Device device = byKeys ? Device.KEYBOARD : Device.MOUSE;
    return new Deed(setup.value(), "", device, "", "", List.of(), Optional.of(action));
  }

  /** Characters that were typed, of which nothing is kept but their number. */
  public static Deed typing(String machine, String application) {
    return seen(machine, application, Device.KEYBOARD, "", "", List.of());
  }

  /** Whether it is the typing of characters. */
  public boolean isTyping() {
    return device == Device.KEYBOARD && input.isEmpty() && action.isEmpty();
  }

  /** Whether it is about a place on the screen and nothing else. */
  public boolean isPlace() {
    return device.isPointer() && target.equals(PLACE) && path.isEmpty();
  }

  /** Whether a person has noted it by hand. */
  public boolean isNoted() {
    return action.isPresent() && input.isEmpty();
  }

  /** The way there, the target at its end if it is not there already. */
  public List<String> way() {
    if (target.isEmpty() || (!path.isEmpty() && path.getLast().equals(target))) {
      return path;
    }
    return Stream.concat(path.stream(), Stream.of(target)).toList();
  }
}
