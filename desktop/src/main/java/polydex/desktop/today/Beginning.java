package polydex.desktop.today;

/** What a new file can begin with. */
public interface Beginning {
  /** Opens the demo in a window of its own. */
  void demo();
}
