package polydex.fit;

import static polydex.language.CoreWords.worded;

import java.util.Optional;
import polydex.catalog.Environment.OwnTarget;
import polydex.catalog.EnvironmentId;
import polydex.keys.Visible;

/**
 * What a binding of the user's own is for.
 *
 * @param kind an application, a folder, a command ...
 * @param what its name, path, address, command line or text; of a menu entry the exact path, its
 *     parts joined by {@code " > "}
 * @param application the id of the one application in which a menu entry is meant; none for all
 */
public record Target(OwnTarget kind, String what, Optional<EnvironmentId> application) {
  /** What stands between the parts of a menu path. */
  public static final String BETWEEN = " > ";

  /** The longest that is kept. */
  public static final int LONGEST = 4_000;

  /**
   * Checks the length; nothing in it acts on who shows it.
   *
   * @throws IllegalArgumentException where it is longer than {@link #LONGEST}
   */
  public Target {
    what = Visible.of(what.strip());
    if (what.length() > LONGEST) {
      throw new IllegalArgumentException(worded("fit.what-is-bound-is-at-most", LONGEST));
    }
  }

  /** Something that is not a menu entry of one application. */
  public static Target of(OwnTarget kind, String what) {
    return new Target(kind, what, Optional.empty());
  }

  /** The kind as people say it. */
  public static String word(OwnTarget kind) {
    return switch (kind) {
      case APPLICATION -> worded("fit.application");
      case FOLDER -> worded("fit.folder");
      case DOCUMENT -> worded("fit.document");
      case ADDRESS -> worded("fit.web-address");
      case COMMAND -> worded("fit.command");
      case MENU_ENTRY -> worded("any.menu-entry");
      case TEXT -> worded("fit.text");
    };
  }

  /** What is bound, in words: the folder "cues". */
  public String said() {
    return what.isEmpty() ? worded("fit.the", word(kind)) : worded("fit.the-2", word(kind), what);
  }
}
