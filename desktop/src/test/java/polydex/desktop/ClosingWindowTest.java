package polydex.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import polydex.desktop.state.Stored;
import polydex.files.store.Store;
import polydex.log.LogEvent;

/** Closing a window whose file is gone with its folder, so that nothing can be stored in it. */
@ExtendWith(ApplicationExtension.class)
class ClosingWindowTest extends InWindow {
  @Start
  void start(Stage shown) throws Exception {
    open(shown);
  }

  private void losesItsFolder() throws Exception {
    Path folder = file.getParent();
    try (Stream<Path> all = Files.list(folder)) {
      for (Path one : all.toList()) {
        Files.delete(one);
      }
    }
    Files.delete(folder);
    person.keys("Ctrl+T");
    person.untilShown("Not stored yet: 1 thing");
  }

  @Test
  void itAsksFirstAndKeepsEverythingElsewhere() throws Exception {
    List<LogEvent> before = new ArrayList<>();
    Stored.in(
        session,
        s -> {
          s.events(before::add);
          return before;
        });
    losesItsFolder();
    person.keys("Ctrl+Q");
    person.untilShown("Close, and lose 1 thing");
    person.keys("2");
    person.untilGone("Close, and lose 1 thing");
    person.keys("Ctrl+M");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.keys("Down");
    person.keys("Enter");
    person.untilShown("Not stored yet: 2 things");
    person.keys("Ctrl+Q");
    person.untilShown("Close, and lose 2 things");
    person.keys("1");
    person.until("the field", () -> person.focus() instanceof TextField);
    Path taken = Files.createTempFile("polydex-test", ".polydex");
    person.keys("Ctrl+A");
    person.type(taken.toString());
    person.keys("Enter");
    person.untilShown("There is a file " + taken + " already. Choose another name.");
    Files.delete(taken);
    person.keys("Enter");
    person.until("the window is closed", () -> !stage.isShowing());
    shell.end();
    try (Store store = Store.open(taken)) {
      List<LogEvent> after = new ArrayList<>();
      store.events(after::add);
      assertThat(after).hasSize(before.size() + 1).containsAll(before);
      assertThat(store.setting("theme")).isPresent();
    }
  }

  /** A file that was only deleted is written again beside it, which stays in sight. */
  @Test
  void thatTheFileWasDeletedStaysInSight() throws Exception {
    Files.delete(file);
    person.keys("Ctrl+T");
    person.untilShown("demo.polydex was deleted or replaced by another program.");
    person.keys("Ctrl+M");
    person.until("the field", () -> person.focus() instanceof TextField);
    person.keys("Down");
    person.keys("Enter");
    person.untilShown("Noted: ");
    person.untilShown("demo.polydex was deleted or replaced by another program.");
    file = session.file().get();
    assertThat(file).exists().hasFileName("demo-kept.polydex");
  }

  @Test
  void whatCannotBeStoredIsLostOnlyWhereThePersonSaysSo() throws Exception {
    losesItsFolder();
    person.keys("Ctrl+Q");
    person.untilShown("Close, and lose 1 thing");
    person.keys("3");
    person.until("the window is closed", () -> !stage.isShowing());
  }
}
