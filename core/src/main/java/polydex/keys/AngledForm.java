package polydex.keys;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The style of editors with modes: {@code <C-w>s}, {@code <S-Tab>}, {@code <CR>}. What stands in
 * angles is one key with its modifiers, every other character a key by itself, and an upper-case
 * letter asks for Shift, except with Ctrl. O(n) in the length of the text.
 */
final class AngledForm {
  private static final Map<Character, Modifier> MODIFIERS =
      Map.of(
          'C', Modifier.CTRL,
          'S', Modifier.SHIFT,
          'M', Modifier.ALT,
          'A', Modifier.ALT,
          'D', Modifier.META,
          'T', Modifier.META);
  private static final Map<String, KeyRef> NAMES =
      Map.ofEntries(
          placed("cr", Key.Enter),
          placed("return", Key.Enter),
          placed("enter", Key.Enter),
          placed("esc", Key.Escape),
          placed("bs", Key.Backspace),
          placed("backspace", Key.Backspace),
          placed("tab", Key.Tab),
          placed("space", Key.Space),
          placed("del", Key.Delete),
          placed("delete", Key.Delete),
          placed("insert", Key.Insert),
          placed("ins", Key.Insert),
          placed("up", Key.ArrowUp),
          placed("down", Key.ArrowDown),
          placed("left", Key.ArrowLeft),
          placed("right", Key.ArrowRight),
          placed("home", Key.Home),
          placed("end", Key.End),
          placed("pageup", Key.PageUp),
          placed("pagedown", Key.PageDown),
          placed("help", Key.Help),
          placed("undo", Key.Undo),
          placed("kplus", Key.NumpadAdd),
          placed("kminus", Key.NumpadSubtract),
          placed("kmultiply", Key.NumpadMultiply),
          placed("kdivide", Key.NumpadDivide),
          placed("kenter", Key.NumpadEnter),
          placed("kpoint", Key.NumpadDecimal),
          Map.entry("lt", new KeyRef.Typed('<')),
          Map.entry("gt", new KeyRef.Typed('>')),
          Map.entry("bar", new KeyRef.Typed('|')),
          Map.entry("bslash", new KeyRef.Typed('\\')));
  private static final Pattern ANGLED = Pattern.compile("<((?:[CSMADTcsmadt]-)*)([^<>\\s]+|<|>)>");
  private static final int LONGEST = 200;

  /** More characters by themselves are words. */
  private static final int MOST_PLAIN = 4;

  private final String text;

  AngledForm(String text) {
    this.text = text;
  }

  private static Map.Entry<String, KeyRef> placed(String name, Key key) {
    return Map.entry(name, new KeyRef.Placed(key));
  }

  /** Whether something in angles is a key as these editors write it. */
  static boolean looksSo(String text) {
    if (text.indexOf('<') < 0 || text.length() > LONGEST) {
      return false;
    }
    Matcher angled = ANGLED.matcher(text);
    boolean any = false;
    int behind = 0;
    while (angled.find()) {
      boolean terse = // C-M-<right>
          angled.start() > 1 && text.charAt(angled.start() - 1) == '-' && text.charAt(0) != '<';
      if (terse) {
        return false;
      }
      boolean known = !angled.group(1).isEmpty() || named(angled.group(2)).isPresent();
      // <Ctrl>+<S> is no such thing, however its parts look.
      if (!known || text.substring(behind, angled.start()).indexOf('+') >= 0) {
        return false;
      }
      any = true;
      behind = angled.end();
    }
    String plain = ANGLED.matcher(text).replaceAll("").replaceAll("\\s", "");
    return any
        && plain.length() <= MOST_PLAIN
        && text.indexOf("+<", behind) < 0
        && !text.startsWith("+", behind);
  }

  Gesture gesture() {
    List<Step> steps = new ArrayList<>();
    int at = 0;
    Matcher angled = ANGLED.matcher(text);
    while (at < text.length()) {
      if (angled.find(at) && angled.start() == at) {
        steps.add(angled(angled));
        at = angled.end();
      } else {
        int c = text.codePointAt(at);
        if (!Character.isWhitespace(c)) {
          steps.add(letter(c));
        }
        at += Character.charCount(c);
      }
      if (steps.size() > Gesture.MOST_STEPS) {
        throw new GestureSyntaxException(text, 1, worded("keys.at-most-steps", Gesture.MOST_STEPS));
      }
    }
    return new Gesture(steps);
  }

  /** A key as its character alone says it: an upper-case letter with Shift. */
  static Step letter(int c) {
    Held held = Character.isUpperCase(c) ? Held.of(Modifier.SHIFT) : Held.of(Modifiers.NONE);
    return new Step.Stroke(held, new KeyRef.Typed(c));
  }

  private Step angled(Matcher found) {
    Modifiers held = Modifiers.NONE;
    for (String one : found.group(1).toUpperCase(Locale.ROOT).split("-")) {
      if (!one.isEmpty()) {
        Modifier modifier = MODIFIERS.get(one.charAt(0));
        if (held.has(modifier)) {
          throw new GestureSyntaxException(
              text, found.start(1) + 1, worded("keys.each-modifier-once"));
        }
        held = held.and(modifier);
      }
    }
    String name = found.group(2);
    if (name.codePointCount(0, name.length()) == 1) {
      int c = name.codePointAt(0);
      boolean shifted = Character.isUpperCase(c) && !held.has(Modifier.CTRL);
      return new Step.Stroke(
          Held.of(shifted ? held.and(Modifier.SHIFT) : held), new KeyRef.Typed(c));
    }
    return new Step.Stroke(
        Held.of(held),
        named(name)
            .orElseThrow(
                () ->
                    new GestureSyntaxException(
                        text, found.start(2) + 1, worded("keys.a-key-such-as-cr-esc", name))));
  }

  private static Optional<KeyRef> named(String name) {
    String folded = name.toLowerCase(Locale.ROOT);
    KeyRef known = NAMES.get(folded);
    if (known != null) {
      return Optional.of(known);
    }
    if (folded.matches("k[0-9]")) {
      return Key.ofCode("Numpad" + folded.charAt(1)).map(KeyRef.Placed::new);
    }
    return folded.matches("f[1-9]\\d?") ? KeyNames.key(folded) : Optional.empty();
  }
}
