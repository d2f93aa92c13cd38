package polydex.desktop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.catalog.Action;

/**
 * A page that is hard to read is brought in, and actions are found in other words, by keys alone.
 */
@ExtendWith(ApplicationExtension.class)
class ListsWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  @Test
  void whatCanMeanTwoThingsIsSaidWithOneKeyAndATableIsTakenOrLeft(@TempDir Path folder)
      throws Exception {
    Path page =
        Files.writeString(
            folder.resolve("lamps.html"),
            """
            <html><head><title>Lamp room</title></head><body>
            <table><tr><th>Shortcut keys</th><th>Effect</th></tr>
            <tr><td><span hidden>Command</span><span>Ctrl</span>+F2</td><td>Next lamp</td></tr>
            <tr><td>Ctrl/Cmd+L</td><td>Lamp list</td></tr>
            <tr><td>Ctrl+K, Ctrl+S</td><td>Lamp settings</td></tr></table>
            <table><tr><th>Option</th><th>Default</th></tr><tr><td>Lamps</td><td>2</td></tr></table>
            </body></html>
            """);
    person.keys("Alt+S");
    person.keys("F4");
    person.type(page.toString());
    person.keys("Enter");
    person.untilShown("2 bindings to take, 1 that can mean two things");
    for (String told :
        List.of(
            "About the application “Lamp room”",
            "Understood: 66 % of 3 lines",
            "may be Ctrl+K and then Ctrl+S, or either of them. Enter reads one after the other.",
            "No column of it reads as gestures. Enter takes it.",
            "With several systems side by side, such as “Ctrl/Cmd+L”: Ctrl+L, Meta+L.")) {
      person.untilShown(told);
    }
    person.keys("Alt+I");
    person.keys("Home");
    person.keys("Enter");
    person.untilShown("3 bindings to take. Understood: 100 % of 3 lines");
    // The table without gestures is the first line now; it is taken, and then left again.
    person.keys("Home");
    person.keys("Enter");
    person.untilShown("of 4 lines");
    person.keys("Ctrl+Enter");
    person.untilShown("Ctrl+Z takes it back");
    person.keys("Ctrl+Z");
    person.untilShown("4 bindings to take");
  }

  @Test
  void aQuestionInOtherWordsIsAnsweredAndOwnWordsAreAdded() {
    person.keys("Ctrl+F");
    person.type("secure my volcano");
    person.untilShown("None has all of these words; with some: ");
    person.keys("Enter");
    person.keys("F7");
    person.untilShown("Words that mean the same when you look for actions");
    person.type("volcano, lanes");
    person.keys("Enter");
    person.keys("Ctrl+F");
    person.type("secure my volcano");
    person.until(
        "the lanes first",
        () ->
            !person.<Action>list("Actions found").getItems().isEmpty()
                && person.shown().stream().anyMatch(t -> t.contains("Lock the lanes")));
  }
}
