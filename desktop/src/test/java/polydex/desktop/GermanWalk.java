package polydex.desktop;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import javafx.scene.Node;
import javafx.scene.control.Cell;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.text.Text;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import polydex.language.Language;

/**
 * A program of its own, since a language is chosen once: goes through the demo in a real window, by
 * keys, and tells each text that it sees there on a line: where, whether it is cut off, and the
 * text.
 */
final class GermanWalk extends InWindow {
  private static final Map<Character, List<String>> PAGES = new LinkedHashMap<>();

  static {
    PAGES.put('T', List.of("F8", "Esc", "F1", "Esc", "F10", "Esc", "Ctrl+U", "Esc"));
    PAGES.put('L', List.of("Ctrl+B", "Esc", "Ctrl+E", "Esc", "Ctrl+Shift+U", "Esc"));
    PAGES.put('D', List.of("F7", "Esc"));
    PAGES.put('R', List.of("Ctrl+K", "Ctrl+P", "Esc"));
    PAGES.put('F', List.of("F7", "Esc", "F8", "Esc"));
    PAGES.put('M', List.of("F7", "Esc", "F8", "Esc", "Ctrl+M", "Esc"));
    PAGES.put('S', List.of("F4", "F4"));
  }

  private final PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);

  private GermanWalk() {}

  /** Walks, and ends. */
  public static void main(String[] args) throws Exception {
    if (Language.now() != Language.GERMAN) {
      throw new IllegalStateException("To be started with -Duser.language=de");
    }
    GermanWalk walk = new GermanWalk();
    FxToolkit.registerPrimaryStage();
    FxToolkit.setupStage(
        stage -> {
          try {
            walk.open(stage);
          } catch (Exception e) {
            throw new IllegalStateException(e);
          }
        });
    walk.sitDown(new FxRobot());
    walk.go();
    walk.leave();
    System.exit(0);
  }

  private void go() throws InterruptedException {
    for (Map.Entry<Character, List<String>> place : PAGES.entrySet()) {
      String where = "Alt+" + place.getKey();
      person.keys(where);
      tell(where);
      for (String key : place.getValue()) {
        person.keys(key);
        if (!key.equals("Esc")) {
          tell(where + " " + key);
        }
      }
    }
    // A command of the program itself, which the file has in English.
    person.keys("Alt+L");
    person.keys("Ctrl+F");
    person.type("widerrufen");
    tell("Finden");
  }

  private void tell(String where) throws InterruptedException {
    TimeUnit.MILLISECONDS.sleep(800); // what is found out beside comes in
    WaitForAsyncUtils.waitForAsyncFx(
        60_000,
        () -> {
          for (Node node : stage.getScene().getRoot().lookupAll("*")) {
            if (Driver.isShown(node)) {
              tell(where, node);
            }
          }
        });
  }

  private void tell(String where, Node node) {
    if (isOfKeys(node)) {
      return; // how keys are written is the same in all languages
    }
    if (node instanceof Labeled l && l.getText() != null && !l.getText().isBlank()) {
      boolean isCut =
          !(l instanceof Cell)
              && l.lookup(".text") instanceof Text t
              && !l.getText().equals(t.getText())
              && t.getText().contains("...");
      line(where, isCut, l.getText());
    }
    if (node instanceof TextInputControl field && field.getPromptText() != null) {
      line(where, false, field.getPromptText());
    }
    if (node.getAccessibleText() != null) {
      line(where, false, node.getAccessibleText());
    }
  }

  /** Gestures, and pictures of boards, where words are cut as they must be. */
  private static boolean isOfKeys(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n.getStyleClass().contains("keyboard") || n.getStyleClass().contains("gesture")) {
        return true;
      }
    }
    return false;
  }

  private void line(String where, boolean isCut, String text) {
    out.println(where + "\t" + isCut + "\t" + text.replace('\n', ' '));
  }
}
