package polydex.desktop.sheets;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import polydex.catalog.ActionId;
import polydex.desktop.sheets.IntakeLines.Fate;
import polydex.desktop.sheets.IntakeLines.Line;
import polydex.files.lists.Intake;
import polydex.intake.IntakeRequest;
import polydex.intake.IntakeRequest.Ways;
import polydex.intake.ListSubject;
import polydex.intake.ReadingChoice;

/** What the person said of the list that is previewed, beside the fields. */
final class IntakeWishes {
  private final Map<String, ActionId> meant = new HashMap<>();
  private final Map<ReadingChoice, String> choices = new EnumMap<>(ReadingChoice.class);
  private final Set<String> systems = new HashSet<>();
  private final Set<String> apart = new HashSet<>();
  private final Set<Integer> take = new HashSet<>();
  private final Set<Integer> leave = new HashSet<>();
  private Optional<ListSubject> subject = Optional.empty();
  private boolean dropGone;

  /** Another list is read, of which nothing was said yet; whether gone ones go stays. */
  void forget() {
    meant.clear();
    choices.clear();
    systems.clear();
    apart.clear();
    take.clear();
    leave.clear();
    subject = Optional.empty();
  }

  /** The list was brought in: what titles mean is remembered there. */
  void taken() {
    meant.clear();
  }

  void about(ListSubject other) {
    subject = Optional.of(other);
  }

  boolean dropsGone() {
    return dropGone;
  }

  /** Whether what is gone goes from now on. */
  boolean toggleGone() {
    dropGone = !dropGone;
    return dropGone;
  }

  /** What is said as it stands now; later wishes don't change it. */
  Intake.Said said(Optional<String> columns, Optional<String> title) {
    Ways ways = new Ways(Map.copyOf(choices), Set.copyOf(systems), true);
    return new Intake.Said(columns, subject, title, take, leave, ways);
  }

  /** What is asked beside that, as it stands now. */
  UnaryOperator<IntakeRequest> request() {
    Map<String, ActionId> titles = Map.copyOf(meant);
    Set<String> two = Set.copyOf(apart);
    boolean drop = dropGone;
    return r -> r.meaning(titles).apart(two).dropGone(drop);
  }

  /** What Enter says on a line; false where it says nothing. */
  boolean chosen(Line line) {
    if (line.fate() == Fate.RESEMBLES && line.likely().isPresent()) {
      meant.put(line.text(), line.likely().get().action().id());
      return true;
    }
    return switch (line.act()) {
      case IntakeLines.Turn(int table, boolean takes) -> {
        (takes ? take : leave).add(table);
        (takes ? leave : take).remove(table);
        yield true;
      }
      case IntakeLines.Choose(ReadingChoice choice, String option) -> {
        choices.put(choice, option);
        yield true;
      }
      case IntakeLines.Want(Set<String> wanted) -> {
        systems.clear();
        systems.addAll(wanted);
        yield true;
      }
      case IntakeLines.Part(String title) -> apart.add(title);
      case IntakeLines.Stay() -> meant.remove(line.text()) != null;
    };
  }
}
