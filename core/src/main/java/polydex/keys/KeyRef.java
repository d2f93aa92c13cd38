package polydex.keys;

import java.util.List;

/** How a stroke names its key. */
public sealed interface KeyRef {

  /**
   * By character: whichever key types it on the layout at hand. Letters are meant in lower case.
   *
   * @param codePoint a Unicode code point, neither space nor control
   */
  record Typed(int codePoint) implements KeyRef {
    /** Folds letters to lower case. */
    public Typed {
      if (Character.isWhitespace(codePoint) || Character.isISOControl(codePoint)) {
        throw new IllegalArgumentException("Not a character that a key is named by: " + codePoint);
      }
      int lower = Character.toLowerCase(codePoint);
      codePoint = Character.toUpperCase(lower) == codePoint ? lower : codePoint;
    }

    @Override
    public String toString() {
      int upper = Character.toUpperCase(codePoint);
      boolean letter = Character.isLetter(codePoint) && Character.toLowerCase(upper) == codePoint;
      String shown = Character.toString(letter ? upper : codePoint);
      return RESERVED.contains(shown) ? "'" + shown + "'" : shown;
    }
  }

  /**
   * By position: that key, whatever is printed on it.
   *
   * @param key the place
   */
  record Placed(Key key) implements KeyRef {
    @Override
    public String toString() {
      return key.keyName().orElseGet(() -> "<" + key.name() + ">");
    }
  }

  /**
   * Any of several, in a family of bindings that differ in one key.
   *
   * @param written what stands between the braces: {@code 1..9}, {@code Arrow}, {@code X,Y}
   * @param members the keys, at least two, none a family itself
   */
  record AnyOf(String written, List<KeyRef> members) implements KeyRef {
    /** Copies the members. */
    public AnyOf {
      members = List.copyOf(members);
    }

    @Override
    public String toString() {
      return "{" + written + "}";
    }
  }

  /** Characters that the notation uses itself, so that they stand in single quotes as keys. */
  String RESERVED = "+(){}<>\"'*";
}
