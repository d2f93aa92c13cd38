package polydex.own;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import polydex.catalog.ActionId;
import polydex.keys.Gesture;

/**
 * Every command of the program that has keys, the keys that it has unless its user says otherwise,
 * and where they work. The names are kept in files: they stay as they are.
 */
public enum OwnKey {
  ALL_KEYS_OPEN("All keys", "F1", OwnContext.ANYWHERE),
  PAUSE("Pause the recording", "F12", OwnContext.ANYWHERE),

  MENU_OPEN("Menu", "F10", OwnContext.PLACES),
  FIND("Find", "Ctrl+F", OwnContext.PLACES),
  SETUPS_OPEN("Setups", "Ctrl+U", OwnContext.PLACES),
  SYSTEMS_OPEN("Your systems", "Ctrl+Shift+U", OwnContext.PLACES),
  USED_MOUSE("I used the mouse", "Ctrl+M", OwnContext.PLACES),
  UNDO(
      "Undo",
      "Ctrl+Z",
      OwnContext.PLACES,
      OwnContext.SETUPS,
      OwnContext.SYSTEMS,
      OwnContext.BINDINGS,
      OwnContext.OUTLINE),
  REDO("Redo", "Ctrl+Shift+Z", OwnContext.PLACES),
  TO_TODAY("Go to Today", "Alt+T", true, OwnContext.PLACES),
  TO_LOOK_UP("Go to Look up", "Alt+L", true, OwnContext.PLACES),
  TO_DRILL("Go to Drill", "Alt+D", true, OwnContext.PLACES),
  TO_ROUTE("Go to Route", "Alt+R", true, OwnContext.PLACES),
  TO_FIT("Go to Fit", "Alt+F", true, OwnContext.PLACES),
  TO_MOUSE("Go to Mouse", "Alt+M", true, OwnContext.PLACES),
  TO_SHEETS("Go to Sheets", "Alt+S", true, OwnContext.PLACES),
  OPEN_FILE("Open another file", "Ctrl+Shift+O", OwnContext.PLACES),
  KEEP_ELSEWHERE("Keep everything in another file", "Ctrl+Shift+S", OwnContext.PLACES),
  THEME("Theme", "Ctrl+T", OwnContext.PLACES),
  LARGER_TEXT("Larger text", "Ctrl+= Ctrl+Shift+= Ctrl+NumpadAdd", OwnContext.PLACES),
  SMALLER_TEXT("Smaller text", "Ctrl+- Ctrl+NumpadSubtract", OwnContext.PLACES),
  NORMAL_TEXT("Normal text", "Ctrl+0", OwnContext.PLACES),
  QUIT("Quit", "Ctrl+Q", OwnContext.PLACES),

  TODAY_BEGIN("Begin what is to be drilled", "Enter", true, OwnContext.TODAY),

  ALL_KEYS_RUN("Do it", "Enter", OwnContext.ALL_KEYS),

  MENU_RUN("Do it", "Enter", OwnContext.MENU),

  CLOSE("Close", "Esc", OwnContext.OVER),

  SETUPS_USE("Use the setup", "Enter", OwnContext.SETUPS),
  SETUPS_CHANGE("Change the setup", "F2", OwnContext.SETUPS),
  SETUPS_NEW("New setup", "Ctrl+N", OwnContext.SETUPS),
  SETUPS_COPY("Copy the setup", "Ctrl+D", OwnContext.SETUPS),
  SETUPS_REMOVE("Remove the setup", "Delete", OwnContext.SETUPS),
  SETUPS_EARLIER("Setup earlier", "Alt+ArrowUp", OwnContext.SETUPS),
  SETUPS_LATER("Setup later", "Alt+ArrowDown", OwnContext.SETUPS),
  SETUPS_COMPARE("Compare with the one in use", "F3", OwnContext.SETUPS),

  CONFLICT_DAYS_WHICH("This setup or all", "F5", OwnContext.CONFLICT_DAYS),
  CONFLICT_DAYS_FOLLOW("Follow its gesture", "Enter", OwnContext.CONFLICT_DAYS),

