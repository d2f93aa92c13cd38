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
 * The style of editors that write a letter and a dash for each modifier: {@code C-x C-s}. M is the
 * Alt key there, s (small) the Meta key; names of keys stand in angle brackets, and an upper-case
 * letter asks for Shift, except with C. O(n) in the length of the text.
 */
final class TerseForm {
  private static final Map<Character, Modifier> MODIFIERS =
      Map.of(
          'C', Modifier.CTRL,
          'M', Modifier.ALT,
          'A', Modifier.ALT,
          'S', Modifier.SHIFT,
          's', Modifier.META,
          'W', Modifier.META,
          'H', Modifier.HYPER);
  private static final Map<String, Key> WORDS =
      Map.of(
          "RET", Key.Enter,
          "SPC", Key.Space,
          "TAB", Key.Tab,
          "ESC", Key.Escape,
          "DEL", Key.Backspace);
  private static final Map<String, Key> NAMES =
      Map.ofEntries(
          Map.entry("return", Key.Enter),
          Map.entry("escape", Key.Escape),
          Map.entry("backspace", Key.Backspace),
          Map.entry("tab", Key.Tab),
          Map.entry("delete", Key.Delete),
          Map.entry("deletechar", Key.Delete),
          Map.entry("insert", Key.Insert),
          Map.entry("prior", Key.PageUp),
          Map.entry("next", Key.PageDown),
          Map.entry("pageup", Key.PageUp),
          Map.entry("pagedown", Key.PageDown),
          Map.entry("menu", Key.ContextMenu),
          Map.entry("print", Key.PrintScreen),
          Map.entry("pause", Key.Pause),
          Map.entry("space", Key.Space),
          Map.entry("bspace", Key.Backspace),
          Map.entry("bs", Key.Backspace),
          Map.entry("enter", Key.Enter),
          Map.entry("esc", Key.Escape),
          Map.entry("ret", Key.Enter),
          Map.entry("spc", Key.Space),
          Map.entry("del", Key.Delete),
          Map.entry("dc", Key.Delete),
          Map.entry("ic", Key.Insert),
          Map.entry("ins", Key.Insert),
          Map.entry("ppage", Key.PageUp),
          Map.entry("pgup", Key.PageUp),
          Map.entry("page_up", Key.PageUp),
          Map.entry("npage", Key.PageDown),
          Map.entry("pgdn", Key.PageDown),
          Map.entry("page_down", Key.PageDown),
          Map.entry("kp-add", Key.NumpadAdd),
          Map.entry("kp-subtract", Key.NumpadSubtract),
          Map.entry("kp-multiply", Key.NumpadMultiply),
          Map.entry("kp-divide", Key.NumpadDivide),
          Map.entry("kp-decimal", Key.NumpadDecimal),
          Map.entry("kp-enter", Key.NumpadEnter));
  private static final Pattern TOKEN = Pattern.compile("\\S+");
  private static final Pattern WITH_WORD =
      Pattern.compile("\\S (?:RET|SPC)(?!\\S)|^(?:RET|SPC) \\S");
  private static final Pattern MARK = Pattern.compile("(?s).*(?<![\\p{L}\\p{N}<])[CMASsHW]-\\S.*");

  private final String text;

  TerseForm(String text) {
    this.text = text;
  }

  static boolean looksSo(String text) {
    return MARK.matcher(text).matches()
        || WITH_WORD.matcher(text).find()
        || text.matches("(?s)<[a-z]+-?[a-z0-9]*>( .*)?");
  }

  Gesture gesture() {
    List<Step> steps = new ArrayList<>();
    Matcher tokens = TOKEN.matcher(text);
    while (tokens.find()) {
      steps.add(step(tokens.group(), tokens.start() + 1));
    }
    if (steps.size() > Gesture.MOST_STEPS) {
      throw new GestureSyntaxException(text, 1, worded("keys.at-most-steps", Gesture.MOST_STEPS));
    }
    return new Gesture(steps);
  }

  private Step step(String token, int column) {
    Modifiers held = Modifiers.NONE;
    int at = 0;
    while (at + 2 < token.length() && token.charAt(at + 1) == '-') {
      Modifier modifier = MODIFIERS.get(token.charAt(at));
      if (modifier == null || held.has(modifier)) {
        throw new GestureSyntaxException(text, column + at, worded("keys.one-of-c-m-s-s"));
      }
      held = held.and(modifier);
      at += 2;
    }
    return stroke(held, token.substring(at), column + at);
  }

  private Step stroke(Modifiers held, String key, int column) {
    if (key.codePointCount(0, key.length()) == 1) {
      int c = key.codePointAt(0);
      Modifiers shifted =
          Character.isUpperCase(c) && !held.has(Modifier.CTRL) ? held.and(Modifier.SHIFT) : held;
      return new Step.Stroke(Held.of(shifted), new KeyRef.Typed(c));
    }
    Optional<Key> named = Optional.ofNullable(WORDS.get(key));
    if (named.isEmpty() && key.startsWith("<") && key.endsWith(">")) {
      named = named(key.substring(1, key.length() - 1).toLowerCase(Locale.ROOT));
    }
    if (named.isEmpty() && !held.isEmpty()) {
      named = named(key.toLowerCase(Locale.ROOT)); // S-F5, as people write it
    }
    return new Step.Stroke(
        Held.of(held),
        new KeyRef.Placed(
            named.orElseThrow(
                () ->
                    new GestureSyntaxException(
                        text, column, worded("keys.a-key-such-as-x-ret", key)))));
  }

  private static Optional<Key> named(String name) {
    Key known = NAMES.get(name);
    if (known != null) {
      return Optional.of(known);
    }
    if (name.matches("kp-[0-9]")) {
      return Key.ofCode("Numpad" + name.charAt(3));
    }
    return name.matches("f[1-9]\\d?|left|right|up|down|home|end")
        ? KeyNames.key(name).map(k -> ((KeyRef.Placed) k).key())
        : Optional.empty();
  }
}
