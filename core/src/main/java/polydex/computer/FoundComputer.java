package polydex.computer;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import polydex.intake.ListSubject;
import polydex.keys.Visible;

/**
 * What was found on a computer.
 *
 * @param title as its user calls it, or its name on the network
 * @param findings in the order in which they are brought in
 */
public record FoundComputer(String title, List<Finding> findings) {
  /**
   * Copies the list.
   *
   * @throws IllegalArgumentException for a blank title, or two findings with one id
   */
  public FoundComputer {
    title = Visible.of(title.strip());
    findings = List.copyOf(findings);
    Set<String> ids = new HashSet<>();
    if (title.isEmpty() || !findings.stream().map(Finding::id).allMatch(ids::add)) {
      throw new IllegalArgumentException("A computer has a title, and findings of different ids");
    }
  }

  /**
   * Whether a finding is what the person most likely wants. What a program keeps in a file is not
   * where the program runs: what that shows says more, and the same twice would be two actions.
   */
  public boolean suggests(Finding finding) {
    boolean runs =
        finding.what() instanceof Finding.Keys(ListSubject about, String title, _, _)
            && about == ListSubject.APPLICATION
            && findings.stream()
                .anyMatch(
                    f ->
                        f.what() instanceof Finding.Running(Program p)
                            && p.title().equalsIgnoreCase(title));
    return finding.suggested() && !runs;
  }

  /** The same with some of its findings only. */
  public FoundComputer only(Predicate<Finding> wanted) {
    return new FoundComputer(title, findings.stream().filter(wanted).toList());
  }
}
