package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Place;
import polydex.desktop.here.HereView;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;

/** What one prints or hands on, and getting things in and out. */
public final class SheetsPlace implements Place {
  private final Desk desk;
  private final Keeping keeping;
  private final HandOn handOn;
  private final VBox root = new VBox();
  private final SheetsView sheets;
  private final IntakeView intake;

  /** The place. */
  public SheetsPlace(Desk desk) {
    this.desk = desk;
    keeping = new Keeping(desk);
    handOn = new HandOn(desk);
    sheets = new SheetsView(desk);
    intake = new IntakeView(desk);
    VBox.setVgrow(sheets, Priority.ALWAYS);
    VBox.setVgrow(intake, Priority.ALWAYS);
    root.getStyleClass().add("place");
    root.getChildren().addAll(Texts.heading(worded("any.sheets")), sheets);
  }

  private Node view() {
    return root.getChildren().getLast();
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    List<KeyCommand> all = new ArrayList<>();
    if (view() == sheets) {
      all.addAll(sheets.commands());
      all.add(KeyCommand.of(OwnKey.SHEETS_TURN, worded("any.bring-in"), () -> turn(intake)));
      all.add(KeyCommand.of(OwnKey.HAND_ON, handOn::open));
      // What brings in elsewhere in this place does it from here too.
      all.addAll(intake.waysIn(() -> turn(intake)));
    } else {
      all.addAll(intake.commands());
      all.add(KeyCommand.of(OwnKey.SHEETS_TURN, worded("sheets.make-a-sheet"), () -> turn(sheets)));
    }
    all.add(KeyCommand.quiet(OwnKey.COPIES, worded("sheets.copies"), keeping::copies));
    all.add(KeyCommand.quiet(OwnKey.ARCHIVE, worded("sheets.everything-out"), keeping::archive));
    all.add(KeyCommand.quiet(OwnKey.HERE_OPEN, () -> new HereView(desk).open(() -> {})));
    return all;
  }

  /** Turns to where lists and files are brought in. */
  public void bringIn() {
    turn(intake);
  }

  /** Reads a file for it. */
  public void bringIn(Path file) {
    turn(intake);
    intake.read(file);
  }

  private void turn(Node to) {
    root.getChildren().set(root.getChildren().size() - 1, to);
    desk.keys().changed();
    shown();
  }

  @Override
  public Map<Character, Node> reachable() {
    return view() == sheets ? sheets.reachable() : intake.reachable();
  }

  @Override
  public void shown() {
    if (view() == sheets) {
      sheets.shown();
    } else {
      intake.focusFirst();
    }
  }
}