  ROUTE_PRESS("Press a gesture", "Ctrl+L", OwnContext.ROUTE),
  ROUTE_TYPE("Type a gesture", "Ctrl+G", OwnContext.ROUTE),
  ROUTE_CONFLICTS("Conflicts", "Ctrl+K", OwnContext.ROUTE),
  ROUTE_WHICH("Which conflicts", "Ctrl+E", OwnContext.ROUTE),
  ROUTE_WAYS_OUT("Ways out", "Enter", OwnContext.ROUTE),
  ROUTE_ACCEPT("Live with it", "F2", OwnContext.ROUTE),
  ROUTE_PLAN("Plan of changes", "Ctrl+P", OwnContext.ROUTE),
  ROUTE_WAYS_TO("Ways to an action", "Ctrl+R", OwnContext.ROUTE),
  ROUTE_BESIDE("Beside another setup", "F3", OwnContext.ROUTE),
  ROUTE_FULL_SCREEN("Full screen", "F4", OwnContext.ROUTE),
  ROUTE_DAYS("What came and went", "F5", OwnContext.ROUTE),
  ROUTE_WHERE("Where you are", "F6", OwnContext.ROUTE),
  ROUTE_LAYERS("Every layer, or few", "F7", OwnContext.ROUTE),

  WAYS_TO_FOLLOW("Follow it", "Enter", OwnContext.WAYS_TO),

  RECORD_BEGIN_OR_END("Begin or end the recording", "F9", OwnContext.MOUSE_LIVE),

  LOG_LOOK("Look into the log", "Enter", OwnContext.MOUSE_LOG),
  LOG_CHOOSE("Choose a log", "Ctrl+O", OwnContext.MOUSE_LOG),
  LOG_BRING_IN("Bring in the log", "Ctrl+Enter", OwnContext.MOUSE_LOG),
  LOG_GOOD_LINES("Bring in the good lines", "Ctrl+G", OwnContext.MOUSE_LOG),

  EXPLAIN_NAMES("Explain names", "F4", OwnContext.MOUSE, OwnContext.TODAY),
  WISHES_OPEN("Wishes", "F6", OwnContext.MOUSE),
  MOUSE_TURN("Weeks, or what remains", "F7", OwnContext.MOUSE),
  REVIEW_OPEN("Week in review", "F8", OwnContext.MOUSE),

  MOUSE_BACK("Back to what remains", "Esc", OwnContext.MOUSE_WEEKS, OwnContext.MOUSE_LIVE),

  RECORD("Record", "F9", OwnContext.MOUSE_REMAINING, OwnContext.MOUSE_WEEKS),

  LOG_OPEN("Bring in a log", "Ctrl+O", OwnContext.MOUSE),
  SAVED_OPEN("Saved so far", "Ctrl+S", OwnContext.MOUSE),

  NAMES_LIKELIEST("It is the likeliest", "Space", OwnContext.NAMES),
  NAMES_OTHER("It is another action", "F2", OwnContext.NAMES),
  NAMES_NONE("It is no action", "F4", OwnContext.NAMES),
  NAMES_TAKE("Take what is decided", "Enter", OwnContext.NAMES),

  REMAINING_NEXT("Next step for what remains", "Enter", OwnContext.MOUSE_REMAINING),
  REMAINING_KEEP("Keep it for the mouse", "F2", OwnContext.MOUSE_REMAINING),
  SHOW_ONLY("Show only some", "F3", OwnContext.MOUSE_REMAINING, OwnContext.MOUSE_WEEKS),
  WISH("Wish for keys", "F5", OwnContext.MOUSE_REMAINING, OwnContext.WALK),

  REVIEW_RUN("Do it", "Enter", OwnContext.REVIEW),

  SAVED_NEXT("Next step for what was saved", "Enter", OwnContext.SAVED),

  MAKE_SETUPS("Make the setups that a log needs", "F5", OwnContext.NAMES, OwnContext.MOUSE_LOG),

  WEEKS_PICTURES("Hours a year, or other pictures", "F2", OwnContext.MOUSE_WEEKS),
  WEEKS_NEXT("Next step for a slip", "Enter", OwnContext.MOUSE_WEEKS),

  WISHES_DROP("No longer wished for", "Delete", OwnContext.WISHES),

  ASSIGN_PLAN("Plan them all", "F5", OwnContext.ASSIGN),
  ASSIGN_LOCK("Lock or unlock", "Space", OwnContext.ASSIGN),

  ASSIGN_OPEN("Keys for all wishes", "F3", OwnContext.FIT),
  CHANGE_SHEETS("Change sheets", "F6", OwnContext.FIT),
  FIT_FREE_OR_OWN("Free keys, or own bindings", "F7", OwnContext.FIT),
  FIT_REMAPS_OR_OWN("Remaps, or own bindings", "F8", OwnContext.FIT),

  FIT_READ("Read what is there", "Ctrl+O", OwnContext.FIT_OWN),

