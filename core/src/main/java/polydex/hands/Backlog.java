package polydex.hands;

import java.util.Deque;
import java.util.concurrent.ConcurrentLinkedDeque;

/**
 * When what waits to be looked at happened, in that order, so that nobody decides about a time
 * before all is known of it. One thread puts in, another takes out, any may ask.
 */
public final class Backlog {
  private final Deque<Long> times = new ConcurrentLinkedDeque<>();

  /** Something has begun to wait. */
  public void waits(long millis) {
    times.addLast(millis);
  }

  /** What has begun to wait last does not after all. */
  public void leaves() {
    times.pollLast();
  }

  /** The one that waited longest is looked at. */
  public void done() {
    times.pollFirst();
  }

  /** Whether all that happened until a time has been looked at. */
  public boolean isPast(long millis) {
    Long oldest = times.peekFirst();
    return oldest == null || oldest > millis;
  }
}
