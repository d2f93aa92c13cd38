package polydex.log;

/**
 * A line of a log as some recorder or file has it, all as text; what is not known is empty.
 *
 * @param time ISO 8601, with its offset from UTC or in the person's own time zone
 * @param application the title of the application in focus
 * @param device keyboard, mouse, trackpad, touch or pen
 * @param input the gesture, or {@code typed} and a number of characters
 * @param target what was pointed at
 * @param path the menus and windows that lead there
 * @param distance that the pointer went, in any unit
 * @param width of the target, in the same unit
 * @param duration in seconds
 * @param machine the title of the machine, its platform or the setup
 */
public record LogLine(
    String time,
    String application,
    String device,
    String input,
    String target,
    String path,
    String distance,
    String width,
    String duration,
    String machine) {}
