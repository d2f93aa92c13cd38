package polydex.files.recorder;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.ActionId;
import polydex.files.Shipped;
import polydex.files.computer.Surroundings;
import polydex.hands.Sequences;
import polydex.keys.Gesture;
import polydex.keys.Key;
import polydex.keys.Physical;
import polydex.log.Deed;
import polydex.log.Interpreter;
import polydex.log.LogLine;

/**
 * A recorder in a program of its own, since the hook hears the display that its program was started
 * on: prints each line with tabs between. F9 pauses it and has it go on; "end" on its input ends
 * it.
 */
final class Listening {
  private static final Interpreter NOTHING_BOUND =
      new Interpreter() {
        @Override
        public boolean writes(Deed where, Gesture gesture) {
          return false;
        }

        @Override
        public boolean binds(Deed where, Gesture gesture) {
          return false;
        }

        @Override
        public Optional<ActionId> does(Deed where, Gesture gesture) {
          return Optional.empty();
        }
      };

  private Listening() {}

  public static void main(String[] left) throws Exception {
    Wishes wishes =
        new Wishes(
            "desk",
            Shipped.layout("us").orElseThrow(),
            Sequences.NONE,
            Set.of(left),
            List.of(Physical.Press.of(Key.F9)));
    try (SessionRecorder recorder =
        SessionRecorder.of(Surroundings.here(), wishes, NOTHING_BOUND)) {
      recorder.whenPausedByHand(paused -> say(paused ? "paused" : "goes on"));
      recorder.start(Listening::print);
      say("listening" + recorder.remark());
      end();
    }
    say("ended");
  }

  private static void end() throws IOException {
    int read = System.in.read();
    while (read >= 0 && read != 'e') {
      read = System.in.read();
    }
  }

  private static void print(LogLine l) {
    say(
        String.join(
            "\t",
            "line",
            l.time(),
            l.application(),
            l.device(),
            l.input(),
            l.target(),
            l.path(),
            l.distance(),
            l.width(),
            l.duration()));
  }

  private static synchronized void say(String line) {
    System.out.println(line);
    System.out.flush();
  }
}
