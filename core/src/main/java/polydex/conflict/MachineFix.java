package polydex.conflict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.catalog.Catalog;
import polydex.keys.Gesture;
import polydex.route.Machine.Capture;
import polydex.route.Remap;
import polydex.route.Situation;
import polydex.route.Situation.Computer;

/** A change of what stands between the fingers and a keymap: session windows and remaps. */
public sealed interface MachineFix extends Fix {

  /**
   * A session window keeps a stroke, or sends it in, from now on.
   *
   * @param computer the computer that the window is on
   * @param gesture one stroke
   * @param sent whether it goes in; otherwise its host keeps it
   */
  record Direct(Computer computer, Gesture gesture, boolean sent) implements MachineFix {
    @Override
    public Situation applyTo(Situation before) {
      return before.withSession(computer, s -> s.directing(gesture, sent));
    }

    @Override
    public String title(Catalog catalog) {
      return sent
          ? "Have the window on %s send %s in".formatted(computer.title(), gesture)
          : "Have the window leave %s to %s".formatted(gesture, computer.title());
    }

    @Override
    public double cost(Weights weights) {
      return weights.session();
    }

    @Override
    public Object subject() {
      return List.of(computer, gesture);
    }
  }

  /**
   * A session window captures at other times.
   *
   * @param computer the computer that the window is on
   * @param capture when
   */
  record SetCapture(Computer computer, Capture capture) implements MachineFix {
    @Override
    public Situation applyTo(Situation before) {
      return before.withSession(computer, s -> s.capturing(capture));
    }

    @Override
    public String title(Catalog catalog) {
      return switch (capture) {
        case NEVER -> "Have the window on %s capture nothing".formatted(computer.title());
        case FULL_SCREEN ->
            "Have the window on %s capture in full screen only".formatted(computer.title());
        case ALWAYS -> "Have the window on %s capture always".formatted(computer.title());
      };
    }

    @Override
    public double cost(Weights weights) {
      return 2 * weights.session();
    }

    @Override
    public Object subject() {
      return List.of(computer, "capture");
    }
  }

  /**
   * A session window no longer keeps taps of modifiers back.
   *
   * @param computer the computer that the window is on
   */
  record NoTapDelay(Computer computer) implements MachineFix {
    @Override
    public Situation applyTo(Situation before) {
      return before.withSession(computer, s -> s.delayingTaps(0));
    }

    @Override
    public String title(Catalog catalog) {
      return "Have the window on %s hand taps on at once".formatted(computer.title());
    }

    @Override
    public double cost(Weights weights) {
      return weights.session();
    }

    @Override
    public Object subject() {
      return List.of(computer, "tap delay");
    }
  }

  /**
   * A remap goes.
   *
   * @param computer where
   * @param remap which
   */
  record DropRemap(Computer computer, Remap remap) implements MachineFix {
    @Override
    public Situation applyTo(Situation before) {
      return before.withMachine(
          computer, m -> m.withRemaps(m.remaps().stream().filter(r -> !r.equals(remap)).toList()));
    }

    @Override
    public String title(Catalog catalog) {
      return "Take the remap \u201c%s\u201d off %s".formatted(remap.title(), computer.title());
    }

    @Override
    public double cost(Weights weights) {
      return weights.remap() + weights.changedHabit();
    }

    @Override
    public Object subject() {
      return List.of(computer, remap);
    }
  }

  /**
   * A remap makes one stroke of another.
   *
   * @param computer where
   * @param from what is pressed
   * @param to what it becomes
   */
  record AddRemap(Computer computer, Gesture from, Gesture to) implements MachineFix {
    @Override
    public Situation applyTo(Situation before) {
      Remap added =
          new Remap(
              from + " as " + to,
              Optional.empty(),
              List.of(new Remap.StrokeRule(from, to)),
              List.of());
      return before.withMachine(
          computer,
          m -> {
            List<Remap> remaps = new ArrayList<>(m.remaps());
            remaps.addFirst(added);
            return m.withRemaps(remaps);
          });
    }

    @Override
    public String title(Catalog catalog) {
      return "Have %s make %s of %s".formatted(computer.title(), to, from);
    }

    @Override
    public double cost(Weights weights) {
      return weights.remap() + weights.changedHabit();
    }

    @Override
    public Object subject() {
      return List.of(computer, from);
    }
  }
}
