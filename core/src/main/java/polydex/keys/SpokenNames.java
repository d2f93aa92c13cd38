package polydex.keys;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import polydex.keys.Modifiers.Side;

/**
 * What people call keys, modifiers and what joins them, in running text and as signs. Phrases are
 * kept in lower case with single spaces.
 */
final class SpokenNames {

  /** What a phrase stands for. */
  sealed interface Meaning {}

  record Holds(Modifiers modifiers) implements Meaning {}

  record Presses(KeyRef key) implements Meaning {}

  record Points(PointerAct act) implements Meaning {}

  /** "hold": the modifiers after it stay down for what follows. */
  record Holding() implements Meaning {}

  /** "press", "tap", "the": says nothing by itself. */
  record Filler() implements Meaning {}

  /** "double-tap": what follows, so often. */
  record Before(int times) implements Meaning {}

  /** "twice": what went before, so often. */
  record After(int times) implements Meaning {}

  /** "and": joins, or goes on within a hold. */
  record And() implements Meaning {}

  /** "then": a new step. */
  record Then() implements Meaning {}

  /** "numpad": the next or the last key is meant there. */
  record Pad() implements Meaning {}

  static final int LONGEST_PHRASE = 4;

  private static final Map<String, Meaning> PHRASES = phrases();
  private static final Map<Integer, Meaning> SIGNS = signs();

  private SpokenNames() {}

  static Optional<Meaning> phrase(String folded) {
    return Optional.ofNullable(PHRASES.get(folded));
  }

  static Optional<Meaning> sign(int codePoint) {
    return Optional.ofNullable(SIGNS.get(codePoint));
  }

  /** The same key on the number pad, where it has one. */
  static Optional<KeyRef> onPad(KeyRef key) {
    String name =
        switch (key) {
          case KeyRef.Typed(int c) ->
              switch (c) {
                case '+' -> "NumpadAdd";
                case '-', '\u2212' -> "NumpadSubtract";
                case '*' -> "NumpadMultiply";
                case '/' -> "NumpadDivide";
                case '.' -> "NumpadDecimal";
                case ',' -> "NumpadComma";
                case '=' -> "NumpadEqual";
                default -> "Numpad" + Character.toString(c);
              };
          case KeyRef.Placed(Key placed) when placed == Key.Enter -> "NumpadEnter";
          case KeyRef.Placed(Key placed) when placed == Key.Delete -> "NumpadDecimal";
          case KeyRef.Placed(Key placed) -> placed.name();
          case KeyRef.AnyOf _ -> "";
        };
    return name.startsWith("Numpad") ? Key.ofCode(name).map(KeyRef.Placed::new) : Optional.empty();
  }

  private static Map<String, Meaning> phrases() {
    Map<String, Meaning> all = new HashMap<>();
    modifiers(all);
    keys(all);
    Map<String, PointerAct> acts = new LinkedHashMap<>();
    acts.put("click;left click;primary click", PointerAct.CLICK);
    acts.put("double click;doubleclick", PointerAct.DOUBLE_CLICK);
    acts.put("right click;rightclick;secondary click", PointerAct.RIGHT_CLICK);
    acts.put("middle click;middleclick", PointerAct.MIDDLE_CLICK);
    acts.put("drag;left drag", PointerAct.DRAG);
    acts.put("wheel;mouse wheel;scroll wheel;scroll;mouse scroll;mousewheel", PointerAct.WHEEL);
    acts.forEach((names, act) -> put(all, names, new Points(act)));
    put(
        all,
        "hold;hold down;holding;holding down;while holding;while holding down;press and hold;keep holding",
        new Holding());
    put(
        all,
        "press;tap;hit;type;press the;the;your;while;key;keys;button;combination;letter;number;digit",
        new Filler());
    put(all, "double tap;double press;double;2 x", new Before(2));
    put(all, "triple tap;triple press", new Before(3));
    put(all, "twice;two times;2 times;2x;x2;2×", new After(2));
    put(all, "three times;thrice;3 times;3x;x3", new After(3));
    put(all, "and;with", new And());
    put(
        all,
        "then;and then;followed by;then press;and then press;followed by the;then tap;then type;and afterwards;afterwards",
        new Then());
    return Map.copyOf(all);
  }

