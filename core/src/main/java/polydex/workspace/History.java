package polydex.workspace;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;

/** The changes that can be undone and redone, the newest first. Not thread-safe. */
public final class History {
  /** How many changes are kept. */
  public static final int KEPT = 200;

  private final Deque<Change> done = new ArrayDeque<>();
  private final Deque<Change> undone = new ArrayDeque<>();

  /** Remembers a change that was made; what was undone before it can no longer be redone. */
  public void made(Change change) {
    undone.clear();
    done.push(change);
    if (done.size() > KEPT) {
      done.removeLast();
    }
  }

  /** What undo would take back. */
  public Optional<Change> toUndo() {
    return Optional.ofNullable(done.peek());
  }

  /** What redo would make again. */
  public Optional<Change> toRedo() {
    return Optional.ofNullable(undone.peek());
  }

  /** Says that {@link #toUndo} was undone. */
  public void undid() {
    undone.push(done.pop());
  }

  /** Says that {@link #toRedo} was made again. */
  public void redid() {
    done.push(undone.pop());
  }
}
