package polydex.own;

import static polydex.language.CoreWords.wording;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import polydex.catalog.ActionId;
import polydex.keys.Gesture;
import polydex.language.Wording;

/**
 * Every command of the program that has keys, the keys that it has unless its user says otherwise,
 * and where they work. The names are kept in files: they stay as they are.
 */
public enum OwnKey {
  ALL_KEYS_OPEN(wording("own.all-keys"), "F1", OwnContext.ANYWHERE),
  PAUSE(wording("own.pause-the-recording"), "F12", OwnContext.ANYWHERE),

  MENU_OPEN(wording("own.menu"), "F10", OwnContext.PLACES),
  FIND(wording("own.find"), "Ctrl+F", OwnContext.PLACES),
  SETUPS_OPEN(wording("own.setups"), "Ctrl+U", OwnContext.PLACES),
  SYSTEMS_OPEN(wording("own.your-systems"), "Ctrl+Shift+U", OwnContext.PLACES),
  USED_MOUSE(wording("own.i-used-the-mouse"), "Ctrl+M", OwnContext.PLACES),
  UNDO(
      wording("own.undo"),
      "Ctrl+Z",
      OwnContext.PLACES,
      OwnContext.SETUPS,
      OwnContext.SYSTEMS,
      OwnContext.BINDINGS,
      OwnContext.OUTLINE),
  REDO(wording("own.redo"), "Ctrl+Shift+Z", OwnContext.PLACES),
  TO_TODAY(wording("own.go-to-today"), "Alt+T", true, OwnContext.PLACES),
  TO_LOOK_UP(wording("own.go-to-look-up"), "Alt+L", true, OwnContext.PLACES),
  TO_DRILL(wording("own.go-to-drill"), "Alt+D", true, OwnContext.PLACES),
  TO_ROUTE(wording("own.go-to-route"), "Alt+R", true, OwnContext.PLACES),
  TO_FIT(wording("own.go-to-fit"), "Alt+F", true, OwnContext.PLACES),
  TO_MOUSE(wording("own.go-to-mouse"), "Alt+M", true, OwnContext.PLACES),
  TO_SHEETS(wording("own.go-to-sheets"), "Alt+S", true, OwnContext.PLACES),
  OPEN_FILE(wording("own.open-another-file"), "Ctrl+Shift+O", OwnContext.PLACES),
  KEEP_ELSEWHERE(wording("own.keep-everything-in-another-file"), "Ctrl+Shift+S", OwnContext.PLACES),
  THEME(wording("own.theme"), "Ctrl+T", OwnContext.PLACES),
  LANGUAGE(wording("own.language"), "Ctrl+Shift+T", OwnContext.PLACES),
  LARGER_TEXT(wording("own.larger-text"), "Ctrl+= Ctrl+Shift+= Ctrl+NumpadAdd", OwnContext.PLACES),
  SMALLER_TEXT(wording("own.smaller-text"), "Ctrl+- Ctrl+NumpadSubtract", OwnContext.PLACES),
  NORMAL_TEXT(wording("own.normal-text"), "Ctrl+0", OwnContext.PLACES),
  QUIT(wording("own.quit"), "Ctrl+Q", OwnContext.PLACES),

  TODAY_BEGIN(wording("own.begin-what-is-to-be-drilled"), "Enter", true, OwnContext.TODAY),

  ALL_KEYS_RUN(wording("own.do-it"), "Enter", OwnContext.ALL_KEYS),

  MENU_RUN(wording("own.do-it"), "Enter", OwnContext.MENU),

  CLOSE(wording("own.close"), "Esc", OwnContext.OVER),

  SETUPS_USE(wording("own.use-the-setup"), "Enter", OwnContext.SETUPS),
  SETUPS_CHANGE(wording("own.change-the-setup"), "F2", OwnContext.SETUPS),
  SETUPS_NEW(wording("any.new-setup"), "Ctrl+N", OwnContext.SETUPS),
  SETUPS_COPY(wording("own.copy-the-setup"), "Ctrl+D", OwnContext.SETUPS),
  SETUPS_REMOVE(wording("own.remove-the-setup"), "Delete", OwnContext.SETUPS),
  SETUPS_EARLIER(wording("own.setup-earlier"), "Alt+ArrowUp", OwnContext.SETUPS),
  SETUPS_LATER(wording("own.setup-later"), "Alt+ArrowDown", OwnContext.SETUPS),
  SETUPS_COMPARE(wording("own.compare-with-the-one-in-use"), "F3", OwnContext.SETUPS),

