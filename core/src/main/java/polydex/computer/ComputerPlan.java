package polydex.computer;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import polydex.intake.IntakePlan;
import polydex.workspace.Change;

/**
 * What bringing in a computer would do.
 *
 * @param parts one for each finding, in order
 * @param change all of it
 */
public record ComputerPlan(List<Part> parts, Change.Edit change) {
  /**
   * What one finding would do.
   *
   * @param bindings of one that has some
   * @param changesSomething whether anything would be another
   */
  public record Part(Finding finding, Optional<IntakePlan> bindings, boolean changesSomething) {
    /** How many bindings are new. */
    public int taken() {
      return bindings.map(b -> b.taken().size()).orElse(0);
    }

    /** How many are otherwise than before. */
    public int changed() {
      return bindings.map(b -> b.changed().size()).orElse(0);
    }

    /** How many were there before and are not now. */
    public int gone() {
      return bindings.map(b -> b.gone().size()).orElse(0);
    }
  }

  /** Copies the list. */
  public ComputerPlan {
    parts = List.copyOf(parts);
  }

  /** Whether there is anything to do. */
  public boolean changesSomething() {
    return parts.stream().anyMatch(Part::changesSomething);
  }

  /** What the findings are together, in a sentence. */
  public String summary() {
    int taken = parts.stream().mapToInt(Part::taken).sum();
    int changed = parts.stream().mapToInt(Part::changed).sum();
    int gone = parts.stream().mapToInt(Part::gone).sum();
    List<String> words = new ArrayList<>();
    if (taken > 0) {
      words.add(worded("computer.bindings-are-new", taken));
    }
    if (changed > 0) {
      words.add(worded("computer.changed", changed));
    }
    if (gone > 0) {
      words.add(worded("computer.gone", gone));
    }
    return words.isEmpty()
        ? changesSomething()
            ? worded("computer.no-binding-is-new-but-something")
            : worded("computer.nothing-is-new")
        : String.join(", ", words) + ".";
  }
}
