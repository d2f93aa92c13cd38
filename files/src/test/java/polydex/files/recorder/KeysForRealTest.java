package polydex.files.recorder;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.abort;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Keys that a real window manager takes for itself, pressed while a window of ours asks. */
@Timeout(120)
class KeysForRealTest {
  private static void tell(Process asking, char what) throws IOException {
    asking.getOutputStream().write(what);
    asking.getOutputStream().flush();
  }

  @Test
  void keysOfTheDesktopAreHeardAndTheWindowComesBack() throws Exception {
    Desk.missing()
        .ifPresent(
            why -> {
              System.out.println(why);
              abort(why);
            });
    try (Desk desk = Desk.open()) {
      ProcessBuilder builder =
          new ProcessBuilder(
                  ProcessHandle.current().info().command().orElseThrow(),
                  "--enable-native-access=ALL-UNNAMED",
                  "-XX:TieredStopAtLevel=1",
                  "-cp",
                  System.getProperty("java.class.path"),
                  Asking.class.getName())
              .redirectError(ProcessBuilder.Redirect.INHERIT);
      builder.environment().put("DISPLAY", desk.number);
      builder.environment().put("DBUS_SESSION_BUS_ADDRESS", desk.bus);
      Process asking = builder.start();
      try {
        Desk.Spoken heard = new Desk.Spoken(asking);
        assertThat(heard.next()).isEqualTo("asks true");
        // The other window, by the window manager's own keys.
        desk.hands("keydown", "Alt_L", "sleep", "0.1", "key", "Tab", "sleep", "0.3");
        desk.hands("keyup", "Alt_L");
        assertThat(List.of(heard.next(), heard.next(), heard.next()))
            .containsExactly("holding LeftAlt", "pressed Press[held=LeftAlt, key=Tab]", "holding ");
        Thread.sleep(500);
        tell(asking, 'w');
        assertThat(heard.next()).isEqualTo("in front false");
        tell(asking, 'b');
        assertThat(heard.next()).isEqualTo("in front true");
        // Another workspace, with the keys on the right: by their codes, since by their names
        // xdotool
        // presses the left ones as well.
        desk.hands("keydown", "105", "keydown", "108", "key", "114");
        desk.hands("keyup", "108", "keyup", "105");
        assertThat(heard.next()).isEqualTo("holding RightCtrl");
        assertThat(heard.next()).startsWith("holding RightCtrl+");
        assertThat(heard.next())
            .startsWith("pressed Press[held=RightCtrl+")
            .endsWith("key=ArrowRight]");
        Thread.sleep(700);
        heard.all();
        tell(asking, 'b');
        assertThat(heard.next()).isEqualTo("in front true");
        tell(asking, 'e');
        assertThat(heard.next()).isEqualTo("ended");
      } finally {
        asking.destroyForcibly();
      }
    }
  }
}
