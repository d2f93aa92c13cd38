package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.desktop.state.Stored;
import polydex.recall.DrillItem;
import polydex.recall.ItemState;

/** Platforms and applications made and changed, by keys alone. */
@ExtendWith(ApplicationExtension.class)
class SystemsWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private Optional<Environment> environment(String id) {
    return session.workspace().get().catalog().environment(new EnvironmentId(id));
  }

  private void write(String words) {
    person.until("a field", () -> person.focusIs(TextField.class::isInstance));
    person.keys("Ctrl+A");
    person.type(words);
    person.keys("Enter");
  }

  @Test
  void anApplicationIsMadeWithAMenuJoinedWrittenOutAndAllOfItUndone() throws Exception {
    int before = session.workspace().get().catalog().environments().size();
    person.keys("Ctrl+Shift+U");
    person.untilShown("Your systems");
    person.keys("Ctrl+N");
    write("Lamp desk");
    person.until("it is made", () -> environment("lamp-desk").isPresent());
    person.keys("Enter");
    person.untilShown("Application “Lamp desk”");
    person.type("menus");
    person.keys("Ctrl+N");
    write("&Scene");
    person.untilShown("Scene");
    person.type("key s");
    person.keys("Ctrl+N");
    write("&Blackout");
    person.untilShown("Scene › Blackout");
    assertThat(
            environment("lamp-desk")
                .orElseThrow()
                .menus()
                .getFirst()
                .items()
                .getFirst()
                .accessKey())
        .contains("b");
    person.keys("Esc");
    person.until(
        "the outline is closed", () -> !person.shown().contains("Application “Lamp desk”"));

    // What is said of an action is changed in the same way.
    person.keys("F4");
    person.untilShown("Which action?");
    person.type("duplicate line");
    person.keys("Enter");
    person.untilShown("Other words for it");
    person.keys("Enter");
    write("Double the line");
    person.untilShown("Action “Double the line”");
    person.keys("Ctrl+Z");
    person.untilShown("Taken back: “Double the line”");
    person.keys("Esc");
    person.untilShown("Your systems");

    // Written out, but not over anything that is there.
    Path to = file.resolveSibling("lamp.json");
    person.keys("F5");
    write(to.toString());
    person.until("the file", () -> Files.exists(to) && Files.size(to) > 0);
    assertThat(to).content().contains("polydex-keymap/1", "Blackout");
    person.keys("F5");
    write(to.toString());
    person.untilShown("is there already. It was left as it is.");

    person.keys("F3");
    person.untilShown("Join “Lamp desk” with");
    person.type("letter");
    person.keys("1");
    person.until("they are one", () -> environment("lamp-desk").isEmpty());
    // What stands in a setup stays.
    person.type("alder");
    person.keys("Delete");
    person.untilShown("It stands in the setup");
    assertThat(environment("alder")).isPresent();
    for (int i = 0; i < 4; i++) {
      person.keys("Ctrl+Z");
    }
    person.until(
        "as it was", () -> session.workspace().get().catalog().environments().size() == before);
    person.keys("Esc");
    int stored = Stored.in(session, kept -> kept.workspace().catalog().environments().size());
    assertThat(stored).isEqualTo(before);
  }

  private int answers(DrillItem item) {
    return session.progress().state(item).map(ItemState::answers).orElse(0);
  }

  /** Two that were drilled: what was answered for the one counts for the other, and comes back. */
  @Test
  void answersGoAlongWithAnActionThatMeansTheSame() {
    Catalog catalog = session.workspace().get().catalog();
    List<DrillItem> drilled =
        session.progress().states().entrySet().stream()
            .filter(s -> s.getValue().answers() > 2)
            .map(Map.Entry::getKey)
            .filter(i -> catalog.title(i.action()).matches("[A-Z][a-z]+"))
            .sorted()
            .toList();
    DrillItem gone = drilled.getFirst();
    DrillItem into =
        drilled.stream()
            .filter(i -> i.environment().equals(gone.environment()) && !i.equals(gone))
            .findFirst()
            .orElseThrow();
    int all = answers(gone) + answers(into);
    int before = answers(into);
    person.keys("Ctrl+Shift+U");
    person.untilShown("Your systems");
    person.keys("F4");
    person.untilShown("Which action?");
    person.type(catalog.title(into.action()));
    person.keys("Enter");
    person.untilShown("Means the same");
    for (int i = 0; i < 6; i++) {
      person.keys("Down"); // letters, slowly typed, would be several words
    }
    person.keys("Ctrl+N");
    person.until("a field", () -> person.focusIs(TextField.class::isInstance));
    person.type(catalog.title(gone.action()));
    person.keys("Enter");
    person.until("its answers count", () -> answers(into) == all);
    assertThat(answers(gone)).isZero();
    person.untilShown("means \u201c" + catalog.title(into.action()));
    person.keys("Ctrl+Z");
    person.until("they are back", () -> answers(into) == before);
    assertThat(answers(gone)).isEqualTo(all - before);
    // Its bindings are another view; one gets an option by its lines.
    person.keys("Esc");
    person.untilShown("Your systems");
    person.keys("F6");
    person.untilShown("Bindings of");
    person.keys("Enter");
    person.untilShown("Only with the option");
    person.type("only");
    person.keys("Enter");
    person.untilShown("A new option");
    person.type("new option");
    person.keys("Enter");
    write("quiet keys");
    person.untilShown("quiet keys");
    person.keys("Ctrl+Z");
    person.untilGone("quiet keys");
  }
}
