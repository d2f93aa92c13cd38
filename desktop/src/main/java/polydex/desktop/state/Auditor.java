package polydex.desktop.state;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.util.Duration;
import polydex.mouse.Remaining;
import polydex.person.Findings;
import polydex.person.Knowledge;

/**
 * Finds out what the mouse log says, off the interface thread, when it is asked. Asked while it is
 * at it, it looks once more afterwards, so that a log that grows all the time is followed a few
 * times a second and no oftener.
 */
public final class Auditor implements AutoCloseable {
  private static final Duration REST = Duration.millis(200);

  /** What it went by last, and what it has found out for that. */
  private record Last(Knowledge known, Remaining remaining) {}

  private final Session session;
  private final ReadOnlyObjectWrapper<Optional<Findings>> found =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final PauseTransition rest = new PauseTransition(REST);
  private final Beside auditing = new Beside("audit");
  private Optional<String> failure = Optional.empty();
  private final List<Consumer<Findings>> waiting = new ArrayList<>();
  private boolean looking;
  private boolean askedAgain;
  private boolean closed;
  private final AtomicReference<Optional<Last>> last = new AtomicReference<>(Optional.empty());

  /** For a session. */
  public Auditor(Session session) {
    this.session = session;
    rest.setOnFinished(
        _ -> {
          looking = false;
          if (askedAgain) {
            ask();
          }
        });
  }

  /** The newest answer; none before the first. */
  public ReadOnlyObjectProperty<Optional<Findings>> found() {
    return found.getReadOnlyProperty();
  }

  /** What is said in place of an answer: that it is on its way, or why there is none. */
  public String inItsPlace() {
    return failure.orElse(worded("state.looking-at-what-each-action-costs"));
  }

  /** Looks now, or as soon as it can. */
  public void ask() {
    askedAgain = looking;
    if (looking || closed) {
      return;
    }
    looking = true;
    session.whenLogRead(this::look, this::failed);
  }

  /** Looks anew, and does something with that answer: a page is made of what there is now. */
  public void ask(Consumer<Findings> then) {
    waiting.add(then);
    ask();
  }

  private void look() {
    Knowledge known = session.knowledge();
    List<Consumer<Findings>> wanted = List.copyOf(waiting);
    waiting.clear();
    auditing.ask(
        _ -> look(known),
        answer -> {
          failure = Optional.empty();
          found.set(Optional.of(answer));
          rest.playFromStart();
          wanted.forEach(w -> w.accept(answer));
        },
        this::failed);
  }

  private void failed(String why) {
    failure = Optional.of(worded("state.what-the-log-comes-to-could", why));
    session.problem(failure.get());
    // Whoever shows that it is looked into shows why it is not.
    found.set(Optional.empty());
    rest.playFromStart();
  }

  private Findings look(Knowledge known) {
    Remaining remaining =
        last.get()
            .filter(l -> l.known().remainsAlike(known))
            .map(Last::remaining)
            .orElseGet(known::remaining);
    last.set(Optional.of(new Last(known, remaining)));
    return known.findings(remaining);
  }

  /** Nothing is looked into any more, though it be asked for. */
  @Override
  public void close() {
    closed = true;
    auditing.close();
  }
}