  CONFLICT_DAYS_WHICH(wording("own.this-setup-or-all"), "F5", OwnContext.CONFLICT_DAYS),
  CONFLICT_DAYS_FOLLOW(wording("own.follow-its-gesture"), "Enter", OwnContext.CONFLICT_DAYS),

  ROUTE_PRESS(wording("own.press-a-gesture"), "Ctrl+L", OwnContext.ROUTE),
  ROUTE_TYPE(wording("own.type-a-gesture"), "Ctrl+G", OwnContext.ROUTE),
  ROUTE_CONFLICTS(wording("own.conflicts"), "Ctrl+K", OwnContext.ROUTE),
  ROUTE_WHICH(wording("own.which-conflicts"), "Ctrl+E", OwnContext.ROUTE),
  ROUTE_WAYS_OUT(wording("own.ways-out"), "Enter", OwnContext.ROUTE),
  ROUTE_ACCEPT(wording("own.live-with-it"), "F2", OwnContext.ROUTE),
  ROUTE_PLAN(wording("own.plan-of-changes"), "Ctrl+P", OwnContext.ROUTE),
  ROUTE_WAYS_TO(wording("own.ways-to-an-action"), "Ctrl+R", OwnContext.ROUTE),
  ROUTE_BESIDE(wording("own.beside-another-setup"), "F3", OwnContext.ROUTE),
  ROUTE_FULL_SCREEN(wording("any.full-screen"), "F4", OwnContext.ROUTE),
  ROUTE_DAYS(wording("own.what-came-and-went"), "F5", OwnContext.ROUTE),
  ROUTE_WHERE(wording("own.where-you-are"), "F6", OwnContext.ROUTE),
  ROUTE_LAYERS(wording("own.every-layer-or-few"), "F7", OwnContext.ROUTE),

  WAYS_TO_FOLLOW(wording("own.follow-it"), "Enter", OwnContext.WAYS_TO),

  RECORD_BEGIN_OR_END(wording("own.begin-or-end-the-recording"), "F9", OwnContext.MOUSE_LIVE),

  LOG_LOOK(wording("own.look-into-the-log"), "Enter", OwnContext.MOUSE_LOG),
  LOG_CHOOSE(wording("own.choose-a-log"), "Ctrl+O", OwnContext.MOUSE_LOG),
  LOG_BRING_IN(wording("own.bring-in-the-log"), "Ctrl+Enter", OwnContext.MOUSE_LOG),
  LOG_GOOD_LINES(wording("own.bring-in-the-good-lines"), "Ctrl+G", OwnContext.MOUSE_LOG),

  EXPLAIN_NAMES(wording("own.explain-names"), "F4", OwnContext.MOUSE, OwnContext.TODAY),
  WISHES_OPEN(wording("own.wishes"), "F6", OwnContext.MOUSE),
  MOUSE_TURN(wording("own.weeks-or-what-remains"), "F7", OwnContext.MOUSE),
  REVIEW_OPEN(wording("own.week-in-review"), "F8", OwnContext.MOUSE),

  MOUSE_BACK(
      wording("own.back-to-what-remains"), "Esc", OwnContext.MOUSE_WEEKS, OwnContext.MOUSE_LIVE),

  RECORD(wording("own.record"), "F9", OwnContext.MOUSE_REMAINING, OwnContext.MOUSE_WEEKS),

  LOG_OPEN(wording("own.bring-in-a-log"), "Ctrl+O", OwnContext.MOUSE),
  SAVED_OPEN(wording("own.saved-so-far"), "Ctrl+S", OwnContext.MOUSE),

