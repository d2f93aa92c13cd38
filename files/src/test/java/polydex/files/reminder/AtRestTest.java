package polydex.files.reminder;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.abort;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import polydex.files.recorder.Desk;

/** Real hands that come to rest on a real display, and what is said to them there. */
@Timeout(180)
class AtRestTest {
  /** Within the window in the corner, above the sign. */
  private static final int[] LINE = {1230, 700};

  private static Desk desk;
  private Process resting;
  private Desk.Spoken said;

  @BeforeAll
  static void open() throws Exception {
    Desk.missing()
        .ifPresent(
            why -> {
              System.out.println(why);
              abort(why);
            });
    desk = Desk.open();
  }

  @AfterAll
  static void close() {
    if (desk != null) {
      desk.close();
    }
  }

  @AfterEach
  void end() throws Exception {
    resting.getOutputStream().write('e');
    resting.getOutputStream().flush();
    until("ended");
    resting.destroyForcibly();
  }

  private void rest(String where, boolean tells) throws Exception {
    ProcessBuilder builder =
        new ProcessBuilder(
                ProcessHandle.current().info().command().orElseThrow(),
                "--enable-native-access=ALL-UNNAMED",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                Resting.class.getName(),
                where,
                "" + tells)
            .redirectError(ProcessBuilder.Redirect.INHERIT);
    builder.environment().put("DISPLAY", desk.number);
    builder.environment().put("DBUS_SESSION_BUS_ADDRESS", desk.bus);
    builder.environment().remove("WAYLAND_DISPLAY");
    builder.environment().remove("XDG_SESSION_TYPE");
    resting = builder.start();
    said = new Desk.Spoken(resting);
    until("listening");
  }

  /** What comes first that begins so; whatever the recorder noted before is passed over. */
  private String until(String beginning) throws Exception {
    List<String> before = new ArrayList<>();
    String line = said.next();
    while (line.startsWith("noted") && !line.startsWith(beginning)) {
      before.add(line);
      line = said.next();
    }
    assertThat(line).as("after %s", before).startsWith(beginning);
    return line;
  }

  private void edit(String entry) throws Exception {
    choose("Edit");
    choose(entry);
    until("noted Click " + entry);
  }

  private static void choose(String name) throws Exception {
    for (int i = 0; i < 100 && desk.where(name).isEmpty(); i++) {
      Thread.sleep(10);
    }
    int[] at = desk.where(name).orElseThrow();
    desk.hands("mousemove", "" + at[0], "" + at[1], "sleep", "0.15", "click", "1");
    Thread.sleep(150);
  }

  private void untilItIsShown() throws Exception {
    for (int i = 0; i < 50 && !isShown(); i++) {
      Thread.sleep(100);
    }
    assertThat(isShown()).isTrue();
  }

  private boolean isShown() throws Exception {
    return desk.processAt(LINE[0], LINE[1]) == resting.pid();
  }

  @Test
  void theDearestIsSaidOnceAndKeysAnswerIt() throws Exception {
    rest("WINDOW", true);
    edit("Undo");
    edit("Undo");
    edit("Copy");
    assertThat(isShown()).isFalse();
    assertThat(until("kept")).isEqualTo("kept edit.undo true");
    untilItIsShown();
    desk.hands("key", "F7");
    assertThat(until("drill")).isEqualTo("drill edit.undo Ctrl+Z 2");
    Thread.sleep(6000); // what became of it is said for four seconds, and nothing is said twice
    assertThat(isShown()).isFalse();

    edit("Redo");
    assertThat(until("kept")).isEqualTo("kept edit.redo true");
    desk.hands("key", "F8");
    assertThat(until("never")).isEqualTo("never edit.redo");
    edit("Redo");
    edit("Redo");
    edit("Copy");
    assertThat(until("kept")).isEqualTo("kept edit.copy true");

    // What was done before a pause of the recorder, and in it, is not said; the line goes.
    edit("Undo");
    desk.hands("key", "F9");
    until("paused");
    Thread.sleep(1500);
    assertThat(isShown()).isFalse();
    Thread.sleep(2500);
    desk.hands("key", "F9");
    until("goes on");
    // Nor is anything said over a window that fills the screen.
    desk.full(true);
    edit("Undo");
    Thread.sleep(4000);
    desk.full(false);
    edit("Copy");
    assertThat(until("kept")).isEqualTo("kept edit.copy true");
  }

  @Test
  void whatTheLotLeavesOutIsCountedAndNotShown() throws Exception {
    rest("WINDOW", false);
    edit("Undo");
    assertThat(until("kept")).isEqualTo("kept edit.undo false");
    Thread.sleep(600);
    assertThat(isShown()).isFalse();
    desk.hands("key", "F7");
    edit("Copy"); // F7 answered nothing
    assertThat(until("kept")).isEqualTo("kept edit.copy false");
  }

  @Test
  void aNoticeOfTheDesktopIsPlainTextAndItsButtonsAnswer() throws Exception {
    Process server = desk.start("notices.py");
    try {
      Desk.Spoken shown = new Desk.Spoken(server);
      assertThat(shown.next()).isEqualTo("ready");
      rest("NOTICE", true);
      edit("Undo");
      until("kept edit.undo true");
      assertThat(shown.next().replaceAll("saved [a-z0-9 ]+", "saved time"))
          .isEqualTo(
              "notice 1 | Undo <b>& all</b>: Ctrl+Z | Undo &lt;b&gt;&amp; all&lt;/b&gt; (Cue desk):"
                  + " Ctrl+Z. Done once with the mouse just now; keys would have saved time. F7 takes it"
                  + " into the next drill; F8 never says it again. | 0,Into the next"
                  + " drill,1,Never again | ['transient', 'urgency'] 0");
      server.getOutputStream().write("take 1 0\n".getBytes(StandardCharsets.UTF_8));
      server.getOutputStream().flush();
      assertThat(until("drill")).isEqualTo("drill edit.undo Ctrl+Z 1");
      assertThat(shown.next()).startsWith("notice 1 | It is in the next drill. |");
      assertThat(shown.next()).isEqualTo("gone 1");
    } finally {
      server.destroy();
    }
  }
}