  private static void put(Map<String, Meaning> all, String names, Meaning meaning) {
    for (String name : names.split(";")) {
      all.put(name, meaning);
    }
  }

  private static void modifiers(Map<String, Meaning> all) {
    Map<Modifier, String> names = new LinkedHashMap<>();
    names.put(Modifier.CTRL, "ctrl;control;ctl;cntrl;strg");
    names.put(
        Modifier.META,
        "meta;super;win;windows;windows logo;win logo;logo;command;cmd;os;mod4;$mod");
    names.put(Modifier.ALT, "alt;option;opt;mod1");
    names.put(Modifier.ALTGR, "altgr;alt gr;altgraph;alt graph;mod5");
    names.put(Modifier.SHIFT, "shift;shft");
    names.put(Modifier.HYPER, "hyper");
    names.put(Modifier.FN, "fn;globe");
    names.forEach(
        (modifier, words) -> {
          for (String word : words.split(";")) {
            for (String end : List.of("", " key")) {
              put(all, word + end, new Holds(Modifiers.of(modifier)));
              put(all, "left " + word + end, new Holds(Modifiers.of(modifier, Side.LEFT)));
              put(all, "right " + word + end, new Holds(Modifiers.of(modifier, Side.RIGHT)));
              put(all, "l" + word + end, new Holds(Modifiers.of(modifier, Side.LEFT)));
              put(all, "r" + word + end, new Holds(Modifiers.of(modifier, Side.RIGHT)));
              put(all, "left" + word + end, new Holds(Modifiers.of(modifier, Side.LEFT)));
              put(all, "right" + word + end, new Holds(Modifiers.of(modifier, Side.RIGHT)));
            }
          }
        });
  }

  private static void keys(Map<String, Meaning> all) {
    Map<String, Key> named = new LinkedHashMap<>();
    for (Key key : Key.values()) {
      key.keyName().ifPresent(n -> named.put(n.toLowerCase(Locale.ROOT), key));
    }
    named.put("return;enter;ret;cr", Key.Enter);
    named.put("escape;esc", Key.Escape);
    named.put("del;delete;forward delete;fwd delete", Key.Delete);
    named.put("ins", Key.Insert);
    named.put("bs;backspace;back space;bksp;bkspc;bspace;backsp;rubout", Key.Backspace);
    named.put("spacebar;space bar;space;spc", Key.Space);
    named.put("pgup;page up;pg up;page ↑;pg ↑;prior;ppage", Key.PageUp);
    named.put(
        "pgdn;pgdown;page down;pg dn;pg down;pagedn;page dn;page dwn;pgdwn;page ↓;pg ↓;npage",
        Key.PageDown);
    named.put(
        "left arrow;arrow left;leftarrow;cursor left;arrowleft;left arrow ←;left cursor",
        Key.ArrowLeft);
    named.put(
        "right arrow;arrow right;rightarrow;cursor right;arrowright;right arrow →;right cursor",
        Key.ArrowRight);
    named.put("up arrow;arrow up;uparrow;cursor up;arrowup;up arrow ↑;up cursor", Key.ArrowUp);
    named.put(
        "down arrow;arrow down;downarrow;cursor down;arrowdown;down arrow ↓;down cursor",
        Key.ArrowDown);
    named.put(
        "prtsc;prtscn;prtscr;prt scr;prt sc;prt scn;print screen;printscrn;print scrn;print scr;print;sysrq;sys rq;prnt scrn;prt scrn",
        Key.PrintScreen);
    named.put("caps lock;caps", Key.CapsLock);
    named.put("scroll lock;scrlk", Key.ScrollLock);
    named.put("num lock;numlk", Key.NumLock);
    named.put("break;pause break;pause/break", Key.Pause);
    named.put("context menu;menu;application;apps;applications;appskey", Key.ContextMenu);
    named.put("mute;volume mute;audio mute;sound mute;mute volume", Key.AudioVolumeMute);
    named.put("volume up;vol up;audio raise volume;raise volume;volume +", Key.AudioVolumeUp);
    named.put("volume down;vol down;audio lower volume;lower volume", Key.AudioVolumeDown);
    named.put("play/pause;play pause;media play;media play pause;audio play", Key.MediaPlayPause);
    named.put("media stop;audio stop", Key.MediaStop);
    named.put("next track;media next;media next track;audio next", Key.MediaTrackNext);
    named.put(
        "previous track;prev track;media previous;media prev;media previous track;audio prev",
        Key.MediaTrackPrevious);
    named.put("browser back", Key.BrowserBack);
    named.put("browser forward", Key.BrowserForward);
    named.put("browser home", Key.BrowserHome);
    named.put("browser search", Key.BrowserSearch);
    named.put("browser refresh;browser reload", Key.BrowserRefresh);
    named.put("calculator;calc", Key.LaunchApp2);
    named.put("launch mail", Key.LaunchMail);
    named.forEach(
        (names, key) -> {
          for (String name : names.split(";")) {
            put(all, name + ";" + name + " key", new Presses(new KeyRef.Placed(key)));
          }
        });
    pad(all);
    signNames(all);
    KeyRef arrows = new KeyRef.AnyOf("Arrow", KeyNames.group("Arrow"));
    put(
        all,
        "arrow;arrows;arrow key;arrow keys;any arrow;any arrow key;cursor keys",
        new Presses(arrows));
  }

