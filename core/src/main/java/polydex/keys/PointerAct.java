package polydex.keys;

/** What a hand does with a mouse, trackpad or touch screen inside a gesture. */
public enum PointerAct {
  CLICK("Click"),
  DOUBLE_CLICK("DoubleClick"),
  RIGHT_CLICK("RightClick"),
  MIDDLE_CLICK("MiddleClick"),
  DRAG("Drag"),
  WHEEL("Wheel");

  private final String written;

  PointerAct(String written) {
    this.written = written;
  }

  /** As it stands in a gesture. */
  public String written() {
    return written;
  }
}
