package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import polydex.computer.Finding;
import polydex.computer.Finding.Running;
import polydex.computer.Program;
import polydex.files.FileProblem;
import polydex.files.bus.AccessibilityBus;

/**
 * Looks at a program again and again while somebody opens its menus, and keeps all that was seen:
 * some toolkits make menus only when they are opened. It only ever looks; between two looks the
 * program has time to itself.
 */
public final class MenuWatch {
  private static final int PAUSE_MILLIS = 250;

  private MenuWatch() {}

  /**
   * Watches until it is stopped, the program ends, or its bus is gone. Blocks; for a thread of its
   * own.
   *
   * @param program what was found of it
   * @param heard gets what is known by now whenever that is more
   * @throws FileProblem where it can't be watched, or can't any more
   */
  public static void watch(
      Surroundings here, Finding program, Consumer<Finding> heard, BooleanSupplier stopped)
      throws FileProblem {
    if (!(program.what() instanceof Running(Program known))) {
      throw new FileProblem(worded("computer.is-no-program-that-runs", program.title()));
    }
    Program all = known;
    try (AccessibilityBus bus = AccessibilityBus.connect(here.messageBus())) {
      AccessibilityBus.Running running = running(bus, known.title());
      while (!stopped.getAsBoolean()) {
        Program now = bus.read(running, stopped).program();
        if (now.menus().isEmpty() && now.pressed().isEmpty() && now.tabOrder().isEmpty()) {
          running = running(bus, known.title()); // it may have ended, or begun anew
        }
        Program more = all.and(now.titled(known.title()));
        if (!more.equals(all) && !stopped.getAsBoolean()) {
          all = more;
          heard.accept(
              new Finding(
                  program.id(),
                  program.title(),
                  program.where(),
                  new Running(all),
                  program.remarks(),
                  true));
        }
        Thread.sleep(PAUSE_MILLIS);
      }
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt(); // nobody waits any more
    }
  }

  private static AccessibilityBus.Running running(AccessibilityBus bus, String title)
      throws FileProblem {
    return Optional.ofNullable(ProgramSource.byTitle(bus.programs()).get(title))
        .orElseThrow(() -> new FileProblem(worded("computer.has-ended-what-was-seen-of", title)));
  }
}