  NAMES_LIKELIEST(wording("own.it-is-the-likeliest"), "Space", OwnContext.NAMES),
  NAMES_OTHER(wording("own.it-is-another-action"), "F2", OwnContext.NAMES),
  NAMES_NONE(wording("own.it-is-no-action"), "F4", OwnContext.NAMES),
  NAMES_TAKE(wording("own.take-what-is-decided"), "Enter", OwnContext.NAMES),

  REMAINING_NEXT(wording("own.next-step-for-what-remains"), "Enter", OwnContext.MOUSE_REMAINING),
  REMAINING_KEEP(wording("own.keep-it-for-the-mouse"), "F2", OwnContext.MOUSE_REMAINING),
  SHOW_ONLY(
      wording("own.show-only-some"), "F3", OwnContext.MOUSE_REMAINING, OwnContext.MOUSE_WEEKS),
  WISH(wording("own.wish-for-keys"), "F5", OwnContext.MOUSE_REMAINING, OwnContext.WALK),

  REVIEW_RUN(wording("own.do-it"), "Enter", OwnContext.REVIEW),

  SAVED_NEXT(wording("own.next-step-for-what-was-saved"), "Enter", OwnContext.SAVED),

  MAKE_SETUPS(
      wording("own.make-the-setups-that-a-log"), "F5", OwnContext.NAMES, OwnContext.MOUSE_LOG),

  WEEKS_PICTURES(wording("own.hours-a-year-or-other-pictures"), "F2", OwnContext.MOUSE_WEEKS),
  WEEKS_NEXT(wording("own.next-step-for-a-slip"), "Enter", OwnContext.MOUSE_WEEKS),

  WISHES_DROP(wording("own.no-longer-wished-for"), "Delete", OwnContext.WISHES),

  ASSIGN_PLAN(wording("own.plan-them-all"), "F5", OwnContext.ASSIGN),
  ASSIGN_LOCK(wording("own.lock-or-unlock"), "Space", OwnContext.ASSIGN),

  ASSIGN_OPEN(wording("own.keys-for-all-wishes"), "F3", OwnContext.FIT),
  CHANGE_SHEETS(wording("own.change-sheets"), "F6", OwnContext.FIT),
  FIT_FREE_OR_OWN(wording("own.free-keys-or-own-bindings"), "F7", OwnContext.FIT),
  FIT_REMAPS_OR_OWN(wording("own.remaps-or-own-bindings"), "F8", OwnContext.FIT),

  FIT_READ(wording("own.read-what-is-there"), "Ctrl+O", OwnContext.FIT_OWN),

  FIT_BACK(wording("own.back-to-own-bindings"), "Esc", OwnContext.FIT_FREE, OwnContext.FIT_REMAPS),
  FREE_PLAN(wording("own.plan-it"), "Enter", OwnContext.FIT_FREE),
  FREE_WHERE(wording("any.where"), "F2", OwnContext.FIT_FREE),

  GESTURE_TAKE(wording("own.take-the-gesture"), "F5", OwnContext.GESTURE),
  GESTURE_TYPE(wording("own.type-a-gesture"), "F2", OwnContext.GESTURE),
  GESTURE_PRESS(wording("own.press-a-gesture"), "F3", OwnContext.GESTURE),
  GESTURE_NONE(wording("own.no-keys"), "Delete", OwnContext.GESTURE),

  OWN_NEXT(wording("own.next-step-for-a-binding"), "Enter", OwnContext.FIT_OWN),
  OWN_PLAN(wording("own.plan-a-binding"), "F5", OwnContext.FIT_OWN),
  OWN_STARTS(wording("own.what-it-starts"), "F2", OwnContext.FIT_OWN),
  OWN_OTHER_KEYS(wording("own.other-keys-for-a-binding"), "F4", OwnContext.FIT_OWN),
  OWN_SETTINGS(wording("own.its-settings-as-text"), "Ctrl+E", OwnContext.FIT_OWN),
  OWN_REMOVE(wording("own.remove-the-binding"), "Delete", OwnContext.FIT_OWN),

  READ_TAKE(wording("own.take-over-what-was-found"), "F5", OwnContext.READ),

