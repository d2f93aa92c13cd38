package polydex.computer;

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
      words.add(taken == 1 ? "1 binding is new" : "%,d bindings are new".formatted(taken));
    }
    if (changed > 0) {
      words.add("%,d changed".formatted(changed));
    }
    if (gone > 0) {
      words.add("%,d gone".formatted(gone));
    }
    return words.isEmpty()
        ? changesSomething() ? "No binding is new, but something else is." : "Nothing is new."
        : String.join(", ", words) + ".";
  }
}
