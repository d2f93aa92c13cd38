package polydex.workspace;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChangeTest {
  @ParameterizedTest
  @CsvSource({
    "Bring in 12 bindings, Brought in 12 bindings",
    "Take away the desktop, Took away the desktop",
    "Take it, Took it",
    "Move Ctrl+B, Moved Ctrl+B",
    "Switch off a key, Switched off a key",
    "Bind a key, Bound a key",
    "Adder is a name, Adder is a name",
    "Plan for 2 conflicts, Plan for 2 conflicts",
    "Marked for drills: Cut, Marked for drills: Cut"
  })
  void whatWasDoneIsSaidAsDone(String title, String done) {
    assertThat(new Change.Edit(title, Workspace.EMPTY, Workspace.EMPTY).done()).isEqualTo(done);
  }
}
