package polydex.files.bus;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongSupplier;
import polydex.files.FileProblem;
import polydex.files.bus.AccessibilityBus.Running;

/** Which programs are on the bus, by their processes, as far as that was looked up lately. */
final class ProgramsHere {
  /** Programs that are not on the bus are looked for no oftener. */
  private static final long PROGRAMS_MILLIS = 10_000;

  /** A program comes to the bus so long after its window, at most. */
  private static final long NEW_MILLIS = 3000;

  /** Until then it is looked for so often. */
  private static final long SOON_MILLIS = 250;

  private static final int MOST_MISSED = 200;

  private final AccessibilityBus list;
  private final LongSupplier now;
  private Map<Integer, Running> programs = Map.of();

  /** When programs were first missed on the bus. */
  private final Map<Integer, Long> missed = new Latest<>(MOST_MISSED);

  private long programsAt = Long.MIN_VALUE / 2;

  ProgramsHere(AccessibilityBus list, LongSupplier now) {
    this.list = list;
    this.now = now;
  }

  /** The program of a process; none where it is not on the bus. */
  synchronized Optional<Running> find(int process) {
    if (process == 0) {
      return Optional.empty();
    }
    long at = now.getAsLong();
    if (!programs.containsKey(process)) {
      missed.putIfAbsent(process, at);
    }
    long patience = isNew(process) ? SOON_MILLIS : PROGRAMS_MILLIS;
    if (!programs.containsKey(process) && at - programsAt > patience) {
      programsAt = at;
      try {
        Map<Integer, Running> found = new HashMap<>();
        list.programs().forEach(r -> found.putIfAbsent(r.process(), r));
        programs = found;
      } catch (FileProblem _) {
        programs = Map.of();
      }
    }
    return Optional.ofNullable(programs.get(process));
  }

  /** Whether a program is not on the bus, and may only not be there yet. */
  synchronized boolean isNew(int process) {
    Long since = missed.get(process);
    return process != 0
        && !programs.containsKey(process)
        && since != null
        && now.getAsLong() - since < NEW_MILLIS;
  }
}
