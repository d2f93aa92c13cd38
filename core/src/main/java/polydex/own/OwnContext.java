package polydex.own;

import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import polydex.catalog.Context;

/** Where in the program a key holds; parents stand before their children. */
public enum OwnContext {
  ANYWHERE("anywhere", null),

  PLACES("any place", ANYWHERE),
  TODAY("Today", PLACES),
  LOOK_UP("Look up", PLACES),
  LOOK_UP_WORDS("Look up, by words", LOOK_UP),
  LOOK_UP_KEYBOARD("Look up, keyboard", LOOK_UP),
  LOOK_UP_COMPARE("Look up, comparison", LOOK_UP),
  DRILL("Drill", PLACES),
  DRILL_START("Drill, before it begins", DRILL),
  DRILL_ANSWERED("Drill, after an answer", DRILL),
  DRILL_AFTER("Drill, at its end", DRILL),
  DRILL_PROGRESS("Drill, how it goes", DRILL),
  ROUTE("Route", PLACES),
  FIT("Fit", PLACES),
  FIT_OWN("Fit, own bindings", FIT),
  FIT_FREE("Fit, free keys", FIT),
  FIT_REMAPS("Fit, remaps", FIT),
  MOUSE("Mouse", PLACES),
  MOUSE_REMAINING("Mouse, what remains", MOUSE),
  MOUSE_WEEKS("Mouse, weeks", MOUSE),
  MOUSE_LIVE("Mouse, recording", MOUSE),
  SHEETS("Sheets", PLACES),
  SHEETS_MAKE("Sheets, making one", SHEETS),
  SHEETS_BRING_IN("Sheets, bringing in", SHEETS),

  OVER("over a place", ANYWHERE),
  ALL_KEYS("All keys", OVER),
  MENU("Menu", OVER),
  SETUPS("Setups", OVER),
  SYSTEMS("Your systems", OVER),
  BINDINGS("Bindings of a system", OVER),
  OUTLINE("Parts of a setup or system", OVER),
  TEXT("Text to read or edit", OVER),
  WAYS_TO("Ways to an action", OVER),
  CONFLICT_DAYS("Conflicts that came and went", OVER),
  MOUSE_LOG("Bringing in a log", OVER),
  NAMES("Names in the log", OVER),
  REVIEW("Week in review", OVER),
  SAVED("Saved so far", OVER),
  WALK("Walk to an action", OVER),
  WISHES("Wishes", OVER),
  ASSIGN("Keys for all wishes", OVER),
  GESTURE("A gesture of one's own", OVER),
  READ("What launcher files have", OVER),
  REMAP_FINDER("The best remap", OVER),
  SETTINGS("Settings as text", OVER),
  CHANGE_SHEET("Change sheet", OVER),
  HERE("This computer", OVER),
  SAME("Actions that are the same", OVER);

  private final String title;
  private final Optional<OwnContext> parent;

  OwnContext(String title, @Nullable OwnContext parent) {
    this.title = title;
    this.parent = Optional.ofNullable(parent);
  }

  /** As people call it. */
  public String title() {
    return title;
  }

  /** The one around it. */
  public Optional<OwnContext> parent() {
    return parent;
  }

  /** The place that it belongs to; none for what is in every place or over one. */
  public Optional<OwnContext> place() {
    for (OwnContext c = this; c.parent.isPresent(); c = c.parent.get()) {
      if (c.parent.get() == PLACES) {
        return Optional.of(c);
      }
    }
    return Optional.empty();
  }

  /** Its id in the keymap. */
  public String id() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The same as a context of a keymap. */
  Context context() {
    return new Context(id(), title, parent.map(OwnContext::id));
  }
}
