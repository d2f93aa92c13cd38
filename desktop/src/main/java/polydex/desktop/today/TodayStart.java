package polydex.desktop.today;

import javafx.scene.layout.VBox;
import polydex.desktop.controls.NumberedLines;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.setups.SetupsView;

/** How a new file begins. */
final class TodayStart {
  private TodayStart() {}

  static VBox of(Desk desk, NumberedLines lines, Beginning beginning) {
    return new VBox(
        14,
        Texts.words(
            "This file is new. Polydex shows you which keys do what on your computers, drills them,"
                + " and finds out what you still do with the mouse. Begin with any of these; each"
                + " is one key."),
        lines.line(
            "Choose your board and your systems",
            Texts.quiet(""),
            "Which keyboard lies under your hands, which desktop runs, what is remapped.",
            () -> new SetupsView(desk).open()),
        lines.line(
            "Bring in keymaps",
            Texts.quiet(""),
            "Lists of bindings as you find them: tables, settings, text.",
            () -> desk.keys().go('S')),
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
