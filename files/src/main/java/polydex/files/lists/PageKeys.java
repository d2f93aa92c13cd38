package polydex.files.lists;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/**
 * Which elements of a page are keys, and how those that stand side by side go together. Markup for
 * a combination says so; without it a modifier goes with what follows, and two whole strokes are
 * put apart with a comma, whose meaning the list as a whole decides.
 */
final class PageKeys {
  private static final Set<String> ELEMENTS =
      Set.of("kbd", "key", "keycap", "keysym", "keycode", "mousebutton", "keystroke", "accel");
  private static final Set<String> COMBOS = Set.of("keycombo", "keyseq");
  private static final Set<String> CLASSES =
      Set.of("key", "kbd", "keycap", "keyb", "keyboard-key", "keystroke", "keycombo", "keys");
  private static final Map<String, String> FUNCTIONS =
      Map.of(
          "control", "Ctrl",
          "command", "Cmd",
          "option", "Alt",
          "spacebar", "Space",
          "pageup", "PageUp",
          "pagedown", "PageDown",
          "escape", "Esc",
          "backspace", "Backspace");

  private PageKeys() {}

  static boolean isKey(Element e) {
    return ELEMENTS.contains(e.normalName()) || isKeyByClass(e);
  }

  static boolean isCombo(Element e) {
    return COMBOS.contains(e.normalName());
  }

  private static boolean isKeyByClass(Element e) {
    return e.normalName().equals("span") && e.classNames().stream().anyMatch(CLASSES::contains);
  }

  /**
   * What is between the keys of a combination: one stroke, unless it says that it is a sequence.
   */
  static String joint(Element combo) {
    String how = combo.attr("action") + combo.attr("type");
    return how.equals("seq") || how.equals("sequence") ? " then " : "+";
  }

  /** The name of a key that is given as an attribute instead of text. */
  static String name(Element key) {
    String text = key.text().strip();
    String function = key.attr("function").toLowerCase(Locale.ROOT);
    return !text.isEmpty() || function.isEmpty()
        ? text
        : FUNCTIONS.getOrDefault(function, function);
  }

  /** The key that stands before this one with nothing but space between. */
  static Optional<Element> before(Element key) {
    Node before = key.previousSibling();
    while (before instanceof TextNode space && space.isBlank()) {
      before = before.previousSibling();
    }
    return before instanceof Element e && (isKey(e) || isCombo(e))
        ? Optional.of(e)
        : Optional.empty();
  }
}
