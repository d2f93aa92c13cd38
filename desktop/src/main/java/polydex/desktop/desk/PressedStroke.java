package polydex.desktop.desk;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.Optional;
import java.util.function.Consumer;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.desktop.keys.KeyCapture;
import polydex.keys.Gesture;
import polydex.keys.Modifiers;
import polydex.workspace.Workspace;

/** The next stroke that is pressed, where one can be typed as well. */
public final class PressedStroke {
  private PressedStroke() {}

  /**
   * Listens for it; every key is part of it until then.
   *
   * @param pressed gets it as the layout under the fingers names it
   * @param left is run where it is to be typed instead
   */
  public static void hear(Desk desk, Consumer<Gesture> pressed, Runnable left) {
    Workspace workspace = desk.session().workspace().get();
    Optional<Layout> layout =
        workspace
            .setup()
            .map(s -> workspace.world().layouts().get(s.machine().layout()))
            .or(() -> workspace.world().layouts().values().stream().findFirst());
    if (layout.isEmpty()) {
      desk.session().say(worded("desk.this-file-has-no-keyboard-layout"));
      left.run();
      return;
    }
    desk.keys()
        .capture(
            new KeyCapture.Listener() {
              @Override
              public void pressed(Made press, long nanos) {
                desk.keys().release();
                pressed.accept(Gesture.of(Presses.describe(press.what(), layout.get())));
              }

              @Override
              public void holding(Modifiers held) {
                // only the whole stroke counts
              }

              @Override
              public void leave() {
                desk.keys().release();
                left.run();
              }
            },
            false,
            worded("desk.type-it-instead"));
  }
}