  REMAP_FINDER_DETAIL(wording("own.what-changes"), "Enter", OwnContext.REMAP_FINDER),
  REMAP_FINDER_DRAFT(wording("own.draft-it"), "F5", OwnContext.REMAP_FINDER),

  REMAPS_DETAIL(wording("own.what-a-remap-changes"), "Enter", OwnContext.FIT_REMAPS),
  REMAPS_DRAFT(wording("own.draft-a-remap"), "F5", OwnContext.FIT_REMAPS),
  REMAPS_RULES(wording("own.its-rules"), "F2", OwnContext.FIT_REMAPS),
  REMAPS_CHOOSE(wording("own.to-be-made-or-not"), "Space", OwnContext.FIT_REMAPS),
  REMAPS_EFFECT(wording("own.takes-effect"), "F4", OwnContext.FIT_REMAPS),
  REMAPS_FIND(wording("own.find-the-best-remap"), "F9", OwnContext.FIT_REMAPS),
  REMAPS_TEXT(wording("own.remap-as-text"), "Ctrl+E", OwnContext.FIT_REMAPS),
  REMAPS_READ(wording("own.read-a-remap"), "Ctrl+O", OwnContext.FIT_REMAPS),
  REMAPS_DROP(wording("own.drop-the-remap"), "Delete", OwnContext.FIT_REMAPS),

  SETTINGS_COPY(wording("own.copy-the-settings"), "Ctrl+C", OwnContext.SETTINGS),
  SETTINGS_SAVE(wording("own.save-the-settings"), "Ctrl+S", OwnContext.SETTINGS),

  CHANGE_SHEET_TICK(wording("own.tick"), "Space", OwnContext.CHANGE_SHEET),
  CHANGE_SHEET_WORDS(wording("own.word-it-otherwise"), "F2", OwnContext.CHANGE_SHEET),
  CHANGE_SHEET_COPY(wording("own.copy-the-change-sheet"), "Ctrl+C", OwnContext.CHANGE_SHEET),
  CHANGE_SHEET_SAVE(wording("own.save-for-paper"), "Ctrl+S", OwnContext.CHANGE_SHEET),

  HERE_TICK(wording("own.take-or-leave"), "Space", OwnContext.HERE),
  HERE_BRING_IN(wording("own.bring-in-what-was-found"), "Ctrl+Enter", OwnContext.HERE),
  HERE_SAME(wording("own.same-or-not"), "F3", OwnContext.HERE),
  HERE_WATCH(wording("own.watch-menus"), "F9", OwnContext.HERE),
  HERE_LOOK(wording("own.look-again"), "F5", OwnContext.HERE),
  HERE_DOCUMENTS(wording("own.documents-in-menus-as-commands"), "F4", OwnContext.HERE),
  HERE_GONE(wording("own.drop-what-is-gone"), "Ctrl+G", OwnContext.HERE),
  HERE_ACCESSIBILITY(wording("own.accessibility-on-or-off"), "F6", OwnContext.HERE),
  HERE_MADE_UP(wording("own.a-made-up-computer"), "F7", OwnContext.HERE),
  HERE_WRITE(wording("own.write-the-computer-as-a-file"), "F8", OwnContext.HERE),

  SAME_TURN(wording("own.the-same-or-not"), "Space", OwnContext.SAME),

  AFTER_ACT(wording("own.act-on-this"), "Enter", OwnContext.DRILL_AFTER),
  AFTER_LOOK(wording("own.look-at-an-item"), "F4", OwnContext.DRILL_AFTER),
  AFTER_MORE(wording("own.drill-more"), "F5", OwnContext.DRILL_AFTER),
  DRILL_BACK(
      wording("own.back-to-the-beginning"),
      "Esc",
      OwnContext.DRILL_AFTER,
      OwnContext.DRILL_PROGRESS),

  PROGRESS_LOOK(wording("own.look-at-an-item"), "Enter", OwnContext.DRILL_PROGRESS),
  PROGRESS_MARK(wording("own.mark-or-unmark"), "F2", OwnContext.DRILL_PROGRESS),

