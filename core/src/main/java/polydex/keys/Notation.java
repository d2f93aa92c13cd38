package polydex.keys;

import static polydex.language.CoreWords.worded;

/**
 * The forms in which people and programs write gestures, as {@link GestureReader} tells them apart.
 */
public enum Notation {
  /** Our own: {@link Gesture#parse}. */
  OWN(worded("keys.our-own")),
  /** Toolkit accelerators and keysym names: {@code <Primary><Shift>s}, {@code Page_Up}. */
  ACCELERATOR(worded("keys.toolkit-accelerator")),
  /** Strokes with commas between: {@code Ctrl+K, Ctrl+S}. */
  SEQUENCE(worded("keys.portable-sequence")),
  /** One letter and a dash for each modifier: {@code C-x C-s}. */
  TERSE(worded("keys.terse-editor-style")),
  /** Angles about a key with its modifiers: {@code <C-w>s}, {@code <CR>}. */
  ANGLED(worded("keys.modal-editor-style")),
  /** Carets and backslashes: {@code ^X^E}, {@code \C-x\C-r}. */
  ESCAPED(worded("keys.terminal-style")),
  /** Letters whose case tells whether Shift is held, where a list writes so: {@code gg}. */
  LETTERS(worded("keys.letters-by-case")),
  /** Signs for modifiers and keys: {@code ⌘⇧S}. */
  SYMBOLS(worded("keys.symbols")),
  /** As people write in running text: {@code hold Alt and tap Tab}. */
  PROSE(worded("keys.prose"));

  private final String title;

  Notation(String title) {
    this.title = title;
  }

  /** As it is called in sentences. */
  public String title() {
    return title;
  }
}
