package polydex.conflict;

import static polydex.language.CoreWords.worded;

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
          ? worded("conflict.have-the-window-on-send-in", computer.title(), gesture)
          : worded("conflict.have-the-window-leave-to", gesture, computer.title());
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
        case NEVER -> worded("conflict.have-the-window-on-capture-nothing", computer.title());
        case FULL_SCREEN -> worded("conflict.have-the-window-on-capture-in", computer.title());
        case ALWAYS -> worded("conflict.have-the-window-on-capture-always", computer.title());
      };
    }

    @Override
    public double cost(Weights weights) {
      return 2 * weights.session();
    }

    @Override
    public Object subject() {
      return List.of(computer, worded("conflict.capture"));
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
      return worded("conflict.have-the-window-on-hand-taps", computer.title());
    }

    @Override
    public double cost(Weights weights) {
      return weights.session();
    }

    @Override
    public Object subject() {
      return List.of(computer, worded("conflict.tap-delay"));
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
      return worded("conflict.take-the-remap-off", remap.title(), computer.title());
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
              worded("conflict.as", from, to),
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
      return worded("conflict.have-make-of", computer.title(), to, from);
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