  DRILL_LEAVE(wording("own.leave-the-drill"), "Esc", OwnContext.DRILL_ANSWERED),
  DRILL_NEXT(wording("own.next-item"), "Enter", OwnContext.DRILL_ANSWERED),

  DRILL_BEGIN(wording("own.begin-the-drill"), "Enter", OwnContext.DRILL_START),
  DRILL_SLOW(wording("own.what-is-slow"), "F5", OwnContext.DRILL_START),
  DRILL_SPRINT(wording("own.sprint"), "F6", OwnContext.DRILL_START),
  DRILL_PROGRESS_OPEN(wording("own.how-it-goes"), "F7", OwnContext.DRILL_START),
  DRILL_TAKE(wording("own.take-this-action"), "F2", OwnContext.DRILL_START),
  DRILL_PUT_OFF(wording("own.put-it-off"), "F3", OwnContext.DRILL_START),
  DRILL_DROP(wording("own.drop-the-action"), "Delete", OwnContext.DRILL_START),

  SYSTEMS_CHANGE(wording("own.change-the-system"), "Enter", OwnContext.SYSTEMS),
  SYSTEMS_NEW_APPLICATION(wording("own.new-application"), "Ctrl+N", OwnContext.SYSTEMS),
  SYSTEMS_BINDINGS(wording("own.its-bindings"), "F6", OwnContext.SYSTEMS),
  SYSTEMS_ACTION(wording("own.an-action"), "F4", OwnContext.SYSTEMS),
  SYSTEMS_JOIN(wording("own.join-with-another"), "F3", OwnContext.SYSTEMS),
  SYSTEMS_REMOVE(wording("own.take-the-system-away"), "Delete", OwnContext.SYSTEMS),
  SYSTEMS_NEW_PLATFORM(wording("own.new-platform"), "Ctrl+Shift+N", OwnContext.SYSTEMS),
  SYSTEMS_WRITE(wording("own.write-its-keymap-as-a-file"), "F5", OwnContext.SYSTEMS),

  BINDINGS_CHANGE(wording("own.change-the-binding"), "Enter", OwnContext.BINDINGS),
  BINDINGS_NEW(wording("own.new-binding"), "Ctrl+N", OwnContext.BINDINGS),
  BINDINGS_CHOOSE(wording("own.choose-the-binding"), "Space", OwnContext.BINDINGS),
  BINDINGS_MOVE(wording("own.move-to-another-context"), "F6", OwnContext.BINDINGS),
  BINDINGS_REMOVE(wording("own.remove-the-chosen-bindings"), "Delete", OwnContext.BINDINGS),
  BINDINGS_CHOOSE_CONTEXT(
      wording("own.choose-all-of-its-context"), "Shift+Space", OwnContext.BINDINGS),

  TEXT_ON(wording("own.read-on"), "PageDown", OwnContext.OVER),
  TEXT_BACK(wording("own.read-back"), "PageUp", OwnContext.OVER),

  LISTEN(wording("own.press-keys-to-look-up"), "Ctrl+L", OwnContext.LOOK_UP),

  KEYBOARD_SHOW(wording("own.keyboard"), "Ctrl+B", OwnContext.LOOK_UP_WORDS),
  COMPARE(wording("own.compare-two-systems"), "Ctrl+E", OwnContext.LOOK_UP_WORDS),
  GESTURE_ADD(wording("own.add-a-gesture"), "Ctrl+N", OwnContext.LOOK_UP_WORDS),
  GESTURE_CHANGE(wording("own.change-the-gesture"), "F2", OwnContext.LOOK_UP_WORDS),
  GESTURE_REMOVE(wording("own.remove-the-gesture"), "Delete", OwnContext.LOOK_UP_WORDS),
  GESTURE_SWITCH(wording("own.switch-the-gesture-off-or-on"), "F8", OwnContext.LOOK_UP_WORDS),
  SAME_WORDS(wording("own.words-that-mean-the-same"), "F7", OwnContext.LOOK_UP_WORDS),
  LOOK_UP_ROUTE(
      wording("own.route-of-the-gesture"),
      "Ctrl+R",
      OwnContext.LOOK_UP_WORDS,
      OwnContext.LOOK_UP_KEYBOARD),
  DRILL_THIS(wording("own.drill-this-action"), "Ctrl+D", OwnContext.LOOK_UP_WORDS),
  DRILL_ALL(wording("own.drill-all-that-was-found"), "Ctrl+Shift+D", OwnContext.LOOK_UP_WORDS),

