package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.catalog.Environment;
import polydex.files.json.ComputerFile;
import polydex.route.Setup;

/** A computer of the demo's world is read beside the ones that are there, by keys alone. */
@ExtendWith(ApplicationExtension.class)
class ComputerWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  @Override
  char first() {
    return 'S';
  }

  private Optional<Environment> environment(String title) {
    return session.workspace().get().catalog().environments().stream()
        .filter(e -> e.title().equals(title))
        .findFirst();
  }

  private long machines(String title) {
    return session.workspace().get().setups().values().stream()
        .filter(s -> s.machine().title().equals(title))
        .count();
  }

  private void look() {
    person.keys("F9");
    person.untilShown("A made-up computer: borrowed laptop");
    person.untilShown("bindings are new");
  }

  @Test
  void whatIsTickedComesInAsAComputerOfItsOwnAndGoesAgainWithOneUndo() {
    Setup current = session.workspace().get().setup().orElseThrow();
    int before = session.workspace().get().setups().size();
    look();
    person.untilShown("Keys of another desktop, Sorrel");
    // While it is looked at, in the demo no other computer is.
    person.keys("F7");
    person.untilShown("In the demo only the made-up computer is looked at.");
    person.keys("F6");
    person.untilShown("no computer is looked at, and none is changed");
    // The line keys are unticked, and with them their bindings go.
    person.type("line keys");
    person.untilShown("Line keys: 5 lines.");
    person.keys("Space");
    person.untilShown("72 bindings are new");
    // Entries that look like documents are taken when that is wanted.
    person.keys("F4");
    person.untilShown("72 bindings are new");
    person.keys("Ctrl+Enter");
    person.until("it is there", () -> environment("Rowan 2").isPresent());
    assertThat(environment("Line keys")).isEmpty();
    assertThat(
            environment("Dome Notes").orElseThrow().menus().getFirst().items().stream()
                .flatMap(i -> i.items().stream())
                .map(Environment.MenuItem::title))
        .contains("1. spring-sky.note");
    // The computer under the hands was another, and has what it had.
    assertThat(machines("borrowed laptop")).isEqualTo(3);
    assertThat(session.workspace().get().setups().get(current.id())).isEqualTo(current);
    person.keys("Ctrl+Z");
    person.until("as it was", () -> session.workspace().get().setups().size() == before);
    assertThat(environment("Rowan 2")).isEmpty();
  }

  @Test
  void itIsWrittenAsAFileThatIsReadAgainAndStopsWhenItIsClosed() throws Exception {
    Path to = file.resolveSibling("laptop.json");
    person.keys("F9");
    person.untilShown("A made-up computer: borrowed laptop");
    // Looking takes a moment, within which the second key must come.
    for (int i = 0;
        i < 40 && person.shown().stream().noneMatch(t -> t.contains("Not all was looked at yet."));
        i++) {
      person.keys("F5");
      person.keys("F8");
    }
    person.untilShown("Not all was looked at yet.");
    person.keys("Esc");
    look();
    person.keys("F8");
    person.until("a field", () -> person.focusIs(TextField.class::isInstance));
    person.keys("Ctrl+A");
    person.type(to.toString());
    person.keys("Enter");
    person.untilShown("has it. Bring it in where you want this computer.");
    person.keys("Esc");
    assertThat(ComputerFile.read("laptop.json", Files.readString(to)).findings()).hasSize(7);
    // As a list is, it is brought in by its path.
    person.keys("F4");
    person.keys("Alt+P");
    person.type(to.toString());
    person.keys("Enter");
    person.untilShown("The computer “borrowed laptop”, 7 findings.");
    person.keys("Ctrl+Enter");
    person.until("it is there", () -> machines("borrowed laptop") == 4);
  }
}
