package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import polydex.computer.Finding.Keyboard;
import polydex.files.FileProblem;
import polydex.files.fit.KeyCodes;
import polydex.files.xkb.XkbLayouts;
import polydex.fit.KeyByKey;
import polydex.keys.Key;
import polydex.route.Remap;

/**
 * Which keys options of a keyboard move: what each key gives with them, beside what it gives
 * without. O(keys).
 *
 * @param remap what they do; none where they move nothing
 * @param remarks what they do that can't be said as a key for another
 */
record MovedKeys(Optional<Remap> remap, List<String> remarks) {
  /** Keys of a level above Shift are AltGr here, wherever they are. */
  private static final String THIRD_LEVEL = "ISO_Level3_Shift";

  private static final List<String> NOTHING = List.of("VoidSymbol", "NoSymbol", "NoAction");

  /**
   * Of a layout with options.
   *
   * @param name {@code de(nodeadkeys)}
   * @throws FileProblem where the descriptions can't be read
   */
  static MovedKeys of(XkbLayouts layouts, String name, List<String> options) throws FileProblem {
    Map<String, String> before = layouts.alone(name, List.of());
    Map<String, String> after = layouts.alone(name, options);
    Map<Key, Optional<Key>> moved = new EnumMap<>(Key.class);
    List<String> remarks = new ArrayList<>();
    after.forEach(
        (xkb, keysym) -> {
          Optional<Key> key = KeyCodes.byXkb(xkb).filter(k -> !layouts.isWritten(xkb));
          if (key.isEmpty() || keysym.equals(before.get(xkb))) {
            return;
          }
          Optional<Key> to = key(keysym);
          if (to.isPresent() || NOTHING.contains(keysym)) {
            moved.put(key.get(), to);
          } else {
            moved.put(key.get(), Optional.empty());
            remarks.add(worded("computer.gives-now-which-is-no-key", key.get().name(), keysym));
          }
        });
    moved.entrySet().removeIf(e -> e.getValue().equals(Optional.of(e.getKey())));
    return new MovedKeys(
        moved.isEmpty()
            ? Optional.empty()
            : Optional.of(new KeyByKey(moved).remap(Keyboard.SETTING + String.join(", ", options))),
        remarks);
  }

  private static Optional<Key> key(String keysym) {
    return keysym.equals(THIRD_LEVEL) ? Optional.of(Key.AltRight) : KeyCodes.byKeysym(keysym);
  }
}
