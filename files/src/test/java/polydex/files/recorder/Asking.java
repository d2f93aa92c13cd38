package polydex.files.recorder;

import java.awt.Frame;
import java.io.IOException;
import polydex.boards.Presses.Made;
import polydex.files.computer.Surroundings;
import polydex.keys.Modifiers;

/**
 * A window that asks for keys of the desktop, in a program of its own: says what it hears. "b" on
 * its input takes it back to the front and says whether it is there, "e" ends it.
 */
final class Asking {
  private Asking() {}

  public static void main(String[] args) throws Exception {
    Frame frame = new Frame("Asking");
    frame.setBounds(100, 100, 300, 200);
    frame.setVisible(true);
    Thread.sleep(1500);
    try (KeysForReal keys =
        KeysForReal.listen(
            Surroundings.here(),
            new KeysForReal.Hearer() {
              @Override
              public void pressed(Made press, long nanos) {
                say("pressed " + press.what());
              }

              @Override
              public void holding(Modifiers held) {
                say("holding " + held);
              }
            })) {
      // Another listener that comes and goes takes nothing from this one.
      KeysForReal.listen(Surroundings.here(), new Deaf()).close();
      say("asks " + keys.isInFront());
      answer(keys);
    }
    say("ended");
    System.exit(0);
  }

  private static final class Deaf implements KeysForReal.Hearer {
    @Override
    public void pressed(Made press, long nanos) {
      say("heard too long");
    }

    @Override
    public void holding(Modifiers held) {
      say("heard too long");
    }
  }

  private static void answer(KeysForReal keys) throws IOException, InterruptedException {
    for (int read = System.in.read(); read >= 0 && read != 'e'; read = System.in.read()) {
      if (read == 'w') {
        say("in front " + keys.isInFront());
      } else if (read == 'b') {
        keys.takeBack();
        for (int i = 0; i < 50 && !keys.isInFront(); i++) {
          Thread.sleep(50);
        }
        say("in front " + keys.isInFront());
      }
    }
  }

  private static synchronized void say(String line) {
    System.out.println(line);
    System.out.flush();
  }
}
