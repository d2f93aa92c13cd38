package polydex.desktop.setups;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.IntConsumer;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.OutlineEditor;
import polydex.route.Setup;
import polydex.setups.OutlineLine;
import polydex.setups.SetupPart;

/**
 * A setup as a picture: the board, then machines one in another with what changes keys on the way
 * and what has the focus. Left and Right walk from fingers to focus; Down goes to the lines of a
 * part.
 */
final class SetupPicture implements OutlineEditor.Picture<Setup> {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

  private final Desk desk;
  private final HBox root = new HBox();
  private final List<SetupPart> parts = new ArrayList<>();
  private final List<Node> nodes = new ArrayList<>();
  private List<OutlineLine<Setup>> lines = List.of();
  private int chosen;
  private IntConsumer line = _ -> {};
  private Runnable opened = () -> {};

  SetupPicture(Desk desk) {
    this.desk = desk;
    root.getStyleClass().add("setup-picture");
    root.setFillHeight(false);
    root.setFocusTraversable(true);
    root.setMinHeight(Region.USE_PREF_SIZE);
    root.setAccessibleRole(AccessibleRole.LIST_VIEW);
    root.addEventHandler(KeyEvent.KEY_PRESSED, this::walk);
  }

  @Override
  public Region node() {
    return root;
  }

  @Override
  public void listen(IntConsumer toLine, Runnable whenOpened) {
    line = toLine;
    opened = whenOpened;
  }

  @Override
  public void show(OutlineEditor.Written<Setup> written) {
    lines = written.lines();
    parts.clear();
    nodes.clear();
    root.getChildren().clear();
    parts.addAll(SetupPart.of(desk.session().workspace().get(), written.whole(), written.lines()));
    Pane into = root;
    for (SetupPart part : parts) {
      into = add(into, part);
    }
    mark(Math.min(chosen, parts.size() - 1));
  }

  /** Draws a part; what comes after it goes into what is given back. */
  private Pane add(Pane into, SetupPart part) {
    VBox box = new VBox(Texts.styled(part.title(), "part"));
    if (!part.detail().isEmpty()) {
      box.getChildren().add(Texts.styled(part.detail(), "picture-detail"));
    }
    box.getStyleClass()
        .addAll("picture-part", "picture-" + part.kind().name().toLowerCase(Locale.ROOT));
    int at = nodes.size();
    box.setOnMouseClicked(
        event -> {
          event.consume();
          choose(at);
        });
    nodes.add(box);
    into.getChildren().add(box);
    return switch (part.kind()) {
      case MACHINE, WINDOW -> {
        HBox inner = new HBox();
        inner.getStyleClass().add("picture-inner");
        inner.setFillHeight(false);
        box.getChildren().add(inner);
        yield inner;
      }
      case BOARD, REMAP, TRANSLATION, APPLICATION, DESKTOP -> into;
    };
  }

  /** The part that begins last on or before the line is the one whose lines it is among. */
  @Override
  public void chosen(int at) {
    if (at < 0 || at >= lines.size()) {
      return;
    }
    int best = 0;
    for (int i = 0; i < parts.size(); i++) {
      int from = parts.get(i).line();
      if (from <= at && from > parts.get(best).line()) {
        best = i;
      }
    }
    SetupPart part = parts.get(best);
    // Behind its remaps a machine has lines of its own.
    boolean ofMachine =
        part.kind() == SetupPart.Kind.REMAP && lines.get(at).depth() <= part.depth();
    mark(ofMachine ? machine(part.depth()) : best);
  }

  private int machine(int depth) {
    for (int i = 0; i < parts.size(); i++) {
      if (parts.get(i).kind() == SetupPart.Kind.MACHINE && parts.get(i).depth() == depth) {
        return i;
      }
    }
    return 0;
  }

  private void mark(int part) {
    chosen = part;
    for (int i = 0; i < nodes.size(); i++) {
      nodes.get(i).pseudoClassStateChanged(CHOSEN, i == part);
    }
    if (part >= 0 && part < parts.size()) {
      SetupPart now = parts.get(part);
      root.setAccessibleText(worded("setups.picture-of-the-setup", now.title(), now.detail()));
    }
  }

  private void choose(int part) {
    mark(part);
    line.accept(parts.get(part).line());
  }

  private void walk(KeyEvent event) {
    int to =
        switch (event.getCode()) {
          case LEFT -> chosen - 1;
          case RIGHT -> chosen + 1;
          case HOME -> 0;
          case END -> parts.size() - 1;
          default -> -1;
        };
    switch (event.getCode()) {
      case LEFT, RIGHT, HOME, END -> {
        event.consume();
        if (to >= 0 && to < parts.size()) {
          choose(to);
        }
      }
      case DOWN -> {
        event.consume();
        opened.run();
      }
      default -> {}
    }
  }
}