  LOOK_UP_BACK(
      wording("own.back-to-words"), "Esc", OwnContext.LOOK_UP_KEYBOARD, OwnContext.LOOK_UP_COMPARE),

  OUTLINE_CHANGE(wording("own.change-the-part"), "Enter", OwnContext.OUTLINE),
  OUTLINE_ADD(wording("own.add-a-part"), "Ctrl+N", OwnContext.OUTLINE),
  OUTLINE_REMOVE(wording("own.remove-the-part"), "Delete", OwnContext.OUTLINE),
  OUTLINE_EARLIER(wording("own.part-earlier"), "Alt+ArrowUp", OwnContext.OUTLINE),
  OUTLINE_LATER(wording("own.part-later"), "Alt+ArrowDown", OwnContext.OUTLINE),
  OUTLINE_NEXT_MISTAKE(wording("own.next-mistake"), "F8", OwnContext.OUTLINE),

  OUTLINE_TAKE(wording("own.take-what-is-chosen"), "Enter", OwnContext.TEXT),

  LEAVE_WAY_IN(wording("own.leave-the-way-in"), "F9", OwnContext.TODAY),

  INTAKE_FILE(wording("own.bring-in-a-file"), "Ctrl+O", OwnContext.SHEETS),
  INTAKE_FOLDER(wording("own.bring-in-a-folder"), "Ctrl+Shift+F", OwnContext.SHEETS),
  INTAKE_CLIPBOARD(wording("own.bring-in-the-clipboard"), "Ctrl+Shift+V", OwnContext.SHEETS),

  INTAKE_BRING_IN(wording("own.bring-in-the-list"), "Ctrl+Enter", OwnContext.SHEETS_BRING_IN),
  INTAKE_SUBJECT(wording("own.what-the-list-is-about"), "F7", OwnContext.SHEETS_BRING_IN),
  INTAKE_GONE(wording("own.drop-what-is-gone"), "Ctrl+G", OwnContext.SHEETS_BRING_IN),
  INTAKE_STOP(wording("own.stop-reading"), "Esc", OwnContext.SHEETS_BRING_IN),

  SHEETS_TURN(wording("own.bring-in-or-make-a-sheet"), "F4", OwnContext.SHEETS),

  HAND_ON(wording("own.hand-on"), "F5", OwnContext.SHEETS_MAKE),

  COPIES(wording("own.copies-of-the-file"), "F6", OwnContext.SHEETS),
  ARCHIVE(wording("own.everything-out-in-open-formats"), "F8", OwnContext.SHEETS),
  HERE_OPEN(wording("own.this-computer"), "F9", OwnContext.SHEETS),

  SHEET_PRINT(wording("own.print-the-sheet"), "Ctrl+P", OwnContext.SHEETS_MAKE),
  SHEET_SAVE(wording("own.save-the-sheet"), "Ctrl+S", OwnContext.SHEETS_MAKE),
  SHEET_COPY(wording("own.copy-the-sheet"), "Ctrl+C", OwnContext.SHEETS_MAKE),
  SHEET_NEXT_PAGE(wording("own.next-page"), "Ctrl+PageDown", OwnContext.SHEETS_MAKE),
  SHEET_PAGE_BEFORE(wording("own.page-before"), "Ctrl+PageUp", OwnContext.SHEETS_MAKE),
  SHEET_LARGER(wording("own.page-larger"), "Alt+PageDown", OwnContext.SHEETS_MAKE),
  SHEET_SMALLER(wording("own.page-smaller"), "Alt+PageUp", OwnContext.SHEETS_MAKE),
  SHEET_STOP(wording("own.stop-making-or-printing"), "Esc", OwnContext.SHEETS_MAKE),