  private static void pad(Map<String, Meaning> all) {
    Map<String, Key> pad = new LinkedHashMap<>();
    for (int i = 0; i <= 9; i++) {
      pad.put(Integer.toString(i), Key.valueOf("Numpad" + i));
    }
    pad.put("plus", Key.NumpadAdd);
    pad.put("add", Key.NumpadAdd);
    pad.put("minus", Key.NumpadSubtract);
    pad.put("subtract", Key.NumpadSubtract);
    pad.put("star", Key.NumpadMultiply);
    pad.put("asterisk", Key.NumpadMultiply);
    pad.put("multiply", Key.NumpadMultiply);
    pad.put("slash", Key.NumpadDivide);
    pad.put("divide", Key.NumpadDivide);
    pad.put("enter", Key.NumpadEnter);
    pad.put("decimal", Key.NumpadDecimal);
    pad.put("dot", Key.NumpadDecimal);
    pad.forEach(
        (name, key) -> {
          for (String word :
              List.of("numpad", "num", "keypad", "num pad", "number pad", "numeric keypad", "kp")) {
            put(all, word + " " + name, new Presses(new KeyRef.Placed(key)));
          }
          put(all, "num" + name, new Presses(new KeyRef.Placed(key)));
        });
    put(
        all,
        "numpad;num;keypad;num pad;number pad;numeric keypad;kp;numeric pad;numerical keypad"
            + ";on numpad;on keypad;on num pad;on numeric keypad;on the numpad;on the keypad"
            + ";on the numeric keypad;on the number pad;on number pad;of the numeric keypad",
        new Pad());
  }

