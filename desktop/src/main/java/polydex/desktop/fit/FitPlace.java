package polydex.desktop.fit;

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
            ? "Fit: bindings of your own"
            : view() == free ? "Fit: free keys" : "Fit: remaps");
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
    all.add(KeyCommand.of("F3", "Keys for all wishes", () -> AssignView.choose(desk)));
    all.add(KeyCommand.of("F6", "Change sheets", () -> SheetView.choose(desk)));
    all.add(
        view() == free
            ? KeyCommand.of("F7", "Own bindings", () -> turn(own))
            : KeyCommand.of("F7", "Free keys", () -> turn(free)));
    all.add(
        view() == remaps
            ? KeyCommand.of("F8", "Own bindings", () -> turn(own))
            : KeyCommand.of("F8", "Remaps", () -> turn(remaps)));
    if (view() == own) {
      all.add(KeyCommand.of("Ctrl+O", "Read what is there", () -> ReadView.ask(desk)));
    } else {
      all.add(KeyCommand.quiet("Escape", "Own bindings", () -> turn(own)));
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
