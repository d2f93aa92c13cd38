package polydex.intake;

/** Stops reading a cell that can mean two things, of which nothing tells which. */
final class Asked extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final transient GestureCell.Unclear unclear;

  Asked(ReadingChoice choice, String why) {
    super(why, null, false, false);
    unclear = new GestureCell.Unclear(choice, why);
  }

  /** What has to be said. */
  GestureCell.Unclear unclear() {
    return unclear;
  }
}