  FIT_BACK("Back to own bindings", "Esc", OwnContext.FIT_FREE, OwnContext.FIT_REMAPS),
  FREE_PLAN("Plan it", "Enter", OwnContext.FIT_FREE),
  FREE_WHERE("Where", "F2", OwnContext.FIT_FREE),

  GESTURE_TAKE("Take the gesture", "F5", OwnContext.GESTURE),
  GESTURE_TYPE("Type a gesture", "F2", OwnContext.GESTURE),
  GESTURE_PRESS("Press a gesture", "F3", OwnContext.GESTURE),
  GESTURE_NONE("No keys", "Delete", OwnContext.GESTURE),

  OWN_NEXT("Next step for a binding", "Enter", OwnContext.FIT_OWN),
  OWN_PLAN("Plan a binding", "F5", OwnContext.FIT_OWN),
  OWN_STARTS("What it starts", "F2", OwnContext.FIT_OWN),
  OWN_OTHER_KEYS("Other keys for a binding", "F4", OwnContext.FIT_OWN),
  OWN_SETTINGS("Its settings as text", "Ctrl+E", OwnContext.FIT_OWN),
  OWN_REMOVE("Remove the binding", "Delete", OwnContext.FIT_OWN),

  READ_TAKE("Take over what was found", "F5", OwnContext.READ),

  REMAP_FINDER_DETAIL("What changes", "Enter", OwnContext.REMAP_FINDER),
  REMAP_FINDER_DRAFT("Draft it", "F5", OwnContext.REMAP_FINDER),

  REMAPS_DETAIL("What a remap changes", "Enter", OwnContext.FIT_REMAPS),
  REMAPS_DRAFT("Draft a remap", "F5", OwnContext.FIT_REMAPS),
  REMAPS_RULES("Its rules", "F2", OwnContext.FIT_REMAPS),
  REMAPS_CHOOSE("To be made, or not", "Space", OwnContext.FIT_REMAPS),
  REMAPS_EFFECT("Takes effect", "F4", OwnContext.FIT_REMAPS),
  REMAPS_FIND("Find the best remap", "F9", OwnContext.FIT_REMAPS),
  REMAPS_TEXT("Remap as text", "Ctrl+E", OwnContext.FIT_REMAPS),
  REMAPS_READ("Read a remap", "Ctrl+O", OwnContext.FIT_REMAPS),
  REMAPS_DROP("Drop the remap", "Delete", OwnContext.FIT_REMAPS),

  SETTINGS_COPY("Copy the settings", "Ctrl+C", OwnContext.SETTINGS),
  SETTINGS_SAVE("Save the settings", "Ctrl+S", OwnContext.SETTINGS),

  CHANGE_SHEET_TICK("Tick", "Space", OwnContext.CHANGE_SHEET),
  CHANGE_SHEET_WORDS("Word it otherwise", "F2", OwnContext.CHANGE_SHEET),
  CHANGE_SHEET_COPY("Copy the change sheet", "Ctrl+C", OwnContext.CHANGE_SHEET),
  CHANGE_SHEET_SAVE("Save for paper", "Ctrl+S", OwnContext.CHANGE_SHEET),

  HERE_TICK("Take or leave", "Space", OwnContext.HERE),
  HERE_BRING_IN("Bring in what was found", "Ctrl+Enter", OwnContext.HERE),
  HERE_SAME("Same or not", "F3", OwnContext.HERE),
  HERE_WATCH("Watch menus", "F9", OwnContext.HERE),
  HERE_LOOK("Look again", "F5", OwnContext.HERE),
  HERE_DOCUMENTS("Documents in menus as commands", "F4", OwnContext.HERE),
  HERE_GONE("Drop what is gone", "Ctrl+G", OwnContext.HERE),
  HERE_ACCESSIBILITY("Accessibility on or off", "F6", OwnContext.HERE),
  HERE_MADE_UP("A made-up computer", "F7", OwnContext.HERE),
  HERE_WRITE("Write the computer as a file", "F8", OwnContext.HERE),

  SAME_TURN("The same, or not", "Space", OwnContext.SAME),

  AFTER_ACT("Act on this", "Enter", OwnContext.DRILL_AFTER),
  AFTER_LOOK("Look at an item", "F4", OwnContext.DRILL_AFTER),
  AFTER_MORE("Drill more", "F5", OwnContext.DRILL_AFTER),
  DRILL_BACK("Back to the beginning", "Esc", OwnContext.DRILL_AFTER, OwnContext.DRILL_PROGRESS),

