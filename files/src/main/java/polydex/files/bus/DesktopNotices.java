package polydex.files.bus;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.freedesktop.dbus.types.UInt32;
import org.freedesktop.dbus.types.Variant;
import org.jspecify.annotations.Nullable;
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

  /** Anybody in the session may say that something was chosen. */
  private static final int MOST_EARLY = 100;

  private final Bus bus;
  private final boolean markup;
  private final boolean actions;

  private final Consumer<String> chosen;

  /** The notice that is shown, as the desktop counts them; 0 for none. */
  private int shown;

  /** Whether one is being shown, of which the desktop has not said yet how it counts it. */
  private boolean isAsking;

  /** What was chosen meanwhile, by whichever notice: the choice may be heard before the answer. */
  private final Map<Integer, String> early = new HashMap<>();

  private DesktopNotices(Bus bus, List<?> can, Consumer<String> chosen) {
    this.bus = bus;
    this.chosen = chosen;
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
      DesktopNotices notices = new DesktopNotices(bus, can, chosen);
      bus.listen(TYPE, "ActionInvoked", s -> notices.take(s.number(0), s.text(1)));
      return notices;
    } catch (Silent e) {
      bus.close();
      throw new FileProblem(worded("bus.what-shows-notices-in-this-session"), e);
    } catch (FileProblem e) {
      bus.close();
      throw e;
    }
  }

  /** The choices of everybody's notices are heard here. */
  private void take(int notice, String name) {
    synchronized (this) {
      if (notice == 0 || notice != shown) {
        if (isAsking && early.size() < MOST_EARLY) {
          early.put(notice, name);
        }
        return;
      }
    }
    chosen.accept(name);
  }

  private synchronized int asking() {
    early.clear();
    isAsking = true;
    return shown;
  }

  private void asked(int notice) {
    @Nullable String name;
    synchronized (this) {
      shown = notice;
      isAsking = false;
      name = early.remove(notice);
    }
    if (name != null) {
      chosen.accept(name);
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
    int before = asking();
    int notice = before;
    try {
      notice =
          bus.callAs(
                  SERVER,
                  TYPE,
                  "Notify",
                  "susssasa{sv}i",
                  "Polydex",
                  new UInt32(before),
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
    } finally {
      asked(notice);
    }
  }

  private static String escaped(String words) {
    return words.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
  }

  /** Takes it away. */
  public void withdraw() throws FileProblem {
    int gone;
    synchronized (this) {
      gone = shown;
      shown = 0;
    }
    if (gone != 0) {
      bus.call(SERVER, TYPE, "CloseNotification", new UInt32(gone));
    }
  }

  @Override
  public void close() {
    bus.close();
  }
}
