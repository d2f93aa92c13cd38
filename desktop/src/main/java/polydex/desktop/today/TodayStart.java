package polydex.desktop.today;

import static polydex.desktop.language.DesktopWords.worded;

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
        desk.keyed(Texts.words(worded("today.polydex-shows-you-which-keys-do"))),
        steps,
        Texts.part(worded("today.or-else")),
        lines.line(
            worded("today.choose-your-board-and-your-systems"),
            Texts.quiet(""),
            worded("today.which-keyboard-lies-under-your-hands"),
            () -> new SetupsView(desk).open()),
        lines.line(
            worded("today.bring-in-or-record-a-mouse"),
            Texts.quiet(""),
            worded("today.a-file-of-what-was-done"),
            () -> desk.keys().go('M')),
        lines.line(
            worded("today.look-at-the-demo"),
            Texts.quiet(""),
            worded("today.a-small-planetarium-with-six-weeks"),
            beginning::demo));
  }
}