  PROGRESS_LOOK("Look at an item", "Enter", OwnContext.DRILL_PROGRESS),
  PROGRESS_MARK("Mark or unmark", "F2", OwnContext.DRILL_PROGRESS),

  DRILL_LEAVE("Leave the drill", "Esc", OwnContext.DRILL_ANSWERED),
  DRILL_NEXT("Next item", "Enter", OwnContext.DRILL_ANSWERED),

  DRILL_BEGIN("Begin the drill", "Enter", OwnContext.DRILL_START),
  DRILL_SLOW("What is slow", "F5", OwnContext.DRILL_START),
  DRILL_SPRINT("Sprint", "F6", OwnContext.DRILL_START),
  DRILL_PROGRESS_OPEN("How it goes", "F7", OwnContext.DRILL_START),
  DRILL_TAKE("Take this action", "F2", OwnContext.DRILL_START),
  DRILL_PUT_OFF("Put it off", "F3", OwnContext.DRILL_START),
  DRILL_DROP("Drop the action", "Delete", OwnContext.DRILL_START),

  SYSTEMS_CHANGE("Change the system", "Enter", OwnContext.SYSTEMS),
  SYSTEMS_NEW_APPLICATION("New application", "Ctrl+N", OwnContext.SYSTEMS),
  SYSTEMS_BINDINGS("Its bindings", "F6", OwnContext.SYSTEMS),
  SYSTEMS_ACTION("An action", "F4", OwnContext.SYSTEMS),
  SYSTEMS_JOIN("Join with another", "F3", OwnContext.SYSTEMS),
  SYSTEMS_REMOVE("Take the system away", "Delete", OwnContext.SYSTEMS),
  SYSTEMS_NEW_PLATFORM("New platform", "Ctrl+Shift+N", OwnContext.SYSTEMS),
  SYSTEMS_WRITE("Write its keymap as a file", "F5", OwnContext.SYSTEMS),

  BINDINGS_CHANGE("Change the binding", "Enter", OwnContext.BINDINGS),
  BINDINGS_NEW("New binding", "Ctrl+N", OwnContext.BINDINGS),
  BINDINGS_CHOOSE("Choose the binding", "Space", OwnContext.BINDINGS),
  BINDINGS_MOVE("Move to another context", "F6", OwnContext.BINDINGS),
  BINDINGS_REMOVE("Remove the chosen bindings", "Delete", OwnContext.BINDINGS),
  BINDINGS_CHOOSE_CONTEXT("Choose all of its context", "Shift+Space", OwnContext.BINDINGS),

  TEXT_ON("Read on", "PageDown", OwnContext.OVER),
  TEXT_BACK("Read back", "PageUp", OwnContext.OVER),

  LISTEN("Press keys to look up", "Ctrl+L", OwnContext.LOOK_UP),

  KEYBOARD_SHOW("Keyboard", "Ctrl+B", OwnContext.LOOK_UP_WORDS),
  COMPARE("Compare two systems", "Ctrl+E", OwnContext.LOOK_UP_WORDS),
  GESTURE_ADD("Add a gesture", "Ctrl+N", OwnContext.LOOK_UP_WORDS),
  GESTURE_CHANGE("Change the gesture", "F2", OwnContext.LOOK_UP_WORDS),
  GESTURE_REMOVE("Remove the gesture", "Delete", OwnContext.LOOK_UP_WORDS),
  GESTURE_SWITCH("Switch the gesture off or on", "F8", OwnContext.LOOK_UP_WORDS),
  SAME_WORDS("Words that mean the same", "F7", OwnContext.LOOK_UP_WORDS),
  LOOK_UP_ROUTE(
      "Route of the gesture", "Ctrl+R", OwnContext.LOOK_UP_WORDS, OwnContext.LOOK_UP_KEYBOARD),
  DRILL_THIS("Drill this action", "Ctrl+D", OwnContext.LOOK_UP_WORDS),
  DRILL_ALL("Drill all that was found", "Ctrl+Shift+D", OwnContext.LOOK_UP_WORDS),

  LOOK_UP_BACK("Back to words", "Esc", OwnContext.LOOK_UP_KEYBOARD, OwnContext.LOOK_UP_COMPARE),

