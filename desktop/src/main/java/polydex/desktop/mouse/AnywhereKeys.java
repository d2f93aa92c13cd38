package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Stream;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Beside;
import polydex.hands.AnywhereGesture;
import polydex.keys.Gesture;
import polydex.keys.GestureSyntaxException;
import polydex.route.Setup;
import polydex.route.World;

/** Asks for keys that a recorder is to hear whatever has the focus; offers those that are free. */
final class AnywhereKeys {
  private static final int OFFERED = 6;

  private final Desk desk;
  private final Beside beside;

  /**
   * Nothing asked yet.
   *
   * @param beside finds out what is free
   */
  AnywhereKeys(Desk desk, Beside beside) {
    this.desk = desk;
    this.beside = beside;
  }

  /**
   * Asks.
   *
   * @param here the setup of this computer
   * @param usual what is offered first, where it is free
   * @param not what is not offered
   */
  void ask(
      String title,
      Setup here,
      List<Gesture> usual,
      Predicate<Gesture> not,
      Consumer<Gesture> chosen) {
    World world = desk.session().workspace().get().world();
    beside.ask(
        course ->
            Stream.concat(
                    usual.stream().filter(g -> AnywhereGesture.problem(world, here, g).isEmpty()),
                    AnywhereGesture.free(world, here, OFFERED, () -> !course.isWanted()).stream())
                .filter(not.negate())
                .map(Gesture::toString)
                .toList(),
        free ->
            desk.dialogs()
                .chooseOrWrite(
                    title,
                    worded("mouse.whoever-has-the-focus-gets-them"),
                    free,
                    written -> read(written, chosen)),
        desk.session()::problem);
  }

  private void read(String written, Consumer<Gesture> chosen) {
    Gesture gesture;
    try {
      gesture = Gesture.parse(written);
    } catch (GestureSyntaxException e) {
      desk.session().problem(e.getMessage());
      return;
    }
    chosen.accept(gesture);
  }
}
