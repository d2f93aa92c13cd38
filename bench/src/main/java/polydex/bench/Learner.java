package polydex.bench;

/** A simulated person who learns items by answering. */
interface Learner {
  /**
   * An answer.
   *
   * @param seconds from the prompt to the last key
   */
  record Said(boolean right, double seconds) {}

  /**
   * Answers, and learns from seeing how it went.
   *
   * @param day counted from 0
   * @param second of that day's session
   */
  Said answer(int item, int day, double second);

  /** The chance of recall at the beginning of a day, 0 to 1; 0 for what was never seen. */
  double recall(int item, int day);
}
