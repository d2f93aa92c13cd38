package polydex.desktop.today;

import javafx.scene.layout.VBox;
import polydex.desktop.controls.NumberedLines;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.here.WayIn;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.setups.SetupsView;
import polydex.own.OwnKey;

/** How a new file begins. */
final class TodayStart {
  private TodayStart() {}

  static VBox of(Desk desk, NumberedLines lines, WayIn way, Beginning beginning) {
    VBox steps = way.steps(lines);
    lines.add(KeyCommand.of(OwnKey.LEAVE_WAY_IN, way::leave));
    return new VBox(
        14,
        desk.keyed(
            Texts.words(
                "Polydex shows you which keys do what on your computers, drills them, and finds out what"
                    + " you still do with the mouse. These steps lead in; each is one key, and each can be"
                    + " passed over. {LEAVE_WAY_IN} leaves them.")),
        steps,
        Texts.part("Or else"),
        lines.line(
            "Choose your board and your systems",
            Texts.quiet(""),
            "Which keyboard lies under your hands, which desktop runs, what is remapped.",
            () -> new SetupsView(desk).open()),
        lines.line(
            "Bring in or record a mouse log",
            Texts.quiet(""),
            "A file of what was done, a simulated day, or a tally by two keys.",
            () -> desk.keys().go('M')),
        lines.line(
            "Look at the demo",
            Texts.quiet(""),
            "A small planetarium with six weeks of work, in a window of its own.",
            beginning::demo));
  }
}
