package polydex.files.reminder;

/** Where something is said at a pause. */
interface ReminderLine extends AutoCloseable {
  /** Shows it until {@link #hide}. */
  void show(ReminderWords words);

  /** Shows a sentence in its place. */
  void say(String sentence);

  /** Shows nothing. */
  void hide();

  @Override
  void close();
}