  private static void signNames(Map<String, Meaning> all) {
    Map<String, Character> signs = new LinkedHashMap<>();
    signs.put("plus;plus sign;plus symbol", '+');
    signs.put("minus;hyphen;dash;minus sign;hyphen minus", '-');
    signs.put("comma;comma sign", ',');
    signs.put("period;dot;full stop;point", '.');
    signs.put("slash;forward slash", '/');
    signs.put("backslash;back slash", '\\');
    signs.put("semicolon", ';');
    signs.put("colon", ':');
    signs.put("equals;equal;equal sign;equals sign", '=');
    signs.put("backtick;grave;grave accent;back tick;back quote;backquote", '`');
    signs.put("tilde;tilde sign", '~');
    signs.put("apostrophe;single quote;quote", '\'');
    signs.put("double quote;quotation mark;quotation marks;double quotes", '"');
    signs.put("question mark", '?');
    signs.put("exclamation mark;exclamation point", '!');
    signs.put("hash;hash sign;number sign;hashtag;pound sign", '#');
    signs.put("at sign;at", '@');
    signs.put("ampersand", '&');
    signs.put("asterisk;star", '*');
    signs.put("underscore;underline", '_');
    signs.put("pipe;vertical bar", '|');
    signs.put("caret", '^');
    signs.put("dollar;dollar sign", '$');
    signs.put("percent;percent sign", '%');
    signs.put(
        "open bracket;left bracket;left square bracket;opening bracket;open square bracket;opening square bracket",
        '[');
    signs.put(
        "close bracket;right bracket;right square bracket;closing bracket;close square bracket;closing square bracket",
        ']');
    signs.put("open brace;left brace;left curly bracket", '{');
    signs.put("close brace;right brace;right curly bracket", '}');
    signs.put("open parenthesis;left parenthesis;left paren;open paren;opening parenthesis", '(');
    signs.put(
        "close parenthesis;right parenthesis;right paren;close paren;closing parenthesis", ')');
    signs.put("less than;less than sign;less;left angle bracket", '<');
    signs.put("greater than;greater than sign;greater;right angle bracket", '>');
    List<String> digits =
        List.of("zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine");
    digits.forEach(d -> signs.put(d, (char) ('0' + digits.indexOf(d))));
    signs.forEach(
        (names, c) -> {
          for (String name : names.split(";")) {
            put(all, name + ";" + name + " key", new Presses(new KeyRef.Typed(c)));
          }
        });
  }

  private static Map<Integer, Meaning> signs() {
    Map<Integer, Meaning> all = new HashMap<>();
    Map<String, Modifier> modifiers =
        Map.of(
            "⌘", Modifier.META,
            "⇧", Modifier.SHIFT,
            "⌃", Modifier.CTRL,
            "⌥", Modifier.ALT,
            "⎇", Modifier.ALT,
            "⎈", Modifier.CTRL,
            "⊞", Modifier.META,
            "❖", Modifier.META,
            "🌐", Modifier.FN);
    modifiers.forEach((sign, m) -> all.put(sign.codePointAt(0), new Holds(Modifiers.of(m))));
    Map<String, Key> keys = new LinkedHashMap<>();
    keys.put("↩⏎↵⮐", Key.Enter);
    keys.put("⌤⎆", Key.NumpadEnter);
    keys.put("⇥↹", Key.Tab);
    keys.put("⎋", Key.Escape);
    keys.put("␣⎵", Key.Space);
    keys.put("⌫", Key.Backspace);
    keys.put("⌦", Key.Delete);
    keys.put("⎀", Key.Insert);
    keys.put("←", Key.ArrowLeft);
    keys.put("→", Key.ArrowRight);
    keys.put("↑", Key.ArrowUp);
    keys.put("↓", Key.ArrowDown);
    keys.put("⇞", Key.PageUp);
    keys.put("⇟", Key.PageDown);
    keys.put("↖⤒⇱", Key.Home);
    keys.put("↘⤓⇲", Key.End);
    keys.put("⇪", Key.CapsLock);
    keys.put("⇭", Key.NumLock);
    keys.put("⎙", Key.PrintScreen);
    keys.put("⏏", Key.Eject);
    keys.put("☰≣▤", Key.ContextMenu);
    keys.forEach(
        (signs, key) ->
            signs.codePoints().forEach(c -> all.put(c, new Presses(new KeyRef.Placed(key)))));
    // The backward tab sign is Shift and Tab at once, so it is none of these.
    return Map.copyOf(all);
  }
}
