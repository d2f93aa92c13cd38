package polydex.recognition;

/**
 * Something that the log names and no keymap does; a person says once what it is.
 *
 * @param environment the application in which it was seen, as in {@link Place}
 * @param name its plain name, with the way there
 */
public record LearntName(String environment, String name) {}
