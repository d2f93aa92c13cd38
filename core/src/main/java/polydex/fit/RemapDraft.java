package polydex.fit;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.route.Machine;
import polydex.route.Remap;
import polydex.route.Situation;
import polydex.route.Situation.Computer;

/**
 * A remap that is thought out.
 *
 * @param id unique
 * @param computer where it is to be
 * @param window whether the window that holds a machine there is to translate by it, instead of the
 *     computer itself; a window has key rules only
 * @param remap its rules; one with the title of a remap that is there takes its place
 * @param takes when it takes effect
 * @param chosen whether it is to be made, of several that are compared
 */
public record RemapDraft(
    String id, Computer computer, boolean window, Remap remap, Effect takes, boolean chosen) {

  /** When a remap takes effect once it is made. */
  public enum Effect {
    NOW(worded("fit.at-once")),
    SIGN_IN(worded("fit.after-signing-in-again")),
    RESTART(worded("fit.after-a-restart"));

    private final String word;

    Effect(String word) {
      this.word = word;
    }

    /** As people say it. */
    public String word() {
      return word;
    }
  }

  /**
   * Checks what a window can have.
   *
   * @throws IllegalArgumentException for rules about strokes in a window
   */
  public RemapDraft {
    if (window && !remap.strokeRules().isEmpty()) {
      throw new IllegalArgumentException(worded("fit.a-window-translates-keys-not-strokes"));
    }
  }

  /** The situation with it made, wherever the computer stands. */
  public Situation applyTo(Situation before) {
    return window
        ? before.withSession(computer, s -> s.translating(Optional.of(remap)))
        : before.withMachine(computer, this::on);
  }

  private Machine on(Machine machine) {
    List<Remap> all = new ArrayList<>();
    boolean replaced = false;
    for (Remap there : machine.remaps()) {
      boolean same = there.title().equals(remap.title());
      all.add(same ? remap : there);
      replaced |= same;
    }
    if (!replaced) {
      all.add(remap);
    }
    return machine.withRemaps(all);
  }

  /** Whether the computer has it already. */
  public boolean isMade(Situation situation) {
    return applyTo(situation).setups().equals(situation.setups());
  }

  /** The same with other rules. */
  public RemapDraft with(Remap other) {
    return new RemapDraft(id, computer, window, other, takes, chosen);
  }

  /** The same taking effect at another time. */
  public RemapDraft taking(Effect when) {
    return new RemapDraft(id, computer, window, remap, when, chosen);
  }

  /** The same to be made, or not. */
  public RemapDraft chosen(boolean other) {
    return new RemapDraft(id, computer, window, remap, takes, other);
  }
}
