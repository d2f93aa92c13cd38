package polydex.own;

import static polydex.language.CoreWords.wording;

import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import polydex.catalog.Context;
import polydex.language.Wording;

/** Where in the program a key holds; parents stand before their children. */
public enum OwnContext {
  ANYWHERE(wording("own.anywhere"), null),

  PLACES(wording("own.any-place"), ANYWHERE),
  TODAY(wording("own.today"), PLACES),
  LOOK_UP(wording("own.look-up"), PLACES),
  LOOK_UP_WORDS(wording("own.look-up-by-words"), LOOK_UP),
  LOOK_UP_KEYBOARD(wording("own.look-up-keyboard"), LOOK_UP),
  LOOK_UP_COMPARE(wording("own.look-up-comparison"), LOOK_UP),
  DRILL(wording("own.drill"), PLACES),
  DRILL_START(wording("own.drill-before-it-begins"), DRILL),
  DRILL_ANSWERED(wording("own.drill-after-an-answer"), DRILL),
  DRILL_AFTER(wording("own.drill-at-its-end"), DRILL),
  DRILL_PROGRESS(wording("own.drill-how-it-goes"), DRILL),
  ROUTE(wording("own.route"), PLACES),
  FIT(wording("own.fit"), PLACES),
  FIT_OWN(wording("own.fit-own-bindings"), FIT),
  FIT_FREE(wording("own.fit-free-keys"), FIT),
  FIT_REMAPS(wording("own.fit-remaps"), FIT),
  MOUSE(wording("own.mouse"), PLACES),
  MOUSE_REMAINING(wording("own.mouse-what-remains"), MOUSE),
  MOUSE_WEEKS(wording("own.mouse-weeks"), MOUSE),
  MOUSE_LIVE(wording("own.mouse-recording"), MOUSE),
  SHEETS(wording("own.sheets"), PLACES),
  SHEETS_MAKE(wording("own.sheets-making-one"), SHEETS),
  SHEETS_BRING_IN(wording("own.sheets-bringing-in"), SHEETS),

  OVER(wording("own.over-a-place"), ANYWHERE),
  ALL_KEYS(wording("own.all-keys"), OVER),
  MENU(wording("own.menu"), OVER),
  SETUPS(wording("own.setups"), OVER),
  SYSTEMS(wording("own.your-systems"), OVER),
  BINDINGS(wording("own.bindings-of-a-system"), OVER),
  OUTLINE(wording("own.parts-of-a-setup-or-system"), OVER),
  TEXT(wording("own.text-to-read-or-edit"), OVER),
  WAYS_TO(wording("own.ways-to-an-action"), OVER),
  CONFLICT_DAYS(wording("own.conflicts-that-came-and-went"), OVER),
  MOUSE_LOG(wording("own.bringing-in-a-log"), OVER),
  NAMES(wording("own.names-in-the-log"), OVER),
  REVIEW(wording("own.week-in-review"), OVER),
  SAVED(wording("own.saved-so-far"), OVER),
  WALK(wording("own.walk-to-an-action"), OVER),
  WISHES(wording("own.wishes"), OVER),
  ASSIGN(wording("own.keys-for-all-wishes"), OVER),
  GESTURE(wording("own.a-gesture-of-ones-own"), OVER),
  READ(wording("own.what-launcher-files-have"), OVER),
  REMAP_FINDER(wording("own.the-best-remap"), OVER),
  SETTINGS(wording("own.settings-as-text"), OVER),
  CHANGE_SHEET(wording("own.change-sheet"), OVER),
  HERE(wording("own.this-computer"), OVER),
  SAME(wording("own.actions-that-are-the-same"), OVER);

  private final Wording title;
  private final Optional<OwnContext> parent;

  OwnContext(Wording title, @Nullable OwnContext parent) {
    this.title = title;
    this.parent = Optional.ofNullable(parent);
  }

  /** As people call it. */
  public String title() {
    return title.now();
  }

  /** The same in all languages. */
  Wording titles() {
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
    return new Context(id(), title.now(), parent.map(OwnContext::id));
  }
}
