package polydex.log;

/** What something was done with; the pointers as the W3C's Pointer Events name them. */
public enum Device {
  KEYBOARD,
  MOUSE,
  TRACKPAD,
  TOUCH,
  PEN;

  /** Whether it is a pointer. */
  public boolean isPointer() {
    return this != KEYBOARD;
  }
}
