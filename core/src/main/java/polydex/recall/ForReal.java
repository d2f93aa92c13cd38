package polydex.recall;

import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import polydex.catalog.Action;

/**
 * Which of the actions that a desktop takes may be asked for real, so that the desktop does them
 * while it is answered: none that loses work, closes or ends anything, or shuts the person out. In
 * doubt one may not.
 */
public final class ForReal {
  /** Beginnings of words, in English and German, as titles and ids have them. */
  private static final Pattern ENDS =
      Pattern.compile(
          "(?<![\\p{L}])("
              + String.join(
                  "|",
                  List.of(
                      "lock",
                      "log.?(out|off)",
                      "sign.?(out|off)",
                      "shut",
                      "power",
                      "turn off",
                      "switch off",
                      "restart",
                      "reboot",
                      "suspend",
                      "sleep",
                      "hibernat",
                      "screen.?saver",
                      "switch.?user",
                      "change.?user",
                      "session",
                      "close",
                      "quit",
                      "kill",
                      "exit",
                      "end",
                      "force",
                      "stop",
                      "terminat",
                      "delet",
                      "remov",
                      "reset",
                      "record",
                      "sperr",
                      "abmeld",
                      "herunterfahr",
                      "ausschalt",
                      "neustart",
                      "neu.?start",
                      "ruhe",
                      "energie",
                      "benutzer",
                      "sitzung",
                      "schlie(ss|\u00df)",
                      "beend",
                      "l\u00f6sch",
                      "aufnehm"))
              + ")");

  private ForReal() {}

  /** Whether an action may be asked for real. */
  public static boolean may(Action action) {
    return action.harm() != Action.Harm.LOSES_WORK
        && !ENDS.matcher(said(action.title())).find()
        && !ENDS.matcher(said(action.id().value())).find();
  }

  /** {@code desktop.lockScreen} as words. */
  private static String said(String name) {
    return name.replaceAll("(?<=\\p{Ll})(?=\\p{Lu})", " ").toLowerCase(Locale.ROOT);
  }
}