  OUTLINE_CHANGE("Change the part", "Enter", OwnContext.OUTLINE),
  OUTLINE_ADD("Add a part", "Ctrl+N", OwnContext.OUTLINE),
  OUTLINE_REMOVE("Remove the part", "Delete", OwnContext.OUTLINE),
  OUTLINE_EARLIER("Part earlier", "Alt+ArrowUp", OwnContext.OUTLINE),
  OUTLINE_LATER("Part later", "Alt+ArrowDown", OwnContext.OUTLINE),
  OUTLINE_NEXT_MISTAKE("Next mistake", "F8", OwnContext.OUTLINE),

  OUTLINE_TAKE("Take what is chosen", "Enter", OwnContext.TEXT),

  LEAVE_WAY_IN("Leave the way in", "F9", OwnContext.TODAY),

  INTAKE_FILE("Bring in a file", "Ctrl+O", OwnContext.SHEETS),
  INTAKE_FOLDER("Bring in a folder", "Ctrl+Shift+F", OwnContext.SHEETS),
  INTAKE_CLIPBOARD("Bring in the clipboard", "Ctrl+Shift+V", OwnContext.SHEETS),

  INTAKE_BRING_IN("Bring in the list", "Ctrl+Enter", OwnContext.SHEETS_BRING_IN),
  INTAKE_SUBJECT("What the list is about", "F7", OwnContext.SHEETS_BRING_IN),
  INTAKE_GONE("Drop what is gone", "Ctrl+G", OwnContext.SHEETS_BRING_IN),
  INTAKE_STOP("Stop reading", "Esc", OwnContext.SHEETS_BRING_IN),

  SHEETS_TURN("Bring in, or make a sheet", "F4", OwnContext.SHEETS),

  HAND_ON("Hand on", "F5", OwnContext.SHEETS_MAKE),

  COPIES("Copies of the file", "F6", OwnContext.SHEETS),
  ARCHIVE("Everything out, in open formats", "F8", OwnContext.SHEETS),
  HERE_OPEN("This computer", "F9", OwnContext.SHEETS),

  SHEET_PRINT("Print the sheet", "Ctrl+P", OwnContext.SHEETS_MAKE),
  SHEET_SAVE("Save the sheet", "Ctrl+S", OwnContext.SHEETS_MAKE),
  SHEET_COPY("Copy the sheet", "Ctrl+C", OwnContext.SHEETS_MAKE),
  SHEET_NEXT_PAGE("Next page", "Ctrl+PageDown", OwnContext.SHEETS_MAKE),
  SHEET_PAGE_BEFORE("Page before", "Ctrl+PageUp", OwnContext.SHEETS_MAKE),
  SHEET_LARGER("Page larger", "Alt+PageDown", OwnContext.SHEETS_MAKE),
  SHEET_SMALLER("Page smaller", "Alt+PageUp", OwnContext.SHEETS_MAKE),
  SHEET_STOP("Stop making or printing", "Esc", OwnContext.SHEETS_MAKE),

  WEEKS_OF_MOUSE("Weeks of the mouse", "F7", OwnContext.TODAY),
  TODAY_REVIEW("The week in review", "F8", OwnContext.TODAY),
  ASPECT_DOES("Keyboard: what it does", "F2", OwnContext.LOOK_UP_KEYBOARD),
  ASPECT_KNOWN("Keyboard: what is known", "F3", OwnContext.LOOK_UP_KEYBOARD),
  ASPECT_USED("Keyboard: what is used", "F4", OwnContext.LOOK_UP_KEYBOARD),
  ASPECT_FINGERS("Keyboard: which finger", "F5", OwnContext.LOOK_UP_KEYBOARD),
  ASPECT_CONFLICTS("Keyboard: what conflicts", "F6", OwnContext.LOOK_UP_KEYBOARD),
  ALL_KEYS_OTHER("Other keys for a command", "F2", OwnContext.ALL_KEYS),
  ALL_KEYS_RESET("Keys of a command as they were", "F5", OwnContext.ALL_KEYS),
  ALL_KEYS_RESET_ALL("All keys as they were", "F8", OwnContext.ALL_KEYS);

  static final String ID = "program.";

  private final String title;
  private final String usual;
  private final boolean fixed;
  private final List<OwnContext> contexts;

  OwnKey(String title, String usual, OwnContext... contexts) {
    this(title, usual, usual.equals("Enter") || usual.equals("Esc"), contexts);
  }

  OwnKey(String title, String usual, boolean fixed, OwnContext... contexts) {
    this.title = title;
    this.usual = usual;
    this.fixed = fixed;
    this.contexts = List.of(contexts);
  }

  /** What it does, as a command. */
  public String title() {
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
