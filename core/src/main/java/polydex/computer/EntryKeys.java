package polydex.computer;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import polydex.keys.Keysyms;

/**
 * What keys an entry has, read from what its toolkit tells. Most tell three texts with semicolons
 * between: the access key while the menu is open, the way through the menus, and the accelerator
 * ({@code n;<Alt>f:n;<Primary>n}). Some tell one text that is either of them.
 *
 * @param accessKey one character
 * @param accelerator as the toolkit writes it; commas between the steps of a sequence
 * @param guessed whether it could have been the other of the two
 * @param byAlt whether the way through the menus begins with Alt held
 */
public record EntryKeys(
    Optional<String> accessKey, Optional<String> accelerator, boolean guessed, boolean byAlt) {
  /** Nothing told. */
  public static final EntryKeys NONE =
      new EntryKeys(Optional.empty(), Optional.empty(), false, false);

  private static final Pattern ALT_LETTER =
      Pattern.compile("(?:<Alt>|Alt\\+)(?<key>[^\\s<>+]+)", Pattern.CASE_INSENSITIVE);

  /**
   * Reads what a widget tells.
   *
   * @param inMenu whether it stands in a menu, and not in the bar or a window
   */
  public static EntryKeys of(Widget widget, boolean inMenu) {
    String told = widget.keys().strip();
    // Everything that can be pressed is pressed by Space, which tells nothing of it.
    if (told.isEmpty() || told.equals("<Space>") || told.equals("Space")) {
      return NONE;
    }
    if (told.indexOf(';') != told.lastIndexOf(';')) {
      return three(told);
    }
    Matcher alt = ALT_LETTER.matcher(told);
    Optional<String> letter = alt.matches() ? character(alt.group("key")) : Optional.empty();
    boolean inName =
        letter
            .filter(
                l -> widget.name().toLowerCase(Locale.ROOT).contains(l.toLowerCase(Locale.ROOT)))
            .isPresent();
    if (letter.isPresent() && (inName || !widget.role().isEntry())) {
      // Of an entry it could be the accelerator as well; of a button or title it is no other.
      return new EntryKeys(letter, Optional.empty(), inMenu, true);
    }
    return new EntryKeys(
        Optional.empty(), Optional.of(told).filter(_ -> widget.role().isEntry()), false, false);
  }

  private static EntryKeys three(String told) {
    int first = told.indexOf(';');
    int second = told.indexOf(';', first + 1);
    String access = told.substring(0, first).strip();
    Matcher alt = ALT_LETTER.matcher(access);
    return new EntryKeys(
        character(alt.matches() ? alt.group("key") : access),
        Optional.of(told.substring(second + 1).strip()).filter(a -> !a.isEmpty()),
        false,
        told.startsWith("<Alt>", first + 1));
  }

  /** A character as it is, or by the name that the X Window System has for it. */
  private static Optional<String> character(String key) {
    if (key.codePointCount(0, key.length()) == 1) {
      return Optional.of(key);
    }
    return Keysyms.sign(key).filter(s -> !s.dead()).map(s -> Character.toString(s.codePoint()));
  }
}
