package polydex.own;

import static polydex.language.CoreWords.worded;

import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import polydex.catalog.Context;

/** Where in the program a key holds; parents stand before their children. */
public enum OwnContext {
  ANYWHERE(worded("own.anywhere"), null),

  PLACES(worded("own.any-place"), ANYWHERE),
  TODAY(worded("own.today"), PLACES),
  LOOK_UP(worded("own.look-up"), PLACES),
  LOOK_UP_WORDS(worded("own.look-up-by-words"), LOOK_UP),
  LOOK_UP_KEYBOARD(worded("own.look-up-keyboard"), LOOK_UP),
  LOOK_UP_COMPARE(worded("own.look-up-comparison"), LOOK_UP),
  DRILL(worded("own.drill"), PLACES),
  DRILL_START(worded("own.drill-before-it-begins"), DRILL),
  DRILL_ANSWERED(worded("own.drill-after-an-answer"), DRILL),
  DRILL_AFTER(worded("own.drill-at-its-end"), DRILL),
  DRILL_PROGRESS(worded("own.drill-how-it-goes"), DRILL),
  ROUTE(worded("own.route"), PLACES),
  FIT(worded("own.fit"), PLACES),
  FIT_OWN(worded("own.fit-own-bindings"), FIT),
  FIT_FREE(worded("own.fit-free-keys"), FIT),
  FIT_REMAPS(worded("own.fit-remaps"), FIT),
  MOUSE(worded("own.mouse"), PLACES),
  MOUSE_REMAINING(worded("own.mouse-what-remains"), MOUSE),
  MOUSE_WEEKS(worded("own.mouse-weeks"), MOUSE),
  MOUSE_LIVE(worded("own.mouse-recording"), MOUSE),
  SHEETS(worded("own.sheets"), PLACES),
  SHEETS_MAKE(worded("own.sheets-making-one"), SHEETS),
  SHEETS_BRING_IN(worded("own.sheets-bringing-in"), SHEETS),

  OVER(worded("own.over-a-place"), ANYWHERE),
  ALL_KEYS(worded("own.all-keys"), OVER),
  MENU(worded("own.menu"), OVER),
  SETUPS(worded("own.setups"), OVER),
  SYSTEMS(worded("own.your-systems"), OVER),
  BINDINGS(worded("own.bindings-of-a-system"), OVER),
  OUTLINE(worded("own.parts-of-a-setup-or-system"), OVER),
  TEXT(worded("own.text-to-read-or-edit"), OVER),
  WAYS_TO(worded("own.ways-to-an-action"), OVER),
  CONFLICT_DAYS(worded("own.conflicts-that-came-and-went"), OVER),
  MOUSE_LOG(worded("own.bringing-in-a-log"), OVER),
  NAMES(worded("own.names-in-the-log"), OVER),
  REVIEW(worded("own.week-in-review"), OVER),
  SAVED(worded("own.saved-so-far"), OVER),
  WALK(worded("own.walk-to-an-action"), OVER),
  WISHES(worded("own.wishes"), OVER),
  ASSIGN(worded("own.keys-for-all-wishes"), OVER),
  GESTURE(worded("own.a-gesture-of-ones-own"), OVER),
  READ(worded("own.what-launcher-files-have"), OVER),
  REMAP_FINDER(worded("own.the-best-remap"), OVER),
  SETTINGS(worded("own.settings-as-text"), OVER),
  CHANGE_SHEET(worded("own.change-sheet"), OVER),
  HERE(worded("own.this-computer"), OVER),
  SAME(worded("own.actions-that-are-the-same"), OVER);

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
