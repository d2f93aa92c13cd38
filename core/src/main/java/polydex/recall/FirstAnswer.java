package polydex.recall;

import java.util.Optional;

/**
 * An answer that moved memory, the first to its item on a day.
 *
 * @param before what was remembered until then; none at the first answer ever
 * @param days since the last answer that moved it, 0 at the first
 */
public record FirstAnswer(DrillItem item, Optional<Memory> before, double days, Grade grade) {}
