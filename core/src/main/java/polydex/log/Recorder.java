package polydex.log;

import java.util.function.Consumer;

/**
 * Something that sees what is done on a computer and hands it on, line by line, as it happens. What
 * it hands on goes through {@link LogIntake}, which keeps nothing that was typed; what a recorder
 * itself remembers ends with {@link #close}.
 */
public interface Recorder extends AutoCloseable {
  /** What it records, for the person: "a simulated day". */
  String title();

  /**
   * Begins. May be called once.
   *
   * @param to gets the lines, on a thread of the recorder's
   */
  void start(Consumer<LogLine> to);

  /**
   * Notes nothing until {@link #resume}, and remembers nothing of what happens meanwhile. What was
   * done before may still be handed on.
   */
  void pause();

  /** Goes on after {@link #pause}. */
  void resume();

  /** Ends; when this returns nothing more is handed on. */
  @Override
  void close();
}
