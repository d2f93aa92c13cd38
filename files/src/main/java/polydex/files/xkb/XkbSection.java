package polydex.files.xkb;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A section of a symbols file: one layout or variant, or a part of one.
 *
 * @param name of the variant
 * @param isDefault whether the file means this one when none is named
 * @param title what it calls its first group; none where it does not
 * @param statements in order
 */
record XkbSection(
    String name, boolean isDefault, Optional<String> title, List<Statement> statements) {

  /** How what comes later is merged with what is there. */
  enum Merge {
    /** What is new counts; what it leaves open stays. */
    OVERRIDE,
    /** What is there counts; what it leaves open is filled. */
    AUGMENT,
    /** Nothing stays of what was there. */
    REPLACE
  }

  /** What a section says. */
  sealed interface Statement {}

  /**
   * Another section, taken in.
   *
   * @param what {@code us(basic)+level3(ralt_switch)}
   */
  record Include(Merge merge, String what, int line) implements Statement {}

  /**
   * What a key types.
   *
   * @param key its XKB name, {@code AD01}
   * @param groups by number, from 1: for each level the keysyms, none where it is left open
   */
  record KeySymbols(Merge merge, String key, Map<Integer, Group> groups) implements Statement {}

  /**
   * A group of a key.
   *
   * @param type the name of the key type, where it is said
   * @param levels the keysyms of each level
   */
  record Group(Optional<String> type, List<Optional<String>> levels) {}

  /**
   * The type of the keys that follow.
   *
   * @param group which, from 1; 0 for every one
   */
  record DefaultType(int group, String type) implements Statement {}
}
