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
 * Keys as terminals and line editors name them: {@code ^X^E}, {@code \C-x\C-r}, {@code \M-f},
 * {@code \e.}, and what terminals send for keys that have no character ({@code \e[1;5C}, the
 * numbers of ECMA-48 and of xterm's modifiers: 2 Shift, 3 Alt, 5 Ctrl). M is Alt here. O(n) in the
 * length of the text.
 */
final class EscapedForm {
  private static final Map<String, Key> SENT =
      Map.ofEntries(
          Map.entry("A", Key.ArrowUp),
          Map.entry("B", Key.ArrowDown),
          Map.entry("C", Key.ArrowRight),
          Map.entry("D", Key.ArrowLeft),
          Map.entry("H", Key.Home),
          Map.entry("F", Key.End),
          Map.entry("1~", Key.Home),
          Map.entry("7~", Key.Home),
          Map.entry("2~", Key.Insert),
          Map.entry("3~", Key.Delete),
          Map.entry("4~", Key.End),
          Map.entry("8~", Key.End),
          Map.entry("5~", Key.PageUp),
          Map.entry("6~", Key.PageDown));
  private static final Pattern SEQUENCE =
      Pattern.compile("\\\\e(?:\\[|O)(?:(\\d)(?:;(\\d))?(~)|(?:1;(\\d))?([A-DFH]))");
  private static final Pattern STEP =
      Pattern.compile(
          "((?:\\\\[CM]-)*)(\\\\e|\\\\t|\\\\r|\\\\n|\\\\\\\\|\\\\\"|\\\\'|[^\\s\\\\]|\\\\[CM]-)");
  private static final Pattern CARETS =
      Pattern.compile("\\^[A-Za-z\\[\\]\\\\_@](?: ?(?:\\^[A-Za-z\\[\\]\\\\_@]|[A-Za-z0-9]))*");
  private static final Pattern CARET_STEP = Pattern.compile("(\\^?)(\\S)");
  private static final Map<String, Key> NAMED =
      Map.of("\\e", Key.Escape, "\\t", Key.Tab, "\\r", Key.Enter, "\\n", Key.Enter);
  private static final int LONGEST = 200;

  private final String text;

  EscapedForm(String text) {
    this.text = text;
  }

  static boolean looksSo(String text) {
    return text.length() <= LONGEST
        && (text.startsWith("\\C-")
            || text.startsWith("\\M-")
            || text.matches("\\\\c[a-z]|\\\\[tnr]")
            || (text.startsWith("\\e") && text.length() > 2)
            || CARETS.matcher(text).matches());
  }

  Gesture gesture() {
    List<Step> steps = new ArrayList<>();
    if (text.startsWith("^")) {
      Matcher step = CARET_STEP.matcher(text);
      while (step.find()) {
        Held held = step.group(1).isEmpty() ? Held.of(Modifiers.NONE) : Held.of(Modifier.CTRL);
        steps.add(new Step.Stroke(held, new KeyRef.Typed(step.group(2).codePointAt(0))));
      }
      return made(steps);
    }
    if (text.startsWith("\\c")) {
      return Gesture.of(
          new Step.Stroke(Held.of(Modifier.CTRL), new KeyRef.Typed(text.codePointAt(2))));
    }
    int at = 0;
    Matcher sequence = SEQUENCE.matcher(text);
    Matcher step = STEP.matcher(text);
    while (at < text.length()) {
      if (sequence.find(at) && sequence.start() == at) {
        steps.add(sent(sequence));
        at = sequence.end();
      } else if (step.find(at) && step.start() == at) {
        steps.add(step(step));
        at = step.end();
      } else {
        throw new GestureSyntaxException(text, at + 1, worded("keys.a-key-such-as-c-a"));
      }
    }
    return made(steps);
  }

  private Gesture made(List<Step> steps) {
    if (steps.isEmpty() || steps.size() > Gesture.MOST_STEPS) {
      throw new GestureSyntaxException(text, 1, worded("keys.1-to-steps", Gesture.MOST_STEPS));
    }
    return new Gesture(steps);
  }

  private Step sent(Matcher found) {
    boolean numbered = found.group(3) != null;
    String key = numbered ? found.group(1) + "~" : found.group(5);
    String modifiers = numbered ? found.group(2) : found.group(4);
    Key named =
        Optional.ofNullable(SENT.get(key))
            .orElseThrow(
                () ->
                    new GestureSyntaxException(
                        text, found.start() + 1, worded("keys.what-a-terminal-sends-for-a")));
    int bits = modifiers == null ? 0 : modifiers.charAt(0) - '1';
    Modifiers held = Modifiers.NONE;
    held = (bits & 1) == 0 ? held : held.and(Modifier.SHIFT);
    held = (bits & 2) == 0 ? held : held.and(Modifier.ALT);
    held = (bits & 4) == 0 ? held : held.and(Modifier.CTRL);
    return new Step.Stroke(Held.of(held), new KeyRef.Placed(named));
  }

  private Step step(Matcher found) {
    Modifiers held = Modifiers.NONE;
    String prefix = found.group(1);
    held = prefix.contains("\\C-") ? held.and(Modifier.CTRL) : held;
    held = prefix.contains("\\M-") ? held.and(Modifier.ALT) : held;
    String key = found.group(2);
    if (key.length() == 3) {
      throw new GestureSyntaxException(
          text, found.end() + 1, worded("keys.a-key-behind-the-modifier"));
    }
    Key named = NAMED.get(key.toLowerCase(Locale.ROOT));
    if (named != null) {
      return new Step.Stroke(Held.of(held), new KeyRef.Placed(named));
    }
    int c = key.codePointBefore(key.length());
    boolean shifted = Character.isUpperCase(c) && !held.has(Modifier.CTRL);
    return new Step.Stroke(Held.of(shifted ? held.and(Modifier.SHIFT) : held), new KeyRef.Typed(c));
  }
}
