package polydex.desktop.desk;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.keys.KeyCommand;
import polydex.files.store.DailyCopies;
import polydex.keys.Gesture;
import polydex.keys.PointerAct;
import polydex.own.OwnKey;

/** Where one is in the window, and who gets the keys. */
public interface Navigation {
  /** The commands of the place have changed. */
  void changed();

  /**
   * Every key goes to the listener until {@link #release}.
   *
   * @param spelled whether modifiers latch
   * @param leave what holding Esc does, as the rest of "To ..."
   */
  void capture(KeyCapture.Listener listener, boolean spelled, String leave);

  /** The pointer did something where a gesture is being recorded. */
  void pointed(PointerAct act);

  /** Keys are commands again. */
  void release();

  /**
   * Shows something over the place, or over what lies there already, until Esc or {@link #close}.
   *
   * @param focus what gets the focus
   * @param commands the keys that work there, which are shown below it
   */
  void open(VBox shown, Node focus, List<KeyCommand> commands);

  /** The same where every key is the focused control's own. */
  default void open(VBox shown, Node focus) {
    open(shown, focus, List.of());
  }

  /** Takes away what was shown last. */
  void close();

  /** Begins a drill. */
  void drill();

  /** Begins a drill of so many actions that are most worth learning. */
  void drillFirst(int actions);

  /** Shows how it went with the mouse, week by week. */
  void weeks();

  /**
   * Runs a command from wherever one is, in the place where it works; where it can't be, it is said
   * what does it.
   */
  void run(OwnKey key);

  /** Goes where lists and files are brought in. */
  void bringIn();

  /** Goes to the place with this letter. */
  void go(char letter);

  /** Puts a copy of the file in its place, and goes on with that. */
  void takeBack(DailyCopies.Copy copy);

  /** Shows the way of a gesture through the setup in use, where that is shown. */
  void follow(Gesture gesture);
}
