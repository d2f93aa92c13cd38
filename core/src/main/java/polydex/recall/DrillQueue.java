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

  /** A new item is asked so often at most on its first day. */
  static final int NEW_AT_MOST = 5;

  private final List<Question> questions;
  private final Map<DrillItem, Integer> again = new HashMap<>();

  /** How often each new item was right so far. */
  private final Map<DrillItem, Integer> begun = new HashMap<>();

  private int at;

  /** Standing at the first of these. */
  public DrillQueue(List<Question> questions) {
    this.questions = new ArrayList<>(questions);
    questions.stream().filter(Question::isNew).forEach(q -> begun.put(q.prompt().item(), 0));
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

  /**
   * This one was answered. What was missed comes again a little later, and so does what is new
   * until it was right {@value SessionPlan#RIGHTS_NEW} times; in tasks, sprints and the like
   * nothing does.
   */
  public void answered(boolean right) {
    Prompt prompt = current().prompt();
    if (current().kind() != Answer.Kind.DO) {
      return;
    }
    DrillItem item = prompt.item();
    Integer rights = begun.computeIfPresent(item, (_, n) -> n + (right ? 1 : 0));
    boolean comesAgain;
    if (rights == null) {
      comesAgain = !right && again.merge(item, 1, Integer::sum) <= AGAIN_AT_MOST;
    } else {
      comesAgain =
          rights + toCome(item) < SessionPlan.RIGHTS_NEW
              && 1 + toCome(item) + again.merge(item, 1, Integer::sum) <= NEW_AT_MOST;
    }
    if (comesAgain) {
      int place = Math.min(questions.size(), at + COMES_AGAIN_AFTER);
      while (place < questions.size() && questions.get(place).part() > 1) {
        place++;
      }
      questions.add(place, Question.alone(Answer.Kind.DO, prompt, false));
    }
  }

  /** How often an item is still to be asked after this question. */
  private int toCome(DrillItem item) {
    return (int)
        questions.subList(at + 1, questions.size()).stream()
            .filter(q -> q.kind() == Answer.Kind.DO && q.prompt().item().equals(item))
            .count();
  }

  /** Leaves out of what is still to be asked whatever can't be asked any more. */
  public void keepOnly(Predicate<DrillItem> canBeAsked) {
    questions.subList(at, questions.size()).removeIf(q -> !canBeAsked.test(q.prompt().item()));
  }
}
