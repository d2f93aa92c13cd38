package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Place;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;

/** Own bindings and remaps: which keys are free, what is planned, and what a remap would change. */
public final class FitPlace implements Place {
  private final Desk desk;
  private final VBox root = new VBox();
  private final Label heading = Texts.heading("");
  private final OwnView own;
  private final FreeView free;
  private final RemapsView remaps;

  /** The place. */
  public FitPlace(Desk desk) {
    this.desk = desk;
    own = new OwnView(desk);
    free = new FreeView(desk);
    remaps = new RemapsView(desk);
    root.getStyleClass().add("place");
    root.getChildren().addAll(heading, own);
    desk.session().workspace().addListener((_, _, _) -> refreshIfShown());
    name();
  }

  /** Nobody sees it elsewhere, and a drill has no time for it. */
  private void refreshIfShown() {
    if (root.getScene() != null) {
      refresh();
    }
  }

  private void refresh() {
    if (view() == own) {
      own.refresh();
    } else if (view() == free) {
      free.refresh();
    } else {
      remaps.refresh();
    }
  }

  private Node view() {
    return root.getChildren().getLast();
  }

  private void name() {
    heading.setText(
        view() == own
            ? worded("fit.fit-bindings-of-your-own")
            : view() == free ? worded("fit.fit-free-keys") : worded("fit.fit-remaps"));
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    List<KeyCommand> all = new ArrayList<>();
    if (view() == own) {
      all.addAll(own.commands());
    } else if (view() == free) {
      all.addAll(free.commands());
    } else {
      all.addAll(remaps.commands());
    }
    all.add(KeyCommand.of(OwnKey.ASSIGN_OPEN, () -> AssignView.choose(desk)));
    all.add(KeyCommand.of(OwnKey.CHANGE_SHEETS, () -> SheetView.choose(desk)));
    all.add(
        view() == free
            ? KeyCommand.of(OwnKey.FIT_FREE_OR_OWN, worded("fit.own-bindings"), () -> turn(own))
            : KeyCommand.of(OwnKey.FIT_FREE_OR_OWN, worded("fit.free-keys"), () -> turn(free)));
    all.add(
        view() == remaps
            ? KeyCommand.of(OwnKey.FIT_REMAPS_OR_OWN, worded("fit.own-bindings"), () -> turn(own))
            : KeyCommand.of(OwnKey.FIT_REMAPS_OR_OWN, worded("fit.remaps"), () -> turn(remaps)));
    if (view() == own) {
      all.add(KeyCommand.of(OwnKey.FIT_READ, () -> ReadView.ask(desk)));
    } else {
      all.add(KeyCommand.quiet(OwnKey.FIT_BACK, worded("fit.own-bindings"), () -> turn(own)));
    }
    return all;
  }

  private void turn(Node view) {
    root.getChildren().set(1, view);
    name();
    desk.keys().changed();
    shown();
  }

  @Override
  public Map<Character, Node> reachable() {
    return Map.of('A', focus());
  }

  private Node focus() {
    return view() == own ? own.list() : view() == free ? free.keyboard() : remaps.list();
  }

  @Override
  public void shown() {
    refresh();
    focus().requestFocus();
  }
}
