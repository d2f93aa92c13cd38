package polydex.intake;

import static polydex.language.CoreWords.worded;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a list of bindings is about. */
public enum ListSubject {
  /** What the desktop of a computer does, whatever program has the focus. */
  DESKTOP(worded("any.the-desktop")),
  /** What one program does. */
  APPLICATION(worded("intake.an-application")),
  /** What the user bound, on the computer of the current setup. */
  OWN(worded("intake.your-own-bindings"));

  private final String title;

  ListSubject(String title) {
    this.title = title;
  }

  /** As it is called in sentences. */
  public String title() {
    return title;
  }

  /** As it is written where it is said: {@code desktop}. */
  public String written() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The one that comes next when it is changed. */
  public ListSubject next() {
    return values()[(ordinal() + 1) % values().length];
  }

  /** The subject of a name. */
  public static Optional<ListSubject> named(String name) {
    return Arrays.stream(values()).filter(s -> s.written().equalsIgnoreCase(name)).findFirst();
  }
}