  WEEKS_OF_MOUSE(wording("own.weeks-of-the-mouse"), "F7", OwnContext.TODAY),
  TODAY_REVIEW(wording("any.the-week-in-review"), "F8", OwnContext.TODAY),
  ASPECT_DOES(wording("own.keyboard-what-it-does"), "F2", OwnContext.LOOK_UP_KEYBOARD),
  ASPECT_KNOWN(wording("own.keyboard-what-is-known"), "F3", OwnContext.LOOK_UP_KEYBOARD),
  ASPECT_USED(wording("own.keyboard-what-is-used"), "F4", OwnContext.LOOK_UP_KEYBOARD),
  ASPECT_FINGERS(wording("own.keyboard-which-finger"), "F5", OwnContext.LOOK_UP_KEYBOARD),
  ASPECT_CONFLICTS(wording("own.keyboard-what-conflicts"), "F6", OwnContext.LOOK_UP_KEYBOARD),
  ALL_KEYS_OTHER(wording("own.other-keys-for-a-command"), "F2", OwnContext.ALL_KEYS),
  ALL_KEYS_RESET(wording("own.keys-of-a-command-as-they"), "F5", OwnContext.ALL_KEYS),
  ALL_KEYS_RESET_ALL(wording("own.all-keys-as-they-were"), "F8", OwnContext.ALL_KEYS);

  static final String ID = "program.";

  private final Wording title;
  private final String usual;
  private final boolean fixed;
  private final List<OwnContext> contexts;

  OwnKey(Wording title, String usual, OwnContext... contexts) {
    this(title, usual, usual.equals("Enter") || usual.equals("Esc"), contexts);
  }

  OwnKey(Wording title, String usual, boolean fixed, OwnContext... contexts) {
    this.title = title;
    this.usual = usual;
    this.fixed = fixed;
    this.contexts = List.of(contexts);
  }

  /** What it does, as a command. */
  public String title() {
    return title.now();
  }

  /** The same in all languages. */
  Wording titles() {
    return title;
  }

  /** The keys that it has unless its user gave it others, each one stroke; the first is shown. */
  public List<Gesture> usual() {
    return Read.GESTURES.computeIfAbsent(
        this, k -> Stream.of(k.usual.split(" ")).map(Gesture::parse).toList());
  }

  /** Read when somebody asks: a window that comes up needs few of them. */
  private static final class Read {
    static final Map<OwnKey, List<Gesture>> GESTURES = new ConcurrentHashMap<>();

    private Read() {}
  }

  /**
   * Whether its keys can't be changed: how to go on, how to get out, and what stands at the side
   * with its letter work in every file alike.
   */
  public boolean isFixed() {
    return fixed;
  }

  /**
   * Whether it does something to what is chosen where it works, so that it can't be done from
   * elsewhere.
   */
  public boolean isForChosen() {
    return switch (this) {
      case LOOK_UP_ROUTE,
          DRILL_THIS,
          DRILL_ALL,
          GESTURE_ADD,
          GESTURE_CHANGE,
          GESTURE_REMOVE,
          GESTURE_SWITCH,
          ROUTE_WAYS_OUT,
          ROUTE_ACCEPT,
          REMAINING_NEXT,
          REMAINING_KEEP,
          WISH,
          WEEKS_NEXT,
          FREE_PLAN,
          OWN_NEXT,
          OWN_STARTS,
          OWN_OTHER_KEYS,
          OWN_REMOVE,
          REMAPS_DETAIL,
          REMAPS_RULES,
          REMAPS_CHOOSE,
          REMAPS_EFFECT,
          REMAPS_TEXT,
          REMAPS_DROP,
          DRILL_TAKE,
          DRILL_PUT_OFF,
          DRILL_DROP,
          PROGRESS_LOOK,
          PROGRESS_MARK,
          AFTER_ACT,
          AFTER_LOOK ->
          true;
      default -> false;
    };
  }

  /** Where it works, and in whatever lies within. */
  public List<OwnContext> contexts() {
    return contexts;
  }

  /** Its action in the catalogue. */
  public ActionId action() {
    return new ActionId(ID + word());
  }

  /** What its bindings are called, with a number each. */
  String word() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
