package polydex.recall;

import java.util.List;
import polydex.catalog.ActionId;

/**
 * One prompt of a session and how it is asked.
 *
 * @param kind how
 * @param prompt what
 * @param part which one it is of those that belong together, from 1
 * @param parts how many belong together; 1 where it stands alone
 * @param isNew whether it was never answered before the session
 * @param choices ids of actions to choose from, the right one among them; empty unless it is asked
 *     what a gesture does
 */
public record Question(
    Answer.Kind kind, Prompt prompt, int part, int parts, boolean isNew, List<ActionId> choices) {
  /** Copies the list. */
  public Question {
    choices = List.copyOf(choices);
  }

  static Question alone(Answer.Kind kind, Prompt prompt, boolean isNew) {
    return new Question(kind, prompt, 1, 1, isNew, List.of());
  }

  Question asPart(int number, int of) {
    return new Question(kind, prompt, number, of, isNew, choices);
  }
}
