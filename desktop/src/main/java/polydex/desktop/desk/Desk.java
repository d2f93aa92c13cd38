package polydex.desktop.desk;

import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.control.Label;
import polydex.desktop.state.ActionIndex;
import polydex.desktop.state.Analyst;
import polydex.desktop.state.Auditor;
import polydex.desktop.state.Drills;
import polydex.desktop.state.Recording;
import polydex.desktop.state.Session;

/**
 * What a place has to work with.
 *
 * @param session what is open
 * @param analyst what is found out about it
 * @param index finds actions by words
 * @param drills what is asked about drills
 * @param auditor finds out what the mouse log says
 * @param recording the recorder that is at work, if one is
 * @param keys where one is, and who gets the keys
 * @param titles what things are called
 * @param dialogs asks over the place
 * @param narrow whether the window is so narrow for its text that less stands side by side
 */
public record Desk(
    Session session,
    Analyst analyst,
    ActionIndex index,
    Drills drills,
    Auditor auditor,
    Recording recording,
    Navigation keys,
    Titles titles,
    Dialogs dialogs,
    ReadOnlyBooleanProperty narrow) {

  /** A sentence with the keys of the commands whose names stand in it in braces. */
  public String named(String sentence) {
    return session.ownKeys().in(sentence);
  }

  /** The same for a label, which follows where its user gives commands other keys. */
  public Label keyed(Label label) {
    String sentence = label.getText();
    label.textProperty().bind(session.ownKeys().now().map(_ -> session.ownKeys().in(sentence)));
    return label;
  }

  /** For an open file in a window. */
  public static Desk of(Session session, Navigation keys, ReadOnlyBooleanProperty narrow) {
    Analyst analyst = new Analyst(session);
    ActionIndex index = new ActionIndex(session);
    return new Desk(
        session,
        analyst,
        index,
        new Drills(session, analyst),
        new Auditor(session),
        new Recording(session),
        keys,
        new Titles(session),
        new Dialogs(session, index, keys),
        narrow);
  }
}
