package polydex.keys;

/** A key that changes what others mean while it is held; in the order in which they are written. */
public enum Modifier {
  CTRL("Ctrl"),
  META("Meta"),
  ALT("Alt"),
  ALTGR("AltGr"),
  SHIFT("Shift"),
  HYPER("Hyper"),
  FN("Fn");

  private final String written;

  Modifier(String written) {
    this.written = written;
  }

  /** As it stands in a gesture. */
  public String written() {
    return written;
  }

  int bit() {
    return 1 << ordinal();
  }
}
