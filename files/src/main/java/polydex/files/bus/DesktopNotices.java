package polydex.files.bus;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.freedesktop.dbus.types.UInt32;
import org.freedesktop.dbus.types.Variant;
import polydex.files.FileProblem;
import polydex.files.bus.Bus.Silent;
import polydex.files.bus.Bus.Target;

/**
 * One notice that the desktop shows, by the Desktop Notifications Specification 1.2: low in
 * urgency, kept in no list, shown until it is withdrawn.
 */
public final class DesktopNotices implements AutoCloseable {
  private static final String TYPE = "org.freedesktop.Notifications";
  private static final Target SERVER = new Target(TYPE, "/org/freedesktop/Notifications");
  private static final int UNTIL_WITHDRAWN = 0;

  private final Bus bus;
  private final boolean markup;
  private final boolean actions;

  /** The notice that is shown, as the desktop counts them; 0 for none. */
  private volatile int shown;

  private DesktopNotices(Bus bus, List<?> can) {
    this.bus = bus;
    markup = can.contains("body-markup");
    actions = can.contains("actions");
  }

  /**
   * Connects.
   *
   * @param session the address of the session's message bus
   * @param chosen gets the name of a choice that somebody took, on a thread of the connection's
   * @throws FileProblem where this session shows no notices
   */
  public static DesktopNotices connect(String session, Consumer<String> chosen) throws FileProblem {
    Bus bus = Bus.connect(session);
    try {
      List<?> can = bus.call(SERVER, TYPE, "GetCapabilities").list();
      if (can.isEmpty()) {
        throw new FileProblem(worded("bus.nothing-in-this-session-shows-notices"));
      }
      DesktopNotices notices = new DesktopNotices(bus, can);
      bus.listen(
          TYPE,
          "ActionInvoked",
          s -> {
            if (notices.shown != 0 && s.number(0) == notices.shown) {
              chosen.accept(s.text(1));
            }
          });
      return notices;
    } catch (Silent e) {
      bus.close();
      throw new FileProblem(worded("bus.what-shows-notices-in-this-session"), e);
    } catch (FileProblem e) {
      bus.close();
      throw e;
    }
  }

  /**
   * Shows a notice in place of the one before.
   *
   * @param choices their names and what stands on them, where the desktop shows any
   */
  public void show(String title, String words, Map<String, String> choices) throws FileProblem {
    List<String> offered = new ArrayList<>();
    if (actions) {
      choices.forEach((name, label) -> offered.addAll(List.of(name, label)));
    }
    try {
      shown =
          bus.callAs(
                  SERVER,
                  TYPE,
                  "Notify",
                  "susssasa{sv}i",
                  "Polydex",
                  new UInt32(shown),
                  "polydex",
                  title,
                  markup ? escaped(words) : words,
                  offered.toArray(new String[0]),
                  Map.of(
                      "urgency", new Variant<>((byte) 0),
                      "transient", new Variant<>(true)),
                  UNTIL_WITHDRAWN)
              .number();
    } catch (Silent e) {
      throw new FileProblem(worded("bus.what-shows-notices-in-this-session"), e);
    }
  }

  private static String escaped(String words) {
    return words.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
  }

  /** Takes it away. */
  public void withdraw() throws FileProblem {
    if (shown != 0) {
      int gone = shown;
      shown = 0;
      bus.call(SERVER, TYPE, "CloseNotification", new UInt32(gone));
    }
  }

  @Override
  public void close() {
    bus.close();
  }
}
