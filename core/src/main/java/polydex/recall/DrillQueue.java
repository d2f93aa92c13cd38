package polydex.recall;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.function.Predicate;

/**
 * The questions of a drill in the order in which they are asked. What was missed comes again a
 * little later, but not in the middle of what belongs together. For one thread.
 */
public final class DrillQueue {
  /** A question that was missed comes again as the fourth from then, or last. */
  static final int COMES_AGAIN_AFTER = 4;

  /** Who misses something so often in a row will not learn it by once more today. */
  static final int AGAIN_AT_MOST = 2;

  private final List<Question> questions;
  private final Map<DrillItem, Integer> again = new HashMap<>();
  private int at;

  /** Standing at the first of these. */
  public DrillQueue(List<Question> questions) {
    this.questions = new ArrayList<>(questions);
  }

  /** Whether all were asked. */
  public boolean isAtItsEnd() {
    return at == questions.size();
  }

  /**
   * The question that is asked now.
   *
   * @throws NoSuchElementException at the end
   */
  public Question current() {
    if (isAtItsEnd()) {
      throw new NoSuchElementException("All " + at + " questions were asked");
    }
    return questions.get(at);
  }

  /** Which one that is, from 1. */
  public int number() {
    return at + 1;
  }

  /** How many there are, those that come again counted. */
  public int size() {
    return questions.size();
  }

  /** How many are still to be asked, this one counted. */
  public int left() {
    return questions.size() - at;
  }

  /** What comes after this question and belongs to the same task. */
  public List<Question> restOfTask() {
    Question now = current();
    int end = Math.min(questions.size(), at - now.part() + 1 + now.parts());
    return List.copyOf(questions.subList(at + 1, end));
  }

  /** Goes on, if not yet at the end. */
  public void next() {
    at = Math.min(at + 1, questions.size());
  }

  /** This one was missed, and so comes again; in tasks, sprints and the like nothing does. */
  public void missed() {
    Prompt prompt = current().prompt();
    if (current().kind() != Answer.Kind.DO
        || again.merge(prompt.item(), 1, Integer::sum) > AGAIN_AT_MOST) {
      return;
    }
    int place = Math.min(questions.size(), at + COMES_AGAIN_AFTER);
    while (place < questions.size() && questions.get(place).part() > 1) {
      place++;
    }
    questions.add(place, Question.alone(Answer.Kind.DO, prompt, false));
  }

  /** Leaves out of what is still to be asked whatever can't be asked any more. */
  public void keepOnly(Predicate<DrillItem> canBeAsked) {
    questions.subList(at, questions.size()).removeIf(q -> !canBeAsked.test(q.prompt().item()));
  }
}
